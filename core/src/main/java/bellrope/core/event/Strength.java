package bellrope.core.event;

import bellrope.core.value.Datum;
import bellrope.core.value.Exact;
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

    private static final Vec3 USUAL_EXTENT = new Vec3(4, 2, 4);

    /** Returns a whole payload for an event. */
    public Map<String, Datum> payload(EventType event) {
        Map<String, Datum> payload = new LinkedHashMap<>();
        for (Field field : event.fields()) {
            payload.put(field.name(), value(field));
        }
        return payload;
    }

    private Datum value(Field field) {
        return field.match(
                number -> new Datum.Num(number(number)),
                choice -> new Datum.Word(choice.options().get(0)),
                vector -> new Datum.Vec(
                        switch (vector.meaning()) {
                            case POSITION, VELOCITY, OTHER -> Vec3.ZERO;
                            case NORMAL -> Vec3.UP;
                            case DIRECTION, HEADING -> Vec3.RIGHT;
                            case UP -> Vec3.UP;
                            case EXTENT -> USUAL_EXTENT;
                            case HALF_EXTENT -> USUAL_EXTENT.times(0.5);
                        }),
                flag -> new Datum.Flag(false),
                colour -> new Datum.Word("#FFFFFF"),
                text -> new Datum.Word(""));
    }

    private double number(Field.Number number) {
        Range range = number.range();
        double usual = number.usual();
        double value = switch (this) {
            case SOFT -> usual + (range.least() - usual) * TOWARDS_THE_END;
            case USUAL -> usual;
            case HARD -> usual + (range.most() - usual) * TOWARDS_THE_END;
        };
        return Exact.rint(value * 100) / 100;
    }
}
