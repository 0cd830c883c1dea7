package bellrope.core.value;

import java.util.function.Function;

/** How a value travels from one key to the next: progress 0 to 1 against time 0 to 1. */
public sealed interface Ease {
    Ease LINEAR = new Linear();
    Ease HOLD = new Hold();
    // The named presets of W3C CSS Easing Functions Level 1.
    Ease EASE = new CubicBezier(0.25, 0.1, 0.25, 1);
    Ease EASE_IN = new CubicBezier(0.42, 0, 1, 1);
    Ease EASE_OUT = new CubicBezier(0, 0, 0.58, 1);
    Ease EASE_IN_OUT = new CubicBezier(0.42, 0, 0.58, 1);

    /** Returns the progress at a time from 0 to 1. */
    double at(double time);

    /** A function for each kind. */
    record Cases<R>(
            Function<Linear, R> linear,
            Function<Hold, R> hold,
            Function<CubicBezier, R> bezier,
            Function<Spline, R> spline,
            Function<Steps, R> steps) {}

    /** Returns what the function of its kind makes of it. */
    <R> R match(Cases<R> cases);

    /**
     * A cubic through both keys with slopes of its own: the Hermite form of the Khronos glTF 2.0 specification, appendix
     * on the cubic spline sampler. How it runs depends on the keys' values, see {@link Curve#at}.
     *
     * @param out slope on leaving this key, value per whole fraction
     * @param in slope on reaching the next
     */
    record Spline(double out, double in) implements Ease {
        public static final Bounds OUT = Bounds.around(100_000);
        public static final Bounds IN = Bounds.around(100_000);

        public Spline {
            OUT.check("out", out);
            IN.check("in", in);
        }

        @Override
        public <R> R match(Cases<R> cases) {
            return cases.spline().apply(this);
        }

        /** Returns progress between keys that differ by one; a curve uses {@link #between}. */
        @Override
        public double at(double time) {
            return between(0, 1, 1, time);
        }

        /**
         * Returns the value on the way.
         *
         * @param gap fraction from key to key, the interval by which the slopes are scaled
         */
        double between(double from, double to, double gap, double t) {
            double t2 = t * t;
            double t3 = t2 * t;
            return (2 * t3 - 3 * t2 + 1) * from
                    + gap * (t3 - 2 * t2 + t) * out
                    + (-2 * t3 + 3 * t2) * to
                    + gap * (t3 - t2) * in;
        }
    }

    /** Even progress. */
    record Linear() implements Ease {
        @Override
        public <R> R match(Cases<R> cases) {
            return cases.linear().apply(this);
        }

        @Override
        public double at(double time) {
            return time;
        }
    }

    /**
     * Even steps: {@code steps()} of CSS Easing Functions Level 1.
     *
     * @param count 1 to {@value #MOST}; from 2 on without a jump at either end
     * @param jump at which ends it jumps
     */
    record Steps(int count, Jump jump) implements Ease {
        public static final int MOST = 256;

        /** With a jump at an end; without, from 2 on. */
        public static final Bounds COUNT = Bounds.of(1, MOST);

        /** At which ends the value jumps. */
        public enum Jump {
            /** Both values are held for a step. */
            NONE,
            /** At the end: the first value is held for a step, the last is reached with the next key. */
            END,
            START,
            /** At both: neither value is held. */
            BOTH
        }

        public Steps {
            Demand.within("steps", count, jump == Jump.NONE ? 2 : 1, MOST);
        }

        @Override
        public <R> R match(Cases<R> cases) {
            return cases.steps().apply(this);
        }

        @Override
        public double at(double time) {
            if (time >= 1) {
                return 1;
            }
            int done = Math.min(count - 1, (int) (time * count + 1e-9));
            int jumps = count + (jump == Jump.NONE ? -1 : jump == Jump.BOTH ? 1 : 0);
            return (double) (done + (jump == Jump.START || jump == Jump.BOTH ? 1 : 0)) / jumps;
        }
    }

    /** Stays until the next key, then jumps. */
    record Hold() implements Ease {
        @Override
        public <R> R match(Cases<R> cases) {
            return cases.hold().apply(this);
        }

        @Override
        public double at(double time) {
            return time < 1 ? 0 : 1;
        }
    }

    /**
     * The cubic Bézier of CSS Easing Functions Level 1, from (0, 0) to (1, 1).
     *
     * @param x1 from 0 to 1
     * @param x2 from 0 to 1
     */
    record CubicBezier(double x1, double y1, double x2, double y2) implements Ease {
        private static final int GRID_BITS = 44;
        private static final double GRID = 1L << GRID_BITS;

        public CubicBezier {
            Demand.within("0", x1, 0, 1);
            Demand.within("1", y1, -10, 10);
            Demand.within("2", x2, 0, 1);
            Demand.within("3", y2, -10, 10);
        }

        @Override
        public <R> R match(Cases<R> cases) {
            return cases.bezier().apply(this);
        }

        @Override
        public double at(double time) {
            if (time <= 0 || time >= 1) {
                return time <= 0 ? 0 : 1;
            }
            return along(y1, y2, solve(time));
        }

        // Bisection: x is monotonic in s because x1 and x2 lie in 0..1; 52 halvings exhaust a double. Newton's method
        // finds where the last of them happen, and where it does not, all of them do: the bits are the same either way.
        private double solve(double x) {
            double guess = x;
            for (int i = 0; i < 6; i++) {
                double slope = slope(x1, x2, guess);
                guess = slope < 1e-3 ? Double.NaN : guess - (along(x1, x2, guess) - x) / slope;
            }
            double low = Math.floor(guess * GRID) / GRID;
            double high = low + 1 / GRID;
            boolean between = low >= 0 && high <= 1 && along(x1, x2, low) < x && along(x1, x2, high) >= x;
            return between ? halved(x, low, high, 52 - GRID_BITS) : halved(x, 0, 1, 52);
        }

        private double halved(double x, double from, double to, int times) {
            double low = from;
            double high = to;
            for (int i = 0; i < times; i++) {
                double s = (low + high) / 2;
                if (along(x1, x2, s) < x) {
                    low = s;
                } else {
                    high = s;
                }
            }
            return (low + high) / 2;
        }

        private static double slope(double a, double b, double s) {
            double r = 1 - s;
            return 3 * r * r * a + 6 * r * s * (b - a) + 3 * s * s * (1 - b);
        }

        private static double along(double a, double b, double s) {
            double r = 1 - s;
            return 3 * r * r * s * a + 3 * r * s * s * b + s * s * s;
        }
    }
}
