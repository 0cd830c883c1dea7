package bellrope.core.sim;

import java.util.Arrays;

/** The moments of one step at which particles give birth, with what each parent hands on. */
final class Occasions {
    static final int FLOATS = 10;

    private int count;
    int[] child = new int[16];
    int[] number = new int[16];
    int[] face = new int[16];
    int[] generation = new int[16];
    long[] line = new long[16];
    // Per occasion: place, velocity, red, green, blue, size.
    float[] handed = new float[16 * FLOATS];

    int count() {
        return count;
    }

    void clear() {
        count = 0;
    }

    /** Becomes what another is, and leaves it empty. */
    void take(Occasions other) {
        count = other.count;
        child = other.child.clone();
        number = other.number.clone();
        face = other.face.clone();
        generation = other.generation.clone();
        line = other.line.clone();
        handed = other.handed.clone();
        other.clear();
    }

    /**
     * Notes one.
     *
     * @param which index among the emitter's children
     * @param occurrence tells several of one parent apart
     * @param struck which face of the wall the children are thrown from; −1 for the effect's own frame
     */
    void add(
            ParticleStore store,
            int slot,
            int which,
            int occurrence,
            int struck,
            float x,
            float y,
            float z,
            float size) {
        if (count == child.length) {
            int length = count * 2;
            child = Arrays.copyOf(child, length);
            number = Arrays.copyOf(number, length);
            face = Arrays.copyOf(face, length);
            generation = Arrays.copyOf(generation, length);
            line = Arrays.copyOf(line, length);
            handed = Arrays.copyOf(handed, length * FLOATS);
        }
        Walk walk = store.walk;
        child[count] = which;
        number[count] = occurrence;
        face[count] = struck;
        generation[count] = walk.generation[slot];
        line[count] = (long) walk.lineHigh[slot] << 32 | walk.lineLow[slot] & 0xFFFFFFFFL;
        int h = count * FLOATS;
        handed[h] = x;
        handed[h + 1] = y;
        handed[h + 2] = z;
        handed[h + 3] = walk.ux[slot];
        handed[h + 4] = walk.uy[slot];
        handed[h + 5] = walk.uz[slot];
        handed[h + 6] = store.red[slot];
        handed[h + 7] = store.green[slot];
        handed[h + 8] = store.blue[slot];
        handed[h + 9] = size;
        count++;
    }
}
