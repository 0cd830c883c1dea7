package bellrope.core.sim;

import bellrope.core.effect.End.Barrier;
import bellrope.core.value.Rotation;
import bellrope.core.value.Vec3;

/**
 * What the particles of one instance strike, in the world, relative to the effect's place.
 *
 * <p>A plane is met where the parabola through the distance at the start of a step, its rate there, and the distance at the
 * end crosses zero: exact under constant acceleration. A box is met where the straight way of the step enters it.
 */
final class Wall {
    /** How far behind a plane a particle may lie and still count as in front of it: the rounding of its place. */
    private static final double SKIN = 1e-3;

    private final double[] planes;
    private final Vec3[] normals;
    // The normals' components, three each.
    private final double[] flat;
    private final Vec3 centre;
    private final Vec3[] axes;
    private final double[] half;
    /** What was met: the share of the step, the normal, and which of {@link #normals} it is. */
    double at;

    double nx;
    double ny;
    double nz;
    int face;

    private Wall(double[] planes, Vec3[] normals, Vec3 centre, Vec3[] axes, double[] half) {
        this.planes = planes;
        this.normals = normals;
        this.flat = new double[3 * normals.length];
        for (int i = 0; i < normals.length; i++) {
            flat[3 * i] = normals[i].x();
            flat[3 * i + 1] = normals[i].y();
            flat[3 * i + 2] = normals[i].z();
        }
        this.centre = centre;
        this.axes = axes;
        this.half = half;
    }

    static Wall of(Barrier barrier, Rotation turn) {
        return barrier.match(
                ground -> flat(Vec3.UP, ground.level()),
                plane -> {
                    Vec3 n = turn.apply(plane.normal()).directionOr(Vec3.UP);
                    return flat(n, n.dot(turn.apply(plane.place())));
                },
                box -> box(box, turn));
    }

    private static Wall flat(Vec3 normal, double level) {
        return new Wall(new double[] {level}, new Vec3[] {normal}, null, null, null);
    }

    private static Wall box(Barrier.Box box, Rotation turn) {
        Vec3[] own = {turn.apply(Vec3.RIGHT), turn.apply(Vec3.UP), turn.apply(new Vec3(0, 0, 1))};
        double[] size = {box.size().x() / 2, box.size().y() / 2, box.size().z() / 2};
        Vec3 middle = turn.apply(box.place());
        Vec3[] normals = new Vec3[6];
        double[] planes = box.keepsIn() ? new double[6] : null;
        for (int i = 0; i < 3; i++) {
            // Inward for a room, outward for a block.
            double sign = box.keepsIn() ? -1 : 1;
            normals[2 * i] = own[i].times(sign);
            normals[2 * i + 1] = own[i].times(-sign);
            if (planes != null) {
                planes[2 * i] = normals[2 * i].dot(middle) - size[i];
                planes[2 * i + 1] = normals[2 * i + 1].dot(middle) - size[i];
            }
        }
        return new Wall(planes, normals, middle, own, size);
    }

    /** Returns the normals that can be met. */
    Vec3[] normals() {
        return normals;
    }

    /**
     * Tells whether the way of a step meets the barrier, and if so writes what was met first.
     *
     * @param x place at the start, from the effect's place
     * @param vx way per whole step at the start
     * @param dx way of the step
     */
    boolean met(double x, double y, double z, double vx, double vy, double vz, double dx, double dy, double dz) {
        at = Double.POSITIVE_INFINITY;
        if (planes == null) {
            entered(x, y, z, dx, dy, dz);
            return at <= 1;
        }
        for (int i = 0; i < planes.length; i++) {
            double ax = flat[3 * i];
            double ay = flat[3 * i + 1];
            double az = flat[3 * i + 2];
            double from = ax * x + ay * y + az * z - planes[i];
            double way = ax * dx + ay * dy + az * dz;
            if (from < -SKIN || from + way >= 0) {
                continue;
            }
            double rate = ax * vx + ay * vy + az * vz;
            double t = crossing(Math.max(0, from), rate, way);
            if (t < at) {
                at = t;
                face = i;
                nx = ax;
                ny = ay;
                nz = az;
            }
        }
        return at <= 1;
    }

    /** Tells whether the way of a step may meet the barrier; false means that it does not. */
    boolean near(double x, double y, double z, double dx, double dy, double dz) {
        if (planes == null) {
            at = Double.POSITIVE_INFINITY;
            entered(x, y, z, dx, dy, dz);
            return at <= 1;
        }
        double[] n = flat;
        for (int i = 0, k = 0; i < planes.length; i++, k += 3) {
            double from = n[k] * x + n[k + 1] * y + n[k + 2] * z - planes[i];
            double way = n[k] * dx + n[k + 1] * dy + n[k + 2] * dz;
            if (from >= -SKIN && from + way < 0) {
                return true;
            }
        }
        return false;
    }

    // First root in 0..1 of from + rate·t + (way − rate)·t², which is not negative at 0 and negative at 1.
    private static double crossing(double from, double rate, double way) {
        double c = way - rate;
        if (Math.abs(c) < 1e-12) {
            return rate == 0 ? 0 : Math.min(1, Math.max(0, -from / rate));
        }
        double root = Math.sqrt(Math.max(0, rate * rate - 4 * c * from));
        // The stable pair of roots.
        double q = -(rate + (rate < 0 ? -root : root)) / 2;
        double a = q / c;
        double b = q == 0 ? 0 : from / q;
        double low = Math.min(a, b);
        double high = Math.max(a, b);
        // On its way out first, it comes back at the later root.
        double t = rate > 0 || low < 0 ? high : low;
        return Math.min(1, Math.max(0, t));
    }

    private void entered(double x, double y, double z, double dx, double dy, double dz) {
        double enter = Double.NEGATIVE_INFINITY;
        double leave = Double.POSITIVE_INFINITY;
        int side = 0;
        for (int i = 0; i < 3; i++) {
            Vec3 axis = axes[i];
            double p = axis.x() * (x - centre.x()) + axis.y() * (y - centre.y()) + axis.z() * (z - centre.z());
            double d = axis.x() * dx + axis.y() * dy + axis.z() * dz;
            if (Math.abs(d) < 1e-12) {
                if (Math.abs(p) > half[i]) {
                    return;
                }
                continue;
            }
            double near = (d > 0 ? -half[i] - p : half[i] - p) / d;
            double far = (d > 0 ? half[i] - p : -half[i] - p) / d;
            if (near > enter) {
                enter = near;
                side = 2 * i + (d > 0 ? 1 : 0);
            }
            leave = Math.min(leave, far);
        }
        if (enter >= -1e-6 && enter <= leave && enter <= 1) {
            at = Math.max(0, enter);
            face = side;
            nx = normals[side].x();
            ny = normals[side].y();
            nz = normals[side].z();
        }
    }
}
