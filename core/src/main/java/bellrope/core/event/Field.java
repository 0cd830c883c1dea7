package bellrope.core.event;

import bellrope.core.value.Datum;
import bellrope.core.value.Demand;
import bellrope.core.value.Done;
import bellrope.core.value.Range;
import bellrope.core.value.Refused;
import bellrope.core.value.Vec3;
import bellrope.core.value.Words;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.stream.Stream;

/** One value that comes with an event. */
public sealed interface Field {
    /** A function for each kind. */
    record Cases<R>(
            Function<Number, R> number,
            Function<Choice, R> choice,
            Function<Vector, R> vector,
            Function<Flag, R> flag,
            Function<Colour, R> colour,
            Function<Text, R> text) {}

    /** Returns what the function of its kind makes of it. */
    <R> R match(Cases<R> cases);

    /** Returns what the function of its kind makes of it. */
    default <R> R match(
            Function<Number, R> number,
            Function<Choice, R> choice,
            Function<Vector, R> vector,
            Function<Flag, R> flag,
            Function<Colour, R> colour,
            Function<Text, R> text) {
        return match(new Cases<>(number, choice, vector, flag, colour, text));
    }

    /** Does what belongs to its kind. */
    default void visit(
            Consumer<Number> number,
            Consumer<Choice> choice,
            Consumer<Vector> vector,
            Consumer<Flag> flag,
            Consumer<Colour> colour,
            Consumer<Text> text) {
        match(Done.by(number), Done.by(choice), Done.by(vector), Done.by(flag), Done.by(colour), Done.by(text));
    }

    String name();

    /** Returns what a value of this field looks like, for someone who gave something else. */
    String expects();

    /** Tells whether a value has this field's type. */
    boolean accepts(Datum value);

    /** Returns the words that can be chosen; none where it is no choice. */
    default List<String> options() {
        return List.of();
    }

    Field named(String other);

    /** Returns values of every form that it can have: of a choice all options, of the others one. */
    List<Datum> examples();

    /** Returns a field that holds what either of two can hold; empty where they have nothing in common. */
    Optional<Field> or(Field other);

    /**
     * A number.
     *
     * @param range what the game is expected to send; values beyond it are taken as they are
     * @param usual a typical value, inside the range
     * @param unit such as {@code u/s}; may be empty
     */
    record Number(String name, Range range, double usual, String unit) implements Field {
        public Number {
            Demand.name("name", name);
            Demand.within("usual", usual, range.least(), range.most());
        }

        @Override
        public String expects() {
            return "a number from " + Words.number(range.least()) + " to " + Words.number(range.most())
                    + (unit.isEmpty() ? "" : " " + unit);
        }

        @Override
        public boolean accepts(Datum value) {
            return value instanceof Datum.Num;
        }

        @Override
        public Field named(String other) {
            return new Number(other, range, usual, unit);
        }

        @Override
        public Optional<Field> or(Field other) {
            if (!(other instanceof Number n) || !unit.isEmpty() && !n.unit.isEmpty() && !unit.equals(n.unit)) {
                return Optional.empty();
            }
            Range both = new Range(Math.min(range.least(), n.range.least()), Math.max(range.most(), n.range.most()));
            return Optional.of(new Number(name, both, usual, unit.isEmpty() ? n.unit : unit));
        }

        @Override
        public List<Datum> examples() {
            return List.of(new Datum.Num(usual));
        }

        @Override
        public <R> R match(Cases<R> cases) {
            return cases.number().apply(this);
        }
    }

    /**
     * One word of a set.
     *
     * @param options 1 to 64, no two alike; the first is the usual one
     * @param reads the words before an option in a sentence, such as {@code on} before {@code thatch}
     */
    record Choice(String name, List<String> options, String reads) implements Field {
        public static final int MOST_OPTIONS = 64;

        public Choice {
            Demand.name("name", name);
            Demand.name("reads", reads);
            options = Demand.atMost("options", options, MOST_OPTIONS);
            if (options.isEmpty() || new HashSet<>(options).size() != options.size()) {
                throw new Refused("options", String.valueOf(options), "one option or more, no two alike");
            }
        }

        @Override
        public String expects() {
            return Words.either(options);
        }

        @Override
        public boolean accepts(Datum value) {
            return value instanceof Datum.Word word && options.contains(word.text());
        }

        @Override
        public Field named(String other) {
            return new Choice(other, options, reads);
        }

        @Override
        public Optional<Field> or(Field other) {
            if (!(other instanceof Choice c)) {
                return other instanceof Text ? Optional.of(other) : Optional.empty();
            }
            List<String> all = Stream.concat(options.stream(), c.options.stream())
                    .distinct()
                    .toList();
            return Optional.of(all.size() > MOST_OPTIONS ? new Text(name) : new Choice(name, all, reads));
        }

        @Override
        public List<Datum> examples() {
            return options.stream().<Datum>map(Datum.Word::new).toList();
        }

        @Override
        public <R> R match(Cases<R> cases) {
            return cases.choice().apply(this);
        }
    }

    /** A vector, with what it stands for. */
    record Vector(String name, Meaning meaning) implements Field {
        public Vector {
            Demand.name("name", name);
        }

        @Override
        public String expects() {
            return "three numbers: x, y, z";
        }

        @Override
        public boolean accepts(Datum value) {
            return value instanceof Datum.Vec;
        }

        @Override
        public Field named(String other) {
            return new Vector(other, meaning);
        }

        @Override
        public Optional<Field> or(Field other) {
            return other instanceof Vector v
                    ? Optional.of(v.meaning == meaning ? this : new Vector(name, Meaning.OTHER))
                    : Optional.empty();
        }

        @Override
        public List<Datum> examples() {
            return List.of(new Datum.Vec(Vec3.ZERO));
        }

        @Override
        public <R> R match(Cases<R> cases) {
            return cases.vector().apply(this);
        }
    }

    /** Yes or no; no is the usual one. */
    record Flag(String name) implements Field {
        public Flag {
            Demand.name("name", name);
        }

        @Override
        public String expects() {
            return "true or false";
        }

        @Override
        public boolean accepts(Datum value) {
            return value instanceof Datum.Flag;
        }

        @Override
        public Field named(String other) {
            return new Flag(other);
        }

        @Override
        public Optional<Field> or(Field other) {
            return other instanceof Flag ? Optional.of(this) : Optional.empty();
        }

        @Override
        public List<Datum> examples() {
            return List.of(new Datum.Flag(false));
        }

        @Override
        public <R> R match(Cases<R> cases) {
            return cases.flag().apply(this);
        }
    }

    /** A colour in sRGB, {@code #RRGGBB} or {@code #RRGGBBAA}. */
    record Colour(String name) implements Field {
        public Colour {
            Demand.name("name", name);
        }

        @Override
        public String expects() {
            return "a colour such as #C79A4B";
        }

        @Override
        public boolean accepts(Datum value) {
            return value instanceof Datum.Word word && word.text().matches("#[0-9A-Fa-f]{6}([0-9A-Fa-f]{2})?");
        }

        @Override
        public Field named(String other) {
            return new Colour(other);
        }

        @Override
        public Optional<Field> or(Field other) {
            return other instanceof Colour ? Optional.of(this) : Optional.empty();
        }

        @Override
        public List<Datum> examples() {
            return List.of(new Datum.Word("#FFFFFF"));
        }

        @Override
        public <R> R match(Cases<R> cases) {
            return cases.colour().apply(this);
        }
    }

    /** Any text; it can be seen in the account but wires nothing. */
    record Text(String name) implements Field {
        public Text {
            Demand.name("name", name);
        }

        @Override
        public String expects() {
            return "a text";
        }

        @Override
        public boolean accepts(Datum value) {
            return value instanceof Datum.Word;
        }

        @Override
        public Field named(String other) {
            return new Text(other);
        }

        @Override
        public Optional<Field> or(Field other) {
            return other instanceof Text || other instanceof Choice ? Optional.of(this) : Optional.empty();
        }

        @Override
        public List<Datum> examples() {
            return List.of(new Datum.Word(""));
        }

        @Override
        public <R> R match(Cases<R> cases) {
            return cases.text().apply(this);
        }
    }

    /** What a vector stands for. */
    enum Meaning {
        /** Where it happens, units in the world. */
        POSITION,
        /** Square to the surface that was met, pointing out of it. */
        NORMAL,
        /** The way of the blow or of the travel that led to it. */
        DIRECTION,
        /** Which way the subject points. */
        HEADING,
        /** Which way is up for the subject: how it rolls about its heading. */
        UP,
        /** How the subject moves, units a second. */
        VELOCITY,
        /** Full size along each axis, units; never the half of it. */
        EXTENT,
        /** Half the size along each axis, units; doubled as it comes in. */
        HALF_EXTENT,
        /** Three numbers that wire nothing. */
        OTHER;

        /** Returns what it is, for whoever fills it in. */
        public String words() {
            return this == UP
                    ? "which way is up"
                    : "the " + name().toLowerCase(Locale.ROOT).replace('_', ' ');
        }
    }
}
