package bellrope.core.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import bellrope.core.Sample;
import bellrope.core.effect.Binding;
import bellrope.core.effect.Birth;
import bellrope.core.effect.Burst;
import bellrope.core.effect.Course;
import bellrope.core.effect.Effect;
import bellrope.core.effect.Emitter;
import bellrope.core.effect.Life;
import bellrope.core.effect.Look;
import bellrope.core.effect.Parameter;
import bellrope.core.effect.Property;
import bellrope.core.effect.Stream;
import bellrope.core.stage.Preview;
import bellrope.core.stage.Take;
import bellrope.core.value.Curve;
import bellrope.core.value.Gradient;
import bellrope.core.value.Range;
import bellrope.core.value.Vec3;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalLong;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;

class NumbersTest {
    private static Numbers of(Birth birth, Life life) {
        return of(Sample.effect("e", Sample.emitter("e", 1, birth, life)));
    }

    private static Numbers of(Effect effect) {
        // At 9 u/s the sample rope feeds a size of 1.2; 7.333… u/s would feed 1.
        return Numbers.of(Take.of(Sample.project(effect), Sample.landing(9, "thatch", 1), 10, false));
    }

    // Common practice: 60 at once, living 0.8 s, released after 2 s: nothing cut off.
    @Test
    void sixtyAtOnceLivingLessThanASecondAreGoneBeforeTwo() {
        Numbers n = of(Sample.burst(60, 0.8), Sample.still());
        assertThat(n.births()).isEqualTo(60);
        assertThat(n.peak()).isEqualTo(60);
        assertThat(n.peakAt()).isZero();
        assertThat(n.release().orElseThrow()).isCloseTo(0.8, within(1e-9)).isLessThan(2);
        assertThat(n.hold().orElseThrow()).isCloseTo(0.8, within(1e-9));
    }

    // Common practice: lives of 150 to 180 frames at 60 a second want 200 frames before release.
    @Test
    void livesOfThreeSecondsFitTwoHundredFrames() {
        Birth birth = Sample.burst(40, 1).with(d -> d.lifetime = new Range(2.5, 3));
        Numbers n = of(birth, Sample.still());
        assertThat(n.hold().orElseThrow()).isEqualTo(3).isLessThan(200 / 60.0);
        assertThat(n.release().orElseThrow()).isBetween(2.5, 3.0);
    }

    // Common practice: 50 a second for 0.5 s gives 25 particles. Release = last birth (0.48 s) + life.
    @Test
    void aStreamOfFiftyASecondForHalfASecondGivesTwentyFive() {
        Birth birth = Sample.burst(0, 1).with(d -> d.stream = Optional.of(new Stream(50, 0, OptionalDouble.of(0.5))));
        Numbers n = of(birth, Sample.still());
        assertThat(n.births()).isEqualTo(25);
        assertThat(n.release().orElseThrow()).isCloseTo(29 / 60.0 + 1, within(1e-9));
    }

    // Common practice: 1 u/s and 10 u/s² for 2 s gets to 22 u, at its very end, which no frame shows.
    @Test
    void reachIsTheTextbookDistance() {
        Birth birth = Sample.burst(1, 2).with(d -> d.speed = Range.of(1));
        Numbers n = of(birth, Sample.falling(new Vec3(0, 10, 0), 0));
        assertThat(n.reach()).isCloseTo(22, within(1e-4));
    }

    @Test
    void onsetOfAnAnswerAtOnceIsOneStep() {
        assertThat(of(Sample.burst(5, 1), Sample.still()).onset().orElseThrow()).isCloseTo(1 / 60.0, within(1e-9));
    }

    @Test
    void onsetWaitsUntilSomethingCanBeSeen() {
        Birth late = Sample.burst(5, 1).with(d -> d.bursts = List.of(new Burst(0.25, 5, 5)));
        assertThat(of(late, Sample.still()).onset().orElseThrow()).isCloseTo(0.25, within(1e-9));
        Life unseen = new Life(Vec3.ZERO, 0, Curve.ONE, Curve.constant(0.01), Gradient.WHITE);
        assertThat(of(Sample.burst(5, 1), unseen).onset()).isEmpty();
    }

    // By hand: 10 × opacity 0.5 × (0.2 × 1.2 u)² × luminance 1 × coverage 0.5, for 60 of 61 frames at 60 a second.
    @Test
    void presenceIsOpacityTimesAreaTimesLuminance() {
        Life half = new Life(Vec3.ZERO, 0, Curve.ONE, Curve.constant(0.5), Gradient.WHITE);
        Numbers n = of(Sample.burst(10, 1), half);
        double each = 10 * 0.5 * 0.24 * 0.24 * 0.5;
        assertThat(n.presencePeak()).isCloseTo(each, within(1e-6));
        assertThat(n.presenceTotal()).isCloseTo(each * 60 / 60, within(1e-6));
    }

    @Test
    void aLoopHasNoRelease() {
        Effect puff = Sample.effect("e", Sample.emitter("e", 1, Sample.burst(5, 0.3), Sample.still()));
        Effect loop = puff.withCourse(Course.looping(0.5));
        Numbers n = of(loop);
        assertThat(n.release()).isEmpty();
        assertThat(n.hold()).isEmpty();
        assertThat(n.births()).isEqualTo(5 * 21);
    }

    @RepeatedTest(60)
    void birthsAreWhatTheEmittersAskFor(RepetitionInfo info) {
        long seed = info.getCurrentRepetition();
        Effect effect = Sample.any(seed);
        double least = 0;
        double most = 0;
        for (Emitter e : effect.emitters()) {
            for (Burst b : e.birth().bursts()) {
                least += b.least();
                most += b.most();
            }
            double streamed = e.birth().stream()
                    .map(s -> Math.ceil(s.perSecond() * s.lasting().orElseThrow() - 1e-9))
                    .orElse(0.0);
            least += streamed;
            most += streamed;
        }
        Numbers n = of(effect);
        assertThat((double) n.births()).as("seed %d", seed).isBetween(least, most);
        assertThat(n.release().orElseThrow()).isLessThanOrEqualTo(n.hold().orElseThrow() + 1e-9);
    }

    @Test
    void overdrawIsTheAreaOfAllPicturesOverTheScreens() {
        // Forty squares of 2 u on a screen of 12 u × 21⅓ u: 160 / 256 of it, whatever can be seen through.
        Birth still = Sample.burst(40, 1).with(d -> {
            d.size = Range.of(2);
            d.speed = Range.ZERO;
            d.opacity = Range.of(0.1);
        });
        Effect effect = Sample.effect("e", Sample.emitter("e", 1, still, Sample.still()));
        Numbers numbers = Numbers.of(Preview.plain(effect, 1).take(Sample.project(effect), false));
        assertThat(numbers.overdrawPeak()).isCloseTo(160 / 256.0, within(1e-6));
        assertThat(numbers.overdrawMean()).isCloseTo(160 / 256.0, within(1e-6));
    }

    @Test
    void aDrawCallIsARunOfOneSpriteAndBlendMode() {
        Emitter alpha = Sample.emitter("a", 1, Sample.burst(3, 1), Sample.still());
        Look adding = new Look("dot", Look.Blend.ADDITIVE, Look.Order.NEWEST_ON_TOP);
        Emitter between =
                Sample.emitter("b", 2, Sample.burst(3, 1), Sample.still()).withLook(adding);
        Emitter again = Sample.emitter("c", 3, Sample.burst(3, 1), Sample.still());
        Effect apart = Sample.effect("e", alpha, between, again);
        assertThat(Numbers.of(Preview.plain(apart, 1).take(Sample.project(apart), false))
                        .drawCalls())
                .isEqualTo(3);
        Effect together = Sample.effect("e", alpha, again, between);
        assertThat(Numbers.of(Preview.plain(together, 1).take(Sample.project(together), false))
                        .drawCalls())
                .isEqualTo(2);
    }

    @Test
    void theRoseSaysWhichWayAndHowMuchItLeans() {
        Birth birth = Sample.burst(900, 1).with(d -> d.spread = 180);
        Effect round = Sample.effect("e", Sample.emitter("e", 1, birth, Sample.still()));
        Numbers even = Numbers.of(Preview.plain(round, 1).take(Sample.project(round), false));
        assertThat(even.throwResultant()).isLessThan(0.1);
        assertThat(Arrays.stream(even.rose()).sum()).isEqualTo(900);
        Birth up = Sample.burst(900, 1).with(d -> d.spread = 5);
        Effect narrow = Sample.effect("e", Sample.emitter("e", 1, up, Sample.still()));
        Numbers leaning = Numbers.of(Preview.plain(narrow, 1).take(Sample.project(narrow), false));
        assertThat(leaning.throwDirection()).isCloseTo(90, within(1.0));
        assertThat(leaning.throwResultant()).isGreaterThan(0.99);
        assertThat(leaning.high().y()).as("4 u/s for a second").isCloseTo(4, within(0.1));
    }

    @Test
    void anEmitterAnswersOnlyToWhatItHas() {
        Birth streamed =
                Sample.burst(0, 1).with(d -> d.stream = Optional.of(new Stream(50, 0, OptionalDouble.of(0.5))));
        Parameter amount = new Parameter(
                "amount",
                1,
                0.1,
                4,
                "",
                "",
                List.of(new Binding(Property.COUNT, Binding.Mode.MULTIPLY, Optional.empty())));
        Effect effect = new Effect(
                "e",
                "",
                Course.once(2),
                OptionalLong.empty(),
                List.of(
                        Sample.emitter("burst", 1, Sample.burst(5, 1), Sample.still()),
                        Sample.emitter("stream", 2, streamed, Sample.still())),
                List.of(amount));
        assertThat(Answers.of(effect).get(0).emitters()).containsExactly(List.of("count"), List.of());
    }
}
