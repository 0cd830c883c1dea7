package bellrope.core.random;

/**
 * Philox4x32-10: a 128-bit counter and a 64-bit key become 128 random bits, without state.
 *
 * <p>J. K. Salmon, M. A. Moraes, R. O. Dror, D. E. Shaw, <i>Parallel random numbers: as easy as 1, 2, 3</i>, SC'11.
 */
public final class Philox {
    private static final long M0 = 0xD2511F53L;
    private static final long M1 = 0xCD9E8D57L;
    private static final int W0 = 0x9E3779B9;
    private static final int W1 = 0xBB67AE85;
    private static final long LOW = 0xFFFFFFFFL;

    private Philox() {}

    /**
     * Writes the four words of one block.
     *
     * @param out at least four long; the first four are overwritten
     */
    public static void block(int c0, int c1, int c2, int c3, int k0, int k1, int[] out) {
        for (int round = 0; round < 10; round++) {
            long p0 = M0 * (c0 & LOW);
            long p1 = M1 * (c2 & LOW);
            int n0 = (int) (p1 >>> 32) ^ c1 ^ k0;
            int n2 = (int) (p0 >>> 32) ^ c3 ^ k1;
            c1 = (int) p1;
            c3 = (int) p0;
            c0 = n0;
            c2 = n2;
            k0 += W0;
            k1 += W1;
        }
        out[0] = c0;
        out[1] = c1;
        out[2] = c2;
        out[3] = c3;
    }
}
