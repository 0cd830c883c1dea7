package bellrope.core.stage;

import bellrope.core.event.EventType;
import bellrope.core.event.Pull;
import bellrope.core.value.Vec3;

/** A span or state of one subject that lasts, as one rope answers it. */
final class Holding {
    final String rope;
    final EventType event;
    final String subject;
    final Pull pull;
    final int number;
    final int since;
    final long key;
    final int depth;
    /** Where and which way it began; the main instance goes on from there. */
    final Vec3 origin;

    final Vec3 facing;
    /** Null until it is due, and where the rope plays nothing. */
    Playing main;

    boolean over;
    int endsAt = Playing.NEVER;

    Holding(
            String rope,
            EventType event,
            String subject,
            Pull pull,
            int number,
            int since,
            long key,
            int depth,
            Vec3 origin,
            Vec3 facing) {
        this.rope = rope;
        this.event = event;
        this.subject = subject;
        this.pull = pull;
        this.number = number;
        this.since = since;
        this.key = key;
        this.depth = depth;
        this.origin = origin;
        this.facing = facing;
    }

    /** Returns where it is on a step. */
    Vec3 place(int step) {
        return main == null ? origin : main.run.place(step);
    }

    Vec3 facing() {
        return main == null ? facing : main.run.facing();
    }
}
