package bellrope.core.value;

/**
 * How one number becomes another: where it lies in {@code in}, as a share from 0 to 1, is shaped and carried onto {@code
 * from … to}.
 *
 * @param in the least below the most
 * @param from the result at the least of {@code in}
 * @param to the result at the most of {@code in}; may be below {@code from}
 * @param clamp whether what lies outside {@code in} counts as its nearer end; otherwise it goes on evenly
 * @param shape the share that each share becomes; straight unless drawn otherwise
 */
public record Remap(Range in, double from, double to, boolean clamp, Curve shape) {
    public static final Bounds SHAPE = Bounds.around(10);

    /** The shape that changes nothing. */
    public static final Curve STRAIGHT = Curve.through(0, 0, 1, 1);

    public Remap {
        Demand.finite("from", from);
        Demand.finite("to", to);
        if (in.least() >= in.most()) {
            throw new Refused(
                    "in",
                    Words.number(in.least()) + " to " + Words.number(in.most()),
                    "the minimum must be below the maximum");
        }
        SHAPE.check("shape", shape);
    }

    /** Straight and clamped. */
    public Remap(Range in, double from, double to) {
        this(in, from, to, true, STRAIGHT);
    }

    /** Returns what a number becomes. */
    public double value(double given) {
        double share = (given - in.least()) / (in.most() - in.least());
        double inside = Math.min(1, Math.max(0, share));
        double shaped = straight() ? inside : shape.at(inside);
        double carried = clamp ? shaped : shaped + (share - inside);
        // The far end is met to the last bit.
        return carried == 1 ? to : from + (to - from) * carried;
    }

    public boolean straight() {
        return shape.equals(STRAIGHT);
    }

    /** Returns the least and the most that it gives for numbers of {@code in}, to a 64th of the way. */
    public Range out() {
        if (straight()) {
            return new Range(Math.min(from, to), Math.max(from, to));
        }
        double least = Double.POSITIVE_INFINITY;
        double most = Double.NEGATIVE_INFINITY;
        for (int i = 0; i <= 64; i++) {
            double value = from + (to - from) * shape.at(i / 64.0);
            least = Math.min(least, value);
            most = Math.max(most, value);
        }
        return new Range(least, most);
    }
}
