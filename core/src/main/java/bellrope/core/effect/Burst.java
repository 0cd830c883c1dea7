package bellrope.core.effect;

import bellrope.core.value.Demand;
import bellrope.core.value.Refused;

/**
 * A number of particles born in the same instant.
 *
 * @param at seconds after the effect begins, 0 to 60
 * @param least fewest particles, 0 or more
 * @param most at or above {@code least}, at most 10,000
 */
public record Burst(double at, int least, int most) {
    public static final int MOST = 10_000;

    public Burst {
        Demand.within("at", at, 0, 60);
        Demand.within("least", least, 0, MOST);
        Demand.within("most", most, 0, MOST);
        if (least > most) {
            throw new Refused("", least + " to " + most, "the least must not be above the most");
        }
    }

    /** Returns how many are born for a draw from 0 to 1: every whole number from least to most equally likely. */
    public int count(double unit) {
        return least + (int) (unit * (most - least + 1));
    }
}
