package bellrope.core.sim;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import bellrope.core.Sample;
import bellrope.core.effect.Birth;
import bellrope.core.effect.Course;
import bellrope.core.effect.Emitter;
import bellrope.core.effect.Life;
import bellrope.core.effect.Sprite;
import bellrope.core.value.Gradient;
import bellrope.core.value.Pace;
import bellrope.core.value.Range;
import bellrope.core.value.Refused;
import bellrope.core.value.Rgba;
import bellrope.core.value.Vec3;
import java.util.List;
import org.hipparchus.stat.inference.ChiSquareTest;
import org.junit.jupiter.api.Test;

/** What each particle draws for its life: how much of gravity it feels, and which colours between two lanes. */
class GravityShareTest {
    private static final int MANY = 2000;

    private static Layer after(int steps, Birth birth, Life life) {
        Emitter emitter = Sample.emitter("e", 1, birth, life);
        Layer layer = new Layer(emitter, 60, 0, new Sprite("dot", 1));
        EffectRun run = new EffectRun(
                new Plan(Sample.effect("e", emitter).withCourse(Course.once(5)).course(), List.of(emitter), Pace.SIXTY),
                List.of(emitter),
                new Layer[] {layer},
                7,
                0,
                new EffectRun.Placement(Vec3.ZERO, Vec3.UP, Vec3.ZERO),
                EffectRun.Descent.NONE);
        run.open(10_000);
        run.spawn(0);
        for (int step = 1; step <= steps; step++) {
            run.integrate(step);
            layer.advance(step);
            run.open(10_000);
            run.spawn(step);
        }
        layer.appear(steps);
        return layer;
    }

    private static Birth lying(Range gravity) {
        return Sample.burst(MANY, 3).with(d -> {
            d.speed = Range.ZERO;
            d.gravity = gravity;
        });
    }

    /** By hand: fallen y = s·g·t²/2 is even between the two ends; χ² of Hipparchus over ten cells. */
    @Test
    void fallsByAnythingBetween() {
        Layer layer = after(60, lying(new Range(0.5, 1.5)), Sample.falling(new Vec3(0, -10, 0), 0));
        long[] cells = new long[10];
        for (int i = 0; i < MANY; i++) {
            double share = layer.store().y[i] / (-10 / 2.0);
            assertThat(share).isBetween(0.4999, 1.5001);
            cells[(int) Math.min(9, Math.max(0, (share - 0.5) * 10))]++;
        }
        double[] even = new double[10];
        java.util.Arrays.fill(even, MANY / 10.0);
        assertThat(new ChiSquareTest().chiSquareTest(even, cells)).isGreaterThan(0.001);
    }

    @Test
    void fallsAlikeExactlyAndStepByStep() {
        Life exact = Sample.falling(new Vec3(1, -10, 0), 0.7);
        Layer one = after(60, lying(new Range(-1, 2)), exact);
        Layer other = after(60, lying(new Range(-1, 2)), exact.following(true));
        for (int i = 0; i < MANY; i++) {
            assertThat(other.store().y[i]).isCloseTo(one.store().y[i], within(1e-4f));
            assertThat(other.store().x[i]).isCloseTo(one.store().x[i], within(1e-4f));
        }
    }

    @Test
    void aWholeShareOfAllIsAsIfNothingWereSaid() {
        Birth many = Sample.burst(50, 3).with(d -> d.spread = 40);
        Life life = Sample.falling(new Vec3(0, -10, 0), 0.3);
        Layer plain = after(40, many, life);
        assertThat(plain.store().fall).isNull();
        Layer near = after(40, many.with(d -> d.gravity = new Range(1, 1 + 1e-12)), life);
        for (int i = 0; i < 50; i++) {
            assertThat(near.store().y[i]).isCloseTo(plain.store().y[i], within(1e-5f));
        }
    }

    /** By hand: half-way through life one lane says 0.5 red, the other 1 blue; a particle at share s has both in part. */
    @Test
    void coloursLieBetweenTwoLanes() {
        Gradient red = new Gradient(
                List.of(new Gradient.Stop(0, Rgba.parse("#000000")), new Gradient.Stop(1, Rgba.parse("#FF0000FF"))));
        Gradient blue = new Gradient(List.of(new Gradient.Stop(0, Rgba.parse("#0000FF80"))));
        Life life =
                new Life(Vec3.ZERO, 0, bellrope.core.value.Curve.ONE, bellrope.core.value.Curve.ONE, red).between(blue);
        Layer layer = after(90, Sample.burst(MANY, 3), life);
        double sum = 0;
        for (int i = 0; i < MANY; i++) {
            double s = layer.store().lane[i];
            sum += s;
            assertThat(layer.shade.reds()[i]).isCloseTo((float) (0.5 * (1 - s)), within(1e-3f));
            assertThat(layer.shade.blues()[i]).isCloseTo((float) s, within(1e-3f));
            assertThat(layer.shade.alphas()[i]).isCloseTo((float) (1 - s + s * 128 / 255), within(1e-3f));
        }
        assertThat(sum / MANY).isCloseTo(0.5, within(0.02));
    }

    @Test
    void aShareBeyondItsBoundsIsRefused() {
        assertThatThrownBy(() -> lying(new Range(0, 11)))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("gravity");
    }
}
