package bellrope.core.sim;

import java.util.Arrays;

/**
 * The living particles of one layer, one array per attribute, oldest first.
 *
 * <p>The idea: what a particle is born with is kept and never changed; where it is now is derived from that and its age
 * (see {@link Flight}). So there is no state to integrate, splitting a run changes nothing, and new settings apply to
 * what is already flying. Arrays are dense over all instances that share the layer: many small slices would spend the
 * frame on loop overhead. Each pass is a static loop over locals, one axis at a time, which the compiler turns into
 * vector code; the two table lookups have a pass of their own because a gather would stop that.
 *
 * <p>Deaths close the gaps in order, in runs copied whole, rather than moving the last particle into the hole: the order
 * is the draw order, and it must not depend on who died.
 */
public final class ParticleStore {
    // Birth: place and speed in the world, units and units a second.
    float[] x0;
    float[] y0;
    float[] z0;
    float[] vx;
    float[] vy;
    float[] vz;
    // Birth: step of birth, step at which it is gone, life fraction gained per step.
    int[] born;
    int[] gone;
    float[] pace;
    // Birth: units, turns, turns a step, linear light, 0 to 1.
    float[] size;
    float[] rotation;
    float[] spin;
    float[] red;
    float[] green;
    float[] blue;
    float[] opacity;
    // Now.
    float[] x;
    float[] y;
    float[] z;
    private float[] p;
    private float[] q;
    private int[] holes;

    private int count;
    private int nextDeath = Integer.MAX_VALUE;

    public ParticleStore(int capacity) {
        x0 = new float[capacity];
        y0 = new float[capacity];
        z0 = new float[capacity];
        vx = new float[capacity];
        vy = new float[capacity];
        vz = new float[capacity];
        born = new int[capacity];
        gone = new int[capacity];
        pace = new float[capacity];
        size = new float[capacity];
        rotation = new float[capacity];
        spin = new float[capacity];
        red = new float[capacity];
        green = new float[capacity];
        blue = new float[capacity];
        opacity = new float[capacity];
        x = new float[capacity];
        y = new float[capacity];
        z = new float[capacity];
        p = new float[capacity];
        q = new float[capacity];
        holes = new int[capacity];
    }

    public int count() {
        return count;
    }

    public int capacity() {
        return x0.length;
    }

    public void clear() {
        count = 0;
        nextDeath = Integer.MAX_VALUE;
    }

    /** Adds a particle and returns its index; the caller fills in its birth. */
    int add(int bornStep, int goneStep) {
        if (count == x0.length) {
            grow();
        }
        born[count] = bornStep;
        gone[count] = goneStep;
        nextDeath = Math.min(nextDeath, goneStep);
        return count++;
    }

    /**
     * Adds a particle with a whole birth.
     *
     * @param life steps that it lives, above 0
     */
    public void add(
            int bornStep, int life, float px, float py, float pz, float sx, float sy, float sz, float diameter) {
        int i = add(bornStep, bornStep + life);
        x0[i] = px;
        y0[i] = py;
        z0[i] = pz;
        vx[i] = sx;
        vy[i] = sy;
        vz[i] = sz;
        pace[i] = 1f / life;
        size[i] = diameter;
        opacity[i] = 1;
    }

    /** Removes every particle whose time has come, keeping the order of the others. Returns how many went. */
    public int bury(int step) {
        if (step < nextDeath) {
            return 0;
        }
        int dead = 0;
        int next = Integer.MAX_VALUE;
        int[] end = gone;
        for (int i = 0; i < count; i++) {
            if (end[i] <= step) {
                holes[dead++] = i;
            } else if (end[i] < next) {
                next = end[i];
            }
        }
        nextDeath = next;
        close(x0, holes, dead, count);
        close(y0, holes, dead, count);
        close(z0, holes, dead, count);
        close(vx, holes, dead, count);
        close(vy, holes, dead, count);
        close(vz, holes, dead, count);
        close(born, holes, dead, count);
        close(gone, holes, dead, count);
        close(pace, holes, dead, count);
        close(size, holes, dead, count);
        close(rotation, holes, dead, count);
        close(spin, holes, dead, count);
        close(red, holes, dead, count);
        close(green, holes, dead, count);
        close(blue, holes, dead, count);
        close(opacity, holes, dead, count);
        count -= dead;
        return dead;
    }

    // Arrays typed as Object because a gap closes the same way whatever is in it.
    private static void close(Object array, int[] holes, int dead, int count) {
        for (int h = 0; h < dead; h++) {
            int from = holes[h] + 1;
            int to = h + 1 < dead ? holes[h + 1] : count;
            if (to > from) {
                System.arraycopy(array, from, array, from - h - 1, to - from);
            }
        }
    }

    /** Puts every particle where it is at a step. */
    public void move(int step, Flight flight, float ax, float ay, float az) {
        look(step, born, flight.bySpeed(), flight.byAcceleration(), p, q, count);
        axis(x, x0, vx, ax, p, q, count);
        axis(y, y0, vy, ay, p, q, count);
        axis(z, z0, vz, az, p, q, count);
    }

    private static void look(int step, int[] born, float[] byP, float[] byQ, float[] p, float[] q, int n) {
        for (int i = 0; i < n; i++) {
            int age = step - born[i];
            p[i] = byP[age];
            q[i] = byQ[age];
        }
    }

    private static void axis(float[] out, float[] at, float[] speed, float pull, float[] p, float[] q, int n) {
        for (int i = 0; i < n; i++) {
            out[i] = at[i] + speed[i] * p[i] + pull * q[i];
        }
    }

    private void grow() {
        int length = Math.max(16, x0.length * 2);
        x0 = Arrays.copyOf(x0, length);
        y0 = Arrays.copyOf(y0, length);
        z0 = Arrays.copyOf(z0, length);
        vx = Arrays.copyOf(vx, length);
        vy = Arrays.copyOf(vy, length);
        vz = Arrays.copyOf(vz, length);
        born = Arrays.copyOf(born, length);
        gone = Arrays.copyOf(gone, length);
        pace = Arrays.copyOf(pace, length);
        size = Arrays.copyOf(size, length);
        rotation = Arrays.copyOf(rotation, length);
        spin = Arrays.copyOf(spin, length);
        red = Arrays.copyOf(red, length);
        green = Arrays.copyOf(green, length);
        blue = Arrays.copyOf(blue, length);
        opacity = Arrays.copyOf(opacity, length);
        x = new float[length];
        y = new float[length];
        z = new float[length];
        p = new float[length];
        q = new float[length];
        holes = new int[length];
    }
}
