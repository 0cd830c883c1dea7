package bellrope.core.sim;

import bellrope.core.effect.End;
import bellrope.core.value.Curve;
import bellrope.core.value.Exact;
import bellrope.core.value.Gradient;

/** The look of a trail along its length, and how far back it goes. */
final class Ribbon {
    final int steps;
    final float units;
    private final Strand[] strands;
    // The points at hand: where a stretch begins and ends, and at which shares of the length.
    private final float[] points = new float[3 * (Integrated.POINTS + 1)];
    private final float[] middles = new float[Integrated.POINTS];
    private final float[] ways = new float[Integrated.POINTS];
    private final float[] ends = new float[Integrated.POINTS + 1];
    private final Stretch at = new Stretch();

    Ribbon(End.Trail trail, double stepsPerSecond) {
        steps = switch (trail.by()) {
            case SECONDS -> (int) Math.max(1, Exact.round(trail.length() * stepsPerSecond));
            case POINTS -> (int) trail.length();
            case UNITS -> Integer.MAX_VALUE;
        };
        units = trail.by() == End.Trail.By.UNITS ? (float) trail.length() : Float.MAX_VALUE;
        strands = new Strand[1 + trail.over().size()];
        strands[0] = new Strand(1, trail.width(), trail.colour());
        for (int i = 1; i < strands.length; i++) {
            End.Trail.Over over = trail.over().get(i - 1);
            strands[i] = new Strand((float) over.share(), over.width(), over.colour());
        }
    }

    /** One of the ribbons along the same way. */
    static final class Strand {
        private final float length;
        private final float[] width;
        private final float[] colour;

        private Strand(float length, Curve width, Gradient colour) {
            this.length = length;
            this.width = width.table(Shade.CELLS);
            this.colour = colour.table(Shade.CELLS);
        }

        float width(float share) {
            return Math.max(0, width[cell(share)]);
        }

        /** Returns linear red, green, blue or opacity (0 to 3) at a share of the length. */
        float colour(float share, int component) {
            return colour[4 * cell(share) + component];
        }

        private static int cell(float share) {
            return (int) (Math.min(1, Math.max(0, share)) * Shade.CELLS);
        }
    }

    /** A stretch of a ribbon between two places, units; one object serves for all. */
    static final class Stretch {
        Strand strand;
        float x;
        float y;
        float z;
        float tx;
        float ty;
        float tz;
        float way;
        float across;
        /** Of the strand's length, at the middle; 0 at the particle. */
        float share;

        /** Returns linear red, green, blue or opacity (0 to 3) that multiply the particle's own. */
        float colour(int component) {
            return strand.colour(share, component);
        }
    }

    /** Takes the stretches of a ribbon, from the particle backwards. */
    interface Stretches {
        void stretch(Stretch stretch);
    }

    /** Returns how many pictures the ribbons of one particle are at the most. */
    int most() {
        return Integrated.POINTS * strands.length;
    }

    /** Lays out the ribbons of a particle as they are at a step. */
    void lay(Layer layer, int i, int step, Stretches to) {
        ParticleStore store = layer.store();
        Integrated integrated = store.integrated;
        int every = every();
        int age = step - store.born[i];
        float size = layer.shade.sizes()[i];
        float length = 0;
        points[0] = store.x[i];
        points[1] = store.y[i];
        points[2] = store.z[i];
        ends[0] = 0;
        int n = 0;
        for (int k = 0; k < Integrated.POINTS && length < units; k++) {
            int behind = every == 0 ? 0 : age % every + k * every;
            if (behind > Math.min(age, steps)) {
                break;
            }
            int at = i * Integrated.POINTS + (integrated.head[i] - k + Integrated.POINTS) % Integrated.POINTS;
            int p = 3 * n;
            points[p + 3] = integrated.tx[at];
            points[p + 4] = integrated.ty[at];
            points[p + 5] = integrated.tz[at];
            float dx = points[p] - points[p + 3];
            float dy = points[p + 1] - points[p + 4];
            float dz = points[p + 2] - points[p + 5];
            float way = (float) Math.sqrt(dx * dx + dy * dy + dz * dz);
            ways[n] = way;
            middles[n] = every == 0 ? (length + way / 2) / units : (behind - every / 2f) / (float) steps;
            length += way;
            ends[n + 1] = every == 0 ? length / units : behind / (float) steps;
            n++;
        }
        for (int k = 0; k < n; k++) {
            if (ways[k] > 1e-6f) {
                give(strands[0], k, 1, middles[k], size, to);
            }
        }
        for (int s = 1; s < strands.length; s++) {
            over(strands[s], n, size, to);
        }
    }

    // As far as a shorter strand reaches; its last stretch ends where it does.
    private void over(Strand strand, int n, float size, Stretches to) {
        for (int k = 0; k < n && ends[k] < strand.length; k++) {
            if (ways[k] > 1e-6f) {
                float kept = ends[k + 1] <= strand.length ? 1 : (strand.length - ends[k]) / (ends[k + 1] - ends[k]);
                float middle = ends[k] + (ends[k + 1] - ends[k]) * kept / 2;
                give(strand, k, kept, Math.min(1, middle / strand.length), size, to);
            }
        }
    }

    private void give(Strand strand, int k, float kept, float share, float size, Stretches to) {
        int p = 3 * k;
        at.strand = strand;
        at.x = points[p];
        at.y = points[p + 1];
        at.z = points[p + 2];
        at.tx = kept == 1 ? points[p + 3] : at.x + (points[p + 3] - at.x) * kept;
        at.ty = kept == 1 ? points[p + 4] : at.y + (points[p + 4] - at.y) * kept;
        at.tz = kept == 1 ? points[p + 5] : at.z + (points[p + 5] - at.z) * kept;
        at.way = ways[k] * kept;
        at.across = size * strand.width(share);
        at.share = share;
        to.stretch(at);
    }

    /** Returns the points of a trail that are kept at even times: one each so many steps; 0 when kept by way. */
    int every() {
        return steps == Integer.MAX_VALUE ? 0 : Math.max(1, (steps + Integrated.POINTS - 2) / (Integrated.POINTS - 1));
    }
}
