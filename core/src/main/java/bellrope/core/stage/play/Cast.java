package bellrope.core.stage.play;

import bellrope.core.effect.Effect;
import bellrope.core.effect.Emitter;
import bellrope.core.effect.Life;
import bellrope.core.effect.Sprite;
import bellrope.core.project.Project;
import bellrope.core.sim.Layer;
import bellrope.core.sim.Tables;
import bellrope.core.value.Vec3;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;

/**
 * The layers of a stage in draw order: effects by their order and then the project's, emitters in the effect's, what instances share below what they do not. Instances share a layer
 * as long as nothing they were given changes how particles move.
 */
final class Cast {
    private final Tables tables = new Tables();
    private final Map<String, Integer> effectOrder = new HashMap<>();
    private final Map<String, Integer> spriteNumber = new HashMap<>();
    private final Map<Place, Layer> byPlace = new HashMap<>();
    private final List<Place> places = new ArrayList<>();
    private final List<Layer> layers = new ArrayList<>();
    private final List<Layer> departed = new ArrayList<>();
    // Where nothing is born, one set of layers stands for all instances of an effect.
    private final Map<Effect, Layer[]> empty = new IdentityHashMap<>();
    private final Project project;
    private final boolean shared;
    private static final Sprite NO_SPRITE = new Sprite("none", 1);

    /** What decides which layer a particle belongs to, and in which order layers lie, whichever was made first. */
    record Place(
            int order,
            int effect,
            int emitter,
            boolean own,
            Vec3 gravity,
            double drag,
            double playback,
            double brightness,
            String sprite)
            implements Comparable<Place> {
        // Those of one instance alone lie above what is shared, in the order in which the instances began.
        private static final Comparator<Place> ORDER = Comparator.comparingInt(Place::order)
                .thenComparingInt(Place::effect)
                .thenComparingInt(Place::emitter)
                .thenComparing(Place::own);
        private static final Comparator<Place> SHARED = Comparator.comparingDouble(Place::drag)
                .thenComparingDouble(Place::playback)
                .thenComparingDouble(Place::brightness)
                .thenComparing(Place::sprite)
                .thenComparingDouble(p -> p.gravity.x())
                .thenComparingDouble(p -> p.gravity.y())
                .thenComparingDouble(p -> p.gravity.z());

        @Override
        public int compareTo(Place other) {
            int by = ORDER.compare(this, other);
            return by != 0 || own ? by : SHARED.compare(this, other);
        }
    }

    /** @param shared whether all instances share layers, because nothing is born in them */
    Cast(Project project, boolean shared) {
        this.shared = shared;
        this.project = project;
        for (int i = 0; i < project.effects().size(); i++) {
            effectOrder.put(project.effects().get(i).name(), i);
        }
        for (int i = 0; i < project.sprites().size(); i++) {
            spriteNumber.put(project.sprites().get(i).name(), i);
        }
    }

    /**
     * Returns the layers for an instance of an effect, one per emitter, made where they are missing.
     *
     * @param apart whether all of them belong to this instance alone
     */
    Layer[] of(Effect effect, List<Emitter> resolved, boolean apart) {
        return shared
                ? empty.computeIfAbsent(effect, e -> made(e, e.emitters(), apart))
                : made(effect, resolved, apart);
    }

    private Layer[] made(Effect effect, List<Emitter> resolved, boolean apart) {
        Layer[] mine = new Layer[resolved.size()];
        for (int i = 0; i < mine.length; i++) {
            Emitter emitter = resolved.get(i);
            boolean own = !shared && (apart || Layer.alone(emitter));
            Place place = new Place(
                    effect.order(),
                    effectOrder.getOrDefault(effect.name(), Integer.MAX_VALUE),
                    i,
                    own,
                    emitter.life().gravity(),
                    emitter.life().dragPerSecond(),
                    emitter.playback(),
                    brightness(emitter),
                    emitter.look().sprite());
            Layer layer = own ? null : byPlace.get(place);
            mine[i] = layer != null ? layer : add(effect.name(), place, emitter, own);
        }
        return mine;
    }

    // All of it where the lane of colours stands instead of what was born; otherwise only whether light can be cut off.
    private static double brightness(Emitter emitter) {
        double brightness = emitter.look().brightness();
        return emitter.life().replaces(Life.Lane.COLOUR) ? brightness : brightness > 1 ? 2 : 1;
    }

    private Layer add(String effect, Place place, Emitter emitter, boolean own) {
        int sprite = spriteNumber.getOrDefault(emitter.look().sprite(), 0);
        List<Sprite> sprites = project.sprites();
        Layer layer = new Layer(
                effect,
                emitter,
                project.settings().pace().stepsPerSecond(),
                sprite,
                sprites.isEmpty() ? NO_SPRITE : sprites.get(sprite),
                own,
                tables);
        // After all that are equal to it in the order, which only those of one instance alone can be.
        int at = above(place);
        places.add(at, place);
        layers.add(at, layer);
        if (!own) {
            byPlace.put(place, layer);
        }
        return layer;
    }

    // The first place that is above in the order.
    private int above(Place place) {
        int low = 0;
        int high = places.size();
        while (low < high) {
            int middle = (low + high) >>> 1;
            if (places.get(middle).compareTo(place) <= 0) {
                low = middle + 1;
            } else {
                high = middle;
            }
        }
        return low;
    }

    /** Returns the places of layers in the order. */
    Place[] places(Layer[] mine) {
        Place[] found = new Place[mine.length];
        for (int i = 0; i < mine.length; i++) {
            found[i] = places.get(layers.indexOf(mine[i]));
        }
        return found;
    }

    /** Brings layers back that belong to one instance alone, above all that have lain in their places meanwhile. */
    void back(Layer[] mine, Place[] where) {
        for (int i = 0; i < mine.length; i++) {
            if (mine[i].own()) {
                int at = above(where[i]);
                places.add(at, where[i]);
                layers.add(at, mine[i]);
            }
        }
    }

    /** Forgets all layers. */
    void clear() {
        layers.clear();
        places.clear();
        byPlace.clear();
        empty.clear();
        departed.clear();
    }

    /** Forgets the layers that belonged to one instance alone; returns how many particles lived in them. */
    int remove(Layer[] mine) {
        int gone = 0;
        for (Layer layer : mine) {
            int at = layer.own() ? layers.indexOf(layer) : -1;
            if (at >= 0) {
                gone += layer.store().count();
                departed.add(layers.remove(at));
                places.remove(at);
            }
        }
        return gone;
    }

    /** Returns the layers that were forgotten since {@link #settle}, for whoever counts what happened in them last. */
    List<Layer> departed() {
        return departed;
    }

    /** Begins a step: what departed before it is gone for good. */
    void settle() {
        departed.clear();
    }

    /** Returns the layers, lowest first; the same list each time. */
    List<Layer> layers() {
        return layers;
    }
}
