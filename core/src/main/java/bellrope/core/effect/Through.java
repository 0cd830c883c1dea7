package bellrope.core.effect;

import bellrope.core.value.Demand;
import bellrope.core.value.Done;
import bellrope.core.value.Refused;
import java.util.List;
import java.util.function.Consumer;
import java.util.function.Function;

/** What the value of a parameter becomes before it acts on a property. */
public sealed interface Through {
    /** A function for each kind. */
    record Cases<R>(Function<Straight, R> straight, Function<Remap, R> remap, Function<Each, R> each) {}

    /** Returns what the function of its kind makes of it. */
    <R> R match(Cases<R> cases);

    /** Returns what the function of its kind makes of it. */
    default <R> R match(Function<Straight, R> straight, Function<Remap, R> remap, Function<Each, R> each) {
        return match(new Cases<>(straight, remap, each));
    }

    /** Does what belongs to its kind. */
    default void visit(Consumer<Straight> straight, Consumer<Remap> remap, Consumer<Each> each) {
        match(Done.by(straight), Done.by(remap), Done.by(each));
    }

    /** As it is: a flag counts 0 or 1, a choice the number of its option from 0. */
    Through STRAIGHT = new Straight();

    double value(double given);

    /** Nothing in between. */
    record Straight() implements Through {
        @Override
        public double value(double given) {
            return given;
        }

        @Override
        public <R> R match(Cases<R> cases) {
            return cases.straight().apply(this);
        }
    }

    /** A curve of the parameter's own. */
    record Remap(bellrope.core.value.Remap remap) implements Through {
        @Override
        public double value(double given) {
            return remap.value(given);
        }

        @Override
        public <R> R match(Cases<R> cases) {
            return cases.remap().apply(this);
        }
    }

    /**
     * A number for each option of a choice, or for no and yes.
     *
     * @param numbers 2 to 64
     */
    record Each(List<Double> numbers) implements Through {
        public static final int MOST_EACH = 64;

        public Each {
            numbers = Demand.atMost("each", numbers, MOST_EACH);
            if (numbers.size() < 2) {
                throw new Refused("each", numbers.size() + " of them", "a number for each option");
            }
            for (int i = 0; i < numbers.size(); i++) {
                Demand.finite("each/" + i, numbers.get(i));
            }
        }

        @Override
        public double value(double given) {
            return numbers.get((int) Math.min(numbers.size() - 1, Math.max(0, given)));
        }

        @Override
        public <R> R match(Cases<R> cases) {
            return cases.each().apply(this);
        }
    }
}
