package bellrope.core.effect;

import bellrope.core.value.Demand;
import bellrope.core.value.Refused;
import bellrope.core.value.Words;
import java.util.List;

/**
 * A value of an effect that ropes and game code may set. At its default the effect looks exactly as authored, which is
 * why a multiplying parameter has the default 1 and an adding one 0.
 *
 * @param unit as shown behind the number; may be empty
 */
public record Parameter(
        String name,
        double standard,
        double least,
        double most,
        String unit,
        String description,
        List<Binding> bindings) {
    public Parameter {
        Demand.name("name", name);
        Demand.finite("least", least);
        Demand.finite("most", most);
        if (least > most) {
            throw new Refused(
                    "least", Words.number(least) + " to " + Words.number(most), "the least must not be above the most");
        }
        Demand.within("default", standard, least, most);
        bindings = Demand.atMost("bindings", bindings, 32);
        for (Binding binding : bindings) {
            double neutral = switch (binding.mode()) {
                case MULTIPLY -> 1;
                case ADD -> 0;
                case REPLACE -> standard;
            };
            if (standard != neutral) {
                throw new Refused(
                        "default",
                        Words.number(standard),
                        Words.number(neutral) + ", because it " + binding.mode().words()
                                + " and the default must give back the authored look");
            }
        }
    }

    /** Returns the value that will be used for one that was asked for. */
    public double held(double asked) {
        return Math.min(most, Math.max(least, asked));
    }
}
