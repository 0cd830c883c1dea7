package bellrope.core.sim;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import bellrope.core.Sample;
import bellrope.core.effect.Birth;
import bellrope.core.effect.Force;
import bellrope.core.effect.Force.Falloff;
import bellrope.core.effect.Life;
import bellrope.core.value.Range;
import bellrope.core.value.Vec3;
import java.util.List;
import org.hipparchus.ode.ODEState;
import org.hipparchus.ode.OrdinaryDifferentialEquation;
import org.hipparchus.ode.nonstiff.DormandPrince853Integrator;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What acts on particles changes while they live. */
class LiveForcesTest {
    private static final Vec3 FALL = new Vec3(0, -9.8, 0);

    private static Birth thrown(Vec3 from, double speed) {
        return Sample.burst(1, 5).with(d -> {
            d.offset = from;
            d.speed = Range.of(speed);
        });
    }

    private static void close(Vec3 found, double x, double y, double z, double by) {
        assertThat(found.x()).isCloseTo(x, within(by));
        assertThat(found.y()).isCloseTo(y, within(by));
        assertThat(found.z()).isCloseTo(z, within(by));
    }

    /** Source: the equation of motion by Dormand–Prince 8(5,3) of Hipparchus, its centre going along evenly. */
    @ParameterizedTest
    @ValueSource(doubles = {0, 2, 8})
    void anAttractorThatGoesAlongPullsFromWhereItIs(double along) {
        Force.Attractor pull = new Force.Attractor(new Vec3(0.5, 1, 0), 6, 2, Falloff.SQUARE);
        double drag = 0.8;
        Life life = Sample.falling(Vec3.ZERO, drag).withForces(List.of(pull)).following(true);
        One one = One.of(thrown(new Vec3(1, 0.5, 0.2), 2), life, new Vec3(along, 0, 0))
                .steps(120, o -> {});
        OrdinaryDifferentialEquation equation = new OrdinaryDifferentialEquation() {
            @Override
            public int getDimension() {
                return 6;
            }

            @Override
            public double[] computeDerivatives(double t, double[] y) {
                double dx = 0.5 + along * t - y[0];
                double dy = 1 - y[1];
                double dz = -y[2];
                double r = Math.sqrt(dx * dx + dy * dy + dz * dz);
                double k = 6 / (1 + r * r / 4) / r;
                return new double[] {y[3], y[4], y[5], dx * k - drag * y[3], dy * k - drag * y[4], dz * k - drag * y[5]
                };
            }
        };
        double[] expected = new DormandPrince853Integrator(1e-8, 0.1, 1e-12, 1e-12)
                .integrate(equation, new ODEState(0, new double[] {1, 0.5, 0.2, 0, 2, 0}), 2)
                .getPrimaryState();
        close(one.place(), expected[0], expected[1], expected[2], 2e-4);
    }

    /** By hand: each half second of constant acceleration carries on from the speed before, s = v·t + a·t²/2. */
    @Test
    void gravityThatIsTurnedActsOnWhatFlies() {
        Life life = Sample.falling(FALL, 0).following(true);
        One one = One.of(thrown(Vec3.ZERO, 4), life, Vec3.ZERO);
        one.steps(30, o -> {});
        double v = 4 - 9.8 / 2;
        double y = 4 * 0.5 - 9.8 / 8;
        close(one.place(), 0, y, 0, 1e-4);
        one.driven(life.withGravity(new Vec3(6, 2, 0)));
        one.steps(30, o -> {});
        close(one.place(), 6 / 8.0, y + v * 0.5 + 2 / 8.0, 0, 1e-4);
    }

    @Test
    void dragThatIsTurnedActsOnWhatFlies() {
        Life life = Sample.still().following(true);
        One one = One.of(thrown(Vec3.ZERO, 4), life, Vec3.ZERO);
        one.steps(30, o -> {});
        one.driven(life.withDrag(3));
        one.steps(30, o -> {});
        // By hand: 4 u/s for 0.5 s, then v₀·(1 − e^(−kt)) / k.
        close(one.place(), 0, 2 + 4 * (1 - Math.exp(-1.5)) / 3, 0, 1e-4);
    }

    @Test
    void withoutItAnInstanceKeepsThatOfItsBeginning() {
        Life life = Sample.falling(FALL, 0);
        One kept = One.of(thrown(Vec3.ZERO, 4), life, Vec3.ZERO).steps(30, o -> {});
        kept.driven(life.withGravity(Vec3.ZERO));
        kept.steps(30, o -> {});
        close(kept.place(), 0, 4 - 9.8 / 2, 0, 1e-4);
    }

    @Test
    void whatLivesTheSameIsMovedAlike() {
        // Driven to what it is anyway, step by step: not a bit changes.
        Force.Swirl swirl = new Force.Swirl(Vec3.ZERO, Vec3.UP, 5, 3, Falloff.LINEAR);
        Life life = Sample.falling(FALL, 0.5).withForces(List.of(swirl)).following(true);
        Birth birth = thrown(new Vec3(1, 0, 0), 2);
        One left = One.of(birth, life, Vec3.ZERO).steps(60, o -> {});
        One told = One.of(birth, life, Vec3.ZERO)
                .steps(60, o -> o.driven(life.withDrag(0.5).following(true)));
        assertThat(told.place()).isEqualTo(left.place());
    }

    @Test
    void aStrengthBeyondAnyIsHeld() {
        Force held = new Force.Push(10).times(1e300);
        assertThat(held.strength()).isEqualTo(10_000);
        One one = One.of(
                thrown(new Vec3(1, 0, 0), 0),
                Sample.still().withForces(List.of(held)).following(true),
                Vec3.ZERO);
        one.steps(60, o -> {});
        assertThat(one.place().x()).isCloseTo(1 + 10_000 / 2.0, within(1.0));
    }
}
