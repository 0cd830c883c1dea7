package bellrope.core.stage;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import bellrope.core.Sample;
import bellrope.core.check.wiring.Wiring;
import bellrope.core.check.wiring.Wiring.Noticed;
import bellrope.core.event.Pull;
import bellrope.core.event.Strength;
import bellrope.core.rope.NoticeValue;
import bellrope.core.rope.Refit;
import bellrope.core.rope.Rope;
import bellrope.core.rope.Sentence;
import bellrope.core.rope.Source;
import bellrope.core.rope.Stay;
import bellrope.core.stage.told.Account;
import bellrope.core.stage.told.Told;
import bellrope.core.value.Datum;
import bellrope.core.value.Refused;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;

/** What a moment begins, in force for a time. The loop "smoke" spawns 30 a second that live half a second. */
class StayTest {
    private static Rope smoke(Stay stay) {
        return Sample.rope("smoke of what burnt", 1, "courier.landed", "smoke").with(d -> d.stay = Optional.of(stay));
    }

    private static Stay telling(OptionalDouble inForce, double fade) {
        return new Stay(
                inForce, fade, Optional.of("harm"), List.of(new NoticeValue("force", new Source.Payload("speed"))));
    }

    private static List<Noticed> look(Rope rope) {
        return Wiring.look(Sample.game(rope), Wiring.Known.seen(Map.of()));
    }

    private static void steps(Stage stage, int count) {
        for (int i = 0; i < count; i++) {
            stage.step();
        }
    }

    @Test
    void aLoopIsInForceThenFadesAndTheGameIsToldOfEach() {
        Stage stage = new Stage(Sample.game(smoke(telling(OptionalDouble.of(5), 2))));
        Account account = stage.pull(Sample.landing(9, "stone", 1));
        Account.Played played = (Account.Played) account.answers().get(0);
        assertThat(played.hold().getAsDouble()).isCloseTo(7, within(1e-9));
        steps(stage, 299);
        assertThat(stage.particles()).as("30 a second for half a second").isBetween(14, 16);
        steps(stage, 121);
        assertThat(stage.still()).isTrue();
        List<Told> told = stage.told();
        assertThat(told)
                .extracting(t -> t.what() + " " + t.name() + " " + t.step())
                .containsExactly("BEGINS harm 0", "ENDS harm 300", "GONE harm 420");
        assertThat(told).extracting(Told::values).containsOnly(Map.of("force", new Datum.Num(9)));
    }

    @Test
    void withoutAFadeWhatLivesLivesToItsEnd() {
        Stage stage = new Stage(Sample.game(smoke(Stay.of(1, 0))));
        stage.pull(Sample.landing(9, "stone", 1));
        // Stopped at 1 s, its own fade-out of 0.25 s, lives of 0.5 s.
        steps(stage, 60 + 15 + 29);
        assertThat(stage.instances()).isEqualTo(1);
        steps(stage, 3);
        assertThat(stage.still()).isTrue();
    }

    @Test
    void withoutATimeItStaysAsLongAsTheSceneOrUntilItEndsByItself() {
        Stage loop = new Stage(Sample.game(smoke(telling(OptionalDouble.empty(), 0))));
        loop.pull(Sample.landing(9, "stone", 1));
        steps(loop, 60 * 120);
        assertThat(loop.instances()).isEqualTo(1);
        assertThat(loop.told()).extracting(Told::what).containsExactly(Told.What.BEGINS);

        Rope once = smoke(telling(OptionalDouble.empty(), 0)).with(d -> d.play = Optional.of("puff"));
        Stage puff = new Stage(Sample.game(once));
        puff.pull(Sample.landing(9, "stone", 1));
        steps(puff, 60);
        assertThat(puff.told()).extracting(t -> t.what() + " " + t.step()).containsExactly("BEGINS 0", "GONE 30");
    }

    @Test
    void othersOfTheSameEffectPlayOnWhileOneFades() {
        Rope beside = Sample.rope("beside", 2, "courier.struck", "smoke");
        Stage stage = new Stage(Sample.game(smoke(Stay.of(0.5, 0.5)), beside));
        stage.pull(Sample.landing(9, "stone", 1));
        stage.pull(new Pull("courier.struck", Strength.USUAL.payload(Sample.struck()), 2));
        steps(stage, 62);
        assertThat(stage.instances()).isEqualTo(1);
        assertThat(stage.particles()).isBetween(14, 16);
    }

    @Test
    void theGameIsToldThoughNothingPlays() {
        Rope none = smoke(telling(OptionalDouble.of(1), 0.5)).with(d -> d.play = Optional.empty());
        Rope tells = none.with(d -> d.companions = List.of(new bellrope.core.rope.Companion.HitPause(0.02)));
        Stage stage = new Stage(Sample.game(tells));
        stage.pull(Sample.landing(9, "stone", 1));
        steps(stage, 120);
        assertThat(stage.told())
                .extracting(t -> t.what() + " " + t.step())
                .containsExactly("BEGINS 0", "ENDS 60", "GONE 90");
    }

    @Test
    void itIsReadInTheSentenceAndEndsALoopThatNothingEnded() {
        Rope rope = smoke(telling(OptionalDouble.of(5), 2));
        assertThat(Sentence.of(rope, Optional.of(Sample.landed())).toString())
                .contains("play smoke for 5 s and fade 2 s, telling the game “harm” at");
        Rope endless = rope.with(d -> d.stay = Optional.empty());
        Noticed found = look(endless).stream()
                .filter(n -> n.check().equals("never ends"))
                .findFirst()
                .orElseThrow();
        assertThat(found.remedy().orElseThrow().rope().stay()).contains(Stay.of(2, 0));
        assertThat(look(rope)).extracting(Noticed::check).doesNotContain("never ends");
    }

    @Test
    void spansEndOtherwise() {
        assertThat(Refit.to(smoke(Stay.of(5, 2)), Sample.reeling()).stay()).isEmpty();
        assertThat(Refit.to(smoke(Stay.of(5, 2)), Sample.struck()).stay()).isPresent();
    }

    @Test
    void aSpanThatCannotUseItIsTold() {
        Rope span = Sample.rope("reel", 1, "kite.reeling", "smoke").with(d -> d.stay = Optional.of(Stay.of(5, 2)));
        Noticed found = look(span).stream()
                .filter(n -> n.check().equals("time in force without use"))
                .findFirst()
                .orElseThrow();
        assertThat(found.remedy().orElseThrow().rope().stay()).isEmpty();
    }

    @Test
    void whatNoLongerHasATimeGoesOn() {
        Rope rope = smoke(Stay.of(1, 0.5));
        Stage stage = new Stage(Sample.game(rope));
        stage.pull(Sample.landing(9, "stone", 1));
        steps(stage, 30);
        stage.retune(Sample.game(rope.with(d -> d.stay = Optional.empty())));
        steps(stage, 240);
        assertThat(stage.instances()).isEqualTo(1);
    }

    @Test
    void whatCannotBeIsRefused() {
        assertThatThrownBy(() -> Stay.of(-1, 0)).isInstanceOf(Refused.class).hasMessageContaining("inForce");
        assertThatThrownBy(() -> Stay.of(3601, 0)).isInstanceOf(Refused.class);
        assertThatThrownBy(() -> new Stay(OptionalDouble.empty(), 2, Optional.of("n"), List.of()))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("fadeOut");
        assertThatThrownBy(() -> new Stay(OptionalDouble.empty(), 0, Optional.empty(), List.of()))
                .isInstanceOf(Refused.class);
    }
}
