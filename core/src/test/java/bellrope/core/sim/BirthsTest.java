package bellrope.core.sim;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import bellrope.core.Sample;
import bellrope.core.effect.Aim;
import bellrope.core.effect.Birth;
import bellrope.core.effect.Emitter;
import bellrope.core.effect.Shape;
import bellrope.core.effect.Sprite;
import bellrope.core.value.Pace;
import bellrope.core.value.Range;
import bellrope.core.value.Vec3;
import java.util.List;
import java.util.function.IntToDoubleFunction;
import org.hipparchus.distribution.continuous.UniformRealDistribution;
import org.hipparchus.stat.inference.ChiSquareTest;
import org.hipparchus.stat.inference.KolmogorovSmirnovTest;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Distributions against Hipparchus' Kolmogorov–Smirnov and χ² tests, on fixed seeds, p above 0.001. */
class BirthsTest {
    private static final int N = 5000;

    private static ParticleStore born(Shape shape, double spread, Vec3 facing) {
        Birth birth = Sample.burst(N, 1).with(d -> {
            d.shape = shape;
            d.aim = shape instanceof Shape.Cone ? new Aim.Outward() : Aim.UP;
            d.spread = spread;
            d.speed = Range.of(1);
            d.lifetime = new Range(0.5, 1.5);
            d.size = new Range(1, 3);
        });
        return born(birth, facing);
    }

    private static ParticleStore born(Birth birth, Vec3 facing) {
        Emitter emitter = Sample.emitter("e", 1, birth, Sample.still());
        Layer layer = new Layer(emitter, 60, 0, new Sprite("dot", 1));
        EffectRun run = new EffectRun(
                Sample.effect("e", emitter),
                List.of(emitter),
                new Layer[] {layer},
                Pace.SIXTY,
                99,
                0,
                new EffectRun.Placement(Vec3.ZERO, facing, Vec3.ZERO));
        run.open(N);
        run.bear(0);
        assertThat(layer.store().count()).isEqualTo(N);
        return layer.store();
    }

    private static void uniform(double least, double most, IntToDoubleFunction value) {
        double[] sample = new double[N];
        for (int i = 0; i < N; i++) {
            sample[i] = value.applyAsDouble(i);
        }
        double p = new KolmogorovSmirnovTest()
                .kolmogorovSmirnovTest(new UniformRealDistribution(least, most), sample, false);
        assertThat(p).isGreaterThan(0.001);
    }

    // Archimedes: the height of points even over a sphere is itself even.
    @ParameterizedTest
    @ValueSource(doubles = {20, 90, 180})
    void spreadIsEvenOverItsCap(double spread) {
        ParticleStore s = born(new Shape.Point(), spread, Vec3.UP);
        uniform(Math.cos(Math.toRadians(spread)), 1, i -> s.vy[i]);
        uniform(-Math.PI, Math.PI, i -> Math.atan2(s.vz[i], s.vx[i]));
    }

    // Mardia & Jupp, Directional Statistics: the mean resultant length of a uniform distribution is 0.
    @Test
    void aFullSpreadLeansNowhere() {
        ParticleStore s = born(new Shape.Point(), 180, Vec3.UP);
        double x = 0;
        double y = 0;
        double z = 0;
        for (int i = 0; i < N; i++) {
            x += s.vx[i];
            y += s.vy[i];
            z += s.vz[i];
        }
        assertThat(new Vec3(x / N, y / N, z / N).length()).isLessThan(3 / Math.sqrt(N));
    }

    @Test
    void aDiscIsFilledEvenly() {
        ParticleStore s = born(new Shape.Circle(2, Shape.Fill.INSIDE, 360), 0, Vec3.UP);
        uniform(0, 4, i -> s.x0[i] * s.x0[i] + s.z0[i] * s.z0[i]);
        long[] sectors = new long[12];
        for (int i = 0; i < N; i++) {
            sectors[(int) ((Math.atan2(s.z0[i], s.x0[i]) / Math.PI + 1) * 6) % 12]++;
        }
        double[] even = new double[12];
        java.util.Arrays.fill(even, N / 12.0);
        assertThat(new ChiSquareTest().chiSquareTest(even, sectors)).isGreaterThan(0.001);
    }

    @Test
    void aConeTiltsByItsAngleAtTheRim() {
        ParticleStore s = born(new Shape.Cone(1, 30), 0, Vec3.UP);
        for (int i = 0; i < N; i++) {
            double share = Math.hypot(s.x0[i], s.z0[i]);
            assertThat(Math.acos(Math.min(1, s.vy[i]))).isCloseTo(Math.toRadians(30 * share), within(1e-3));
            assertThat((double) (s.vx[i] * s.z0[i] - s.vz[i] * s.x0[i]))
                    .as("outward")
                    .isCloseTo(0, within(1e-6));
        }
    }

    @Test
    void facingTurnsPlaceAndThrowTogether() {
        Vec3 wall = new Vec3(-1, 0, 0);
        ParticleStore s = born(new Shape.Circle(1, Shape.Fill.INSIDE, 360), 40, wall);
        for (int i = 0; i < N; i++) {
            assertThat(s.x0[i]).isCloseTo(0, within(1e-6f));
            assertThat(-s.vx[i]).isGreaterThanOrEqualTo((float) Math.cos(Math.toRadians(40)) - 1e-5f);
        }
    }

    @Test
    void rangesAreFilledEvenly() {
        ParticleStore s = born(new Shape.Point(), 0, Vec3.UP);
        uniform(1, 3, i -> s.size[i]);
        uniform(0.5, 1.5, i -> 1 / s.pace[i] / 60);
    }
}
