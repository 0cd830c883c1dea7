package bellrope.core.sim;

import bellrope.core.effect.Emitter;
import bellrope.core.value.Pace;
import bellrope.core.value.Turn;
import bellrope.core.value.Vec3;
import java.util.List;
import java.util.OptionalDouble;
import java.util.OptionalInt;

/**
 * One playing copy of an effect: where it is, which way it points, what it was born with. It gives birth into layers
 * shared with other copies and holds no particles itself.
 */
public final class EffectRun {
    private final List<Emitter> emitters;
    private final Schedule[] schedules;
    private final Layer[] layers;
    private final Births births;
    private final int start;
    private final OptionalInt hold;
    private final int longestLife;

    /**
     * @param emitters with their parameters resolved
     * @param layers one per emitter
     * @param period of a looping effect, seconds
     * @param key see {@link bellrope.core.random.Draws#instanceKey}
     * @param start step of the stage on which it began
     * @param origin in the world
     * @param facing direction of the effect's y axis, of length 1
     */
    public EffectRun(
            List<Emitter> emitters,
            Layer[] layers,
            OptionalDouble period,
            Pace pace,
            long key,
            int start,
            Vec3 origin,
            Vec3 facing) {
        this.emitters = emitters;
        this.layers = layers;
        this.start = start;
        this.births = new Births(pace, key, origin, Turn.between(Vec3.UP, facing));
        this.schedules = new Schedule[emitters.size()];
        int last = 0;
        int longest = 0;
        for (int i = 0; i < schedules.length; i++) {
            Emitter emitter = emitters.get(i);
            schedules[i] = new Schedule(emitter.birth(), period, pace);
            int life = pace.stepsAt(emitter.birth().lifetime().most());
            layers[i].reach(life + 1);
            longest = Math.max(longest, life);
            last = Math.max(last, schedules[i].lastBirth().orElse(0) + Math.max(1, life));
        }
        this.longestLife = longest;
        this.hold = period.isPresent() ? OptionalInt.empty() : OptionalInt.of(last);
    }

    /**
     * Gives birth to everything due on a step of the stage.
     *
     * @param room how many particles may still be born
     * @return how many were asked for, which may be more than {@code room}
     */
    public int bear(int step, int room) {
        int asked = 0;
        int local = step - start;
        for (int e = 0; e < schedules.length; e++) {
            Emitter emitter = emitters.get(e);
            Schedule schedule = schedules[e];
            int bursts = emitter.birth().bursts().size();
            for (int b = 0; b < bursts; b++) {
                if (schedule.fires(b, local)) {
                    int cycle = schedule.cycle(b, local);
                    int count = births.count(emitter, b, cycle);
                    births.bear(layers[e], emitter, b + 1, cycle, 0, fitting(count, room - asked), step);
                    asked += count;
                }
            }
            int before = schedule.streamBefore(local);
            int due = schedule.streamAfter(local) - before;
            if (due > 0) {
                births.bear(
                        layers[e], emitter, 0, schedule.streamCycle(local), before, fitting(due, room - asked), step);
                asked += due;
            }
        }
        return asked;
    }

    private static int fitting(int wanted, int room) {
        return Math.max(0, Math.min(wanted, room));
    }

    public int start() {
        return start;
    }

    /**
     * Returns for how many steps an instance is needed: last birth plus longest possible life. Empty for one that runs
     * until it is told to stop.
     */
    public OptionalInt hold() {
        return hold;
    }

    /** Returns the most steps that a particle of it can live. */
    public int longestLife() {
        return longestLife;
    }

    /** Tells whether its hold time has passed. */
    public boolean over(int step) {
        return hold.isPresent() && step - start >= hold.getAsInt();
    }
}
