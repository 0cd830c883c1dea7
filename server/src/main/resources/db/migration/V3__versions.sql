-- What kinds of parts there are is for the server to know; a check that lists them would have to be made anew for each.
create table part_next (
    id integer primary key,
    project_id integer not null references project (id),
    kind text not null,
    name text not null,
    place integer not null,
    revision integer not null,
    is_deleted integer not null check (is_deleted in (0, 1))
);

insert into part_next select id, project_id, kind, name, place, revision, is_deleted from part;

create table part_revision_next (
    part_id integer not null references part_next (id),
    revision integer not null,
    body text not null,
    is_deleted integer not null check (is_deleted in (0, 1)),
    saved_at text not null,
    primary key (part_id, revision)
);

insert into part_revision_next select part_id, revision, body, is_deleted, saved_at from part_revision;

drop table part_revision;

drop table part;

alter table part_next rename to part;

alter table part_revision_next rename to part_revision;

create unique index part_by_name on part (project_id, kind, name) where is_deleted = 0;
