package bellrope.core.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import bellrope.core.Sample;
import bellrope.core.measure.Usage.What;
import bellrope.core.project.Project;
import bellrope.core.score.Lane;
import bellrope.core.score.Mark;
import bellrope.core.score.Pattern;
import bellrope.core.score.Score;
import bellrope.core.stage.Performance;
import bellrope.core.stage.Rehearsal;
import bellrope.core.stage.Take;
import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;

/** A puff of five, and a hiss of three, are each held for half a second and a step. */
class UsageTest {
    private static final Project GAME = Sample.game(
            Sample.rope("landing", 1, "courier.landed", "puff"), Sample.rope("blow", 2, "courier.struck", "hiss"));

    private static Usage played(double seconds, Lane... lanes) {
        Usage usage = new Usage(GAME.settings());
        Score score = new Score("run", seconds, 1, List.of(lanes), List.of());
        Rehearsal.of(Performance.of(GAME, score), usage);
        return usage;
    }

    private static Lane marks(int id, String event, double... at) {
        return new Lane(
                id,
                event,
                new Pattern.Marks(Arrays.stream(at).mapToObj(Mark::new).toList()));
    }

    @Test
    void whatIsUsedIsCountedStepByStep() {
        Usage usage = played(3, marks(1, "courier.landed", 0.5, 1, 1.25), marks(2, "courier.struck", 1.3));
        assertThat(usage.stepsPerPoint()).isEqualTo(1);
        assertThat(usage.steps()).isEqualTo(3 * 60 + 1);
        Usage.Line instances = usage.whole(What.INSTANCES);
        assertThat(instances.peak()).isEqualTo(3);
        assertThat(instances.peakStep()).isEqualTo(78);
        assertThat(instances.values()[29]).isZero();
        assertThat(instances.values()[30]).isEqualTo(1);
        // Four of them, each for 31 steps but for what is gone on the last.
        assertThat(instances.mean()).isCloseTo(4 * 30 / 181.0, within(0.03));
        assertThat(usage.whole(What.PARTICLES).peak()).isEqualTo(5 + 5 + 3);
        assertThat(usage.live()[78]).isEqualTo(13);
        assertThat(usage.effects()).extracting(Usage.Line::name).containsExactly("puff", "hiss");
        assertThat(usage.subjects()).extracting(Usage.Line::name).containsExactly("courier");
    }

    @Test
    void whoMadeThePeakIsToldOfTheVeryStep() {
        Usage usage = played(3, marks(1, "courier.landed", 0.5, 1, 1.25), marks(2, "courier.struck", 1.3));
        assertThat(usage.makers()).containsExactly(new Usage.Maker("landing", 2), new Usage.Maker("blow", 1));
        assertThat(played(1).makers()).isEmpty();
    }

    /** Both sides: what is told of the rehearsal of one pull is what its take tells. */
    @Test
    void presenceIsThatOfTheTake() {
        Usage usage = played(1, marks(1, "courier.landed", 0));
        Take take = Take.of(
                GAME.withRopes(GAME.ropes().subList(0, 1)),
                Performance.of(GAME, new Score("run", 1, 1, List.of(marks(1, "courier.landed", 0)), List.of()))
                        .takeAccounts()
                        .get(0)
                        .pull(),
                1,
                false);
        for (int k = 0; k <= take.last(); k++) {
            assertThat(usage.whole(What.PRESENCE).values()[k]).isEqualTo((float) take.presence(k));
        }
        assertThat(usage.whole(What.PRESENCE).peak()).isPositive();
        assertThat(usage.whole(What.OVERDRAW).peak()).isPositive();
        assertThat(usage.whole(What.DRAW_CALLS).peak()).isEqualTo(1);
    }

    @Test
    void aLongRunHasPointsThatStandForSeveralStepsWithTheMostOfThem() {
        Usage usage = played(70, marks(1, "courier.landed", 10, 10.2, 60));
        assertThat(usage.steps()).isEqualTo(70 * 60 + 1);
        assertThat(usage.stepsPerPoint()).isEqualTo(4);
        Usage.Line instances = usage.whole(What.INSTANCES);
        assertThat(instances.values()).hasSize(1051);
        assertThat(instances.peakStep()).isEqualTo(612);
        assertThat(instances.values()[612 / 4]).isEqualTo(2);
        assertThat(instances.values()[60 * 60 / 4]).isEqualTo(1);
        assertThat(instances.values()[40 * 60 / 4]).isZero();
    }
}
