package bellrope.core.value;

import org.joml.Quaterniond;
import org.joml.Vector3d;

/** A rotation in space, as a unit quaternion. */
public record Rotation(double x, double y, double z, double w) {
    public static final Rotation NONE = new Rotation(0, 0, 0, 1);

    /**
     * Returns the shortest arc that carries one direction onto another. Opposite directions turn by 180° about an axis
     * square to them, always the same one.
     *
     * @param from not zero
     * @param to not zero
     */
    public static Rotation between(Vec3 from, Vec3 to) {
        Quaterniond q = new Quaterniond().rotationTo(from.x(), from.y(), from.z(), to.x(), to.y(), to.z());
        return new Rotation(q.x, q.y, q.z, q.w);
    }

    /** Returns the turn about x, then about the world's y, then its z, by so many degrees each. */
    public static Rotation degrees(Vec3 d) {
        return about(0, 0, 1, d.z()).after(about(0, 1, 0, d.y())).after(about(1, 0, 0, d.x()));
    }

    // StrictMath, because the result must be the same on every machine.
    private static Rotation about(double x, double y, double z, double degrees) {
        double half = Math.toRadians(degrees) / 2;
        double sin = StrictMath.sin(half);
        return new Rotation(x * sin, y * sin, z * sin, StrictMath.cos(half));
    }

    /** Returns the turn that does {@code first} and then this. */
    public Rotation after(Rotation first) {
        Quaterniond q = new Quaterniond(x, y, z, w).mul(first.x, first.y, first.z, first.w);
        return new Rotation(q.x, q.y, q.z, q.w);
    }

    public Vec3 apply(Vec3 v) {
        Vector3d out = new Quaterniond(x, y, z, w).transform(new Vector3d(v.x(), v.y(), v.z()));
        return new Vec3(out.x, out.y, out.z);
    }
}
