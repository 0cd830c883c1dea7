package bellrope.core.stage;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import bellrope.core.Sample;
import bellrope.core.effect.Binding;
import bellrope.core.effect.Birth;
import bellrope.core.effect.Course;
import bellrope.core.effect.Effect;
import bellrope.core.effect.Parameter;
import bellrope.core.effect.Property;
import bellrope.core.effect.Stream;
import bellrope.core.effect.Through;
import bellrope.core.effect.Type;
import bellrope.core.event.Pull;
import bellrope.core.project.Project;
import bellrope.core.rope.Feed;
import bellrope.core.rope.Feed.Follow;
import bellrope.core.rope.Rope;
import bellrope.core.rope.Source;
import bellrope.core.stage.told.Account;
import bellrope.core.value.Curve;
import bellrope.core.value.Datum;
import bellrope.core.value.Ease;
import bellrope.core.value.Range;
import bellrope.core.value.Refused;
import bellrope.core.value.Remap;
import bellrope.core.value.Vec3;
import com.sun.management.ThreadMXBean;
import java.lang.management.ManagementFactory;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalLong;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class FeedsTest {
    private static final Range UNIT = new Range(0, 1);

    private static Feed rate(Source source, Range in, double from, double to, Follow follow) {
        return new Feed("rate", source, Optional.of(new Remap(in, from, to)), follow);
    }

    private static Project reeling(Feed... feeds) {
        return Sample.game(Sample.rope("reel", 1, "kite.reeling", "smoke").with(d -> d.feeds = List.of(feeds)));
    }

    private static double number(Knob knob) {
        return ((Datum.Num) knob.value()).value();
    }

    private static byte[] bits(Stage stage) {
        var frame = stage.frame(0);
        return Arrays.copyOfRange(frame.array(), frame.position(), frame.limit());
    }

    /** Two streams of 60 a second; a parameter turns one up as it turns the other down. */
    private static Project crossFading() {
        Birth stream =
                Sample.burst(0, 0.5).with(d -> d.stream = Optional.of(new Stream(60, 0, OptionalDouble.empty())));
        Remap up = new Remap(UNIT, 0, 1);
        Remap down = new Remap(UNIT, 1, 0);
        Parameter mix = new Parameter(
                "mix",
                new Type.Number(0, 1, 0),
                new Datum.Num(0),
                "",
                "",
                false,
                false,
                List.of(
                        new Binding(Property.RATE, Binding.Mode.MULTIPLY, Optional.of("fog"), new Through.Remap(down)),
                        new Binding(Property.RATE, Binding.Mode.MULTIPLY, Optional.of("rain"), new Through.Remap(up))));
        Effect effect = new Effect(
                "smoke",
                "",
                Course.looping(1),
                OptionalLong.empty(),
                List.of(
                        Sample.emitter("fog", 1, stream, Sample.still()),
                        Sample.emitter("rain", 2, stream, Sample.still())),
                List.of(mix));
        Project game = reeling(new Feed("mix", new Source.Channel("wind"), new Range(0, 12), 0, 1));
        return game.withEffects(List.of(game.effects().get(0), game.effects().get(1), effect));
    }

    @ParameterizedTest
    @CsvSource({"0, 30, 0", "12, 0, 30", "6, 15, 15", "3, 22.5, 7.5"})
    void aCrossFadeGivesEachEmitterItsShare(double wind, double fog, double rain) {
        Stage stage = new Stage(crossFading());
        stage.publish("wind", wind);
        stage.pull(Sample.reels(Vec3.ZERO, 1));
        double[] sums = new double[2];
        for (int step = 0; step < 660; step++) {
            stage.step();
            for (int e = 0; e < 2 && step >= 60; e++) {
                sums[e] += stage.layers().get(e).store().count() / 600.0;
            }
        }
        // Alive on average: the rate times half a second of life, by Little's law; five standard deviations of the
        // mean.
        assertThat(sums[0]).isCloseTo(fog, within(2.5));
        assertThat(sums[1]).isCloseTo(rain, within(2.5));
    }

    @Nested
    class Smoothing {
        // First-order lag against its closed form, y(t) = x(1 − e^(−t/τ)); any textbook of control.
        @ParameterizedTest
        @CsvSource({"0.1", "0.5", "2"})
        void coversItsShareOfTheWay(double tau) {
            Stage stage = new Stage(
                    reeling(rate(new Source.Channel("wind"), new Range(0, 12), 0.1, 3.1, new Follow(tau, tau, 0))));
            stage.publish("wind", 0);
            Account begun = stage.pull(Sample.reels(Vec3.ZERO, 1));
            Knob knob = stage.knob(begun, "reel", "rate");
            stage.step();
            stage.publish("wind", 12);
            for (int step = 1; step <= 120; step++) {
                stage.step();
                assertThat(number(knob))
                        .as("after %d steps", step)
                        .isCloseTo(0.1 + 3 * (1 - Math.exp(-step / 60.0 / tau)), within(1e-9));
            }
        }

        // Common practice: held strength climbs in steps of 1 every 0.1 s, is full after 1 s, and is 0 at once on
        // release.
        @Test
        void heldClimbsInStepsAndDropsOnRelease() {
            Stage stage = new Stage(reeling(rate(new Source.Held(), UNIT, 0.1, 1.1, new Follow(0, 0, 0.1))));
            Account begun = stage.pull(Sample.reels(Vec3.ZERO, 1));
            Knob knob = stage.knob(begun, "reel", "rate");
            List<Double> seen = new ArrayList<>();
            for (int step = 0; step < 72; step++) {
                stage.step();
                if (seen.isEmpty() || seen.get(seen.size() - 1) != number(knob)) {
                    seen.add(number(knob));
                }
            }
            assertThat(seen).hasSize(11);
            assertThat(seen.get(10)).isEqualTo(1.1);
            assertThat(seen.get(3)).isCloseTo(0.4, within(1e-9));
            stage.pull(Pull.end("kite.reeling"));
            for (int step = 0; step < 7; step++) {
                stage.step();
            }
            assertThat(number(knob)).isEqualTo(0.1);
        }

        @Test
        void risesAndFallsWithTimesOfTheirOwn() {
            Follow follow = new Follow(0.5, 0, 0);
            assertThat(follow.after(0, 1, 0.5)).isCloseTo(1 - Math.exp(-1), within(1e-12));
            assertThat(follow.after(1, 0, 0.001)).isZero();
        }

        @Test
        void comesOutTheSameWhenPlayedAgain() {
            Project project =
                    reeling(rate(new Source.Channel("wind"), new Range(0, 12), 0.1, 3, new Follow(0.8, 0.2, 0.05)));
            Stage through = new Stage(project);
            Stage retuned = new Stage(project);
            for (Stage stage : List.of(through, retuned)) {
                stage.pull(Sample.reels(Vec3.ZERO, 1));
                for (int step = 0; step < 200; step++) {
                    if (step % 30 == 7) {
                        stage.publish("wind", step % 12);
                    }
                    stage.step();
                    if (stage == retuned && step % 41 == 0) {
                        stage.retune(project);
                    }
                }
            }
            assertThat(bits(retuned)).isEqualTo(bits(through));
        }

        @Test
        void hasNothingToBeLateForWhereTheSourceComesOnce() {
            assertThatThrownBy(() -> rate(new Source.Payload("force"), UNIT, 0, 1, new Follow(0.1, 0, 0)))
                    .isInstanceOf(Refused.class)
                    .hasMessageContaining("what comes once has nothing to be late for");
        }
    }

    @Nested
    class Remapping {
        @Test
        void goesOnEvenlyWhereItIsNotClamped() {
            Remap free = new Remap(new Range(2, 4), 10, 20, false, Remap.STRAIGHT);
            assertThat(free.value(5)).isEqualTo(25);
            assertThat(free.value(1)).isEqualTo(5);
            assertThat(new Remap(new Range(2, 4), 10, 20).value(5)).isEqualTo(20);
        }

        // W3C CSS Easing: ease-in (0.42, 0, 1, 1) lies below the diagonal, and meets it at both ends.
        @Test
        void isShapedByAnEase() {
            Curve eased = new Curve(List.of(new Curve.Key(0, 0, Ease.EASE_IN), new Curve.Key(1, 1, Ease.LINEAR)));
            Remap remap = new Remap(new Range(0, 10), 0, 100, true, eased);
            assertThat(remap.value(0)).isZero();
            assertThat(remap.value(10)).isEqualTo(100);
            assertThat(remap.value(5)).isCloseTo(31.535, within(0.01));
        }

        @Test
        void knowsTheFurthestADrawnCurveGoes() {
            Remap bump = new Remap(new Range(0, 1), 0, 2, true, Curve.through(0, 0, 0.5, 1.5, 1, 0));
            assertThat(bump.out()).isEqualTo(new Range(0, 3));
        }
    }

    @Nested
    class Sources {
        @Test
        void chanceIsDrawnOncePerPullAndByItsRoll() {
            Rope rope = Sample.rope("puffs", 1, "courier.landed", "puff")
                    .with(d -> d.feeds = List.of(new Feed(
                            "size", new Source.Random(4), Optional.of(new Remap(UNIT, 0.5, 1.5)), Follow.AT_ONCE)));
            Stage stage = new Stage(Sample.game(rope));
            List<Double> drawn = new ArrayList<>();
            for (int seed = 0; seed < 200; seed++) {
                drawn.add(fed(stage.pull(Sample.landing(9, "thatch", seed))));
            }
            assertThat(drawn).allMatch(v -> v >= 0.5 && v <= 1.5);
            assertThat(drawn.stream().mapToDouble(v -> v).average().orElseThrow())
                    .isCloseTo(1, within(0.06));
            Stage again = new Stage(Sample.game(rope));
            assertThat(fed(again.pull(Sample.landing(2, "stone", 17)))).isEqualTo(drawn.get(17));
        }

        @Test
        void anotherParameterIsFollowedWhateverTheOrder() {
            Rope rope = Sample.rope("reel", 1, "kite.reeling", "smoke")
                    .with(d -> d.feeds = List.of(
                            new Feed("rate", new Source.Parameter("heat"), new Range(0, 1), 1, 3),
                            new Feed("heat", new Source.Channel("wind"), new Range(0, 12), 0, 1)));
            Project game = Sample.game(rope);
            Project project = game.withEffects(game.effects().stream()
                    .map(e -> e.name().equals("smoke") ? withHeat(e) : e)
                    .toList());
            Stage stage = new Stage(project);
            Account begun = stage.pull(Sample.reels(Vec3.ZERO, 1));
            Knob knob = stage.knob(begun, "reel", "rate");
            stage.publish("wind", 6);
            stage.step();
            assertThat(number(knob)).isEqualTo(2);
        }

        @Test
        void thatDriveOneAnotherInACircleAreRefused() {
            assertThatThrownBy(() -> Sample.rope("reel", 1, "kite.reeling", "smoke")
                            .with(d -> d.feeds = List.of(
                                    new Feed("a", new Source.Parameter("b"), UNIT, 0, 1),
                                    new Feed("b", new Source.Parameter("c"), UNIT, 0, 1),
                                    new Feed("c", new Source.Parameter("a"), UNIT, 0, 1))))
                    .isInstanceOf(Refused.class)
                    .hasMessageContaining("do not drive one another in a circle");
        }

        private static double fed(Account account) {
            return ((Datum.Num) ((Account.Played) account.answers().get(0))
                            .fed()
                            .get(0)
                            .value())
                    .value();
        }

        private static bellrope.core.effect.Effect withHeat(bellrope.core.effect.Effect effect) {
            List<bellrope.core.effect.Parameter> parameters = new ArrayList<>(effect.parameters());
            parameters.add(new bellrope.core.effect.Parameter("heat", 0, 0, 1, "", "", List.of()));
            return effect.withParameters(parameters);
        }
    }

    @Nested
    class AKnob {
        private final Stage stage = new Stage(reeling());
        private final Account begun = stage.pull(Sample.reels(Vec3.ZERO, 1));

        @Test
        void setsWhatIsBornFromTheNextStepOn() {
            Knob knob = stage.knob(begun, "reel", "rate");
            knob.set(4);
            for (int i = 0; i < 60; i++) {
                stage.step();
            }
            // 30 a second for half a second are 15; four times as many are 60.
            assertThat(stage.particles()).isBetween(58, 62);
            knob.set(0.1);
            for (int i = 0; i < 60; i++) {
                stage.step();
            }
            assertThat(stage.particles()).isLessThan(6);
        }

        @Test
        void isHeldInsideTheBoundsOfTheParameter() {
            Knob knob = stage.knob(begun, "reel", "rate");
            knob.set(99);
            stage.step();
            assertThat(number(knob)).isEqualTo(4);
        }

        @Test
        void remembersAsMuchAsItNeedsHoweverLongItIsTurned() {
            Knob knob = stage.knob(begun, "reel", "rate");
            for (int i = 0; i < 3000; i++) {
                knob.set(0.5 + i % 5);
                stage.step();
                assertThat(number(knob)).as("after %d steps", i).isEqualTo(Math.min(4, 0.5 + i % 5));
            }
            stage.retune(reeling());
            assertThat(stage.particles()).isPositive();
        }

        @Test
        void survivesARetuneToTheBit() {
            Stage retuned = new Stage(reeling());
            Account other = retuned.pull(Sample.reels(Vec3.ZERO, 1));
            for (Stage one : List.of(stage, retuned)) {
                Knob knob = one.knob(one == stage ? begun : other, "reel", "rate");
                for (int i = 0; i < 150; i++) {
                    if (i % 20 == 3) {
                        knob.set(0.5 + i % 7 * 0.5);
                    }
                    one.step();
                    if (one == retuned && i % 33 == 0) {
                        one.retune(reeling());
                    }
                }
            }
            assertThat(bits(retuned)).isEqualTo(bits(stage));
        }

        @Test
        void untouchedChangesNothing() {
            Stage plain = new Stage(reeling());
            plain.pull(Sample.reels(Vec3.ZERO, 1));
            stage.knob(begun, "reel", "rate");
            for (int i = 0; i < 90; i++) {
                plain.step();
                stage.step();
            }
            assertThat(bits(stage)).isEqualTo(bits(plain));
        }

        @Test
        void allocatesNothingOnceItHasBeenTurned() {
            Knob knob = stage.knob(begun, "reel", "rate");
            ThreadMXBean threads = (ThreadMXBean) ManagementFactory.getThreadMXBean();
            for (int i = 0; i < 20_000; i++) {
                knob.set(1 + i % 3);
            }
            threads.getCurrentThreadAllocatedBytes();
            long before = threads.getCurrentThreadAllocatedBytes();
            for (int i = 0; i < 10_000; i++) {
                knob.set(1 + i % 3);
            }
            assertThat(threads.getCurrentThreadAllocatedBytes() - before)
                    .as("bytes in 10,000 sets")
                    .isLessThan(1000);
        }

        @Test
        void ofAnUnknownNameIsRefusedWithTheNearest() {
            assertThatThrownBy(() -> stage.knob(begun, "reel", "Rate")).hasMessageContaining("did you mean rate?");
            assertThatThrownBy(() -> stage.knob(begun, "real", "rate")).hasMessageContaining("did you mean reel?");
            assertThatThrownBy(() -> stage.knob(begun, "reel", "rate").set(new Datum.Word("fast")))
                    .hasMessageContaining("fast: a number from 0.1 to 4");
        }

        @Test
        void ofWhatHasEndedDoesNothing() {
            Knob knob = stage.knob(begun, "reel", "rate");
            stage.clear();
            assertThat(knob.set(2)).isFalse();
            assertThatThrownBy(() -> stage.knob(begun, "reel", "rate")).hasMessageContaining("has ended");
        }
    }
}
