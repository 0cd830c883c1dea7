package bellrope.core.sim;

import bellrope.core.effect.Look;
import bellrope.core.value.Rgba;

/**
 * What a layer puts on screen at a step, added up: the same pictures that {@link FrameEncoder} writes, ribbons and stretched
 * ones included, each as large as it is seen ({@link Pose}).
 */
final class Cover implements Ribbon.Stretches {
    /** Share of a ribbon's breadth that is opaque: the mean of (1 − t²)² over −1 to 1. */
    private static final double RIBBON_COVERAGE = 8 / 15.0;

    private final Layer layer;
    private final Shade shade;
    private final ParticleStore store;
    private final double coverage;
    private final boolean bright;
    private final int pose;
    private final double stretch;
    private final float[] velocity = new float[3];
    private boolean visible;
    private double presence;
    private double painted;
    private int stretches;
    // Of the ribbon at hand.
    private int slot;
    private double ribbons;

    Cover(Layer layer, double coverage) {
        this.layer = layer;
        this.shade = layer.shade;
        this.store = layer.store();
        this.coverage = coverage;
        Look look = layer.emitter().look();
        this.bright = look.brightness() > 1;
        this.pose = pose(look.posture());
        this.stretch = stretch(look.posture());
    }

    /** Nothing was counted yet. */
    void begin() {
        visible = false;
        painted = 0;
        presence = 0;
        stretches = 0;
    }

    static int pose(Look.Posture posture) {
        return posture.match(camera -> Pose.CAMERA, flight -> Pose.ALONG, surface -> Pose.FLAT, fixed -> Pose.FLAT);
    }

    /** Returns by how many seconds of its flight a picture is longer than it is wide. */
    static double stretch(Look.Posture posture) {
        return posture instanceof Look.Posture.Flight flight ? flight.stretch() : 0;
    }

    /** Adds up a step, which the layer's looks must have been worked out for. */
    void count(int step) {
        visible = false;
        painted = 0;
        stretches = 0;
        ribbons = 0;
        double sum = pose == Pose.CAMERA ? facing(step) : lying(step);
        if (layer.ribbon != null) {
            for (slot = 0; slot < store.slots(); slot++) {
                if (store.gone[slot] > step) {
                    layer.ribbon.lay(layer, slot, step, this);
                }
            }
        }
        presence = sum * coverage + ribbons * RIBBON_COVERAGE;
    }

    private double facing(int step) {
        int n = store.slots();
        int[] gone = store.gone;
        float[] sizes = shade.sizes();
        float[] aspects = store.aspect;
        float[] alphas = shade.alphas();
        double sum = 0;
        double area = 0;
        boolean seen = false;
        for (int i = 0; i < n; i++) {
            if (gone[i] > step) {
                float a = alphas[i];
                float s = sizes[i];
                float square = s * s * aspects[i];
                seen |= a >= Shade.VISIBLE_OPACITY && s >= Shade.VISIBLE_SIZE;
                area += square;
                sum += a * square * light(i);
            }
        }
        visible = seen;
        painted = area;
        return sum;
    }

    private double lying(int step) {
        float[] sizes = shade.sizes();
        float[] alphas = shade.alphas();
        double sum = 0;
        for (int i = 0; i < store.slots(); i++) {
            if (store.gone[i] <= step) {
                continue;
            }
            double w = sizes[i];
            double h = w * store.aspect[i];
            double square;
            if (pose == Pose.ALONG) {
                layer.velocity(i, step, velocity);
                double speed =
                        Math.sqrt(velocity[0] * velocity[0] + velocity[1] * velocity[1] + velocity[2] * velocity[2]);
                double k = speed > 1e-9 ? 1 / speed : 0;
                square = Pose.area(
                        pose,
                        speed > 1e-9 ? velocity[0] * k : 1,
                        velocity[1] * k,
                        velocity[2] * k,
                        w + stretch * speed,
                        h,
                        false);
            } else {
                var normal = FrameEncoder.direction(store.face[i]);
                square = Pose.area(pose, normal.x(), normal.y(), normal.z(), w, h, false);
            }
            visible |= alphas[i] >= Shade.VISIBLE_OPACITY && w >= Shade.VISIBLE_SIZE;
            painted += square;
            sum += alphas[i] * square * light(i);
        }
        return sum;
    }

    private double light(int i) {
        float red = shade.reds()[i];
        float green = shade.greens()[i];
        float blue = shade.blues()[i];
        return bright
                ? Rgba.luminance(Math.min(1, red), Math.min(1, green), Math.min(1, blue))
                : Rgba.luminance(red, green, blue);
    }

    @Override
    public void stretch(Ribbon.Stretch s) {
        double square = Math.sqrt((s.x - s.tx) * (s.x - s.tx) + (s.y - s.ty) * (s.y - s.ty)) * s.across;
        float alpha = shade.alphas()[slot] * s.colour(3);
        double red = shade.reds()[slot] * s.colour(0);
        double green = shade.greens()[slot] * s.colour(1);
        double blue = shade.blues()[slot] * s.colour(2);
        visible |= alpha >= Shade.VISIBLE_OPACITY && s.across >= Shade.VISIBLE_SIZE;
        painted += square;
        stretches++;
        ribbons +=
                Math.min(1, alpha) * square * Rgba.luminance(Math.min(1, red), Math.min(1, green), Math.min(1, blue));
    }

    boolean visible() {
        return visible;
    }

    double presence() {
        return presence;
    }

    double painted() {
        return painted;
    }

    /** Returns how many stretches of ribbons are drawn. */
    int stretches() {
        return stretches;
    }
}
