package bellrope.core.stage.decide;

import bellrope.core.event.EventType;
import bellrope.core.event.Pull;

/**
 * Why something begins: what arrived, and what of it makes this beginning like no other.
 *
 * @param beginning its number among beginnings, see {@link bellrope.core.stage.world.World#begins}
 * @param key of the pull's main instance, by which a rope's own draws are addressed
 */
public record Cause(Arrival arrival, long beginning, long key) {
    /** Returns the same for a beginning of another number. */
    public Cause at(long other) {
        return new Cause(arrival, other, key);
    }

    /** Returns the same for the event as it is in a changed project. */
    public Cause of(EventType now) {
        return now == event() ? this : new Cause(new Arrival(now, pull(), number(), depth()), beginning, key);
    }

    public EventType event() {
        return arrival.event();
    }

    public Pull pull() {
        return arrival.pull();
    }

    public int number() {
        return arrival.number();
    }

    public int depth() {
        return arrival.depth();
    }

    public String subject() {
        return arrival.subject();
    }
}
