package bellrope.core.score;

import bellrope.core.value.Datum;
import bellrope.core.value.Demand;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * One arrival in a lane, at a time of its own.
 *
 * @param at seconds from the beginning, 0 to {@value Score#LONGEST}
 * @param lasts seconds until a span ends; empty for what the lane says
 * @param value that a state takes; empty for what the lane says
 * @param payload fields that this one has of its own
 */
public record Mark(double at, OptionalDouble lasts, Optional<String> value, Map<String, Datum> payload) {
    public Mark {
        Demand.within("at", at, 0, Score.LONGEST);
        if (lasts.isPresent()) {
            Demand.within("lasts", lasts.getAsDouble(), 0, Score.LONGEST);
        }
        payload = Collections.unmodifiableMap(new LinkedHashMap<>(payload));
    }

    /** A mark that says nothing of its own. */
    public Mark(double at) {
        this(at, OptionalDouble.empty(), Optional.empty(), Map.of());
    }
}
