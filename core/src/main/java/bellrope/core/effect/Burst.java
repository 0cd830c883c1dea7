package bellrope.core.effect;

import bellrope.core.value.Demand;
import bellrope.core.value.Refused;
import bellrope.core.value.Words;

/**
 * A number of particles born in the same instant.
 *
 * @param at seconds after the emitter begins, 0 to 60
 * @param least fewest particles, 0 or more
 * @param most at or above {@code least}, at most 10,000
 * @param times how often in all, 1 to 1,000
 * @param pause seconds between two of them, 0 to 60; above 0 when there are several
 * @param chance that each of them happens at all, 0 to 1
 * @param id by which its random draws are addressed: 1 to {@value #HIGHEST_ID}, no two of an emitter the same; 0 to be given
 *     one
 */
public record Burst(double at, int least, int most, int times, double pause, double chance, int id) {
    public static final int MOST = 10_000;
    public static final int HIGHEST_ID = 31;

    public Burst {
        Demand.within("at", at, 0, 60);
        Demand.within("least", least, 0, MOST);
        Demand.within("most", most, 0, MOST);
        if (least > most) {
            throw new Refused("", least + " to " + most, "the minimum must not be above the maximum");
        }
        Demand.within("times", times, 1, 1000);
        Demand.within("pause", pause, 0, 60);
        if (times > 1 && pause <= 0) {
            throw new Refused("pause", Words.number(pause), "a time above 0 s between " + times + " bursts");
        }
        Demand.within("chance", chance, 0, 1);
    }

    /** A burst that happens once and for certain. */
    public Burst(double at, int least, int most) {
        this(at, least, most, 1, 0, 1);
    }

    /** A burst that is given its address by the emitter it is put into. */
    public Burst(double at, int least, int most, int times, double pause, double chance) {
        this(at, least, most, times, pause, chance, 0);
    }

    /** Returns how many are born for a draw from 0 to 1: every whole number from least to most equally likely. */
    public int count(double unit) {
        return least + (int) (unit * (most - least + 1));
    }

    /** Returns how many particles are expected of it in all. */
    public double expected() {
        return (least + most) / 2.0 * times * chance;
    }

    Burst withCount(int fewest, int mostOf) {
        return new Burst(at, fewest, mostOf, times, pause, chance, id);
    }

    Burst numbered(int other) {
        return new Burst(at, least, most, times, pause, chance, other);
    }
}
