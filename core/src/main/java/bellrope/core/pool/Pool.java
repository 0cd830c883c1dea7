package bellrope.core.pool;

import bellrope.core.value.Bounds;
import bellrope.core.value.Demand;
import bellrope.core.value.Refused;
import java.util.List;
import java.util.OptionalInt;

/**
 * How many instances of some effects may be held at once, all of them together.
 *
 * @param effects by name, at least one, each once; at most {@value #MOST_EFFECTS}
 * @param capacity most instances held at once
 * @param prewarm how many of them game code makes before play starts, 0 to the capacity
 * @param whenEmpty what happens when one more is asked for
 * @param bound to which a pool that grows may grow, the capacity to {@value #HIGHEST}; empty for every other
 */
public record Pool(
        String name, List<String> effects, int capacity, int prewarm, WhenEmpty whenEmpty, OptionalInt bound) {
    public static final Bounds CAPACITY = Bounds.of(1, Pool.HIGHEST);
    public static final Bounds PREWARM = Bounds.of(0, Pool.HIGHEST);
    public static final Bounds BOUND = Bounds.of(1, Pool.HIGHEST);

    /** Most instances that a pool may hold. */
    public static final int HIGHEST = 5_000;

    public static final int MOST_EFFECTS = 200;

    /** What happens when all of a pool's instances play and another is asked for. */
    public enum WhenEmpty {
        /** It does not begin. */
        REFUSE("refuses"),
        /** What began first ends. */
        OLDEST("takes over the oldest"),
        /** What would still put least on screen ends; what still spawns only where nothing else is left. */
        FAINTEST("takes over the faintest"),
        /** What is farthest from the camera ends. */
        FARTHEST("takes over the farthest"),
        /** What answers the event of lowest weight ends; where all weigh more than what is asked for, it does not begin. */
        LOWEST_WEIGHT("takes over the one of lowest weight"),
        /** Another is made, up to a bound; beyond it, it does not begin. */
        GROW("grows");

        private final String words;

        WhenEmpty(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }

        /** Tells whether one that plays ends so that another can begin. */
        public boolean takesOver() {
            return this != REFUSE && this != GROW;
        }
    }

    public Pool {
        Demand.name("name", name);
        effects = Demand.atMost("effects", effects, MOST_EFFECTS);
        if (effects.isEmpty()) {
            throw new Refused("effects", "none", "at least one effect");
        }
        for (int i = 0; i < effects.size(); i++) {
            Demand.name("effects/" + i, effects.get(i));
            if (effects.indexOf(effects.get(i)) < i) {
                throw new Refused("effects/" + i, '"' + effects.get(i) + '"', "each effect once");
            }
        }
        CAPACITY.check("capacity", capacity);
        PREWARM.check("prewarm", prewarm);
        if (prewarm > capacity) {
            throw new Refused("prewarm", Integer.toString(prewarm), "at most the capacity, " + capacity);
        }
        BOUND.check("bound", bound);
        if (whenEmpty == WhenEmpty.GROW && bound.isEmpty()) {
            throw new Refused("bound", "missing", "a bound to grow to");
        }
        if (whenEmpty != WhenEmpty.GROW && bound.isPresent()) {
            throw new Refused(
                    "bound", Integer.toString(bound.getAsInt()), "none, because only a pool that grows has one");
        }
        if (bound.isPresent() && bound.getAsInt() < capacity) {
            throw new Refused("bound", Integer.toString(bound.getAsInt()), "at least the capacity, " + capacity);
        }
    }

    /** A pool of one effect, named as it, with all made before play starts. */
    public Pool(String effect, int capacity, WhenEmpty whenEmpty) {
        this(effect, List.of(effect), capacity, capacity, whenEmpty, OptionalInt.empty());
    }

    public Pool withEffects(List<String> others) {
        return new Pool(name, others, capacity, prewarm, whenEmpty, bound);
    }

    /** Returns how many it may hold at last. */
    public int most() {
        return bound.orElse(capacity);
    }
}
