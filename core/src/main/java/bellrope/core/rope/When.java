package bellrope.core.rope;

import bellrope.core.value.Demand;
import java.util.List;
import java.util.Optional;

/**
 * What a rope waits for.
 *
 * @param event name of the event
 * @param value of a state; empty for moments and spans, and while none is chosen
 * @param match how many of the conditions must hold
 * @param conditions at most 16
 */
public record When(String event, Optional<String> value, Match match, List<Condition> conditions) {
    public static final int MOST_CONDITIONS = 16;

    /** How many conditions must hold. Without any, a rope answers whatever this says. */
    public enum Match {
        ALL("and"),
        ANY("or"),
        NONE("nor");

        private final String joiner;

        Match(String joiner) {
            this.joiner = joiner;
        }

        String joiner() {
            return joiner;
        }
    }

    public When {
        Demand.name("event", event);
        value.ifPresent(v -> Demand.name("value", v));
        conditions = Demand.atMost("conditions", conditions, MOST_CONDITIONS);
    }

    /** What decided that a rope stays silent: a condition by its index, or that not any of them held. */
    public static final int NOT_ANY = -1;

    private static final int FULFILLED = -2;

    /** Tells whether a verdict of {@link #verdict} lets the rope answer. */
    public static boolean fulfilled(int verdict) {
        return verdict == FULFILLED;
    }

    /**
     * Decides.
     *
     * @return the index of the condition that stops the rope, {@link #NOT_ANY}, or what {@link #fulfilled} knows
     */
    public int verdict(Situation now) {
        for (int i = 0; i < conditions.size(); i++) {
            boolean holds = conditions.get(i).holds(now);
            if (match == Match.ANY && holds) {
                return FULFILLED;
            }
            if (match == Match.ALL && !holds || match == Match.NONE && holds) {
                return i;
            }
        }
        return match == Match.ANY && !conditions.isEmpty() ? NOT_ANY : FULFILLED;
    }
}
