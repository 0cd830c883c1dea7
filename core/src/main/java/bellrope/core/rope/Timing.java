package bellrope.core.rope;

import bellrope.core.value.Bounds;

/**
 * How long after the pull an answer comes: the delay, and up to the jitter more, evenly drawn for each pull.
 *
 * @param delay seconds
 * @param jitter seconds
 */
public record Timing(double delay, double jitter) {
    public static final Bounds DELAY = Bounds.of(0, 60);
    public static final Bounds JITTER = Bounds.of(0, 60);

    public static final Timing AT_ONCE = new Timing(0, 0);

    public Timing {
        DELAY.check("delay", delay);
        JITTER.check("jitter", jitter);
    }
}
