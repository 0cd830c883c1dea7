package bellrope.core.picture;

import bellrope.core.sim.FrameEncoder;
import bellrope.core.sim.Pose;
import bellrope.core.value.Exact;
import bellrope.core.value.Rgba;
import bellrope.core.value.Vec3;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.Arrays;
import java.util.List;

/**
 * Paints an encoded frame as seen from the side, without perspective, in linear light: what covers is laid over what is
 * behind it by W3C Compositing's source-over, lighter, and its screen and multiply over an opaque backdrop.
 */
public final class Painter {
    private static final int ALPHA = 0;
    private static final int ADDITIVE = 1;
    private static final int SCREEN = 2;

    private final List<Picture> sprites;
    private final int width;
    private final int height;
    private final float[] light;
    private final float[] sample = new float[4];
    private double[] axes = new double[4];

    /**
     * Where the side view looks.
     *
     * @param x units, middle of the picture
     * @param y units, middle of the picture
     * @param unitsHigh units from its bottom to its top
     */
    public record View(double x, double y, double unitsHigh) {}

    /** @param sprites in the order in which frames number them */
    public Painter(List<Picture> sprites, int width, int height) {
        this.sprites = sprites;
        this.width = width;
        this.height = height;
        this.light = new float[width * height * 3];
    }

    /**
     * Paints a frame.
     *
     * @param encoded see {@link FrameEncoder}
     * @return sRGB pixels from the upper left, row by row, {@code 0xFFRRGGBB}
     */
    public int[] paint(byte[] encoded, View view, Rgba backdrop) {
        for (int i = 0; i < light.length; i += 3) {
            light[i] = (float) backdrop.linearRed();
            light[i + 1] = (float) backdrop.linearGreen();
            light[i + 2] = (float) backdrop.linearBlue();
        }
        ByteBuffer frame = ByteBuffer.wrap(encoded).order(ByteOrder.LITTLE_ENDIAN);
        int count = frame.getInt(12);
        for (int i = 0; i < count; i++) {
            one(frame, FrameEncoder.HEADER + i * FrameEncoder.STRIDE, view);
        }
        int[] pixels = new int[width * height];
        for (int i = 0; i < pixels.length; i++) {
            pixels[i] = 0xFF000000 | srgb(light[3 * i]) << 16 | srgb(light[3 * i + 1]) << 8 | srgb(light[3 * i + 2]);
        }
        return pixels;
    }

    private static int srgb(float linear) {
        return (int) Exact.round(255 * Rgba.toSrgb(Math.min(1, Math.max(0, linear))));
    }

    private void one(ByteBuffer frame, int at, View view) {
        double scale = height / view.unitsHigh();
        double x = place(frame, at, 0);
        double y = place(frame, at + 2, 1);
        double cx = width / 2.0 + (x - view.x()) * scale;
        double cy = height / 2.0 - (y - view.y()) * scale;
        double w = half(frame.getShort(at + 6));
        double h = half(frame.getShort(at + 8));
        int direction = frame.getShort(at + 10) & 0xFFFF;
        int sprite = frame.get(at + 12) & 0xFF;
        int number = frame.get(at + 13) & 0xFF;
        int kind = frame.get(at + 14) & 0xFF;
        int turn = frame.get(at + 15) & 0xFF;
        int pose = kind & 3;
        Vec3 d = pose == Pose.CAMERA ? Vec3.UP : FrameEncoder.direction(direction);
        double turns = pose == Pose.CAMERA ? direction / 65536.0 : turn / 256.0;
        Pose.axes(pose, d.x(), d.y(), d.z(), turns, w, h, sprite == FrameEncoder.RIBBON, axes);
        Rgba tint = new Rgba(
                frame.get(at + 16) & 0xFF,
                frame.get(at + 17) & 0xFF,
                frame.get(at + 18) & 0xFF,
                frame.get(at + 19) & 0xFF);
        // Half axes in pixels; the picture's y axis points down.
        fill(
                cx,
                cy,
                axes[0] * scale / 2,
                -axes[1] * scale / 2,
                axes[2] * scale / 2,
                -axes[3] * scale / 2,
                sprite,
                number,
                tint,
                kind >> 2);
    }

    private static double place(ByteBuffer frame, int at, int axis) {
        float low = frame.getFloat(24 + 4 * axis);
        float extent = frame.getFloat(36 + 4 * axis);
        return low + (frame.getShort(at) & 0xFFFF) / 65535.0 * extent;
    }

    static double half(short bits) {
        int exponent = bits >> 10 & 31;
        int mantissa = bits & 1023;
        return exponent == 0
                ? mantissa / 1024.0 * Math.scalb(1.0, -14)
                : (1 + mantissa / 1024.0) * Math.scalb(1.0, exponent - 15);
    }

    private void fill(
            double cx,
            double cy,
            double ux,
            double uy,
            double vx,
            double vy,
            int sprite,
            int number,
            Rgba tint,
            int blend) {
        double det = ux * vy - uy * vx;
        if (Math.abs(det) < 1e-9) {
            return;
        }
        double rx = Math.abs(ux) + Math.abs(vx);
        double ry = Math.abs(uy) + Math.abs(vy);
        int left = (int) Math.max(0, Math.ceil(cx - rx - 0.5));
        int right = (int) Math.min(width - 1.0, Math.floor(cx + rx - 0.5));
        int top = (int) Math.max(0, Math.ceil(cy - ry - 0.5));
        int bottom = (int) Math.min(height - 1.0, Math.floor(cy + ry - 0.5));
        float alpha = tint.alpha() / 255f;
        float r = (float) tint.linearRed();
        float g = (float) tint.linearGreen();
        float b = (float) tint.linearBlue();
        for (int py = top; py <= bottom; py++) {
            for (int px = left; px <= right; px++) {
                double dx = px + 0.5 - cx;
                double dy = py + 0.5 - cy;
                // From −1 to 1 along the width, and from −1 at the bottom to 1 at the top.
                double s = (dx * vy - dy * vx) / det;
                double t = (dy * ux - dx * uy) / det;
                if (s < -1 || s > 1 || t < -1 || t > 1) {
                    continue;
                }
                if (sprite == FrameEncoder.RIBBON) {
                    float o = (float) (1 - t * t);
                    Arrays.fill(sample, o * o);
                } else if (sprite < sprites.size()) {
                    sprites.get(sprite).at(number, s / 2 + 0.5, 0.5 - t / 2, sample);
                } else {
                    Arrays.fill(sample, 0);
                }
                lay(
                        3 * (py * width + px),
                        sample[0] * r * alpha,
                        sample[1] * g * alpha,
                        sample[2] * b * alpha,
                        sample[3] * alpha,
                        blend);
            }
        }
    }

    private void lay(int at, float r, float g, float b, float a, int blend) {
        if (blend == ALPHA) {
            light[at] = r + light[at] * (1 - a);
            light[at + 1] = g + light[at + 1] * (1 - a);
            light[at + 2] = b + light[at + 2] * (1 - a);
        } else if (blend == ADDITIVE) {
            light[at] = Math.min(1, light[at] + r);
            light[at + 1] = Math.min(1, light[at + 1] + g);
            light[at + 2] = Math.min(1, light[at + 2] + b);
        } else if (blend == SCREEN) {
            light[at] += r - light[at] * r;
            light[at + 1] += g - light[at + 1] * g;
            light[at + 2] += b - light[at + 2] * b;
        } else {
            light[at] *= r + 1 - a;
            light[at + 1] *= g + 1 - a;
            light[at + 2] *= b + 1 - a;
        }
    }
}
