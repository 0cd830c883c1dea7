package bellrope.core.sim;

import bellrope.core.effect.Emitter;
import bellrope.core.effect.Look;
import bellrope.core.value.Rgba;
import bellrope.core.value.Vec3;

/**
 * All living particles that share an emitter and its motion, with the tables that say how they look over life.
 *
 * <p>Curves and gradients are read from tables of {@value #CELLS} cells with even interpolation between.
 */
public final class Layer {
    static final int CELLS = 256;
    /** Below this opacity, or this size in units, a particle counts as unseen. */
    static final float VISIBLE_OPACITY = 0.02f;

    static final float VISIBLE_SIZE = 0.01f;

    private final Emitter emitter;
    private final ParticleStore store = new ParticleStore(64);
    private final Flight flight;
    private final float ax;
    private final float ay;
    private final float az;
    private final float[] sizeOver;
    private final float[] opacityOver;
    private final float[] colourOver;
    private final int sprite;
    private final float coverage;
    // How each particle looks now; written by appear().
    private float[] size = new float[0];
    private float[] alpha = new float[0];
    private float[] red = new float[0];
    private float[] green = new float[0];
    private float[] blue = new float[0];
    private final boolean plainColour;
    private boolean visible;
    private double presence;

    /**
     * @param sprite number of the emitter's sprite in the project
     * @param coverage mean opacity of that sprite
     */
    public Layer(Emitter emitter, int stepsPerSecond, int sprite, double coverage) {
        this.emitter = emitter;
        this.flight = new Flight(emitter.life().drag(), stepsPerSecond);
        Vec3 gravity = emitter.life().gravity();
        this.ax = (float) gravity.x();
        this.ay = (float) gravity.y();
        this.az = (float) gravity.z();
        this.sizeOver = emitter.life().size().table(CELLS);
        this.opacityOver = emitter.life().opacity().table(CELLS);
        this.colourOver = emitter.life().colour().table(CELLS);
        this.plainColour = allOnes(colourOver);
        this.sprite = sprite;
        this.coverage = (float) coverage;
    }

    public ParticleStore store() {
        return store;
    }

    /** Buries the dead and puts the living where they are at a step. */
    public void advance(int step) {
        store.bury(step);
        store.move(step, flight, ax, ay, az);
    }

    /** Makes the layer ready for particles that live so many steps. */
    void reach(int life) {
        flight.reach(life);
    }

    /** Works out how every particle looks at a step, and the presence of all of them. */
    public void appear(int step) {
        int n = store.slots();
        if (size.length < n) {
            int length = store.capacity();
            size = new float[length];
            alpha = new float[length];
            if (!plainColour) {
                red = new float[length];
                green = new float[length];
                blue = new float[length];
            }
        }
        shape(step, n);
        if (plainColour) {
            red = store.red;
            green = store.green;
            blue = store.blue;
        } else {
            tint(step, n);
        }
        sum(step, n);
    }

    // The age of a particle that rests in its slot goes on; the cell is held at the end of life.
    private void shape(int step, int n) {
        int[] born = store.born;
        float[] pace = store.pace;
        float[] size0 = store.size;
        float[] opacity0 = store.opacity;
        float[] bySize = sizeOver;
        float[] byOpacity = opacityOver;
        float[] sizes = size;
        float[] alphas = alpha;
        for (int i = 0; i < n; i++) {
            float at = (step - born[i]) * pace[i] * CELLS;
            int cell = (int) at;
            cell = cell < CELLS ? cell : CELLS - 1;
            float share = at - cell;
            share = share < 1f ? share : 1f;
            sizes[i] = size0[i] * between(bySize[cell], bySize[cell + 1], share);
            alphas[i] = opacity0[i] * between(byOpacity[cell], byOpacity[cell + 1], share);
        }
    }

    private void tint(int step, int n) {
        for (int i = 0; i < n; i++) {
            float at = (step - store.born[i]) * store.pace[i] * CELLS;
            int cell = Math.min(CELLS - 1, (int) at);
            float share = Math.min(1f, at - cell);
            int c = cell * 4;
            red[i] = store.red[i] * between(colourOver[c], colourOver[c + 4], share);
            green[i] = store.green[i] * between(colourOver[c + 1], colourOver[c + 5], share);
            blue[i] = store.blue[i] * between(colourOver[c + 2], colourOver[c + 6], share);
            alpha[i] *= between(colourOver[c + 3], colourOver[c + 7], share);
        }
    }

    private void sum(int step, int n) {
        int[] gone = store.gone;
        float[] sizes = size;
        float[] alphas = alpha;
        float[] reds = red;
        float[] greens = green;
        float[] blues = blue;
        double sum = 0;
        boolean seen = false;
        for (int i = 0; i < n; i++) {
            if (gone[i] > step) {
                float a = alphas[i];
                float s = sizes[i];
                seen |= a >= VISIBLE_OPACITY && s >= VISIBLE_SIZE;
                sum += a * s * s * Rgba.luminance(reds[i], greens[i], blues[i]);
            }
        }
        visible = seen;
        presence = sum * coverage;
    }

    private static boolean allOnes(float[] table) {
        for (float value : table) {
            if (value != 1f) {
                return false;
            }
        }
        return true;
    }

    private static float between(float a, float b, float share) {
        return a + (b - a) * share;
    }

    /** Tells whether any particle could be seen when {@link #appear} was last called. */
    public boolean visible() {
        return visible;
    }

    /** Returns ∑ opacity × area × luminance in square units, as of the last {@link #appear}. */
    public double presence() {
        return presence;
    }

    /**
     * Returns how far the farthest particle is from a point along a direction, in units; negative infinity when none
     * lives.
     */
    public double reach(Vec3 from, Vec3 along) {
        double most = Double.NEGATIVE_INFINITY;
        for (int i = 0; i < store.slots(); i++) {
            if (!store.alive(i)) {
                continue;
            }
            double d = (store.x[i] - from.x()) * along.x()
                    + (store.y[i] - from.y()) * along.y()
                    + (store.z[i] - from.z()) * along.z();
            most = Math.max(most, d);
        }
        return most;
    }

    Emitter emitter() {
        return emitter;
    }

    float[] sizes() {
        return size;
    }

    float[] alphas() {
        return alpha;
    }

    float[] reds() {
        return red;
    }

    float[] greens() {
        return green;
    }

    float[] blues() {
        return blue;
    }

    int sprite() {
        return sprite;
    }

    boolean additive() {
        return emitter.look().blend() == Look.Blend.ADDITIVE;
    }

    boolean oldestOnTop() {
        return emitter.look().order() == Look.Order.OLDEST_ON_TOP;
    }
}
