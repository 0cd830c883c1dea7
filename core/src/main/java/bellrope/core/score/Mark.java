package bellrope.core.score;

import bellrope.core.value.Bounds;
import bellrope.core.value.Datum;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * One arrival in a lane, at a time of its own.
 *
 * @param at seconds from the beginning
 * @param lasts seconds until a span ends; empty for what the lane says
 * @param value that a state takes; empty for what the lane says
 * @param payload fields that this one has of its own
 */
public record Mark(double at, OptionalDouble lasts, Optional<String> value, Map<String, Datum> payload) {
    public static final Bounds AT = Bounds.of(0, Score.LONGEST);
    public static final Bounds LASTS = Bounds.of(0, Score.LONGEST);

    public Mark {
        AT.check("at", at);
        LASTS.check("lasts", lasts);
        payload = Collections.unmodifiableMap(new LinkedHashMap<>(payload));
    }

    /** A mark that says nothing of its own. */
    public Mark(double at) {
        this(at, OptionalDouble.empty(), Optional.empty(), Map.of());
    }
}
