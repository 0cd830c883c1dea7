package bellrope.core.stage.play;

import bellrope.core.effect.Effect;
import bellrope.core.effect.Emitter;
import bellrope.core.effect.End;
import bellrope.core.event.EventType;
import bellrope.core.project.Project;
import bellrope.core.rope.FollowUp;
import bellrope.core.rope.Rope;
import bellrope.core.sim.Plan;
import bellrope.core.stage.world.Formerly;
import bellrope.core.value.Pace;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;

/** A project as a stage looks things up in it: by name, by who answers what, and what follows from it once for all. */
public final class Roster {
    private final Project project;
    private final Formerly formerly;
    private final Map<String, Effect> effects = new HashMap<>();
    private final Map<String, Rope> ropes = new HashMap<>();
    private final Map<String, EventType> events = new HashMap<>();
    private final Map<String, List<Rope>> listeners = new HashMap<>();
    private final Map<String, List<Rope>> resets = new HashMap<>();
    private final Set<String> together = new HashSet<>();
    private final Set<String> takenOver = new HashSet<>();
    private final Set<String> pooled = new HashSet<>();
    // Worked out when they are first asked for.
    private final Map<Rope, Effect> overridden = new IdentityHashMap<>();
    private final Map<Effect, Plan> plans = new IdentityHashMap<>();
    private final Map<String, OptionalInt> holds = new HashMap<>();

    public Roster(Project project) {
        this.project = project;
        formerly = new Formerly(project.settings().aliases());
        project.effects().forEach(e -> effects.put(e.name(), e.playing()));
        project.events().forEach(e -> events.put(e.name(), e));
        project.pools().forEach(p -> pooled.addAll(p.effects()));
        project.pools().stream().filter(p -> p.whenEmpty().takesOver()).forEach(p -> takenOver.addAll(p.effects()));
        for (Rope rope : project.ropes()) {
            ropes.put(rope.name(), rope);
            listeners.computeIfAbsent(rope.event(), e -> new ArrayList<>()).add(rope);
            rope.limits()
                    .until()
                    .ifPresent(event -> resets.computeIfAbsent(event, e -> new ArrayList<>())
                            .add(rope));
            if (rope.limits().together()) {
                rope.note().group().ifPresent(together::add);
            }
        }
    }

    public Project project() {
        return project;
    }

    /** Returns the former names that still do. */
    public Formerly formerly() {
        return formerly;
    }

    public Pace pace() {
        return project.settings().pace();
    }

    /** Returns a kind of event; null when there is none of that name. */
    public EventType event(String name) {
        return events.get(name);
    }

    public List<String> eventNames() {
        return List.copyOf(events.keySet());
    }

    public List<Rope> listeners(String event) {
        return listeners.getOrDefault(event, List.of());
    }

    /** Returns the ropes that answer everyone again when an event comes. */
    public List<Rope> resets(String event) {
        return resets.getOrDefault(event, List.of());
    }

    /** Returns a rope; null when there is none of that name. */
    public Rope rope(String name) {
        return ropes.get(name);
    }

    /** Returns a rope's follow-up as it is now; empty when it is gone. */
    public Optional<FollowUp> followUp(String rope, int id) {
        Rope now = ropes.get(rope);
        return now == null
                ? Optional.empty()
                : now.followUps().stream().filter(f -> f.id() == id).findFirst();
    }

    /** Returns an effect; null when none is chosen, or there is none of that name. */
    public Effect effect(Optional<String> name) {
        return name.map(effects::get).orElse(null);
    }

    /** Returns an effect as a rope plays it; the same object each time. */
    public Effect over(Rope rope, Effect effect) {
        return overridden.computeIfAbsent(rope, r -> r.over(effect));
    }

    /** Returns the effect that an instance plays under these settings; null for none, and for what a particle began. */
    Effect effect(Origin origin) {
        Rope rope = ropes.get(origin.rope());
        if (rope == null) {
            return null;
        }
        return effect(
                switch (origin.role()) {
                    case MAIN -> rope.play();
                    case START -> rope.run().start();
                    case END -> rope.run().end();
                    case FOLLOW -> followUp(rope.name(), origin.index()).flatMap(FollowUp::play);
                    case CHILD -> Optional.empty();
                });
    }

    /** Tells whether a rope is in a group that counts together, where any may have to make room for another. */
    boolean counted(Rope rope) {
        return rope.note().group().filter(together::contains).isPresent();
    }

    /** Tells whether instances of an effect may have to end for others of its pool. */
    boolean takenOver(String effect) {
        return takenOver.contains(effect);
    }

    /** Returns when an effect with other values gives birth; one object for as long as they change nothing of that. */
    Plan plan(Effect effect, List<Emitter> emitters) {
        return plans.computeIfAbsent(effect, e -> new Plan(e.course(), e.emitters(), pace()))
                .of(emitters);
    }

    /** Tells whether instances of an effect come from a pool. */
    boolean pooled(String effect) {
        return pooled.contains(effect);
    }

    /** Returns for how many steps an instance is kept, that of whole effects begun by its particles included. */
    public OptionalInt hold(Effect effect, List<Emitter> emitters) {
        OptionalInt own = plan(effect, emitters).hold().steps();
        OptionalInt longest = begun(emitters);
        return own.isEmpty() || longest.isEmpty()
                ? OptionalInt.empty()
                : OptionalInt.of(own.getAsInt() + longest.getAsInt());
    }

    /**
     * Returns the longest hold of the effects that particles of these begin; each effect is worked out once, and one that comes
     * back to itself has none.
     */
    OptionalInt begun(List<Emitter> emitters) {
        int longest = 0;
        for (Emitter emitter : emitters) {
            for (End.Child child : emitter.end().children()) {
                Effect begun = effect(child.effect());
                if (begun == null) {
                    continue;
                }
                OptionalInt below = holds.get(begun.name());
                if (below == null) {
                    holds.put(begun.name(), OptionalInt.empty());
                    below = hold(begun, begun.emitters());
                    holds.put(begun.name(), below);
                }
                if (below.isEmpty()) {
                    return below;
                }
                longest = Math.max(longest, below.getAsInt());
            }
        }
        return OptionalInt.of(longest);
    }
}
