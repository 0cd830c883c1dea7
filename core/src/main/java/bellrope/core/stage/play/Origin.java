package bellrope.core.stage.play;

import bellrope.core.stage.decide.Cause;
import bellrope.core.value.Vec3;

/**
 * What began an instance. It never changes, so that the instance can be played again from here.
 *
 * @param index which follow-up; 0 for everything else
 * @param cause for a child that of the instance whose particle began it
 * @param start step of the stage
 * @param anchor what its rope's offset is counted from; for ends and follow-ups the place itself
 * @param facing of ends and follow-ups
 */
public record Origin(Role role, int index, String rope, Cause cause, int start, Vec3 anchor, Vec3 facing) {
    /** What an instance is to the rope that began it. */
    public enum Role {
        /** What the rope plays. */
        MAIN,
        /** What a span or state begins with. */
        START,
        /** What a span or state ends with. */
        END,
        /** A follow-up. */
        FOLLOW,
        /** Begun by a particle of another instance; it has no memory of its own and is started again by its parent. */
        CHILD
    }

    /** Returns the origin of what a particle begins. */
    Origin child(int step) {
        return new Origin(Role.CHILD, 0, rope, cause, step, Vec3.ZERO, Vec3.UP);
    }
}
