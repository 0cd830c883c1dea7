package bellrope.server.store;

import static bellrope.server.store.tables.Tables.PART;
import static bellrope.server.store.tables.Tables.PART_REVISION;
import static bellrope.server.store.tables.Tables.PROJECT;

import bellrope.format.json.JsonText;
import bellrope.server.store.Snapshot.Part;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jooq.DSLContext;
import org.jooq.Record;
import org.jooq.SelectJoinStep;
import org.jooq.impl.DSL;
import tools.jackson.databind.JsonNode;

/** The queries. Each takes the connection or transaction it runs in. */
final class Rows {
    private Rows() {}

    static long addProject(DSLContext db, String name) {
        return db.insertInto(PROJECT)
                .set(PROJECT.NAME, name)
                .set(PROJECT.CHANGE, 0L)
                .set(PROJECT.CREATED_AT, Instant.now().toString())
                .returning(PROJECT.ID)
                .fetchOne()
                .getId();
    }

    static void rename(DSLContext db, long project, String name) {
        db.update(PROJECT).set(PROJECT.NAME, name).where(PROJECT.ID.eq(project)).execute();
    }

    /** Counts one more change and returns the count. */
    static long countChange(DSLContext db, long project) {
        return db.update(PROJECT)
                .set(PROJECT.CHANGE, PROJECT.CHANGE.plus(1))
                .where(PROJECT.ID.eq(project))
                .returning(PROJECT.CHANGE)
                .fetchOne()
                .getChange();
    }

    /** Returns the names of all projects by their number, in the order they were made. */
    static Map<Long, String> projects(DSLContext db) {
        return db.select(PROJECT.ID, PROJECT.NAME)
                .from(PROJECT)
                .orderBy(PROJECT.ID)
                .fetchMap(PROJECT.ID, PROJECT.NAME);
    }

    static Optional<Snapshot> snapshot(DSLContext db, long project) {
        return db.selectFrom(PROJECT)
                .where(PROJECT.ID.eq(project))
                .fetchOptional()
                .map(row -> {
                    List<Part> parts = new ArrayList<>();
                    for (Record part :
                            currentParts(db).where(PART.PROJECT_ID.eq(project)).and(PART.IS_DELETED.eq(false))) {
                        parts.add(readable(row.getName(), part(part)));
                    }
                    parts.sort(Snapshot.ORDER);
                    return new Snapshot(row.getId(), row.getName(), row.getChange(), List.copyOf(parts));
                });
    }

    private static Part readable(String project, Part part) {
        if (part.value() == null) {
            throw Refusal.unreadable(
                    "The " + part.kind().word() + " \"" + part.name() + "\" of the project \"" + project
                            + "\" cannot be read ("
                            + Snapshot.read(part.kind(), part.body()).problems().get(0)
                            + "). The project is set aside as it is; all others can be opened.");
        }
        return part;
    }

    /** Returns a part as it stands, deleted or not. */
    static Optional<Part> part(DSLContext db, long id) {
        return currentParts(db).where(PART.ID.eq(id)).fetchOptional().map(Rows::part);
    }

    static Optional<Long> projectOf(DSLContext db, long part) {
        return db.select(PART.PROJECT_ID).from(PART).where(PART.ID.eq(part)).fetchOptional(PART.PROJECT_ID);
    }

    private static SelectJoinStep<? extends Record> currentParts(DSLContext db) {
        return db.select()
                .from(PART)
                .join(PART_REVISION)
                .on(PART_REVISION.PART_ID.eq(PART.ID).and(PART_REVISION.REVISION.eq(PART.REVISION)));
    }

    /** Returns revisions of a part before one, the last first. */
    static List<Part> revisions(DSLContext db, long id, long before, int most) {
        return revisions(db)
                .where(PART.ID.eq(id))
                .and(PART_REVISION.REVISION.lt(before))
                .orderBy(PART_REVISION.REVISION.desc())
                .limit(most)
                .fetch(Rows::part);
    }

    static Optional<Part> revision(DSLContext db, long id, long revision) {
        return revisions(db)
                .where(PART.ID.eq(id))
                .and(PART_REVISION.REVISION.eq(revision))
                .fetchOptional(Rows::part);
    }

    private static SelectJoinStep<? extends Record> revisions(DSLContext db) {
        return db.select().from(PART).join(PART_REVISION).on(PART_REVISION.PART_ID.eq(PART.ID));
    }

    /** Lets a part that is about to be written hold its name no longer. */
    static void letGo(DSLContext db, long id) {
        db.update(PART).set(PART.IS_DELETED, true).where(PART.ID.eq(id)).execute();
    }

    private static Part part(Record row) {
        Kind kind = Kind.of(row.get(PART.KIND)).orElseThrow();
        JsonText.Parsed parsed = JsonText.parse(row.get(PART_REVISION.BODY));
        // What is no JSON is kept as the text it is, and cannot be read as a part.
        JsonNode body = parsed.failed() ? JsonText.text(row.get(PART_REVISION.BODY)) : parsed.node();
        Snapshot.Body read = Snapshot.read(kind, body);
        return new Part(
                row.get(PART.ID),
                kind,
                row.get(PART.NAME),
                row.get(PART.PLACE),
                row.get(PART_REVISION.REVISION),
                row.get(PART_REVISION.IS_DELETED),
                // As it is written now: what older versions left out, such as addresses, is there.
                read.wrong() ? body : read.json(),
                read.value(),
                row.get(PART_REVISION.SAVED_AT));
    }

    static Part add(DSLContext db, long project, Kind kind, Snapshot.Body body) {
        Long last = db.select(DSL.max(PART.PLACE))
                .from(PART)
                .where(PART.PROJECT_ID.eq(project))
                .and(PART.KIND.eq(kind.word()))
                .fetchOne()
                .value1();
        return addAt(db, project, kind, body, last == null ? 0 : last + 1);
    }

    static Part addAt(DSLContext db, long project, Kind kind, Snapshot.Body body, long place) {
        long id = db.insertInto(PART)
                .set(PART.PROJECT_ID, project)
                .set(PART.KIND, kind.word())
                .set(PART.NAME, body.name())
                .set(PART.PLACE, place)
                .set(PART.REVISION, 1L)
                .set(PART.IS_DELETED, false)
                .returning(PART.ID)
                .fetchOne()
                .getId();
        Part part = new Part(
                id,
                kind,
                body.name(),
                place,
                1,
                false,
                body.json(),
                body.value(),
                Instant.now().toString());
        addRevision(db, part);
        return part;
    }

    /** Makes a part stand as given, which is one revision on from before. */
    static void save(DSLContext db, Part part) {
        db.update(PART)
                .set(PART.NAME, part.name())
                .set(PART.PLACE, part.place())
                .set(PART.REVISION, part.revision())
                .set(PART.IS_DELETED, part.deleted())
                .where(PART.ID.eq(part.id()))
                .execute();
        addRevision(db, part);
    }

    private static void addRevision(DSLContext db, Part part) {
        db.insertInto(PART_REVISION)
                .set(PART_REVISION.PART_ID, part.id())
                .set(PART_REVISION.REVISION, part.revision())
                .set(PART_REVISION.BODY, JsonText.compact(part.body()))
                .set(PART_REVISION.IS_DELETED, part.deleted())
                .set(PART_REVISION.SAVED_AT, part.savedAt())
                .execute();
    }
}
