package bellrope.core.pool;

import bellrope.core.value.Exact;
import java.util.Arrays;

/**
 * A quantile of many runs, with the interval in which that of endlessly many lies with 95 % confidence: between two of the
 * values that were found, whatever their distribution (H. A. David, H. N. Nagaraja, <i>Order Statistics</i>, 3rd edition, section 7.1).
 *
 * @param low lower end of the interval; the least value where there are too few runs for a lower one
 * @param high upper end; the greatest value where there are too few
 * @param sure whether the interval holds with at least 95 % confidence
 */
public record Quantile(double value, double low, double high, boolean sure) {
    private static final double CONFIDENCE = 0.95;

    /**
     * @param values at least one; they are not changed
     * @param share 0 to 1, such as 0.5 for the median
     */
    public static Quantile of(double[] values, double share) {
        double[] sorted = values.clone();
        Arrays.sort(sorted);
        int n = sorted.length;
        int at = (int) Math.min(n - 1, Math.floor(share * n));
        // How many of n values lie below the true quantile is binomial. Ends are moved apart by one in turn until it is
        // between them as surely as wanted.
        int low = at;
        int high = at;
        double[] below = binomial(n, share);
        double sure = below[at];
        while (sure < CONFIDENCE && (low > 0 || high < n)) {
            double down = low > 0 ? below[low - 1] : -1;
            double up = high < n ? below[high + 1] : -1;
            if (down >= up) {
                low--;
                sure += down;
            } else {
                high++;
                sure += up;
            }
        }
        // Counts low to high lie between the value of rank low and that of rank high + 1, counted from 1.
        boolean within = low > 0 && high < n;
        return new Quantile(sorted[at], sorted[Math.max(0, low - 1)], sorted[Math.min(n - 1, high)], within);
    }

    /** Returns the probability of each number from 0 to n of a binomial distribution. */
    static double[] binomial(int n, double p) {
        double[] of = new double[n + 1];
        double up = Exact.log(Math.max(p, 1e-300));
        double down = Exact.log(Math.max(1 - p, 1e-300));
        double choose = 0;
        for (int k = 0; k <= n; k++) {
            if (k > 0) {
                choose += Exact.log((double) (n - k + 1) / k);
            }
            of[k] = Exact.exp(choose + k * up + (n - k) * down);
        }
        return of;
    }
}
