package bellrope.core.sim;

import java.util.Arrays;

/**
 * The moments of one step at which particles give birth, with what each parent hands on: a queue, because what is born may
 * give birth in the same step. It holds at most {@value #MOST}; what comes beyond is counted and dropped.
 */
final class Occasions {
    static final int FLOATS = 10;
    static final int MOST = 50_000;

    private int count;
    private int next;
    private long dropped;
    int[] emitter = new int[16];
    int[] child = new int[16];
    int[] number = new int[16];
    int[] face = new int[16];
    int[] generation = new int[16];
    long[] line = new long[16];
    // Steps from the moment to the end of the step, 0 to 1.
    float[] lag = new float[16];
    // Per occasion: place, velocity, red, green, blue, size.
    float[] handed = new float[16 * FLOATS];

    /** Returns the next one and takes it out; −1 when there is none. */
    int next() {
        if (next < count) {
            return next++;
        }
        count = 0;
        next = 0;
        return -1;
    }

    /** Returns how many were dropped since the last call. */
    long takeDropped() {
        long lost = dropped;
        dropped = 0;
        return lost;
    }

    /**
     * Notes one.
     *
     * @param of index of the emitter whose particle gives birth
     * @param which index among the emitter's children
     * @param occurrence tells several of one parent apart
     * @param struck which face of the wall the children are thrown from; −1 for the effect's own frame
     * @param ago steps from the moment to the end of the step
     */
    void add(
            ParticleStore store,
            int slot,
            int of,
            int which,
            int occurrence,
            int struck,
            float x,
            float y,
            float z,
            float size,
            double ago) {
        if (count == MOST) {
            dropped++;
            return;
        }
        if (count == child.length) {
            grow(Math.min(MOST, count * 2));
        }
        Integrated integrated = store.integrated;
        emitter[count] = of;
        child[count] = which;
        number[count] = occurrence;
        face[count] = struck;
        generation[count] = integrated.generation[slot];
        line[count] = (long) integrated.lineHigh[slot] << 32 | integrated.lineLow[slot] & 0xFFFFFFFFL;
        lag[count] = (float) Math.max(0, Math.min(1, ago));
        int h = count * FLOATS;
        handed[h] = x;
        handed[h + 1] = y;
        handed[h + 2] = z;
        handed[h + 3] = integrated.ux[slot] * integrated.slowed[slot];
        handed[h + 4] = integrated.uy[slot] * integrated.slowed[slot];
        handed[h + 5] = integrated.uz[slot] * integrated.slowed[slot];
        handed[h + 6] = store.red[slot];
        handed[h + 7] = store.green[slot];
        handed[h + 8] = store.blue[slot];
        handed[h + 9] = size;
        count++;
    }

    private void grow(int length) {
        emitter = Arrays.copyOf(emitter, length);
        child = Arrays.copyOf(child, length);
        number = Arrays.copyOf(number, length);
        face = Arrays.copyOf(face, length);
        generation = Arrays.copyOf(generation, length);
        line = Arrays.copyOf(line, length);
        lag = Arrays.copyOf(lag, length);
        handed = Arrays.copyOf(handed, length * FLOATS);
    }
}
