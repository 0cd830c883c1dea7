package bellrope.core.sim;

import bellrope.core.effect.Birth;
import bellrope.core.effect.Course;
import bellrope.core.effect.Effect;
import bellrope.core.effect.Emitter;
import bellrope.core.effect.End.Child;
import bellrope.core.random.Purpose;
import bellrope.core.value.Pace;
import bellrope.core.value.Turn;
import bellrope.core.value.Vec3;
import java.util.ArrayList;
import java.util.List;

/**
 * One playing copy of an effect: where it is, which way it points, what it was born with. Particles whose motion is exact
 * are born into layers shared with other copies; the others live in layers of this copy, which it moves.
 */
public final class EffectRun {
    /** The sources of children's draws begin here, one a kind of child; the bursts lie below. */
    private static final int CHILD_SOURCE = 128;
    /** The source of particles born by the way travelled. */
    private static final int TRAVEL_SOURCE = 127;
    /** After its peaks were raised, streams and ways have sources of their own from here on. */
    private static final int RAISED_SOURCE = 32;

    private static final int RAISED_TRAVEL = 80;
    /** Generations that are counted apart; later ones count into the last. */
    public static final int GENERATIONS = 8;

    private List<Emitter> emitters;
    private List<Emitter> peaks;
    // How often they were raised.
    private int raised;
    private final Course course;
    private final Pace pace;
    private final Schedule[] schedules;
    private final Layer[] layers;
    private final Frame[] frames;
    private final Mover[] movers;
    // By emitter and child: the emitter it bears, −1 for an effect; and its frames by the faces of what is struck.
    private final int[][] targets;
    private final Frame[][][] struckFrames;
    private final Births births;
    private final Occasions occasions = new Occasions();
    private final Occasions later = new Occasions();
    private final List<Begun> begun = new ArrayList<>();
    private final long[] byGeneration = new long[GENERATIONS];
    private final long key;
    private final int start;
    private final Way way;
    private final double[] at = new double[3];
    private final double[] was = new double[3];
    private final double[] velocity = new double[3];
    // By emitter: the share of its stream, and of what its way bears, that comes true now.
    private final double[] streamShare;
    private final double[] travelShare;
    private Turn turn;
    private Hold hold;
    private final int windUp;
    private int stopped = Integer.MAX_VALUE;
    private int quietSince;

    /** A whole effect that a particle gave birth to. */
    public record Begun(String effect, long key, Vec3 origin, Vec3 facing, Vec3 velocity) {}

    /** Where an instance is, which way it points and how it moves on. */
    public record Placement(Vec3 origin, Vec3 facing, Vec3 velocity) {}

    /**
     * An instance whose emitters stay as they are, going straight on.
     *
     * @param effect whose emitters are played
     * @param emitters with their parameters resolved
     * @param layers one per emitter
     * @param key see {@link bellrope.core.random.Draws#instanceKey}
     * @param start step of the stage on which it began
     */
    public EffectRun(
            Effect effect,
            List<Emitter> emitters,
            Layer[] layers,
            Pace pace,
            long key,
            int start,
            Placement placement) {
        this(
                effect,
                emitters,
                emitters,
                layers,
                pace,
                key,
                start,
                Way.straight(placement.origin(), placement.facing(), placement.velocity(), pace));
    }

    /**
     * An instance whose emitters may be {@link #drive driven}.
     *
     * @param peaks the same emitters with the highest rates and longest lives that driving will bring; the schedule of births
     *     is theirs, and where the rate is lower only a share of them comes true
     * @param way where it goes
     */
    public EffectRun(
            Effect effect,
            List<Emitter> emitters,
            List<Emitter> peaks,
            Layer[] layers,
            Pace pace,
            long key,
            int start,
            Way way) {
        this.emitters = emitters;
        this.peaks = peaks;
        this.course = effect.course();
        this.pace = pace;
        this.layers = layers;
        this.key = key;
        this.start = start;
        this.way = way;
        this.turn = way.turn(0);
        this.births = new Births(pace);
        this.windUp = pace.stepsAt(course.windUp());
        int n = emitters.size();
        this.schedules = new Schedule[n];
        this.frames = new Frame[n];
        this.movers = new Mover[n];
        this.targets = new int[n][];
        this.struckFrames = new Frame[n][][];
        for (int i = 0; i < n; i++) {
            Emitter emitter = emitters.get(i);
            schedules[i] = new Schedule(peaks.get(i).birth(), course, pace);
            frames[i] = Frame.of(turn, emitter.birth(), emitter.look());
            if (layers[i].walks()) {
                movers[i] = new Mover(emitter, turn, pace);
            }
            layers[i].reach(Hold.life(peaks.get(i), pace) + 1);
        }
        this.streamShare = new double[n];
        this.travelShare = new double[n];
        share();
        for (int i = 0; i < n; i++) {
            aimChildren(i);
        }
        this.hold = Hold.of(course, peaks, pace);
    }

    /**
     * Sets what is born from now on. Gravity, drag, forces and brightness stay those of the beginning, since all particles of
     * a layer share them.
     *
     * @param driven the same emitters with other values; none above the peaks
     */
    public void drive(List<Emitter> driven) {
        if (driven != emitters) {
            emitters = driven;
            share();
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
        for (int i = 0; i < schedules.length; i++) {
            schedules[i] = new Schedule(peaks.get(i).birth(), course, pace);
            layers[i].reach(Hold.life(peaks.get(i), pace) + 1);
        }
        hold = Hold.of(course, peaks, pace);
        share();
    }

    private void share() {
        for (int i = 0; i < streamShare.length; i++) {
            Birth now = emitters.get(i).birth();
            Birth peak = peaks.get(i).birth();
            streamShare[i] = now.stream().isEmpty()
                    ? 1
                    : now.stream().get().perSecond()
                            / peak.stream().orElseThrow().perSecond();
            travelShare[i] = now.perUnit().isEmpty()
                    ? 1
                    : now.perUnit().getAsDouble() / peak.perUnit().getAsDouble();
        }
    }

    private void turned(int local) {
        Turn now = way.turn(local);
        if (now != turn) {
            turn = now;
            for (int i = 0; i < frames.length; i++) {
                frames[i] =
                        Frame.of(turn, emitters.get(i).birth(), emitters.get(i).look());
            }
        }
    }

    private void aimChildren(int i) {
        List<Child> children = emitters.get(i).end().children();
        targets[i] = new int[children.size()];
        struckFrames[i] = new Frame[children.size()][];
        for (int c = 0; c < children.size(); c++) {
            targets[i][c] = -1;
            for (int e = 0; e < emitters.size(); e++) {
                if (children.get(c)
                        .emitter()
                        .equals(java.util.Optional.of(emitters.get(e).name()))) {
                    targets[i][c] = e;
                }
            }
            if (movers[i] != null && movers[i].wall() != null && targets[i][c] >= 0) {
                Emitter child = emitters.get(targets[i][c]);
                Vec3[] normals = movers[i].wall().normals();
                struckFrames[i][c] = new Frame[normals.length];
                for (int f = 0; f < normals.length; f++) {
                    struckFrames[i][c][f] = Frame.of(Turn.between(Vec3.UP, normals[f]), child.birth(), child.look());
                }
            }
        }
    }

    /**
     * Moves the particles of its own layers to a step of the stage, bears their children and buries the dead. Layers shared
     * with others are the stage's to move.
     */
    public void walk(int step) {
        boolean alive = false;
        way.at(step - start, at);
        way.at(step - 1 - start, was);
        for (int e = 0; e < movers.length; e++) {
            Layer layer = layers[e];
            if (movers[e] == null) {
                continue;
            }
            movers[e].effectAt(at[0], at[1], at[2], was[0], was[1], was[2]);
            occasions.clear();
            movers[e].walk(layer.store(), step, step - start, occasions, layer);
            movers[e].bearing().ends(layer.store(), step, occasions, layer);
            layer.store().bury(step);
            raise(e, occasions, step);
            alive |= layer.store().count() > 0;
        }
        if (alive) {
            quietSince = step;
        }
    }

    /** Bears the children of one step's occasions, and theirs. */
    private void raise(int e, Occasions due, int step) {
        List<Child> children = emitters.get(e).end().children();
        for (int o = 0; o < due.count(); o++) {
            int c = due.child[o];
            Child child = children.get(c);
            int target = targets[e][c];
            Emitter emitter = emitters.get(target >= 0 ? target : e);
            int source = CHILD_SOURCE + c;
            var draws = births.occasion(due.line[o], emitter, source, due.number[o]);
            if (draws.unit(Purpose.CHANCE) >= child.chance()) {
                continue;
            }
            int count = child.least() + (int) (draws.unit(Purpose.COUNT) * (child.most() - child.least() + 1));
            int h = o * Occasions.FLOATS;
            float[] handed = due.handed;
            if (target < 0) {
                if (count > 0) {
                    begin(e, child, due, o, draws.lineKey());
                }
                continue;
            }
            births.ox = handed[h];
            births.oy = handed[h + 1];
            births.oz = handed[h + 2];
            births.carryX = handed[h + 3] * child.velocity();
            births.carryY = handed[h + 4] * child.velocity();
            births.carryZ = handed[h + 5] * child.velocity();
            births.red = child.colour() ? handed[h + 6] : 1;
            births.green = child.colour() ? handed[h + 7] : 1;
            births.blue = child.colour() ? handed[h + 8] : 1;
            double middle = emitters.get(e).birth().size().middle();
            births.scale = child.size() && middle > 0 ? (float) (handed[h + 9] / middle) : 1;
            births.generation = due.generation[o] + 1;
            Frame frame = due.face[o] >= 0 ? struckFrames[e][c][due.face[o]] : frames[target];
            bear(target, frame, due.line[o], source, due.number[o], 0, count, count, step, 1);
        }
    }

    private void begin(int e, Child child, Occasions due, int o, long childKey) {
        float[] handed = due.handed;
        int h = o * Occasions.FLOATS;
        Vec3 facing = due.face[o] >= 0 ? movers[e].wall().normals()[due.face[o]] : turn.apply(Vec3.UP);
        begun.add(new Begun(
                child.effect().orElseThrow(),
                childKey,
                new Vec3(handed[h], handed[h + 1], handed[h + 2]),
                facing,
                Vec3.ZERO));
    }

    private void bear(
            int e, Frame frame, long line, int source, int cycle, int first, int count, int of, int step, double ramp) {
        int before = births.borne;
        int slot = layers[e].store().slots();
        int generation = births.generation;
        births.bear(layers[e], emitters.get(e), frame, line, source, cycle, first, count, of, step, ramp);
        byGeneration[Math.min(GENERATIONS - 1, generation)] += births.borne - before;
        if (movers[e] != null && births.borne > before && layers[e].bears()) {
            later.clear();
            movers[e].bearing().births(layers[e].store(), slot, step, later, layers[e]);
            if (later.count() > 0) {
                // Rare: children at birth may bear in turn, so each round needs a list of its own.
                Occasions mine = new Occasions();
                mine.take(later);
                raise(e, mine, step);
            }
        }
    }

    /**
     * Gives birth to everything due on a step of the stage, children apart.
     *
     * @param step of the stage
     */
    public void bear(int step) {
        int local = step - start;
        double ramp = ramp(step);
        if (ramp <= 0) {
            return;
        }
        turned(local);
        way.velocity(local, velocity);
        births.orphan();
        source(local);
        for (int e = 0; e < schedules.length; e++) {
            Emitter emitter = emitters.get(e);
            Schedule schedule = schedules[e];
            carry(emitter);
            int bursts = emitter.birth().bursts().size();
            for (int b = 0; b < bursts; b++) {
                for (int nth = 0; nth < schedule.times(b); nth++) {
                    if (schedule.fires(b, nth, local)) {
                        burst(e, emitter, b, schedule.cycle(b, nth, local), step, ramp);
                    }
                }
            }
            int before = schedule.streamBefore(local);
            int due = schedule.streamAfter(local) - before;
            if (due > 0) {
                int source = raised == 0 ? 0 : RAISED_SOURCE + raised;
                bear(
                        e,
                        frames[e],
                        key,
                        source,
                        schedule.streamCycle(local),
                        before,
                        due,
                        0,
                        step,
                        ramp * streamShare[e]);
                again(emitter, local);
            }
            if (emitter.birth().perUnit().isPresent() && schedule.travels(local)) {
                travel(e, emitter, local, step, ramp * travelShare[e]);
                again(emitter, local);
            }
        }
    }

    private void source(double local) {
        way.at(local, at);
        births.ox = at[0];
        births.oy = at[1];
        births.oz = at[2];
    }

    private void carry(Emitter emitter) {
        double inherit = emitter.birth().inherit();
        births.carryX = velocity[0] * inherit;
        births.carryY = velocity[1] * inherit;
        births.carryZ = velocity[2] * inherit;
    }

    // Children that were born at once have left their parents' place and colour behind.
    private void again(Emitter emitter, double local) {
        births.orphan();
        source(local);
        carry(emitter);
    }

    private void burst(int e, Emitter emitter, int b, int cycle, int step, double ramp) {
        var burst = emitter.birth().bursts().get(b);
        var draws = births.occasion(key, emitter, b + 1, cycle);
        if (burst.chance() < 1 && draws.unit(Purpose.CHANCE) >= burst.chance()) {
            return;
        }
        int count = burst.count(draws.unit(Purpose.COUNT));
        bear(e, frames[e], key, b + 1, cycle, 0, count, count, step, ramp);
        again(emitter, step - start);
    }

    // Each lies where the way reached it, not where the source is at the end of the step.
    private void travel(int e, Emitter emitter, int local, int step, double ramp) {
        double perUnit = peaks.get(e).birth().perUnit().getAsDouble();
        double before = way.gone(local - 1);
        double after = way.gone(local);
        int from = (int) Math.floor(before * perUnit + 1e-9);
        int to = (int) Math.floor(after * perUnit + 1e-9);
        for (int n = from + 1; n <= to; n++) {
            double share = Math.min(1, Math.max(0, (n / perUnit - before) / (after - before)));
            again(emitter, local - 1 + share);
            bear(e, frames[e], key, raised == 0 ? TRAVEL_SOURCE : RAISED_TRAVEL + raised, 0, n, 1, 0, step, ramp);
        }
    }

    private double ramp(int step) {
        int local = step - start;
        double up = local < windUp ? (double) local / windUp : 1;
        if (step < stopped) {
            return up;
        }
        int fade = pace.stepsAt(course.fadeOut());
        int since = step - stopped;
        return since < fade ? up * (1 - (double) since / fade) : 0;
    }

    /** Tells a looping effect to end: over its fade-out it bears ever less, and what lives lives on. */
    public void stop(int step) {
        if (course.looping() && stopped == Integer.MAX_VALUE) {
            stopped = step;
        }
    }

    /** Sets how many particles may still be born, and forgets what was counted. */
    public void open(int room) {
        births.room = Math.max(0, room);
        births.asked = 0;
        births.borne = 0;
    }

    /** Returns how many births were asked for since {@link #open}. */
    public int asked() {
        return births.asked;
    }

    /** Returns how many of them came true. */
    public int borne() {
        return births.borne;
    }

    /** Returns how many were born of each generation so far: 0 by the emitters themselves, 1 their children, and on. */
    public long[] byGeneration() {
        return byGeneration;
    }

    /** Returns the effects that particles began since the last {@link #clearBegun}. */
    public List<Begun> begun() {
        return begun;
    }

    public void clearBegun() {
        begun.clear();
    }

    public int start() {
        return start;
    }

    /** Returns where it is on a step of the stage. */
    public Vec3 place(int step) {
        way.at(step - start, at);
        return new Vec3(at[0], at[1], at[2]);
    }

    /** Returns which way its y axis points. */
    public Vec3 facing() {
        return turn.apply(Vec3.UP);
    }

    public boolean looping() {
        return course.looping();
    }

    /** Returns how many steps after it was told to end it bears nothing more. */
    public int fadeOut() {
        return pace.stepsAt(course.fadeOut());
    }

    public Layer[] layers() {
        return layers;
    }

    /** Returns how long it is needed. */
    public Hold hold() {
        return hold;
    }

    /** Tells whether nothing of it is left and nothing more can come. */
    public boolean over(int step) {
        if (hold.steps().isPresent()) {
            return step - start >= hold.steps().getAsInt();
        }
        int line = hold.longestLine();
        if (course.looping()) {
            return stopped != Integer.MAX_VALUE
                    && step >= stopped + pace.stepsAt(course.fadeOut()) + line
                    && step > quietSince;
        }
        return step - start > hold.lastBirth() + line && step > quietSince + line;
    }
}
