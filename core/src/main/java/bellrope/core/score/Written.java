package bellrope.core.score;

import java.util.List;

/**
 * A score as a game would say it.
 *
 * @param seconds how long it is
 * @param arrivals in the order of their times; of one time in that of the lanes
 * @param gone subjects that are no more, in the order of their times
 * @param channels what channels carry, by their time
 */
public record Written(double seconds, List<Arrival> arrivals, List<Gone> gone, List<Channelled> channels) {
    /** A subject that is no more. */
    public record Gone(double at, String subject) {}
}
