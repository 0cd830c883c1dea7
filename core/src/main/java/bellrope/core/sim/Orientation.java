package bellrope.core.sim;

import bellrope.core.effect.Birth;
import bellrope.core.effect.Look;
import bellrope.core.value.Rotation;
import bellrope.core.value.Vec3;

/**
 * An emitter's own frame in the world: where its origin lies from the effect's place, and its axes.
 *
 * @param offset in world axes
 * @param face direction that flat and fixed particles are square to, in the encoding of {@link Octahedron}
 */
record Orientation(Vec3 offset, Vec3 right, Vec3 up, Vec3 back, int face) {
    /** Returns the frame of an emitter in an effect that is turned so. */
    static Orientation of(Rotation effect, Birth birth, Look look) {
        Rotation turn = effect.after(Rotation.degrees(birth.turn()));
        Vec3 face = look.posture() instanceof Look.Posture.Fixed fixed ? fixed.normal() : Vec3.UP;
        return new Orientation(
                effect.apply(birth.offset()),
                turn.apply(Vec3.RIGHT),
                turn.apply(Vec3.UP),
                turn.apply(new Vec3(0, 0, 1)),
                Octahedron.encode(effect.apply(face)));
    }
}
