package bellrope.core.sim;

import bellrope.core.effect.Force;
import bellrope.core.effect.Force.Falloff;
import bellrope.core.value.Rotation;
import bellrope.core.value.Vec3;
import java.util.List;

/**
 * The forces of one emitter of one instance, in the world. {@link #at} writes the acceleration at a place; numbers only,
 * nothing is allocated.
 */
final class Field {
    private static final int SIZE = 10;
    private static final int ATTRACTOR = 0;
    private static final int SWIRL = 1;
    private static final int PUSH = 2;
    private static final int TURBULENCE = 3;

    /** Numbers from −1 to 1 by ten bits. */
    private static final double[] EVEN = new double[1024];

    static {
        for (int i = 0; i < EVEN.length; i++) {
            EVEN[i] = i / 511.5 - 1;
        }
    }

    private final int[] kinds;
    private final Falloff[] falloffs;
    // Per force: place 0–2, axis 3–5, strength 6, radius or size 7, speed 8.
    private final double[] numbers;
    private final int seed;
    double ax;
    double ay;
    double az;

    /**
     * @param turn of the effect
     * @param seed of the emitter, which picks the turbulence's pattern
     */
    Field(List<Force> forces, Rotation turn, int seed) {
        kinds = new int[forces.size()];
        falloffs = new Falloff[kinds.length];
        numbers = new double[SIZE * kinds.length];
        this.seed = seed * 0x9E3779B1;
        for (int i = 0; i < kinds.length; i++) {
            Force force = forces.get(i);
            int n = i * SIZE;
            falloffs[i] = Falloff.NONE;
            numbers[n + 6] = force.strength();
            kinds[i] = force.match(
                    a -> {
                        put(n, turn.apply(a.place()));
                        numbers[n + 7] = a.radius();
                        falloffs[n / SIZE] = a.falloff();
                        return ATTRACTOR;
                    },
                    s -> {
                        put(n, turn.apply(s.place()));
                        put(n + 3, turn.apply(s.axis()).directionOr(Vec3.UP));
                        numbers[n + 7] = s.radius();
                        falloffs[n / SIZE] = s.falloff();
                        return SWIRL;
                    },
                    p -> PUSH,
                    t -> {
                        numbers[n + 7] = t.size();
                        numbers[n + 8] = t.speed();
                        return TURBULENCE;
                    });
        }
    }

    private void put(int at, Vec3 v) {
        numbers[at] = v.x();
        numbers[at + 1] = v.y();
        numbers[at + 2] = v.z();
    }

    boolean none() {
        return kinds.length == 0;
    }

    /** Tells whether there is anything besides turbulence. */
    boolean smooth() {
        for (int kind : kinds) {
            if (kind != TURBULENCE) {
                return true;
            }
        }
        return false;
    }

    /**
     * Writes the acceleration by turbulence at a place into {@link #ax}, {@link #ay}, {@link #az}. It is a pattern and not
     * a law, and dear, so it is taken once a step and held.
     */
    void gust(double x, double y, double z, double time) {
        ax = 0;
        ay = 0;
        az = 0;
        for (int i = 0; i < kinds.length; i++) {
            if (kinds[i] == TURBULENCE) {
                int n = i * SIZE;
                irregular(numbers[n + 6], numbers[n + 7], time * numbers[n + 8], x, y, z);
            }
        }
    }

    /**
     * Writes the acceleration of all but turbulence at a place into {@link #ax}, {@link #ay}, {@link #az}.
     *
     * @param x units from the effect's place, in world axes
     */
    void at(double x, double y, double z) {
        ax = 0;
        ay = 0;
        az = 0;
        for (int i = 0; i < kinds.length; i++) {
            int n = i * SIZE;
            double strength = numbers[n + 6];
            switch (kinds[i]) {
                case ATTRACTOR -> towards(n, strength, falloffs[i], x, y, z);
                case SWIRL -> around(n, strength, falloffs[i], x, y, z);
                case PUSH -> {
                    double d = Math.sqrt(x * x + y * y + z * z);
                    if (d > 1e-9) {
                        ax += strength * x / d;
                        ay += strength * y / d;
                        az += strength * z / d;
                    }
                }
                default -> {
                    // Turbulence is taken by gust().
                }
            }
        }
    }

    private void towards(int n, double strength, Falloff falloff, double x, double y, double z) {
        double dx = numbers[n] - x;
        double dy = numbers[n + 1] - y;
        double dz = numbers[n + 2] - z;
        double d = Math.sqrt(dx * dx + dy * dy + dz * dz);
        if (d > 1e-9) {
            double a = strength * share(falloff, d / numbers[n + 7]) / d;
            ax += a * dx;
            ay += a * dy;
            az += a * dz;
        }
    }

    private void around(int n, double strength, Falloff falloff, double x, double y, double z) {
        double rx = x - numbers[n];
        double ry = y - numbers[n + 1];
        double rz = z - numbers[n + 2];
        double kx = numbers[n + 3];
        double ky = numbers[n + 4];
        double kz = numbers[n + 5];
        double tx = ky * rz - kz * ry;
        double ty = kz * rx - kx * rz;
        double tz = kx * ry - ky * rx;
        // The axis has length 1, so this is the distance from it.
        double d = Math.sqrt(tx * tx + ty * ty + tz * tz);
        if (d > 1e-9) {
            double a = strength * share(falloff, d / numbers[n + 7]) / d;
            ax += a * tx;
            ay += a * ty;
            az += a * tz;
        }
    }

    private static double share(Falloff falloff, double r) {
        return switch (falloff) {
            case NONE -> r <= 1 ? 1 : 0;
            case LINEAR -> r < 1 ? 1 - r : 0;
            case SQUARE -> 1 / (1 + r * r);
        };
    }

    private void irregular(double strength, double size, double time, double x, double y, double z) {
        int cx = floor(x / size);
        int cy = floor(y / size);
        int cz = floor(z / size);
        int ct = floor(time);
        double fx = smooth(x / size - cx);
        double fy = smooth(y / size - cy);
        double fz = smooth(z / size - cz);
        double ft = smooth(time - ct);
        double sx = 0;
        double sy = 0;
        double sz = 0;
        double[] even = EVEN;
        for (int rest = 0; rest < 8; rest++) {
            int by = rest & 1;
            int bz = rest >> 1 & 1;
            int bt = rest >> 2;
            double wy = by == 0 ? 1 - fy : fy;
            double wz = bz == 0 ? 1 - fz : fz;
            double wt = bt == 0 ? 1 - ft : ft;
            int line = seed ^ (cy + by) * 0xC2B2AE35 ^ (cz + bz) * 0x27D4EB2F ^ (ct + bt) * 0x165667B1;
            double near = (1 - fx) * wy * wz * wt;
            int h = mixed(line ^ cx * 0x85EBCA6B);
            sx += near * even[h & 1023];
            sy += near * even[h >>> 10 & 1023];
            sz += near * even[h >>> 20 & 1023];
            double far = fx * wy * wz * wt;
            h = mixed(line ^ (cx + 1) * 0x85EBCA6B);
            sx += far * even[h & 1023];
            sy += far * even[h >>> 10 & 1023];
            sz += far * even[h >>> 20 & 1023];
        }
        ax += strength * sx;
        ay += strength * sy;
        az += strength * sz;
    }

    private static int floor(double v) {
        int i = (int) v;
        return v < i ? i - 1 : i;
    }

    private static double smooth(double t) {
        return t * t * t * (t * (t * 6 - 15) + 10);
    }

    private static int mixed(int key) {
        int h = key;
        h ^= h >>> 15;
        h *= 0x2C1B3C6D;
        h ^= h >>> 12;
        h *= 0x297A2D39;
        return h ^ h >>> 15;
    }
}
