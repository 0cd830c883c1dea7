package bellrope.core.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import bellrope.core.Sample;
import bellrope.core.project.Project;
import bellrope.core.stage.Rehearsal;
import bellrope.core.stage.Rehearsal.Timed;
import bellrope.core.value.Pace;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.hipparchus.distribution.discrete.PoissonDistribution;
import org.hipparchus.stat.inference.ChiSquareTest;
import org.junit.jupiter.api.Test;

class DemandTest {
    // A puff is held for the half second that its particles live, and a step: it begins on one and is there on it.
    private static final int HELD = 31;

    private static Project project() {
        return Sample.game(
                Sample.rope("landing", 1, "courier.landed", "puff"),
                Sample.rope("hissing", 2, "courier.landed", "hiss"));
    }

    private static Demand rehearsed(double... at) {
        Demand demand = new Demand(Pace.SIXTY);
        List<Timed> pulls = new ArrayList<>();
        for (int i = 0; i < at.length; i++) {
            pulls.add(new Timed(at[i], Sample.landing(9, "stone", i)));
        }
        Rehearsal.of(project(), pulls, demand);
        return demand;
    }

    /** By hand: the second comes while the first is held, the third when both are gone. */
    @Test
    void tellsHowManyPlayAtOnceAndWhen() {
        Demand demand = rehearsed(0, 0.25, 2);
        assertThat(demand.effects()).extracting(Demand.Line::name).containsExactly("hiss", "puff");
        Demand.Line puff = demand.effects().get(1);
        assertThat(puff.peak()).isEqualTo(2);
        assertThat(puff.peakAt()).isEqualTo(0.25);
        assertThat(puff.particles()).isEqualTo(10);
        assertThat(puff.particlesAt()).isEqualTo(0.25);
        assertThat(demand.ropes()).extracting(Demand.Line::name).containsExactly("hissing", "landing");
        assertThat(demand.ropes()).allMatch(l -> l.peak() == 2 && l.particles() == 0);
    }

    @Test
    void nothingIsAskedWhereNothingComes() {
        assertThat(rehearsed().effects()).isEmpty();
        assertThat(rehearsed().ropes()).isEmpty();
    }

    /**
     * Source: Little's law, L = λ · W, and that M/G/∞ holds a number that is Poisson distributed (Kleinrock, Queueing
     * Systems I), from memory; χ² of Hipparchus. Looks are further apart than anything is held, so that they are independent.
     */
    @Test
    void poissonArrivalsHoldAPoissonNumberWhoseMeanIsByLittlesLaw() {
        double perSecond = 8;
        int looks = 0;
        long[] seen = new long[16];
        double sum = 0;
        for (int seed = 0; seed < 12; seed++) {
            Random random = new Random(seed);
            List<Timed> pulls = new ArrayList<>();
            double at = 0;
            while ((at -= Math.log(1 - random.nextDouble()) / perSecond) < 60) {
                pulls.add(new Timed(at, Sample.landing(9, "stone", pulls.size())));
            }
            List<Integer> held = new ArrayList<>();
            Rehearsal.of(project(), pulls, stage -> {
                // From when it is in balance to the last arrivals.
                if (stage.now() > 2 * HELD && stage.now() < 3600 && stage.now() % (HELD + 4) == 0) {
                    int[] puffs = new int[1];
                    stage.playing((rope, effect, subject) -> puffs[0] += effect.equals("puff") ? 1 : 0);
                    held.add(puffs[0]);
                }
            });
            for (int n : held) {
                seen[Math.min(n, seen.length - 1)]++;
                sum += n;
                looks++;
            }
        }
        double load = perSecond * HELD / 60;
        assertThat(sum / looks).isCloseTo(load, within(3.5 * Math.sqrt(load / looks)));
        // Cells of fewer than five are put together at both ends.
        PoissonDistribution poisson = new PoissonDistribution(load);
        double[] expected = {0, 0, 0, 0, 0, 0, 0, 0};
        long[] found = new long[8];
        for (int n = 0; n < seen.length; n++) {
            int cell = Math.max(0, Math.min(7, n - 1));
            expected[cell] +=
                    looks * (n == seen.length - 1 ? 1 - poisson.cumulativeProbability(n - 1) : poisson.probability(n));
            found[cell] += seen[n];
        }
        assertThat(new ChiSquareTest().chiSquareTest(expected, found)).isGreaterThan(0.001);
    }
}
