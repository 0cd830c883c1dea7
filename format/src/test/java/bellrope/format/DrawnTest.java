package bellrope.format;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import bellrope.core.effect.Effect;
import bellrope.core.effect.Sprite;
import bellrope.core.measure.Numbers;
import bellrope.core.project.Project;
import bellrope.core.sim.FrameEncoder;
import bellrope.core.sim.Pose;
import bellrope.core.stage.Preview;
import bellrope.core.stage.Take;
import bellrope.core.value.Rgba;
import bellrope.core.value.Vec3;
import bellrope.format.json.Demo;
import bellrope.format.json.Recipes;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/** What is told of an effect against what its frames hold: every picture of every frame, read back from the bytes. */
class DrawnTest {
    // The mean of (1 - t^2)^2 over -1 to 1, by integration: 1 - 2/3 + 1/5.
    private static final double RIBBON_COVERAGE = 1 - 2 / 3.0 + 1 / 5.0;

    static Stream<Arguments> effects() {
        List<Arguments> all = new ArrayList<>();
        for (Project project : List.of(Demo.project(), Recipes.project())) {
            for (Effect effect : project.effects()) {
                all.add(Arguments.of(project.name() + ": " + effect.name(), project, effect));
            }
        }
        return all.stream();
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("effects")
    void theNumbersCountWhatIsDrawn(String name, Project project, Effect effect) {
        Take take = Preview.plain(effect, 1).take(project, true, 2);
        double screen = take.settings().screen().area();
        double fullest = 0;
        double mostPainted = 0;
        int calls = 0;
        for (byte[] bytes : take.frames()) {
            ByteBuffer frame = ByteBuffer.wrap(bytes).order(ByteOrder.LITTLE_ENDIAN);
            double painted = 0;
            double presence = 0;
            int runs = 0;
            int last = -1;
            for (int i = 0; i < frame.getInt(12); i++) {
                int at = FrameEncoder.HEADER + i * FrameEncoder.STRIDE;
                int sprite = frame.get(at + 12) & 0xFF;
                int kind = frame.get(at + 14) & 0xFF;
                boolean ribbon = sprite == FrameEncoder.RIBBON;
                int run = sprite << 2 | kind >> 2;
                runs += run == last ? 0 : 1;
                last = run;
                double area = area(frame, at, kind & 3, ribbon);
                painted += area;
                Rgba tint = new Rgba(
                        frame.get(at + 16) & 0xFF,
                        frame.get(at + 17) & 0xFF,
                        frame.get(at + 18) & 0xFF,
                        frame.get(at + 19) & 0xFF);
                Sprite picture = ribbon ? null : project.sprites().get(sprite);
                presence += area
                        * (ribbon ? RIBBON_COVERAGE : picture.coverage())
                        * tint.alpha()
                        / 255.0
                        * Rgba.luminance(tint.linearRed(), tint.linearGreen(), tint.linearBlue());
            }
            fullest = Math.max(fullest, presence);
            mostPainted = Math.max(mostPainted, painted);
            calls = Math.max(calls, runs);
        }
        Numbers numbers = Numbers.of(take);
        // Colours have 8 bits and sizes are half floats.
        assertThat(numbers.overdrawPeak() * screen).isCloseTo(mostPainted, within(0.004 * mostPainted + 1e-6));
        assertThat(numbers.presencePeak()).isCloseTo(fullest, within(0.05 * fullest + 1e-4));
        assertThat(numbers.drawCalls()).isEqualTo(calls);
    }

    private static double area(ByteBuffer frame, int at, int pose, boolean ribbon) {
        double[] axes = new double[4];
        int direction = frame.getShort(at + 10) & 0xFFFF;
        Vec3 d = pose == Pose.CAMERA ? Vec3.UP : FrameEncoder.direction(direction);
        double w = half(frame.getShort(at + 6));
        double h = half(frame.getShort(at + 8));
        Pose.axes(pose, d.x(), d.y(), d.z(), 0.3, w, h, ribbon, axes);
        return Math.abs(axes[0] * axes[3] - axes[1] * axes[2]);
    }

    // IEEE 754 binary16.
    private static double half(short bits) {
        int exponent = bits >> 10 & 31;
        int mantissa = bits & 1023;
        return exponent == 0
                ? mantissa / 1024.0 * Math.scalb(1.0, -14)
                : (1 + mantissa / 1024.0) * Math.scalb(1.0, exponent - 15);
    }
}
