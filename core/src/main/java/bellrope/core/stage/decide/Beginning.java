package bellrope.core.stage.decide;

import bellrope.core.effect.Effect;
import bellrope.core.effect.Emitter;
import bellrope.core.stage.told.Account.Fed;
import bellrope.core.value.Datum;
import java.util.List;
import java.util.Map;

/** What the feeds make of an effect at the beginning; its emitters are worked out when they are asked for. */
public final class Beginning {
    private final Feeding feeding;
    private final Effect effect;
    private final List<Fed> fed;
    private final Map<String, Datum> values;
    private List<Emitter> emitters;

    Beginning(Feeding feeding, Effect effect, List<Fed> fed) {
        this.feeding = feeding;
        this.effect = effect;
        this.fed = fed;
        this.values = Feeding.values(fed);
    }

    public Effect effect() {
        return effect;
    }

    /** Returns what the feeds set. */
    public List<Fed> fed() {
        return fed;
    }

    /** Returns what is set, by parameter. */
    public Map<String, Datum> values() {
        return values;
    }

    /** Returns the effect's emitters as they are fed. */
    public List<Emitter> emitters() {
        if (emitters == null) {
            emitters = feeding.resolved(effect, values);
        }
        return emitters;
    }

    /** Returns the emitters as far as it matters for when particles are born and how long they live. */
    public List<Emitter> timed() {
        return emitters == null ? effect.timed(values) : emitters;
    }
}
