package bellrope.core.rope;

import bellrope.core.value.Bounds;
import bellrope.core.value.Refused;
import bellrope.core.value.Vec3;

/**
 * Which way an instance points, and how it goes along with what caused it.
 *
 * @param fixed the way of {@link Facing#FIXED}, in the world; not zero
 * @param spread largest angle of each instance from the facing, degrees, 0 to 180; evenly over that cap of the sphere
 * @param velocity share of the subject's velocity that it goes on with
 * @param turns whether it turns with the subject that it follows; otherwise it stays as it began
 */
public record Pointing(Facing facing, Vec3 fixed, double spread, double velocity, boolean turns) {
    public static final Bounds SPREAD = Bounds.of(0, 180);
    public static final Bounds VELOCITY = Bounds.around(2);

    public Pointing {
        if (fixed.length() < 1e-9) {
            throw new Refused("fixed", "0, 0, 0", "a direction that is not zero");
        }
        SPREAD.check("spread", spread);
        VELOCITY.check("velocity", velocity);
    }

    /** Straight one way, with all of the subject's velocity. */
    public static Pointing of(Facing facing) {
        return new Pointing(facing, Vec3.UP, 0, 1, false);
    }

    /** Returns the same from another facing. */
    public Pointing facing(Facing other) {
        return new Pointing(other, fixed, spread, velocity, turns);
    }
}
