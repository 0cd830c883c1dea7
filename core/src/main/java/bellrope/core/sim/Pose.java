package bellrope.core.sim;

import bellrope.core.value.Exact;

/**
 * How a picture lies in space and what is seen of it: the one geometry that frames, painted stills and numbers share. The view
 * is from the side, along −z, with x to the right and y up.
 */
public final class Pose {
    /** Faces the camera, turned. */
    public static final int CAMERA = 0;
    /** Its width lies along a direction; a ribbon's stretch lies so too. */
    public static final int ALONG = 1;
    /** Lies in a plane with a normal. */
    public static final int FLAT = 2;

    /** By how much depth is sheared along the normal, so that what is seen from its edge is not a mere line. */
    private static final double EDGE = 0.3;

    private Pose() {}

    /**
     * Writes a picture's width and height as vectors on the screen, in units.
     *
     * @param dx direction or normal, of length 1; not used for {@link #CAMERA}
     * @param turns by which it is turned; not used for {@link #ALONG}
     * @param ribbon whether it is a stretch of a ribbon, which has no thickness along its way
     * @param out x and y of the width, x and y of the height
     */
    public static void axes(
            int pose, double dx, double dy, double dz, double turns, double w, double h, boolean ribbon, double[] out) {
        if (pose == CAMERA) {
            double a = turns * 2 * Math.PI;
            set(out, w * Exact.cos(a), w * Exact.sin(a), -h * Exact.sin(a), h * Exact.cos(a));
            return;
        }
        if (pose == ALONG) {
            double seen = Math.sqrt(dx * dx + dy * dy);
            double length = length(seen, w, h, ribbon);
            double ux = seen > 1e-6 ? dx / seen : 1;
            double uy = seen > 1e-6 ? dy / seen : 0;
            set(out, ux * length, uy * length, -uy * h, ux * h);
            return;
        }
        plane(dx, dy, dz, out);
        double cos = Exact.cos(turns * 2 * Math.PI);
        double sin = Exact.sin(turns * 2 * Math.PI);
        set(
                out,
                w * (out[0] * cos + out[2] * sin),
                w * (out[1] * cos + out[3] * sin),
                h * (out[2] * cos - out[0] * sin),
                h * (out[3] * cos - out[1] * sin));
    }

    /** Returns the area that is seen of a picture, square units; see {@link #axes}. */
    public static double area(int pose, double dx, double dy, double dz, double w, double h, boolean ribbon) {
        if (pose == CAMERA) {
            return w * h;
        }
        if (pose == ALONG) {
            return length(Math.sqrt(dx * dx + dy * dy), w, h, ribbon) * h;
        }
        return w * h * share(dx, dy, dz);
    }

    /** Returns how much is seen of the area of a picture that lies in a plane, 0 to 1 or a little more. */
    static double share(double dx, double dy, double dz) {
        boolean upright = Math.abs(dy) > 0.999;
        double length = upright ? 1 : Math.sqrt(dx * dx + dz * dz);
        double sx = upright ? 1 : dz / length;
        double sz = upright ? 0 : -dx / length;
        double pz = -dy * sx;
        double ux = sx - sz * EDGE * dx;
        double uy = -sz * EDGE * dy;
        double vx = dy * sz - pz * EDGE * dx;
        double vy = dz * sx - dx * sz - pz * EDGE * dy;
        return Math.abs(ux * vy - uy * vx);
    }

    private static double length(double seen, double w, double h, boolean ribbon) {
        return ribbon ? w * seen : Math.max(h, w * seen);
    }

    // Two unit vectors of the plane as they are seen: the level one, and the one across it.
    private static void plane(double dx, double dy, double dz, double[] out) {
        boolean upright = Math.abs(dy) > 0.999;
        double length = upright ? 1 : Math.sqrt(dx * dx + dz * dz);
        // up × d, or +x where that is nothing; and d × that.
        double sx = upright ? 1 : dz / length;
        double sz = upright ? 0 : -dx / length;
        double px = dy * sz;
        double py = dz * sx - dx * sz;
        double pz = -dy * sx;
        set(out, sx - sz * EDGE * dx, -sz * EDGE * dy, px - pz * EDGE * dx, py - pz * EDGE * dy);
    }

    private static void set(double[] out, double ux, double uy, double vx, double vy) {
        out[0] = ux;
        out[1] = uy;
        out[2] = vx;
        out[3] = vy;
    }
}
