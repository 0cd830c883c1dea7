package bellrope.format.code;

import bellrope.core.value.Done;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Function;

/**
 * One typed call of the generated code.
 *
 * @param name as an identifier
 * @param doc above it
 * @param takes in order
 * @param does what it passes on
 */
record Call(String name, Doc doc, List<Takes> takes, Does does) {
    /**
     * Words above something.
     *
     * @param lines without marks of any language
     * @param instead what to use in place of a former name; empty for a present one
     */
    record Doc(List<String> lines, Optional<String> instead) {
        static Doc of(String... lines) {
            return new Doc(List.of(lines).stream().filter(l -> !l.isBlank()).toList(), Optional.empty());
        }

        Doc formerly(String present) {
            return new Doc(lines, Optional.of(present));
        }
    }

    /**
     * Something that a call takes.
     *
     * @param id as an identifier
     * @param name as the contract calls it
     * @param words what it is and may be
     * @param of the type of its words; empty for other kinds
     */
    record Takes(String id, String name, Kind kind, String words, String of) {}

    /** What can be taken. */
    enum Kind {
        NUMBER,
        FLAG,
        WORD,
        TEXT,
        VECTOR
    }

    /** What a call passes on. */
    sealed interface Does {
        /** A function for each kind. */
        record Cases<R>(Function<Pull, R> pull, Function<Publish, R> publish, Function<Set, R> set) {}

        /** Returns what the function of its kind makes of it. */
        <R> R match(Cases<R> cases);

        /** Returns what the function of its kind makes of it. */
        default <R> R match(Function<Pull, R> pull, Function<Publish, R> publish, Function<Set, R> set) {
            return match(new Cases<>(pull, publish, set));
        }

        /** Does what belongs to its kind. */
        default void visit(Consumer<Pull> pull, Consumer<Publish> publish, Consumer<Set> set) {
            match(Done.by(pull), Done.by(publish), Done.by(set));
        }

        /** Pulls an event; of a state the first taken is its value. */
        record Pull(String event, String phase) implements Does {

            @Override
            public <R> R match(Cases<R> cases) {
                return cases.pull().apply(this);
            }
        }

        /** Publishes a channel. */
        record Publish(String channel) implements Does {

            @Override
            public <R> R match(Cases<R> cases) {
                return cases.publish().apply(this);
            }
        }

        /** Sets a parameter of a running instance. */
        record Set(String parameter) implements Does {

            @Override
            public <R> R match(Cases<R> cases) {
                return cases.set().apply(this);
            }
        }
    }
}
