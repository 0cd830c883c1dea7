package bellrope.core.pool;

import bellrope.core.value.Demand;

/**
 * What a pool that refuses loses when instances are asked for independently of one another: a loss system, M/G/n/n. Only the
 * mean of how long an instance is held matters, not how it is spread.
 *
 * <p>A. K. Erlang, <i>Solution of some problems in the theory of probabilities of significance in automatic telephone
 * exchanges</i>, 1917.
 */
public final class Erlang {
    private Erlang() {}

    /**
     * Returns the share that is lost.
     *
     * @param load how many would be held on average if there were room for all: asked for a second × seconds held (Little)
     * @param capacity 0 or more
     */
    public static double lost(double load, int capacity) {
        Demand.within("load", load, 0, Double.MAX_VALUE);
        double lost = 1;
        for (int n = 1; n <= capacity; n++) {
            lost = load * lost / (n + load * lost);
        }
        return load > 0 ? lost : 0;
    }

    /** Returns the smallest capacity, at most {@link Pool#HIGHEST}, that loses no more than a share. */
    public static int capacity(double load, double share) {
        double lost = 1;
        int n = 0;
        while (load > 0 && lost > share && n < Pool.HIGHEST) {
            n++;
            lost = load * lost / (n + load * lost);
        }
        return Math.max(1, n);
    }
}
