package bellrope.core.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;

/**
 * Means of children against what is known in closed form: eigenvalues of small matrices by hand, totals as geometric series
 * (T. E. Harris, <i>The Theory of Branching Processes</i>, 1963, for both).
 */
class MeanOffspringTest {
    private static final double INFINITE = Double.POSITIVE_INFINITY;

    /** Returns means from rows of parent, child, mean. */
    private static MeanOffspring of(int kinds, double[]... means) {
        MeanOffspring matrix = new MeanOffspring(kinds);
        for (double[] one : means) {
            matrix.add((int) one[0], (int) one[1], one[2]);
        }
        return matrix;
    }

    private static double[] row(double parent, double child, double mean) {
        return new double[] {parent, child, mean};
    }

    private static double[] totals(MeanOffspring matrix) {
        return matrix.totals(matrix.radii());
    }

    @Test
    void theRadiusOfAClassIsItsLargestEigenvalue() {
        assertThat(of(1, row(0, 0, 0.998)).radii()).containsExactly(new double[] {0.998}, within(1e-9));
        assertThat(of(2, row(0, 1, 0.5), row(1, 0, 2)).radii())
                .as("√(0.5 · 2), both ways round")
                .containsExactly(new double[] {1, 1}, within(1e-9));
        assertThat(of(2, row(0, 0, 1), row(0, 1, 1), row(1, 0, 1)).radii())
                .as("the golden ratio")
                .containsExactly(new double[] {1.6180339887, 1.6180339887}, within(1e-9));
        assertThat(of(3, row(0, 1, 1), row(1, 2, 1), row(2, 0, 8)).radii())
                .as("the cube root of 8")
                .containsExactly(new double[] {2, 2, 2}, within(1e-9));
    }

    @Test
    void kindsThatDoNotComeFromOneAnotherAreJudgedAlone() {
        double[] radii = of(4, row(0, 1, 30), row(1, 1, 0.5), row(1, 2, 9), row(3, 3, 1.2))
                .radii();
        assertThat(radii).containsExactly(new double[] {0, 0.5, 0, 1.2}, within(1e-9));
    }

    @Test
    void totalsAreSumsOverAllGenerations() {
        assertThat(totals(of(1, row(0, 0, 0.5)))).containsExactly(new double[] {2}, within(1e-12));
        assertThat(totals(of(2, row(0, 1, 3)))).containsExactly(new double[] {4, 1}, within(1e-12));
        assertThat(totals(of(2, row(0, 1, 0.5), row(1, 0, 0.5)))).containsExactly(new double[] {2, 2}, within(1e-12));
        assertThat(totals(of(3, row(0, 1, 2), row(0, 2, 1), row(1, 2, 0.5), row(2, 2, 0.75))))
                .as("4 of the third, 1 + 2 of the second, 1 + 2 · 3 + 4 of the first")
                .containsExactly(new double[] {11, 3, 4}, within(1e-12));
    }

    @Test
    void whatLeadsToSomethingThatRunsAwayIsInfinite() {
        assertThat(totals(of(4, row(0, 1, 0.1), row(1, 2, 0.1), row(2, 2, 1), row(3, 3, 0.5))))
                .containsExactly(INFINITE, INFINITE, INFINITE, 2);
    }

    // More kinds than are eliminated, so that totals are reckoned round by round.
    @Test
    void manyKindsGiveTheSameTotals() {
        int n = 200;
        MeanOffspring chain = new MeanOffspring(n);
        for (int i = 0; i < n - 1; i++) {
            chain.add(i, i + 1, 0.5);
        }
        chain.add(n - 1, n - 1, 0.5);
        double[] totals = totals(chain);
        assertThat(totals[n - 1]).isCloseTo(2, within(1e-9));
        assertThat(totals[n - 2]).isCloseTo(2, within(1e-9));
        assertThat(totals[0]).as("1 + ½ · 2 all the way up").isCloseTo(2, within(1e-9));
        chain.add(n - 1, 0, 0.1);
        double[] ring = totals(chain);
        // t = 1 + ½ t of the next; the last: t = 1 + ½ t + 0.1 t of the first, where the first is 2 but for ½ to the
        // 199th.
        assertThat(ring[n - 1]).isCloseTo(2.4, within(1e-9));
        chain.add(n - 1, n - 1, 0.6);
        assertThat(totals(chain)).containsOnly(INFINITE);
    }

    @Test
    void countsChildrenGenerationsAndWhatCanComeOfWhat() {
        MeanOffspring matrix = of(7, row(0, 1, 1), row(0, 1, 2), row(0, 2, -4), row(0, 3, 0), row(1, 4, 0.5));
        for (int child = 2; child < 7; child++) {
            matrix.add(5, child, child);
        }
        assertThat(matrix.children(0))
                .as("of one kind added up, nothing below one")
                .isEqualTo(3);
        assertThat(matrix.children(5)).isEqualTo(2 + 3 + 4 + 5 + 6);
        assertThat(matrix.children(2)).isZero();
        assertThat(matrix.next(new double[] {2, 4, 0, 0, 0, 1, 0})).containsExactly(0, 6, 2, 3, 6, 5, 6);
        boolean[] from = new boolean[7];
        from[0] = true;
        assertThat(matrix.reachable(from)).containsExactly(true, true, false, false, true, false, false);
        assertThat(from[1]).as("what was asked about stays as it was").isFalse();
    }

    private static Reaches reaches(double... parameterAndReach) {
        Reaches.Point[] points = new Reaches.Point[parameterAndReach.length / 2];
        for (int i = 0; i < points.length; i++) {
            points[i] = new Reaches.Point(i, parameterAndReach[2 * i], parameterAndReach[2 * i + 1], 3);
        }
        return new Reaches("speed", "u/s", "size", Arrays.asList(points), points[0]);
    }

    @Test
    void theParameterThatReachesAsFarAsTheHitTestLiesBetweenTwoThatWereTried() {
        assertThat(reaches(0.5, 2, 1.5, 4).agreeing(3)).hasValue(1);
        assertThat(reaches(0.5, 2, 1.5, 4).agreeing(2)).hasValue(0.5);
        assertThat(reaches(0.5, 2, 1.5, 4).agreeing(4)).hasValue(1.5);
        assertThat(reaches(1, 5, 2, 4, 4, 2).agreeing(3))
                .as("where it falls too")
                .hasValue(3);
        assertThat(reaches(0.5, 2, 1.5, 4).agreeing(5)).isEmpty();
        assertThat(reaches(0.5, 2, 1.5, 2).agreeing(2)).as("no slope to go by").isEmpty();
        assertThat(reaches(Double.NaN, 2, Double.NaN, 4).agreeing(3)).isEqualTo(OptionalDouble.empty());
        Reaches off = reaches(0.5, 2.8, 1, 3.5, 1.5, 6);
        assertThat(off.worst().map(Reaches.Point::reach)).contains(6.0);
        assertThat(List.of(off.points().get(2).off())).containsExactly(1.0);
        assertThat(reaches(0.5, 2.8, 1, 3.2).worst())
                .as("within a tenth everywhere")
                .isEmpty();
    }
}
