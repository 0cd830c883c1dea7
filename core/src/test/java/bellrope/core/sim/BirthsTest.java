package bellrope.core.sim;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import bellrope.core.Sample;
import bellrope.core.effect.Aim;
import bellrope.core.effect.Birth;
import bellrope.core.effect.Emitter;
import bellrope.core.effect.Shape;
import bellrope.core.effect.Sprite;
import bellrope.core.effect.Tint;
import bellrope.core.value.Gradient;
import bellrope.core.value.Pace;
import bellrope.core.value.Range;
import bellrope.core.value.Refused;
import bellrope.core.value.Rgba;
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
                new Plan(Sample.effect("e", emitter).course(), List.of(emitter), Pace.SIXTY),
                List.of(emitter),
                new Layer[] {layer},
                99,
                0,
                new EffectRun.Placement(Vec3.ZERO, facing, Vec3.ZERO),
                EffectRun.Descent.NONE);
        run.open(N);
        run.spawn(0);
        assertThat(layer.store().count()).isEqualTo(N);
        return layer.store();
    }

    @Test
    void aVelocityByAxesFillsItsBoxAndTheSpeedMultipliesIt() {
        Birth birth = Sample.burst(N, 1).with(d -> {
            d.aim = new Aim.Axes(new Range(-3, 1), new Range(2, 6), new Range(0, 8));
            d.spread = 40;
            d.speed = Range.of(0.5);
        });
        ParticleStore store = born(birth, Vec3.UP);
        uniform(-1.5, 0.5, i -> store.vx[i]);
        uniform(1, 3, i -> store.vy[i]);
        uniform(0, 4, i -> store.vz[i]);
        // Each axis by itself: even over the eighths of the box.
        long[] eighths = new long[8];
        for (int i = 0; i < N; i++) {
            eighths[(store.vx[i] > -0.5 ? 1 : 0) + (store.vy[i] > 2 ? 2 : 0) + (store.vz[i] > 2 ? 4 : 0)]++;
        }
        double[] even = new double[8];
        java.util.Arrays.fill(even, N / 8.0);
        assertThat(new ChiSquareTest().chiSquareTest(even, eighths)).isGreaterThan(0.001);
    }

    @Test
    void aWeightedChoiceKeepsItsShares() {
        List<Rgba> colours = List.of(Rgba.parse("#FF0000FF"), Rgba.parse("#00FF00FF"), Rgba.parse("#0000FFFF"));
        ParticleStore store =
                born(Sample.burst(N, 1).with(d -> d.colour = new Tint.OneOf(colours, List.of(6.0, 3.0, 1.0))), Vec3.UP);
        long[] came = new long[3];
        for (int i = 0; i < N; i++) {
            came[store.red[i] > 0 ? 0 : store.green[i] > 0 ? 1 : 2]++;
        }
        assertThat(new ChiSquareTest().chiSquareTest(new double[] {N * 0.6, N * 0.3, N * 0.1}, came))
                .isGreaterThan(0.001);
    }

    @Test
    void sizesAreOneOfSomeByTheirWeightsAndAreScaledTogether() {
        Birth birth = Sample.burst(N, 1)
                .with(d -> d.sizes = List.of(new Birth.Pick(0.1, 2), new Birth.Pick(0.4, 1), new Birth.Pick(0.2, 1)));
        assertThat(birth.size()).isEqualTo(new Range(0.1, 0.4));
        ParticleStore store = born(birth, Vec3.UP);
        long[] came = new long[3];
        for (int i = 0; i < N; i++) {
            came[store.size[i] < 0.15 ? 0 : store.size[i] > 0.3 ? 1 : 2]++;
        }
        assertThat(new ChiSquareTest().chiSquareTest(new double[] {N / 2.0, N / 4.0, N / 4.0}, came))
                .isGreaterThan(0.001);
        Emitter twice = bellrope.core.effect.Property.SIZE.multiplied(Sample.emitter("e", 1, birth, Sample.still()), 2);
        assertThat(twice.birth().sizes()).extracting(Birth.Pick::size).containsExactly(0.2, 0.8, 0.4);
        assertThat(twice.birth().size()).isEqualTo(new Range(0.2, 0.8));
    }

    @Test
    void weightsThatWeighNothingAreRefused() {
        List<Rgba> two = List.of(Rgba.WHITE, Rgba.WHITE);
        assertThatThrownBy(() -> new Tint.OneOf(two, List.of(1.0, 0.0)))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("weights/1");
        assertThatThrownBy(() -> new Tint.OneOf(two, List.of(1.0))).isInstanceOf(Refused.class);
        assertThatThrownBy(() -> new Aim.Axes(new Range(3, 2), Range.ZERO, Range.ZERO))
                .isInstanceOf(Refused.class);
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

    private static Birth from(Shape shape, java.util.function.Consumer<Birth.Draft> more) {
        return Sample.burst(N, 1).with(d -> {
            d.shape = shape;
            d.speed = Range.of(1);
            more.accept(d);
        });
    }

    @Test
    void aRimIsEvenRoundItsArc() {
        ParticleStore s = born(from(new Shape.Circle(2, Shape.Fill.EDGE, 90), d -> {}), Vec3.UP);
        uniform(0, Math.PI / 2, i -> Math.atan2(s.z0[i], s.x0[i]));
        for (int i = 0; i < N; i++) {
            assertThat(Math.hypot(s.x0[i], s.z0[i])).isCloseTo(2, within(1e-5));
        }
    }

    // Archimedes for the shell; equal volumes for what is inside.
    @Test
    void aSphereIsEvenOverItsShellAndThroughItsVolume() {
        ParticleStore shell = born(from(new Shape.Sphere(3, Shape.Fill.EDGE), d -> {}), Vec3.UP);
        uniform(-3, 3, i -> shell.y0[i]);
        uniform(-Math.PI, Math.PI, i -> Math.atan2(shell.z0[i], shell.x0[i]));
        ParticleStore inside = born(from(new Shape.Sphere(3, Shape.Fill.INSIDE), d -> {}), Vec3.UP);
        uniform(0, 1, i -> Math.pow(new Vec3(inside.x0[i], inside.y0[i], inside.z0[i]).length() / 3, 3));
    }

    @Test
    void aBoxIsEvenOverItsFullSize() {
        ParticleStore s = born(from(new Shape.Box(new Vec3(2, 4, 6)), d -> {}), Vec3.UP);
        uniform(-1, 1, i -> s.x0[i]);
        uniform(-2, 2, i -> s.y0[i]);
        uniform(-3, 3, i -> s.z0[i]);
    }

    @Test
    void aLineIsEvenAlongItsLength() {
        ParticleStore s = born(from(new Shape.Line(5), d -> {}), Vec3.UP);
        uniform(-2.5, 2.5, i -> s.x0[i]);
        assertThat(s.y0[17]).isZero();
    }

    @Test
    void evenlyLeavesEqualGaps() {
        ParticleStore rim =
                born(from(new Shape.Circle(1, Shape.Fill.EDGE, 360), d -> d.placing = Shape.Placing.EVENLY), Vec3.UP);
        for (int i = 1; i < N; i++) {
            double gap = Math.hypot(rim.x0[i] - rim.x0[i - 1], rim.z0[i] - rim.z0[i - 1]);
            assertThat(gap).isCloseTo(2 * Math.sin(Math.PI / N), within(1e-6));
        }
    }

    // Mardia & Jupp: a quadrant of even directions has a mean resultant length of 2√2/π ≈ 0.9003.
    @Test
    void outwardFromAQuadrantLeansAsTheTheorySays() {
        ParticleStore s = born(from(new Shape.Circle(2, Shape.Fill.EDGE, 90), d -> d.aim = new Aim.Outward()), Vec3.UP);
        double x = 0;
        double z = 0;
        for (int i = 0; i < N; i++) {
            x += s.vx[i];
            z += s.vz[i];
        }
        assertThat(Math.hypot(x, z) / N).isCloseTo(2 * Math.sqrt(2) / Math.PI, within(0.01));
    }

    @Test
    void tangentIsSquareToOutward() {
        ParticleStore s =
                born(from(new Shape.Circle(2, Shape.Fill.INSIDE, 360), d -> d.aim = new Aim.Tangent()), Vec3.UP);
        for (int i = 0; i < N; i++) {
            assertThat(s.vx[i] * s.x0[i] + s.vz[i] * s.z0[i]).isCloseTo(0, within(1e-5f));
            // Counter-clockwise seen from above: y × r.
            assertThat(s.z0[i] * s.vx[i] - s.x0[i] * s.vz[i]).isPositive();
        }
    }

    @Test
    void offsetAndTurnAreInTheEffectsFrame() {
        Birth birth = from(new Shape.Point(), d -> {
            d.offset = new Vec3(1, 2, 0);
            d.turn = new Vec3(0, 0, 90);
        });
        ParticleStore up = born(birth, Vec3.UP);
        assertThat(up.x0[0]).isCloseTo(1, within(1e-6f));
        assertThat(up.vx[0]).as("a quarter turn about z carries up to −x").isCloseTo(-1, within(1e-6f));
        ParticleStore wall = born(birth, Vec3.RIGHT);
        assertThat(wall.x0[0]).as("facing right, up is right").isCloseTo(2, within(1e-6f));
        assertThat(wall.vy[0]).isCloseTo(1, within(1e-6f));
    }

    @Test
    void coloursComeFromAListOrAGradient() {
        Rgba red = new Rgba(255, 0, 0, 255);
        Rgba blue = new Rgba(0, 0, 255, 255);
        ParticleStore list = born(from(new Shape.Point(), d -> d.colour = new Tint.OneOf(List.of(red, blue))), Vec3.UP);
        int reds = 0;
        for (int i = 0; i < N; i++) {
            assertThat(list.red[i] + list.blue[i]).isEqualTo(1f);
            reds += (int) list.red[i];
        }
        assertThat(reds).isBetween(N / 2 - 150, N / 2 + 150);
        Gradient gradient = new Gradient(List.of(new Gradient.Stop(0, red), new Gradient.Stop(1, blue)));
        ParticleStore from = born(from(new Shape.Point(), d -> d.colour = new Tint.From(gradient)), Vec3.UP);
        uniform(0, 1, i -> from.blue[i]);
    }
}
