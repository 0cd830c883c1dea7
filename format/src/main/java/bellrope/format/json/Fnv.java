package bellrope.format.json;

import java.nio.ByteBuffer;

/** FNV-1a of 64 bits (G. Fowler, L. C. Noll, K.-P. Vo): a checksum that is quickly written in any language. */
public final class Fnv {
    private Fnv() {}

    /** Returns the checksum of what lies between position and limit; neither is moved. */
    public static long hash(ByteBuffer bytes) {
        long hash = 0xcbf29ce484222325L;
        for (int i = bytes.position(); i < bytes.limit(); i++) {
            hash = (hash ^ bytes.get(i) & 0xFF) * 0x100000001b3L;
        }
        return hash;
    }
}
