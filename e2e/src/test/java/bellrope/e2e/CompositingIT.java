package bellrope.e2e;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import bellrope.core.effect.Birth;
import bellrope.core.effect.Burst;
import bellrope.core.effect.Course;
import bellrope.core.effect.Effect;
import bellrope.core.effect.Emitter;
import bellrope.core.effect.Life;
import bellrope.core.effect.Look;
import bellrope.core.effect.Sprite;
import bellrope.core.effect.Tint;
import bellrope.core.picture.Painter;
import bellrope.core.picture.Picture;
import bellrope.core.project.Project;
import bellrope.core.project.Settings;
import bellrope.core.stage.Preview;
import bellrope.core.stage.Take;
import bellrope.core.value.Curve;
import bellrope.core.value.Gradient;
import bellrope.core.value.Range;
import bellrope.core.value.Rgba;
import bellrope.core.value.Vec3;
import java.nio.file.Path;
import java.util.List;
import java.util.OptionalLong;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.openqa.selenium.chrome.ChromeDriver;

/**
 * A picture painted by the core against the browser's 2-D canvas, its {@code globalCompositeOperation}. The canvas mixes
 * the numbers it holds, so it is given linear light as numbers, and what it holds in the end is taken as linear light.
 */
class CompositingIT {
    @TempDir
    private Path folder;

    private static final Rgba BACK = new Rgba(70, 110, 190, 255);
    private static final Rgba[] LAYERS = {new Rgba(220, 90, 40, 255), new Rgba(120, 230, 160, 255)};
    private static final double[] OPACITIES = {0.55, 0.4};

    private static Emitter layer(int i, Look.Blend blend) {
        Birth birth = Birth.plain().with(d -> {
            d.bursts = List.of(new Burst(0, 1, 1));
            d.speed = Range.ZERO;
            d.size = Range.of(2);
            d.opacity = Range.of(OPACITIES[i]);
            d.colour = new Tint.Between(LAYERS[i], LAYERS[i]);
        });
        return new Emitter(
                "layer " + i,
                i + 1,
                birth,
                new Look("white", blend, Look.Order.NEWEST_ON_TOP),
                new Life(Vec3.ZERO, 0, Curve.ONE, Curve.ONE, Gradient.WHITE));
    }

    private static int painted(Look.Blend blend) {
        Effect effect = new Effect(
                "two", "", Course.once(1), OptionalLong.empty(), List.of(layer(0, blend), layer(1, blend)), List.of());
        Project project = new Project(
                "p", Settings.USUAL, List.of(new Sprite("white", 1)), List.of(), List.of(effect), List.of());
        Take take = Preview.plain(effect, 1).take(project, true);
        Picture white = Picture.of(1, 1, new int[] {-1}, Sprite.Sheet.SINGLE);
        return new Painter(List.of(white), 8, 8).paint(take.frames().get(1), new Painter.View(0, 0, 2), BACK)[36];
    }

    @ParameterizedTest
    @CsvSource({"ALPHA,source-over", "ADDITIVE,lighter", "SCREEN,screen", "MULTIPLY,multiply"})
    void theCoreLaysLightAsTheCanvasDoes(Look.Blend blend, String operation) {
        ChromeDriver browser = Bench.browser(folder);
        try {
            List<?> mixed = (List<?>) browser.executeScript(
                    """
                    const g = Object.assign(document.createElement('canvas'), { width: 8, height: 8 }).getContext('2d');
                    const fill = (c, a) => { g.fillStyle = `rgb(${c[0]} ${c[1]} ${c[2]} / ${a})`; g.fillRect(0, 0, 8, 8); };
                    fill(arguments[0], 1);
                    g.globalCompositeOperation = arguments[3];
                    fill(arguments[1], arguments[4][0]);
                    fill(arguments[2], arguments[4][1]);
                    return [...g.getImageData(4, 4, 1, 1).data];
                    """,
                    numbers(BACK),
                    numbers(LAYERS[0]),
                    numbers(LAYERS[1]),
                    operation,
                    List.of(OPACITIES[0], OPACITIES[1]));
            int pixel = painted(blend);
            for (int i = 0; i < 3; i++) {
                double expected = 255 * Rgba.toSrgb(((Number) mixed.get(i)).doubleValue() / 255);
                // The canvas rounds linear light to a byte at each step, which is coarse in the dark.
                assertThat((double) (pixel >> 16 - 8 * i & 255)).isCloseTo(expected, within(4.0));
            }
        } finally {
            browser.quit();
        }
    }

    private static List<Double> numbers(Rgba c) {
        return List.of(255 * c.linearRed(), 255 * c.linearGreen(), 255 * c.linearBlue());
    }
}
