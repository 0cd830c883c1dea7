package bellrope.core.event;

import bellrope.core.value.Vec3;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;

/**
 * One arrival of an event.
 *
 * @param payload by field name, in the order of the fields
 * @param velocity of what caused it, units a second in the world; zero when it stands. An effect goes on with it
 * @param seed what tells this pull's randomness from another's; the same pull with the same seed looks the same
 */
public record Pull(String event, Map<String, Datum> payload, Vec3 velocity, long seed) {
    public Pull {
        payload = Collections.unmodifiableMap(new LinkedHashMap<>(payload));
    }

    public Pull(String event, Map<String, Datum> payload, long seed) {
        this(event, payload, Vec3.ZERO, seed);
    }

    public Optional<Vec3> vector(String field) {
        return payload.get(field) instanceof Datum.Vec vec ? Optional.of(vec.value()) : Optional.empty();
    }
}
