package bellrope.core.stage;

import static org.assertj.core.api.Assertions.assertThat;

import bellrope.core.Sample;
import bellrope.core.event.Pull;
import bellrope.core.project.Project;
import bellrope.core.stage.Rehearsal.Timed;
import bellrope.core.value.Vec3;
import java.util.List;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Test;

/** A list of pulls played from beginning to end; a puff is ten particles. */
class RehearsalTest {
    private static final Project PUFFS = Sample.game(Sample.rope("landing", 1, "courier.landed", "puff"));

    private static Timed landing(double at) {
        return new Timed(at, Sample.landing(9, "stone", (long) (at * 1000)));
    }

    @Test
    void saysWhenMostLivedAndHowManyPlayed() {
        int each = Rehearsal.of(PUFFS, List.of(landing(0))).peakParticles();
        Rehearsal run = Rehearsal.of(PUFFS, List.of(landing(3), landing(0.5), landing(3.1)));
        assertThat(run.accounts()).extracting(a -> a.step() / 60.0).containsExactly(0.5, 3.0, 3.1);
        assertThat(run.peakParticles()).as("the two that overlap").isEqualTo(2 * each);
        assertThat(run.peakParticlesAt()).isEqualTo(3.1);
        assertThat(run.peakInstances()).isEqualTo(2);
        assertThat(run.births()).isEqualTo(3L * each);
        assertThat(run.dropped()).isZero();
        assertThat(run.left()).isZero();
    }

    @Test
    void showsEachStepOnceWithEverythingWhereItIs() {
        AtomicInteger seen = new AtomicInteger();
        Rehearsal run = Rehearsal.of(PUFFS, List.of(landing(0.1)), stage -> {
            assertThat(stage.now()).isEqualTo(seen.getAndIncrement());
            assertThat(stage.instances() > 0).isEqualTo(stage.now() >= 6 && !stage.still());
        });
        assertThat(seen.get()).isEqualTo(run.steps() + 1);
    }

    @Test
    void isOverAtOnceWhereNothingIsPulled() {
        assertThat(Rehearsal.of(PUFFS, List.of()).steps()).isZero();
        assertThat(Rehearsal.of(PUFFS, List.of()).accounts()).isEmpty();
    }

    @Test
    void cutsALoopThatNobodyEnds() {
        Project reels = Sample.game(Sample.rope("reel", 1, "kite.reeling", "smoke"));
        Rehearsal endless = Rehearsal.of(reels, List.of(new Timed(1, Sample.reels(Vec3.ZERO, 1))));
        assertThat(endless.steps()).isEqualTo(60 + (int) (60 * Rehearsal.LONGEST_TAIL));
        assertThat(endless.left()).isEqualTo(1);
        Rehearsal ended = Rehearsal.of(
                reels, List.of(new Timed(1, Sample.reels(Vec3.ZERO, 1)), new Timed(2, Pull.end("kite.reeling"))));
        assertThat(ended.left()).isZero();
        assertThat(ended.steps()).isLessThan(60 * 10);
    }
}
