package bellrope.core.effect;

import bellrope.core.value.Demand;
import bellrope.core.value.Gradient;
import bellrope.core.value.Refused;
import bellrope.core.value.Rgba;
import java.util.List;

/** The colours that particles are born with. */
public sealed interface Tint {
    /** Every colour between two, evenly in linear light. */
    record Between(Rgba from, Rgba to) implements Tint {}

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
    }

    /** Some place of a gradient, each equally likely. */
    record From(Gradient gradient) implements Tint {}
}
