package bellrope.format.json;

import java.util.Collection;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.Map;

/** A JSON object as writers make it, its keys in the order in which they came. */
public final class JsonObject implements JsonValue {
    private final Map<String, JsonValue> members = new LinkedHashMap<>();

    JsonObject put(String key, String text) {
        return set(key, JsonLeaf.of(text));
    }

    JsonObject put(String key, long number) {
        return set(key, JsonLeaf.of(number));
    }

    JsonObject put(String key, boolean flag) {
        return set(key, JsonLeaf.of(flag));
    }

    JsonObject set(String key, JsonValue value) {
        members.put(key, value);
        return this;
    }

    JsonObject putObject(String key) {
        JsonObject object = new JsonObject();
        members.put(key, object);
        return object;
    }

    JsonList putArray(String key) {
        JsonList list = new JsonList();
        members.put(key, list);
        return list;
    }

    @Override
    public Kind kind() {
        return Kind.OBJECT;
    }

    @Override
    public Collection<String> keys() {
        return Collections.unmodifiableSet(members.keySet());
    }

    @Override
    public JsonValue get(String key) {
        return members.get(key);
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof JsonObject o && members.equals(o.members);
    }

    @Override
    public int hashCode() {
        return members.hashCode();
    }
}
