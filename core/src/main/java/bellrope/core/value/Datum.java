package bellrope.core.value;

/** A value as events carry it and parameters take it. */
public sealed interface Datum {
    /** Returns the value as the account says it. */
    String inWords();

    /** A finite number. */
    record Num(double value) implements Datum {
        public Num {
            Demand.finite("", value);
        }

        @Override
        public String inWords() {
            return Words.number(value);
        }
    }

    /** A word or a text. */
    record Word(String text) implements Datum {
        public Word {
            Demand.whole("", text);
        }

        @Override
        public String inWords() {
            return text;
        }
    }

    /** Yes or no. */
    record Flag(boolean value) implements Datum {
        @Override
        public String inWords() {
            return value ? "yes" : "no";
        }
    }

    /** Three finite numbers. */
    record Vec(Vec3 value) implements Datum {
        @Override
        public String inWords() {
            return "(" + Words.vector(value) + ")";
        }
    }
}
