package bellrope.core.sim;

import bellrope.core.effect.Birth;
import bellrope.core.effect.Burst;
import bellrope.core.effect.Emitter;
import bellrope.core.value.Pace;
import bellrope.core.value.Rotation;
import java.util.Arrays;
import java.util.List;

/**
 * What an instance plays in: the layers of its particles and all that moves them. It is made once for an effect and can be
 * begun again for another instance when nothing plays in it any more; where emitters and turn are the same ones, that allocates
 * nothing.
 */
public final class Body {
    /** Particles of a layer for which room is made before they are born. */
    private static final int MOST_ROOM = 4_096;

    /** For what is only held, in every thread: nothing is ever written to it. */
    static final Body NONE = new Body(List.of(), new Layer[0], Pace.SIXTY);

    private final Layer[] layers;
    final Births births;
    final Mover[] movers;
    final Launch[] launches;
    final Orientation[] frames;
    final Batch batch = new Batch();
    final Offspring offspring;
    final long[] byGeneration = new long[EffectRun.GENERATIONS];
    // By emitter: the share of its stream, and of what its way spawns, that comes true now.
    final double[] streamShare;
    final double[] travelShare;
    final double[] at = new double[3];
    final double[] was = new double[3];
    final double[] velocity = new double[3];
    private List<Emitter> emitters;
    private Rotation turn = Rotation.NONE;
    private final boolean live;
    /** Whether frames and movers are not, or not any more, those that emitters and turn began with. */
    boolean loose = true;

    /**
     * @param emitters with their parameters resolved
     * @param layers one per emitter
     */
    public Body(List<Emitter> emitters, Layer[] layers, Pace pace) {
        this.emitters = emitters;
        this.layers = layers;
        int n = emitters.size();
        births = new Births(pace);
        movers = new Mover[n];
        launches = new Launch[n];
        frames = new Orientation[n];
        streamShare = new double[n];
        travelShare = new double[n];
        boolean follows = false;
        for (int i = 0; i < n; i++) {
            follows |= emitters.get(i).life().live();
            launches[i] = births.launch();
            if (layers[i].integrated()) {
                movers[i] = new Mover(emitters.get(i), layers[i].lanes(), i, pace);
            }
        }
        live = follows;
        offspring = new Offspring(emitters, movers, births);
    }

    public Layer[] layers() {
        return layers;
    }

    /** Tells whether what drives it acts on what lives already. */
    boolean live() {
        return live;
    }

    /** Tells whether another instance of the same effect can be begun in it, as its emitters were fed. */
    public boolean suits(List<Emitter> others) {
        if (others == emitters) {
            return true;
        }
        if (others.size() != layers.length) {
            return false;
        }
        for (int i = 0; i < layers.length; i++) {
            if (!alike(emitters.get(i), others.get(i))) {
                return false;
            }
        }
        return true;
    }

    private static boolean alike(Emitter one, Emitter other) {
        Birth a = one.birth();
        Birth b = other.birth();
        return one == other
                || one.name().equals(other.name())
                        && one.seed() == other.seed()
                        && one.life() == other.life()
                        && one.look() == other.look()
                        && one.end() == other.end()
                        && one.playback() == other.playback()
                        && a.space() == b.space()
                        && a.cap().equals(b.cap())
                        && a.fallsEvenly() == b.fallsEvenly();
    }

    /** Makes room for as many as its emitters spawn by themselves within a life. */
    public void room() {
        for (int i = 0; i < layers.length; i++) {
            if (layers[i].own()) {
                layers[i].store().room(many(emitters.get(i).birth()));
            }
        }
    }

    private static int many(Birth birth) {
        double life = birth.lifetime().most();
        double many = birth.stream().map(s -> s.perSecond() * life).orElse(0.0);
        for (Burst burst : birth.bursts()) {
            double within = burst.pause() > 0 ? Math.min(burst.times(), 1 + life / burst.pause()) : burst.times();
            many += burst.most() * within;
        }
        return (int) Math.min(birth.cap().orElse(MOST_ROOM), Math.min(MOST_ROOM, Math.ceil(many)));
    }

    /** Makes it ready for an instance: nothing of the one before is left. */
    void begin(List<Emitter> next, Rotation way) {
        boolean all = loose || !way.equals(turn);
        for (int i = 0; i < layers.length; i++) {
            if (layers[i].own()) {
                layers[i].begin();
            }
            if (all || !stands(emitters.get(i), next.get(i))) {
                frames[i] = Orientation.of(way, next.get(i).birth(), next.get(i).look());
            }
            if (all && movers[i] != null) {
                movers[i].begin(way);
            }
        }
        if (all || next != emitters) {
            offspring.begin(next);
        }
        emitters = next;
        turn = way;
        loose = false;
        Arrays.fill(byGeneration, 0);
    }

    // Whether an emitter has the frame that another has.
    private static boolean stands(Emitter one, Emitter other) {
        return one == other
                || one.birth().turn().equals(other.birth().turn())
                        && one.birth().offset().equals(other.birth().offset())
                        && one.look() == other.look();
    }
}
