package bellrope.core.stage.told;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.Map;

/**
 * What became of all that played when a changed project was taken.
 *
 * @param playing instances that play on under the changed settings
 * @param ended by rope, how many could not and have ended: their rope, effect or event is gone, the rope answers another
 *     event, or steps mean another time
 */
public record Bent(int playing, Map<String, Integer> ended) {
    public Bent {
        ended = Collections.unmodifiableMap(new LinkedHashMap<>(ended));
    }
}
