package bellrope.core.sim;

import bellrope.core.effect.Birth;
import bellrope.core.effect.Emitter;
import bellrope.core.effect.End;
import bellrope.core.effect.Life;
import bellrope.core.effect.Look;
import bellrope.core.effect.Sprite;
import bellrope.core.value.Rgba;
import bellrope.core.value.Vec3;

/**
 * All living particles that share an emitter and its motion, with the tables that say how they look over life.
 *
 * <p>Curves and gradients are read from tables of {@value #CELLS} cells with even interpolation between. Where motion is
 * exact and nothing is struck or borne, instances share a layer and it moves by {@link Flight}; otherwise each instance
 * has its own, moved step by step by a {@link Mover}.
 */
public final class Layer {
    static final int CELLS = 256;
    /** Below this opacity, or this size in units, a particle counts as unseen. */
    static final float VISIBLE_OPACITY = 0.02f;

    static final float VISIBLE_SIZE = 0.01f;

    private final Emitter emitter;
    private final ParticleStore store;
    private final Flight flight;
    private final float ax;
    private final float ay;
    private final float az;
    private final int stepsPerSecond;
    private final float[] sizeOver;
    private final float[] opacityOver;
    private final float[] colourOver;
    private final float[] spinOver;
    private final boolean sizeReplaced;
    private final boolean opacityReplaced;
    private final boolean colourReplaced;
    private final Sprite.Sheet sheet;
    private final int sprite;
    private final float coverage;
    private final float brightness;
    private final boolean walks;
    private final boolean bears;
    private final int cap;
    private final double cost;
    final Ribbon ribbon;
    // How each particle looks now; written by appear().
    private float[] size = new float[0];
    private float[] alpha = new float[0];
    private float[] red = new float[0];
    private float[] green = new float[0];
    private float[] blue = new float[0];
    private final boolean plainColour;
    private long born;
    private long refused;
    private long hits;
    private boolean visible;
    private double presence;
    private double painted;

    /**
     * @param number of the emitter's sprite in the project
     */
    public Layer(Emitter emitter, int stepsPerSecond, int number, Sprite sprite) {
        this.emitter = emitter;
        this.stepsPerSecond = stepsPerSecond;
        Life life = emitter.life();
        this.walks = walks(emitter);
        this.bears = !emitter.end().children().isEmpty();
        End.Trail trail = emitter.end().trail().orElse(null);
        this.ribbon = trail == null ? null : new Ribbon(trail, stepsPerSecond);
        this.store = new ParticleStore(64, walks ? new Walk(trail != null) : null);
        this.flight = new Flight(life.dragPerSecond(), stepsPerSecond);
        this.cost = Cost.of(emitter);
        this.cap = emitter.birth().cap().orElse(Integer.MAX_VALUE);
        Vec3 gravity = life.gravity();
        this.ax = (float) gravity.x();
        this.ay = (float) gravity.y();
        this.az = (float) gravity.z();
        this.sizeOver = held(life.size().table(CELLS), 0, Float.MAX_VALUE);
        this.opacityOver = held(life.opacity().table(CELLS), 0, 1);
        this.colourOver = life.colour().table(CELLS);
        this.sizeReplaced = life.replaces(Life.Lane.SIZE);
        this.opacityReplaced = life.replaces(Life.Lane.OPACITY);
        this.colourReplaced = life.replaces(Life.Lane.COLOUR);
        this.spinOver = spinTable(life);
        this.plainColour = allOnes(colourOver) && !colourReplaced;
        this.sprite = number;
        this.sheet = sprite.sheet();
        this.coverage = (float) sprite.coverage();
        this.brightness = (float) emitter.look().brightness();
    }

    /** Tells whether an emitter's particles must be moved step by step. */
    static boolean walks(Emitter emitter) {
        return !emitter.life().exact()
                || !emitter.end().nothing()
                || emitter.birth().space() == Birth.Space.LOCAL;
    }

    /** Tells whether each instance needs a layer of its own for an emitter. */
    public static boolean alone(Emitter emitter) {
        return walks(emitter) || emitter.birth().cap().isPresent();
    }

    private static float[] held(float[] table, float least, float most) {
        for (int i = 0; i < table.length; i++) {
            table[i] = Math.min(most, Math.max(least, table[i]));
        }
        return table;
    }

    // The integral of the spin lane up to each fraction, by the trapezium rule; null where spin is even.
    private static float[] spinTable(Life life) {
        if (life.spin().equals(bellrope.core.value.Curve.ONE) && !life.replaces(Life.Lane.SPIN)) {
            return null;
        }
        float[] spin = life.spin().table(CELLS);
        float[] sum = new float[CELLS + 1];
        for (int i = 0; i < CELLS; i++) {
            sum[i + 1] = sum[i] + (spin[i] + spin[i + 1]) / 2 / CELLS;
        }
        return sum;
    }

    public ParticleStore store() {
        return store;
    }

    /** Tells whether its particles are moved step by step, by the instance that owns it. */
    public boolean walks() {
        return walks;
    }

    boolean bears() {
        return bears;
    }

    /** Tells whether one more may be born, by the emitter's own cap. */
    boolean admits() {
        return cap == Integer.MAX_VALUE || store.count() < cap;
    }

    void count(boolean bornOne) {
        if (bornOne) {
            born++;
        } else {
            refused++;
        }
    }

    /** Returns how many were born since the last call. */
    long takeBorn() {
        long taken = born;
        born = 0;
        return taken;
    }

    void countHit() {
        hits++;
    }

    /** Returns how many collisions there were since the last call. */
    long takeHits() {
        long taken = hits;
        hits = 0;
        return taken;
    }

    /** Returns how many births were swallowed since the last call. */
    long takeRefused() {
        long taken = refused;
        refused = 0;
        return taken;
    }

    /** Tells whether each particle draws a frame of its own. */
    boolean picks() {
        return emitter.look().frame() instanceof Look.Frame.Random;
    }

    /** Returns what one of its particles costs a step, see {@link Cost}. */
    double cost() {
        return cost;
    }

    int stepsPerSecond() {
        return stepsPerSecond;
    }

    float brightness() {
        return brightness;
    }

    /** Buries the dead and puts the living where they are at a step; those that walk are where their mover left them. */
    public void advance(int step) {
        store.bury(step);
        if (!walks) {
            store.move(step, flight, ax, ay, az);
        }
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
        if (sizeReplaced || opacityReplaced || colourReplaced) {
            replace(step, n);
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

    // Lanes that stand instead of what was born; after shape() and tint(), which multiplied.
    private void replace(int step, int n) {
        for (int i = 0; i < n; i++) {
            float at = (step - store.born[i]) * store.pace[i] * CELLS;
            int cell = Math.min(CELLS - 1, (int) at);
            float share = Math.min(1f, at - cell);
            int c = cell * 4;
            if (sizeReplaced) {
                size[i] = between(sizeOver[cell], sizeOver[cell + 1], share);
            }
            if (colourReplaced) {
                red[i] = brightness * between(colourOver[c], colourOver[c + 4], share);
                green[i] = brightness * between(colourOver[c + 1], colourOver[c + 5], share);
                blue[i] = brightness * between(colourOver[c + 2], colourOver[c + 6], share);
            }
            if (opacityReplaced) {
                alpha[i] = between(opacityOver[cell], opacityOver[cell + 1], share);
                if (!plainColour) {
                    alpha[i] *= between(colourOver[c + 3], colourOver[c + 7], share);
                }
            }
        }
    }

    private void sum(int step, int n) {
        int[] gone = store.gone;
        float[] sizes = size;
        float[] aspects = store.aspect;
        float[] alphas = alpha;
        float[] reds = red;
        float[] greens = green;
        float[] blues = blue;
        boolean bright = brightness > 1f;
        double sum = 0;
        double area = 0;
        boolean seen = false;
        for (int i = 0; i < n; i++) {
            if (gone[i] > step) {
                float a = alphas[i];
                float s = sizes[i];
                float square = s * s * aspects[i];
                seen |= a >= VISIBLE_OPACITY && s >= VISIBLE_SIZE;
                area += square;
                double light = bright
                        ? Rgba.luminance(Math.min(1, reds[i]), Math.min(1, greens[i]), Math.min(1, blues[i]))
                        : Rgba.luminance(reds[i], greens[i], blues[i]);
                sum += a * square * light;
            }
        }
        visible = seen;
        painted = area;
        presence = sum * coverage;
    }

    /** Returns a particle's width in units at a step. */
    float sizeAt(int slot, int step) {
        float at = Math.min(1f, (step - store.born[slot]) * store.pace[slot]) * CELLS;
        int cell = Math.min(CELLS - 1, (int) at);
        float lane = between(sizeOver[cell], sizeOver[cell + 1], at - cell);
        return sizeReplaced ? lane : store.size[slot] * lane;
    }

    /** Returns a particle's rotation in turns at a step. */
    float rotationAt(int slot, int step) {
        int age = step - store.born[slot];
        if (spinOver == null) {
            return store.rotation[slot] + store.spin[slot] * age;
        }
        float at = Math.min(1f, age * store.pace[slot]) * CELLS;
        int cell = Math.min(CELLS - 1, (int) at);
        float sum = between(spinOver[cell], spinOver[cell + 1], at - cell) / store.pace[slot];
        return emitter.life().replaces(Life.Lane.SPIN)
                ? store.rotation[slot] + sum / 360 / stepsPerSecond
                : store.rotation[slot] + store.spin[slot] * sum;
    }

    boolean evenSpin() {
        return spinOver == null;
    }

    /** Returns which frame of the sheet a particle shows at a step. */
    int frameAt(int slot, int step) {
        Look.Frame frame = emitter.look().frame();
        if (sheet.frames() == 1) {
            return 0;
        }
        if (frame instanceof Look.Frame.First first) {
            return Math.min(sheet.frames() - 1, first.number());
        }
        if (frame instanceof Look.Frame.Random) {
            return Math.min(sheet.frames() - 1, (int) (store.pick[slot] * sheet.frames()));
        }
        int age = step - store.born[slot];
        if (frame instanceof Look.Frame.OverLife) {
            return Math.min(sheet.frames() - 1, (int) (age * store.pace[slot] * sheet.frames()));
        }
        double perSecond = ((Look.Frame.Looping) frame).perSecond().orElse(sheet.perSecond());
        return (int) (age * perSecond / stepsPerSecond + 1e-9) % sheet.frames();
    }

    /** Writes the velocity of a particle at a step, units a second. */
    void velocity(int i, int step, float[] out) {
        if (walks) {
            Walk walk = store.walk;
            out[0] = walk.ux[i];
            out[1] = walk.uy[i];
            out[2] = walk.uz[i];
            return;
        }
        int age = step - store.born[i];
        float left = flight.left()[age];
        float carried = flight.bySpeed()[age];
        out[0] = store.vx[i] * left + ax * carried;
        out[1] = store.vy[i] * left + ay * carried;
        out[2] = store.vz[i] * left + az * carried;
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

    /** Returns the area of all pictures in square units, as of the last {@link #appear}, seen through or not. */
    public double painted() {
        return painted;
    }

    public Emitter emitter() {
        return emitter;
    }

    /** Returns the number of the sprite in the project. */
    public int sprite() {
        return sprite;
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

    int blend() {
        return emitter.look().blend().ordinal();
    }

    boolean oldestOnTop() {
        return emitter.look().order() == Look.Order.OLDEST_ON_TOP;
    }
}
