package bellrope.core.value;

import java.util.List;

/** The checks that values make of themselves. Every method returns what it was given, or throws {@link Refused}. */
public final class Demand {
    /** Longest name of anything, in characters. */
    public static final int LONGEST_NAME = 80;

    private Demand() {}

    /** Demands something that must not be left out. */
    public static <T> T given(String place, T value, String allowed) {
        if (value == null) {
            throw new Refused(place, "missing", allowed);
        }
        return value;
    }

    public static double finite(String place, double value) {
        if (!Double.isFinite(value)) {
            throw new Refused(place, Words.number(value), "a finite number");
        }
        return value;
    }

    public static double within(String place, double value, double least, double most) {
        finite(place, value);
        if (value < least || value > most) {
            throw new Refused(
                    place, Words.number(value), "a number from " + Words.number(least) + " to " + Words.number(most));
        }
        return value;
    }

    public static int within(String place, int value, int least, int most) {
        if (value < least || value > most) {
            throw new Refused(place, Integer.toString(value), "a whole number from " + least + " to " + most);
        }
        return value;
    }

    /** Demands both ends of a range to lie from {@code least} to {@code most}. */
    public static Range within(String place, Range range, double least, double most) {
        // The places are put together only where something is wrong: parts are made anew for each instance that is fed.
        if (range.least() >= least && range.most() <= most) {
            return range;
        }
        within(place + "/least", range.least(), least, most);
        within(place + "/most", range.most(), least, most);
        return range;
    }

    /** Demands every axis to lie from {@code −most} to {@code most}. */
    public static Vec3 within(String place, Vec3 v, double most) {
        return within(place, v, -most, most);
    }

    /** Demands every axis to lie from {@code least} to {@code most}. */
    public static Vec3 within(String place, Vec3 v, double least, double most) {
        boolean inside = v.x() >= least && v.x() <= most && v.y() >= least && v.y() <= most;
        if (inside && v.z() >= least && v.z() <= most) {
            return v;
        }
        within(place + "/0", v.x(), least, most);
        within(place + "/1", v.y(), least, most);
        within(place + "/2", v.z(), least, most);
        return v;
    }

    /** Demands every key to have a value from {@code least} to {@code most}. */
    public static Curve within(String place, Curve curve, double least, double most) {
        for (int i = 0; i < curve.keys().size(); i++) {
            double value = curve.keys().get(i).value();
            if (value >= least && value <= most) {
                continue;
            }
            within(place + "/" + i + "/value", curve.keys().get(i).value(), least, most);
        }
        return curve;
    }

    public static double above(String place, double value, double bound) {
        finite(place, value);
        if (value <= bound) {
            throw new Refused(place, Words.number(value), "a number above " + Words.number(bound));
        }
        return value;
    }

    public static String name(String place, String value) {
        if (plain(value)) {
            return value;
        }
        if (value == null || value.isBlank() || !value.equals(value.strip())) {
            throw new Refused(place, '"' + String.valueOf(value) + '"', "a name without space at its ends");
        }
        if (value.length() > LONGEST_NAME) {
            throw new Refused(place, value.length() + " characters", "at most " + LONGEST_NAME);
        }
        whole(place, value);
        if (value.chars().anyMatch(c -> c < ' ' || c == '/')) {
            throw new Refused(place, '"' + value + '"', "a name without slashes or control characters");
        }
        return value;
    }

    // Printable ASCII without what needs a closer look: nearly every name.
    private static boolean plain(String value) {
        int length = value == null ? 0 : value.length();
        if (length == 0 || length > LONGEST_NAME || value.charAt(0) == ' ' || value.charAt(length - 1) == ' ') {
            return false;
        }
        for (int i = 0; i < length; i++) {
            char c = value.charAt(i);
            if (c < ' ' || c > '~' || c == '/') {
                return false;
            }
        }
        return true;
    }

    /** Demands a text that has no half of a character in it, which no file could keep. */
    public static String whole(String place, String value) {
        String right = Words.whole(value);
        if (!right.equals(value)) {
            throw new Refused(place, "half of a character in \"" + right + "\"", "whole characters");
        }
        return value;
    }

    /** Demands a list of limited length and returns it as an immutable copy. */
    public static <T> List<T> atMost(String place, List<T> list, int most) {
        if (list.size() > most) {
            throw new Refused(place, list.size() + " of them", "at most " + most);
        }
        return List.copyOf(list);
    }
}
