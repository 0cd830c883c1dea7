package bellrope.core.stage.world;

import bellrope.core.value.Vec3;
import java.util.Arrays;

/**
 * Where a subject or the camera is and was. It keeps what it was told, some {@value #MOST} times back at most, and goes on
 * evenly in between.
 *
 * <p>What is told after a step was made counts from the next step on, so that the past can be played again to the bit: a
 * step sees what was told before it, a beginning what was told before that beginning.
 */
public final class Track {
    static final int MOST = 2048;
    private static final int NUMBERS = 13;
    // Of one entry: place, drift, heading, velocity as told, units come so far.
    private static final int DRIFT = 3;
    private static final int HEADING = 6;
    private static final int VELOCITY = 9;
    private static final int GONE = 12;

    private final int stepsPerSecond;
    private int[] steps = new int[4];
    private long[] orders = new long[4];
    private double[] told = new double[4 * NUMBERS];
    private int count;
    private long first;
    private final int most;

    /** @param most how many tellings are kept */
    Track(int stepsPerSecond, int most) {
        this.stepsPerSecond = stepsPerSecond;
        this.most = most;
    }

    /**
     * Takes in where it is.
     *
     * @param order of the telling among beginnings, see {@link World#begins}
     * @param heading of length 1; zero to go on as before
     * @param velocity with which it goes on until told otherwise; null to stay, and to take its velocity from its way
     */
    public void put(int step, long order, Vec3 place, Vec3 heading, Vec3 velocity) {
        Vec3 before = count == 0 ? place : at(count - 1, step);
        double gone = count == 0
                ? 0
                : gone(count - 1, step) + place.plus(before.times(-1)).length();
        Vec3 way = velocity;
        if (velocity == null) {
            int since = count == 0 ? 0 : step - steps[count - 1];
            way = since > 0 && since <= stepsPerSecond / 4
                    ? place.plus(entry(count - 1, 0).times(-1)).times((double) stepsPerSecond / since)
                    : count == 0 || since > 0 ? Vec3.ZERO : entry(count - 1, VELOCITY);
        }
        Vec3 pointing = heading.length() > 0 ? heading : count == 0 ? Vec3.ZERO : entry(count - 1, HEADING);
        add(step, order, place, velocity == null ? Vec3.ZERO : velocity, pointing, way, gone);
    }

    /** Lets it rest where it is: what is gone moves no more. */
    public void rest(int step, long order) {
        if (count > 0) {
            int last = count - 1;
            add(step, order, at(last, step), Vec3.ZERO, entry(last, HEADING), Vec3.ZERO, gone(last, step));
        }
    }

    private void add(int step, long order, Vec3 place, Vec3 drift, Vec3 heading, Vec3 velocity, double gone) {
        if (count == 0 || steps[count - 1] != step || orders[count - 1] != order) {
            if (count == 0) {
                first = order;
            }
            if (count == most) {
                int kept = most / 2;
                System.arraycopy(steps, count - kept, steps, 0, kept);
                System.arraycopy(orders, count - kept, orders, 0, kept);
                System.arraycopy(told, (count - kept) * NUMBERS, told, 0, kept * NUMBERS);
                count = kept;
            } else if (count == steps.length) {
                steps = Arrays.copyOf(steps, count * 2);
                orders = Arrays.copyOf(orders, count * 2);
                told = Arrays.copyOf(told, count * 2 * NUMBERS);
            }
            count++;
        }
        steps[count - 1] = step;
        orders[count - 1] = order;
        int i = (count - 1) * NUMBERS;
        write(i, place);
        write(i + DRIFT, drift);
        write(i + HEADING, heading);
        write(i + VELOCITY, velocity);
        told[i + GONE] = gone;
    }

    private void write(int i, Vec3 v) {
        told[i] = v.x();
        told[i + 1] = v.y();
        told[i + 2] = v.z();
    }

    private Vec3 entry(int index, int what) {
        int i = index * NUMBERS + what;
        return new Vec3(told[i], told[i + 1], told[i + 2]);
    }

    /** Tells whether anything was told of it before a beginning. */
    boolean knownBefore(long beginning) {
        return count > 0 && first < beginning;
    }

    public boolean known() {
        return count > 0;
    }

    /** Returns the entry that a step sees: the last told before it, or the oldest there is. */
    int seenBy(int step) {
        int i = count - 1;
        while (i > 0 && steps[i] >= step) {
            i--;
        }
        return i;
    }

    /** Returns the entry that a beginning sees: the last told before it, or the oldest there is. */
    public int knownTo(long beginning) {
        int i = count - 1;
        while (i > 0 && orders[i] >= beginning) {
            i--;
        }
        return i;
    }

    /** Returns where an entry says that it is on a step. */
    public Vec3 at(int entry, int step) {
        double seconds = seconds(entry, step);
        return entry(entry, 0).plus(entry(entry, DRIFT).times(seconds));
    }

    /** Writes the same. */
    public void at(int entry, int step, double[] out) {
        int i = entry * NUMBERS;
        double seconds = seconds(entry, step);
        for (int axis = 0; axis < 3; axis++) {
            out[axis] = told[i + axis] + told[i + DRIFT + axis] * seconds;
        }
    }

    private double seconds(int entry, int step) {
        return Math.max(0, (double) step - steps[entry]) / stepsPerSecond;
    }

    /** Returns how many units it had come by a step. */
    double gone(int entry, int step) {
        int i = entry * NUMBERS;
        double drift = Math.sqrt(told[i + DRIFT] * told[i + DRIFT]
                + told[i + DRIFT + 1] * told[i + DRIFT + 1]
                + told[i + DRIFT + 2] * told[i + DRIFT + 2]);
        return told[i + GONE] + drift * seconds(entry, step);
    }

    Vec3 velocity(int entry) {
        return entry(entry, VELOCITY);
    }

    /** Returns which way it points, of length 1; the way it moves if it was never told, +x if it does not move. */
    public Vec3 heading(int entry) {
        Vec3 pointing = entry(entry, HEADING);
        return pointing.length() > 0 ? pointing : velocity(entry).directionOr(Vec3.RIGHT);
    }
}
