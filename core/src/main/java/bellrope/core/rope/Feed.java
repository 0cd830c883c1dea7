package bellrope.core.rope;

import bellrope.core.value.Demand;
import bellrope.core.value.Range;
import bellrope.core.value.Refused;

/**
 * How a number drives a parameter: clamped to {@code in}, then carried evenly onto {@code from … to}.
 *
 * @param in values of the source, the least below the most
 * @param from value of the parameter at the least of {@code in}
 * @param to value of the parameter at the most of {@code in}; may be below {@code from}
 */
public record Feed(String parameter, Source source, Range in, double from, double to) {
    public Feed {
        Demand.name("parameter", parameter);
        Demand.finite("from", from);
        Demand.finite("to", to);
        if (in.least() >= in.most()) {
            throw new Refused("in", in.least() + " to " + in.most(), "the least must be below the most");
        }
    }

    /** From a field of the payload. */
    public Feed(String parameter, String field, Range in, double from, double to) {
        this(parameter, new Source.Payload(field), in, from, to);
    }

    public double value(double given) {
        double share = (given - in.least()) / (in.most() - in.least());
        return from + (to - from) * Math.min(1, Math.max(0, share));
    }

    /** Tells whether its value may change while an instance plays. */
    public boolean continuous() {
        return !(source instanceof Source.Payload);
    }
}
