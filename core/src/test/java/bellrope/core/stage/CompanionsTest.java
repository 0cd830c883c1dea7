package bellrope.core.stage;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import bellrope.core.Sample;
import bellrope.core.rope.Companion;
import bellrope.core.rope.Feed;
import bellrope.core.rope.FollowUp;
import bellrope.core.rope.NoticeValue;
import bellrope.core.rope.Overrides;
import bellrope.core.rope.Rope;
import bellrope.core.rope.Source;
import bellrope.core.rope.Timing;
import bellrope.core.stage.told.Account;
import bellrope.core.stage.told.Ledger;
import bellrope.core.stage.told.Shaken;
import bellrope.core.stage.told.Told;
import bellrope.core.value.Datum;
import bellrope.core.value.Range;
import bellrope.core.value.Rgba;
import bellrope.core.value.Vec3;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;

class CompanionsTest {
    private static Stage stage(Companion... companions) {
        return new Stage(Sample.game(
                Sample.rope("landing", 1, "courier.landed", "puff").with(d -> d.companions = List.of(companions))));
    }

    private static Stage following(FollowUp... followUps) {
        return new Stage(Sample.game(
                Sample.rope("landing", 1, "courier.landed", "puff").with(d -> d.followUps = List.of(followUps))));
    }

    private static void steps(Stage stage, int count) {
        for (int i = 0; i < count; i++) {
            stage.step();
        }
    }

    private static double length(Shaken shaken) {
        return Math.hypot(shaken.x(), shaken.y());
    }

    @Test
    void aShakeDecaysAndIsOver() {
        Stage stage = stage(new Companion.Shake(0.2, 10, 0.5));
        stage.pull(Sample.landing(9, "stone", 1));
        assertThat(length(stage.shaken())).isCloseTo(0.2, within(1e-9));
        steps(stage, 6);
        // A whole swing later: e^(−3 · 0.1 / 0.5).
        assertThat(length(stage.shaken())).isCloseTo(0.2 * Math.exp(-0.6), within(1e-9));
        steps(stage, 60);
        assertThat(stage.shaken()).isEqualTo(new Shaken(0, 0));
        assertThat(stage.still()).isTrue();
    }

    @Test
    void shakesAddUpUnderTheCapAndAPlayerMayWantLess() {
        Stage stage = stage(new Companion.Shake(0.4, 10, 0.5), new Companion.Shake(0.4, 10, 0.5));
        stage.pull(Sample.landing(9, "stone", 1));
        assertThat(length(stage.shaken())).as("0.8 u under a cap of 0.5").isCloseTo(0.5, within(1e-9));
        stage.less(true, false);
        assertThat(length(stage.shaken())).isCloseTo(0.125, within(1e-9));
    }

    /** Source: WCAG 2.2, general flash: a change of a tenth of the greatest relative luminance or more. */
    @Test
    void aFlashStaysUnderItsCapAndUnderTheThresholdForThoseWhoWantLess() {
        Stage stage = stage(new Companion.Flash(Rgba.WHITE, 1, 0.2));
        stage.pull(Sample.landing(9, "stone", 1));
        assertThat(stage.flashed().opacity()).isCloseTo(0.6, within(1e-9));
        stage.less(false, true);
        assertThat(stage.flashed().opacity()).isLessThan(0.1);
        steps(stage, 12);
        assertThat(stage.flashed().opacity()).isZero();
    }

    @Test
    void aHitPauseTakesTimeOffTheClockAndNotOffTheSteps() {
        Stage stage = stage(new Companion.HitPause(0.1), new Companion.HitPause(0.05));
        stage.pull(Sample.landing(9, "stone", 1));
        assertThat(stage.advance(0.06)).isZero();
        assertThat(stage.paused()).isCloseTo(0.04, within(1e-12));
        assertThat(stage.advance(0.06)).isEqualTo(1);
        assertThat(stage.paused()).isZero();
    }

    @Test
    void whoGoesToAStepDoesNotWaitForAHitPause() {
        Stage stage = stage(new Companion.HitPause(0.1));
        stage.pull(Sample.landing(9, "stone", 1));
        stage.reach(stage.now() + 3);
        assertThat(stage.now()).isEqualTo(3);
        assertThat(stage.paused()).isZero();
        assertThat(stage.advance(1 / 60.0)).isEqualTo(1);
    }

    @Test
    void aHitPauseIsTheSameInOneCallOrInMany() {
        // Begun by a delayed answer in the midst of a call: 0.1 s until then, 0.1 s of pause, and the rest.
        Rope rope = Sample.rope("landing", 1, "courier.landed", "puff").with(d -> {
            d.timing = new Timing(0.1, 0);
            d.companions = List.of(new Companion.HitPause(0.1));
        });
        for (int calls : new int[] {1, 3, 7, 50, 600}) {
            Stage stage = new Stage(Sample.game(rope));
            stage.pull(Sample.landing(9, "stone", 1));
            int made = 0;
            for (int i = 0; i < calls; i++) {
                made += stage.advance(0.4 / calls);
            }
            assertThat(made).as("%s calls", calls).isEqualTo(18);
            assertThat(stage.now()).isEqualTo(18);
        }
    }

    @Test
    void aClockThatJumpsIsHeldAndToldOf() {
        Stage stage = stage();
        stage.pull(Sample.landing(9, "stone", 1));
        assertThat(stage.advance(1e18)).isEqualTo((int) (Stage.LONGEST_ADVANCE * 60));
        assertThat(stage.advance(Double.NaN)).isZero();
        assertThat(stage.advance(-1)).isZero();
        assertThat(stage.pull(Sample.landing(9, "stone", 2)).notes()).hasSize(3);
    }

    @Test
    void gameCodeIsToldAtItsTime() {
        Stage stage = stage(new Companion.Notice("hide courier", 0), new Companion.Notice("next scene", 0.5));
        stage.pull(Sample.landing(9, "stone", 1));
        assertThat(stage.told()).extracting(Told::name).containsExactly("hide courier");
        steps(stage, 29);
        assertThat(stage.told()).isEmpty();
        steps(stage, 1);
        assertThat(stage.told()).containsExactly(new Told(30, "next scene", Told.What.NOTICE, "landing", 1));
    }

    @Test
    void aNoticeCarriesWhatCameWhatIsAndWhatWasFed() {
        Rope rope = Sample.rope("landing", 1, "courier.landed", "smoke").with(d -> {
            d.feeds = List.of(new Feed("rate", "speed", new Range(0, 14), 1, 3));
            d.companions = List.of(new Companion.Notice(
                    "thud",
                    0.1,
                    List.of(
                            new NoticeValue("speed", new Source.Payload("speed")),
                            new NoticeValue("reek", new Source.Parameter("rate")),
                            new NoticeValue("wind", new Source.Channel("wind")),
                            new NoticeValue("loud", new Source.Constant(new Datum.Flag(true))))));
            d.followUps = List.of(new FollowUp(
                            Optional.empty(),
                            Optional.empty(),
                            FollowUp.Cue.BEGUN,
                            0,
                            Vec3.ZERO,
                            OptionalDouble.empty(),
                            0,
                            Optional.of("smoulder"))
                    .carrying(List.of(new NoticeValue("on", new Source.Payload("surface")))));
        });
        Stage stage = new Stage(Sample.game(rope));
        stage.pull(Sample.landing(7, "stone", 1));
        stage.publish("wind", 6);
        steps(stage, 10);
        List<Told> told = stage.told();
        assertThat(told)
                .filteredOn(t -> t.name().equals("thud"))
                .extracting(Told::values)
                .containsExactly(Map.of(
                        "speed", new Datum.Num(7),
                        "reek", new Datum.Num(2),
                        "wind", new Datum.Num(6),
                        "loud", new Datum.Flag(true)));
        assertThat(told)
                .filteredOn(t -> t.name().equals("smoulder"))
                .hasSize(2)
                .extracting(Told::values)
                .containsOnly(Map.of("on", new Datum.Word("stone")));
    }

    @Test
    void aFollowUpTellsOfItselfWhetherOrNotItPlaysAnything() {
        FollowUp unseen = new FollowUp(
                Optional.empty(),
                Optional.empty(),
                FollowUp.Cue.BEGUN,
                0.1,
                Vec3.ZERO,
                OptionalDouble.of(0.5),
                0.2,
                Optional.of("smoulder"));
        FollowUp announcing = new FollowUp(
                Optional.empty(),
                Optional.of("courier.struck"),
                FollowUp.Cue.BEGUN,
                0.1,
                Vec3.ZERO,
                OptionalDouble.empty(),
                0,
                Optional.of("struck too"));
        Stage stage = new Stage(Sample.game(Sample.rope("landing", 1, "courier.landed", "puff")
                .with(d -> d.followUps = List.of(unseen, announcing))));
        stage.pull(Sample.landing(9, "stone", 1));
        steps(stage, 120);
        assertThat(stage.told())
                .containsExactly(
                        new Told(6, "smoulder", Told.What.BEGINS, "landing", 1),
                        new Told(6, "struck too", Told.What.NOTICE, "landing", 1),
                        new Told(36, "smoulder", Told.What.ENDS, "landing", 1),
                        new Told(48, "smoulder", Told.What.GONE, "landing", 1));
        assertThat(stage.still()).isTrue();
    }

    @Test
    void aFollowUpComesAfterItsTimeOrWhenTheFirstIsOver() {
        Stage stage = following(FollowUp.after(0.25, "hiss"));
        stage.pull(Sample.landing(9, "stone", 1));
        steps(stage, 14);
        assertThat(stage.instances()).isEqualTo(1);
        steps(stage, 1);
        assertThat(stage.instances()).isEqualTo(2);

        FollowUp over = new FollowUp(
                Optional.of("hiss"),
                Optional.empty(),
                FollowUp.Cue.OVER,
                0,
                new Vec3(0, 1, 0),
                OptionalDouble.empty(),
                0,
                Optional.empty());
        Stage after = following(over);
        after.pull(Sample.landing(9, "stone", 1));
        steps(after, 29);
        assertThat(after.particles()).isEqualTo(5);
        steps(after, 1);
        assertThat(after.particles()).as("the hiss alone").isEqualTo(3);
        assertThat(after.frame(1).getFloat(28)).as("a unit above").isEqualTo(1f);
        steps(after, 31);
        assertThat(after.still()).isTrue();
    }

    @Test
    void aLingeringFollowUpIsInForceFadesAndTellsTheGame() {
        FollowUp lingering = new FollowUp(
                Optional.of("smoke"),
                Optional.empty(),
                FollowUp.Cue.BEGUN,
                0,
                Vec3.ZERO,
                OptionalDouble.of(1),
                0.5,
                Optional.of("smoulder"));
        Stage stage = following(lingering);
        stage.pull(Sample.landing(9, "stone", 1));
        steps(stage, 120);
        assertThat(stage.told())
                .extracting(t -> t.what() + " " + t.step())
                .containsExactly("BEGINS 0", "ENDS 60", "GONE 90");
        assertThat(stage.still()).isTrue();
    }

    private static Companion.ScreenTint tint(Companion.ScreenTint.Area area) {
        return new Companion.ScreenTint(Rgba.parse("#FF0000FF"), 0.4, area, 0.5, 1, 2);
    }

    @Test
    void aTintComesIsHeldAndGoes() {
        Companion.ScreenTint tint = tint(Companion.ScreenTint.Area.WHOLE);
        assertThat(new double[] {tint.at(0), tint.at(0.25), tint.at(0.5), tint.at(1.5), tint.at(2.5), tint.at(3.5)})
                .containsExactly(new double[] {0, 0.2, 0.4, 0.4, 0.2, 0}, within(1e-12));
        Stage stage = stage(tint);
        stage.pull(Sample.landing(9, "stone", 1));
        steps(stage, 15);
        assertThat(stage.flashed().opacity()).isCloseTo(0.2, within(1e-9));
        assertThat(stage.flashed().red()).isEqualTo(1);
        steps(stage, 60 * 3 + 14);
        assertThat(stage.still()).as("a step before its end").isFalse();
        steps(stage, 1);
        assertThat(stage.still()).isTrue();
    }

    @Test
    void theEdgesAreToldApartAndBothAreCappedAndHonoured() {
        Stage stage = stage(
                tint(Companion.ScreenTint.Area.EDGES),
                new Companion.ScreenTint(Rgba.WHITE, 1, Companion.ScreenTint.Area.WHOLE, 0, 9, 0));
        stage.pull(Sample.landing(9, "stone", 1));
        steps(stage, 60);
        assertThat(stage.edged().opacity()).isCloseTo(0.4, within(1e-9));
        assertThat(stage.flashed().opacity())
                .as("the project's cap")
                .isEqualTo(stage.project().settings().comfort().flash());
        stage.less(false, true);
        // WCAG 2.2, general flash: a change of relative luminance of under a tenth.
        assertThat(stage.flashed().opacity()).isLessThan(0.1);
    }

    @Test
    void aTintThatTakesNoTimeIsRefused() {
        assertThatThrownBy(() -> new Companion.ScreenTint(Rgba.WHITE, 0.5, Companion.ScreenTint.Area.WHOLE, 0, 0, 0))
                .isInstanceOf(bellrope.core.value.Refused.class);
    }

    @Test
    void eventsThatAnnounceOneAnotherAreStopped() {
        FollowUp again = new FollowUp(
                Optional.empty(),
                Optional.of("courier.landed"),
                FollowUp.Cue.BEGUN,
                0,
                Vec3.ZERO,
                OptionalDouble.empty(),
                0,
                Optional.empty());
        Stage stage = following(again);
        stage.pull(Sample.landing(9, "stone", 1));
        assertThat(stage.instances()).isEqualTo(Stage.DEEPEST);
        List<Account> unasked = stage.unasked();
        assertThat(unasked).hasSize(Stage.DEEPEST - 1);
        assertThat(unasked.get(0).notes())
                .as("said where it was stopped, in the innermost of them")
                .containsExactly("courier.landed was not announced: 8 events have announced one another");
    }

    @Test
    void aRopeMayTellTheGameAndPlayNothing() {
        Rope bare = Sample.rope("landing", 1, "courier.landed", "puff").with(d -> {
            d.play = Optional.empty();
            d.companions = List.of(new Companion.Notice("thud", 0));
        });
        Stage stage = new Stage(Sample.game(bare));
        Account account = stage.pull(Sample.landing(9, "stone", 1));
        assertThat(account.answers().get(0).inWords()).isEqualTo("landing; tell the game “thud”");
        assertThat(stage.told()).hasSize(1);
    }

    @Test
    void overridesStandForThisRopeAlone() {
        Rope many = Sample.rope("landing", 1, "courier.landed", "puff")
                .with(d -> d.overrides = new Overrides(
                        3,
                        2,
                        1,
                        OptionalDouble.empty(),
                        Optional.empty(),
                        OptionalDouble.empty(),
                        OptionalDouble.of(0.25)));
        Rope plain = Sample.rope("landing too", 2, "courier.landed", "puff");
        Stage stage = new Stage(Sample.game(many, plain));
        stage.pull(Sample.landing(9, "stone", 1));
        assertThat(stage.particles()).isEqualTo(15 + 5);
        steps(stage, 15);
        assertThat(stage.particles())
                .as("taken off after a quarter of a second")
                .isEqualTo(5);
        assertThat(many.overrides()
                        .over(Sample.puff("puff", 5))
                        .emitters()
                        .get(0)
                        .birth()
                        .size()
                        .least())
                .isEqualTo(2
                        * Sample.puff("puff", 5)
                                .emitters()
                                .get(0)
                                .birth()
                                .size()
                                .least());
    }

    @Test
    void theLedgerKeepsTheLastAndFindsThemByTheirWords() {
        Stage stage = stage();
        for (int i = 0; i < Ledger.MOST + 5; i++) {
            stage.pull(Sample.landing(i % 10, i % 2 == 0 ? "stone" : "peat", i));
            stage.clear();
        }
        assertThat(stage.ledger().size()).isEqualTo(Ledger.MOST);
        assertThat(stage.ledger().all().get(0).number()).isEqualTo(6);
        assertThat(stage.ledger().search("PEAT speed 3", 50))
                .hasSize(50)
                .allMatch(a -> a.inWords().contains("surface peat"));
        assertThat(stage.ledger().search("thatch", 50)).isEmpty();
    }
}
