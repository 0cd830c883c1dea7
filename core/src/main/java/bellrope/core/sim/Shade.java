package bellrope.core.sim;

import bellrope.core.effect.Emitter;
import bellrope.core.effect.Life;
import bellrope.core.effect.Look;
import bellrope.core.effect.Sprite;

/**
 * How the particles of a layer look over life: size, opacity, colour, rotation and frame.
 *
 * <p>Curves and gradients are read from tables of {@value #CELLS} cells with even interpolation between. The pass over
 * size and opacity, which every particle needs, is a static loop over locals; what few need has passes of its own.
 */
final class Shade {
    static final int CELLS = Lanes.CELLS;
    /** Below this opacity, or this size in units, a particle counts as unseen. */
    static final float VISIBLE_OPACITY = 0.02f;

    static final float VISIBLE_SIZE = 0.01f;

    private final Emitter emitter;
    private final ParticleStore store;
    private final double stepsPerSecond;
    // Share of its lane for each step of age, of the lanes that run over seconds; 0 for those that run over life.
    private final float sizePace;
    private final float opacityPace;
    private final float colourPace;
    private final float spinPace;
    private final float spinLast;
    private final float[] sizeOver;
    private final float[] opacityOver;
    private final float[] colourOver;
    private final float[] otherColour;
    private final float[] spinOver;
    private final boolean sizeReplaced;
    private final boolean opacityReplaced;
    private final boolean colourReplaced;
    private final boolean plainColour;
    private final Sprite.Sheet sheet;
    private final float brightness;
    private final Frames frames;
    // How each particle looks now; written by appear().
    private float[] size = new float[0];
    private float[] alpha = new float[0];
    private float[] red = new float[0];
    private float[] green = new float[0];
    private float[] blue = new float[0];

    /** @param stepsPerSecond how many steps one of the emitter's seconds takes */
    Shade(Emitter emitter, Lanes lanes, ParticleStore store, double stepsPerSecond, Sprite sprite) {
        this.emitter = emitter;
        this.store = store;
        this.stepsPerSecond = stepsPerSecond;
        Life life = emitter.life();
        this.sizeOver = lanes.size;
        this.opacityOver = lanes.opacity;
        this.colourOver = lanes.colour;
        this.otherColour = lanes.otherColour;
        this.sizeReplaced = life.replaces(Life.Lane.SIZE);
        this.opacityReplaced = life.replaces(Life.Lane.OPACITY);
        this.colourReplaced = life.replaces(Life.Lane.COLOUR);
        this.spinOver = lanes.spin;
        this.sizePace = pace(life, Life.Lane.SIZE);
        this.opacityPace = pace(life, Life.Lane.OPACITY);
        this.colourPace = pace(life, Life.Lane.COLOUR);
        this.spinLast = lanes.lastSpin;
        this.spinPace = pace(life, Life.Lane.SPIN);
        this.plainColour = lanes.plainColour;
        this.sheet = sprite.sheet();
        this.brightness = (float) emitter.look().brightness();
        this.frames = frames(emitter.look().frame());
    }

    private float pace(Life life, Life.Lane lane) {
        Double seconds = life.timed().get(lane);
        return seconds == null ? 0 : (float) (1 / (seconds * stepsPerSecond));
    }

    // Where a particle is on a lane, in cells.
    private float cells(int i, int step, float pace) {
        return Math.min(1f, store.age(i, step) * (pace > 0 ? pace : store.pace[i])) * CELLS;
    }

    /**
     * Works out how every particle looks at a step.
     *
     * @param dim multiplies every opacity
     */
    void appear(int step, float dim) {
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
        if (sizeReplaced || opacityReplaced || colourReplaced) {
            replace(step, n);
        }
        if (dim < 1f) {
            for (int i = 0; i < n; i++) {
                alpha[i] *= dim;
            }
        }
    }

    // The age of a particle that rests in its slot goes on; the cell is held at the end of life.
    private void shape(int step, int n) {
        if (sizePace > 0 || opacityPace > 0) {
            for (int i = 0; i < n; i++) {
                size[i] = store.size[i] * read(sizeOver, cells(i, step, sizePace));
                alpha[i] = store.opacity[i] * read(opacityOver, cells(i, step, opacityPace));
            }
            return;
        }
        int[] born = store.born;
        float[] pace = store.pace;
        float[] lag = store.lag;
        float[] size0 = store.size;
        float[] opacity0 = store.opacity;
        float[] bySize = sizeOver;
        float[] byOpacity = opacityOver;
        float[] sizes = size;
        float[] alphas = alpha;
        for (int i = 0; i < n; i++) {
            float at = (step - born[i] + lag[i]) * pace[i] * CELLS;
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
            float at = cells(i, step, colourPace);
            int cell = Math.min(CELLS - 1, (int) at);
            float share = at - cell;
            int c = cell * 4;
            red[i] = store.red[i] * colour(i, c, share);
            green[i] = store.green[i] * colour(i, c + 1, share);
            blue[i] = store.blue[i] * colour(i, c + 2, share);
            alpha[i] *= colour(i, c + 3, share);
        }
    }

    // Lanes that stand instead of what was born; after shape() and tint(), which multiplied.
    private void replace(int step, int n) {
        for (int i = 0; i < n; i++) {
            float at = cells(i, step, colourPace);
            int cell = Math.min(CELLS - 1, (int) at);
            float share = at - cell;
            int c = cell * 4;
            if (sizeReplaced) {
                size[i] = read(sizeOver, cells(i, step, sizePace));
            }
            if (colourReplaced) {
                red[i] = brightness * colour(i, c, share);
                green[i] = brightness * colour(i, c + 1, share);
                blue[i] = brightness * colour(i, c + 2, share);
            }
            if (opacityReplaced) {
                alpha[i] = read(opacityOver, cells(i, step, opacityPace));
                if (!plainColour) {
                    alpha[i] *= colour(i, c + 3, share);
                }
            }
        }
    }

    /** Returns a particle's width in units at a step. */
    float sizeAt(int slot, int step) {
        float lane = read(sizeOver, cells(slot, step, sizePace));
        return sizeReplaced ? lane : store.size[slot] * lane;
    }

    /** Returns a particle's rotation in turns at a step. */
    float rotationAt(int slot, int step) {
        float age = store.age(slot, step);
        if (spinOver == null) {
            return store.rotation[slot] + store.spin[slot] * age;
        }
        float pace = spinPace > 0 ? spinPace : store.pace[slot];
        // The integral over the lane, and what lies beyond the end of one that runs over seconds.
        float sum = read(spinOver, cells(slot, step, spinPace)) / pace
                + Math.max(0, age - 1 / pace) * (spinPace > 0 ? spinLast : 0);
        return emitter.life().replaces(Life.Lane.SPIN)
                ? store.rotation[slot] + (float) (sum / 360 / stepsPerSecond)
                : store.rotation[slot] + store.spin[slot] * sum;
    }

    /** Tells whether a particle could be seen at the very end of its life. */
    boolean seenAtEnd(int slot) {
        float life = 1 / store.pace[slot];
        float sizeLane = read(sizeOver, sizePace > 0 ? Math.min(1, life * sizePace) * CELLS : CELLS);
        float opacityLane = read(opacityOver, opacityPace > 0 ? Math.min(1, life * opacityPace) * CELLS : CELLS);
        int cell = colourPace > 0 ? (int) (Math.min(1, life * colourPace) * CELLS) : CELLS;
        float lane = colourOver[4 * cell + 3];
        lane = otherColour == null ? lane : between(lane, otherColour[4 * cell + 3], store.lane[slot]);
        float across = sizeReplaced ? sizeLane : store.size[slot] * sizeLane;
        float opaque = opacityReplaced ? opacityLane : store.opacity[slot] * opacityLane;
        return across >= VISIBLE_SIZE && opaque * lane >= VISIBLE_OPACITY;
    }

    boolean evenSpin() {
        return spinOver == null;
    }

    /** Returns which frame of the sheet a particle shows at a step. */
    int frameAt(int slot, int step) {
        return sheet.frames() == 1 ? 0 : frames.at(slot, step);
    }

    private interface Frames {
        int at(int slot, int step);
    }

    private Frames frames(Look.Frame frame) {
        int last = sheet.frames() - 1;
        return frame.match(
                first -> (slot, step) -> Math.min(last, first.number()),
                random -> (slot, step) -> Math.min(last, (int) (store.pick[slot] * sheet.frames())),
                overLife -> (slot, step) ->
                        Math.min(last, (int) (store.age(slot, step) * store.pace[slot] * sheet.frames())),
                looping -> {
                    double perSecond = looping.perSecond().orElse(sheet.perSecond());
                    return (slot, step) ->
                            (int) (store.age(slot, step) * perSecond / stepsPerSecond + 1e-6) % sheet.frames();
                });
    }

    // One of red, green, blue and opacity that the lanes give a particle, a share of the way from a cell to the next.
    private float colour(int i, int at, float share) {
        float one = between(colourOver[at], colourOver[at + 4], share);
        return otherColour == null
                ? one
                : between(one, between(otherColour[at], otherColour[at + 4], share), store.lane[i]);
    }

    private static float read(float[] lane, float at) {
        int cell = Math.min(CELLS - 1, (int) at);
        return between(lane[cell], lane[cell + 1], at - cell);
    }

    private static float between(float a, float b, float share) {
        return a + (b - a) * share;
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
}
