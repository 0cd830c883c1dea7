package bellrope.core.picture;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import bellrope.core.Sample;
import bellrope.core.effect.Birth;
import bellrope.core.effect.Effect;
import bellrope.core.effect.Look;
import bellrope.core.effect.Sprite;
import bellrope.core.effect.Tint;
import bellrope.core.project.Project;
import bellrope.core.stage.Preview;
import bellrope.core.stage.Take;
import bellrope.core.value.Range;
import bellrope.core.value.Rgba;
import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** W3C Compositing and Blending Level 1, worked out in linear light over an opaque backdrop. */
class PainterTest {
    private static final Picture WHITE = Picture.of(2, 2, new int[] {-1, -1, -1, -1}, Sprite.Sheet.SINGLE);
    private static final Rgba BACK = new Rgba(90, 120, 200, 255);
    private static final Rgba FRONT = new Rgba(220, 140, 60, 255);

    private static int[] painted(Look.Blend blend, double opacity) {
        Birth birth = Sample.burst(1, 1).with(d -> {
            d.speed = Range.ZERO;
            d.size = Range.of(2);
            d.opacity = Range.of(opacity);
            d.colour = new Tint.Between(FRONT, FRONT);
        });
        Effect effect = Sample.effect(
                "e",
                Sample.emitter("e", 1, birth, Sample.still())
                        .withLook(new Look("dot", blend, Look.Order.NEWEST_ON_TOP)));
        Project project = Sample.project(effect);
        Take take = Preview.plain(effect, 1).take(project, true);
        return new Painter(List.of(WHITE), 8, 8).paint(take.frames().get(1), new Painter.View(0, 0, 2), BACK);
    }

    private static double expected(Look.Blend blend, double cs, double cb, double a) {
        double linear = switch (blend) {
            // co = cs·αs + cb·(1 − αs)
            case ALPHA -> cs * a + cb * (1 - a);
            // lighter: co = cs·αs + cb
            case ADDITIVE -> Math.min(1, cs * a + cb);
            // B(cb, cs) = cb + cs − cb·cs, mixed by αs
            case SCREEN -> cb * (1 - a) + a * (cb + cs - cb * cs);
            // B(cb, cs) = cb·cs, mixed by αs
            case MULTIPLY -> cb * (1 - a) + a * cb * cs;
        };
        return 255 * Rgba.toSrgb(linear);
    }

    @ParameterizedTest
    @EnumSource(Look.Blend.class)
    void laysOneOverTheOther(Look.Blend blend) {
        int pixel = painted(blend, 0.6)[4 * 8 + 4];
        double a = Math.round(0.6 * 255) / 255.0;
        assertThat(pixel >> 16 & 255)
                .isCloseTo((int) expected(blend, FRONT.linearRed(), BACK.linearRed(), a), within(1));
        assertThat(pixel >> 8 & 255)
                .isCloseTo((int) expected(blend, FRONT.linearGreen(), BACK.linearGreen(), a), within(1));
        assertThat(pixel & 255).isCloseTo((int) expected(blend, FRONT.linearBlue(), BACK.linearBlue(), a), within(1));
    }

    @Test
    void aSheetShowsItsFrames() {
        int[] four = {0xFFFF0000, 0xFF00FF00, 0xFF0000FF, 0xFFFFFFFF};
        float[] out = new float[4];
        Picture rows = Picture.of(2, 2, four, new Sprite.Sheet(2, 2, 4, Sprite.Sheet.Order.BY_ROWS, 12));
        rows.at(1, 0.5, 0.5, out);
        assertThat(out).containsExactly(0, 1, 0, 1);
        Picture columns = Picture.of(2, 2, four, new Sprite.Sheet(2, 2, 4, Sprite.Sheet.Order.BY_COLUMNS, 12));
        columns.at(1, 0.5, 0.5, out);
        assertThat(out).containsExactly(0, 0, 1, 1);
    }

    @Test
    void aStillShowsSomethingOfEverySampleAndIsTheSameEachTime() {
        for (int seed = 1; seed <= 12; seed++) {
            Effect effect = Sample.any(seed);
            Project project = Sample.project(effect);
            int[] still = Still.of(project, effect, List.of(WHITE), 48, 32);
            assertThat(Arrays.stream(still).distinct().count())
                    .as("seed %d", seed)
                    .isGreaterThan(3);
            assertThat(Still.of(project, effect, List.of(WHITE), 48, 32)).isEqualTo(still);
        }
    }
}
