package bellrope.core.sim;

import bellrope.core.effect.Birth;
import bellrope.core.effect.Burst;
import bellrope.core.effect.Course;
import bellrope.core.effect.Stream;
import bellrope.core.value.Pace;
import java.util.List;
import java.util.OptionalInt;

/**
 * When an emitter gives birth, in whole steps after its effect began.
 *
 * <p>A burst at a time is born on the first step at or after it. A stream begins on such a step too; particle
 * <i>n</i> of an even one is born on the first step at or after n / rate from there. Where the rate changes, particle
 * <i>n</i> comes when the rate has added up to n + ½ (midpoint rule, a step at a time), so that nothing is born while it
 * is 0. A looping effect repeats both each period; what lasts longer than the period is cut to it.
 */
public final class Schedule {
    private static final int ENDLESS = Integer.MAX_VALUE;

    private final int[][] burstSteps;
    private final int period;
    private final int streamStart;
    private final int streamTotal;
    private final double perStep;
    private final double[] added;
    private final int lastOfOne;
    private final int lastTravel;
    private final int delay;

    public Schedule(Birth birth, Course course, Pace pace) {
        delay = pace.stepsAt(birth.delay());
        List<Burst> bursts = birth.bursts();
        burstSteps = new int[bursts.size()][];
        int last = 0;
        for (int i = 0; i < burstSteps.length; i++) {
            Burst burst = bursts.get(i);
            burstSteps[i] = new int[burst.times()];
            for (int j = 0; j < burst.times(); j++) {
                burstSteps[i][j] = delay + pace.stepsAt(burst.at() + j * burst.pause());
                last = Math.max(last, burstSteps[i][j]);
            }
        }
        int duration = Math.max(1, pace.stepsAt(course.duration()));
        period = course.looping() ? duration : 0;
        if (birth.stream().isPresent()) {
            Stream stream = birth.stream().get();
            perStep = stream.perSecond() / pace.stepsPerSecond();
            streamStart = delay + pace.stepsAt(stream.from());
            double lasting = stream.lasting()
                    .orElse(
                            course.looping()
                                    ? Double.POSITIVE_INFINITY
                                    : Math.max(0, course.duration() - stream.from()));
            if (period > 0 && (stream.lasting().isPresent() || !stream.even())) {
                lasting = Math.min(lasting, pace.seconds(period));
            }
            if (stream.even()) {
                added = null;
                double total = Math.ceil(lasting * stream.perSecond() - 1e-9);
                streamTotal = total >= ENDLESS ? ENDLESS : (int) total;
                if (streamTotal != ENDLESS && streamTotal > 0) {
                    last = Math.max(last, streamStart + (int) Math.ceil((streamTotal - 1) / perStep - 1e-9));
                }
            } else {
                int steps = pace.stepsAt(lasting);
                added = new double[steps + 1];
                for (int i = 0; i < steps; i++) {
                    double at = (streamStart - delay + i + 0.5) / duration;
                    added[i + 1] =
                            added[i] + perStep * Math.max(0, stream.over().at(period > 0 ? at % 1 : at));
                }
                streamTotal = (int) Math.floor(added[steps] + 0.5);
                last = Math.max(last, streamStart + steps);
            }
        } else {
            perStep = 0;
            streamStart = 0;
            streamTotal = 0;
            added = null;
        }
        lastTravel = birth.perUnit().isEmpty() ? -1 : period > 0 ? ENDLESS : delay + duration;
        lastOfOne = Math.max(last, lastTravel == ENDLESS ? 0 : lastTravel);
    }

    /** Returns the step of the last birth; empty when births go on for as long as the effect runs. */
    public OptionalInt lastBirth() {
        return period > 0 ? OptionalInt.empty() : OptionalInt.of(lastOfOne);
    }

    /** Returns how often burst {@code index} comes in one cycle. */
    int times(int index) {
        return burstSteps[index].length;
    }

    /** Tells whether the {@code nth} coming of burst {@code index} is on a step. */
    boolean fires(int index, int nth, int step) {
        int since = step - burstSteps[index][nth];
        return since == 0 || period > 0 && since > 0 && since % period == 0;
    }

    /** Returns the address of a coming that is on a step: no two of a burst share one. */
    int cycle(int index, int nth, int step) {
        int loop = period > 0 ? (step - burstSteps[index][nth]) / period : 0;
        return loop * burstSteps[index].length + nth;
    }

    int streamCycle(int step) {
        return endlessStream() || period == 0 ? 0 : Math.max(0, step - streamStart) / period;
    }

    /** Returns how many the stream has borne in this cycle before a step. */
    int streamBefore(int step) {
        return upTo(within(step) - 1);
    }

    /** Returns how many the stream has borne in this cycle once a step is over. */
    int streamAfter(int step) {
        return upTo(within(step));
    }

    /** Tells whether particles are borne by the way that the source travels on a step. */
    boolean travels(int step) {
        return step > delay && step <= lastTravel;
    }

    private int within(int step) {
        int since = step - streamStart;
        return since < 0 || endlessStream() || period == 0 ? since : since % period;
    }

    private boolean endlessStream() {
        return streamTotal == ENDLESS;
    }

    private int upTo(int step) {
        if (step < 0 || streamTotal == 0) {
            return 0;
        }
        return added == null
                ? (int) Math.min(streamTotal, Math.floor(step * perStep + 1e-9) + 1)
                : (int) Math.min(streamTotal, Math.floor(added[Math.min(step, added.length - 1)] + 0.5));
    }
}
