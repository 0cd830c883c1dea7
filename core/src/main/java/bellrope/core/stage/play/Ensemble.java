package bellrope.core.stage.play;

import bellrope.core.effect.Effect;
import bellrope.core.effect.Parameter;
import bellrope.core.pool.Held;
import bellrope.core.rope.Rope;
import bellrope.core.sim.EffectRun;
import bellrope.core.sim.Layer;
import bellrope.core.stage.decide.Decision;
import bellrope.core.stage.told.Account;
import bellrope.core.stage.told.Bent;
import bellrope.core.stage.told.Keeping;
import bellrope.core.stage.told.PoolUse;
import bellrope.core.stage.world.World;
import bellrope.core.value.Vec3;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.Predicate;

/** All instances that play, moved together: births, children, ends. How many particles live is counted, never summed in a step. */
public final class Ensemble {
    /** Most instances at once; what would begin beyond them is dropped and counted, or refused in the account. */
    public static final int MOST = 5_000;
    /** Births of one step by the way from which on it is said that there was no room for them. */
    private static final int JUMPED = 1_000;

    private final List<Instance> playing = new ArrayList<>();
    private final World world;
    private final Consumer<Instance> ended;
    private final Consumer<String> notes;
    private final long[] endedGenerations = new long[EffectRun.GENERATIONS];
    private final Pools pools;
    private final Keeping keeping;
    private final boolean dry;
    private Roster roster;
    private Casting casting;
    private Cast cast;
    private int mostParticles;
    private int alive;
    private long births;
    private long began;
    private long dropped;
    // Whether the list holds nothing that was taken over.
    private boolean swept = true;
    private boolean replaying;
    private int now;
    private final List<Held> held = new ArrayList<>();
    private final Past past = new Past();

    /**
     * @param ended told of each instance that is over or taken off, children apart
     * @param notes takes what there is to say of an unusual step
     * @param keeping what is kept of what plays
     */
    public Ensemble(World world, Consumer<Instance> ended, Consumer<String> notes, Keeping keeping) {
        this.keeping = keeping;
        this.dry = keeping == Keeping.HELD_ALONE;
        this.world = world;
        this.ended = ended;
        this.notes = notes;
        this.pools = new Pools(world);
    }

    /** Begins with a project, or goes on with another; see {@link Replay} for what plays already. */
    public void take(Roster next) {
        roster = next;
        playing.forEach(i -> i.joins(null));
        casting = new Casting(next, world, dry);
        cast = casting.cast();
        pools.take(next.project().pools(), next.pace());
        mostParticles = next.project().settings().particleLimit();
    }

    /** Makes what pools want to have made before play starts. */
    public void prewarm() {
        casting.prewarm();
    }

    public boolean full() {
        return playing.size() >= MOST;
    }

    /** Returns the key of a pull's main instance, which its rope's own draws are addressed by too. */
    public long key(Rope rope, long pullSeed) {
        return casting.key(rope, pullSeed);
    }

    /** Returns the hand on a parameter of an instance's effect, laid on it if it is not yet. */
    public Hand hand(Instance instance, Parameter parameter) {
        return casting.hand(instance, parameter);
    }

    /** Returns the effect that an instance plays; null for one that a particle began. */
    public Effect effect(Instance instance) {
        return roster.effect(instance.origin());
    }

    /** Returns what a rope's answer to a pull plays; null when it does not play any more. */
    public Instance instance(int pull, String rope) {
        for (Instance instance : playing) {
            if (instance.origin().cause().number() == pull
                    && instance.role() == Origin.Role.MAIN
                    && instance.rope().equals(rope)) {
                return instance;
            }
        }
        return null;
    }

    /**
     * Gives an instance its run and lets it in: it spawns at once. Its pool was asked before ({@link #stops}).
     *
     * @param decision of its rope, at its start
     * @return what ended so that it could begin
     */
    public Optional<Account.TakenOver> enter(Instance instance, Rope rope, Effect effect, Decision decision, int step) {
        Optional<Account.TakenOver> took = room(effect, step);
        casting.build(instance, rope, effect, decision);
        join(instance, effect.name());
        if (!dry) {
            spawn(instance, step);
            begun(instance, step, true);
        }
        sweep();
        return took;
    }

    /**
     * Returns why an instance could not begin now, because its pool is empty; nothing changes by asking.
     *
     * @param weight of its event
     * @param replaced one that ends if this begins; null for none
     */
    public Optional<Account.Reason> stops(Effect effect, int weight, Instance replaced, int step) {
        return pools.stops(effect.name(), weight, replaced, playing, step);
    }

    /** Tells whether two effects can begin without anything else ending for the first of them. */
    public boolean roomForBoth(Effect one, Effect other) {
        return pools.roomForBoth(one.name(), other.name());
    }

    /** Counts an instance that its pool refused. */
    public void refused(Effect effect) {
        pools.refused(effect.name());
    }

    // Ends what has to end so that one more can begin.
    private Optional<Account.TakenOver> room(Effect effect, int step) {
        if (!pools.asks(effect.name())) {
            return Optional.empty();
        }
        Optional<Account.TakenOver> told = Optional.empty();
        // More than one where its capacity was lowered while they played.
        Instance victim = pools.next(effect.name(), playing, step);
        while (victim != null) {
            told = Optional.of(pools.takenOver(victim, step));
            takeOver(victim);
            victim = pools.next(effect.name(), playing, step);
        }
        return told;
    }

    private void takeOver(Instance victim) {
        for (int i = 0; i < playing.size(); i++) {
            Instance one = playing.get(i);
            if (!one.gone() && (one == victim || one.root() == victim)) {
                remove(one);
            }
        }
        swept = false;
        if (victim.role() != Origin.Role.CHILD) {
            ended.accept(victim);
        }
    }

    private void join(Instance instance, String effect) {
        instance.joins(pools.of(effect));
        instance.numbered(++began);
        playing.add(instance);
    }

    // What was taken over stays in the list until nobody goes through it.
    private void sweep() {
        if (!swept) {
            playing.removeIf(Instance::gone);
            swept = true;
        }
    }

    /** Makes a step: everything is where it belongs afterwards but for what moves exactly. */
    public void step(int step) {
        now = step;
        if (dry) {
            release(step);
        } else {
            make(step);
            release(step);
            births(step);
        }
    }

    /** Puts everything that moves exactly where it is on a step. */
    public void advance(int step) {
        List<Layer> layers = cast.layers();
        for (int i = 0; i < layers.size(); i++) {
            alive -= layers.get(i).advance(step);
        }
    }

    // Deaths, and the motion of what is moved step by step. Exact motion can be had for any step at once.
    private void make(int step) {
        cast.settle();
        casting.spares().settle();
        List<Layer> layers = cast.layers();
        for (int i = 0; i < layers.size(); i++) {
            if (!layers.get(i).integrated()) {
                alive -= layers.get(i).store().bury(step);
            }
        }
        for (int i = 0; i < playing.size(); i++) {
            Instance instance = playing.get(i);
            if (instance.start() < step && !instance.gone()) {
                EffectRun run = instance.run();
                int before = run.particles();
                run.open(mostParticles - alive);
                if (run.live() && instance.driver() != null) {
                    instance.driver().drive(run, step);
                }
                run.integrate(step);
                alive += run.particles() - before;
                count(run);
                // Before their parent is released; they spawn with all others below.
                begun(instance, step, false);
            }
        }
        sweep();
    }

    private void births(int step) {
        for (int i = 0; i < playing.size(); i++) {
            if (playing.get(i).start() <= step && !playing.get(i).gone()) {
                spawn(playing.get(i), step);
            }
        }
        // Those begun now spawn at once, and what they begin in turn is seen by the same loop.
        for (int i = 0; i < playing.size(); i++) {
            begun(playing.get(i), step, true);
        }
        sweep();
    }

    private void spawn(Instance instance, int step) {
        if (instance.mute(step)) {
            return;
        }
        EffectRun run = instance.run();
        if (instance.driver() != null) {
            instance.driver().drive(run, step);
        }
        int before = run.particles();
        run.open(mostParticles - alive);
        run.spawn(step);
        alive += run.particles() - before;
        count(run);
        long leftOut = run.takeLeftOut();
        if (leftOut > JUMPED) {
            notes.accept(instance.rope() + ": its source moved so far in one step that " + leftOut
                    + " births by its way found no room");
        }
    }

    private void count(EffectRun run) {
        births += run.born();
        dropped += run.asked() - run.born();
    }

    private void begun(Instance parent, int step, boolean spawning) {
        List<EffectRun.Begun> begun = parent.run().begun();
        for (int i = 0; i < begun.size(); i++) {
            Effect effect = roster.effect(Optional.of(begun.get(i).effect()));
            if (effect == null || full()) {
                dropped++;
                continue;
            }
            if (!admits(parent, effect, step)) {
                continue;
            }
            Instance instance = casting.child(parent, effect, begun.get(i), step);
            join(instance, effect.name());
            if (spawning) {
                spawn(instance, step);
            }
        }
        parent.run().clearBegun();
    }

    // What is played again finds those that play now: it begins where there is room, and nothing ends for it.
    private boolean admits(Instance parent, Effect effect, int step) {
        if (replaying) {
            return pools.roomFor(effect.name());
        }
        if (pools.stops(effect.name(), parent.weight(), null, playing, step).isPresent()) {
            pools.refused(effect.name());
            return false;
        }
        room(effect, step);
        return true;
    }

    private void release(int step) {
        int kept = 0;
        int count = playing.size();
        List<Instance> over = null;
        for (int i = 0; i < count; i++) {
            Instance instance = playing.get(i);
            if (!instance.over(step)) {
                playing.set(kept++, instance);
            } else {
                remove(instance);
                if (instance.role() != Origin.Role.CHILD) {
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

    private void remove(Instance instance) {
        if (keeping != Keeping.NOTHING) {
            held.add(held(instance));
        }
        if (keeping == Keeping.EVERYTHING && instance.role() != Origin.Role.CHILD) {
            past.add(instance, now);
        }
        alive -= cast.remove(instance.run().layers());
        instance.go();
        add(instance.run().byGeneration(), endedGenerations);
        Spares.Spare spare = instance.leaves();
        if (spare != null) {
            casting.spares().leave(spare);
        }
    }

    /** Tells everything that loops to end: it fades out as its effect says. */
    public void stop(int step) {
        playing.forEach(instance -> instance.stop(step));
    }

    /** Takes an instance off at once, with all that its particles began. */
    public void cut(Instance instance) {
        playing.removeIf(one -> {
            boolean mine = one.root() == instance;
            if (mine) {
                remove(one);
            }
            return mine;
        });
        ended.accept(instance);
    }

    /**
     * Lets an instance and all that its particles began dim to nothing.
     *
     * @param goesOn whether they spawn until then
     */
    public void dim(Instance instance, int step, int steps, boolean goesOn) {
        for (int i = 0; i < playing.size(); i++) {
            if (playing.get(i).root() == instance) {
                playing.get(i).dim(step, steps, goesOn);
            }
        }
    }

    /** Ends everything that plays. */
    public void clear() {
        for (Instance instance : playing) {
            instance.go();
        }
        playing.clear();
        pools.empty();
        cast.clear();
        casting.spares().clear();
        alive = 0;
    }

    /** Plays some instances from their beginnings up to a step. */
    Ensemble show(List<Instance> instances, Roster under, int step) {
        take(under);
        playing.addAll(instances);
        new Replay(under, world).retune(this, step);
        return this;
    }

    /** Plays every instance again under a changed project, from its beginning up to a step. */
    public Bent retune(Roster next, int now) {
        return new Replay(next, world).retune(this, now);
    }

    /** Lets go of an instance whose layers are gone already. */
    private void drop(Instance instance) {
        instance.go();
        if (instance.role() != Origin.Role.CHILD) {
            ended.accept(instance);
        }
    }

    /** Drops all that a condition does not keep. */
    void keep(Predicate<Instance> kept) {
        playing.removeIf(instance -> {
            boolean out = !kept.test(instance);
            if (out) {
                drop(instance);
            }
            return out;
        });
        playing.forEach(i -> i.joins(pools.of(i.effect())));
    }

    Casting casting() {
        return casting;
    }

    /** Plays steps again whose births and ends have been counted and told before. */
    void again(int from, int to) {
        alive = 0;
        for (Layer layer : cast.layers()) {
            alive += layer.store().count();
        }
        long bornBefore = births;
        long droppedBefore = dropped;
        replaying = true;
        for (int step = from; step <= to; step++) {
            make(step);
            births(step);
        }
        replaying = false;
        births = bornBefore;
        dropped = droppedBefore;
        release(to);
        advance(to);
    }

    /** Returns the subjects of everything that plays. */
    public Set<String> subjects() {
        Set<String> subjects = new HashSet<>();
        playing.forEach(instance -> subjects.add(instance.subject()));
        return subjects;
    }

    public List<Instance> playing() {
        return playing;
    }

    private Held held(Instance instance) {
        int start = instance.start();
        Vec3 camera = world.camera().at(world.camera().knownTo(Long.MAX_VALUE), start);
        return new Held(
                instance.effect(),
                instance.rope(),
                instance.weight(),
                start,
                Math.max(start + 1, now),
                instance.place(start).plus(camera.times(-1)).length());
    }

    /** Returns what has played, for looking back; only where everything is kept. */
    public Past past() {
        return past;
    }

    /** Returns what was held so far, in the order of the starts; what plays still as if it ended now. */
    public List<Held> held() {
        List<Held> all = new ArrayList<>(held);
        playing.forEach(i -> all.add(held(i)));
        all.sort(Comparator.comparingInt(Held::start));
        return all;
    }

    /** Returns what was asked of each pool so far. */
    public List<PoolUse> pools() {
        return pools.uses();
    }

    public List<Layer> layers() {
        return cast.layers();
    }

    /** Returns the layers that went with their instances in the last step. */
    public List<Layer> departed() {
        return cast.departed();
    }

    /** Returns how many particles live, kept up with every birth and death. */
    public int alive() {
        return alive;
    }

    public long births() {
        return births;
    }

    public long dropped() {
        return dropped;
    }

    /** Returns how many were born of each generation by what plays and by what has ended. */
    public long[] byGeneration() {
        long[] sum = endedGenerations.clone();
        for (int i = 0; i < playing.size(); i++) {
            add(playing.get(i).run().byGeneration(), sum);
        }
        return sum;
    }

    private static void add(long[] some, long[] to) {
        for (int i = 0; i < to.length; i++) {
            to[i] += some[i];
        }
    }
}
