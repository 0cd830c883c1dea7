package bellrope.core.effect;

import bellrope.core.value.Demand;
import bellrope.core.value.Gradient;
import bellrope.core.value.Refused;
import bellrope.core.value.Rgba;
import java.util.List;

/** The colours that particles are born with. */
public sealed interface Tint {
    /** Returns these colours multiplied by another, in linear light; opacities multiply too. */
    Tint times(Rgba other);

    /** Every colour between two, evenly in linear light. */
    record Between(Rgba from, Rgba to) implements Tint {
        @Override
        public Tint times(Rgba other) {
            return new Between(from.times(other), to.times(other));
        }
    }

    /**
     * One of a list, each equally likely.
     *
     * @param colours 1 to 16
     */
    record OneOf(List<Rgba> colours) implements Tint {
        public OneOf {
            colours = Demand.atMost("colours", colours, 16);
            if (colours.isEmpty()) {
                throw new Refused("colours", "none", "at least one colour");
            }
        }

        @Override
        public Tint times(Rgba other) {
            return new OneOf(colours.stream().map(c -> c.times(other)).toList());
        }
    }

    /** Some place of a gradient, each equally likely. */
    record From(Gradient gradient) implements Tint {
        @Override
        public Tint times(Rgba other) {
            return new From(new Gradient(gradient.stops().stream()
                    .map(s -> new Gradient.Stop(s.at(), s.colour().times(other)))
                    .toList()));
        }
    }
}
