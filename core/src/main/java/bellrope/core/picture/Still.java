package bellrope.core.picture;

import bellrope.core.effect.Effect;
import bellrope.core.project.Project;
import bellrope.core.sim.FrameEncoder;
import bellrope.core.sim.Watch;
import bellrope.core.stage.Preview;
import bellrope.core.stage.Take;
import bellrope.core.value.Pace;
import bellrope.core.value.Rgba;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.List;
import java.util.OptionalDouble;

/** One picture of an effect: of the moment at which it shows most, framed by what can be seen of it. */
public final class Still {
    /** The stage at night. */
    public static final Rgba NIGHT = new Rgba(0x18, 0x20, 0x2B, 255);

    private static final double LEAST_UNITS = 0.8;

    private Still() {}

    /**
     * Paints one.
     *
     * @param sprites in the project's order
     * @return sRGB pixels, {@code 0xFFRRGGBB}
     */
    public static int[] of(Project project, Effect effect, List<Picture> sprites, int width, int height) {
        Preview preview = Preview.plain(effect, 1);
        Project staged = preview.staged(project);
        Take take = Take.best(
                staged,
                preview.pull(project),
                new Take.Length(LOOKED_AT, OptionalDouble.empty()),
                (watch, k) -> value(watch, staged.settings().pace(), k));
        byte[] frame = take.frames().get(0);
        return new Painter(sprites, width, height).paint(frame, view(frame, (double) width / height), NIGHT);
    }

    private static final double LOOKED_AT = 3;

    // Fullness alone would pick the first frame, where everything still lies in one place.
    private static double value(Watch watch, Pace pace, int k) {
        return watch.presence(k) * Math.min(1, pace.seconds(k) / 0.25);
    }

    private static Painter.View view(byte[] encoded, double aspect) {
        ByteBuffer frame = ByteBuffer.wrap(encoded).order(ByteOrder.LITTLE_ENDIAN);
        double[] low = {Double.MAX_VALUE, Double.MAX_VALUE};
        double[] high = {-Double.MAX_VALUE, -Double.MAX_VALUE};
        int count = frame.getInt(12);
        for (int i = 0; i < count; i++) {
            int at = FrameEncoder.HEADER + i * FrameEncoder.STRIDE;
            if ((frame.get(at + 19) & 0xFF) < 8) {
                continue;
            }
            double r = Painter.half(frame.getShort(at + 6)) * 0.4;
            for (int axis = 0; axis < 2; axis++) {
                double p = frame.getFloat(24 + 4 * axis)
                        + (frame.getShort(at + 2 * axis) & 0xFFFF) / 65535.0 * frame.getFloat(36 + 4 * axis);
                low[axis] = Math.min(low[axis], p - r);
                high[axis] = Math.max(high[axis], p + r);
            }
        }
        if (low[0] > high[0]) {
            return new Painter.View(0, 0, LEAST_UNITS);
        }
        double tall = Math.max(high[1] - low[1], (high[0] - low[0]) / aspect);
        return new Painter.View((low[0] + high[0]) / 2, (low[1] + high[1]) / 2, Math.max(LEAST_UNITS, tall * 1.08));
    }
}
