package bellrope.core.stage;

import bellrope.core.event.EventType;
import bellrope.core.event.Pull;
import bellrope.core.rope.Rope;
import bellrope.core.value.Vec3;

/**
 * What is to begin, at once or when its delay is over.
 *
 * @param number of the pull
 * @param depth how many events announced one another before it
 * @param beginning its number among beginnings, see {@link World#begins}
 * @param key of the pull's main instance
 * @param held the span or state that it is part of; null for none
 */
record Begin(EventType event, Pull pull, int number, int depth, long beginning, long key, Holding held) {
    Begin at(long other) {
        return new Begin(event, pull, number, depth, other, key, held);
    }

    String subject() {
        return World.subject(event, pull);
    }

    /** Returns an instance without a run yet. */
    Playing playing(Playing.Role role, int index, Rope rope, int step, Vec3 anchor, Vec3 facing) {
        Playing instance = new Playing(
                role,
                index,
                rope.name(),
                pull,
                number,
                subject(),
                event.weight(),
                step,
                beginning,
                key,
                anchor,
                facing);
        instance.depth = depth;
        return instance;
    }
}
