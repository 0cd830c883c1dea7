package bellrope.core.effect;

import bellrope.core.value.Datum;
import bellrope.core.value.Demand;
import bellrope.core.value.Done;
import bellrope.core.value.Exact;
import bellrope.core.value.Refused;
import bellrope.core.value.Vec3;
import bellrope.core.value.Words;
import java.util.HashSet;
import java.util.List;
import java.util.function.Consumer;
import java.util.function.Function;

/** What a parameter takes. */
public sealed interface Type {
    /** A function for each kind. */
    record Cases<R>(
            Function<Number, R> number,
            Function<Whole, R> whole,
            Function<Flag, R> flag,
            Function<Choice, R> choice,
            Function<Vector, R> vector,
            Function<Colour, R> colour) {}

    /** Returns what the function of its kind makes of it. */
    <R> R match(Cases<R> cases);

    /** Returns what the function of its kind makes of it. */
    default <R> R match(
            Function<Number, R> number,
            Function<Whole, R> whole,
            Function<Flag, R> flag,
            Function<Choice, R> choice,
            Function<Vector, R> vector,
            Function<Colour, R> colour) {
        return match(new Cases<>(number, whole, flag, choice, vector, colour));
    }

    /** Does what belongs to its kind. */
    default void visit(
            Consumer<Number> number,
            Consumer<Whole> whole,
            Consumer<Flag> flag,
            Consumer<Choice> choice,
            Consumer<Vector> vector,
            Consumer<Colour> colour) {
        match(Done.by(number), Done.by(whole), Done.by(flag), Done.by(choice), Done.by(vector), Done.by(colour));
    }

    /** Returns what a value looks like, for someone who gave something else. */
    String expects();

    /** Returns the words that can be chosen; none where it is no choice. */
    default List<String> options() {
        return List.of();
    }

    /** Tells whether a value has this type, whatever its bounds. */
    boolean accepts(Datum value);

    /** Returns the nearest value inside the bounds to one that is accepted. */
    Datum held(Datum asked);

    /** Returns a value as a number: a flag is 0 or 1, a choice the number of its option from 0; NaN for the others. */
    default double position(Datum value) {
        return value instanceof Datum.Num num ? num.value() : Double.NaN;
    }

    /** Returns the value at a {@link #position}; only for scalars. */
    default Datum at(double position) {
        return held(new Datum.Num(position));
    }

    /** Returns the nearest {@link #position} inside the bounds; only for scalars. */
    default double within(double position) {
        double held = Math.min(highest(), Math.max(lowest(), position));
        return this instanceof Number ? held : Exact.rint(held);
    }

    /** Tells whether its values are numbers. */
    default boolean numeric() {
        return false;
    }

    /** Tells whether its values are numbers or stand for some. */
    default boolean scalar() {
        return true;
    }

    /** Returns how many values there are; 0 where they are not counted. */
    default int steps() {
        return 0;
    }

    /** Returns the least and the most {@link #position}; only for scalars. */
    default double least() {
        return 0;
    }

    default double most() {
        return Math.max(0, steps() - 1);
    }

    /** Returns the lowest {@link #position} that is taken; below {@link #least} where the range only says what is usual. */
    default double lowest() {
        return least();
    }

    default double highest() {
        return most();
    }

    /** What a number without bounds is held within. */
    double FAR = 1e6;

    /**
     * A number.
     *
     * @param step by which it is usually turned; 0 where any will do
     * @param free whether what lies beyond is taken too; its range then only says where a slider ends
     */
    record Number(double least, double most, double step, boolean free) implements Type {
        /** A number within bounds. */
        public Number(double least, double most, double step) {
            this(least, most, step, false);
        }

        public Number {
            bounds(least, most);
            Demand.within("step", step, 0, Math.max(0, most - least));
        }

        @Override
        public double lowest() {
            return free ? -FAR : least;
        }

        @Override
        public double highest() {
            return free ? FAR : most;
        }

        @Override
        public String expects() {
            return free
                    ? "a number up to a million either way"
                    : "a number from " + Words.number(least) + " to " + Words.number(most);
        }

        @Override
        public boolean accepts(Datum value) {
            return value instanceof Datum.Num;
        }

        @Override
        public Datum held(Datum asked) {
            double value = ((Datum.Num) asked).value();
            double held = Math.min(highest(), Math.max(lowest(), value));
            return held == value ? asked : new Datum.Num(held);
        }

        @Override
        public boolean numeric() {
            return true;
        }

        @Override
        public <R> R match(Cases<R> cases) {
            return cases.number().apply(this);
        }
    }

    /** A whole number; otherwise as {@link Number}. */
    record Whole(double least, double most, double step, boolean free) implements Type {
        /** A whole number within bounds. */
        public Whole(double least, double most, double step) {
            this(least, most, step, false);
        }

        public Whole {
            bounds(least, most);
            whole("least", least);
            whole("most", most);
            whole("step", step);
            Demand.within("step", step, 0, Math.max(0, most - least));
        }

        @Override
        public double lowest() {
            return free ? -FAR : least;
        }

        @Override
        public double highest() {
            return free ? FAR : most;
        }

        @Override
        public String expects() {
            return free
                    ? "any whole number"
                    : "a whole number from " + Words.number(least) + " to " + Words.number(most);
        }

        @Override
        public boolean accepts(Datum value) {
            return value instanceof Datum.Num;
        }

        @Override
        public Datum held(Datum asked) {
            double value = ((Datum.Num) asked).value();
            double held = Math.min(highest(), Math.max(lowest(), Exact.rint(value)));
            return held == value ? asked : new Datum.Num(held);
        }

        private static void whole(String place, double value) {
            if (value != Exact.rint(value)) {
                throw new Refused(place, Words.number(value), "a whole number");
            }
        }

        @Override
        public boolean numeric() {
            return true;
        }

        @Override
        public <R> R match(Cases<R> cases) {
            return cases.whole().apply(this);
        }
    }

    /** No or yes. */
    record Flag() implements Type {
        @Override
        public String expects() {
            return "true or false";
        }

        @Override
        public boolean accepts(Datum value) {
            return value instanceof Datum.Flag;
        }

        @Override
        public Datum held(Datum asked) {
            return asked;
        }

        @Override
        public double position(Datum value) {
            return ((Datum.Flag) value).value() ? 1 : 0;
        }

        @Override
        public Datum at(double position) {
            return new Datum.Flag(position >= 0.5);
        }

        @Override
        public int steps() {
            return 2;
        }

        @Override
        public <R> R match(Cases<R> cases) {
            return cases.flag().apply(this);
        }
    }

    /**
     * One word of a set.
     *
     * @param options 2 to 64, no two alike
     */
    record Choice(List<String> options) implements Type {
        public static final int MOST_OPTIONS = 64;

        public Choice {
            options = Demand.atMost("options", options, MOST_OPTIONS);
            options.forEach(option -> Demand.name("options", option));
            if (options.size() < 2 || new HashSet<>(options).size() != options.size()) {
                throw new Refused("options", String.valueOf(options), "two options or more, no two alike");
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
        public Datum held(Datum asked) {
            return asked;
        }

        @Override
        public double position(Datum value) {
            return options.indexOf(((Datum.Word) value).text());
        }

        @Override
        public Datum at(double position) {
            return new Datum.Word(options.get((int) Math.min(options.size() - 1, Math.max(0, Exact.rint(position)))));
        }

        @Override
        public int steps() {
            return options.size();
        }

        @Override
        public <R> R match(Cases<R> cases) {
            return cases.choice().apply(this);
        }
    }

    /**
     * Three numbers.
     *
     * @param most for each of them, upwards and downwards
     */
    record Vector(double most) implements Type {
        public Vector {
            Demand.above("most", most, 0);
        }

        @Override
        public String expects() {
            return "three numbers from −" + Words.number(most) + " to " + Words.number(most);
        }

        @Override
        public boolean accepts(Datum value) {
            return value instanceof Datum.Vec;
        }

        @Override
        public Datum held(Datum asked) {
            Vec3 v = ((Datum.Vec) asked).value();
            Vec3 held = new Vec3(held(v.x()), held(v.y()), held(v.z()));
            return held.equals(v) ? asked : new Datum.Vec(held);
        }

        private double held(double value) {
            return Math.min(most, Math.max(-most, value));
        }

        @Override
        public boolean scalar() {
            return false;
        }

        @Override
        public <R> R match(Cases<R> cases) {
            return cases.vector().apply(this);
        }
    }

    /**
     * A colour in sRGB.
     *
     * @param opacity whether it has opacity; otherwise two more digits are not taken
     */
    record Colour(boolean opacity) implements Type {
        @Override
        public String expects() {
            return opacity ? "a colour such as #C79A4BFF" : "a colour such as #C79A4B";
        }

        @Override
        public boolean accepts(Datum value) {
            return value instanceof Datum.Word word
                    && word.text().matches(opacity ? "#[0-9A-Fa-f]{6}([0-9A-Fa-f]{2})?" : "#[0-9A-Fa-f]{6}");
        }

        @Override
        public Datum held(Datum asked) {
            return asked;
        }

        @Override
        public boolean scalar() {
            return false;
        }

        @Override
        public <R> R match(Cases<R> cases) {
            return cases.colour().apply(this);
        }
    }

    private static void bounds(double least, double most) {
        Demand.finite("least", least);
        Demand.finite("most", most);
        if (least > most) {
            throw new Refused(
                    "least",
                    Words.number(least) + " to " + Words.number(most),
                    "the minimum must not be above the maximum");
        }
    }
}
