package bellrope.core.stage.told;

import bellrope.core.value.Datum;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.Map;

/**
 * Something that game code is told.
 *
 * @param step on which it comes
 * @param name that both sides know
 * @param rope by which it was wired
 * @param pull number of the pull that led to it
 * @param values what it carries, by name, in the rope's order; what the payload did not carry is left out
 */
public record Told(int step, String name, What what, String rope, int pull, Map<String, Datum> values) {
    public Told {
        values = Collections.unmodifiableMap(new LinkedHashMap<>(values));
    }

    /** Something told that carries nothing. */
    public Told(int step, String name, What what, String rope, int pull) {
        this(step, name, what, rope, pull, Map.of());
    }

    /** What is told. */
    public enum What {
        /** A notice of its own. */
        NOTICE,
        /** A follow-up begins. */
        BEGINS,
        /** A follow-up is no longer in force; what it began fades. */
        ENDS,
        /** Nothing of a follow-up is left. */
        GONE
    }
}
