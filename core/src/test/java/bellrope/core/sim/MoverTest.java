package bellrope.core.sim;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import bellrope.core.Sample;
import bellrope.core.effect.Birth;
import bellrope.core.effect.Emitter;
import bellrope.core.effect.End;
import bellrope.core.effect.End.Barrier;
import bellrope.core.effect.End.Collision;
import bellrope.core.effect.End.Outcome;
import bellrope.core.effect.Force;
import bellrope.core.effect.Force.Falloff;
import bellrope.core.effect.Life;
import bellrope.core.value.Curve;
import bellrope.core.value.Gradient;
import bellrope.core.value.Range;
import bellrope.core.value.Refused;
import bellrope.core.value.Vec3;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import org.hipparchus.ode.ODEState;
import org.hipparchus.ode.OrdinaryDifferentialEquation;
import org.hipparchus.ode.nonstiff.DormandPrince853Integrator;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;

/** One particle on its way, step by step. */
class MoverTest {
    private static final Vec3 FALL = new Vec3(0, -9.8, 0);

    private static Birth thrown(Vec3 from, double speed) {
        return Sample.burst(1, 5).with(d -> {
            d.offset = from;
            d.speed = Range.of(speed);
        });
    }

    private static Emitter striking(Birth birth, Vec3 gravity, Collision collision) {
        return Sample.emitter("e", 1, birth, Sample.falling(gravity, 0))
                .withEnd(new End(Optional.of(collision), List.of(), Optional.empty()));
    }

    private static Collision ground(double bounce, double friction, Outcome then) {
        return new Collision(new Barrier.Ground(0), bounce, friction, 0, then);
    }

    @Nested
    class Bouncing {
        // Textbook: each rebound rises to the height before times e².
        @ParameterizedTest
        @ValueSource(doubles = {0.5, 0.7, 0.9, 1})
        void risesToTheHeightTimesTheSquareOfTheBounce(double e) {
            One one = new One(
                    striking(thrown(new Vec3(0, 2, 0), 0), FALL, ground(e, 0, Outcome.BOUNCES)), Vec3.ZERO, Vec3.ZERO);
            List<Double> peaks = new ArrayList<>();
            double before = 2;
            boolean rising = false;
            double highest = 0;
            while (one.step < 280 && peaks.size() < 3) {
                one.step();
                double y = one.place().y();
                highest = y > before ? Math.max(highest, y) : highest;
                if (rising && y < before) {
                    // The peak lies between steps: v²/2g above the last sample, from the velocity there.
                    double v = one.layer.store().integrated.uy[0];
                    peaks.add(y + v * v / (2 * 9.8));
                }
                rising = y > before;
                before = y;
            }
            double h = 2;
            for (double peak : peaks) {
                h *= e * e;
                assertThat(peak).isCloseTo(h, within(0.002));
            }
            assertThat(peaks).hasSizeGreaterThanOrEqualTo(2);
        }

        @Test
        void comesToLieAndDoesNotSink() {
            One one = new One(
                    striking(thrown(new Vec3(0, 1, 0), 0), FALL, ground(0.4, 0.5, Outcome.BOUNCES)),
                    Vec3.ZERO,
                    Vec3.ZERO);
            for (int i = 0; i < 250; i++) {
                one.step();
                assertThat(one.place().y()).isGreaterThan(-1e-4);
            }
            assertThat(one.place().y()).isCloseTo(0, within(1e-3));
            assertThat(one.layer.store().integrated.uy[0]).isCloseTo(0, within(0.2f));
        }

        @Test
        void losesSpeedAlongTheGroundToFriction() {
            Birth birth = Sample.burst(1, 5).with(d -> {
                d.offset = new Vec3(0, 0.5, 0);
                d.aim = new bellrope.core.effect.Aim.Along(Vec3.RIGHT);
                d.speed = Range.of(3);
            });
            One one = new One(striking(birth, FALL, ground(1, 0.4, Outcome.BOUNCES)), Vec3.ZERO, Vec3.ZERO);
            while (one.layer.store().integrated.hits[0] < 2) {
                one.step();
            }
            assertThat(one.layer.store().integrated.ux[0]).isCloseTo(3 * 0.6f * 0.6f, within(1e-4f));
        }

        @Test
        void staysInARoom() {
            Birth birth = Sample.burst(1, 5).with(d -> {
                d.spread = 180;
                d.speed = Range.of(20);
            });
            for (int seed = 1; seed < 30; seed++) {
                Emitter e = striking(
                        birth,
                        FALL,
                        new Collision(new Barrier.Box(Vec3.ZERO, new Vec3(2, 3, 4), true), 0.9, 0, 0, Outcome.BOUNCES));
                One one = new One(new Emitter("e", seed, e.birth(), e.look(), e.life(), e.end()), Vec3.ZERO, Vec3.ZERO);
                for (int i = 0; i < 200; i++) {
                    one.step();
                    Vec3 p = one.place();
                    assertThat(Math.max(Math.abs(p.x()) - 1, Math.max(Math.abs(p.y()) - 1.5, Math.abs(p.z()) - 2)))
                            .as("outside by, seed %d", seed)
                            .isLessThan(1e-3);
                }
            }
        }

        @Test
        void doesNotPassThroughABlockHoweverFast() {
            Collision block = new Collision(
                    new Barrier.Box(new Vec3(0, 3, 0), new Vec3(1, 1, 1), false), 1, 0, 0, Outcome.BOUNCES);
            One one = new One(striking(thrown(Vec3.ZERO, 900), Vec3.ZERO, block), Vec3.ZERO, Vec3.ZERO);
            one.step();
            one.step();
            assertThat(one.place().y()).as("thrown back from 2.5 u").isCloseTo(2.5 - (30 - 2.5), within(1e-3));
        }
    }

    @Test
    void whatSticksStays() {
        One one = new One(
                striking(thrown(new Vec3(1, 1, 0), 0), FALL, ground(0.5, 0, Outcome.STICKS)), Vec3.ZERO, Vec3.ZERO);
        for (int i = 0; i < 100; i++) {
            one.step();
        }
        assertThat(one.place()).isEqualTo(new Vec3(1, one.place().y(), 0));
        assertThat(one.place().y()).isCloseTo(0, within(1e-6));
        assertThat(one.layer.store().count()).isEqualTo(1);
    }

    @Test
    void deadIsGone() {
        One one =
                new One(striking(thrown(new Vec3(0, 1, 0), 0), FALL, ground(0, 0, Outcome.DIES)), Vec3.ZERO, Vec3.ZERO);
        // √(2h/g) = 0.4518 s, so it strikes in step 28.
        for (int i = 0; i < 27; i++) {
            one.step();
        }
        assertThat(one.layer.store().count()).isEqualTo(1);
        one.step();
        assertThat(one.layer.store().count()).isZero();
    }

    @Test
    void losesAShareOfTheLifeLeft() {
        Emitter e = striking(
                thrown(new Vec3(0, 1, 0), 0), FALL, new Collision(new Barrier.Ground(0), 0, 0, 0.5, Outcome.STICKS));
        One one = new One(e, Vec3.ZERO, Vec3.ZERO);
        int gone = 0;
        while (one.layer.store().count() > 0) {
            one.step();
            gone = one.step;
        }
        // Struck in step 28 with 272 of 300 steps left, half of which are lost.
        assertThat(gone).isEqualTo(28 + 136);
    }

    @Nested
    class UnderForces {
        // Dormand–Prince 8(5,3) by Hipparchus, with a tolerance of 1e-12.
        private double[] reference(Force force, double drag, double seconds) {
            OrdinaryDifferentialEquation equation = new OrdinaryDifferentialEquation() {
                @Override
                public int getDimension() {
                    return 6;
                }

                @Override
                public double[] computeDerivatives(double t, double[] y) {
                    double[] a = acceleration(force, y);
                    return new double[] {y[3], y[4], y[5], a[0] - drag * y[3], a[1] - drag * y[4], a[2] - drag * y[5]};
                }
            };
            return new DormandPrince853Integrator(1e-8, 0.1, 1e-12, 1e-12)
                    .integrate(equation, new ODEState(0, new double[] {1, 0.5, 0.2, 0, 2, 0}), seconds)
                    .getPrimaryState();
        }

        private double[] acceleration(Force force, double[] y) {
            if (force instanceof Force.Attractor a) {
                double[] d = {
                    a.place().x() - y[0], a.place().y() - y[1], a.place().z() - y[2]
                };
                double r = Math.sqrt(d[0] * d[0] + d[1] * d[1] + d[2] * d[2]);
                double k = a.strength() * share(a.falloff(), r / a.radius()) / r;
                return new double[] {d[0] * k, d[1] * k, d[2] * k};
            }
            if (force instanceof Force.Swirl s) {
                // Axis y: y × r = (z, 0, −x).
                double r = Math.sqrt(y[0] * y[0] + y[2] * y[2]);
                double k = s.strength() * share(s.falloff(), r / s.radius()) / r;
                return new double[] {y[2] * k, 0, -y[0] * k};
            }
            double r = Math.sqrt(y[0] * y[0] + y[1] * y[1] + y[2] * y[2]);
            double k = force.strength() / r;
            return new double[] {y[0] * k, y[1] * k, y[2] * k};
        }

        private double share(Falloff falloff, double q) {
            return switch (falloff) {
                case NONE -> 1;
                case LINEAR -> Math.max(0, 1 - q);
                case SQUARE -> 1 / (1 + q * q);
            };
        }

        private void compare(Force force, double drag) {
            Life life = Sample.falling(Vec3.ZERO, drag).withForces(List.of(force));
            One one = new One(Sample.emitter("e", 1, thrown(new Vec3(1, 0.5, 0.2), 2), life), Vec3.ZERO, Vec3.ZERO);
            for (int i = 0; i < 120; i++) {
                one.step();
            }
            double[] expected = reference(force, drag, 2);
            assertThat(one.place().x()).isCloseTo(expected[0], within(1e-4));
            assertThat(one.place().y()).isCloseTo(expected[1], within(1e-4));
            assertThat(one.place().z()).isCloseTo(expected[2], within(1e-4));
        }

        @ParameterizedTest
        @EnumSource(Falloff.class)
        void anAttractorAgreesWithAnIndependentIntegrator(Falloff falloff) {
            compare(new Force.Attractor(new Vec3(0, 1, -0.5), 3, 20, falloff), 0);
            if (falloff != Falloff.NONE) {
                // Drag leads to the middle, where the direction of a pull that does not weaken jumps.
                compare(new Force.Attractor(new Vec3(0, 1, -0.5), 3, 20, falloff), 0.4);
            }
            compare(new Force.Attractor(new Vec3(0, 1, -0.5), -2, 50, falloff), 0.3);
        }

        @ParameterizedTest
        @EnumSource(Falloff.class)
        void aSwirlAgreesWithAnIndependentIntegrator(Falloff falloff) {
            compare(new Force.Swirl(Vec3.ZERO, Vec3.UP, 4, 30, falloff), 0);
            compare(new Force.Swirl(Vec3.ZERO, Vec3.UP, -4, 30, falloff), 2);
        }

        @Test
        void aPushAgreesWithAnIndependentIntegrator() {
            compare(new Force.Push(2.5), 0.5);
        }

        // The exact solution of v' = a − k·v, which has a motion of its own elsewhere.
        @Test
        void withoutForcesItIsTheExactFlight() {
            Emitter plain = Sample.emitter("e", 1, thrown(new Vec3(0, 50, 0), 4), Sample.falling(FALL, 1.3));
            Emitter integrated = plain.withEnd(new End(
                    Optional.of(new Collision(new Barrier.Ground(-900), 0, 0, 0, Outcome.DIES)),
                    List.of(),
                    Optional.empty()));
            One exact = new One(plain, Vec3.ZERO, Vec3.ZERO);
            One stepped = new One(integrated, Vec3.ZERO, Vec3.ZERO);
            for (int i = 0; i < 180; i++) {
                exact.step();
                stepped.step();
            }
            exact.layer.advance(180);
            assertThat(stepped.place().y()).isCloseTo(exact.place().y(), within(2e-4));
        }

        @Test
        void turbulenceIsSmoothBoundedAndTheSameEachTime() {
            Field field = new Field(List.of(new Force.Turbulence(3, 0.8, 2)), bellrope.core.value.Rotation.NONE, 5);
            Field again = new Field(List.of(new Force.Turbulence(3, 0.8, 2)), bellrope.core.value.Rotation.NONE, 5);
            Field other = new Field(List.of(new Force.Turbulence(3, 0.8, 2)), bellrope.core.value.Rotation.NONE, 6);
            double sum = 0;
            double before = Double.NaN;
            boolean differs = false;
            for (int i = 0; i < 4000; i++) {
                double x = i * 0.01;
                field.gust(x, -x / 3, x / 7, i * 0.001);
                again.gust(x, -x / 3, x / 7, i * 0.001);
                other.gust(x, -x / 3, x / 7, i * 0.001);
                assertThat(field.ax).isEqualTo(again.ax).isBetween(-3.0, 3.0);
                differs |= field.ax != other.ax;
                if (i > 0) {
                    // Quintic fade: slope at most 1.875 per cell, of a difference of at most 6.
                    assertThat(Math.abs(field.ax - before)).isLessThan(1.875 * 6 * (0.01 / 0.8 * 1.5 + 0.002));
                }
                before = field.ax;
                sum += field.ax;
            }
            assertThat(differs).isTrue();
            assertThat(sum / 4000).as("leans nowhere").isCloseTo(0, within(0.5));
        }
    }

    @Nested
    class ALaneOfSpeed {
        @Test
        void thatMultipliesGivesTheIntegralOfTheCurve() {
            // 4 u/s × ∫(1 − t/5) dt over 5 s = 10 u.
            Life life = Sample.still().withSpeed(Curve.through(0, 1, 1, 0));
            One one = new One(Sample.emitter("e", 1, thrown(Vec3.ZERO, 4), life), Vec3.ZERO, Vec3.ZERO);
            for (int i = 0; i < 299; i++) {
                one.step();
            }
            assertThat(one.place().y()).isCloseTo(10, within(1e-3));
        }

        @Test
        void thatReplacesGivesItsOwnSpeedInTheSameDirection() {
            Life life = Sample.still().withSpeed(Curve.constant(3)).replacing(Set.of(Life.Lane.SPEED));
            One one = new One(Sample.emitter("e", 1, thrown(Vec3.ZERO, 0.5), life), Vec3.ZERO, Vec3.ZERO);
            for (int i = 0; i < 60; i++) {
                one.step();
            }
            assertThat(one.place().y()).isCloseTo(3, within(1e-4));
        }
    }

    @Nested
    class WhenTheSourceMoves {
        private static final Vec3 RIDE = new Vec3(6, 0, 0);

        @Test
        void whatIsBornPerUnitLiesAtEvenDistances() {
            Birth birth = Sample.burst(0, 5).with(d -> {
                d.perUnit = OptionalDouble.of(2);
                d.speed = Range.ZERO;
            });
            One one = new One(Sample.emitter("e", 1, birth, Sample.still()), Vec3.ZERO, RIDE);
            for (int i = 0; i < 60; i++) {
                one.step();
            }
            ParticleStore s = one.layer.store();
            assertThat(s.count()).isEqualTo(12);
            for (int i = 0; i < s.count(); i++) {
                assertThat(s.x0[i]).isCloseTo((i + 1) * 0.5f, within(1e-4f));
            }
        }

        @Test
        void localParticlesGoWithItAndThoseOfTheWorldDoNot() {
            for (Birth.Space space : Birth.Space.values()) {
                Birth birth = thrown(Vec3.ZERO, 1).with(d -> d.space = space);
                One one = new One(Sample.emitter("e", 1, birth, Sample.still()), Vec3.ZERO, RIDE);
                for (int i = 0; i < 60; i++) {
                    one.step();
                }
                one.layer.advance(60);
                assertThat(one.place().x()).isCloseTo(space == Birth.Space.LOCAL ? 6 : 0, within(1e-4));
                assertThat(one.place().y()).isCloseTo(1, within(1e-4));
            }
        }

        @Test
        void aShareOfItsVelocityIsInherited() {
            Birth birth = thrown(Vec3.ZERO, 0).with(d -> d.inherit = 0.5);
            One one = new One(Sample.emitter("e", 1, birth, Sample.still()), Vec3.ZERO, RIDE);
            assertThat(one.layer.store().vx[0]).isEqualTo(3f);
        }
    }

    /** Returns the lengths of all pictures of ribbons added up, of a particle that flies 3 u/s. */
    private static double laid(End.Trail trail) {
        Emitter e = Sample.emitter("e", 1, thrown(Vec3.ZERO, 3), Sample.still())
                .withEnd(new End(Optional.empty(), List.of(), Optional.of(trail)));
        One one = new One(e, Vec3.ZERO, Vec3.ZERO);
        for (int i = 0; i < 120; i++) {
            one.step();
        }
        var frame = new FrameEncoder().encode(List.of(one.layer), 120, 1, 0);
        assertThat(frame.getInt(52)).as("particles").isEqualTo(1);
        double length = 0;
        int pieces = frame.getInt(12) - 1;
        for (int i = 0; i < pieces; i++) {
            int bits = frame.getShort(64 + i * FrameEncoder.STRIDE + 6) & 0xFFFF;
            int exponent = bits >> 10;
            length += (1 + (bits & 1023) / 1024.0) * Math.scalb(1.0, exponent - 15);
        }
        return length;
    }

    @Test
    void aTrailIsAsLongAsItsTime() {
        assertThat(laid(new End.Trail(0.5, End.Trail.By.SECONDS, Curve.ONE, Gradient.WHITE)))
                .isCloseTo(1.5, within(0.08));
    }

    @Test
    void aTrailOfPointsIsAsLongAsSoManySteps() {
        // 20 steps of a sixtieth of a second at 3 u/s.
        assertThat(laid(new End.Trail(20, End.Trail.By.POINTS, Curve.ONE, Gradient.WHITE)))
                .isCloseTo(1, within(0.01));
        assertThat(laid(new End.Trail(90, End.Trail.By.POINTS, Curve.ONE, Gradient.WHITE)))
                .isCloseTo(4.5, within(0.2));
    }

    @Test
    void ribbonsOverOneAnotherReachTheirShareOfTheWay() {
        End.Trail.Over half = new End.Trail.Over(0.5, Curve.constant(0.2), Gradient.WHITE);
        End.Trail.Over tenth = new End.Trail.Over(0.1, Curve.constant(0.1), Gradient.WHITE);
        for (End.Trail.By by : List.of(End.Trail.By.SECONDS, End.Trail.By.UNITS)) {
            double length = by == End.Trail.By.UNITS ? 1.5 : 0.5;
            double alone = laid(new End.Trail(length, by, Curve.ONE, Gradient.WHITE));
            assertThat(laid(new End.Trail(length, by, Curve.ONE, Gradient.WHITE, List.of(half, tenth))))
                    .isCloseTo(alone + 0.75 + 0.15, within(0.03));
        }
    }

    @Test
    void ribbonsThatCannotBeAreRefused() {
        for (double points : new double[] {1, 2.5, 1e6}) {
            assertThatThrownBy(() -> new End.Trail(points, End.Trail.By.POINTS, Curve.ONE, Gradient.WHITE))
                    .isInstanceOf(Refused.class)
                    .hasMessageContaining("length");
        }
        assertThatThrownBy(() -> new End.Trail.Over(0, Curve.ONE, Gradient.WHITE))
                .isInstanceOf(Refused.class);
    }
}
