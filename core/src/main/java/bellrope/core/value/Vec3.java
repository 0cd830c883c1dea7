package bellrope.core.value;

/** A place or a direction: x right, y up, z towards the viewer (right-handed), in units of the world. */
public record Vec3(double x, double y, double z) {
    public static final Vec3 ZERO = new Vec3(0, 0, 0);
    public static final Vec3 RIGHT = new Vec3(1, 0, 0);
    public static final Vec3 UP = new Vec3(0, 1, 0);

    public Vec3 {
        // Adding zero turns −0 into 0, so that equal places are equal.
        x = Demand.finite("0", x) + 0.0;
        y = Demand.finite("1", y) + 0.0;
        z = Demand.finite("2", z) + 0.0;
    }

    public Vec3 plus(Vec3 other) {
        return new Vec3(x + other.x, y + other.y, z + other.z);
    }

    public Vec3 times(double factor) {
        return new Vec3(x * factor, y * factor, z * factor);
    }

    public double dot(Vec3 other) {
        return x * other.x + y * other.y + z * other.z;
    }

    public Vec3 cross(Vec3 other) {
        return new Vec3(y * other.z - z * other.y, z * other.x - x * other.z, x * other.y - y * other.x);
    }

    public double length() {
        return Math.sqrt(dot(this));
    }

    /** Returns the direction of this vector, of length 1; {@code otherwise} when it has none. */
    public Vec3 directionOr(Vec3 otherwise) {
        double length = length();
        return length < 1e-9 ? otherwise : times(1 / length);
    }
}
