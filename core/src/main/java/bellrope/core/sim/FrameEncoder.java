package bellrope.core.sim;

import bellrope.core.value.Rgba;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.IntBuffer;
import java.util.List;

/**
 * Writes what is on the stage as one binary frame, little-endian: a header of {@value #HEADER} bytes, then
 * {@value #STRIDE} bytes a particle, in draw order. The layout is described in {@code docs/format/frames.md}.
 *
 * <p>Places are whole numbers inside the frame's own box: finer than half floats at any distance from the origin.
 */
public final class FrameEncoder {
    public static final int MAGIC = 0x46524C42;
    public static final int VERSION = 1;
    public static final int HEADER = 64;
    public static final int STRIDE = 16;

    private static final int TABLE = 4096;
    private static final byte[] SRGB = new byte[TABLE + 1];

    static {
        for (int i = 0; i <= TABLE; i++) {
            SRGB[i] = (byte) Math.round(255 * Rgba.toSrgb((double) i / TABLE));
        }
    }

    private final float[] low = new float[3];
    private final float[] high = new float[3];
    private int[] words = new int[256 * 4];
    private ByteBuffer buffer = ByteBuffer.allocate(HEADER + 256 * STRIDE).order(ByteOrder.LITTLE_ENDIAN);
    private IntBuffer ints = buffer.asIntBuffer();

    /**
     * Encodes the layers as they stand; each must have been moved to {@code step}. Works out how they look.
     *
     * @param sequence number of this frame on its way to one reader
     * @return a buffer with the frame between position and limit, valid until the next call
     */
    public ByteBuffer encode(List<Layer> layers, int step, int instances, int sequence) {
        int count = 0;
        double presence = 0;
        for (int l = 0; l < layers.size(); l++) {
            Layer layer = layers.get(l);
            layer.appear(step);
            count += layer.store().count();
            presence += layer.presence();
        }
        if (buffer.capacity() < HEADER + count * STRIDE) {
            buffer = ByteBuffer.allocate(HEADER + (count + count / 2) * STRIDE).order(ByteOrder.LITTLE_ENDIAN);
            ints = buffer.asIntBuffer();
        }
        box(layers, step);
        buffer.clear();
        buffer.putInt(MAGIC).putShort((short) VERSION).putShort((short) STRIDE);
        buffer.putInt(step).putInt(count).putInt(instances).putInt(sequence);
        for (int axis = 0; axis < 3; axis++) {
            buffer.putFloat(low[axis]);
        }
        for (int axis = 0; axis < 3; axis++) {
            buffer.putFloat(high[axis] - low[axis]);
        }
        buffer.putFloat((float) presence);
        while (buffer.position() < HEADER) {
            buffer.put((byte) 0);
        }
        for (int l = 0; l < layers.size(); l++) {
            particles(layers.get(l), step);
        }
        return buffer.flip();
    }

    private void box(List<Layer> layers, int step) {
        for (int axis = 0; axis < 3; axis++) {
            low[axis] = Float.POSITIVE_INFINITY;
            high[axis] = Float.NEGATIVE_INFINITY;
        }
        for (int l = 0; l < layers.size(); l++) {
            ParticleStore store = layers.get(l).store();
            bound(0, store.x, store.gone, step, store.slots());
            bound(1, store.y, store.gone, step, store.slots());
            bound(2, store.z, store.gone, step, store.slots());
        }
        if (low[0] > high[0]) {
            java.util.Arrays.fill(low, 0);
            java.util.Arrays.fill(high, 0);
        }
    }

    // The dead that rest in their slots do not widen the box.
    private void bound(int axis, float[] values, int[] gone, int step, int n) {
        float least = low[axis];
        float most = high[axis];
        for (int i = 0; i < n; i++) {
            float v = values[i];
            boolean lives = gone[i] > step;
            least = lives && v < least ? v : least;
            most = lives && v > most ? v : most;
        }
        low[axis] = least;
        high[axis] = most;
    }

    private void particles(Layer layer, int step) {
        ParticleStore store = layer.store();
        int n = store.slots();
        if (words.length < store.count() * 4) {
            words = new int[store.capacity() * 4];
        }
        int[] out = words;
        float kx = scale(0);
        float ky = scale(1);
        float kz = scale(2);
        float lx = low[0];
        float ly = low[1];
        float lz = low[2];
        float[] xs = store.x;
        float[] ys = store.y;
        float[] zs = store.z;
        float[] sizes = layer.sizes();
        float[] alphas = layer.alphas();
        float[] reds = layer.reds();
        float[] greens = layer.greens();
        float[] blues = layer.blues();
        float[] rotations = store.rotation;
        float[] spins = store.spin;
        int[] born = store.born;
        int[] gone = store.gone;
        int kind = layer.sprite() << 16 | (layer.additive() ? 0xFF000000 : 0);
        boolean reversed = layer.oldestOnTop();
        int w = 0;
        for (int j = 0; j < n; j++) {
            int i = reversed ? n - 1 - j : j;
            if (gone[i] <= step) {
                continue;
            }
            int px = (int) ((xs[i] - lx) * kx + 0.5f);
            int py = (int) ((ys[i] - ly) * ky + 0.5f);
            int pz = (int) ((zs[i] - lz) * kz + 0.5f);
            int turn = (int) ((rotations[i] + spins[i] * (step - born[i])) * 65536f) & 0xFFFF;
            float a = alphas[i];
            int alpha = (int) ((a < 1f ? a : 1f) * 255f + 0.5f);
            out[w] = px | py << 16;
            out[w + 1] = pz | half(sizes[i]) << 16;
            out[w + 2] = turn | kind;
            out[w + 3] = srgb(reds[i]) | srgb(greens[i]) << 8 | srgb(blues[i]) << 16 | alpha << 24;
            w += 4;
        }
        ints.put(buffer.position() / 4, out, 0, w);
        buffer.position(buffer.position() + w * 4);
    }

    private float scale(int axis) {
        float extent = high[axis] - low[axis];
        return extent > 0 ? 65535f / extent : 0;
    }

    private static int srgb(float linear) {
        return SRGB[(int) ((linear < 1f ? linear : 1f) * TABLE + 0.5f)] & 0xFF;
    }

    /** Returns the IEEE 754 half-precision bits of a size: not negative, below 65,504; the tiniest become 0. */
    static int half(float value) {
        int bits = Float.floatToRawIntBits(value);
        int exponent = (bits >>> 23) - 127 + 15;
        if (exponent <= 0) {
            return 0;
        }
        // The carry of a rounded mantissa runs into the exponent, as it should.
        return Math.min(0x7BFF, (exponent << 10) + (((bits & 0x7FFFFF) + 0x1000) >>> 13));
    }
}
