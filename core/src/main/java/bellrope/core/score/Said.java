package bellrope.core.score;

import bellrope.core.value.Datum;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;

/**
 * What an arrival says; the fields that are left out are as the lane's manner fills them.
 *
 * @param value that a state takes
 */
public record Said(Optional<String> value, Map<String, Datum> payload) {
    public Said {
        payload = Collections.unmodifiableMap(new LinkedHashMap<>(payload));
    }
}
