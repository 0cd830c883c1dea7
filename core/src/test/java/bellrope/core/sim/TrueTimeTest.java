package bellrope.core.sim;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import bellrope.core.Sample;
import bellrope.core.effect.Birth;
import bellrope.core.effect.Burst;
import bellrope.core.effect.Course;
import bellrope.core.effect.Effect;
import bellrope.core.effect.Emitter;
import bellrope.core.effect.End;
import bellrope.core.effect.End.Child;
import bellrope.core.effect.End.Child.When;
import bellrope.core.effect.Force;
import bellrope.core.effect.Life;
import bellrope.core.effect.Sprite;
import bellrope.core.effect.Stream;
import bellrope.core.measure.Numbers;
import bellrope.core.stage.Preview;
import bellrope.core.value.Pace;
import bellrope.core.value.Range;
import bellrope.core.value.Vec3;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Births and deaths happen when they happen; steps are when one looks. */
class TrueTimeTest {
    private static Birth streaming(double perSecond, double life) {
        return Sample.burst(0, life)
                .with(d -> d.stream = Optional.of(new Stream(perSecond, 0, OptionalDouble.empty())));
    }

    /** One emitter that plays by itself. */
    private static final class Playing {
        final Layer layer;
        final EffectRun run;
        int step;

        Playing(Emitter emitter, Course course, Pace pace, Vec3 velocity) {
            layer = new Layer(emitter, pace.stepsPerSecond(), 0, new Sprite("dot", 1));
            run = new EffectRun(
                    new Plan(Sample.effect("e", emitter).withCourse(course).course(), List.of(emitter), pace),
                    List.of(emitter),
                    new Layer[] {layer},
                    3,
                    0,
                    new EffectRun.Placement(Vec3.ZERO, Vec3.UP, velocity),
                    EffectRun.Descent.NONE);
            run.open(1_000_000);
            run.spawn(0);
        }

        void to(int wanted) {
            while (step < wanted) {
                step++;
                run.open(1_000_000);
                run.integrate(step);
                layer.store().bury(step);
                run.spawn(step);
            }
            layer.advance(step);
        }

        List<Vec3> places() {
            ParticleStore s = layer.store();
            List<Vec3> places = new ArrayList<>();
            for (int i = 0; i < s.slots(); i++) {
                if (s.gone[i] > step) {
                    places.add(new Vec3(s.x[i], s.y[i], s.z[i]));
                }
            }
            return places;
        }
    }

    // Free flight with linear drag: x = v (1 - e^(-kt)) / k + a (t - (1 - e^(-kt)) / k) / k (textbook).
    @ParameterizedTest
    @ValueSource(doubles = {0, 1.5})
    void aBirthBetweenTwoStepsIsWhereItShouldBe(double drag) {
        Birth birth = streaming(37, 2);
        Vec3 gravity = new Vec3(1, -9.8, 0);
        Emitter exact = Sample.emitter("e", 1, birth, Sample.falling(gravity, drag));
        Playing playing = new Playing(exact, Course.looping(1), Pace.SIXTY, Vec3.ZERO);
        playing.to(60);
        List<Vec3> places = playing.places();
        assertThat(places).hasSize(38);
        for (int n = 0; n < places.size(); n++) {
            double age = 1 - n / 37.0;
            double p = drag == 0 ? age : (1 - Math.exp(-drag * age)) / drag;
            double q = drag == 0 ? age * age / 2 : (age - p) / drag;
            assertThat(places.get(n).x()).as("particle %s", n).isCloseTo(q, within(2e-6));
            assertThat(places.get(n).y()).isCloseTo(4 * p - 9.8 * q, within(1e-5));
        }
    }

    @Test
    void oneThatWalksIsThereToo() {
        // A push that is nothing has it integrated; without it the motion is exact.
        Birth birth = streaming(37, 2);
        Emitter exact = Sample.emitter("e", 1, birth, Sample.falling(new Vec3(0, -9.8, 0), 0.8));
        Emitter integrated = exact.withLife(exact.life()
                .withForces(List.of(new Force.Attractor(new Vec3(1000, 0, 0), 0, 1, Force.Falloff.LINEAR))));
        Playing one = new Playing(exact, Course.looping(1), Pace.SIXTY, Vec3.ZERO);
        Playing other = new Playing(integrated, Course.looping(1), Pace.SIXTY, Vec3.ZERO);
        one.to(75);
        other.to(75);
        assertThat(other.layer.integrated()).isTrue();
        List<Vec3> a = one.places();
        List<Vec3> b = other.places();
        assertThat(b).hasSameSizeAs(a);
        for (int i = 0; i < a.size(); i++) {
            assertThat(b.get(i).plus(a.get(i).times(-1)).length()).isLessThan(2e-5);
        }
    }

    // Spacing along the way of a moving source is speed / rate (common practice).
    @ParameterizedTest
    @CsvSource({"37,5", "90,5", "400,12", "11,3"})
    void particlesLieEvenlyBehindAMovingSource(double rate, double speed) {
        Birth still = streaming(rate, 5).with(d -> d.speed = Range.of(0));
        Emitter emitter = Sample.emitter("e", 1, still, Sample.still());
        Playing playing = new Playing(emitter, Course.looping(1), Pace.SIXTY, new Vec3(speed, 0, 0));
        playing.to(100);
        List<Vec3> places = playing.places();
        for (int i = 1; i < places.size(); i++) {
            assertThat(places.get(i).x() - places.get(i - 1).x())
                    .as("gap %s", i)
                    .isCloseTo(speed / rate, within(1e-5));
        }
    }

    // Little's law: the mean number alive is rate x life. The rates have no common measure with the steps, as what is
    // looked at
    // in time with its births is always seen at the same age.
    @ParameterizedTest
    @CsvSource({"15.1,0.5", "59.7,0.51", "201.3,0.034", "7.03,1.99", "997.7,0.0101"})
    void theMeanNumberAliveIsRateTimesLife(double rate, double life) {
        Emitter emitter = Sample.emitter("e", 1, streaming(rate, life), Sample.still());
        Playing playing = new Playing(emitter, Course.looping(1), Pace.SIXTY, Vec3.ZERO);
        playing.to(300);
        double sum = 0;
        int steps = 6000;
        for (int i = 0; i < steps; i++) {
            playing.to(playing.step + 1);
            sum += playing.layer.store().count();
        }
        assertThat(sum / steps).isCloseTo(rate * life, within(0.002 * rate * life + 0.01));
    }

    @Test
    void aLoopOfAnOddLengthKeepsItsRate() {
        for (double each : new double[] {0.067, 0.0667}) {
            Birth birth = Sample.burst(1, 0.5);
            Playing playing = new Playing(
                    Sample.emitter("e", 1, birth, Sample.still()), Course.looping(each), Pace.SIXTY, Vec3.ZERO);
            playing.to(60 * 20);
            assertThat(playing.layer.takeBorn()).isEqualTo(1 + (long) Math.floor(20 / each));
        }
    }

    @Test
    void aParticleIsGoneAtItsTrueEnd() {
        // Born at 0.51 steps, living 2.2 steps: seen on steps 1 and 2 and not on 3, which is after 2.71.
        Birth birth = Sample.burst(0, 2.2 / 60).with(d -> d.bursts = List.of(new Burst(0.51 / 60, 1, 1)));
        Playing playing =
                new Playing(Sample.emitter("e", 1, birth, Sample.still()), Course.once(1), Pace.SIXTY, Vec3.ZERO);
        int[] seen = {0, 1, 1, 0};
        for (int step = 0; step < seen.length; step++) {
            playing.to(step);
            assertThat(playing.places()).as("step %s", step).hasSize(seen[step]);
        }
        Birth brief = Sample.burst(0, 0.2 / 60).with(d -> d.bursts = List.of(new Burst(0.51 / 60, 5, 5)));
        Playing blink =
                new Playing(Sample.emitter("e", 1, brief, Sample.still()), Course.once(1), Pace.SIXTY, Vec3.ZERO);
        blink.to(1);
        assertThat(blink.layer.takeBorn()).isEqualTo(5);
        assertThat(blink.places()).isEmpty();
        assertThat(blink.layer.store().count()).isZero();
    }

    // Reach at the end of life is speed x life (textbook); steps fall short of it.
    @ParameterizedTest
    @CsvSource({"4,1", "4,0.51", "10,0.333", "4,2.009"})
    void whatIsReachedIsSpeedTimesLife(double speed, double life) {
        for (boolean integrates : new boolean[] {false, true}) {
            Birth birth = Sample.burst(1, life).with(d -> d.speed = Range.of(speed));
            Life plain = Sample.still();
            Life integrated =
                    plain.withForces(List.of(new Force.Attractor(new Vec3(1000, 0, 0), 0, 1, Force.Falloff.LINEAR)));
            Effect effect = Sample.effect("e", Sample.emitter("e", 1, birth, integrates ? integrated : plain));
            Numbers numbers = Numbers.of(Preview.plain(effect, 1).take(Sample.project(effect), false));
            assertThat(numbers.reach()).isCloseTo(speed * life, within(1e-4));
            assertThat(numbers.extent()).isCloseTo(speed * life, within(1e-4));
        }
    }

    @Test
    void aBallReachesInAllDirections() {
        Birth birth = Sample.burst(200, 1).with(d -> d.spread = 180);
        Effect effect = Sample.effect("e", Sample.emitter("e", 1, birth, Sample.falling(new Vec3(0, -10, 0), 0)));
        Numbers numbers = Numbers.of(Preview.plain(effect, 1).take(Sample.project(effect), false));
        // Straight down 4 + 10/2 u, upwards 16/20 u at the most.
        assertThat(numbers.reach()).isLessThan(0.81);
        assertThat(numbers.extent()).isCloseTo(9, within(0.1));
    }

    @Nested
    class Children {
        private Effect bearing(When when, double rate, double parentLife, double speed) {
            Child child = new Child(when, Optional.of("drops"), Optional.empty(), 1, 1, rate, 1, 0, false, false);
            Birth birth = Sample.burst(4, parentLife).with(d -> d.speed = Range.of(speed));
            Emitter parents = Sample.emitter("parents", 1, birth, Sample.still())
                    .withEnd(new End(Optional.empty(), List.of(child), Optional.empty()));
            Birth drops = Sample.burst(0, 9).with(d -> d.speed = Range.of(0));
            return Sample.effect("e", parents, Sample.emitter("drops", 2, drops, Sample.still()));
        }

        // 1 u/s for 1 s at 2 a unit: one each at ½ u; that at exactly 1 u is the end of the life.
        @ParameterizedTest
        @CsvSource({"PER_UNIT,2,4", "PER_SECOND,2,4", "PER_UNIT,3,8", "PER_SECOND,10,36", "PER_UNIT,2.5,8"})
        void oneAtTheVeryEndOfALifeDoesNotCount(When when, double rate, long expected) {
            Effect effect = bearing(when, rate, 1, 1);
            var take = Preview.plain(effect, 1).take(Sample.project(effect), false);
            assertThat(take.byGeneration()[1]).isEqualTo(expected);
        }

        @ParameterizedTest
        @EnumSource(names = {"PER_UNIT", "PER_SECOND", "AT_END"})
        void areLeftWhereTheParentWas(When when) {
            // 7 units a second: 12 a second or a unit fall between steps.
            double rate = when == When.PER_UNIT ? 3 : when == When.PER_SECOND ? 21 : 1;
            Effect effect = bearing(when, rate, 0.505, 7);
            List<Emitter> emitters = effect.emitters();
            Layer[] layers = {
                new Layer(emitters.get(0), 60, 0, new Sprite("dot", 1)),
                new Layer(emitters.get(1), 60, 0, new Sprite("dot", 1))
            };
            EffectRun run = new EffectRun(
                    new Plan(effect.course(), emitters, Pace.SIXTY),
                    emitters,
                    layers,
                    3,
                    0,
                    new EffectRun.Placement(Vec3.ZERO, Vec3.UP, Vec3.ZERO),
                    EffectRun.Descent.NONE);
            for (int step = 0; step <= 40; step++) {
                run.open(1000);
                if (step > 0) {
                    run.integrate(step);
                }
                run.spawn(step);
            }
            layers[1].advance(40);
            ParticleStore s = layers[1].store();
            assertThat(s.count()).isEqualTo(when == When.AT_END ? 4 : 40);
            for (int i = 0; i < s.slots(); i++) {
                double nth = when == When.AT_END ? 0.505 * 7 : (i / 4 + 1) / 3.0;
                assertThat((double) s.y[i]).as("child %s", i).isCloseTo(nth, within(1e-4));
                double bornAt = when == When.AT_END ? 0.505 : nth / 7;
                assertThat((s.born[i] - s.lag[i]) / 60.0).isCloseTo(bornAt, within(1e-4));
            }
        }

        @Test
        void ofAnotherEffectAreAGenerationAndBeginAtTheirTime() {
            Child whole = new Child(When.AT_END, Optional.empty(), Optional.of("splash"), 1, 1, 1, 1, 0, false, false);
            Emitter drop = Sample.emitter("drop", 1, Sample.burst(2, 0.505), Sample.still())
                    .withEnd(new End(Optional.empty(), List.of(whole), Optional.empty()));
            Effect fall = Sample.effect("fall", drop);
            // The same name of an emitter in both: they are counted apart.
            Effect splash = Sample.effect("splash", Sample.emitter("drop", 1, Sample.burst(7, 0.4), Sample.still()));
            var project = Sample.project(fall).withEffects(List.of(fall, splash));
            var take = Preview.plain(fall, 1).take(project, false);
            assertThat(take.byGeneration()).startsWith(2, 14, 0);
            assertThat(take.watch().emitter("fall", "drop").orElseThrow().births())
                    .isEqualTo(2);
            assertThat(take.watch().emitter("splash", "drop").orElseThrow().births())
                    .isEqualTo(14);
            assertThat(take.watch().emitter("splash", "drop").orElseThrow().peak())
                    .isEqualTo(14);
            // 0.505 + 0.4 s is 54.3 steps.
            assertThat(take.live(54)).isEqualTo(14);
            assertThat(take.live(55)).isZero();
        }
    }

    @Nested
    class WithoutReshuffling {
        private List<Vec3> thrown(List<Burst> bursts, List<Child> children) {
            Birth birth = Sample.burst(0, 1).with(d -> {
                d.bursts = bursts;
                d.spread = 90;
            });
            Emitter parents = Sample.emitter("parents", 1, birth, Sample.still())
                    .withEnd(new End(Optional.empty(), children, Optional.empty()));
            Emitter drops = Sample.emitter("drops", 2, Sample.burst(0, 1).with(d -> d.spread = 180), Sample.still());
            Effect effect = Sample.effect("e", parents, drops);
            Layer[] layers = {
                new Layer(parents, 60, 0, new Sprite("dot", 1)), new Layer(drops, 60, 0, new Sprite("dot", 1))
            };
            EffectRun run = new EffectRun(
                    new Plan(effect.course(), effect.emitters(), Pace.SIXTY),
                    effect.emitters(),
                    layers,
                    11,
                    0,
                    new EffectRun.Placement(Vec3.ZERO, Vec3.UP, Vec3.ZERO),
                    EffectRun.Descent.NONE);
            run.open(1000);
            run.spawn(0);
            List<Vec3> out = new ArrayList<>();
            for (Layer layer : layers) {
                ParticleStore s = layer.store();
                for (int i = 0; i < s.slots(); i++) {
                    out.add(new Vec3(s.vx[i], s.vy[i], s.vz[i]));
                }
            }
            return out;
        }

        private Child atBirth(int id) {
            return new Child(When.AT_BIRTH, Optional.of("drops"), Optional.empty(), 1, 1, 1, 1, 0, false, false, id);
        }

        @Test
        void aBurstIsAddedAndMoved() {
            Burst a = new Burst(0, 3, 3, 1, 0, 1, 1);
            Burst b = new Burst(0, 4, 4, 1, 0, 1, 2);
            Burst added = new Burst(0, 2, 2, 1, 0, 1, 3);
            List<Vec3> before = thrown(List.of(a, b), List.of());
            assertThat(thrown(List.of(added, b, a), List.of())).hasSize(9).containsAll(before);
            assertThat(thrown(List.of(b), List.of())).isEqualTo(before.subList(3, 7));
        }

        @Test
        void aKindOfChildIsAddedAndMoved() {
            Burst a = new Burst(0, 3, 3);
            List<Vec3> before = thrown(List.of(a), List.of(atBirth(1), atBirth(2)));
            assertThat(before).hasSize(9);
            assertThat(thrown(List.of(a), List.of(atBirth(3), atBirth(2), atBirth(1))))
                    .hasSize(12)
                    .containsAll(before);
        }

        // Pinned: a change of these is a change of every look that anyone has made.
        @Test
        void theAddressesAreKnown() {
            List<Vec3> now = thrown(List.of(new Burst(0, 1, 1), new Burst(0, 1, 1)), List.of(atBirth(0)));
            assertThat(now.stream().map(v -> String.format("%.4f %.4f %.4f", v.x(), v.y(), v.z())))
                    .containsExactly(PINNED);
        }

        private static final String[] PINNED = {
            "2.3657 0.9728 3.0753", "-1.5117 3.5706 -0.9825", "-1.6280 -1.9883 -3.0653", "2.6974 -1.3874 -2.6075"
        };
    }
}
