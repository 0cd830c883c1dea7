package bellrope.core.sim;

import bellrope.core.effect.Birth;
import bellrope.core.effect.Burst;
import bellrope.core.effect.Course;
import bellrope.core.effect.Emitter;
import bellrope.core.random.Purpose;
import bellrope.core.value.Exact;
import bellrope.core.value.Rotation;
import bellrope.core.value.Vec3;
import java.util.List;

/**
 * One playing copy of an effect: where it is, which way it points, what it was born with. Particles whose motion is exact
 * are born into layers shared with other copies; the others live in layers of this copy, which it moves.
 */
public final class EffectRun {
    /** The source of particles born by the way travelled. */
    private static final int TRAVEL_SOURCE = 127;
    /** After its peaks were raised, streams and ways have sources of their own from here on. */
    private static final int RAISED_SOURCE = 32;

    private static final int RAISED_TRAVEL = 80;
    /** Most that are tried for the path of one step; a source that jumps by more leaves the rest out, counted. */
    private static final int MOST_BY_WAY = 100_000;

    /** Generations that are counted apart; later ones count into the last. */
    public static final int GENERATIONS = 8;

    private List<Emitter> emitters;
    private List<Emitter> peaks;
    // How often they were raised.
    private int raised;
    private Plan plan;
    private final Course course;
    private final Layer[] layers;
    private final Body body;
    private final Births births;
    private final boolean live;
    private final long key;
    private final int start;
    private final double early;
    private final int generation;
    private final MovementPath way;
    private Rotation turn;
    private final double windUp;
    private final double fadeOut;
    private int stopped = Integer.MAX_VALUE;
    private int quietSince;
    private long leftOut;

    /** A whole effect that a particle gave birth to. */
    public record Begun(String effect, long key, Vec3 origin, Vec3 facing, Vec3 velocity, Descent descent) {}

    /**
     * Where an instance stands in a line of children.
     *
     * @param early steps from its true beginning to the step on which it begins, 0 to 1
     * @param generation that its own births count as; 0 for one that a rope began
     */
    public record Descent(double early, int generation) {
        public static final Descent NONE = new Descent(0, 0);
    }

    /** Where an instance is, which way it points and how it moves on. */
    public record Placement(Vec3 origin, Vec3 facing, Vec3 velocity) {}

    /**
     * An instance whose emitters stay as they are, going straight on.
     *
     * @param emitters with their parameters resolved
     * @param layers one per emitter
     * @param key see {@link bellrope.core.random.Draws#instanceKey}
     * @param start step of the stage on which it began
     * @param descent from a particle
     */
    public EffectRun(
            Plan plan,
            List<Emitter> emitters,
            Layer[] layers,
            long key,
            int start,
            Placement placement,
            Descent descent) {
        this(
                plan,
                emitters,
                emitters,
                new Body(emitters, layers, plan.pace()),
                key,
                start,
                MovementPath.straight(placement.origin(), placement.facing(), placement.velocity(), plan.pace()),
                descent);
    }

    /**
     * An instance whose emitters may be {@link #drive driven}.
     *
     * @param plan of the peaks
     * @param peaks the same emitters with the highest rates and longest lives that driving will bring; the schedule of births
     *     is theirs, and where the rate is lower only a share of them comes true
     * @param body in which it plays: a new one, or one that suits these emitters and nothing plays in any more
     * @param way where it goes
     * @param descent from a particle
     */
    public EffectRun(
            Plan plan,
            List<Emitter> emitters,
            List<Emitter> peaks,
            Body body,
            long key,
            int start,
            MovementPath way,
            Descent descent) {
        this.emitters = emitters;
        this.peaks = peaks;
        this.plan = plan;
        this.course = plan.course();
        this.body = body;
        this.layers = body.layers();
        this.births = body.births;
        this.key = key;
        this.start = start;
        this.way = way;
        this.early = descent.early();
        this.generation = descent.generation();
        this.turn = way.turn(0);
        this.windUp = course.windUp() * plan.tempo();
        this.fadeOut = course.fadeOut() * plan.tempo();
        body.begin(emitters, turn);
        this.live = body.live();
        for (int i = 0; i < layers.length; i++) {
            layers[i].reach(plan.life(i) + 1);
        }
        share();
    }

    /** An instance that is only held: nothing is ever born of it. */
    private EffectRun(Plan plan, Layer[] layers, int start, MovementPath way) {
        this.emitters = List.of();
        this.peaks = List.of();
        this.plan = plan;
        this.course = plan.course();
        this.body = Body.NONE;
        this.layers = layers;
        this.births = body.births;
        this.key = 0;
        this.start = start;
        this.way = way;
        this.early = 0;
        this.generation = 0;
        this.turn = way.turn(0);
        this.windUp = 0;
        this.fadeOut = course.fadeOut() * plan.tempo();
        this.live = false;
    }

    /** Returns an instance that is only held, so that it is known when it is over: nothing may be born of it. */
    public static EffectRun held(Plan plan, Layer[] layers, int start, MovementPath way) {
        return new EffectRun(plan, layers, start, way);
    }

    /**
     * Sets what is born from now on; and what acts on what lives, where an emitter's life is live. Elsewhere gravity, drag and
     * forces stay those of the beginning, since all particles of a layer share them; brightness does in any case.
     *
     * @param driven the same emitters with other values; none above the peaks
     */
    public void drive(List<Emitter> driven) {
        if (driven != emitters) {
            body.loose = true;
            for (int i = 0; i < body.frames.length; i++) {
                if (!driven.get(i)
                        .birth()
                        .offset()
                        .equals(emitters.get(i).birth().offset())) {
                    body.frames[i] = Orientation.of(
                            turn, driven.get(i).birth(), driven.get(i).look());
                }
            }
            emitters = driven;
            follow();
            share();
        }
    }

    /** Tells whether what drives it acts on what lives already. */
    public boolean live() {
        return live;
    }

    private void follow() {
        for (int i = 0; live && i < body.movers.length; i++) {
            if (body.movers[i] != null && emitters.get(i).life().live()) {
                body.movers[i].follow(emitters.get(i).life(), turn);
            }
        }
    }

    /**
     * Sets other peaks: what is born over time from now on follows a schedule of theirs, with draws of its own.
     *
     * @param times how often they were raised by now, 1 to 32
     */
    public void raise(List<Emitter> higher, int times) {
        if (times == raised) {
            return;
        }
        raised = times;
        peaks = higher;
        plan = plan.of(higher);
        for (int i = 0; i < layers.length; i++) {
            layers[i].reach(plan.life(i) + 1);
        }
        share();
    }

    private void share() {
        for (int i = 0; i < body.streamShare.length; i++) {
            Birth now = emitters.get(i).birth();
            Birth peak = peaks.get(i).birth();
            body.streamShare[i] = now.stream().isEmpty()
                    ? 1
                    : now.stream().get().perSecond()
                            / peak.stream().orElseThrow().perSecond();
            body.travelShare[i] = now.perUnit().isEmpty()
                    ? 1
                    : now.perUnit().getAsDouble() / peak.perUnit().getAsDouble();
        }
    }

    private void turned(int local) {
        Rotation now = way.turn(local);
        if (now != turn) {
            turn = now;
            body.loose = true;
            for (int i = 0; i < body.frames.length; i++) {
                body.frames[i] = Orientation.of(
                        turn, emitters.get(i).birth(), emitters.get(i).look());
            }
            follow();
        }
    }

    /**
     * Moves the particles of its own layers to a step of the stage, spawns their children and buries the dead. Layers shared
     * with others are the stage's to move.
     */
    public void integrate(int step) {
        boolean alive = false;
        if (live) {
            turned(step - start);
        }
        moveOn(now(step));
        for (int e = 0; e < body.movers.length; e++) {
            Layer layer = layers[e];
            if (body.movers[e] == null) {
                continue;
            }
            body.movers[e].integrate(layer.store(), step, now(step), body.offspring.due(), layer);
            layer.store().bury(step);
            children(step);
            alive |= layer.store().count() > 0;
        }
        if (alive) {
            quietSince = step;
        }
    }

    // Steps from its true beginning to a step of the stage.
    private double now(int step) {
        return step - start + early;
    }

    private void moveOn(double local) {
        way.at(local, body.at);
        way.at(local - 1, body.was);
        for (Mover mover : body.movers) {
            if (mover != null) {
                mover.effectAt(body.at[0], body.at[1], body.at[2], body.was[0], body.was[1], body.was[2]);
            }
        }
    }

    /** Spawns the children of one step's occasions, and theirs. */
    private void children(int step) {
        Occasions due = body.offspring.due();
        for (int o = due.next(); o >= 0; o = due.next()) {
            int e = due.emitter[o];
            int target = body.offspring.target(e, due.child[o]);
            int count = body.offspring.count(e, o, emitters);
            if (count == 0) {
                continue;
            }
            if (target >= 0 && !births.roomIn(layers[target])) {
                births.drop(layers[target], count);
                continue;
            }
            if (target < 0) {
                body.offspring.begin(e, o, emitters, turn);
                continue;
            }
            body.offspring.hand(e, o, emitters);
            Orientation frame = body.offspring.frame(e, o);
            spawn(
                    target,
                    frame == null ? body.frames[target] : frame,
                    body.batch.together(
                            due.line[o], body.offspring.source(e, o, emitters), due.number[o], count, step, 1));
        }
        births.drop(layers[0], due.takeDropped());
    }

    private void spawn(int e, Orientation frame, Batch next) {
        int before = births.born;
        Layer layer = layers[e];
        int slot = layer.store().slots();
        births.spawn(layer, emitters.get(e), body.launches[e], frame, next);
        body.byGeneration[Math.min(GENERATIONS - 1, births.generation)] += births.born - before;
        if (body.movers[e] != null) {
            for (int i = slot; i < layer.store().slots(); i++) {
                body.movers[e].begin(layer.store(), i, next.step, now(next.step), body.offspring.due(), layer);
            }
        }
    }

    /**
     * Gives birth to everything due on a step of the stage, children apart: what comes after the step before it, up to the
     * step itself. Each is born at its own time and carried on to the step.
     *
     * @param step of the stage
     */
    public void spawn(int step) {
        double local = now(step);
        if (over(local - 1) && ramp(local) <= 0) {
            return;
        }
        turned(step - start);
        moveOn(local);
        way.velocity(step - start, body.velocity);
        for (int e = 0; e < layers.length; e++) {
            Emitter emitter = emitters.get(e);
            Schedule schedule = plan.schedule(e);
            int bursts = emitter.birth().bursts().size();
            for (int b = 0; b < bursts; b++) {
                for (int nth = 0; nth < schedule.times(b); nth++) {
                    int due = schedule.cycles(b, nth, local);
                    for (int c = schedule.cycles(b, nth, local - 1); c < due; c++) {
                        burst(e, emitter, b, schedule.address(b, nth, c), schedule.burstTime(b, nth, c), step);
                    }
                }
            }
            stream(e, emitter, step);
            if (emitter.birth().perUnit().isPresent() && schedule.travelling(local)) {
                travel(e, emitter, step - start, step);
            }
        }
        children(step);
    }

    private void stream(int e, Emitter emitter, int step) {
        double local = now(step);
        Schedule schedule = plan.schedule(e);
        long due = schedule.streamed(local);
        int source = raised == 0 ? 0 : RAISED_SOURCE + raised;
        for (long n = schedule.streamed(local - 1); n < due; n++) {
            if (!births.roomIn(layers[e])) {
                drop(e, due - n, ramp(local) * body.streamShare[e]);
                return;
            }
            double time = Math.min(local, schedule.streamTime(n));
            again(e, emitter, local, time);
            double share = ramp(time) * body.streamShare[e];
            spawn(
                    e,
                    body.frames[e],
                    body.batch.one(key, source, schedule.streamCycle(n), schedule.streamNumber(n), step, share));
        }
    }

    // Of those that there is no room for, as many as would have come true.
    private void drop(int e, long count, double share) {
        births.drop(layers[e], Exact.round(count * Math.min(1, share)));
    }

    private boolean over(double time) {
        return stopped != Integer.MAX_VALUE && start + time >= stopped + fadeOut;
    }

    // Puts the source where it was when the next particle is born; what goes with the source is placed by where it is
    // now.
    private void again(int e, Emitter emitter, double local, double time) {
        births.orphan(generation);
        births.lag = Math.max(0, Math.min(1, local - time));
        source(layers[e].local() ? local : time);
        carry(emitter);
    }

    private void source(double local) {
        way.at(local, body.at);
        births.ox = body.at[0];
        births.oy = body.at[1];
        births.oz = body.at[2];
    }

    private void carry(Emitter emitter) {
        double inherit = emitter.birth().inherit() / emitter.playback();
        births.carryX = body.velocity[0] * inherit;
        births.carryY = body.velocity[1] * inherit;
        births.carryZ = body.velocity[2] * inherit;
    }

    private void burst(int e, Emitter emitter, int b, int cycle, double time, int step) {
        Burst burst = emitter.birth().bursts().get(b);
        again(e, emitter, now(step), time);
        var draws = births.occasion(key, emitter, burst.id(), cycle);
        if (burst.chance() < 1 && draws.unit(Purpose.CHANCE) >= burst.chance()) {
            return;
        }
        int count = burst.count(draws.unit(Purpose.COUNT));
        spawn(e, body.frames[e], body.batch.together(key, burst.id(), cycle, count, step, ramp(time)));
    }

    // Each lies where the way reached it, not where the source is at the end of the step.
    private void travel(int e, Emitter emitter, int local, int step) {
        double perUnit = peaks.get(e).birth().perUnit().getAsDouble();
        double before = way.gone(local - 1);
        double after = way.gone(local);
        long from = (long) Math.floor(before * perUnit + 1e-9);
        long to = (long) Math.floor(after * perUnit + 1e-9);
        int source = raised == 0 ? TRAVEL_SOURCE : RAISED_TRAVEL + raised;
        for (long n = from + 1; n <= to; n++) {
            if (!births.roomIn(layers[e]) || n - from > MOST_BY_WAY) {
                leftOut += to - n + 1;
                drop(e, to - n + 1, ramp(local) * body.travelShare[e]);
                return;
            }
            double time = local - 1 + Math.min(1, Math.max(0, (n / perUnit - before) / (after - before)));
            if (plan.schedule(e).travels(time)) {
                again(e, emitter, local, time);
                spawn(
                        e,
                        body.frames[e],
                        body.batch.one(key, source, 0, (int) n, step, ramp(time) * body.travelShare[e]));
            }
        }
    }

    // The share of births that come true at a time in steps after the beginning.
    private double ramp(double time) {
        double up = time < windUp ? time / windUp : 1;
        double since = start + time - stopped;
        if (stopped == Integer.MAX_VALUE || since <= 0) {
            return up;
        }
        return since < fadeOut ? up * (1 - since / fadeOut) : 0;
    }

    /** Tells a looping effect to end: over its fade-out it spawns ever less, and what lives lives on. */
    public void stop(int step) {
        if (course.looping() && stopped == Integer.MAX_VALUE) {
            stopped = step;
        }
    }

    /** Sets how many particles may still be born, and forgets what was counted. */
    public void open(int room) {
        births.room = Math.max(0, room);
        births.asked = 0;
        births.born = 0;
    }

    /** Returns how many births were asked for since {@link #open}. */
    public int asked() {
        return births.asked;
    }

    /** Returns how many of them came true. */
    public int born() {
        return births.born;
    }

    /** Returns how many births by the way there was no room for since the last call. */
    public long takeLeftOut() {
        long taken = leftOut;
        leftOut = 0;
        return taken;
    }

    /** Returns how many were born of each generation so far: 0 by the emitters themselves, 1 their children, and on. */
    public long[] byGeneration() {
        return body.byGeneration;
    }

    /** Returns the effects that particles began since the last {@link #clearBegun}. */
    public List<Begun> begun() {
        return body.offspring.begun();
    }

    public void clearBegun() {
        body.offspring.begun().clear();
    }

    public int start() {
        return start;
    }

    /** Returns where it is on a step of the stage. */
    public Vec3 place(int step) {
        // Not into the body, which may be another's by now.
        double[] place = new double[3];
        way.at(step - start, place);
        return new Vec3(place[0], place[1], place[2]);
    }

    /** Returns which way its y axis points. */
    public Vec3 facing() {
        return turn.apply(Vec3.UP);
    }

    public boolean looping() {
        return course.looping();
    }

    /** Returns how many particles live in its layers, those of other instances that share them included. */
    public int particles() {
        int sum = 0;
        for (Layer layer : layers) {
            sum += layer.store().count();
        }
        return sum;
    }

    /** Returns how many steps after it was stopped it spawns nothing more. */
    public int fadeOut() {
        return (int) Math.ceil(fadeOut - 1e-9);
    }

    public Layer[] layers() {
        return layers;
    }

    /** Returns how long it is needed. */
    public Hold hold() {
        return plan.hold();
    }

    /** Tells whether its emitters may still spawn by themselves. */
    public boolean spawns(int step) {
        return !over((double) step - start)
                && (course.looping() || step - start < plan.hold().lastBirth());
    }

    /** Tells whether nothing of it is left and nothing more can come. */
    public boolean over(int step) {
        Hold hold = plan.hold();
        if (hold.steps().isPresent()) {
            return step - start >= hold.steps().getAsInt();
        }
        int line = hold.longestLine();
        if (course.looping()) {
            return stopped != Integer.MAX_VALUE && step >= stopped + fadeOut() + line && step > quietSince;
        }
        return step - start > hold.lastBirth() + line && step > quietSince + line;
    }
}
