package bellrope.core.value;

import java.util.function.IntToDoubleFunction;

/** Choices of which some are likelier than others. */
public final class Weights {
    public static final Bounds WEIGHT = Bounds.above(0, 1000);

    private Weights() {}

    /** Checks how likely a choice is beside the others: above 0 to 1,000. */
    public static void demand(String place, double weight) {
        WEIGHT.check(place, weight);
    }

    /** Returns which of so many choices a share from 0 to 1 falls to. */
    public static int choice(int count, IntToDoubleFunction weight, double share) {
        double sum = 0;
        for (int i = 0; i < count; i++) {
            sum += weight.applyAsDouble(i);
        }
        double left = share * sum;
        int i = 0;
        while (i < count - 1 && left >= weight.applyAsDouble(i)) {
            left -= weight.applyAsDouble(i++);
        }
        return i;
    }
}
