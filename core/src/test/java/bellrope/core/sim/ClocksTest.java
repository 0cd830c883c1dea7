package bellrope.core.sim;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import bellrope.core.Sample;
import bellrope.core.effect.Binding;
import bellrope.core.effect.Birth;
import bellrope.core.effect.Burst;
import bellrope.core.effect.Course;
import bellrope.core.effect.Effect;
import bellrope.core.effect.Emitter;
import bellrope.core.effect.End;
import bellrope.core.effect.Force;
import bellrope.core.effect.Life;
import bellrope.core.effect.Parameter;
import bellrope.core.effect.Property;
import bellrope.core.effect.Sprite;
import bellrope.core.effect.Stream;
import bellrope.core.effect.Type;
import bellrope.core.measure.Numbers;
import bellrope.core.stage.Preview;
import bellrope.core.stage.Take;
import bellrope.core.value.Curve;
import bellrope.core.value.Datum;
import bellrope.core.value.Gradient;
import bellrope.core.value.Pace;
import bellrope.core.value.Range;
import bellrope.core.value.Refused;
import bellrope.core.value.Vec3;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalLong;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** What runs by the life of a particle, by seconds, or faster than it is written. */
class ClocksTest {
    private static Numbers numbers(Effect effect) {
        return Numbers.of(Preview.plain(effect, 1).take(Sample.project(effect), false));
    }

    @Nested
    class ComingToRest {
        // Slowing evenly from v to nothing within t covers v t / 2 (textbook).
        @ParameterizedTest
        @CsvSource({"4,0.5,2", "4,0.51,2", "10,0.1667,2", "3,1.3,0.7", "6,0.05,1", "6,0.02,1"})
        void evenlyCoversHalfTheWay(double speed, double seconds, double life) {
            Birth birth = Sample.burst(1, life).with(d -> d.speed = Range.of(speed));
            Emitter e = Sample.emitter("e", 1, birth, Sample.still().resting(seconds, true));
            double t = Math.min(seconds, life);
            double expected = speed * (t - t * t / 2 / seconds);
            assertThat(numbers(Sample.effect("e", e)).reach()).isCloseTo(expected, within(1e-4));
        }

        // By drag 99 % of the speed is gone by then: the way is v t 0.99 / ln 100.
        @Test
        void byDragIsAsItWas() {
            Emitter e =
                    Sample.emitter("e", 1, Sample.burst(1, 2), Sample.still().resting(2, false));
            assertThat(numbers(Sample.effect("e", e)).reach()).isCloseTo(4 * 2 * 0.99 / Math.log(100), within(1e-4));
        }

        @Test
        void betweenStepsItRestsAsFarOut() {
            Birth birth = Sample.burst(0, 3).with(d -> d.bursts = List.of(new Burst(0.4 / 60, 1, 1)));
            Emitter e = Sample.emitter("e", 1, birth, Sample.still().resting(0.31, true));
            assertThat(numbers(Sample.effect("e", e)).reach()).isCloseTo(4 * 0.31 / 2, within(1e-4));
        }
    }

    @Nested
    class ALaneBySeconds {
        private Layer played(Life life, double seconds, int step) {
            Emitter e = Sample.emitter("e", 1, Sample.burst(1, seconds).with(d -> d.spin = Range.of(180)), life);
            Layer layer = new Layer(e, 60, 0, new Sprite("dot", 1));
            EffectRun run = new EffectRun(
                    new Plan(Sample.effect("e", e).course(), List.of(e), Pace.SIXTY),
                    List.of(e),
                    new Layer[] {layer},
                    3,
                    0,
                    new EffectRun.Placement(Vec3.ZERO, Vec3.UP, Vec3.ZERO),
                    EffectRun.Descent.NONE);
            run.open(10);
            run.spawn(0);
            for (int i = 1; i <= step; i++) {
                run.integrate(i);
            }
            layer.advance(step);
            layer.appear(step);
            return layer;
        }

        // Common practice: slowed to rest within 10 frames, whatever the life.
        @ParameterizedTest
        @ValueSource(doubles = {0.3, 1, 7})
        void slowsToRestWithinTenFramesWhateverTheLife(double life) {
            Life slowing =
                    Sample.still().withSpeed(Curve.through(0, 1, 1, 0)).timing(Map.of(Life.Lane.SPEED, 10 / 60.0));
            Emitter e = Sample.emitter("e", 1, Sample.burst(1, life), slowing);
            assertThat(numbers(Sample.effect("e", e)).reach()).isCloseTo(4 * 10 / 60.0 / 2, within(1e-4));
        }

        @Test
        void sizeOpacityAndColourRunOverTheirSecondsAndThenStay() {
            Life life = Sample.still()
                    .withSize(Curve.through(0, 0, 1, 2))
                    .withOpacity(Curve.through(0, 1, 1, 0.5))
                    .timing(Map.of(Life.Lane.SIZE, 0.5, Life.Lane.OPACITY, 0.25));
            for (double seconds : new double[] {1, 4}) {
                Layer early = played(life, seconds, 15);
                assertThat(early.shade.sizes()[0]).isCloseTo(0.2f, within(1e-5f));
                assertThat(early.shade.alphas()[0]).isCloseTo(0.5f, within(1e-5f));
                Layer late = played(life, seconds, 45);
                assertThat(late.shade.sizes()[0]).isCloseTo(0.4f, within(1e-5f));
                assertThat(late.shade.alphas()[0]).isCloseTo(0.5f, within(1e-5f));
            }
        }

        // Turned by 180 degrees a second times the lane: its integral over half a second, then as it ends.
        @Test
        void spinAddsUpOverItsSecondsAndGoesOnAsItEnds() {
            Life life = Sample.still().withSpin(Curve.through(0, 1, 1, 0.5)).timing(Map.of(Life.Lane.SPIN, 0.5));
            Layer layer = played(life, 4, 90);
            float turns = layer.shade.rotationAt(0, 90);
            assertThat(turns).isCloseTo((float) ((0.5 * 0.75 + 1 * 0.5) * 0.5), within(1e-4f));
        }

        @Test
        void aTimeOfNothingIsRefused() {
            assertThatThrownBy(() -> Sample.still().timing(Map.of(Life.Lane.SIZE, 0.0)))
                    .isInstanceOf(Refused.class)
                    .hasMessageStartingWith("timed/size: 0");
        }
    }

    @Nested
    class Playback {
        private Effect busy(double playback) {
            Birth birth = Sample.burst(20, 1).with(d -> {
                d.stream = Optional.of(new Stream(30, 0.1, OptionalDouble.of(0.6)));
                d.delay = 0.2;
                d.lifetime = new Range(0.5, 1.2);
                d.speed = new Range(1, 5);
                d.spread = 50;
                d.spin = Range.of(90);
            });
            Life life = new Life(
                    new Vec3(0, -9.8, 0),
                    0.6,
                    OptionalDouble.empty(),
                    List.of(new Force.Attractor(new Vec3(1, 1, 0), 6, 3, Force.Falloff.LINEAR)),
                    Curve.through(0, 1, 1, 2),
                    Curve.through(0, 1, 1, 0.2),
                    Gradient.WHITE,
                    Curve.ONE,
                    Curve.ONE,
                    java.util.Set.of());
            End end = new End(
                    Optional.empty(),
                    List.of(new End.Child(
                            End.Child.When.PER_SECOND,
                            Optional.of("drops"),
                            Optional.empty(),
                            1,
                            1,
                            4,
                            1,
                            0.3,
                            false,
                            false)),
                    Optional.empty());
            Emitter drops = Sample.emitter("drops", 2, Sample.burst(0, 0.4), Sample.falling(new Vec3(0, -5, 0), 0));
            return Sample.effect("e", Sample.emitter("all", 1, birth, life).withEnd(end), drops)
                    .withCourse(Course.once(1).played(playback));
        }

        // The same equations in another time: at n times the pace and n times as fast, step for step the same picture.
        @ParameterizedTest
        @ValueSource(ints = {2, 3})
        void twiceAsFastIsEverySecondFrame(int times) {
            Effect plain = busy(1);
            Effect fast = busy(times);
            Take slow = Preview.plain(plain, 1).take(paced(plain, 60 * times), true);
            Take quick = Preview.plain(fast, 1).take(paced(fast, 60 * times), true);
            Take coarse = Preview.plain(plain, 1).take(paced(plain, 60), true);
            assertThat(quick.births()).isEqualTo(slow.births());
            assertThat(quick.byGeneration()).isEqualTo(slow.byGeneration());
            // At 60 n steps a second and n times as fast, a step is as long as at 60: the very same frames.
            for (int k = 0; k <= Math.min(quick.last(), coarse.last()); k++) {
                assertThat(quick.live(k)).as("step %s", k).isEqualTo(coarse.live(k));
                assertThat(quick.frames().get(k))
                        .as("frame %s", k)
                        .isEqualTo(coarse.frames().get(k));
            }
            double release = Numbers.of(slow).release().orElseThrow();
            assertThat(Numbers.of(quick).release().orElseThrow()).isCloseTo(release / times, within(0.02));
            assertThat(Numbers.of(quick).hold().orElseThrow())
                    .isCloseTo(Numbers.of(slow).hold().orElseThrow() / times, within(0.02));
            assertThat(Numbers.of(quick).reach()).isCloseTo(Numbers.of(slow).reach(), within(0.05));
        }

        private bellrope.core.project.Project paced(Effect effect, int stepsPerSecond) {
            return Sample.project(effect)
                    .withSettings(new bellrope.core.project.Settings(new Pace(stepsPerSecond), 1, 1, 20_000));
        }

        @Test
        void aLoopComesThatMuchMoreOften() {
            Effect loop = Sample.loop("smoke", 30, 0.5, 0.2).withCourse(new Course(true, 1, 0, 0.2, 3));
            Take take = Take.of(
                    Sample.project(loop),
                    Sample.landing(9, "thatch", 1),
                    new Take.Length(10, OptionalDouble.of(2)),
                    false);
            // 90 a second for 2 s, and half of the ramp of a third of 0.2 s.
            assertThat(take.births()).isBetween(178L, 188L);
            assertThat(take.live(60)).isEqualTo(15);
            assertThat(take.ended()).isTrue();
        }

        @Test
        void aParameterTurnsIt() {
            Parameter haste = new Parameter(
                    "haste",
                    new Type.Number(0.5, 4, 0),
                    new Datum.Num(1),
                    "×",
                    "",
                    false,
                    false,
                    List.of(new Binding(Property.PLAYBACK, Binding.Mode.MULTIPLY, Optional.empty())));
            Effect effect = new Effect(
                    "e",
                    "",
                    Course.once(1).played(2),
                    OptionalLong.empty(),
                    List.of(Sample.emitter("e", 1, Sample.burst(5, 1.2), Sample.still())),
                    List.of(haste));
            assertThat(effect.resolved(Map.of()).get(0))
                    .isSameAs(effect.emitters().get(0));
            for (double by : new double[] {0.5, 1, 3}) {
                Take take = Preview.plain(effect, 1)
                        .with(Map.of("haste", new Datum.Num(by)))
                        .take(Sample.project(effect), false);
                assertThat(Numbers.of(take).release().orElseThrow()).isCloseTo(1.2 / 2 / by, within(1 / 60.0));
                assertThat(Numbers.of(take).reach()).isCloseTo(4.8, within(1e-3));
            }
        }

        // A picture drawn out by its flight is as long as what really flies.
        @Test
        void whatIsDrawnOutByItsFlightGoesByTheRealSpeed() {
            Emitter e =
                    Sample.emitter("e", 1, Sample.burst(1, 1), Sample.still()).withPlayback(3);
            Layer layer = new Layer(e, 60, 0, new Sprite("dot", 1));
            EffectRun run = new EffectRun(
                    new Plan(
                            Sample.effect("e", e)
                                    .withCourse(Course.once(1).played(3))
                                    .course(),
                            List.of(e),
                            Pace.SIXTY),
                    List.of(e),
                    new Layer[] {layer},
                    3,
                    0,
                    new EffectRun.Placement(Vec3.ZERO, Vec3.UP, Vec3.ZERO),
                    EffectRun.Descent.NONE);
            run.open(10);
            run.spawn(0);
            float[] velocity = new float[3];
            layer.velocity(0, 0, velocity);
            assertThat(velocity[1]).isCloseTo(12f, within(1e-4f));
        }

        @ParameterizedTest
        @ValueSource(booleans = {true, false})
        void isRefusedOutsideItsBounds(boolean looping) {
            for (double bad : new double[] {0, 0.09, 10.1, -1}) {
                assertThatThrownBy(() -> new Course(looping, 1, 0, 0, bad))
                        .isInstanceOf(Refused.class)
                        .hasMessageStartingWith("playback: ");
            }
        }
    }
}
