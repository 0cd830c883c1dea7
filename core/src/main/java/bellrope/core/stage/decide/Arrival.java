package bellrope.core.stage.decide;

import bellrope.core.event.EventType;
import bellrope.core.event.Pull;
import bellrope.core.stage.world.World;

/**
 * A pull that came and was understood.
 *
 * @param number of the pull on its stage
 * @param depth how many events announced one another before it
 */
public record Arrival(EventType event, Pull pull, int number, int depth) {
    /** Returns the subject that it is about. */
    public String subject() {
        return World.subject(event, pull);
    }
}
