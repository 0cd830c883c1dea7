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

    static JsonList range(Range range) {
        return array().add(number(range.least())).add(number(range.most()));
    }

    static JsonList vector(Vec3 v) {
        return array().add(number(v.x())).add(number(v.y())).add(number(v.z()));
    }
}
