package bellrope.format.json;

import bellrope.core.value.Datum;
import bellrope.core.value.Vec3;
import java.util.LinkedHashMap;
import java.util.Map;

/** Payloads as JSON: numbers, texts, flags as true or false, and vectors as three numbers. */
public final class PayloadJson {
    private PayloadJson() {}

    /**
     * Reads a payload; what is none of these is noted and left out.
     *
     * @param place of the payload, for the problems
     */
    public static Map<String, Datum> read(JsonValue node, String place, Problems problems) {
        Map<String, Datum> payload = new LinkedHashMap<>();
        if (node == null || !node.isObject()) {
            problems.add(place, node == null ? "missing" : node.shown(), "an object of values by field name");
            return payload;
        }
        for (String key : node.keys()) {
            Datum datum = datum(node.get(key), place + "/" + key, problems);
            if (datum != null) {
                payload.put(key, datum);
            }
        }
        return payload;
    }

    /** Reads one value; null where it is none, which is noted. */
    public static Datum datum(JsonValue value, String at, Problems problems) {
        if (value.isNumber()) {
            return problems.made(at, () -> new Datum.Num(value.number()));
        } else if (value.isFlag()) {
            return new Datum.Flag(value.flag());
        } else if (value.isText()) {
            return problems.made(at, () -> new Datum.Word(value.text()));
        } else if (value.isList()
                && value.size() == 3
                && value.get(0).isNumber()
                && value.get(1).isNumber()
                && value.get(2).isNumber()) {
            return problems.made(
                    at,
                    () -> new Datum.Vec(new Vec3(
                            value.get(0).number(),
                            value.get(1).number(),
                            value.get(2).number())));
        }
        problems.add(at, value.shown(), "a number, a text, true or false, or three numbers");
        return null;
    }

    /** Returns a value as JSON. */
    public static JsonValue node(Datum value) {
        return value.match(
                num -> Json.number(num.value()),
                word -> JsonLeaf.of(word.text()),
                flag -> JsonLeaf.of(flag.value()),
                vec -> Json.vector(vec.value()));
    }

    public static JsonObject write(Map<String, Datum> payload) {
        JsonObject node = Json.object();
        payload.forEach((name, value) -> node.set(name, node(value)));
        return node;
    }
}
