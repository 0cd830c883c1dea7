package bellrope.core.sim;

import bellrope.core.effect.End;
import bellrope.core.value.Exact;

/** The look of a trail along its length, and how far back it goes. */
final class Ribbon {
    final int steps;
    final float units;
    private final float[] width;
    private final float[] colour;

    Ribbon(End.Trail trail, double stepsPerSecond) {
        boolean timed = trail.by() == End.Trail.By.SECONDS;
        steps = timed ? (int) Math.max(1, Exact.round(trail.length() * stepsPerSecond)) : Integer.MAX_VALUE;
        units = timed ? Float.MAX_VALUE : (float) trail.length();
        width = trail.width().table(Shade.CELLS);
        colour = trail.colour().table(Shade.CELLS);
    }

    /** Takes the stretches of a ribbon, from the particle backwards. */
    interface Stretches {
        /**
         * A stretch between two places, units.
         *
         * @param way its length
         * @param across its breadth
         * @param share of the ribbon's length at its middle, 0 at the particle
         */
        void stretch(float x, float y, float z, float tx, float ty, float tz, float way, float across, float share);
    }

    /** Lays out the ribbon of a particle as it is at a step. */
    void lay(Layer layer, int i, int step, Stretches to) {
        ParticleStore store = layer.store();
        Integrated integrated = store.integrated;
        int every = every();
        int age = step - store.born[i];
        float x = store.x[i];
        float y = store.y[i];
        float z = store.z[i];
        float size = layer.shade.sizes()[i];
        float length = 0;
        for (int k = 0; k < Integrated.POINTS && length < units; k++) {
            int behind = every == 0 ? 0 : age % every + k * every;
            if (behind > Math.min(age, steps)) {
                break;
            }
            int at = i * Integrated.POINTS + (integrated.head[i] - k + Integrated.POINTS) % Integrated.POINTS;
            float dx = x - integrated.tx[at];
            float dy = y - integrated.ty[at];
            float dz = z - integrated.tz[at];
            float way = (float) Math.sqrt(dx * dx + dy * dy + dz * dz);
            if (way > 1e-6f) {
                float share = every == 0 ? (length + way / 2) / units : (behind - every / 2f) / (float) steps;
                to.stretch(
                        x,
                        y,
                        z,
                        integrated.tx[at],
                        integrated.ty[at],
                        integrated.tz[at],
                        way,
                        size * width(share),
                        share);
            }
            length += way;
            x = integrated.tx[at];
            y = integrated.ty[at];
            z = integrated.tz[at];
        }
    }

    /** Returns the points of a trail that are kept at even times: one each so many steps; 0 when kept by way. */
    int every() {
        return steps == Integer.MAX_VALUE ? 0 : Math.max(1, (steps + Integrated.POINTS - 2) / (Integrated.POINTS - 1));
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
