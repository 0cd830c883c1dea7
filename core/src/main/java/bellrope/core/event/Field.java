package bellrope.core.event;

import bellrope.core.value.Datum;
import bellrope.core.value.Demand;
import bellrope.core.value.Range;
import bellrope.core.value.Refused;
import bellrope.core.value.Words;
import java.util.HashSet;
import java.util.List;

/** One value that comes with an event. */
public sealed interface Field {
    String name();

    /** Returns what a value of this field looks like, for someone who gave something else. */
    String expects();

    /** Tells whether a value has this field's type. */
    boolean accepts(Datum value);

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
    }

    /**
     * One word of a set.
     *
     * @param options 1 to 64, no two alike; the first is the usual one
     * @param reads the words before an option in a sentence, such as {@code on} before {@code thatch}
     */
    record Choice(String name, List<String> options, String reads) implements Field {
        public Choice {
            Demand.name("name", name);
            Demand.name("reads", reads);
            options = Demand.atMost("options", options, 64);
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
        /** How the subject moves, units a second. */
        VELOCITY,
        /** Full size along each axis, units; never the half of it. */
        EXTENT,
        /** Half the size along each axis, units; doubled as it comes in. */
        HALF_EXTENT,
        /** Three numbers that wire nothing. */
        OTHER
    }
}
