package bellrope.core.effect;

import bellrope.core.value.Refused;
import bellrope.core.value.Vec3;
import bellrope.core.value.Words;

/** Which way particles are thrown, in the emitter's own frame, before the spread. */
public sealed interface Aim {
    Aim UP = new Along(Vec3.UP);

    /** Away from the middle of the shape; from a point, evenly every way; from a cone, along its side. */
    record Outward() implements Aim {}

    /**
     * All along one axis.
     *
     * @param axis not zero; its length does not matter
     */
    record Along(Vec3 axis) implements Aim {
        public Along {
            if (axis.length() < 1e-9) {
                throw new Refused("axis", Words.vector(axis), "a direction that is not zero");
            }
        }
    }

    /** About the facing, counter-clockwise seen from where it points. */
    record Tangent() implements Aim {}
}
