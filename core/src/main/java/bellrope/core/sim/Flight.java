package bellrope.core.sim;

import bellrope.core.value.Exact;

/**
 * Motion under constant acceleration with linear drag, exactly.
 *
 * <p>The idea: the position of a particle of age t is {@code x₀ + v₀·p(t) + a·q(t)}, where p and q depend on the drag
 * alone. All particles of a layer share the drag, and ages are whole steps, so p and q are two small tables; a frame
 * costs two lookups and three multiplications an axis, no exponential, and nothing accumulates: a jump to any age costs
 * the same as the next step and gives the same bits.
 *
 * <p>With drag k: {@code p = (1 − e^(−kt)) / k} and {@code q = (t − p) / k}, the solution of
 * {@code v' = a − k·v}; in the limit k → 0, {@code p = t} and {@code q = t²/2}.
 */
public final class Flight {
    private final double drag;
    private final double stepsPerSecond;
    private float[] p = new float[0];
    private float[] q = new float[0];
    private float[] left = new float[0];

    public Flight(double drag, double stepsPerSecond) {
        this.drag = drag;
        this.stepsPerSecond = stepsPerSecond;
    }

    /** Returns p in seconds: how far a unit of speed carries in {@code t} seconds. */
    public static double carriedBySpeed(double drag, double t) {
        return drag * t < 1e-12 ? t : -Exact.expm1(-drag * t) / drag;
    }

    /** Returns q in seconds squared: how far a unit of acceleration carries in {@code t} seconds. */
    public static double carriedByAcceleration(double drag, double t) {
        double z = drag * t;
        if (z < 1e-2) {
            // Series of (z − 1 + e^(−z)) / z²: below this bound the difference would lose its digits.
            return t * t * (1 / 2.0 - z / 6 + z * z / 24 - z * z * z / 120 + z * z * z * z / 720);
        }
        return (t - carriedBySpeed(drag, t)) / drag;
    }

    /** Makes the tables reach an age in steps, and as far beyond as the dead may rest in a store. */
    public void reach(int oldest) {
        int age = oldest + ParticleStore.LONGEST_REST;
        if (age < p.length) {
            return;
        }
        int from = p.length;
        int length = Math.max(64, age + age / 2 + 1);
        p = java.util.Arrays.copyOf(p, length);
        q = java.util.Arrays.copyOf(q, length);
        left = java.util.Arrays.copyOf(left, length);
        for (int i = from; i < length; i++) {
            double t = i / stepsPerSecond;
            p[i] = (float) carriedBySpeed(drag, t);
            q[i] = (float) carriedByAcceleration(drag, t);
            left[i] = (float) Exact.exp(-drag * t);
        }
    }

    double drag() {
        return drag;
    }

    float[] bySpeed() {
        return p;
    }

    float[] byAcceleration() {
        return q;
    }

    /** Share of the speed that is left at an age; the velocity then is {@code v₀·left + a·p}. */
    float[] left() {
        return left;
    }
}
