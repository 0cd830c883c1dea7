package bellrope.core.stage;

import bellrope.core.effect.Effect;
import bellrope.core.event.EventType;
import bellrope.core.project.Project;
import bellrope.core.rope.NoticeValue;
import bellrope.core.rope.Rope;
import bellrope.core.value.Datum;
import bellrope.core.value.Pace;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;

/** Everything that those who answer, follow and last share: the project, the step, and the parts of the stage. */
final class Scene {
    final World world = new World();
    final Limiter limiter = new Limiter();
    final Comfort comfort = new Comfort();
    final Agenda agenda = new Agenda();
    final Outbox outbox = new Outbox();
    final Ensemble ensemble;
    private final Map<String, EventType> events = new HashMap<>();
    private final Map<String, List<Rope>> listeners = new HashMap<>();
    private final Map<String, List<Rope>> resets = new HashMap<>();
    private Project project;
    private Formerly formerly;
    int now;
    /** Seconds by which the pull at hand came before the step: what game code says, or 0. */
    double ago;

    /** @param over told of each instance that is over or taken off */
    Scene(Consumer<Playing> over) {
        ensemble = new Ensemble(world, over);
        world.follows(ensemble::subjects);
        ensemble.says(outbox::note);
    }

    void take(Project next) {
        project = next;
        formerly = new Formerly(next.settings().aliases());
        world.take(next);
        limiter.take(next.ropes(), next.settings().pace().seconds(1));
        events.clear();
        next.events().forEach(e -> events.put(e.name(), e));
        listeners.clear();
        resets.clear();
        for (Rope rope : next.ropes()) {
            listeners.computeIfAbsent(rope.event(), e -> new ArrayList<>()).add(rope);
            rope.limits()
                    .until()
                    .ifPresent(event -> resets.computeIfAbsent(event, e -> new ArrayList<>())
                            .add(rope));
        }
    }

    Project project() {
        return project;
    }

    /** Returns the former names that still do. */
    Formerly formerly() {
        return formerly;
    }

    Pace pace() {
        return project.settings().pace();
    }

    /** Returns a kind of event; null when there is none of that name. */
    EventType event(String name) {
        return events.get(name);
    }

    List<String> eventNames() {
        return List.copyOf(events.keySet());
    }

    List<Rope> listeners(String event) {
        return listeners.getOrDefault(event, List.of());
    }

    /** Returns the ropes that answer everyone again when an event comes. */
    List<Rope> resets(String event) {
        return resets.getOrDefault(event, List.of());
    }

    /** Returns an effect; null when none is chosen, or there is none of that name. */
    Effect effect(Optional<String> name) {
        return name.map(ensemble::effect).orElse(null);
    }

    Decision decision(Rope rope, Begin begin) {
        return new Decision(rope, begin.event(), begin.pull(), world, now, begin.beginning(), begin.key());
    }

    /** Gives an instance its run and lets it in. */
    void enter(Playing instance, Rope rope, Effect effect, Decision decision) {
        ensemble.build(instance, rope, effect, decision);
        ensemble.enter(instance, now);
    }

    /** Does something after so many steps; at once if there are none. */
    void after(int steps, Runnable work) {
        if (steps == 0) {
            work.run();
        } else {
            later(steps, work);
        }
    }

    /** Does something after so many steps; after none, at the end of this one. */
    boolean later(int steps, Runnable work) {
        boolean room = agenda.add(now + steps, work);
        if (!room) {
            outbox.note("too many answers are due; one was dropped");
        }
        return room;
    }

    /** Tells game code something, with values as they are now. */
    void tell(String name, Told.What what, Rope rope, Begin begin, List<NoticeValue> values) {
        Map<String, Datum> carried =
                values.isEmpty() ? Map.of() : decision(rope, begin).carried(values, effect(rope.play()));
        outbox.tell(new Told(now, name, what, rope.name(), begin.number(), carried));
    }
}
