package bellrope.core.sim;

import bellrope.core.effect.Look;
import bellrope.core.value.Exact;
import bellrope.core.value.Rgba;
import bellrope.core.value.Vec3;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.IntBuffer;
import java.util.Arrays;
import java.util.List;

/**
 * Writes what is on the stage as one binary frame, little-endian: a header of {@value #HEADER} bytes, then
 * {@value #STRIDE} bytes a picture, in draw order. The layout is described in {@code docs/format/frames.md}.
 *
 * <p>Places are whole numbers inside the frame's own box: finer than half floats at any distance from the origin. A trail
 * is written as pictures too, one a stretch; all of a layer's lie below its particles, so that they can be drawn in one go.
 */
public final class FrameEncoder {
    public static final int MAGIC = 0x46524C42;
    public static final int VERSION = 2;
    public static final int HEADER = 64;
    public static final int STRIDE = 20;
    /** Stands for the sprite of a stretch of a trail: opaque along, soft across. */
    public static final int RIBBON = 255;

    private static final int TABLE = 4096;
    private static final byte[] SRGB = new byte[TABLE + 1];

    static {
        for (int i = 0; i <= TABLE; i++) {
            SRGB[i] = (byte) Exact.round(255 * Rgba.toSrgb((double) i / TABLE));
        }
    }

    private final float[] low = new float[3];
    private final float[] high = new float[3];
    private final float[] velocity = new float[3];
    private final RibbonWriter ribbons = new RibbonWriter();
    private int[] words = new int[256 * 5];
    private int used;
    private ByteBuffer buffer = ByteBuffer.allocate(HEADER + 256 * STRIDE).order(ByteOrder.LITTLE_ENDIAN);
    private IntBuffer ints = buffer.asIntBuffer();
    // From a place in the world to its number in the box.
    private float kx;
    private float ky;
    private float kz;

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
        box(layers, step);
        used = 0;
        for (int l = 0; l < layers.size(); l++) {
            particles(layers.get(l), step);
        }
        if (buffer.capacity() < HEADER + used * 4) {
            buffer = ByteBuffer.allocate(HEADER + (used + used / 2) * 4).order(ByteOrder.LITTLE_ENDIAN);
            ints = buffer.asIntBuffer();
        }
        buffer.clear();
        buffer.putInt(MAGIC).putShort((short) VERSION).putShort((short) STRIDE);
        buffer.putInt(step).putInt(used / 5).putInt(instances).putInt(sequence);
        for (int axis = 0; axis < 3; axis++) {
            buffer.putFloat(low[axis]);
        }
        for (int axis = 0; axis < 3; axis++) {
            buffer.putFloat(high[axis] - low[axis]);
        }
        buffer.putFloat((float) presence);
        buffer.putInt(count);
        while (buffer.position() < HEADER) {
            buffer.put((byte) 0);
        }
        ints.put(HEADER / 4, words, 0, used);
        buffer.position(HEADER + used * 4);
        return buffer.flip();
    }

    private void box(List<Layer> layers, int step) {
        Arrays.fill(low, Float.POSITIVE_INFINITY);
        Arrays.fill(high, Float.NEGATIVE_INFINITY);
        for (int l = 0; l < layers.size(); l++) {
            Layer layer = layers.get(l);
            ParticleStore store = layer.store();
            bound(0, store.x, store.gone, step, store.slots());
            bound(1, store.y, store.gone, step, store.slots());
            bound(2, store.z, store.gone, step, store.slots());
            if (layer.ribbon != null) {
                for (int i = 0; i < store.slots(); i++) {
                    if (store.gone[i] > step) {
                        tail(0, store.integrated.tx, i);
                        tail(1, store.integrated.ty, i);
                        tail(2, store.integrated.tz, i);
                    }
                }
            }
        }
        if (low[0] > high[0]) {
            Arrays.fill(low, 0);
            Arrays.fill(high, 0);
        }
        kx = scale(0);
        ky = scale(1);
        kz = scale(2);
    }

    private void tail(int axis, float[] points, int slot) {
        for (int k = slot * Integrated.POINTS; k < (slot + 1) * Integrated.POINTS; k++) {
            low[axis] = Math.min(low[axis], points[k]);
            high[axis] = Math.max(high[axis], points[k]);
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
        int pictures = store.count() * (layer.ribbon == null ? 1 : 1 + layer.ribbon.most());
        if (words.length < used + pictures * 5) {
            words = Arrays.copyOf(words, used + pictures * 5 + words.length / 2);
        }
        if (layer.ribbon != null) {
            ribbons.write(layer, step);
        }
        int[] out = words;
        float kx = this.kx;
        float ky = this.ky;
        float kz = this.kz;
        float lx = low[0];
        float ly = low[1];
        float lz = low[2];
        float[] xs = store.x;
        float[] ys = store.y;
        float[] zs = store.z;
        float[] sizes = layer.shade.sizes();
        float[] aspects = store.aspect;
        float[] alphas = layer.shade.alphas();
        float[] reds = layer.shade.reds();
        float[] greens = layer.shade.greens();
        float[] blues = layer.shade.blues();
        float[] rotations = store.rotation;
        float[] spins = store.spin;
        int[] born = store.born;
        float[] lags = store.lag;
        int[] gone = store.gone;
        Look.Posture posture = layer.emitter().look().posture();
        int pose = layer.pose;
        boolean even = layer.shade.evenSpin();
        boolean single =
                layer.shade.frameAt(0, 0) == 0 && layer.emitter().look().frame() instanceof Look.Frame.First;
        int kind = layer.sprite() | (layer.blend() << 2 | pose) << 16;
        boolean reversed = layer.oldestOnTop();
        int w = used;
        for (int j = 0; j < n; j++) {
            int i = reversed ? n - 1 - j : j;
            if (gone[i] <= step) {
                continue;
            }
            int px = (int) ((xs[i] - lx) * kx + 0.5f);
            int py = (int) ((ys[i] - ly) * ky + 0.5f);
            int pz = (int) ((zs[i] - lz) * kz + 0.5f);
            float turns = even ? rotations[i] + spins[i] * (step - born[i] + lags[i]) : layer.shade.rotationAt(i, step);
            int turn = (int) (turns * 65536f) & 0xFFFF;
            int direction = turn;
            float width = sizes[i];
            float height = width * aspects[i];
            if (pose == Pose.ALONG) {
                layer.velocity(i, step, velocity);
                direction = Octahedron.encode(velocity[0], velocity[1], velocity[2]);
                width += stretched(posture);
            } else if (pose == Pose.FLAT) {
                direction = store.face[i];
            }
            float a = alphas[i];
            int alpha = (int) ((a < 1f ? a : 1f) * 255f + 0.5f);
            int frame = single ? 0 : layer.shade.frameAt(i, step);
            out[w] = px | py << 16;
            out[w + 1] = pz | half(width) << 16;
            out[w + 2] = half(height) | direction << 16;
            out[w + 3] = kind | frame << 8 | (turn >> 8) << 24;
            out[w + 4] = srgb(reds[i]) | srgb(greens[i]) << 8 | srgb(blues[i]) << 16 | alpha << 24;
            w += 5;
        }
        used = w;
    }

    private float stretched(Look.Posture posture) {
        double stretch = Cover.stretch(posture);
        return (float) (stretch
                * Math.sqrt(velocity[0] * velocity[0] + velocity[1] * velocity[1] + velocity[2] * velocity[2]));
    }

    /** Writes the ribbon of one particle after the other. */
    private final class RibbonWriter implements Ribbon.Stretches {
        private Layer layer;
        private int slot;

        private void write(Layer of, int step) {
            layer = of;
            ParticleStore store = layer.store();
            boolean reversed = layer.oldestOnTop();
            for (int j = 0; j < store.slots(); j++) {
                slot = reversed ? store.slots() - 1 - j : j;
                if (store.gone[slot] > step) {
                    layer.ribbon.lay(layer, slot, step, this);
                }
            }
        }

        @Override
        public void stretch(Ribbon.Stretch s) {
            int px = (int) (((s.x + s.tx) / 2 - low[0]) * kx + 0.5f);
            int py = (int) (((s.y + s.ty) / 2 - low[1]) * ky + 0.5f);
            int pz = (int) (((s.z + s.tz) / 2 - low[2]) * kz + 0.5f);
            float a = layer.shade.alphas()[slot] * s.colour(3);
            int alpha = (int) ((a < 1f ? a : 1f) * 255f + 0.5f);
            words[used] = px | py << 16;
            words[used + 1] = pz | half(s.way) << 16;
            words[used + 2] = half(s.across) | Octahedron.encode(s.x - s.tx, s.y - s.ty, s.z - s.tz) << 16;
            words[used + 3] = RIBBON | (layer.blend() << 2 | Pose.ALONG) << 16;
            words[used + 4] = srgb(layer.shade.reds()[slot] * s.colour(0))
                    | srgb(layer.shade.greens()[slot] * s.colour(1)) << 8
                    | srgb(layer.shade.blues()[slot] * s.colour(2)) << 16
                    | alpha << 24;
            used += 5;
        }
    }

    /** Returns the direction that a picture's code stands for. */
    public static Vec3 direction(int code) {
        return Octahedron.decode(code);
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
