package bellrope.core.value;

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
        Vec3 f = from.times(1 / from.length());
        Vec3 t = to.times(1 / to.length());
        double cosine = f.dot(t);
        if (cosine < -1 + 1e-6) {
            return f.x() * f.x() + f.y() * f.y() == 0
                    ? new Rotation(0, f.z(), 0, 0)
                    : new Rotation(f.y(), -f.x(), 0, 0);
        }
        // The half angle: q = (f × t, 1 + f·t), brought to length 1.
        double twice = Math.sqrt((1 + cosine) * 2);
        Vec3 axis = f.cross(t).times(1 / twice);
        double w = twice / 2;
        double length = Math.sqrt(axis.dot(axis) + w * w);
        return new Rotation(axis.x() / length, axis.y() / length, axis.z() / length, w / length);
    }

    /** Returns the turn about x, then about the world's y, then its z, by so many degrees each. */
    public static Rotation degrees(Vec3 d) {
        return about(0, 0, 1, d.z()).after(about(0, 1, 0, d.y())).after(about(1, 0, 0, d.x()));
    }

    // StrictMath, because the result must be the same on every machine.
    private static Rotation about(double x, double y, double z, double degrees) {
        double half = Exact.radians(degrees) / 2;
        double sin = Exact.sin(half);
        return new Rotation(x * sin, y * sin, z * sin, Exact.cos(half));
    }

    /** Returns the turn that carries the axes of the world onto three directions of length 1, square to one another and right-handed. */
    public static Rotation onto(Vec3 x, Vec3 y, Vec3 z) {
        // From the matrix with these columns, by the largest of the four parts (Shepperd's method).
        double trace = x.x() + y.y() + z.z();
        double a = y.z() - z.y();
        double b = z.x() - x.z();
        double c = x.y() - y.x();
        if (trace >= Math.max(x.x(), Math.max(y.y(), z.z()))) {
            return of(a, b, c, 1 + trace);
        } else if (x.x() >= y.y() && x.x() >= z.z()) {
            return of(1 + x.x() - y.y() - z.z(), x.y() + y.x(), x.z() + z.x(), a);
        } else if (y.y() >= z.z()) {
            return of(x.y() + y.x(), 1 + y.y() - x.x() - z.z(), y.z() + z.y(), b);
        }
        return of(x.z() + z.x(), y.z() + z.y(), 1 + z.z() - x.x() - y.y(), c);
    }

    private static Rotation of(double x, double y, double z, double w) {
        double length = Math.sqrt(x * x + y * y + z * z + w * w);
        return new Rotation(x / length, y / length, z / length, w / length);
    }

    /** Returns the turn back. */
    public Rotation inverse() {
        return new Rotation(-x, -y, -z, w);
    }

    /** Returns the turn that does {@code first} and then this. */
    public Rotation after(Rotation first) {
        // Hamilton's product.
        return new Rotation(
                w * first.x + x * first.w + y * first.z - z * first.y,
                w * first.y - x * first.z + y * first.w + z * first.x,
                w * first.z + x * first.y - y * first.x + z * first.w,
                w * first.w - x * first.x - y * first.y - z * first.z);
    }

    public Vec3 apply(Vec3 v) {
        // v + 2w(u × v) + 2u × (u × v), u being the vector part.
        Vec3 u = new Vec3(x, y, z);
        Vec3 cross = u.cross(v);
        return v.plus(cross.times(2 * w)).plus(u.cross(cross).times(2));
    }
}
