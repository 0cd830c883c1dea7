package bellrope.core.stage.play;

import bellrope.core.pool.Pool;
import bellrope.core.stage.told.Account;
import bellrope.core.stage.told.PoolUse;
import bellrope.core.stage.world.World;
import bellrope.core.value.Pace;
import bellrope.core.value.Vec3;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;

/**
 * The pools of a stage: who may begin, and what has to end for it. Nothing is drawn at random; of several that are alike the
 * one that began first ends.
 */
final class Pools {
    private final World world;
    private final Map<String, Use> byName = new LinkedHashMap<>();
    private final Map<String, Use> byEffect = new HashMap<>();
    private Pace pace;

    Pools(World world) {
        this.world = world;
    }

    /** How one pool is used. */
    static final class Use {
        private Pool pool;
        private int capacity;
        private int playing;
        private int peak;
        private long asked;
        private long refused;
        private long takenOver;
        private long cutSeen;
        private double presenceCut;

        private boolean full() {
            return playing >= capacity;
        }

        /** Notes that one of its instances plays. */
        void joined() {
            playing++;
            peak = Math.max(peak, playing);
        }

        /** Notes that one of its instances plays no more. */
        void left() {
            playing--;
        }

        private PoolUse told() {
            return new PoolUse(pool.name(), capacity, playing, peak, asked, refused, takenOver, cutSeen, presenceCut);
        }
    }

    /** Begins or goes on with a project: what was asked of a pool of the same name is remembered, and how far it has grown. */
    void take(List<Pool> pools, Pace other) {
        pace = other;
        Map<String, Use> before = new HashMap<>(byName);
        byName.clear();
        byEffect.clear();
        for (Pool pool : pools) {
            Use use = before.getOrDefault(pool.name(), new Use());
            boolean grown = use.pool != null && pool.whenEmpty() == Pool.WhenEmpty.GROW;
            use.capacity = grown ? Math.min(pool.most(), Math.max(pool.capacity(), use.capacity)) : pool.capacity();
            use.pool = pool;
            // Whoever goes on playing joins again.
            use.playing = 0;
            byName.put(pool.name(), use);
            pool.effects().forEach(e -> byEffect.put(e, use));
        }
    }

    /** Returns the pool of an effect; null where it has none. */
    Use of(String effect) {
        return byEffect.isEmpty() ? null : byEffect.get(effect);
    }

    /**
     * Returns why an instance could not begin now; nothing changes by asking.
     *
     * @param weight of its event
     * @param replaced one that ends if this begins; null for none
     */
    Optional<Account.Reason> stops(String effect, int weight, Instance replaced, List<Instance> all, int step) {
        Use use = of(effect);
        if (use == null || !use.full() || replaced != null && replaced.pool() == use && use.playing == use.capacity) {
            return Optional.empty();
        }
        return switch (use.pool.whenEmpty()) {
            case REFUSE -> Optional.of(empty(use, OptionalInt.empty(), all, step));
            case GROW ->
                use.capacity < use.pool.most()
                        ? Optional.empty()
                        : Optional.of(empty(use, OptionalInt.empty(), all, step));
            case OLDEST, FAINTEST, FARTHEST -> Optional.empty();
            case LOWEST_WEIGHT -> {
                int lowest = victim(use, all, step).weight();
                yield lowest > weight ? Optional.of(empty(use, OptionalInt.of(lowest), all, step)) : Optional.empty();
            }
        };
    }

    private Account.Empty empty(Use use, OptionalInt weight, List<Instance> all, int step) {
        Instance oldest = first(use, all);
        double age = oldest == null ? 0 : pace.seconds(step - oldest.start());
        return new Account.Empty(use.pool.name(), use.playing, age, weight);
    }

    /** Notes that one was asked for and did not begin. */
    void refused(String effect) {
        Use use = of(effect);
        if (use != null) {
            use.asked++;
            use.refused++;
        }
    }

    /** Tells whether there is room for one more without anything else ending. */
    boolean roomFor(String effect) {
        Use use = of(effect);
        return use == null
                || !use.full()
                || use.pool.whenEmpty() == Pool.WhenEmpty.GROW && use.capacity < use.pool.most();
    }

    /** Tells whether the first would not take the room of the second; they may have different pools, or none. */
    boolean roomForBoth(String one, String other) {
        Use use = of(one);
        if (use == null || use != of(other)) {
            return true;
        }
        int most = use.pool.whenEmpty() == Pool.WhenEmpty.GROW ? use.pool.most() : use.capacity;
        return use.playing + 2 <= most;
    }

    /**
     * Counts one more, which is sure to begin; {@link #stops} has been asked. A pool that grows grows for it.
     *
     * @return whether others have to end first; see {@link #next}
     */
    boolean asks(String effect) {
        Use use = of(effect);
        if (use == null) {
            return false;
        }
        use.asked++;
        if (use.full() && use.pool.whenEmpty() == Pool.WhenEmpty.GROW) {
            use.capacity++;
            return false;
        }
        return use.full();
    }

    /** Returns what has to end next so that another can begin; null once there is room. */
    Instance next(String effect, List<Instance> all, int step) {
        Use use = of(effect);
        return use.full() ? victim(use, all, step) : null;
    }

    /** Counts what was taken over, and tells of it. */
    Account.TakenOver takenOver(Instance instance, int step) {
        Use use = instance.pool();
        double presence = instance.presenceLeft(step) / pace.stepsPerSecond();
        use.takenOver++;
        if (presence > 0) {
            use.cutSeen++;
            use.presenceCut += presence;
        }
        return new Account.TakenOver(instance.effect(), pace.seconds(step - instance.start()), presence);
    }

    private static Instance first(Use use, List<Instance> all) {
        Instance first = null;
        for (Instance one : all) {
            if (one.pool() == use && !one.gone() && (first == null || one.start() < first.start())) {
                first = one;
            }
        }
        return first;
    }

    private Instance victim(Use use, List<Instance> all, int step) {
        Instance victim = null;
        double least = 0;
        for (Instance one : all) {
            if (one.pool() == use && !one.gone()) {
                double worth = worth(use, one, step);
                if (victim == null || worth < least || worth == least && one.start() < victim.start()) {
                    victim = one;
                    least = worth;
                }
            }
        }
        return victim;
    }

    // What is worth least ends.
    private double worth(Use use, Instance one, int step) {
        return switch (use.pool.whenEmpty()) {
            case OLDEST, REFUSE, GROW -> one.start();
            case FAINTEST -> one.spawns(step) ? Double.POSITIVE_INFINITY : one.presenceLeft(step);
            case FARTHEST -> {
                Vec3 camera = world.camera().at(world.camera().knownTo(Long.MAX_VALUE), step);
                yield -one.place(step).plus(camera.times(-1)).length();
            }
            case LOWEST_WEIGHT -> one.weight();
        };
    }

    List<PoolUse> uses() {
        List<PoolUse> uses = new ArrayList<>();
        byName.values().forEach(use -> uses.add(use.told()));
        return uses;
    }

    /** Forgets what plays. */
    void empty() {
        byName.values().forEach(use -> use.playing = 0);
    }
}
