package bellrope.core.stage.world;

import bellrope.core.value.Rotation;
import bellrope.core.value.Vec3;

/** A frame in which offsets are given: three directions of length 1, square to one another, right-handed. */
public record Axes(Vec3 x, Vec3 y, Vec3 z) {
    static final Axes WORLD = new Axes(Vec3.RIGHT, Vec3.UP, new Vec3(0, 0, 1));

    /** Returns the frame of a surface: y along its normal, x along the direction as far as the surface allows. */
    public static Axes surface(Vec3 normal, Vec3 direction) {
        Vec3 aside = normal.cross(Vec3.UP).length() < 1e-6 ? Vec3.RIGHT : normal.cross(new Vec3(0, 0, 1));
        Vec3 x = direction.plus(normal.times(-direction.dot(normal))).directionOr(aside.directionOr(Vec3.RIGHT));
        return new Axes(x, normal, x.cross(normal));
    }

    /** Returns the frame of a subject: x along its heading, y as far up as that allows. */
    public static Axes subject(Vec3 heading) {
        return subject(heading, Vec3.UP);
    }

    /** Returns the frame of a subject that rolls: x along its heading, y as near to its own up as that allows. */
    public static Axes subject(Vec3 heading, Vec3 up) {
        Vec3 y = up.plus(heading.times(-up.dot(heading))).directionOr(new Vec3(-Math.signum(heading.y()), 0, 0));
        return new Axes(heading, y, heading.cross(y));
    }

    /** Returns the turn that carries the world's axes onto these. */
    public Rotation turn() {
        return Rotation.onto(x, y, z);
    }

    public Vec3 apply(Vec3 v) {
        return x.times(v.x()).plus(y.times(v.y())).plus(z.times(v.z()));
    }
}
