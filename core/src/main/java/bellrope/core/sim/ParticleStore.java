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
 * <p>Deaths close the gaps in order, rather than moving the last particle into the hole: the order is the draw order, and
 * it must not depend on who died. Because that means moving everyone behind, the dead keep their slots until a fifth of
 * the slots is theirs or half a second has passed; until then they are counted out, and {@link #alive} tells.
 */
public final class ParticleStore {
    // Birth: place and speed in the world, units and units a second.
    float[] x0;
    float[] y0;
    float[] z0;
    float[] vx;
    float[] vy;
    float[] vz;
    // Birth: the first step at or after it, the first step on which it is gone, life fraction gained per step, and how
    // many
    // steps it was old on the first.
    int[] born;
    int[] gone;
    float[] pace;
    float[] lag;
    // Birth: units, turns, turns a step, linear light, 0 to 1.
    float[] size;
    float[] rotation;
    float[] spin;
    float[] red;
    float[] green;
    float[] blue;
    float[] opacity;
    // Birth: height over width, a number from 0 to 1 that picks a frame, and an octahedral direction.
    float[] aspect;
    float[] pick;
    int[] face;
    // Birth: the share of gravity that it feels, and where its colours lie between two lanes; null where all are alike.
    float[] fall;
    float[] lane;
    // Now.
    float[] x;
    float[] y;
    float[] z;
    private float[] p;
    private float[] q;
    private int[] stay;

    /** Steps after which the dead lose their slots in any case; tables over age must reach that much farther. */
    static final int LONGEST_REST = 30;

    /** What particles that are integrated step by step keep besides; null where motion is exact. */
    final Integrated integrated;

    private int slots;
    private int dead;
    private int nextDeath = Integer.MAX_VALUE;
    private int lastClosed;
    private int buriedAt = Integer.MIN_VALUE;

    public ParticleStore(int capacity) {
        this(capacity, null, false, false);
    }

    /**
     * @param falls whether each feels a share of gravity of its own
     * @param between whether each has colours of its own between two lanes
     */
    ParticleStore(int capacity, Integrated integrated, boolean falls, boolean between) {
        this.integrated = integrated;
        if (integrated != null) {
            integrated.grow(capacity);
        }
        x0 = new float[capacity];
        y0 = new float[capacity];
        z0 = new float[capacity];
        vx = new float[capacity];
        vy = new float[capacity];
        vz = new float[capacity];
        born = new int[capacity];
        gone = new int[capacity];
        pace = new float[capacity];
        lag = new float[capacity];
        size = new float[capacity];
        rotation = new float[capacity];
        spin = new float[capacity];
        red = new float[capacity];
        green = new float[capacity];
        blue = new float[capacity];
        opacity = new float[capacity];
        aspect = new float[capacity];
        pick = new float[capacity];
        face = new int[capacity];
        x = new float[capacity];
        y = new float[capacity];
        z = new float[capacity];
        p = new float[capacity];
        q = new float[capacity];
        stay = new int[capacity + 1];
        fall = falls ? new float[capacity] : null;
        lane = between ? new float[capacity] : null;
    }

    /** Returns how many live, as of the last {@link #bury}. */
    public int count() {
        return slots - dead;
    }

    /** Returns how many slots are in use, by the living and by the dead that have not been cleared away. */
    int slots() {
        return slots;
    }

    /** Tells whether the particle in a slot lives at the step of the last {@link #bury}. */
    boolean alive(int slot) {
        return gone[slot] > buriedAt;
    }

    /** Returns how long a particle of a slot has been there, as of the last {@link #bury}: it was born on that step. */
    boolean fresh(int slot) {
        return born[slot] == buriedAt;
    }

    int buriedAt() {
        return buriedAt;
    }

    public int capacity() {
        return x0.length;
    }

    public void clear() {
        slots = 0;
        dead = 0;
        nextDeath = Integer.MAX_VALUE;
    }

    /** Is as it was when it was made, with the room that it has. */
    void begin() {
        clear();
        lastClosed = 0;
        buriedAt = Integer.MIN_VALUE;
    }

    /**
     * Adds a particle and returns its slot; the caller fills in the rest of its birth. One that lives so briefly that no step
     * sees it is dead at once.
     *
     * @param bornStep the first step at or after its birth
     * @param life steps that it lives, above 0
     * @param early steps from its birth to {@code bornStep}, 0 to 1
     */
    int add(int bornStep, double life, double early) {
        if (slots == x0.length) {
            grow();
        }
        int goneStep = bornStep + (int) Math.max(0, Math.ceil(life - early - 1e-9));
        born[slots] = bornStep;
        gone[slots] = goneStep;
        lag[slots] = (float) early;
        pace[slots] = (float) (1 / life);
        if (goneStep <= bornStep) {
            dead++;
        }
        nextDeath = Math.min(nextDeath, goneStep);
        return slots++;
    }

    /** Returns how many steps a particle is old on a step. */
    float age(int slot, int step) {
        return step - born[slot] + lag[slot];
    }

    /** Returns how many steps a particle has left on a step; below 0 when its end came before it. */
    double left(int slot, int step) {
        return 1.0 / pace[slot] - lag[slot] - (step - born[slot]);
    }

    /**
     * Adds a particle with a whole birth.
     *
     * @param life steps that it lives, above 0
     */
    public void add(
            int bornStep, int life, float px, float py, float pz, float sx, float sy, float sz, float diameter) {
        int i = add(bornStep, life, 0);
        x0[i] = px;
        y0[i] = py;
        z0[i] = pz;
        vx[i] = sx;
        vy[i] = sy;
        vz[i] = sz;
        size[i] = diameter;
        opacity[i] = 1;
        aspect[i] = 1;
    }

    /** Widens a box to all that live on a step, in units: least and most of x, y, z. */
    public void bounds(int step, double[] low, double[] high) {
        for (int i = 0; i < slots; i++) {
            if (gone[i] > step) {
                low[0] = Math.min(low[0], x[i]);
                high[0] = Math.max(high[0], x[i]);
                low[1] = Math.min(low[1], y[i]);
                high[1] = Math.max(high[1], y[i]);
                low[2] = Math.min(low[2], z[i]);
                high[2] = Math.max(high[2], z[i]);
            }
        }
    }

    /** Returns the step on which the last that lives is gone; 0 where nothing does. */
    int lastGone() {
        int last = 0;
        for (int i = 0; i < slots; i++) {
            last = Math.max(last, gone[i]);
        }
        return last;
    }

    /** Takes note that the particle in a slot is gone earlier than it was added for. */
    void sooner(int slot, int goneStep) {
        gone[slot] = goneStep;
        nextDeath = Math.min(nextDeath, goneStep);
    }

    /** Counts out every particle whose time has come, and clears their slots now and then. Returns how many went. */
    public int bury(int step) {
        buriedAt = step;
        if (step < nextDeath && (dead == 0 || step - lastClosed < LONGEST_REST)) {
            return 0;
        }
        int all = countDead(gone, step, slots);
        int went = all - dead;
        dead = all;
        if (dead * 5 > slots || dead == slots || step - lastClosed >= LONGEST_REST) {
            close(step);
            nextDeath = next(gone, slots);
        }
        return went;
    }

    private static int countDead(int[] gone, int step, int n) {
        int sum = 0;
        for (int i = 0; i < n; i++) {
            // The sign bit of gone − step − 1: one if it is gone. No branch, so that this becomes vector code.
            sum += (gone[i] - step - 1) >>> 31;
        }
        return sum;
    }

    private static int next(int[] gone, int n) {
        int next = Integer.MAX_VALUE;
        for (int i = 0; i < n; i++) {
            next = Math.min(next, gone[i]);
        }
        return next;
    }

    private void close(int step) {
        int kept = 0;
        for (int i = 0; i < slots; i++) {
            stay[kept] = i;
            kept += gone[i] > step ? 1 : 0;
        }
        if (kept < slots) {
            pack(x0, stay, kept);
            pack(y0, stay, kept);
            pack(z0, stay, kept);
            pack(vx, stay, kept);
            pack(vy, stay, kept);
            pack(vz, stay, kept);
            pack(born, stay, kept);
            pack(gone, stay, kept);
            pack(pace, stay, kept);
            pack(lag, stay, kept);
            pack(size, stay, kept);
            pack(rotation, stay, kept);
            pack(spin, stay, kept);
            pack(red, stay, kept);
            pack(green, stay, kept);
            pack(blue, stay, kept);
            pack(opacity, stay, kept);
            pack(aspect, stay, kept);
            pack(pick, stay, kept);
            pack(face, stay, kept);
            if (fall != null) {
                pack(fall, stay, kept);
            }
            if (lane != null) {
                pack(lane, stay, kept);
            }
            if (integrated != null) {
                pack(x, stay, kept);
                pack(y, stay, kept);
                pack(z, stay, kept);
                integrated.pack(stay, kept);
            }
        }
        slots = kept;
        dead = 0;
        lastClosed = step;
    }

    static void pack(float[] values, int[] stay, int n) {
        for (int i = 0; i < n; i++) {
            values[i] = values[stay[i]];
        }
    }

    static void pack(int[] values, int[] stay, int n) {
        for (int i = 0; i < n; i++) {
            values[i] = values[stay[i]];
        }
    }

    /** Puts every particle where it is at a step. */
    public void move(int step, Flight flight, float ax, float ay, float az) {
        look(step, born, flight.bySpeed(), flight.byAcceleration(), p, q, slots);
        if (fall != null) {
            axis(x, x0, vx, ax, fall, p, q, slots);
            axis(y, y0, vy, ay, fall, p, q, slots);
            axis(z, z0, vz, az, fall, p, q, slots);
            return;
        }
        axis(x, x0, vx, ax, p, q, slots);
        axis(y, y0, vy, ay, p, q, slots);
        axis(z, z0, vz, az, p, q, slots);
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

    private static void axis(
            float[] out, float[] at, float[] speed, float pull, float[] fall, float[] p, float[] q, int n) {
        for (int i = 0; i < n; i++) {
            out[i] = at[i] + speed[i] * p[i] + pull * fall[i] * q[i];
        }
    }

    /** Returns the share of gravity that a particle feels. */
    float fall(int slot) {
        return fall == null ? 1f : fall[slot];
    }

    /** Makes room for as many. */
    void room(int many) {
        if (many > x0.length) {
            grow(many);
        }
    }

    private void grow() {
        grow(Math.max(16, x0.length * 2));
    }

    private void grow(int length) {
        x0 = Arrays.copyOf(x0, length);
        y0 = Arrays.copyOf(y0, length);
        z0 = Arrays.copyOf(z0, length);
        vx = Arrays.copyOf(vx, length);
        vy = Arrays.copyOf(vy, length);
        vz = Arrays.copyOf(vz, length);
        born = Arrays.copyOf(born, length);
        gone = Arrays.copyOf(gone, length);
        pace = Arrays.copyOf(pace, length);
        lag = Arrays.copyOf(lag, length);
        size = Arrays.copyOf(size, length);
        rotation = Arrays.copyOf(rotation, length);
        spin = Arrays.copyOf(spin, length);
        red = Arrays.copyOf(red, length);
        green = Arrays.copyOf(green, length);
        blue = Arrays.copyOf(blue, length);
        opacity = Arrays.copyOf(opacity, length);
        aspect = Arrays.copyOf(aspect, length);
        pick = Arrays.copyOf(pick, length);
        face = Arrays.copyOf(face, length);
        fall = fall == null ? null : Arrays.copyOf(fall, length);
        lane = lane == null ? null : Arrays.copyOf(lane, length);
        x = Arrays.copyOf(x, length);
        y = Arrays.copyOf(y, length);
        z = Arrays.copyOf(z, length);
        if (integrated != null) {
            integrated.grow(length);
        }
        p = new float[length];
        q = new float[length];
        stay = new int[length + 1];
    }
}
