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
import bellrope.server.store.Snapshot.Part;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.ConcurrentHashMap;
import javax.sql.DataSource;
import org.jooq.DSLContext;
import org.jooq.SQLDialect;
import org.jooq.impl.DSL;
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
    private final DSLContext db;
    private final ConcurrentHashMap<Long, Snapshot> held = new ConcurrentHashMap<>();

    public ProjectStore(DataSource source) {
        db = DSL.using(source, SQLDialect.SQLITE);
    }

    public List<Snapshot> all() {
        return Rows.projects(db).stream().map(this::get).toList();
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
        long id = db.transactionResult(c -> {
            DSLContext tx = c.dsl();
            long project = Rows.addProject(tx, name);
            put(
                    tx,
                    project,
                    new Project(name, Settings.USUAL, Demo.project().sprites(), List.of(), List.of(), List.of()));
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
        db.transaction(c -> {
            DSLContext tx = c.dsl();
            for (Part part : present.parts()) {
                Rows.save(tx, part.with(part.name(), part.revision() + 1, true, part.body(), part.value(), now()));
            }
            Rows.rename(tx, project, from.name());
            put(tx, project, from);
        });
        return load(project);
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
        Rows.countChange(tx, project);
    }

    private static void add(DSLContext tx, long project, Kind kind, JsonNode json, int place) {
        Rows.addAt(tx, project, kind, Snapshot.read(kind, json), place);
    }

    /** Adds a part at the end of its kind. */
    public synchronized Change add(long project, Kind kind, JsonNode json) {
        if (kind == Kind.SETTINGS) {
            throw Refusal.inTheWay("A project has its settings already; save them instead.");
        }
        Snapshot before = get(project);
        Snapshot.Body body = Snapshot.read(kind, json);
        if (body.wrong()) {
            throw Refusal.wrong(body.problems());
        }
        return change(
                before,
                () -> db.transactionResult(c -> {
                    DSLContext tx = c.dsl();
                    long change = Rows.countChange(tx, project);
                    Part part = Rows.add(tx, project, kind, body);
                    return checked(before, part, before.after(change, part));
                }));
    }

    /**
     * Saves a part on the revision it was based on; saving a deleted part brings it back.
     *
     * @throws Refusal if another revision has been saved since, or anything in the body is wrong
     */
    public synchronized Change save(long part, long basedOn, JsonNode json) {
        Snapshot before = of(part);
        Part present = Rows.part(db, part).orElseThrow();
        Snapshot.Body body = Snapshot.read(present.kind(), json);
        if (body.wrong()) {
            throw Refusal.wrong(body.problems());
        }
        return to(
                before,
                present,
                basedOn,
                present.with(body.name(), present.revision() + 1, false, body.json(), body.value(), now()));
    }

    /** Deletes a part; its revisions stay, and saving it again brings it back. */
    public synchronized Change delete(long part, long basedOn) {
        Snapshot before = of(part);
        Part present = Rows.part(db, part).orElseThrow();
        if (present.kind() == Kind.SETTINGS) {
            throw Refusal.inTheWay("A project cannot be without its settings.");
        }
        return to(
                before,
                present,
                basedOn,
                present.with(present.name(), present.revision() + 1, true, present.body(), present.value(), now()));
    }

    private Change to(Snapshot before, Part present, long basedOn, Part next) {
        if (present.revision() != basedOn) {
            throw Refusal.outdated(
                    next.with(next.name(), basedOn, next.deleted(), next.body(), next.value(), next.savedAt()),
                    present);
        }
        return change(
                before,
                () -> db.transactionResult(c -> {
                    DSLContext tx = c.dsl();
                    long change = Rows.countChange(tx, before.id());
                    Snapshot after = before.after(change, next);
                    Change checked = checked(before, next, after);
                    Rows.save(tx, next);
                    return checked;
                }));
    }

    private Change change(Snapshot before, java.util.function.Supplier<Change> transaction) {
        Change change = transaction.get();
        held.put(before.id(), change.after());
        return change;
    }

    // Problems that were there before are nobody's fault now; only new ones refuse a change.
    private static Change checked(Snapshot before, Part part, Snapshot after) {
        List<Problem> problems = new ArrayList<>(Consistency.problems(after.project()));
        if (!problems.isEmpty()) {
            problems.removeAll(Consistency.problems(before.project()));
        }
        if (!problems.isEmpty()) {
            String own = part.deleted() ? "" : after.pointer(part);
            throw Refusal.wrong(problems.stream()
                    .map(p -> !own.isEmpty() && p.place().startsWith(own + "/")
                            ? new Problem(p.place().substring(own.length()), p.given(), p.allowed())
                            : elsewhere(after, p))
                    .toList());
        }
        return new Change(part, after);
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

    /** Returns every revision of a part, the last first. */
    public List<Part> revisions(long part) {
        of(part);
        return Rows.revisions(db, part);
    }

    /** Returns the project of a part. */
    public Snapshot of(long part) {
        return get(Rows.projectOf(db, part).orElseThrow(() -> Refusal.notThere("part " + part)));
    }

    private static String now() {
        return Instant.now().toString();
    }

    /** A part after a change, and its project. */
    public record Change(Part part, Snapshot after) {}
}
