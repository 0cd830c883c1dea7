package bellrope.server.store;

import bellrope.core.effect.Sprite;
import bellrope.core.project.Consistency;
import bellrope.core.project.Project;
import bellrope.core.project.Settings;
import bellrope.core.value.Demand;
import bellrope.core.value.Problem;
import bellrope.core.value.Refused;
import bellrope.format.json.Bundle;
import bellrope.format.json.Demo;
import bellrope.format.json.JacksonValue;
import bellrope.format.json.JsonValue;
import bellrope.format.sprite.Pictures;
import bellrope.server.store.Snapshot.Part;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Function;
import java.util.function.UnaryOperator;
import javax.sql.DataSource;
import org.jooq.DSLContext;
import org.jooq.SQLDialect;
import org.jooq.TransactionalCallable;
import org.jooq.exception.DataAccessException;
import org.jooq.impl.DSL;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import tools.jackson.databind.JsonNode;

/**
 * The projects, kept in SQLite and held read in memory.
 *
 * <p>The idea: a part is never overwritten. A save adds a revision and moves the part to it, in one transaction that also
 * checks that the save was made on the present revision and that the names of the whole project still agree. The snapshot
 * in memory is replaced only after the transaction is on disk, so what a reader sees is what would survive a crash. Writes
 * come one at a time; reads never wait.
 */
@Component
public class ProjectStore {
    /** Most changes that come together. */
    public static final int MOST_EDITS = 5_000;

    /** Most revisions that are told of at once. */
    public static final int MOST_REVISIONS = 500;

    private static final long AT_THE_END = Long.MAX_VALUE;

    private final DSLContext db;
    private final ConcurrentHashMap<Long, Snapshot> held = new ConcurrentHashMap<>();

    public ProjectStore(DataSource source) {
        db = DSL.using(source, SQLDialect.SQLITE);
    }

    /**
     * A project in the list of all.
     *
     * @param snapshot empty where something in it cannot be read
     * @param broken why it is set aside; empty where it is not
     */
    public record Listed(long id, String name, Optional<Snapshot> snapshot, String broken) {}

    /** Returns all projects; one that cannot be read is set aside and keeps none of the others from being opened. */
    public List<Listed> all() {
        List<Listed> all = new ArrayList<>();
        Rows.projects(db).forEach((id, name) -> {
            try {
                all.add(new Listed(id, name, Optional.of(get(id)), ""));
            } catch (Refusal refusal) {
                all.add(new Listed(id, name, Optional.empty(), refusal.getMessage()));
            }
        });
        return all;
    }

    /**
     * Returns a project as it stands.
     *
     * @throws Refusal if there is none
     */
    public Snapshot get(long project) {
        Snapshot known = held.get(project);
        if (known != null) {
            return known;
        }
        return load(project);
    }

    private synchronized Snapshot load(long project) {
        Snapshot loaded = Rows.snapshot(db, project).orElseThrow(() -> Refusal.notThere("project " + project));
        held.put(project, loaded);
        return loaded;
    }

    /** Makes a project with usual settings, the sprites that ship, and nothing else. */
    public synchronized Snapshot create(String name) {
        try {
            Demand.name("name", name);
        } catch (Refused refused) {
            throw Refusal.wrong(List.of(new Problem("/name", refused.given(), refused.allowed())));
        }
        return create(new Project(name, Settings.USUAL, Demo.project().sprites(), List.of(), List.of(), List.of()));
    }

    /** Makes a project of a bundle that has been read. */
    public synchronized Snapshot create(Project from) {
        long id = written(c -> {
            DSLContext tx = c.dsl();
            long project = Rows.addProject(tx, from.name());
            put(tx, project, from);
            return project;
        });
        return load(id);
    }

    /**
     * Fills an empty project from a bundle that has been read.
     *
     * @throws Refusal if the project holds events, effects or ropes already
     */
    public synchronized Snapshot fill(long project, Project from) {
        Snapshot present = get(project);
        long inTheWay = present.parts().stream()
                .filter(p -> p.kind() != Kind.SETTINGS && p.kind() != Kind.SPRITE)
                .count();
        if (inTheWay > 0) {
            throw Refusal.inTheWay("\"" + present.name() + "\" already holds " + inTheWay
                    + " events, effects and ropes; import into an empty project.");
        }
        written(c -> {
            DSLContext tx = c.dsl();
            for (Part part : present.parts()) {
                Rows.save(tx, part.with(part.name(), part.revision() + 1, true, part.body(), part.value(), now()));
            }
            Rows.rename(tx, project, from.name());
            put(tx, project, from);
            return project;
        });
        return load(project);
    }

    // What the disk does not take is said in words; the transaction is undone, and what is in memory stays as it was.
    private <T> T written(TransactionalCallable<T> work) {
        try {
            return db.transactionResult(work);
        } catch (DataAccessException e) {
            throw Refusal.notKept(Storage.words(e));
        }
    }

    private static void put(DSLContext tx, long project, Project from) {
        add(tx, project, Kind.SETTINGS, Bundle.write(from.settings()), 0);
        List<Sprite> sprites = from.sprites();
        for (int i = 0; i < sprites.size(); i++) {
            add(tx, project, Kind.SPRITE, Bundle.write(sprites.get(i)), i);
        }
        for (int i = 0; i < from.events().size(); i++) {
            add(tx, project, Kind.EVENT, Bundle.write(from.events().get(i)), i);
        }
        for (int i = 0; i < from.effects().size(); i++) {
            add(tx, project, Kind.EFFECT, Bundle.write(from.effects().get(i)), i);
        }
        for (int i = 0; i < from.ropes().size(); i++) {
            add(tx, project, Kind.ROPE, Bundle.write(from.ropes().get(i)), i);
        }
        for (int i = 0; i < from.channels().size(); i++) {
            add(tx, project, Kind.CHANNEL, Bundle.write(from.channels().get(i)), i);
        }
        for (int i = 0; i < from.places().size(); i++) {
            add(tx, project, Kind.PLACE, Bundle.write(from.places().get(i)), i);
        }
        for (int i = 0; i < from.versions().size(); i++) {
            add(tx, project, Kind.VERSION, Bundle.write(from.versions().get(i)), i);
        }
        for (int i = 0; i < from.pools().size(); i++) {
            add(tx, project, Kind.POOL, Bundle.write(from.pools().get(i)), i);
        }
        for (int i = 0; i < from.scores().size(); i++) {
            add(tx, project, Kind.SCORE, Bundle.write(from.scores().get(i)), i);
        }
        Rows.countChange(tx, project);
    }

    private static void add(DSLContext tx, long project, Kind kind, JsonValue json, int place) {
        Rows.addAt(tx, project, kind, Snapshot.read(kind, JacksonValue.node(json)), place);
    }

    /** Adds a part at the end of its kind. */
    public synchronized Change add(long project, Kind kind, JsonNode json) {
        return change(project, List.of(new Edit(null, kind, 0, json, null)));
    }

    /**
     * Saves a part on the revision it was based on; saving a deleted part brings it back.
     *
     * @throws Refusal if another revision has been saved since, or anything in the body is wrong
     */
    public synchronized Change save(long part, long basedOn, JsonNode json) {
        return change(of(part).id(), List.of(new Edit(part, null, basedOn, json, null)));
    }

    /** Deletes a part; its revisions stay, and saving it again brings it back. */
    public synchronized Change delete(long part, long basedOn) {
        return change(of(part).id(), List.of(new Edit(part, null, basedOn, null, null)));
    }

    /**
     * One of several changes that come true together or not at all.
     *
     * @param part to be changed; null for a new one
     * @param kind of a new part
     * @param basedOn revision that the change was made on
     * @param body of the part; null to delete it
     * @param place among its kind; null to leave it there, or to put it at the end
     */
    public record Edit(
            @Nullable Long part,
            @Nullable Kind kind,
            long basedOn,
            JsonNode body,
            @Nullable Long place) {}

    /**
     * Makes several changes in one transaction.
     *
     * @throws Refusal if any of them was made on another revision, or is wrong, or leaves names that disagree; then none of
     *     them has been made. Of several, each place begins with {@code /edits/} and its number
     */
    public synchronized Change change(long project, List<Edit> edits) {
        Snapshot before = get(project);
        if (edits.isEmpty() || edits.size() > MOST_EDITS) {
            throw Refusal.wrong(
                    List.of(new Problem("/edits", edits.size() + " of them", "1 to " + MOST_EDITS + " changes")));
        }
        List<Part> next = next(before, edits);
        check(before, next, before.after(before.change() + 1, next));
        Change change = written(c -> {
            DSLContext tx = c.dsl();
            long count = Rows.countChange(tx, project);
            List<Part> parts = new ArrayList<>();
            // Names may be exchanged, or taken over from what is deleted: until all are written, none is held.
            for (Part part : next) {
                if (part.id() > 0 && next.size() > 1) {
                    Rows.letGo(tx, part.id());
                }
            }
            for (Part part : next) {
                if (part.id() > 0) {
                    Rows.save(tx, part);
                    parts.add(part);
                } else {
                    Snapshot.Body body = new Snapshot.Body(part.value(), part.name(), part.body(), List.of());
                    parts.add(
                            part.place() == AT_THE_END
                                    ? Rows.add(tx, project, part.kind(), body)
                                    : Rows.addAt(tx, project, part.kind(), body, part.place()));
                }
            }
            return new Change(parts, before.after(count, parts));
        });
        held.put(project, change.after());
        return change;
    }

    // The parts as they shall be; new ones have numbers below 0 until they are stored.
    private List<Part> next(Snapshot before, List<Edit> edits) {
        List<Part> next = new ArrayList<>();
        List<Problem> problems = new ArrayList<>();
        Set<Long> changed = new HashSet<>();
        for (int i = 0; i < edits.size(); i++) {
            Edit edit = edits.get(i);
            if (edit.part() != null && !changed.add(edit.part())) {
                problems.add(new Problem(
                        "/edits/" + i + "/part", "part " + edit.part() + " a second time", "each part once"));
                continue;
            }
            Kind kind = edit.kind();
            Part present = null;
            if (edit.part() != null) {
                present = Rows.part(db, edit.part())
                        .filter(p -> Rows.projectOf(db, p.id()).equals(Optional.of(before.id())))
                        .orElseThrow(() -> Refusal.notThere("part " + edit.part()));
                kind = present.kind();
                if (present.revision() != edit.basedOn()) {
                    throw outdated(present, edit);
                }
            }
            boolean settings = kind == Kind.SETTINGS;
            if (settings && edit.part() == null) {
                throw Refusal.inTheWay("A project has its settings already; save them instead.");
            }
            if (settings && edit.body() == null) {
                throw Refusal.inTheWay("A project cannot be without its settings.");
            }
            if (present == null && edit.body() == null) {
                problems.add(new Problem("/edits/" + i + "/body", "missing", "the body of a new part"));
                continue;
            }
            Snapshot.Body body = edit.body() == null ? null : Snapshot.read(kind, edit.body());
            if (body != null && body.wrong()) {
                String at = edits.size() == 1 ? "" : "/edits/" + i;
                body.problems().forEach(p -> problems.add(new Problem(at + p.place(), p.given(), p.allowed())));
                continue;
            }
            next.add(next(present, edit, kind, body, -1 - i));
        }
        if (!problems.isEmpty()) {
            throw Refusal.wrong(problems);
        }
        return next;
    }

    private static Part next(Part present, Edit edit, Kind kind, Snapshot.Body body, long id) {
        if (present == null) {
            long place = edit.place() == null ? AT_THE_END : edit.place();
            return new Part(id, kind, body.name(), place, 1, false, body.json(), body.value(), now());
        }
        Part next = body == null
                ? present.with(present.name(), present.revision() + 1, true, present.body(), present.value(), now())
                : present.with(body.name(), present.revision() + 1, false, body.json(), body.value(), now());
        return edit.place() == null ? next : next.at(edit.place());
    }

    /**
     * Returns a project as it would be with other bodies of some of its parts; nothing is kept.
     *
     * @param bodies by part
     * @throws Refusal if anything in one is wrong, or would leave names that disagree
     */
    public Snapshot drafted(long project, Map<Long, JsonNode> bodies) {
        Snapshot before = get(project);
        List<Part> next = new ArrayList<>();
        List<Problem> problems = new ArrayList<>();
        bodies.forEach((id, json) -> {
            Part present = before.part(id).orElseThrow(() -> Refusal.notThere("part " + id));
            Snapshot.Body body = Snapshot.read(present.kind(), json);
            problems.addAll(body.problems());
            if (!body.wrong()) {
                next.add(present.with(
                        body.name(), present.revision(), false, body.json(), body.value(), present.savedAt()));
            }
        });
        if (!problems.isEmpty()) {
            throw Refusal.wrong(problems);
        }
        Snapshot after = before.after(before.change(), next);
        if (!next.isEmpty()) {
            check(before, next, after);
        }
        return after;
    }

    private static Refusal outdated(Part present, Edit edit) {
        Snapshot.Body body = edit.body() == null ? null : Snapshot.read(present.kind(), edit.body());
        boolean kept = body == null || body.wrong();
        return Refusal.outdated(
                present.with(
                        kept ? present.name() : body.name(),
                        edit.basedOn(),
                        edit.body() == null,
                        kept ? present.body() : body.json(),
                        kept ? present.value() : body.value(),
                        now()),
                present);
    }

    // Problems that were there before are nobody's fault now; only new ones refuse a change.
    private static void check(Snapshot before, List<Part> parts, Snapshot after) {
        List<Problem> problems = new ArrayList<>(Consistency.problems(after.project()));
        if (!problems.isEmpty()) {
            problems.removeAll(Consistency.problems(before.project()));
        }
        if (parts.stream().anyMatch(p -> p.kind() == Kind.SPRITE && !p.deleted())) {
            problems.addAll(Pictures.problems(after.project().sprites()));
        }
        if (!problems.isEmpty()) {
            String own = parts.size() > 1 || parts.get(0).deleted() ? "" : after.pointer(parts.get(0));
            throw Refusal.wrong(problems.stream()
                    .map(p -> !own.isEmpty() && p.place().startsWith(own + "/")
                            ? new Problem(p.place().substring(own.length()), p.given(), p.allowed())
                            : elsewhere(after, p))
                    .toList());
        }
    }

    /**
     * Makes a change that the whole project follows, such as a name: every part that it alters is saved, together.
     *
     * @param change returns the project as it shall be, with as many parts of each kind, in the same order; versions may be
     *     added
     */
    public synchronized Change rework(long project, UnaryOperator<Project> change) {
        Snapshot before = get(project);
        Project after = change.apply(before.project());
        List<Edit> edits = new ArrayList<>();
        rework(edits, before.parts(Kind.SETTINGS), List.of(after.settings()), Bundle::write);
        rework(edits, before.parts(Kind.EVENT), after.events(), Bundle::write);
        rework(edits, before.parts(Kind.EFFECT), after.effects(), Bundle::write);
        rework(edits, before.parts(Kind.ROPE), after.ropes(), Bundle::write);
        rework(edits, before.parts(Kind.CHANNEL), after.channels(), Bundle::write);
        rework(edits, before.parts(Kind.PLACE), after.places(), Bundle::write);
        rework(edits, before.parts(Kind.POOL), after.pools(), Bundle::write);
        rework(edits, before.parts(Kind.SCORE), after.scores(), Bundle::write);
        for (int i = before.parts(Kind.VERSION).size(); i < after.versions().size(); i++) {
            edits.add(new Edit(
                    null,
                    Kind.VERSION,
                    0,
                    JacksonValue.node(Bundle.write(after.versions().get(i))),
                    null));
        }
        return edits.isEmpty() ? new Change(List.of(), before) : change(project, edits);
    }

    private static <T> void rework(List<Edit> edits, List<Part> parts, List<T> values, Function<T, JsonValue> writer) {
        for (int i = 0; i < parts.size(); i++) {
            Part part = parts.get(i);
            if (!part.value().equals(values.get(i))) {
                edits.add(new Edit(
                        part.id(), null, part.revision(), JacksonValue.node(writer.apply(values.get(i))), null));
            }
        }
    }

    // Another part's problem is told by that part's name, which a reader knows, not by its number.
    private static Problem elsewhere(Snapshot after, Problem problem) {
        String[] steps = problem.place().split("/");
        for (Kind kind : Kind.values()) {
            if (steps.length > 2 && steps[1].equals(kind.list())) {
                List<Part> parts = after.parts(kind);
                int index = Integer.parseInt(steps[2]);
                return new Problem(
                        problem.place(),
                        "the " + kind.word() + " \"" + parts.get(index).name() + "\" has " + problem.given(),
                        problem.allowed());
            }
        }
        return problem;
    }

    /**
     * Returns revisions of a part, the last first.
     *
     * @param before only those before this one
     * @param most at most {@value #MOST_REVISIONS}
     */
    public List<Part> revisions(long part, long before, int most) {
        of(part);
        return Rows.revisions(db, part, before, Math.max(0, Math.min(MOST_REVISIONS, most)));
    }

    /**
     * Returns one revision of a part.
     *
     * @throws Refusal if there is none of that number
     */
    public Part revision(long part, long revision) {
        of(part);
        return Rows.revision(db, part, revision)
                .orElseThrow(() -> Refusal.notThere("revision " + revision + " of part " + part));
    }

    /** Returns the project of a part. */
    public Snapshot of(long part) {
        return get(Rows.projectOf(db, part).orElseThrow(() -> Refusal.notThere("part " + part)));
    }

    private static String now() {
        return Instant.now().toString();
    }

    /** The parts that a change altered, as they are now, and their project. */
    public record Change(List<Part> parts, Snapshot after) {}
}
