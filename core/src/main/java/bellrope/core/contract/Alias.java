package bellrope.core.contract;

import bellrope.core.value.Demand;

/**
 * A former name that still does for one version.
 *
 * @param kind of what was renamed
 * @param within the event of a field, the effect of a parameter, by its present name; empty for the others
 * @param from the former name
 * @param to the present name
 * @param since the last version in which the former name was the present one
 */
public record Alias(Kind kind, String within, String from, String to, String since) {
    /** What can have a former name. */
    public enum Kind {
        EVENT,
        FIELD,
        CHANNEL,
        EFFECT,
        PARAMETER
    }

    public Alias {
        Demand.name("from", from);
        Demand.name("to", to);
        Demand.name("since", since);
    }
}
