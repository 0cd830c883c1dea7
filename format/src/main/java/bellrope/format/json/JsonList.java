package bellrope.format.json;

import java.util.ArrayList;
import java.util.List;

/** A list of JSON values as writers make it. */
public final class JsonList implements JsonValue {
    private final List<JsonValue> values = new ArrayList<>();

    JsonList add(JsonValue value) {
        values.add(value);
        return this;
    }

    JsonList add(String text) {
        return add(JsonLeaf.of(text));
    }

    JsonList add(long number) {
        return add(JsonLeaf.of(number));
    }

    JsonObject addObject() {
        JsonObject object = new JsonObject();
        values.add(object);
        return object;
    }

    @Override
    public Kind kind() {
        return Kind.LIST;
    }

    @Override
    public int size() {
        return values.size();
    }

    @Override
    public JsonValue get(int index) {
        return values.get(index);
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof JsonList o && values.equals(o.values);
    }

    @Override
    public int hashCode() {
        return values.hashCode();
    }
}
