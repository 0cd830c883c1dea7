package bellrope.core.rope;

import bellrope.core.event.Datum;
import bellrope.core.value.Demand;
import bellrope.core.value.Refused;
import bellrope.core.value.Words;
import java.util.List;
import java.util.Map;

/** What a payload must hold for a rope to answer. */
public sealed interface Condition {
    String field();

    /** Tells whether the payload satisfies this; a missing field or one of another type does not. */
    boolean holds(Map<String, Datum> payload);

    /** Returns what is wanted, without the field: {@code over 4}, {@code thatch or stone}. */
    String wanted();

    /** A number against a bound. */
    record Compare(String field, Relation relation, double bound) implements Condition {
        public Compare {
            Demand.name("field", field);
            Demand.finite("bound", bound);
        }

        @Override
        public boolean holds(Map<String, Datum> payload) {
            return payload.get(field) instanceof Datum.Num num && relation.holds(num.value(), bound);
        }

        @Override
        public String wanted() {
            return relation.words() + " " + Words.number(bound);
        }
    }

    /**
     * One of a set of words.
     *
     * @param options 1 to 64
     */
    record OneOf(String field, List<String> options) implements Condition {
        public OneOf {
            Demand.name("field", field);
            options = Demand.atMost("options", options, 64);
            if (options.isEmpty()) {
                throw new Refused("options", "none", "at least one option");
            }
        }

        @Override
        public boolean holds(Map<String, Datum> payload) {
            return payload.get(field) instanceof Datum.Word word && options.contains(word.text());
        }

        @Override
        public String wanted() {
            return Words.either(options);
        }
    }

    /** How a number stands to a bound. */
    enum Relation {
        OVER,
        AT_LEAST,
        UNDER,
        AT_MOST;

        boolean holds(double value, double bound) {
            return switch (this) {
                case OVER -> value > bound;
                case AT_LEAST -> value >= bound;
                case UNDER -> value < bound;
                case AT_MOST -> value <= bound;
            };
        }

        /** Tells whether the values that satisfy this lie above the bound. */
        public boolean upwards() {
            return this == OVER || this == AT_LEAST;
        }

        public String words() {
            return name().toLowerCase().replace('_', ' ');
        }
    }
}
