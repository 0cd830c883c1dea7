package bellrope.core.stage.play;

import bellrope.core.effect.Parameter;
import bellrope.core.value.Datum;
import java.util.Arrays;

/**
 * What game code set one parameter of one instance to, as a short history, so that {@link Stage#retune} finds it again.
 * Setting allocates nothing but what the history grows by, to at most {@value #MOST} steps.
 */
public final class Hand {
    private static final int MOST = 1024;

    private final String parameter;
    private int[] steps = new int[64];
    private double[] positions = new double[64];
    private Datum[] others;
    private int count;

    Hand(Parameter parameter) {
        this.parameter = parameter.name();
    }

    String parameter() {
        return parameter;
    }

    /** Notes a number; what is set twice on one step is what was set last. */
    public void set(int step, double position) {
        // The place first: finding it may replace the arrays.
        int at = place(step);
        positions[at] = position;
        if (others != null) {
            others[at] = null;
        }
    }

    /** Notes a vector or a colour. */
    public void set(int step, Datum value) {
        int at = place(step);
        if (others == null || others.length < positions.length) {
            others = others == null ? new Datum[positions.length] : Arrays.copyOf(others, positions.length);
        }
        others[at] = value;
        positions[at] = 0;
    }

    private int place(int step) {
        if (count > 0 && steps[count - 1] == step) {
            return count - 1;
        }
        if (count == MOST) {
            int half = MOST / 2;
            System.arraycopy(steps, half, steps, 0, half);
            System.arraycopy(positions, half, positions, 0, half);
            if (others != null) {
                System.arraycopy(others, half, others, 0, half);
            }
            count = half;
        } else if (count == steps.length) {
            steps = Arrays.copyOf(steps, count * 2);
            positions = Arrays.copyOf(positions, count * 2);
            others = others == null ? null : Arrays.copyOf(others, count * 2);
        }
        steps[count] = step;
        return count++;
    }

    private int at(int step) {
        int i = count - 1;
        while (i >= 0 && steps[i] >= step) {
            i--;
        }
        return i;
    }

    /** Returns the position that a step sees; NaN before the first. */
    double seenBy(int step) {
        int at = at(step);
        return at < 0 ? Double.NaN : positions[at];
    }

    /** Returns the vector or colour that a step sees; null before the first. */
    Datum valueSeenBy(int step) {
        int at = at(step);
        return at < 0 || others == null ? null : others[at];
    }
}
