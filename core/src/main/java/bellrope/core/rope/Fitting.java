package bellrope.core.rope;

import bellrope.core.event.Datum;
import bellrope.core.event.EventType;
import bellrope.core.event.Field;
import bellrope.core.event.Strength;
import bellrope.core.value.Range;
import java.util.Map;

/** A ready-made payload that a rope answers to, so that every rope can show its response. */
public final class Fitting {
    private Fitting() {}

    /**
     * Returns the payload of that strength, with only those fields changed that the rope's conditions would refuse: a
     * word becomes the first wanted one, a number is moved past the bound by a tenth of what is left of its range.
     * Conditions that contradict one another leave a payload that the rope refuses.
     */
    public static Map<String, Datum> payload(Rope rope, EventType event, Strength strength) {
        Map<String, Datum> payload = strength.payload(event);
        for (Condition condition : rope.conditions()) {
            if (!condition.holds(payload)) {
                payload.put(condition.field(), satisfying(condition, event));
            }
        }
        return payload;
    }

    private static Datum satisfying(Condition condition, EventType event) {
        if (condition instanceof Condition.OneOf oneOf) {
            return new Datum.Word(oneOf.options().get(0));
        }
        Condition.Compare compare = (Condition.Compare) condition;
        double bound = compare.bound();
        boolean up = compare.relation().upwards();
        double end = bound;
        if (event.field(compare.field()).orElse(null) instanceof Field.Number number) {
            Range range = number.range();
            end = up ? range.most() : range.least();
        }
        double step = Math.abs(end - bound) / 10;
        if (up ? end <= bound : end >= bound) {
            step = 1;
        }
        return new Datum.Num(up ? bound + step : bound - step);
    }
}
