package bellrope.core.stage;

import static org.assertj.core.api.Assertions.assertThat;

import bellrope.core.Sample;
import bellrope.core.event.Pull;
import bellrope.core.project.Project;
import bellrope.core.project.Settings;
import bellrope.core.rope.Limits;
import bellrope.core.rope.Limits.WhenFull;
import bellrope.core.rope.Note;
import bellrope.core.rope.Rope;
import bellrope.core.rope.Timing;
import bellrope.core.stage.told.Account;
import bellrope.core.stage.told.Account.Played;
import bellrope.core.stage.told.Account.Silent;
import bellrope.core.value.Datum;
import bellrope.core.value.Pace;
import bellrope.core.value.Vec3;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class LimitsTest {
    private static Rope limited(Limits limits) {
        return Sample.rope("landing", 1, "courier.landed", "puff").with(d -> d.limits = limits);
    }

    private static Pull at(double x, String subject, long seed) {
        Map<String, Datum> payload =
                new LinkedHashMap<>(Sample.landing(9, "stone", seed).payload());
        payload.put("position", new Datum.Vec(new Vec3(x, 0, 0)));
        return new Pull("courier.landed", payload, seed).of(subject);
    }

    private static long answered(Stage stage, Pull pull) {
        return stage.pull(pull).answered();
    }

    private static Limits perSecond(double rate) {
        return new Limits(
                0, OptionalDouble.of(rate), false, Optional.empty(), OptionalInt.empty(), false, WhenFull.SKIP, 0, 1);
    }

    /** Source: common practice: a rate of n a second lets n through in a second of a game that asks on each of its steps. */
    @ParameterizedTest
    @CsvSource({"10, 600, 100", "20, 600, 200", "25, 600, 250", "30, 60, 30", "7, 600, 70", "60, 60, 60", "0.5, 240, 2"
    })
    void aRateKeepsItsAverageWhateverTheSteps(double rate, int steps, int expected) {
        Stage stage = new Stage(Sample.game(limited(perSecond(rate))));
        int answered = 0;
        for (int i = 0; i < steps; i++) {
            answered += (int) answered(stage, at(0, "", i));
            stage.step();
        }
        assertThat(answered).isEqualTo(expected);
    }

    @Test
    void aCooldownKeepsItsAverageTooAndCountsAnewAfterARest() {
        Stage stage = new Stage(Sample.game(limited(Limits.cooldown(0.04))));
        List<Integer> on = new ArrayList<>();
        for (int i = 0; i < 40; i++) {
            boolean asked = i < 12 || i >= 30;
            if (asked && answered(stage, at(0, "", i)) > 0) {
                on.add(i);
            }
            stage.step();
        }
        // 2.4 steps: 0, 2.4, 4.8, 7.2, 9.6, and from 30 on again.
        assertThat(on).containsExactly(0, 3, 5, 8, 10, 30, 33, 35, 38);
    }

    // Stamps as a game writes them down: its sixtieths rounded to a millisecond or a nanosecond, or not at all.
    @ParameterizedTest
    @ValueSource(doubles = {1000, 1e9, 1e15})
    void roundedTimeStampsMakeNoDifference(double perSecond) {
        List<Rehearsal.Timed> pulls = new ArrayList<>();
        for (int i = 0; i < 300; i++) {
            pulls.add(new Rehearsal.Timed(Math.rint(i / 60.0 * perSecond) / perSecond, at(0, "", i)));
        }
        Rehearsal rehearsal = Rehearsal.of(Sample.game(limited(perSecond(25))), pulls);
        for (int i = 0; i < 300; i++) {
            assertThat(rehearsal.accounts().get(i).step()).isEqualTo(i);
        }
        assertThat(rehearsal.accounts().stream().filter(a -> a.answered() > 0).count())
                .isEqualTo(125);
    }

    @Test
    void pullsBetweenStepsAreLimitedByTheirOwnTimes() {
        // One each 0.03 s, and a rate of 20 a second: every second one is too early, but for what the average allows.
        List<Rehearsal.Timed> pulls = new ArrayList<>();
        for (int i = 0; i < 1000; i++) {
            pulls.add(new Rehearsal.Timed(i * 0.031, at(0, "", i)));
        }
        Rehearsal rehearsal = Rehearsal.of(Sample.game(limited(Limits.cooldown(0.06))), pulls);
        long answered =
                rehearsal.accounts().stream().filter(a -> a.answered() > 0).count();
        assertThat(answered).isEqualTo(500);
    }

    @Test
    void aChangedPaceYieldsNoNegativeTimes() {
        for (int pace : new int[] {30, 240, 10}) {
            Project sixty = Sample.game(limited(Limits.cooldown(2)));
            Project other = sixty.withSettings(new Settings(new Pace(pace), 1, 1, 2000));
            Stage stage = new Stage(sixty);
            stage.pull(at(0, "", 1));
            for (int i = 0; i < 60; i++) {
                stage.step();
            }
            stage.retune(other);
            assertThat(stage.now()).isEqualTo(pace);
            Account early = stage.pull(at(0, "", 2));
            assertThat(((Account.Limited) ((Silent) early.answers().get(0)).reason()).have())
                    .isEqualTo("1 s since it last answered");
            for (int i = 0; i < pace; i++) {
                stage.step();
            }
            assertThat(answered(stage, at(0, "", 3))).isEqualTo(1);
        }
    }

    @Test
    void aChangedPaceEndsWhatPlaysAndSaysSo() {
        Project sixty = Sample.game(limited(Limits.NONE));
        Stage stage = new Stage(sixty);
        stage.pull(at(0, "", 1));
        stage.retune(sixty.withSettings(new Settings(new Pace(30), 1, 1, 2000)));
        assertThat(stage.still()).isTrue();
        assertThat(stage.pull(at(0, "", 2)).notes()).anyMatch(n -> n.contains("pace"));
    }

    @Test
    void whatIsAboutToBeginCountsForHowManyMayPlay() {
        Rope delayed = limited(Limits.alive(2, WhenFull.SKIP)).with(d -> d.timing = new Timing(0.25, 0));
        Stage stage = new Stage(Sample.game(delayed));
        assertThat(answered(stage, at(0, "", 1))).isEqualTo(1);
        assertThat(answered(stage, at(0, "", 2))).isEqualTo(1);
        Account third = stage.pull(at(0, "", 3));
        assertThat(((Account.Limited) ((Silent) third.answers().get(0)).reason()).have())
                .isEqualTo("0 play, 2 are about to");
        for (int i = 0; i < 15; i++) {
            stage.step();
        }
        assertThat(stage.instances()).isEqualTo(2);
        for (int i = 0; i < 60; i++) {
            stage.step();
        }
        assertThat(answered(stage, at(0, "", 4))).as("when they are over").isEqualTo(1);
    }

    @Test
    void aLoweredLimitMakesRoomAtTheNextAnswer() {
        Project five = Sample.game(limited(Limits.alive(5, WhenFull.OLDEST)));
        Stage stage = new Stage(five);
        for (int i = 0; i < 5; i++) {
            stage.pull(at(0, "", i));
        }
        stage.retune(Sample.game(limited(Limits.alive(2, WhenFull.OLDEST))));
        stage.pull(at(0, "", 9));
        assertThat(stage.instances()).isEqualTo(2);
    }

    @Test
    void oneThatWaitedIsDroppedWhenTheLimitWasLoweredAndItIsSaid() {
        Rope two = limited(Limits.alive(2, WhenFull.SKIP)).with(d -> d.timing = new Timing(0.1, 0));
        Stage stage = new Stage(Sample.game(two));
        stage.pull(at(0, "", 1));
        stage.pull(at(0, "", 2));
        stage.retune(Sample.game(two.with(d -> d.limits = Limits.alive(1, WhenFull.SKIP))));
        for (int i = 0; i < 8; i++) {
            stage.step();
        }
        assertThat(stage.instances()).isEqualTo(1);
        assertThat(stage.pull(at(0, "", 3)).notes()).anyMatch(n -> n.contains("lowered since"));
    }

    @Test
    void aCooldownSaysHowLongItIsSince() {
        Stage stage = new Stage(Sample.game(limited(Limits.cooldown(0.5))));
        assertThat(answered(stage, at(0, "", 1))).isEqualTo(1);
        for (int i = 0; i < 6; i++) {
            stage.step();
        }
        Account second = stage.pull(at(0, "", 2));
        assertThat(second.answers().get(0).inWords())
                .isEqualTo("puff silent: cooldown: 0.1 s since it last answered, wants 0.5 s");
        for (int i = 0; i < 24; i++) {
            stage.step();
        }
        assertThat(answered(stage, at(0, "", 3)))
                .as("what was stopped did not count")
                .isEqualTo(1);
    }

    @Test
    void onceForEachSubjectUntilItIsGoneOrReset() {
        Limits once = new Limits(
                0,
                OptionalDouble.empty(),
                true,
                Optional.of("courier.struck"),
                OptionalInt.empty(),
                false,
                WhenFull.SKIP,
                0,
                1);
        Stage stage = new Stage(Sample.game(limited(once)));
        assertThat(answered(stage, at(0, "Ada", 1))).isEqualTo(1);
        assertThat(answered(stage, at(0, "Ada", 2))).isZero();
        assertThat(answered(stage, at(0, "Bo", 3))).isEqualTo(1);
        stage.gone("Ada");
        assertThat(answered(stage, at(0, "Ada", 4))).isEqualTo(1);
        assertThat(answered(stage, at(0, "Bo", 5))).isZero();
        Map<String, Datum> blow = Map.of(
                "position", new Datum.Vec(Vec3.ZERO),
                "direction", new Datum.Vec(Vec3.RIGHT),
                "force", new Datum.Num(3),
                "by", new Datum.Word("hail"));
        stage.pull(new Pull("courier.struck", blow, 1));
        assertThat(answered(stage, at(0, "Bo", 6))).isEqualTo(1);
    }

    @ParameterizedTest
    @CsvSource({"SKIP, 2, 0", "OLDEST, 2, 2", "LOWEST_WEIGHT, 2, 2"})
    void noMoreThanSoManyAtATime(WhenFull whenFull, int instances, int answersBeyond) {
        Stage stage = new Stage(Sample.game(limited(Limits.alive(2, whenFull))));
        int beyond = 0;
        for (int i = 0; i < 4; i++) {
            long answered = answered(stage, at(i, "", i));
            beyond += i >= 2 ? (int) answered : 0;
            stage.step();
        }
        assertThat(stage.instances()).isEqualTo(instances);
        assertThat(stage.particles()).isEqualTo(10);
        assertThat(beyond).isEqualTo(answersBeyond);
    }

    @Test
    void aGroupMakesRoomForWhatWeighsMore() {
        Limits together = new Limits(
                0,
                OptionalDouble.empty(),
                false,
                Optional.empty(),
                OptionalInt.of(1),
                true,
                WhenFull.LOWEST_WEIGHT,
                0,
                1);
        Note note = new Note(false, "", Optional.of("hits"));
        Rope light = limited(together).with(d -> d.note = note);
        Rope heavy = Sample.rope("struck", 2, "courier.struck", "hiss").with(d -> {
            d.limits = together;
            d.note = note;
        });
        Stage stage = new Stage(Sample.game(light, heavy));
        assertThat(answered(stage, at(0, "", 1))).isEqualTo(1);
        Map<String, Datum> blow = Map.of(
                "position", new Datum.Vec(Vec3.ZERO),
                "direction", new Datum.Vec(Vec3.RIGHT),
                "force", new Datum.Num(3),
                "by", new Datum.Word("hail"));
        assertThat(stage.pull(new Pull("courier.struck", blow, 1)).answered()).isEqualTo(1);
        assertThat(stage.instances()).isEqualTo(1);
        Account lighter = stage.pull(at(0, "", 2));
        assertThat(lighter.answers().get(0)).isInstanceOf(Silent.class);
    }

    @Test
    void notTooNearToTheLast() {
        Limits apart = new Limits(
                0, OptionalDouble.empty(), false, Optional.empty(), OptionalInt.empty(), false, WhenFull.SKIP, 2, 1);
        Stage stage = new Stage(Sample.game(limited(apart)));
        assertThat(answered(stage, at(0, "", 1))).isEqualTo(1);
        assertThat(answered(stage, at(1.9, "", 1))).isZero();
        assertThat(answered(stage, at(2, "", 1))).isEqualTo(1);
        assertThat(answered(stage, at(3, "", 1))).isZero();
    }

    /** Source: the binomial distribution: 400 draws at 0.3 have mean 120 and deviation 9.2; five of those are allowed. */
    @Test
    void aChanceComesTrueAsOftenAsItSays() {
        Limits chance = new Limits(
                0, OptionalDouble.empty(), false, Optional.empty(), OptionalInt.empty(), false, WhenFull.SKIP, 0, 0.3);
        Stage stage = new Stage(Sample.game(limited(chance)));
        int answered = 0;
        for (int i = 0; i < 400; i++) {
            answered += (int) answered(stage, at(0, "", i));
        }
        assertThat(answered).isBetween(120 - 46, 120 + 46);
        assertThat(new Stage(Sample.game(limited(chance))).pull(at(0, "", 7)).answered())
                .as("the same pull with the same seed is answered the same")
                .isEqualTo(new Stage(Sample.game(limited(chance)))
                        .pull(at(0, "", 7))
                        .answered());
    }

    @Test
    void whatIsSwitchedOffSaysSo() {
        Rope off = limited(Limits.NONE).with(d -> d.note = new Note(true, "too loud", Optional.empty()));
        assertThat(new Stage(Sample.game(off))
                        .pull(at(0, "", 1))
                        .answers()
                        .get(0)
                        .inWords())
                .isEqualTo("puff silent: it is switched off");
    }

    @Test
    void aDelayComesLaterAndIsSaid() {
        Rope late = limited(Limits.NONE).with(d -> d.timing = new bellrope.core.rope.Timing(0.1, 0.2));
        Stage stage = new Stage(Sample.game(late));
        Played played = (Played) stage.pull(at(0, "", 1)).answers().get(0);
        assertThat(played.delay()).isBetween(0.1, 0.3 + 1 / 60.0);
        assertThat(stage.instances()).isZero();
        int steps = (int) Math.round(played.delay() * 60);
        for (int i = 0; i < steps; i++) {
            assertThat(stage.instances()).isZero();
            stage.step();
        }
        assertThat(stage.instances()).isEqualTo(1);
    }

    private static String silence(Stage stage, Pull pull) {
        return stage.pull(pull).answers().get(0).inWords();
    }

    private static void second(Stage stage, int steps) {
        for (int i = 0; i < steps; i++) {
            stage.step();
        }
    }

    @Test
    void whatStoppedItIsSaidWithItsNumbers() {
        Stage cooling = new Stage(Sample.game(limited(Limits.cooldown(2))));
        cooling.pull(at(0, "", 1));
        second(cooling, 30);
        assertThat(silence(cooling, at(0, "", 2)))
                .isEqualTo("puff silent: cooldown: 0.5 s since it last answered, wants 2 s");

        Stage rated = new Stage(Sample.game(limited(perSecond(0.5))));
        rated.pull(at(0, "", 1));
        second(rated, 60);
        assertThat(silence(rated, at(0, "", 2)))
                .isEqualTo("puff silent: at most 0.5 a second: 1 s since it last answered, wants 2 s");

        Stage once = new Stage(Sample.game(limited(new Limits(
                0,
                OptionalDouble.empty(),
                true,
                Optional.of("courier.struck"),
                OptionalInt.empty(),
                false,
                WhenFull.SKIP,
                0,
                1))));
        once.pull(at(0, "ann", 1));
        assertThat(answered(once, at(0, "bea", 2))).isEqualTo(1);
        assertThat(silence(once, at(0, "ann", 3)))
                .isEqualTo("puff silent: once for each subject: ann has been answered, wants another subject, until"
                        + " courier.struck");

        Stage apart = new Stage(Sample.game(limited(new Limits(
                0, OptionalDouble.empty(), false, Optional.empty(), OptionalInt.empty(), false, WhenFull.SKIP, 3, 1))));
        apart.pull(at(1, "", 1));
        assertThat(silence(apart, at(3, "", 2)))
                .isEqualTo("puff silent: minimum distance: 2 u from where it last answered, wants 3 u");
        assertThat(answered(apart, at(4, "", 3)))
                .as("just as far as it must be")
                .isEqualTo(1);

        Stage few = new Stage(Sample.game(limited(Limits.alive(2, WhenFull.SKIP))));
        few.pull(at(0, "", 1));
        few.pull(at(0, "", 2));
        assertThat(silence(few, at(0, "", 3))).isEqualTo("puff silent: at most 2 at a time: 2 play, wants fewer");
    }

    @Test
    void whatWaitsForItsDelayIsSaidToo() {
        Stage stage = new Stage(
                Sample.game(limited(Limits.alive(1, WhenFull.SKIP)).with(d -> d.timing = new Timing(0.5, 0))));
        stage.pull(at(0, "", 1));
        assertThat(silence(stage, at(0, "", 2)))
                .isEqualTo("puff silent: at most 1 at a time: 0 play, 1 are about to, wants fewer");
    }
}
