package bellrope.core.stage;

import static org.assertj.core.api.Assertions.assertThat;

import bellrope.core.Sample;
import bellrope.core.event.Pull;
import bellrope.core.rope.Limits;
import bellrope.core.rope.Limits.WhenFull;
import bellrope.core.rope.Note;
import bellrope.core.rope.Rope;
import bellrope.core.stage.Account.Played;
import bellrope.core.stage.Account.Silent;
import bellrope.core.value.Datum;
import bellrope.core.value.Vec3;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

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

    /** Source: common practice: a rate of n a second lets the next through at now + 1/n, so pulls at twice the rate halve. */
    @ParameterizedTest
    @CsvSource({"10, 60, 10", "20, 60, 20", "30, 60, 30", "7, 60, 7", "60, 60, 60", "0.5, 240, 2"})
    void aRateLetsTheNextThroughAfterItsShareOfASecond(double perSecond, int steps, int expected) {
        Stage stage = new Stage(Sample.game(limited(new Limits(
                0,
                OptionalDouble.of(perSecond),
                false,
                Optional.empty(),
                OptionalInt.empty(),
                false,
                WhenFull.SKIP,
                0,
                1))));
        int answered = 0;
        for (int i = 0; i < steps; i++) {
            answered += (int) answered(stage, at(0, "", i));
            stage.step();
        }
        // On whole steps 1/7 s is 9 steps (0.15 s) and not 8.57: 60/9 comes, rounded up.
        int onSteps = (int) Math.ceil(steps / Math.ceil(60 / perSecond - 1e-9));
        assertThat(answered).isEqualTo(onSteps).isLessThanOrEqualTo(expected);
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
    @CsvSource({"SKIP, 2, 0", "OLDEST, 2, 2", "LEAST_WEIGHTY, 2, 2"})
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
                WhenFull.LEAST_WEIGHTY,
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
}
