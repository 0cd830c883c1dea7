package bellrope.core.event;

import bellrope.core.event.Field.Meaning;
import bellrope.core.value.Range;
import bellrope.core.value.Vec3;
import java.util.LinkedHashMap;
import java.util.Map;

/** How hard a ready-made pull is: a payload filled from the ranges of the fields. */
public enum Strength {
    SOFT,
    USUAL,
    HARD;

    /** Share of the way from the usual value to an end of the range that soft and hard go. */
    private static final double TOWARDS_THE_END = 0.8;

    /** Returns a whole payload for an event. */
    public Map<String, Datum> payload(EventType event) {
        Map<String, Datum> payload = new LinkedHashMap<>();
        for (Field field : event.fields()) {
            payload.put(field.name(), value(field));
        }
        return payload;
    }

    private Datum value(Field field) {
        if (field instanceof Field.Number number) {
            return new Datum.Num(number(number));
        }
        if (field instanceof Field.Choice choice) {
            return new Datum.Word(choice.options().get(0));
        }
        if (field instanceof Field.Vector vector) {
            return new Datum.Vec(
                    vector.meaning() == Meaning.POSITION
                            ? Vec3.ZERO
                            : vector.meaning() == Meaning.NORMAL ? Vec3.UP : Vec3.RIGHT);
        }
        return new Datum.Word("");
    }

    private double number(Field.Number number) {
        Range range = number.range();
        double usual = number.usual();
        double value = switch (this) {
            case SOFT -> usual + (range.least() - usual) * TOWARDS_THE_END;
            case USUAL -> usual;
            case HARD -> usual + (range.most() - usual) * TOWARDS_THE_END;
        };
        return Math.rint(value * 100) / 100;
    }
}
