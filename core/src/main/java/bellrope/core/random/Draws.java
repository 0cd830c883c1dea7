package bellrope.core.random;

/**
 * The random draws of one particle at a time, each addressed by what it is for.
 *
 * <p>The idea: a draw is a pure function of {@code (instance key, emitter, source, cycle, number, purpose)}. Nothing is
 * drawn in sequence, so a new emitter, property or rope cannot shift what another receives. A block of Philox holds four
 * purposes; the block last used is kept, so a birth costs three blocks and not twelve. One object serves one thread.
 */
public final class Draws {
    private static final double UNIT = 1.0 / (1L << 32);

    private final int[] block = new int[4];
    private int key0;
    private int key1;
    private int emitter;
    private int source;
    private int number;
    private int held = -1;

    /**
     * Points at one particle.
     *
     * @param instanceKey see {@link #instanceKey}
     * @param emitter the emitter's own seed
     * @param source 0 for the stream, 1 and up for the bursts in their order
     * @param cycle how many times the effect has looped, below 2²⁴
     * @param number of the particle within its source and cycle
     */
    public Draws at(long instanceKey, int emitter, int source, int cycle, int number) {
        this.key0 = (int) instanceKey;
        this.key1 = (int) (instanceKey >>> 32);
        this.emitter = emitter;
        this.source = source << 24 | cycle & 0xFFFFFF;
        this.number = number;
        this.held = -1;
        return this;
    }

    /** Returns the draw for a purpose, above 0 and below 1. */
    public double unit(Purpose purpose) {
        int index = purpose.ordinal() >> 2;
        if (index != held) {
            Philox.block(number, source, emitter, index, key0, key1, block);
            held = index;
        }
        return ((block[purpose.ordinal() & 3] & 0xFFFFFFFFL) + 0.5) * UNIT;
    }

    /**
     * Returns a key of the particle's own: what its children's draws are addressed by, as an instance's are by the
     * instance key.
     */
    public long lineKey() {
        Philox.block(number, source, emitter, 0x6C696E65, key0, key1, block);
        held = -1;
        return (long) block[1] << 32 | block[0] & 0xFFFFFFFFL;
    }

    /** Returns the key of one playing instance, from what makes it that instance and nothing else. */
    public static long instanceKey(long projectSeed, long pullSeed, int ropeSeed) {
        int[] out = new int[4];
        Philox.block(
                (int) pullSeed,
                (int) (pullSeed >>> 32),
                ropeSeed,
                0x726F7065,
                (int) projectSeed,
                (int) (projectSeed >>> 32),
                out);
        return (long) out[1] << 32 | out[0] & 0xFFFFFFFFL;
    }
}
