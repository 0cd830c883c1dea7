package bellrope.format.json;

import bellrope.core.value.Range;
import bellrope.core.value.Vec3;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** Nodes for values that appear everywhere. */
final class Json {
    private static final JsonNodeFactory NODES = JsonNodeFactory.instance;

    private Json() {}

    static ObjectNode object() {
        return NODES.objectNode();
    }

    static ArrayNode array() {
        return NODES.arrayNode();
    }

    /** Returns whole numbers without a point, so that 1 does not come back as 1.0. */
    static JsonNode number(double value) {
        return value == Math.rint(value) && Math.abs(value) < 1e15
                ? NODES.numberNode((long) value)
                : NODES.numberNode(value);
    }

    /** Sets the kind of something, which comes first. */
    static void kind(ObjectNode node, Enum<?> kind) {
        node.put("kind", JsonReader.word(kind));
    }

    /** Sets a number, unless it is the usual one, which is left out. */
    static void unless(ObjectNode node, String key, double value, double usual) {
        if (value != usual) {
            node.set(key, number(value));
        }
    }

    static void unless(ObjectNode node, String key, Vec3 value, Vec3 usual) {
        if (!value.equals(usual)) {
            node.set(key, vector(value));
        }
    }

    static ArrayNode range(Range range) {
        return array().add(number(range.least())).add(number(range.most()));
    }

    static ArrayNode vector(Vec3 v) {
        return array().add(number(v.x())).add(number(v.y())).add(number(v.z()));
    }
}
