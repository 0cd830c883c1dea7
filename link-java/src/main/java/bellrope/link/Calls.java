package bellrope.link;

import bellrope.core.event.Pull;
import bellrope.core.value.Datum;
import bellrope.core.value.Refused;
import bellrope.core.value.Vec3;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** Pulls as the generated calls of a contract make them. */
final class Calls {
    private Calls() {}

    static Pull pull(String event, String phase, String subject, String value, Map<String, Object> payload, long seed) {
        Pull.Phase is = switch (phase) {
            case "moment" -> Pull.Phase.MOMENT;
            case "begin" -> Pull.Phase.BEGIN;
            case "end" -> Pull.Phase.END;
            case "set" -> Pull.Phase.SET;
            default -> throw new Refused("phase", '"' + phase + '"', "moment, begin, end or set");
        };
        Map<String, Datum> data = new LinkedHashMap<>();
        payload.forEach((name, given) -> data.put(name, datum(name, given)));
        return new Pull(event, is, subject, Set.of(), Optional.ofNullable(value), data, Vec3.ZERO, seed);
    }

    static Datum datum(String name, Object given) {
        if (given instanceof Number number) {
            return new Datum.Num(number.doubleValue());
        }
        if (given instanceof Boolean flag) {
            return new Datum.Flag(flag);
        }
        if (given instanceof double[] xyz && xyz.length == 3) {
            return new Datum.Vec(new Vec3(xyz[0], xyz[1], xyz[2]));
        }
        if (given instanceof CharSequence || given instanceof Enum) {
            return new Datum.Word(given.toString());
        }
        throw new Refused(name, String.valueOf(given), "a number, a text, true or false, or three numbers");
    }
}
