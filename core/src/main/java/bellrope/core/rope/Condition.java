package bellrope.core.rope;

import bellrope.core.value.Datum;
import bellrope.core.value.Demand;
import bellrope.core.value.Refused;
import bellrope.core.value.Words;
import java.util.List;

/** What must be so for a rope to answer. */
public sealed interface Condition {
    /** Tells whether it is so; a missing value, or one of another type, never is. */
    boolean holds(Situation now);

    /** Returns what it looks at: {@code speed}, {@code time since courier.landed}. */
    String about();

    /** Returns what is wanted of it: {@code over 4}, {@code thatch or stone}. */
    String wanted();

    /** Returns what it met, in words. */
    String met(Situation now);

    /**
     * A number against a bound.
     *
     * @param source anything but the time held, which is 0 when a rope decides
     */
    record Compare(Source source, Relation relation, double bound) implements Condition {
        public Compare {
            if (!source.told()) {
                throw new Refused("source", source.words(), "a field, a channel or the time since an event");
            }
            Demand.finite("bound", bound);
        }

        /** A field of the payload against a bound. */
        public Compare(String field, Relation relation, double bound) {
            this(new Source.Payload(field), relation, bound);
        }

        @Override
        public boolean holds(Situation now) {
            return relation.holds(now.number(source), bound);
        }

        @Override
        public String about() {
            return source.words();
        }

        @Override
        public String wanted() {
            return relation.words() + " " + Words.number(bound);
        }

        @Override
        public String met(Situation now) {
            double met = now.number(source);
            if (source instanceof Source.Since && Double.isInfinite(met)) {
                return "for ever";
            }
            return Double.isNaN(met) ? "missing" : Words.number(Math.rint(met * 1000) / 1000);
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
            options = Demand.atMost("is", options, 64);
            if (options.isEmpty()) {
                throw new Refused("is", "none", "at least one option");
            }
        }

        @Override
        public boolean holds(Situation now) {
            return now.payload(field) instanceof Datum.Word word && options.contains(word.text());
        }

        @Override
        public String about() {
            return field;
        }

        @Override
        public String wanted() {
            return Words.either(options);
        }

        @Override
        public String met(Situation now) {
            Datum met = now.payload(field);
            return met == null ? "missing" : met.inWords();
        }
    }

    /** A flag of the payload, up or down. */
    record Flagged(String field, boolean up) implements Condition {
        public Flagged {
            Demand.name("field", field);
        }

        @Override
        public boolean holds(Situation now) {
            return now.payload(field) instanceof Datum.Flag flag && flag.value() == up;
        }

        @Override
        public String about() {
            return field;
        }

        @Override
        public String wanted() {
            return up ? "yes" : "no";
        }

        @Override
        public String met(Situation now) {
            Datum met = now.payload(field);
            return met == null ? "missing" : met.inWords();
        }
    }

    /** A tag that the subject bears, or does not. */
    record Tagged(String tag, boolean borne) implements Condition {
        public Tagged {
            Demand.name("tag", tag);
        }

        @Override
        public boolean holds(Situation now) {
            return now.tagged(tag) == borne;
        }

        @Override
        public String about() {
            return "the subject";
        }

        @Override
        public String wanted() {
            return (borne ? "" : "not ") + tag;
        }

        @Override
        public String met(Situation now) {
            return (now.tagged(tag) ? "" : "not ") + tag;
        }
    }

    /** How a number stands to a bound. */
    enum Relation {
        OVER,
        AT_LEAST,
        UNDER,
        AT_MOST;

        /** Tells whether a value stands so; NaN never does. */
        public boolean holds(double value, double bound) {
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
