package bellrope.core.stage;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import bellrope.core.Sample;
import bellrope.core.effect.Effect;
import bellrope.core.effect.End;
import bellrope.core.event.Pull;
import bellrope.core.event.Strength;
import bellrope.core.measure.Numbers;
import bellrope.core.pool.Pool;
import bellrope.core.pool.Pool.WhenEmpty;
import bellrope.core.project.Consistency;
import bellrope.core.project.Project;
import bellrope.core.rope.FollowUp;
import bellrope.core.rope.Limits;
import bellrope.core.rope.Rope;
import bellrope.core.rope.Run;
import bellrope.core.rope.Timing;
import bellrope.core.stage.told.Account;
import bellrope.core.stage.told.PoolUse;
import bellrope.core.value.Datum;
import bellrope.core.value.Range;
import bellrope.core.value.Refused;
import bellrope.core.value.Vec3;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Random;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** Pools on a stage. A puff of five is held for the half second that its particles live. */
class PoolsTest {
    private static final Rope LANDING = Sample.rope("landing", 1, "courier.landed", "puff");

    private static Project game(Pool pool, Rope... ropes) {
        return Sample.game(ropes).withPools(List.of(pool));
    }

    private static Pool puffs(int capacity, WhenEmpty whenEmpty) {
        return new Pool("puff", capacity, whenEmpty);
    }

    private static Account land(Stage stage, int seed) {
        return stage.pull(Sample.landing(9, "stone", seed));
    }

    private static Pull blow(int seed) {
        return new Pull("courier.struck", Strength.USUAL.payload(Sample.struck()), seed);
    }

    private static void steps(Stage stage, int count) {
        for (int i = 0; i < count; i++) {
            stage.step();
        }
    }

    private static PoolUse use(Stage stage) {
        return stage.pools().get(0);
    }

    @Test
    void whatAPoolHasNoRoomForIsRefusedAndTheAccountSaysWhy() {
        Stage stage = new Stage(game(puffs(2, WhenEmpty.REFUSE), LANDING));
        land(stage, 1);
        steps(stage, 6);
        land(stage, 2);
        steps(stage, 6);
        Account third = land(stage, 3);
        assertThat(third.answers().get(0).inWords())
                .isEqualTo("puff silent: all 2 of puff play; the oldest is 0.2 s old");
        assertThat(stage.instances()).isEqualTo(2);
        assertThat(use(stage)).isEqualTo(new PoolUse("puff", 2, 2, 2, 3, 1, 0, 0, 0));
        steps(stage, 20);
        assertThat(land(stage, 4).answered()).as("the first is gone").isEqualTo(1);
    }

    @Test
    void whatThePoolRefusesUsesUpNoLimit() {
        Rope once = LANDING.with(d -> d.limits = Limits.cooldown(5));
        Rope other = Sample.rope("other", 2, "courier.struck", "puff");
        Stage stage = new Stage(game(puffs(1, WhenEmpty.REFUSE), once, other));
        stage.pull(blow(1));
        assertThat(land(stage, 1).answered()).isZero();
        steps(stage, 40);
        assertThat(land(stage, 2).answered()).isEqualTo(1);
    }

    @Test
    void theOldestIsTakenOverAndWhatWasCutIsCounted() {
        Project project = game(puffs(2, WhenEmpty.OLDEST), LANDING);
        Stage stage = new Stage(project);
        land(stage, 1);
        steps(stage, 6);
        land(stage, 2);
        steps(stage, 6);
        Account third = land(stage, 3);
        assertThat(third.answers().get(0).inWords())
                .contains("; took over puff of 0.2 s before, which could still be seen");
        assertThat(stage.instances()).isEqualTo(2);
        assertThat(stage.particles()).isEqualTo(10);
        PoolUse use = use(stage);
        assertThat(use.takenOver()).isEqualTo(1);
        assertThat(use.cutSeen()).isEqualTo(1);
        // 12 of its 30 steps are over; its presence is the same on each.
        Numbers whole = Numbers.of(Take.of(project, Sample.landing(9, "stone", 1), 2, false));
        assertThat(use.presenceCut()).isCloseTo(whole.presenceTotal() * 18 / 30, within(whole.presenceTotal() * 0.06));
    }

    /** By hand: the first is a little puff that fades at once, the second a large one. */
    @Test
    void theFaintestIsWhatWouldStillPutLeastOnScreen() {
        Effect small = Sample.effect(
                "small",
                Sample.emitter("s", 1, Sample.burst(5, 0.5).with(d -> d.size = Range.of(0.1)), Sample.still()));
        Project base = Sample.game(
                Sample.rope("landing", 1, "courier.landed", "puff"), Sample.rope("hit", 2, "courier.struck", "small"));
        Pool both = new Pool("both", List.of("puff", "small"), 2, 0, WhenEmpty.FAINTEST, OptionalInt.empty());
        Project project =
                base.withEffects(List.of(base.effects().get(0), small)).withPools(List.of(both));
        Stage stage = new Stage(project);
        land(stage, 1);
        steps(stage, 3);
        stage.pull(blow(1));
        steps(stage, 3);
        Account third = land(stage, 2);
        assertThat(third.answers().get(0).inWords()).contains("took over small of 0.05 s before");
    }

    @Test
    void theFarthestFromTheCameraIsTakenOver() {
        Stage stage = new Stage(game(puffs(2, WhenEmpty.FARTHEST), LANDING));
        stage.camera(new Vec3(12, 0, 0));
        Map<String, Datum> far =
                new LinkedHashMap<>(Sample.landing(9, "stone", 2).payload());
        far.put("position", new Datum.Vec(new Vec3(500, 0, 0)));
        land(stage, 1);
        stage.step();
        stage.pull(Sample.landing(9, "stone", 2).with(far));
        stage.step();
        Account third = land(stage, 3);
        assertThat(((Account.Played) third.answers().get(0))
                        .tookOver()
                        .orElseThrow()
                        .age())
                .isCloseTo(1 / 60.0, within(1e-9));
    }

    @Test
    void whatWeighsLeastIsTakenOverAndWhatWeighsLessThanAllIsRefused() {
        // A landing weighs 3, a blow 4.
        Rope blow = Sample.rope("blow", 2, "courier.struck", "puff");
        Stage stage = new Stage(game(puffs(2, WhenEmpty.LOWEST_WEIGHT), LANDING, blow));
        land(stage, 1);
        stage.pull(blow(1));
        assertThat(stage.pull(blow(2)).answers().get(0).inWords()).contains("took over puff");
        assertThat(land(stage, 2).answers().get(0).inWords())
                .isEqualTo("puff silent: all 2 of puff play; the oldest is 0 s old, the lowest weight 4");
    }

    @Test
    void ofThoseThatWeighAlikeTheOneThatBeganFirstIsTakenOver() {
        Stage stage = new Stage(game(puffs(2, WhenEmpty.LOWEST_WEIGHT), LANDING));
        land(stage, 1);
        steps(stage, 6);
        land(stage, 2);
        steps(stage, 6);
        assertThat(land(stage, 3).answers().get(0).inWords()).contains("took over puff of 0.2 s before");
    }

    @Test
    void aPoolThatGrowsGrowsToItsBoundAndStaysSo() {
        Pool growing = new Pool("puff", List.of("puff"), 1, 0, WhenEmpty.GROW, OptionalInt.of(3));
        Stage stage = new Stage(game(growing, LANDING));
        for (int i = 0; i < 5; i++) {
            land(stage, i);
        }
        assertThat(use(stage)).isEqualTo(new PoolUse("puff", 3, 3, 3, 5, 2, 0, 0, 0));
        steps(stage, 60);
        assertThat(use(stage).capacity()).isEqualTo(3);
        assertThat(use(stage).playing()).isZero();
    }

    @Test
    void whatBeginsAfterADelayAsksThenAndIsNoted() {
        Rope late = LANDING.with(d -> d.timing = new Timing(0.1, 0));
        Rope now = Sample.rope("now", 2, "courier.struck", "puff");
        Stage stage = new Stage(game(puffs(1, WhenEmpty.REFUSE), late, now));
        assertThat(land(stage, 1).answered()).isEqualTo(1);
        stage.pull(blow(1));
        steps(stage, 8);
        assertThat(stage.instances()).isEqualTo(1);
        assertThat(use(stage).refused()).isEqualTo(1);
        assertThat(land(stage, 2).notes())
                .contains("landing: puff did not begin: all 1 of puff play; the oldest is 0.1 s old");
    }

    @Test
    void whatFollowsAndWhatEndsASpanAskTheirPoolToo() {
        Rope follows = LANDING.with(d -> {
            d.play = Optional.of("hiss");
            d.followUps = List.of(FollowUp.after(0, "puff"));
        });
        Stage stage = new Stage(game(puffs(1, WhenEmpty.REFUSE), follows));
        land(stage, 1);
        land(stage, 2);
        assertThat(stage.instances()).as("two hisses and one puff").isEqualTo(3);
        assertThat(use(stage).refused()).isEqualTo(1);
        Rope reel = Sample.rope("reel", 3, "kite.reeling", "smoke")
                .with(d -> d.run = new Run(
                        Optional.of("puff"),
                        Optional.of("puff"),
                        OptionalDouble.empty(),
                        OptionalDouble.empty(),
                        OptionalDouble.empty(),
                        Run.Again.CONTINUE,
                        Run.Order.AFTER));
        Stage spans = new Stage(game(puffs(1, WhenEmpty.REFUSE), reel));
        spans.pull(Sample.reels(Vec3.ZERO, 1));
        assertThat(use(spans).playing()).isEqualTo(1);
        spans.pull(Pull.end("kite.reeling"));
        assertThat(use(spans).refused()).isEqualTo(1);
        assertThat(use(spans).asked()).isEqualTo(2);
    }

    /** What particles begin: each of two embers begins a puff as it dies; the pool has room for one. */
    @Test
    void whatParticlesBeginAsksItsPool() {
        Effect ember = Sample.effect(
                "ember",
                Sample.emitter("ember", 5, Sample.burst(2, 0.2), Sample.still())
                        .withEnd(new End(
                                Optional.empty(),
                                List.of(new End.Child(
                                        End.Child.When.AT_END,
                                        Optional.empty(),
                                        Optional.of("puff"),
                                        1,
                                        1,
                                        1,
                                        1,
                                        0,
                                        false,
                                        false)),
                                Optional.empty())));
        Project base = Sample.game(Sample.rope("landing", 1, "courier.landed", "ember"));
        Project project = base.withEffects(List.of(base.effects().get(0), ember));
        for (WhenEmpty whenEmpty : List.of(WhenEmpty.REFUSE, WhenEmpty.OLDEST)) {
            Stage stage = new Stage(project.withPools(List.of(puffs(1, whenEmpty))));
            land(stage, 1);
            steps(stage, 20);
            assertThat(use(stage).asked()).isEqualTo(2);
            assertThat(use(stage).refused() + use(stage).takenOver()).isEqualTo(1);
            assertThat(use(stage).playing()).isEqualTo(1);
            steps(stage, 60);
            assertThat(use(stage).playing()).isZero();
            assertThat(stage.still()).isTrue();
        }
    }

    @ParameterizedTest
    @EnumSource(WhenEmpty.class)
    void aPoolNeverHoldsMoreThanItMayWhateverHappens(WhenEmpty whenEmpty) {
        Pool pool = new Pool(
                "all",
                List.of("puff", "smoke"),
                3,
                0,
                whenEmpty,
                whenEmpty == WhenEmpty.GROW ? OptionalInt.of(5) : OptionalInt.empty());
        Rope reel = Sample.rope("reel", 3, "kite.reeling", "smoke");
        Project project = game(pool, LANDING, reel);
        Stage stage = new Stage(project);
        Random random = new Random(4);
        for (int i = 0; i < 600; i++) {
            int what = random.nextInt(12);
            if (what < 3) {
                land(stage, i);
            } else if (what == 3) {
                stage.pull(Sample.reels(Vec3.ZERO, i).of("kite-" + random.nextInt(5)));
            } else if (what == 4) {
                stage.pull(Pull.end("kite.reeling").of("kite-" + random.nextInt(5)));
            } else if (what == 5 && i % 5 == 0) {
                stage.retune(project);
            }
            stage.step();
            PoolUse use = use(stage);
            int[] playing = new int[1];
            stage.playing((rope, effect, subject) -> playing[0]++);
            assertThat(use.playing()).isEqualTo(playing[0]).isLessThanOrEqualTo(use.capacity());
            assertThat(use.capacity()).isLessThanOrEqualTo(pool.most());
        }
        PoolUse use = use(stage);
        assertThat(use.refused() + use.takenOver()).isPositive();
        stage.clear();
        assertThat(use(stage).playing()).isZero();
    }

    @Test
    void aPoolThatIsMadeSmallerEmptiesWithWhatComesNext() {
        Project wide = game(puffs(4, WhenEmpty.OLDEST), LANDING);
        Stage stage = new Stage(wide);
        for (int i = 0; i < 4; i++) {
            land(stage, i);
            stage.step();
        }
        stage.retune(game(puffs(2, WhenEmpty.OLDEST), LANDING));
        assertThat(stage.instances()).as("what plays is not cut by a setting").isEqualTo(4);
        land(stage, 9);
        assertThat(stage.instances()).isEqualTo(2);
        assertThat(use(stage).takenOver()).isEqualTo(3);
    }

    @Test
    void withoutPoolsEverythingIsAsBefore() {
        assertThat(new Stage(Sample.game(LANDING)).pools()).isEmpty();
    }

    @Test
    void badPoolsAreRefusedWhereTheyStand() {
        refused(() -> puffs(0, WhenEmpty.REFUSE), "capacity");
        refused(() -> puffs(1_000_000_000, WhenEmpty.REFUSE), "capacity");
        refused(() -> puffs(2, WhenEmpty.GROW), "bound");
        refused(() -> new Pool("p", List.of("puff"), 2, 3, WhenEmpty.REFUSE, OptionalInt.empty()), "prewarm");
        refused(() -> new Pool("p", List.of("puff"), 2, 0, WhenEmpty.REFUSE, OptionalInt.of(9)), "bound");
        refused(() -> new Pool("p", List.of("puff"), 4, 0, WhenEmpty.GROW, OptionalInt.of(3)), "bound");
        refused(() -> new Pool("p", List.of(), 2, 0, WhenEmpty.REFUSE, OptionalInt.empty()), "effects");
        refused(() -> new Pool("p", List.of("puff", "puff"), 2, 0, WhenEmpty.REFUSE, OptionalInt.empty()), "effects/1");
        Project twice = Sample.game(LANDING)
                .withPools(List.of(
                        puffs(2, WhenEmpty.REFUSE),
                        new Pool("p", List.of("puff", "pluff"), 2, 0, WhenEmpty.OLDEST, OptionalInt.empty())));
        assertThat(Consistency.problems(twice))
                .extracting(p -> p.place() + " " + p.allowed())
                .containsExactly(
                        "/pools/1/effects/0 an effect of one pool; \"puff\" holds it",
                        "/pools/1/effects/1 the name of a known effect; did you mean puff?");
    }

    private static void refused(org.assertj.core.api.ThrowableAssert.ThrowingCallable making, String place) {
        Assertions.assertThatThrownBy(making)
                .isInstanceOfSatisfying(
                        Refused.class, r -> assertThat(r.place()).isEqualTo(place));
    }
}
