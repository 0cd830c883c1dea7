package bellrope.core.rope;

import bellrope.core.value.Bounds;
import bellrope.core.value.Datum;
import bellrope.core.value.Demand;
import bellrope.core.value.Exact;
import bellrope.core.value.Range;
import bellrope.core.value.Refused;
import bellrope.core.value.Remap;
import java.util.Optional;

/**
 * How a value drives a parameter.
 *
 * @param remap what a number becomes on its way; empty to hand the value on as it is, which is all that flags, words,
 *     vectors and colours can do
 * @param follow how quickly it follows what changes
 */
public record Feed(String parameter, Source source, Optional<Remap> remap, Follow follow) {
    /**
     * How a feed follows a source that changes: a lag of first order, y′ = (x − y) / τ, which has covered 1 − e^(−t/τ) of the
     * way t seconds after a step; solved exactly from one step to the next.
     *
     * @param rise τ in seconds while the value goes up, 0 to 60; 0 follows at once
     * @param fall τ in seconds while it goes down
     * @param every seconds between two looks at the source, 0 to 10; 0 looks at every step
     */
    public record Follow(double rise, double fall, double every) {
        public static final Bounds RISE = Bounds.of(0, 60);
        public static final Bounds FALL = Bounds.of(0, 60);
        public static final Bounds EVERY = Bounds.of(0, 10);

        public static final Follow AT_ONCE = new Follow(0, 0, 0);

        public Follow {
            RISE.check("rise", rise);
            FALL.check("fall", fall);
            EVERY.check("every", every);
        }

        /**
         * Returns where a value is after a while.
         *
         * @param before where it was
         * @param towards what it followed meanwhile
         * @param seconds how long
         */
        public double after(double before, double towards, double seconds) {
            double tau = towards > before ? rise : fall;
            return tau == 0 ? towards : towards + (before - towards) * Exact.exp(-seconds / tau);
        }
    }

    public Feed {
        Demand.name("parameter", parameter);
        if (!follow.equals(Follow.AT_ONCE) && !source.changes()) {
            throw new Refused(
                    "follow", "a lag behind " + source.words(), "none; what comes once has nothing to be late for");
        }
        if (!follow.equals(Follow.AT_ONCE) && remap.isEmpty()) {
            throw new Refused("remap", "none", "one, because only numbers can lag");
        }
        Optional<Refused> wrong = source.match(
                payload -> Optional.empty(),
                channel -> Optional.empty(),
                held -> Optional.empty(),
                since -> Optional.empty(),
                constant -> remap.map(
                        r -> new Refused("out", "a remap of what stays the same", "none; the constant is the value")),
                random -> remap.isPresent()
                        ? Optional.empty()
                        : Optional.of(new Refused("out", "none", "a pair: the minimum and the maximum that are drawn")),
                other -> other.parameter().equals(parameter)
                        ? Optional.of(
                                new Refused("from", '"' + parameter + '"', "another parameter than the one it drives"))
                        : Optional.empty());
        if (wrong.isPresent()) {
            throw wrong.get();
        }
    }

    /** A number carried evenly onto others, clamped. */
    public Feed(String parameter, Source source, Range in, double from, double to) {
        this(parameter, source, Optional.of(new Remap(in, from, to)), Follow.AT_ONCE);
    }

    /** From a field of the payload. */
    public Feed(String parameter, String field, Range in, double from, double to) {
        this(parameter, new Source.Payload(field), in, from, to);
    }

    /** The same value whatever comes. */
    public static Feed constant(String parameter, Datum value) {
        return new Feed(parameter, new Source.Constant(value), Optional.empty(), Follow.AT_ONCE);
    }

    /** Returns what a number of the source becomes. */
    public double value(double given) {
        return remap.map(r -> r.value(given)).orElse(given);
    }

    /** Returns what a value of the source becomes; empty where a remap meets what is no number. */
    public Optional<Datum> value(Datum given) {
        if (remap.isEmpty()) {
            return Optional.of(given);
        }
        return given instanceof Datum.Num num && !Double.isNaN(value(num.value()))
                ? Optional.of(new Datum.Num(value(num.value())))
                : Optional.empty();
    }

    /** Tells whether its value may change while an instance plays. */
    public boolean continuous() {
        return source.changes();
    }

    public Feed from(Source other) {
        return new Feed(parameter, other, remap, follow);
    }

    public Feed onto(String other) {
        return new Feed(other, source, remap, follow);
    }
}
