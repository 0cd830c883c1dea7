package bellrope.core.stage;

import bellrope.core.effect.Effect;
import bellrope.core.effect.Emitter;
import bellrope.core.effect.End;
import bellrope.core.effect.Parameter;
import bellrope.core.event.EventType;
import bellrope.core.project.Project;
import bellrope.core.random.Draws;
import bellrope.core.rope.FollowUp;
import bellrope.core.rope.Rope;
import bellrope.core.sim.EffectRun;
import bellrope.core.sim.Hold;
import bellrope.core.sim.Layer;
import bellrope.core.sim.MovementPath;
import bellrope.core.value.Datum;
import bellrope.core.value.Pace;
import bellrope.core.value.Vec3;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.function.Consumer;

/**
 * All instances that play, moved together: births, children, ends. It knows what each of them was begun by, and can play all
 * of them again from there under new settings.
 */
final class Ensemble {
    private final List<Playing> playing = new ArrayList<>();
    private final World world;
    private final Consumer<Playing> ended;
    private final Map<String, Effect> effects = new HashMap<>();
    /** Births of one step by the way from which on it is said that there was no room for them. */
    private static final int JUMPED = 1_000;

    private Consumer<String> notes = words -> {};
    private final Map<String, OptionalInt> holds = new HashMap<>();
    private final Map<String, Rope> ropes = new HashMap<>();
    private final Map<String, EventType> events = new HashMap<>();
    private final Map<Rope, Effect> overridden = new IdentityHashMap<>();
    private Project project;
    private Pace pace;
    private Cast cast;
    private final long[] endedGenerations = new long[EffectRun.GENERATIONS];
    // How many particles live, kept up through a step.
    private int alive;
    private long births;
    private long dropped;

    /** @param ended told of each instance that is over or taken off, children apart */
    Ensemble(World world, Consumer<Playing> ended) {
        this.world = world;
        this.ended = ended;
    }

    void take(Project next) {
        project = next;
        pace = next.settings().pace();
        cast = new Cast(next);
        effects.clear();
        holds.clear();
        next.effects().forEach(e -> effects.put(e.name(), e));
        ropes.clear();
        overridden.clear();
        next.ropes().forEach(r -> ropes.put(r.name(), r));
        events.clear();
        next.events().forEach(e -> events.put(e.name(), e));
    }

    Effect effect(String name) {
        return effects.get(name);
    }

    /** Returns an effect as a rope plays it; the same object each time. */
    Effect over(Rope rope, Effect effect) {
        return overridden.computeIfAbsent(rope, r -> r.over(effect));
    }

    boolean full() {
        return playing.size() >= Stage.MOST_INSTANCES;
    }

    /** Returns the key of a pull's main instance, which its rope's own draws are addressed by too. */
    long key(Rope rope, long pullSeed) {
        return Draws.instanceKey(project.settings().seed(), pullSeed, rope.seed());
    }

    /**
     * Gives an instance its run.
     *
     * @param decision of its rope, at its start
     */
    void build(Playing instance, Rope rope, Effect effect, Decision decision) {
        boolean main = instance.role == Playing.Role.MAIN;
        Effect mine = main ? over(rope, effect) : effect;
        Map<String, Datum> values = main ? decision.beginning(mine).values() : Map.of();
        List<Emitter> emitters = main ? decision.beginning(mine).emitters() : decision.resolved(mine, values);
        Driver driver = new Driver(instance, rope, mine, decision, world, values);
        instance.driver = driver.idle() ? null : driver;
        List<Emitter> peaks = driver.idle() ? emitters : driver.peaks(instance.start);
        boolean follows = main || instance.role == Playing.Role.START;
        MovementPath way = follows
                ? decision.way(instance.anchor, pace)
                : MovementPath.straight(instance.anchor, instance.facing, Vec3.ZERO, pace);
        instance.apart |= rope.apart() || counted(rope) || instance.role == Playing.Role.FOLLOW;
        if (main && rope.overrides().goneAfter().isPresent()) {
            instance.cutAt = Math.min(
                    instance.cutAt,
                    instance.start + pace.stepsAt(rope.overrides().goneAfter().getAsDouble()));
        }
        instance.run = new EffectRun(
                mine,
                emitters,
                peaks,
                cast.of(mine, emitters, instance.apart),
                pace,
                instanceKey(instance, rope, mine),
                instance.start,
                way,
                EffectRun.Descent.NONE);
        instance.run.stop(instance.stopped);
        instance.dimLayers();
    }

    // Where ropes of a group count together, any of them may have to make room for another.
    private boolean counted(Rope rope) {
        return rope.note().group().isPresent()
                && ropes.values().stream()
                        .anyMatch(r -> r.limits().together()
                                && r.note().group().equals(rope.note().group()));
    }

    private long instanceKey(Playing instance, Rope rope, Effect effect) {
        long seed = project.settings().seed();
        return switch (instance.role) {
            case START -> Draws.instanceKey(seed, effect.seed().orElse(instance.key), 1);
            case END -> Draws.instanceKey(seed, effect.seed().orElse(instance.key), 2);
            case FOLLOW -> Draws.instanceKey(seed, effect.seed().orElse(instance.key), 15 + instance.index);
            default ->
                effect.seed().isPresent()
                        ? Draws.instanceKey(seed, effect.seed().getAsLong(), rope.seed())
                        : instance.key;
        };
    }

    /**
     * Returns the hand on a parameter of an instance, laid on it if it is not yet.
     *
     * @param parameter of the instance's effect
     */
    Hand hand(Playing instance, Parameter parameter) {
        for (Hand hand : instance.hands) {
            if (hand.parameter.equals(parameter.name())) {
                return hand;
            }
        }
        Hand hand = new Hand(parameter);
        instance.hands.add(hand);
        if (instance.driver == null) {
            Rope rope = ropes.get(instance.rope);
            boolean main = instance.role == Playing.Role.MAIN;
            Decision decision = new Decision(
                    rope,
                    events.get(instance.pull.event()),
                    instance.pull,
                    world,
                    instance.start,
                    instance.beginning,
                    instance.key);
            Effect effect = effects.get(wanted(instance, rope).orElseThrow());
            Effect mine = main ? over(rope, effect) : effect;
            Map<String, Datum> values = main ? Decision.values(decision.fed(mine)) : Map.of();
            instance.driver = new Driver(instance, rope, mine, decision, world, values);
        }
        return hand;
    }

    /** Returns what a rope's answer to a pull plays; null when it does not play any more. */
    Playing instance(int pull, String rope) {
        for (Playing instance : playing) {
            if (instance.number == pull && instance.role == Playing.Role.MAIN && instance.rope.equals(rope)) {
                return instance;
            }
        }
        return null;
    }

    /** Returns the effect that an instance plays; empty for one that a particle began. */
    Optional<Effect> effect(Playing instance) {
        return wanted(instance, ropes.get(instance.rope)).map(effects::get);
    }

    /** Lets an instance in: it spawns at once. */
    void enter(Playing instance, int step) {
        playing.add(instance);
        spawn(instance, step);
        begun(instance, step, true);
    }

    /** Returns for how many steps an instance is kept, that of whole effects begun by its particles included. */
    OptionalInt hold(Effect effect, List<Emitter> emitters) {
        OptionalInt own = Hold.of(effect.course(), emitters, pace).steps();
        OptionalInt longest = begun(emitters);
        return own.isEmpty() || longest.isEmpty()
                ? OptionalInt.empty()
                : OptionalInt.of(own.getAsInt() + longest.getAsInt());
    }

    // The longest hold of the effects that particles of these begin; each effect is worked out once for a project, and
    // one
    // that comes back to itself has none.
    private OptionalInt begun(List<Emitter> emitters) {
        int longest = 0;
        for (Emitter emitter : emitters) {
            for (End.Child child : emitter.end().children()) {
                Effect begun = child.effect().map(effects::get).orElse(null);
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

    private void spawn(Playing instance, int step) {
        if (step >= instance.muted) {
            return;
        }
        if (instance.driver != null) {
            instance.driver.drive(instance.run, step);
        }
        int before = instance.run.particles();
        instance.run.open(project.settings().particleLimit() - alive);
        instance.run.spawn(step);
        alive += instance.run.particles() - before;
        count(instance);
        long leftOut = instance.run.takeLeftOut();
        if (leftOut > JUMPED) {
            notes.accept(instance.rope + ": its source moved so far in one step that " + leftOut
                    + " births by its way found no room");
        }
    }

    /** @param words takes what there is to say of an unusual step */
    void says(Consumer<String> words) {
        notes = words;
    }

    private void count(Playing instance) {
        births += instance.run.born();
        dropped += instance.run.asked() - instance.run.born();
    }

    /** Makes a step: everything is where it belongs afterwards but for what moves exactly. */
    void step(int step) {
        make(step, true);
    }

    /** Puts everything that moves exactly where it is on a step. */
    void advance(int step) {
        List<Layer> layers = cast.layers();
        for (int i = 0; i < layers.size(); i++) {
            layers.get(i).advance(step);
        }
        alive = particles();
    }

    // Everything of a step but the exact motion, which can be had for any step at once.
    private void make(int step, boolean releasing) {
        cast.settle();
        List<Layer> layers = cast.layers();
        for (int i = 0; i < layers.size(); i++) {
            if (!layers.get(i).integrated()) {
                layers.get(i).store().bury(step);
            }
        }
        alive = particles();
        for (int i = 0; i < playing.size(); i++) {
            Playing instance = playing.get(i);
            if (instance.start < step) {
                int before = instance.run.particles();
                instance.run.open(project.settings().particleLimit() - alive);
                instance.run.integrate(step);
                alive += instance.run.particles() - before;
                count(instance);
                // Before their parent is released; they spawn with all others below.
                begun(instance, step, false);
            }
        }
        if (releasing) {
            release(step);
            alive = particles();
        }
        for (int i = 0; i < playing.size(); i++) {
            if (playing.get(i).start <= step) {
                spawn(playing.get(i), step);
            }
        }
        // Those begun now spawn at once, and what they begin in turn is seen by the same loop.
        for (int i = 0; i < playing.size(); i++) {
            begun(playing.get(i), step, true);
        }
    }

    private void begun(Playing parent, int step, boolean bearing) {
        List<EffectRun.Begun> begun = parent.run.begun();
        for (int i = 0; i < begun.size(); i++) {
            EffectRun.Begun child = begun.get(i);
            Effect effect = effects.get(child.effect());
            if (effect == null || full()) {
                dropped++;
                continue;
            }
            Playing instance = parent.child(step);
            List<Emitter> emitters = effect.emitters();
            instance.run = new EffectRun(
                    effect,
                    emitters,
                    cast.of(effect, emitters, instance.apart),
                    pace,
                    child.key(),
                    step,
                    new EffectRun.Placement(child.origin(), child.facing(), child.velocity()),
                    child.descent());
            if (parent.muted != Playing.NEVER) {
                instance.dim(parent.muted, parent.dimSteps);
            }
            playing.add(instance);
            if (bearing) {
                spawn(instance, step);
            }
        }
        parent.run.clearBegun();
    }

    /** Tells everything that loops to end: it fades out as its effect says. */
    void stop(int step) {
        playing.forEach(instance -> instance.stop(step));
    }

    private void release(int step) {
        int kept = 0;
        int count = playing.size();
        List<Playing> over = null;
        for (int i = 0; i < count; i++) {
            Playing instance = playing.get(i);
            if (!instance.run.over(step) && step < instance.cutAt) {
                playing.set(kept++, instance);
            } else {
                cast.remove(instance.run.layers());
                instance.gone = true;
                add(instance.run.byGeneration(), endedGenerations);
                if (instance.role != Playing.Role.CHILD) {
                    over = over == null ? new ArrayList<>() : over;
                    over.add(instance);
                }
            }
        }
        while (playing.size() > kept) {
            playing.remove(playing.size() - 1);
        }
        if (over != null) {
            over.forEach(ended);
        }
    }

    /** Takes an instance off at once, with all that its particles began. */
    void cut(Playing instance) {
        playing.removeIf(one -> {
            boolean mine = one.root == instance;
            if (mine) {
                one.gone = true;
                cast.remove(one.run.layers());
                add(one.run.byGeneration(), endedGenerations);
            }
            return mine;
        });
        alive = particles();
        ended.accept(instance);
    }

    /** Lets an instance and all that its particles began dim to nothing. */
    void dim(Playing instance, int step, int steps) {
        for (int i = 0; i < playing.size(); i++) {
            if (playing.get(i).root == instance) {
                playing.get(i).dim(step, steps);
            }
        }
    }

    /** Plays every instance again under a changed project, up to now; see {@link Stage#retune}. */
    void retune(Project next, int now) {
        if (!next.settings().pace().equals(pace)) {
            List.copyOf(playing).forEach(this::drop);
            playing.clear();
        }
        take(next);
        // What particles began is started again by their parents.
        playing.removeIf(instance -> {
            boolean out = instance.role == Playing.Role.CHILD || !restart(instance, now);
            if (out) {
                drop(instance);
            }
            return out;
        });
        int earliest = now;
        for (Playing instance : playing) {
            OptionalInt memory = memory(instance);
            // Nothing whose line began earlier than the longest line ago can still be there.
            int since = memory.isPresent() ? Math.max(instance.start, now - memory.getAsInt()) : instance.start;
            earliest = Math.min(earliest, since);
        }
        long bornBefore = births;
        long droppedBefore = dropped;
        for (int step = earliest; step <= now; step++) {
            make(step, false);
        }
        births = bornBefore;
        dropped = droppedBefore;
        release(now);
        advance(now);
    }

    private void drop(Playing instance) {
        instance.gone = true;
        if (instance.role != Playing.Role.CHILD) {
            ended.accept(instance);
        }
    }

    /** Returns for how many steps back an instance must be played again; empty where a line may have no end. */
    private OptionalInt memory(Playing instance) {
        if (!instance.run.hold().bounded()) {
            return OptionalInt.empty();
        }
        Effect effect =
                wanted(instance, ropes.get(instance.rope)).map(effects::get).orElse(null);
        OptionalInt longest = effect == null ? OptionalInt.of(0) : begun(effect.emitters());
        return longest.isEmpty() ? longest : OptionalInt.of(instance.run.hold().longestLine() + longest.getAsInt());
    }

    private static Optional<String> wanted(Playing instance, Rope rope) {
        if (rope == null) {
            return Optional.empty();
        }
        return switch (instance.role) {
            case MAIN -> rope.play();
            case START -> rope.run().start();
            case END -> rope.run().end();
            case FOLLOW ->
                rope.followUps().stream()
                        .filter(f -> f.id() == instance.index)
                        .findFirst()
                        .flatMap(FollowUp::play);
            case CHILD -> Optional.empty();
        };
    }

    private boolean restart(Playing instance, int now) {
        Rope rope = ropes.get(instance.rope);
        Effect effect = wanted(instance, rope).map(effects::get).orElse(null);
        EventType event = events.get(instance.pull.event());
        if (effect == null || event == null || !rope.event().equals(event.name())) {
            return false;
        }
        build(
                instance,
                rope,
                effect,
                new Decision(rope, event, instance.pull, world, instance.start, instance.beginning, instance.key));
        return instance.run.hold().steps().isEmpty() || !instance.run.over(now);
    }

    /** Returns a rope's follow-up as it is now; empty when it is gone. */
    Optional<FollowUp> followUp(String rope, int id) {
        Rope now = ropes.get(rope);
        return now == null
                ? Optional.empty()
                : now.followUps().stream().filter(f -> f.id() == id).findFirst();
    }

    Rope rope(String name) {
        return ropes.get(name);
    }

    /** Ends everything that plays. */
    void clear() {
        for (Playing instance : playing) {
            cast.remove(instance.run.layers());
            instance.gone = true;
        }
        playing.clear();
        cast.clear();
        alive = 0;
    }

    /** Returns the subjects of everything that plays. */
    Set<String> subjects() {
        Set<String> subjects = new HashSet<>();
        playing.forEach(instance -> subjects.add(instance.subject));
        return subjects;
    }

    List<Playing> playing() {
        return playing;
    }

    List<Layer> layers() {
        return cast.layers();
    }

    List<Layer> departed() {
        return cast.departed();
    }

    /** Returns how many particles live, kept up with every birth and death. */
    int alive() {
        return alive;
    }

    private int particles() {
        int sum = 0;
        List<Layer> layers = cast.layers();
        for (int i = 0; i < layers.size(); i++) {
            sum += layers.get(i).store().count();
        }
        return sum;
    }

    long births() {
        return births;
    }

    /** Returns how many were born of each generation by what plays and by what has ended. */
    long[] byGeneration() {
        long[] sum = endedGenerations.clone();
        for (int i = 0; i < playing.size(); i++) {
            add(playing.get(i).run.byGeneration(), sum);
        }
        return sum;
    }

    private static void add(long[] some, long[] to) {
        for (int i = 0; i < to.length; i++) {
            to[i] += some[i];
        }
    }

    long dropped() {
        return dropped;
    }
}
