create table project (
    id integer primary key,
    name text not null,
    change integer not null,
    created_at text not null
);

create table part (
    id integer primary key,
    project_id integer not null references project (id),
    kind text not null check (kind in ('settings', 'sprite', 'event', 'effect', 'rope')),
    name text not null,
    place integer not null,
    revision integer not null,
    is_deleted integer not null check (is_deleted in (0, 1))
);

create unique index part_by_name on part (project_id, kind, name) where is_deleted = 0;

create table part_revision (
    part_id integer not null references part (id),
    revision integer not null,
    body text not null,
    is_deleted integer not null check (is_deleted in (0, 1)),
    saved_at text not null,
    primary key (part_id, revision)
);
