package bellrope.core.sim;

import bellrope.core.effect.Birth;
import bellrope.core.effect.Burst;
import bellrope.core.effect.Course;
import bellrope.core.effect.Stream;
import bellrope.core.value.Curve;
import bellrope.core.value.Pace;
import java.util.List;
import java.util.OptionalDouble;

/**
 * When an emitter gives birth, in steps after its effect began; these times may lie between two steps.
 *
 * <p>The idea: everything is counted up to a step, and what is due on a step is the difference of two counts. So nothing is
 * remembered, nothing is rounded to a step, and the average rate is the authored one at any pace. Particle <i>n</i> of an
 * even stream is born n / rate after its start. Where the rate changes, particle <i>n</i> comes when the rate has added up to
 * n + ½ (midpoint rule over whole steps, evenly in between), so that nothing is born while it is 0. A looping effect repeats
 * both each period; what lasts longer than the period is cut to it. A birth at exactly the end of a stream does not count.
 */
public final class Schedule {
    /** Stands for a stream that goes on for as long as its loop runs. */
    public static final long ENDLESS = Long.MAX_VALUE;

    /** Steps that are forgiven, so that rounding does not push a birth over the edge of a step. */
    private static final double FORGIVEN = 1e-9;

    private final double[][] burstAt;
    private final double period;
    private final double streamStart;
    private final long perCycle;
    private final double perStep;
    // What the rate has added up to after so many whole steps of a stream that changes; null for an even one.
    private final double[] added;
    private final double lasting;
    private final double travelFrom;
    private final double travelUntil;
    private final double last;

    public Schedule(Birth birth, Course course, Pace pace) {
        this(birth, course, (double) pace.stepsPerSecond());
    }

    /** @param stepsPerSecond how many steps one of the emitter's seconds takes */
    Schedule(Birth birth, Course course, double stepsPerSecond) {
        double delay = birth.delay() * stepsPerSecond;
        double duration = course.duration() * stepsPerSecond;
        period = course.looping() ? duration : 0;
        List<Burst> bursts = birth.bursts();
        burstAt = new double[bursts.size()][];
        double latest = 0;
        for (int i = 0; i < burstAt.length; i++) {
            Burst burst = bursts.get(i);
            burstAt[i] = new double[burst.times()];
            for (int j = 0; j < burst.times(); j++) {
                burstAt[i][j] = delay + (burst.at() + j * burst.pause()) * stepsPerSecond;
                latest = Math.max(latest, burstAt[i][j]);
            }
        }
        Stream stream = birth.stream().orElse(null);
        if (stream == null) {
            streamStart = 0;
            perStep = 0;
            perCycle = 0;
            added = null;
            lasting = 0;
        } else {
            perStep = stream.perSecond() / stepsPerSecond;
            streamStart = delay + stream.from() * stepsPerSecond;
            lasting = lasting(stream, course) * stepsPerSecond;
            if (Double.isInfinite(lasting)) {
                added = null;
                perCycle = ENDLESS;
            } else if (stream.even()) {
                added = null;
                perCycle = (long) Math.ceil(lasting * perStep - FORGIVEN);
            } else {
                added = added(stream.over(), streamStart - delay, duration, lasting, perStep, period > 0);
                perCycle = (long) Math.floor(added[added.length - 1] + 0.5 - FORGIVEN);
            }
            if (perCycle > 0 && perCycle != ENDLESS) {
                latest = Math.max(latest, streamTime(perCycle - 1));
            }
        }
        travelFrom = delay;
        travelUntil =
                birth.perUnit().isEmpty() ? Double.NEGATIVE_INFINITY : period > 0 ? Double.MAX_VALUE : delay + duration;
        last = Math.max(latest, period > 0 ? 0 : travelUntil);
    }

    // Seconds; infinite for a stream that runs for as long as its loop does.
    private static double lasting(Stream stream, Course course) {
        if (course.looping()) {
            boolean endless = stream.lasting().isEmpty() && stream.even();
            return endless
                    ? Double.POSITIVE_INFINITY
                    : Math.min(course.duration(), stream.lasting().orElse(course.duration()));
        }
        return stream.lasting().orElse(Math.max(0, course.duration() - stream.from()));
    }

    private static double[] added(
            Curve over, double from, double duration, double lasting, double perStep, boolean loops) {
        int cells = (int) Math.max(1, Math.ceil(lasting - FORGIVEN));
        double[] added = new double[cells + 1];
        for (int i = 0; i < cells; i++) {
            double width = Math.min(1, lasting - i);
            double at = (from + i + width / 2) / duration;
            added[i + 1] = added[i] + perStep * width * Math.max(0, over.at(loops ? at % 1 : at));
        }
        return added;
    }

    /** Returns the time of the last birth, in steps; empty when births go on for as long as the effect runs. */
    public OptionalDouble lastBirth() {
        return period > 0 ? OptionalDouble.empty() : OptionalDouble.of(last);
    }

    /** Returns how often burst {@code index} comes in one cycle. */
    int times(int index) {
        return burstAt[index].length;
    }

    /** Returns in how many cycles the {@code nth} coming of burst {@code index} is due by a step. */
    int cycles(int index, int nth, double step) {
        double since = step - burstAt[index][nth] + FORGIVEN;
        if (since < 0) {
            return 0;
        }
        return period > 0 ? 1 + (int) Math.floor(since / period) : 1;
    }

    /** Returns when a coming of a burst is due in a cycle, in steps. */
    double burstTime(int index, int nth, int cycle) {
        return burstAt[index][nth] + cycle * period;
    }

    /** Returns the address of a coming in a cycle: no two of a burst share one. */
    int address(int index, int nth, int cycle) {
        return cycle * burstAt[index].length + nth;
    }

    /** Returns how many the stream spawns in one pull or one cycle, or {@link #ENDLESS}. */
    public long streamedInACycle() {
        return perCycle;
    }

    /** Returns how many the stream has born by a step, all cycles together. */
    long streamed(double step) {
        double since = step - streamStart;
        if (since < -FORGIVEN || perCycle == 0) {
            return 0;
        }
        if (perCycle == ENDLESS || period == 0) {
            return within(since);
        }
        long cycle = (long) Math.floor((since + FORGIVEN) / period);
        return cycle * perCycle + within(since - cycle * period);
    }

    // By a time after the beginning of a cycle, at least 0 but for rounding.
    private long within(double since) {
        if (added == null) {
            return Math.min(perCycle, (long) Math.floor(since * perStep + FORGIVEN) + 1);
        }
        double at = Math.max(0, Math.min(since, lasting));
        int cell = (int) Math.min(added.length - 2, Math.floor(at));
        double width = Math.min(1, lasting - cell);
        double sum = added[cell] + (added[cell + 1] - added[cell]) * Math.min(1, (at - cell) / width);
        return Math.min(perCycle, (long) Math.floor(sum + 0.5 + FORGIVEN));
    }

    /** Returns in which cycle the stream spawns its {@code nth} particle, counted over all cycles. */
    int streamCycle(long nth) {
        return perCycle == ENDLESS || period == 0 ? 0 : (int) (nth / perCycle);
    }

    /** Returns the number of that particle within its cycle. */
    int streamNumber(long nth) {
        return perCycle == ENDLESS || period == 0 ? (int) nth : (int) (nth % perCycle);
    }

    /** Returns when the stream spawns that particle, in steps. */
    double streamTime(long nth) {
        double begun = streamStart + streamCycle(nth) * period;
        int number = streamNumber(nth);
        if (added == null) {
            return begun + number / perStep;
        }
        double wanted = number + 0.5;
        int low = 0;
        int high = added.length - 1;
        while (high - low > 1) {
            int middle = (low + high) >>> 1;
            if (added[middle] < wanted) {
                low = middle;
            } else {
                high = middle;
            }
        }
        double gained = added[high] - added[low];
        double width = Math.min(1, lasting - low);
        return begun + low + (gained > 0 ? width * Math.max(0, (wanted - added[low]) / gained) : width);
    }

    /** Tells whether a particle may be born by the way that the source travels at a time in steps. */
    boolean travels(double time) {
        return time > travelFrom - FORGIVEN && time < travelUntil - FORGIVEN;
    }

    /** Tells whether anything may be born by the way in the step that ends with {@code step}. */
    boolean travelling(double step) {
        return step > travelFrom && step - 1 < travelUntil;
    }
}
