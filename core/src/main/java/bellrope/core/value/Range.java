package bellrope.core.value;

/**
 * A least and a most, both included; values between are equally likely.
 *
 * @param least finite, at or below {@code most}
 * @param most finite
 */
public record Range(double least, double most) {
    public static final Range ZERO = new Range(0, 0);
    public static final Range ONE = new Range(1, 1);

    public Range {
        Demand.finite("least", least);
        Demand.finite("most", most);
        if (least > most) {
            throw new Refused(
                    "", Words.number(least) + " to " + Words.number(most), "the minimum must not be above the maximum");
        }
    }

    public static Range of(double value) {
        return new Range(value, value);
    }

    /** Returns the value a fraction of the way from least to most. */
    public double at(double fraction) {
        return least + (most - least) * fraction;
    }

    public double middle() {
        return at(0.5);
    }

    /** Returns this range multiplied; a negative factor swaps the ends. */
    public Range times(double factor) {
        double a = least * factor;
        double b = most * factor;
        return new Range(Math.min(a, b), Math.max(a, b));
    }

    public Range plus(double amount) {
        return new Range(least + amount, most + amount);
    }

    /** Returns this range with both ends held inside {@code bounds}. */
    public Range heldIn(double lowest, double highest) {
        return new Range(Math.min(highest, Math.max(lowest, least)), Math.min(highest, Math.max(lowest, most)));
    }
}
