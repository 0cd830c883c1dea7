package bellrope.core.sim;

import java.util.Arrays;

/** What a particle keeps whose motion has no exact solution, or that strikes, spawns or trails: one array per attribute. */
final class Integrated {
    /** Points of a trail behind the particle. */
    static final int POINTS = 24;

    private final boolean trailing;
    // Velocity now, units a second.
    float[] ux = new float[0];
    float[] uy = new float[0];
    float[] uz = new float[0];
    // What a lane of speed, or coming to rest, makes of the velocity now.
    float[] slowed = new float[0];
    float[] travelled = new float[0];
    int[] hits = new int[0];
    int[] stuck = new int[0];
    int[] generation = new int[0];
    // The particle's own key for the draws of its children.
    int[] lineLow = new int[0];
    int[] lineHigh = new int[0];
    // Trail: rings of places, newest at head.
    int[] head = new int[0];
    float[] tx = new float[0];
    float[] ty = new float[0];
    float[] tz = new float[0];

    Integrated(boolean trailing) {
        this.trailing = trailing;
    }

    void grow(int n) {
        ux = Arrays.copyOf(ux, n);
        uy = Arrays.copyOf(uy, n);
        uz = Arrays.copyOf(uz, n);
        slowed = Arrays.copyOf(slowed, n);
        travelled = Arrays.copyOf(travelled, n);
        hits = Arrays.copyOf(hits, n);
        stuck = Arrays.copyOf(stuck, n);
        generation = Arrays.copyOf(generation, n);
        lineLow = Arrays.copyOf(lineLow, n);
        lineHigh = Arrays.copyOf(lineHigh, n);
        if (trailing) {
            head = Arrays.copyOf(head, n);
            tx = Arrays.copyOf(tx, n * POINTS);
            ty = Arrays.copyOf(ty, n * POINTS);
            tz = Arrays.copyOf(tz, n * POINTS);
        }
    }

    void pack(int[] stay, int n) {
        ParticleStore.pack(ux, stay, n);
        ParticleStore.pack(uy, stay, n);
        ParticleStore.pack(uz, stay, n);
        ParticleStore.pack(slowed, stay, n);
        ParticleStore.pack(travelled, stay, n);
        ParticleStore.pack(hits, stay, n);
        ParticleStore.pack(stuck, stay, n);
        ParticleStore.pack(generation, stay, n);
        ParticleStore.pack(lineLow, stay, n);
        ParticleStore.pack(lineHigh, stay, n);
        if (trailing) {
            ParticleStore.pack(head, stay, n);
            for (int i = 0; i < n; i++) {
                if (stay[i] != i) {
                    System.arraycopy(tx, stay[i] * POINTS, tx, i * POINTS, POINTS);
                    System.arraycopy(ty, stay[i] * POINTS, ty, i * POINTS, POINTS);
                    System.arraycopy(tz, stay[i] * POINTS, tz, i * POINTS, POINTS);
                }
            }
        }
    }

    /** Begins a particle: at rest on its way, with its velocity, and its trail drawn together at its place. */
    void begin(int i, float x, float y, float z, float vx, float vy, float vz) {
        ux[i] = vx;
        uy[i] = vy;
        uz[i] = vz;
        slowed[i] = 1;
        travelled[i] = 0;
        hits[i] = 0;
        stuck[i] = 0;
        generation[i] = 0;
        if (trailing) {
            head[i] = 0;
            Arrays.fill(tx, i * POINTS, (i + 1) * POINTS, x);
            Arrays.fill(ty, i * POINTS, (i + 1) * POINTS, y);
            Arrays.fill(tz, i * POINTS, (i + 1) * POINTS, z);
        }
    }

    /** Leaves a point of the trail behind. */
    void mark(int i, float x, float y, float z) {
        int h = (head[i] + 1) % POINTS;
        head[i] = h;
        tx[i * POINTS + h] = x;
        ty[i * POINTS + h] = y;
        tz[i * POINTS + h] = z;
    }
}
