package bellrope.core.pool;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.function.DoubleSupplier;
import org.hipparchus.distribution.discrete.BinomialDistribution;
import org.hipparchus.distribution.discrete.PoissonDistribution;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class ErlangTest {
    private static final Loss.Left NOTHING = (effect, age, length) -> 0;

    /** Source: Erlang's B as tabulated in teletraffic handbooks, from memory. */
    @ParameterizedTest
    @CsvSource({"1, 1, 0.5", "5, 8, 0.0700", "10, 15, 0.0365"})
    void losesWhatTheTablesSay(double load, int capacity, double lost) {
        assertThat(Erlang.lost(load, capacity)).isCloseTo(lost, within(0.0001));
    }

    /** Source: the closed form A^N/N! ÷ ∑ A^k/k!, which is a Poisson probability over its sum; Hipparchus. */
    @ParameterizedTest
    @CsvSource({"0.3, 2", "7, 9", "40, 52", "180, 150"})
    void theRecursionIsTheClosedForm(double load, int capacity) {
        PoissonDistribution poisson = new PoissonDistribution(load);
        double expected = poisson.probability(capacity) / poisson.cumulativeProbability(capacity);
        assertThat(Erlang.lost(load, capacity)).isCloseTo(expected, within(1e-9));
    }

    @Test
    void theSmallestCapacityIsFound() {
        int capacity = Erlang.capacity(30, 0.01);
        assertThat(Erlang.lost(30, capacity)).isLessThanOrEqualTo(0.01);
        assertThat(Erlang.lost(30, capacity - 1)).isGreaterThan(0.01);
        assertThat(Erlang.capacity(0, 0.01)).isEqualTo(1);
        assertThat(Erlang.lost(0, 3)).isZero();
    }

    /**
     * Source: Erlang's B and its insensitivity (the loss hangs on the mean of the holding time alone), any teletraffic handbook.
     * Times are in steps so small that they hardly quantise.
     */
    @ParameterizedTest
    @CsvSource({"fixed, 5, 8", "exponential, 5, 8", "fixed, 10, 15", "exponential, 10, 15"})
    void aPoolThatRefusesLosesWhatErlangSays(String hold, double load, int capacity) {
        Random random = new Random(7);
        DoubleSupplier exponential = () -> -Math.log(1 - random.nextDouble());
        double mean = 10_000;
        List<Held> run = new ArrayList<>();
        double at = 0;
        for (int i = 0; i < 60_000; i++) {
            at += exponential.getAsDouble() * mean / load;
            double held = hold.equals("fixed") ? mean : exponential.getAsDouble() * mean;
            run.add(new Held("chips", "rope", 3, (int) at, (int) at + Math.max(1, (int) held), 0));
        }
        double lost = Loss.of(run, capacity, Pool.WhenEmpty.REFUSE, NOTHING, 60).share();
        double expected = Erlang.lost(load, capacity);
        // Losses come in clusters: a hold's worth of arrivals counts as one that is independent.
        double error = Math.sqrt(expected * (1 - expected) / (60_000 / load));
        assertThat(lost).isCloseTo(expected, within(3 * error));
    }

    /** Source: the binomial distribution of Hipparchus. */
    @Test
    void ranksOfAQuantileAreBinomial() {
        BinomialDistribution binomial = new BinomialDistribution(200, 0.95);
        double[] of = Quantile.binomial(200, 0.95);
        for (int k = 0; k <= 200; k++) {
            assertThat(of[k]).isCloseTo(binomial.probability(k), within(1e-10));
        }
    }

    /**
     * Source: David and Nagaraja, <i>Order Statistics</i>, 7.1: the interval between two order statistics covers the true quantile as
     * often as it says, whatever the distribution. Hipparchus sums the probability.
     */
    @ParameterizedTest
    @CsvSource({"200, 0.5", "200, 0.95", "60, 0.5", "1000, 0.95"})
    void theIntervalOfAQuantileCoversItAsSurelyAsItSays(int n, double share) {
        double[] values = new double[n];
        for (int i = 0; i < n; i++) {
            values[i] = i + 1;
        }
        Quantile found = Quantile.of(values, share);
        assertThat(found.sure()).isTrue();
        assertThat(found.low()).isLessThanOrEqualTo(found.value());
        assertThat(found.high()).isGreaterThanOrEqualTo(found.value());
        BinomialDistribution below = new BinomialDistribution(n, share);
        double covered = below.cumulativeProbability((int) found.high() - 1)
                - below.cumulativeProbability((int) found.low() - 1);
        assertThat(covered).isGreaterThanOrEqualTo(0.95).isLessThan(0.975);
    }

    @Test
    void tooFewRunsAreSaidToBeTooFew() {
        Quantile few = Quantile.of(new double[] {3, 1, 2}, 0.95);
        assertThat(few).isEqualTo(new Quantile(3, 2, 3, false));
        assertThat(Quantile.of(new double[] {4}, 0.5)).isEqualTo(new Quantile(4, 4, 4, false));
    }

    /** By hand: two places; the third comes while both are held. */
    @Test
    void whoeverEndsIsCountedWithWhatItWouldStillHaveShown() {
        List<Held> run = List.of(
                new Held("chips", "a", 4, 0, 100, 3),
                new Held("chips", "b", 2, 10, 60, 9),
                new Held("chips", "c", 3, 20, 90, 1));
        Loss.Left perStep = (effect, age, length) -> length - age;
        assertThat(Loss.of(run, 2, Pool.WhenEmpty.REFUSE, perStep, 60)).isEqualTo(new Loss(3, 1, 0, 0, 1 / 3.0));
        assertThat(Loss.of(run, 2, Pool.WhenEmpty.OLDEST, perStep, 60)).isEqualTo(new Loss(3, 0, 1, 80, 1 / 3.0));
        assertThat(Loss.of(run, 2, Pool.WhenEmpty.FAINTEST, perStep, 60)).isEqualTo(new Loss(3, 0, 1, 40, 1 / 3.0));
        assertThat(Loss.of(run, 2, Pool.WhenEmpty.FARTHEST, perStep, 60).presenceCut())
                .isEqualTo(40.0);
        assertThat(Loss.of(run, 2, Pool.WhenEmpty.LOWEST_WEIGHT, perStep, 60).presenceCut())
                .isEqualTo(40.0);
        assertThat(Loss.of(run, 3, Pool.WhenEmpty.REFUSE, perStep, 60).share()).isZero();
    }

    @Test
    void whatWeighsLessThanAllThatPlayIsRefused() {
        List<Held> run = List.of(
                new Held("chips", "a", 4, 0, 100, 3),
                new Held("chips", "b", 5, 10, 60, 9),
                new Held("chips", "c", 3, 20, 90, 1));
        assertThat(Loss.of(run, 2, Pool.WhenEmpty.LOWEST_WEIGHT, NOTHING, 60).refused())
                .isEqualTo(1);
    }

    // As a pool is described, looked at for every arrival.
    private static Loss byTheWords(List<Held> run, int capacity, boolean oldest) {
        List<Held> playing = new ArrayList<>();
        int refused = 0;
        int taken = 0;
        double presence = 0;
        for (Held next : run) {
            playing.removeIf(one -> one.end() <= next.start());
            if (playing.size() == capacity && !oldest) {
                refused++;
                continue;
            }
            if (playing.size() == capacity) {
                Held out = playing.remove(0);
                taken++;
                presence += out.end() - next.start();
            }
            playing.add(next);
        }
        return new Loss(run.size(), refused, taken, presence, (double) (refused + taken) / run.size());
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8})
    void whatIsLostIsWhatAPoolDoes(long seed) {
        Random random = new Random(seed);
        List<Held> run = new ArrayList<>();
        int start = 0;
        for (int i = 0; i < 400; i++) {
            start += random.nextInt(4);
            run.add(new Held("e", "r", 1, start, start + 1 + random.nextInt(60), 0));
        }
        for (int capacity = 1; capacity < 40; capacity++) {
            for (boolean oldest : new boolean[] {false, true}) {
                Pool.WhenEmpty when = oldest ? Pool.WhenEmpty.OLDEST : Pool.WhenEmpty.REFUSE;
                assertThat(Loss.of(run, capacity, when, (effect, age, length) -> length - age, 60))
                        .as(when + " " + capacity)
                        .isEqualTo(byTheWords(run, capacity, oldest));
            }
        }
    }
}
