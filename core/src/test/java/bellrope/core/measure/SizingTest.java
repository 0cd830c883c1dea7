package bellrope.core.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import bellrope.core.Sample;
import bellrope.core.measure.Sizing.Differs;
import bellrope.core.measure.Sizing.Size;
import bellrope.core.measure.Sizing.Sized;
import bellrope.core.pool.Erlang;
import bellrope.core.pool.Held;
import bellrope.core.pool.Pool;
import bellrope.core.pool.Pool.WhenEmpty;
import bellrope.core.project.Project;
import bellrope.core.score.Lane;
import bellrope.core.score.Pattern;
import bellrope.core.score.Score;
import bellrope.core.score.Writing;
import bellrope.core.stage.Performance;
import bellrope.core.stage.told.Keeping;
import bellrope.core.stage.told.PoolUse;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** A puff is held for half a second: 30 steps. */
class SizingTest {
    private static final Project GAME = Sample.game(Sample.rope("landing", 1, "courier.landed", "puff"));

    private static Score score(double seconds, Pattern when) {
        return new Score("run", seconds, 3, List.of(new Lane(1, "courier.landed", when)), List.of());
    }

    private static Sizing sizing(Project project, Score score, int runs) {
        Sizing sizing = new Sizing(project, score, runs);
        while (sizing.next()) {
            assertThat(sizing.done()).isLessThan(runs);
        }
        return sizing;
    }

    /**
     * Source: Erlang's B, and Little's law for the load. The stage looks once a step, so the mean hold is counted in whole steps
     * (common practice: a load is corrected by what quantises it): arrivals wait for the next step and free their place on one.
     */
    @Test
    void independentArrivalsLoseWhatErlangSays() {
        Sizing sizing = sizing(GAME, score(600, new Pattern.Poisson(20)), 12);
        Sized puff = sizing.result().get(0);
        assertThat(puff.perSecond()).isCloseTo(20, within(0.6));
        assertThat(puff.hold()).isCloseTo(0.5, within(1e-9));
        assertThat(puff.load()).isCloseTo(10, within(0.3));
        assertThat(puff.dispersion()).isCloseTo(1, within(0.1));
        assertThat(puff.differs()).isEqualTo(Differs.NOT);
        for (int capacity : new int[] {10, 13, 15}) {
            Size size = puff.sizes().get(capacity - 1);
            assertThat(size.capacity()).isEqualTo(capacity);
            assertThat(size.theory()).isEqualTo(Erlang.lost(puff.load(), capacity));
            // Half a step of 30 is lost to looking on steps alone.
            assertThat(size.lost().value()).isCloseTo(Erlang.lost(20 * (0.5 - 0.5 / 60), capacity), within(0.012));
        }
        assertThat(puff.advice().theory()).isEqualTo(Erlang.capacity(puff.load(), Sizing.BEARABLE));
    }

    @Test
    void whatComesTogetherNeedsMoreThanTheorySaysAndWhatComesEvenlyLess() {
        Sized salvos = sizing(GAME, score(60, new Pattern.Salvos(12, 0.05, 3)), 20)
                .result()
                .get(0);
        assertThat(salvos.differs()).isEqualTo(Differs.TOGETHER);
        assertThat(salvos.advice().refusing())
                .isEqualTo(12)
                .isGreaterThan(salvos.advice().theory());
        Sized steady =
                sizing(GAME, score(60, new Pattern.Steady(20)), 20).result().get(0);
        assertThat(steady.differs()).isEqualTo(Differs.EVENLY);
        assertThat(steady.advice().refusing())
                .isEqualTo(10)
                .isLessThan(steady.advice().theory());
    }

    /** What is put through a pool by count is what a stage with that pool does, wherever nothing hangs on what was refused. */
    @ParameterizedTest
    @EnumSource(
            value = WhenEmpty.class,
            names = {"REFUSE", "OLDEST", "FARTHEST", "LOWEST_WEIGHT"})
    void aStageWithThePoolLosesTheSame(WhenEmpty whenEmpty) {
        Score score = score(40, new Pattern.Poisson(20));
        int capacity = 8;
        Pool pool = new Pool("puff", capacity, whenEmpty);
        Project pooled = GAME.withPools(List.of(pool));
        Sized sized = sizing(pooled, score, 1).result().get(0);
        Performance played = new Performance(pooled, Writing.of(score, pooled.events(), 0), Keeping.NOTHING);
        while (!played.over()) {
            played.step();
            played.takeAccounts();
        }
        PoolUse use = played.stage().pools().get(0);
        assertThat(use.refused() + use.takenOver()).isPositive();
        assertThat(sized.sizes().get(capacity - 1).lost().value())
                .isCloseTo((double) (use.refused() + use.takenOver()) / use.asked(), within(1e-12));
    }

    @Test
    void onlyHoldingComesToTheSameAsPlaying() {
        Score score = score(20, new Pattern.Poisson(20));
        List<Held> counted = Sizing.played(GAME, score, 5, Keeping.HELD_ALONE);
        assertThat(counted)
                .isNotEmpty()
                .isEqualTo(Sizing.played(GAME, score, 5, Keeping.EVERYTHING))
                .isNotEqualTo(Sizing.played(GAME, score, 6, Keeping.HELD_ALONE));
    }

    @Test
    void takingOverCutsLessTheMoreThereIs() {
        Sized puff = sizing(
                        GAME.withPools(List.of(new Pool("puff", 4, WhenEmpty.OLDEST))),
                        score(40, new Pattern.Poisson(12)),
                        20)
                .result()
                .get(0);
        assertThat(puff.differs()).isEqualTo(Differs.TAKES_OVER);
        double before = 1;
        for (Size size : puff.sizes()) {
            assertThat(size.cut().value()).isBetween(0.0, before);
            before = size.cut().value();
        }
        assertThat(puff.advice().cut()).isLessThanOrEqualTo(Sizing.BEARABLE_CUT);
        assertThat(puff.advice().takingOver()).isLessThanOrEqualTo(puff.advice().refusing());
    }

    @Test
    void aScoreThatAsksForNothingSizesNothing() {
        Project pooled = GAME.withPools(List.of(new Pool("puff", 4, WhenEmpty.OLDEST)));
        Sizing sizing = sizing(pooled, new Score("quiet", 5, 1, List.of(), List.of()), 3);
        assertThat(sizing.result()).hasSize(1);
        assertThat(sizing.result().get(0).sizes()).isEmpty();
    }
}
