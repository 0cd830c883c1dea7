package bellrope.core.rope;

import bellrope.core.value.Datum;
import bellrope.core.value.Demand;
import bellrope.core.value.Done;
import bellrope.core.value.Exact;
import bellrope.core.value.Refused;
import bellrope.core.value.Words;
import java.util.List;
import java.util.function.Consumer;
import java.util.function.Function;

/** What must be so for a rope to answer. */
public sealed interface Condition {
    /** A function for each kind. */
    record Cases<R>(
            Function<Compare, R> compare,
            Function<OneOf, R> oneOf,
            Function<Flagged, R> flagged,
            Function<Tagged, R> tagged) {}

    /** Returns what the function of its kind makes of it. */
    <R> R match(Cases<R> cases);

    /** Returns what the function of its kind makes of it. */
    default <R> R match(
            Function<Compare, R> compare,
            Function<OneOf, R> oneOf,
            Function<Flagged, R> flagged,
            Function<Tagged, R> tagged) {
        return match(new Cases<>(compare, oneOf, flagged, tagged));
    }

    /** Does what belongs to its kind. */
    default void visit(
            Consumer<Compare> compare, Consumer<OneOf> oneOf, Consumer<Flagged> flagged, Consumer<Tagged> tagged) {
        match(Done.by(compare), Done.by(oneOf), Done.by(flagged), Done.by(tagged));
    }

    /** Stands for a time that has not begun. */
    Datum NEVER = new Datum.Word("never");

    /** Tells whether nothing can fulfil both. */
    boolean excludes(Condition other);

    /** Tells whether whatever fulfils this fulfils the other. */
    default boolean implies(Condition other) {
        return equals(other);
    }

    /** Tells whether it is so; a missing value, or one of another type, never is. */
    boolean holds(Situation now);

    /** Returns what it looks at: {@code speed}, {@code time since courier.landed}. */
    String about();

    /** Returns what is wanted of it: {@code over 4}, {@code thatch or stone}. */
    String wanted();

    /** Returns what it looks at as it is; null where it is missing. */
    Datum found(Situation now);

    /** Returns what it {@link #found}, in words. */
    default String met(Datum found) {
        return found == null ? "missing" : found.inWords();
    }

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
        public Datum found(Situation now) {
            double found = now.number(source);
            if (Double.isInfinite(found)) {
                return NEVER;
            }
            return Double.isNaN(found) ? null : new Datum.Num(found);
        }

        @Override
        public String met(Datum found) {
            return found instanceof Datum.Num number
                    ? Words.number(Exact.rint(number.value() * 1000) / 1000)
                    : Condition.super.met(found);
        }

        @Override
        public boolean excludes(Condition condition) {
            if (!(condition instanceof Compare other) || !source.equals(other.source)) {
                return false;
            }
            Compare above = relation.upwards() ? this : other;
            Compare below = relation.upwards() ? other : this;
            if (relation.upwards() == other.relation.upwards()) {
                return false;
            }
            boolean both = above.relation == Relation.AT_LEAST && below.relation == Relation.AT_MOST;
            return both ? above.bound > below.bound : above.bound >= below.bound;
        }

        @Override
        public boolean implies(Condition condition) {
            if (!(condition instanceof Compare other)
                    || !source.equals(other.source)
                    || relation.upwards() != other.relation.upwards()) {
                return false;
            }
            boolean open = other.relation == Relation.OVER || other.relation == Relation.UNDER;
            boolean stricter = bound == other.bound && (!open || relation == other.relation);
            return stricter || (relation.upwards() ? bound > other.bound : bound < other.bound);
        }

        @Override
        public <R> R match(Cases<R> cases) {
            return cases.compare().apply(this);
        }
    }

    /**
     * One of a set of words.
     *
     * @param options 1 to 64
     */
    record OneOf(String field, List<String> options) implements Condition {
        public static final int MOST_IS = 64;

        public OneOf {
            Demand.name("field", field);
            options = Demand.atMost("is", options, MOST_IS);
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
        public Datum found(Situation now) {
            return now.payload(field);
        }

        @Override
        public boolean excludes(Condition condition) {
            return condition instanceof OneOf other
                    && field.equals(other.field)
                    && options.stream().noneMatch(other.options::contains);
        }

        @Override
        public boolean implies(Condition condition) {
            return condition instanceof OneOf other && field.equals(other.field) && other.options.containsAll(options);
        }

        @Override
        public <R> R match(Cases<R> cases) {
            return cases.oneOf().apply(this);
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
        public Datum found(Situation now) {
            return now.payload(field);
        }

        @Override
        public boolean excludes(Condition condition) {
            return condition instanceof Flagged other && field.equals(other.field) && up != other.up;
        }

        @Override
        public <R> R match(Cases<R> cases) {
            return cases.flagged().apply(this);
        }
    }

    /** A tag that the subject spawns, or does not. */
    record Tagged(String tag, boolean present) implements Condition {
        public Tagged {
            Demand.name("tag", tag);
        }

        @Override
        public boolean holds(Situation now) {
            return now.tagged(tag) == present;
        }

        @Override
        public String about() {
            return "the subject";
        }

        @Override
        public String wanted() {
            return (present ? "" : "not ") + tag;
        }

        @Override
        public Datum found(Situation now) {
            return new Datum.Flag(now.tagged(tag));
        }

        @Override
        public String met(Datum found) {
            return (new Datum.Flag(true).equals(found) ? "" : "not ") + tag;
        }

        @Override
        public boolean excludes(Condition condition) {
            return condition instanceof Tagged other && tag.equals(other.tag) && present != other.present;
        }

        @Override
        public <R> R match(Cases<R> cases) {
            return cases.tagged().apply(this);
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
