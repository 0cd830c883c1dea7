package bellrope.core.stage.play;

import bellrope.core.effect.Effect;
import bellrope.core.effect.Emitter;
import bellrope.core.effect.Parameter;
import bellrope.core.pool.Pool;
import bellrope.core.random.Draws;
import bellrope.core.rope.Rope;
import bellrope.core.sim.Body;
import bellrope.core.sim.EffectRun;
import bellrope.core.sim.MovementPath;
import bellrope.core.sim.Plan;
import bellrope.core.stage.decide.Beginning;
import bellrope.core.stage.decide.Decision;
import bellrope.core.stage.decide.Feeding;
import bellrope.core.stage.world.World;
import bellrope.core.value.Datum;
import bellrope.core.value.Vec3;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Gives instances their runs under one project: emitters as they are fed, layers, a way, a driver. */
final class Casting {
    private final Roster roster;
    private final World world;
    private final Cast cast;
    private final long seed;
    private final boolean dry;
    private final Spares spares;

    /** @param dry whether nothing is born, so that all may share layers */
    Casting(Roster roster, World world, boolean dry) {
        this.roster = roster;
        this.dry = dry;
        this.world = world;
        this.cast = new Cast(roster.project(), dry);
        this.seed = roster.project().settings().seed();
        this.spares = new Spares(cast, roster.pace());
    }

    Cast cast() {
        return cast;
    }

    /** Returns the key of a pull's main instance. */
    long key(Rope rope, long pullSeed) {
        return Draws.instanceKey(seed, pullSeed, rope.seed());
    }

    /** @param decision of its rope, at its start */
    void build(Instance instance, Rope rope, Effect effect, Decision decision) {
        Origin origin = instance.origin();
        boolean main = origin.role() == Origin.Role.MAIN;
        Effect mine = main ? roster.over(rope, effect) : effect;
        Feeding feeding = decision.feeding();
        Beginning fed = main ? feeding.beginning(mine) : null;
        Map<String, Datum> values = main ? fed.values() : Map.of();
        Driver driver =
                Driver.wanted(instance, rope) ? new Driver(instance, rope, mine, decision, world, values) : null;
        driver = driver == null || driver.idle() ? null : driver;
        List<Emitter> emitters = dry
                ? (main ? fed.timed() : mine.timed(values))
                : main ? fed.emitters() : feeding.resolved(mine, values);
        List<Emitter> peaks = driver == null ? emitters : driver.peaks(origin.start());
        boolean follows = main || origin.role() == Origin.Role.START;
        MovementPath way = follows
                ? decision.placing().way(origin.anchor(), roster.pace())
                : MovementPath.straight(origin.anchor(), origin.facing(), Vec3.ZERO, roster.pace());
        if (rope.apart()
                || roster.counted(rope)
                || roster.takenOver(effect.name())
                || origin.role() == Origin.Role.FOLLOW) {
            instance.apart();
        }
        if (main && rope.overrides().cutAfter().isPresent()) {
            instance.cutAt(origin.start()
                    + roster.pace().stepsAt(rope.overrides().cutAfter().getAsDouble()));
        }
        Plan plan = roster.plan(mine, peaks);
        EffectRun run = dry
                ? EffectRun.held(plan, cast.of(mine, emitters, instance.isApart()), origin.start(), way)
                : new EffectRun(
                        plan,
                        emitters,
                        peaks,
                        body(instance, mine, emitters),
                        key(origin, rope, mine),
                        origin.start(),
                        way,
                        EffectRun.Descent.NONE);
        instance.runs(run, driver);
    }

    private Body body(Instance instance, Effect effect, List<Emitter> emitters) {
        if (!roster.pooled(effect.name())) {
            instance.playsIn(null);
            return new Body(emitters, cast.of(effect, emitters, instance.isApart()), roster.pace());
        }
        Spares.Spare spare = spares.take(effect, emitters, instance.isApart());
        instance.playsIn(spare);
        return spare.body();
    }

    Spares spares() {
        return spares;
    }

    /** Makes what pools want to have made before play starts; those of several effects share it evenly. */
    void prewarm() {
        for (Pool pool : roster.project().pools()) {
            int each = (pool.prewarm() + pool.effects().size() - 1)
                    / Math.max(1, pool.effects().size());
            for (String name : pool.effects()) {
                Effect effect = roster.effect(Optional.of(name));
                if (effect != null) {
                    spares.make(effect, roster.takenOver(name), each);
                }
            }
        }
        cast.settle();
        spares.settle();
    }

    /** Returns an instance of a whole effect that a particle began. */
    Instance child(Instance parent, Effect effect, EffectRun.Begun begun, int step) {
        Instance instance = parent.child(step);
        if (roster.takenOver(effect.name())) {
            instance.apart();
        }
        List<Emitter> emitters = effect.emitters();
        EffectRun run = new EffectRun(
                roster.plan(effect, emitters),
                emitters,
                emitters,
                body(instance, effect, emitters),
                begun.key(),
                step,
                MovementPath.straight(begun.origin(), begun.facing(), begun.velocity(), roster.pace()),
                begun.descent());
        instance.runs(run, null);
        instance.dimAs(parent);
        return instance;
    }

    private long key(Origin origin, Rope rope, Effect effect) {
        long key = origin.cause().key();
        return switch (origin.role()) {
            case START -> Draws.instanceKey(seed, effect.seed().orElse(key), 1);
            case END -> Draws.instanceKey(seed, effect.seed().orElse(key), 2);
            case FOLLOW -> Draws.instanceKey(seed, effect.seed().orElse(key), 15 + origin.index());
            case MAIN, CHILD ->
                effect.seed().isPresent()
                        ? Draws.instanceKey(seed, effect.seed().getAsLong(), rope.seed())
                        : key;
        };
    }

    /**
     * Returns the hand on a parameter of an instance, laid on it if it is not yet.
     *
     * @param parameter of the instance's effect
     */
    Hand hand(Instance instance, Parameter parameter) {
        for (Hand hand : instance.hands()) {
            if (hand.parameter().equals(parameter.name())) {
                return hand;
            }
        }
        Hand hand = new Hand(parameter);
        instance.take(hand, instance.driver() == null ? driver(instance) : instance.driver());
        return hand;
    }

    private Driver driver(Instance instance) {
        Origin origin = instance.origin();
        Rope rope = roster.rope(origin.rope());
        Decision decision = new Decision(
                rope, origin.cause().of(roster.event(origin.cause().event().name())), world, origin.start());
        Effect effect = roster.effect(origin);
        boolean main = origin.role() == Origin.Role.MAIN;
        Effect mine = main ? roster.over(rope, effect) : effect;
        Map<String, Datum> values = main ? decision.feeding().beginning(mine).values() : Map.of();
        return new Driver(instance, rope, mine, decision, world, values);
    }
}
