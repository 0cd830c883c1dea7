package bellrope.core.stage.play;

import bellrope.core.effect.Effect;
import bellrope.core.effect.Emitter;
import bellrope.core.effect.Sprite;
import bellrope.core.project.Project;
import bellrope.core.sim.Layer;
import bellrope.core.sim.Tables;
import bellrope.core.value.Vec3;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * The layers of a stage in draw order: effects by their order and then the project's, emitters in the effect's. Instances share a layer
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
    private final Project project;
    private static final Sprite NO_SPRITE = new Sprite("none", 1);

    /** What decides which layer a particle belongs to. */
    private record Place(int order, int effect, int emitter, Vec3 gravity, double drag, double playback, String sprite)
            implements Comparable<Place> {
        @Override
        public int compareTo(Place other) {
            int byOrder = Integer.compare(order, other.order);
            int byEffect = byOrder != 0 ? byOrder : Integer.compare(effect, other.effect);
            return byEffect != 0 ? byEffect : Integer.compare(emitter, other.emitter);
        }
    }

    Cast(Project project) {
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
        Layer[] mine = new Layer[resolved.size()];
        for (int i = 0; i < mine.length; i++) {
            Emitter emitter = resolved.get(i);
            Place place = new Place(
                    effect.order(),
                    effectOrder.getOrDefault(effect.name(), Integer.MAX_VALUE),
                    i,
                    emitter.life().gravity(),
                    emitter.life().dragPerSecond(),
                    emitter.playback(),
                    emitter.look().sprite());
            boolean own = apart || Layer.alone(emitter);
            Layer layer = own ? null : byPlace.get(place);
            mine[i] = layer != null ? layer : add(effect.name(), place, emitter, own);
        }
        return mine;
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
        // After all that are equal to it in the order, so that the first come lies lowest.
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

    /** Forgets all layers. */
    void clear() {
        layers.clear();
        places.clear();
        byPlace.clear();
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
