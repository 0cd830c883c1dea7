package bellrope.core.value;

import java.util.OptionalDouble;
import java.util.OptionalInt;

/**
 * Between which numbers a setting lies. Each stands once, beside the record that keeps to it; the schema of files takes it
 * from there.
 *
 * @param least smallest number; not itself allowed where {@code above}
 * @param most highest number, allowed
 */
public record Bounds(double least, double most, boolean above) {
    /** From one number to another, both allowed. */
    public static Bounds of(double least, double most) {
        return new Bounds(least, most, false);
    }

    /** More than one number, up to another. */
    public static Bounds above(double least, double most) {
        return new Bounds(least, most, true);
    }

    /** As far one way as the other. */
    public static Bounds around(double most) {
        return new Bounds(-most, most, false);
    }

    /** Returns the nearest number that is allowed, a millionth above a bound that is not. */
    public double held(double value) {
        return Math.min(most, Math.max(above ? least + 1e-6 : least, value));
    }

    /** Demands a number to lie here. The place is told where it does not. */
    public double check(String place, double value) {
        if (above) {
            Demand.above(place, value, least);
        }
        return Demand.within(place, value, least, most);
    }

    public int check(String place, int value) {
        return Demand.within(place, value, (int) least, (int) most);
    }

    public void check(String place, OptionalDouble value) {
        if (value.isPresent()) {
            check(place, value.getAsDouble());
        }
    }

    public void check(String place, OptionalInt value) {
        if (value.isPresent()) {
            check(place, value.getAsInt());
        }
    }

    /** Demands both ends of a range to lie here. */
    public Range check(String place, Range range) {
        if (above && range.least() <= least) {
            Demand.above(place + "/least", range.least(), least);
        }
        return Demand.within(place, range, least, most);
    }

    /** Demands every axis to lie here. */
    public Vec3 check(String place, Vec3 v) {
        if (above && Math.min(v.x(), Math.min(v.y(), v.z())) <= least) {
            Demand.above(place + "/0", v.x(), least);
            Demand.above(place + "/1", v.y(), least);
            Demand.above(place + "/2", v.z(), least);
        }
        return Demand.within(place, v, least, most);
    }

    /** Demands every key to have a value from here. */
    public Curve check(String place, Curve curve) {
        return Demand.within(place, curve, least, most);
    }
}
