package bellrope.format.json;

import bellrope.core.value.Datum;
import bellrope.core.value.Vec3;
import java.util.LinkedHashMap;
import java.util.Map;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.BooleanNode;
import tools.jackson.databind.node.ObjectNode;
import tools.jackson.databind.node.StringNode;

/** Payloads as JSON: numbers, texts, flags as true or false, and vectors as three numbers. */
public final class PayloadJson {
    private PayloadJson() {}

    /**
     * Reads a payload; what is none of these is noted and left out.
     *
     * @param place of the payload, for the problems
     */
    public static Map<String, Datum> read(JsonNode node, String place, Problems problems) {
        Map<String, Datum> payload = new LinkedHashMap<>();
        if (node == null || !node.isObject()) {
            problems.add(place, node == null ? "missing" : JsonReader.shown(node), "an object of values by field name");
            return payload;
        }
        for (Map.Entry<String, JsonNode> entry : node.properties()) {
            Datum datum = datum(entry.getValue(), place + "/" + entry.getKey(), problems);
            if (datum != null) {
                payload.put(entry.getKey(), datum);
            }
        }
        return payload;
    }

    static Datum datum(JsonNode value, String at, Problems problems) {
        if (value.isNumber()) {
            return problems.made(at, () -> new Datum.Num(value.doubleValue()));
        } else if (value.isBoolean()) {
            return new Datum.Flag(value.booleanValue());
        } else if (value.isString()) {
            return problems.made(at, () -> new Datum.Word(value.stringValue()));
        } else if (value.isArray()
                && value.size() == 3
                && value.get(0).isNumber()
                && value.get(1).isNumber()
                && value.get(2).isNumber()) {
            return problems.made(
                    at,
                    () -> new Datum.Vec(new Vec3(
                            value.get(0).doubleValue(),
                            value.get(1).doubleValue(),
                            value.get(2).doubleValue())));
        }
        problems.add(at, JsonReader.shown(value), "a number, a text, true or false, or three numbers");
        return null;
    }

    /** Returns a value as JSON. */
    public static JsonNode node(Datum value) {
        return value.match(
                num -> Json.number(num.value()),
                word -> StringNode.valueOf(word.text()),
                flag -> BooleanNode.valueOf(flag.value()),
                vec -> Json.vector(vec.value()));
    }

    public static ObjectNode write(Map<String, Datum> payload) {
        ObjectNode node = Json.object();
        payload.forEach((name, value) -> node.set(name, node(value)));
        return node;
    }
}
