package bellrope.core.sim;

import bellrope.core.value.Vec3;

/**
 * A direction in 16 bits: the sphere folded onto an octahedron and that onto a square of 256 × 256 (Cigolle, Donow,
 * Evangelakos, Mara, McGuire, Meyer, <i>A Survey of Efficient Representations for Independent Unit Vectors</i>, JCGT 2014,
 * from memory). Low byte first coordinate, high byte second; off by 0.9° at most.
 */
final class Octahedron {
    private Octahedron() {}

    static int encode(Vec3 v) {
        return encode((float) v.x(), (float) v.y(), (float) v.z());
    }

    /** Returns the code of a direction of any length; that of +z for zero. */
    static int encode(float x, float y, float z) {
        float sum = Math.abs(x) + Math.abs(y) + Math.abs(z);
        if (!(sum > 1e-12f)) {
            return byteOf(0) | byteOf(0) << 8;
        }
        float u = x / sum;
        float v = y / sum;
        if (z < 0) {
            float folded = (1 - Math.abs(v)) * (u < 0 ? -1 : 1);
            v = (1 - Math.abs(u)) * (v < 0 ? -1 : 1);
            u = folded;
        }
        return byteOf(u) | byteOf(v) << 8;
    }

    /** Returns the direction that a code stands for. */
    static Vec3 decode(int code) {
        double u = (code & 0xFF) / 254.0 * 2 - 1;
        double v = (code >> 8 & 0xFF) / 254.0 * 2 - 1;
        double z = 1 - Math.abs(u) - Math.abs(v);
        if (z < 0) {
            double folded = (1 - Math.abs(v)) * (u < 0 ? -1 : 1);
            v = (1 - Math.abs(u)) * (v < 0 ? -1 : 1);
            u = folded;
        }
        return new Vec3(u, v, z).directionOr(Vec3.UP);
    }

    // 254 and not 255 cells, so that 0, and with it every axis, has a code of its own.
    private static int byteOf(float share) {
        return (int) ((share * 0.5f + 0.5f) * 254f + 0.5f);
    }
}
