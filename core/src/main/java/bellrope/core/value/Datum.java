package bellrope.core.value;

import java.util.function.Function;

/** A value as events carry it and parameters take it. */
public sealed interface Datum {
    /** A function for each kind. */
    record Cases<R>(Function<Num, R> num, Function<Word, R> word, Function<Flag, R> flag, Function<Vec, R> vec) {}

    /** Returns what the function of its kind makes of it. */
    <R> R match(Cases<R> cases);

    /** Returns what the function of its kind makes of it. */
    default <R> R match(Function<Num, R> num, Function<Word, R> word, Function<Flag, R> flag, Function<Vec, R> vec) {
        return match(new Cases<>(num, word, flag, vec));
    }

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

        @Override
        public <R> R match(Cases<R> cases) {
            return cases.num().apply(this);
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

        @Override
        public <R> R match(Cases<R> cases) {
            return cases.word().apply(this);
        }
    }

    /** Yes or no. */
    record Flag(boolean value) implements Datum {
        @Override
        public String inWords() {
            return value ? "yes" : "no";
        }

        @Override
        public <R> R match(Cases<R> cases) {
            return cases.flag().apply(this);
        }
    }

    /** Three finite numbers. */
    record Vec(Vec3 value) implements Datum {
        @Override
        public String inWords() {
            return "(" + Words.vector(value) + ")";
        }

        @Override
        public <R> R match(Cases<R> cases) {
            return cases.vec().apply(this);
        }
    }
}
