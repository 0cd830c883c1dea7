package bellrope.core.sim;

import bellrope.core.effect.Birth;
import bellrope.core.effect.Emitter;
import bellrope.core.effect.End;
import bellrope.core.effect.Life;
import bellrope.core.effect.Look;
import bellrope.core.effect.Sprite;
import bellrope.core.value.Exact;
import bellrope.core.value.Vec3;
import java.util.Arrays;

/**
 * All living particles that share an emitter and its motion, and how they look, which is for {@link Shade}. Where motion is
 * exact and nothing is struck or born, instances share a layer and it moves by {@link Flight}; otherwise each instance
 * has its own, moved step by step by a {@link Mover}.
 */
public final class Layer {
    private static final int LOOKS = 16;

    private final Emitter emitter;
    private final ParticleStore store;
    private final Flight flight;
    private final Lanes lanes;
    private final float ax;
    private final float ay;
    private final float az;
    private final int stepsPerSecond;
    // Steps that one of the emitter's seconds takes, and how many times as fast as written it plays.
    private final double tempo;
    private final float rate;
    private final int sprite;
    private final float brightness;
    private final boolean integrates;
    private final boolean hasChildren;
    private final int cap;
    private final double cost;
    final Ribbon ribbon;
    final Shade shade;
    /** How its pictures lie, see {@link Pose}. */
    final int pose;

    private final Cover cover;
    private final String effect;
    private final boolean own;
    private final float[] ending = new float[3];
    private float[] endings = new float[32];
    private int ends;
    private int dimFrom = Integer.MAX_VALUE;
    private int dimSteps;
    private long born;
    private long refused;
    private long hits;
    private final long[] occasions;

    /** A layer that instances share where the emitter lets them. */
    public Layer(Emitter emitter, int stepsPerSecond, int number, Sprite sprite) {
        this("", emitter, stepsPerSecond, number, sprite, alone(emitter), new Tables());
    }

    /**
     * @param effect name of the emitter's effect
     * @param number of the emitter's sprite in the project
     * @param own whether it belongs to one instance alone
     * @param tables that layers share
     */
    public Layer(
            String effect, Emitter emitter, int stepsPerSecond, int number, Sprite sprite, boolean own, Tables tables) {
        this.effect = effect;
        this.own = own;
        this.emitter = emitter;
        this.stepsPerSecond = stepsPerSecond;
        this.rate = (float) emitter.playback();
        this.tempo = stepsPerSecond / emitter.playback();
        Life life = emitter.life();
        this.integrates = integrates(emitter);
        this.hasChildren = !emitter.end().children().isEmpty();
        this.occasions = new long[emitter.end().children().size()];
        End.Trail trail = emitter.end().trail().orElse(null);
        this.ribbon = trail == null ? null : new Ribbon(trail, tempo);
        this.store = new ParticleStore(
                64,
                integrates ? new Integrated(trail != null) : null,
                !emitter.birth().fallsEvenly(),
                life.otherColour().isPresent());
        this.flight = tables.flight(life.dragPerSecond(), tempo);
        this.lanes = tables.lanes(life);
        this.cost = Cost.of(emitter);
        this.cap = emitter.birth().cap().orElse(Integer.MAX_VALUE);
        Vec3 gravity = life.gravity();
        this.ax = (float) gravity.x();
        this.ay = (float) gravity.y();
        this.az = (float) gravity.z();
        this.sprite = number;
        this.brightness = (float) emitter.look().brightness();
        this.shade = new Shade(emitter, lanes, store, tempo, sprite);
        this.pose = Cover.pose(emitter.look().posture());
        this.cover = new Cover(this, sprite.coverage());
    }

    /** Makes it ready for another instance: as it was when it was made, with the room that it has. */
    void begin() {
        store.begin();
        cover.begin();
        ends = 0;
        dimFrom = Integer.MAX_VALUE;
        dimSteps = 0;
        born = 0;
        refused = 0;
        hits = 0;
        Arrays.fill(occasions, 0);
    }

    /** Tells whether an emitter's particles must be moved step by step. */
    static boolean integrates(Emitter emitter) {
        return !emitter.life().exact()
                || !emitter.end().nothing()
                || emitter.birth().space() == Birth.Space.LOCAL;
    }

    /** Tells whether each instance needs a layer of its own for an emitter. */
    public static boolean alone(Emitter emitter) {
        return integrates(emitter) || emitter.birth().cap().isPresent();
    }

    /** Tells whether it belongs to one instance alone. */
    public boolean own() {
        return own;
    }

    /** Lets everything in it dim evenly to nothing, beginning on a step; what dims already goes on as it does. */
    public void dim(int from, int steps) {
        if (dimFrom == Integer.MAX_VALUE) {
            dimFrom = from;
            dimSteps = Math.max(1, steps);
        }
    }

    public ParticleStore store() {
        return store;
    }

    /** Tells whether its particles are moved step by step, by the instance that owns it. */
    public boolean integrated() {
        return integrates;
    }

    Lanes lanes() {
        return lanes;
    }

    boolean hasChildren() {
        return hasChildren;
    }

    boolean local() {
        return emitter.birth().space() == Birth.Space.LOCAL;
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

    void refuse(int many) {
        refused += many;
    }

    /** Carries a newborn whose motion is exact on by a share of a step, as if it had been born then. */
    void carry(int i, double steps) {
        double seconds = steps / tempo;
        double drag = flight.drag();
        double p = Flight.carriedBySpeed(drag, seconds);
        double q = Flight.carriedByAcceleration(drag, seconds);
        double left = Exact.exp(-drag * seconds);
        float fall = store.fall(i);
        store.x0[i] = (float) (store.x0[i] + store.vx[i] * p + ax * fall * q);
        store.y0[i] = (float) (store.y0[i] + store.vy[i] * p + ay * fall * q);
        store.z0[i] = (float) (store.z0[i] + store.vz[i] * p + az * fall * q);
        store.vx[i] = (float) (store.vx[i] * left + ax * fall * p);
        store.vy[i] = (float) (store.vy[i] * left + ay * fall * p);
        store.vz[i] = (float) (store.vz[i] * left + az * fall * p);
    }

    void countOccasion(int child) {
        occasions[child]++;
    }

    /** Adds how often its particles gave birth to each kind of child since the last call. */
    void takeOccasions(long[] to) {
        for (int c = 0; c < occasions.length; c++) {
            to[c] += occasions[c];
            occasions[c] = 0;
        }
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

    /** Returns how many births were dropped since the last call. */
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

    /**
     * Buries the dead and puts the living where they are at a step; integrated ones are where their mover left them.
     *
     * @return how many were buried
     */
    public int advance(int step) {
        int went = store.bury(step);
        if (!integrates) {
            store.move(step, flight, ax, ay, az);
        }
        return went;
    }

    /** Makes the layer ready for particles that live so many steps. */
    void reach(int life) {
        flight.reach(life);
    }

    /** Works out how every particle looks at a step, and the presence of all of them. */
    public void appear(int step) {
        shade.appear(step, step < dimFrom ? 1 : Math.max(0, 1 - (float) (step - dimFrom) / dimSteps));
        cover.count(step);
    }

    /**
     * Returns the presence that what lives would still have, added up over the steps to come: {@value #LOOKS} looks evenly
     * over them, each standing for as many steps. What is stretched by its flight counts as it flies now, and ribbons as they
     * lie. {@link #appear} must be asked again before anything is drawn.
     *
     * @param until step from which on nothing is left
     */
    public double presenceLeft(int from, int until) {
        int last = Math.min(until, store.lastGone());
        if (last <= from) {
            return 0;
        }
        double sum = 0;
        double apart = (double) (last - from) / LOOKS;
        for (int i = 0; i < LOOKS; i++) {
            appear(from + (int) (apart * (i + 0.5)));
            sum += cover.presence();
        }
        return sum * apart;
    }

    /** Tells whether any particle could be seen when {@link #appear} was last called. */
    public boolean visible() {
        return cover.visible();
    }

    /** Returns ∑ opacity × area × luminance in square units, as of the last {@link #appear}. */
    public double presence() {
        return cover.presence();
    }

    /** Returns the area that is seen of all pictures in square units, as of the last {@link #appear}, however opaque. */
    public double painted() {
        return cover.painted();
    }

    /** Writes the velocity of a particle at a step, units a second. */
    void velocity(int i, int step, float[] out) {
        written(i, step, out);
        if (rate != 1f) {
            out[0] *= rate;
            out[1] *= rate;
            out[2] *= rate;
        }
    }

    // Units in one of the emitter's own seconds.
    private void written(int i, int step, float[] out) {
        if (integrates) {
            Integrated integrated = store.integrated;
            out[0] = integrated.ux[i] * integrated.slowed[i];
            out[1] = integrated.uy[i] * integrated.slowed[i];
            out[2] = integrated.uz[i] * integrated.slowed[i];
            return;
        }
        int age = step - store.born[i];
        float left = flight.left()[age];
        float carried = flight.bySpeed()[age] * store.fall(i);
        out[0] = store.vx[i] * left + ax * carried;
        out[1] = store.vy[i] * left + ay * carried;
        out[2] = store.vz[i] * left + az * carried;
    }

    public Emitter emitter() {
        return emitter;
    }

    /** Returns the name of the effect that the emitter belongs to. */
    public String effect() {
        return effect;
    }

    /** Returns how many stretches of ribbons were drawn, as of the last {@link #appear}. */
    int stretches() {
        return cover.stretches();
    }

    /** Writes where a particle whose motion is exact is {@code steps} after a step: x, y, z in units. */
    void after(int i, int step, double steps, double[] place) {
        float[] u = ending;
        written(i, step, u);
        double seconds = steps / tempo;
        double p = Flight.carriedBySpeed(flight.drag(), seconds);
        double q = Flight.carriedByAcceleration(flight.drag(), seconds);
        double fallen = q * store.fall(i);
        place[0] = store.x[i] + u[0] * p + ax * fallen;
        place[1] = store.y[i] + u[1] * p + ay * fallen;
        place[2] = store.z[i] + u[2] * p + az * fallen;
    }

    /** Notes where a particle that integrates came to its end, if it could be seen there. */
    void ended(int i) {
        if (ends == endings.length) {
            endings = Arrays.copyOf(endings, ends * 2);
        }
        endings[ends++] = store.x[i];
        endings[ends++] = store.y[i];
        endings[ends++] = store.z[i];
        endings[ends++] = shade.seenAtEnd(i) ? 1 : 0;
    }

    /** Forgets the ends of the step before. */
    void noEnds() {
        ends = 0;
    }

    /** Returns how many numbers {@link #endings} holds of the last step: x, y, z, and 1 where it could be seen. */
    int ends() {
        return ends;
    }

    float[] endings() {
        return endings;
    }

    /** Returns the number of the sprite in the project. */
    public int sprite() {
        return sprite;
    }

    int blend() {
        return emitter.look().blend().ordinal();
    }

    boolean oldestOnTop() {
        return emitter.look().order() == Look.Order.OLDEST_ON_TOP;
    }
}
