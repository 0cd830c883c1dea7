package bellrope.core.sim;

import bellrope.core.effect.Birth;
import bellrope.core.effect.Burst;
import bellrope.core.effect.Stream;
import bellrope.core.value.Pace;
import java.util.List;
import java.util.OptionalDouble;
import java.util.OptionalInt;

/**
 * When an emitter gives birth, in whole steps after its effect began.
 *
 * <p>A burst at a time is born on the first step at or after it. A stream begins on such a step too; its particle
 * <i>n</i> is born on the first step at or after n / rate from there. A looping effect repeats both each period; a stream
 * longer than the period is cut to it.
 */
public final class Schedule {
    private static final int ENDLESS = Integer.MAX_VALUE;

    private final int[] burstSteps;
    private final int period;
    private final int streamStart;
    private final int streamTotal;
    private final double perStep;
    private final OptionalInt lastBirth;

    public Schedule(Birth birth, OptionalDouble periodSeconds, Pace pace) {
        List<Burst> bursts = birth.bursts();
        burstSteps = new int[bursts.size()];
        int last = 0;
        for (int i = 0; i < burstSteps.length; i++) {
            burstSteps[i] = pace.stepsAt(bursts.get(i).at());
            last = Math.max(last, burstSteps[i]);
        }
        period = periodSeconds.isPresent() ? Math.max(1, pace.stepsAt(periodSeconds.getAsDouble())) : 0;
        if (birth.stream().isPresent()) {
            Stream stream = birth.stream().get();
            perStep = stream.perSecond() / pace.stepsPerSecond();
            streamStart = pace.stepsAt(stream.from());
            double lasting = stream.lasting().orElse(Double.POSITIVE_INFINITY);
            if (period > 0 && stream.lasting().isPresent()) {
                lasting = Math.min(lasting, pace.seconds(period));
            }
            double total = Math.ceil(lasting * stream.perSecond() - 1e-9);
            streamTotal = total >= ENDLESS ? ENDLESS : (int) total;
            if (streamTotal != ENDLESS) {
                last = Math.max(last, streamStart + (int) Math.ceil((streamTotal - 1) / perStep - 1e-9));
            }
        } else {
            perStep = 0;
            streamStart = 0;
            streamTotal = 0;
        }
        lastBirth = period > 0 ? OptionalInt.empty() : OptionalInt.of(last);
    }

    /** Returns the step of the last birth; empty when births go on for as long as the effect runs. */
    public OptionalInt lastBirth() {
        return lastBirth;
    }

    /** Tells whether burst {@code index} fires on a step. */
    boolean fires(int index, int step) {
        int since = step - burstSteps[index];
        return since == 0 || period > 0 && since > 0 && since % period == 0;
    }

    /** Returns in which cycle burst {@code index} is on a step on which it fires. */
    int cycle(int index, int step) {
        return period > 0 ? (step - burstSteps[index]) / period : 0;
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

    private int within(int step) {
        int since = step - streamStart;
        return since < 0 || endlessStream() || period == 0 ? since : since % period;
    }

    private boolean endlessStream() {
        return streamTotal == ENDLESS;
    }

    private int upTo(int step) {
        return step < 0 || perStep == 0 ? 0 : (int) Math.min(streamTotal, Math.floor(step * perStep + 1e-9) + 1);
    }
}
