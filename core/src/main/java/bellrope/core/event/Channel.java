package bellrope.core.event;

import bellrope.core.value.Demand;
import bellrope.core.value.Range;

/**
 * A number that the game publishes continuously, such as the strength of the wind.
 *
 * @param range what the game is expected to publish; values beyond it are taken as they are
 * @param usual what holds until the game says something, inside the range
 * @param unit such as {@code u/s}; may be empty
 */
public record Channel(String name, String description, Range range, double usual, String unit) {
    public Channel {
        Demand.name("name", name);
        Demand.within("usual", usual, range.least(), range.most());
    }

    public Channel named(String other) {
        return new Channel(other, description, range, usual, unit);
    }
}
