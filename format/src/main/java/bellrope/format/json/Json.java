package bellrope.format.json;

import bellrope.core.value.Range;
import bellrope.core.value.Vec3;

/** Nodes for values that appear everywhere. */
final class Json {
    private Json() {}

    static JsonObject object() {
        return new JsonObject();
    }

    static JsonList array() {
        return new JsonList();
    }

    static JsonValue number(double value) {
        return JsonLeaf.of(value);
    }

    /** Sets the kind of something, which comes first. */
    static void kind(JsonObject node, Enum<?> kind) {
        node.put("kind", JsonReader.word(kind));
    }

    /** Sets a number, unless it is the usual one, which is left out. */
    static void unless(JsonObject node, String key, double value, double usual) {
        if (value != usual) {
            node.set(key, number(value));
        }
    }

    static void unless(JsonObject node, String key, Vec3 value, Vec3 usual) {
        if (!value.equals(usual)) {
            node.set(key, vector(value));
        }
    }

    static JsonList range(Range range) {
        return array().add(number(range.least())).add(number(range.most()));
    }

    static JsonList vector(Vec3 v) {
        return array().add(number(v.x())).add(number(v.y())).add(number(v.z()));
    }
}
