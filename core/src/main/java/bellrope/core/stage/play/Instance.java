package bellrope.core.stage.play;

import bellrope.core.sim.EffectRun;
import bellrope.core.sim.Layer;
import bellrope.core.stage.decide.Limiter;
import bellrope.core.value.Datum;
import bellrope.core.value.Vec3;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/** One thing that plays: what began it, its run under the present settings, and how it comes to an end before its time. */
public final class Instance implements Limiter.Counted {
    public static final int NEVER = Integer.MAX_VALUE;

    private final Origin origin;
    private final Instance root;
    // What game code set on it.
    private final List<Hand> hands = new ArrayList<>(0);

    private EffectRun run;
    private Driver driver;
    private boolean apart;

    // Its number among all that began.
    private long number;
    private boolean gone;
    // What it plays in, where that goes on to another; null where it is its own.
    private Spares.Spare spare;
    // Null where its effect has none.
    private Pools.Use pool;
    private int stopped = NEVER;
    // From when on it dims, and whether it goes on spawning while it does.
    private int dimming = NEVER;
    private boolean spawning;
    private int dimSteps;
    private int cutAt = NEVER;

    public Instance(Origin origin) {
        this.origin = origin;
        this.root = this;
    }

    private Instance(Origin origin, Instance parent) {
        this.origin = origin;
        this.root = parent.root;
        this.apart = parent.apart;
    }

    /** Returns one that has been begun and ended as this one, without what it is made of. */
    Instance again() {
        Instance other = new Instance(origin);
        other.number = number;
        other.stopped = stopped;
        other.dimming = dimming;
        other.dimSteps = dimSteps;
        other.spawning = spawning;
        other.cutAt = cutAt;
        return other;
    }

    /** Returns an instance that a particle of this one begins. */
    Instance child(int step) {
        return new Instance(origin.child(step), this);
    }

    /**
     * Gives it a run under the present settings; what was done to it before holds for this one too.
     *
     * @param driver null where nothing drives it
     */
    void runs(EffectRun under, Driver driver) {
        this.run = under;
        this.driver = driver;
        run.stop(stopped);
        dimLayers();
    }

    /** Notes that what it plays in goes on to another when it has ended. */
    void playsIn(Spares.Spare one) {
        spare = one;
    }

    /** Returns what it plays in, once, if that goes on to another; null otherwise. */
    Spares.Spare leaves() {
        Spares.Spare left = spare;
        spare = null;
        return left;
    }

    /** Returns the name of the effect that it plays. */
    public String effect() {
        return run.layers()[0].effect();
    }

    /** Gives it layers of its own from now on. */
    void apart() {
        apart = true;
    }

    boolean isApart() {
        return apart;
    }

    /** Lays a hand on a parameter, with a driver if it has none yet. */
    void take(Hand hand, Driver other) {
        hands.add(hand);
        driver = other;
    }

    /** Tells a loop to end. */
    public void stop(int step) {
        stopped = Math.min(stopped, step);
        run.stop(stopped);
    }

    /**
     * Lets it dim to nothing.
     *
     * @param goesOn whether it spawns until then
     */
    void dim(int step, int steps, boolean goesOn) {
        if (dimming == NEVER) {
            dimming = step;
            dimSteps = steps;
            spawning = goesOn;
            cutAt(step + steps);
            dimLayers();
        }
    }

    /** Dims a child as its parent is dimmed. */
    void dimAs(Instance parent) {
        if (parent.dimming != NEVER) {
            dim(parent.dimming, parent.dimSteps, parent.spawning);
        }
    }

    private void dimLayers() {
        if (dimming != NEVER && apart) {
            for (Layer layer : run.layers()) {
                layer.dim(dimming, dimSteps);
            }
        }
    }

    /** Ends it at a step at the latest. */
    void cutAt(int step) {
        cutAt = Math.min(cutAt, step);
    }

    /** Tells whether nothing of it is left on a step. */
    boolean over(int step) {
        return run.over(step) || step >= cutAt;
    }

    boolean mute(int step) {
        return !spawning && step > dimming;
    }

    boolean stopped(int step) {
        return step > stopped;
    }

    void numbered(long of) {
        number = of;
    }

    /** Returns its number among all that began. */
    long number() {
        return number;
    }

    /** Lets it count in a pool from now on; null for none. */
    void joins(Pools.Use use) {
        pool = use;
        if (use != null) {
            use.joined();
        }
    }

    /** Returns the pool in which it counts; null for none. */
    Pools.Use pool() {
        return pool;
    }

    /** Tells whether it may still spawn by itself. */
    boolean spawns(int step) {
        return !mute(step) && step < cutAt && run.spawns(step);
    }

    /** Returns the presence that what lives of it would still have, added up over the steps to come. */
    double presenceLeft(int step) {
        double sum = 0;
        for (Layer layer : run.layers()) {
            sum += layer.own() ? layer.presenceLeft(step, cutAt) : 0;
        }
        return sum;
    }

    /** Notes that it plays no more. */
    void go() {
        if (!gone && pool != null) {
            pool.left();
        }
        gone = true;
    }

    /** Tells whether it plays no more. */
    public boolean gone() {
        return gone;
    }

    public Origin origin() {
        return origin;
    }

    public Origin.Role role() {
        return origin.role();
    }

    @Override
    public String rope() {
        return origin.rope();
    }

    @Override
    public int weight() {
        return origin.cause().event().weight();
    }

    public String subject() {
        return origin.cause().subject();
    }

    int start() {
        return origin.start();
    }

    /** Returns the instance whose particle began it, or itself. */
    Instance root() {
        return root;
    }

    EffectRun run() {
        return run;
    }

    /** Returns what drives it; null where nothing does. */
    Driver driver() {
        return driver;
    }

    /** Returns what the parameters of a driven instance are now. */
    public Map<String, Datum> values() {
        return driver.values();
    }

    List<Hand> hands() {
        return hands;
    }

    /** Returns where it is on a step. */
    public Vec3 place(int step) {
        return run.place(step);
    }

    public Vec3 facing() {
        return run.facing();
    }

    /** Returns how many steps after it was stopped it spawns nothing more. */
    public int fadeOut() {
        return run.fadeOut();
    }
}
