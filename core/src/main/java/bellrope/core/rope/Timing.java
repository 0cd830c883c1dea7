package bellrope.core.rope;

import bellrope.core.value.Demand;

/**
 * How long after the pull an answer comes: the delay, and up to the jitter more, evenly drawn for each pull.
 *
 * @param delay seconds, 0 to 60
 * @param jitter seconds, 0 to 60
 */
public record Timing(double delay, double jitter) {
    public static final Timing AT_ONCE = new Timing(0, 0);

    public Timing {
        Demand.within("delay", delay, 0, 60);
        Demand.within("jitter", jitter, 0, 60);
    }
}
