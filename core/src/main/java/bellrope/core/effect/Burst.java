package bellrope.core.effect;

import bellrope.core.value.Bounds;
import bellrope.core.value.Refused;
import bellrope.core.value.Words;

/**
 * A number of particles born in the same instant.
 *
 * @param at seconds after the emitter begins
 * @param least fewest particles, 0 or more
 * @param most at or above {@code least}, at most 10,000
 * @param times how often in all
 * @param pause seconds between two of them, 0 to 60; above 0 when there are several
 * @param chance that each of them happens at all
 * @param id by which its random draws are addressed: 1 to {@value #HIGHEST_ID}, no two of an emitter the same; 0 to be given
 *     one
 */
public record Burst(double at, int least, int most, int times, double pause, double chance, int id) {
    public static final Bounds AT = Bounds.of(0, 60);
    public static final Bounds COUNT = Bounds.of(0, Burst.MOST);
    public static final Bounds TIMES = Bounds.of(1, 1000);
    public static final Bounds PAUSE = Bounds.of(0, 60);
    public static final Bounds CHANCE = Bounds.of(0, 1);

    public static final int MOST = 10_000;
    public static final int HIGHEST_ID = 31;

    public Burst {
        AT.check("at", at);
        COUNT.check("least", least);
        COUNT.check("most", most);
        if (least > most) {
            throw new Refused("", least + " to " + most, "the minimum must not be above the maximum");
        }
        TIMES.check("times", times);
        PAUSE.check("pause", pause);
        if (times > 1 && pause <= 0) {
            throw new Refused("pause", Words.number(pause), "a time above 0 s between " + times + " bursts");
        }
        CHANCE.check("chance", chance);
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
