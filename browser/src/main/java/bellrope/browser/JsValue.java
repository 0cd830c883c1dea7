package bellrope.browser;

import bellrope.format.json.JsonValue;
import java.util.Arrays;
import java.util.Collection;
import org.teavm.jso.JSBody;
import org.teavm.jso.JSObject;

/** A value that the browser parsed. */
final class JsValue implements JsonValue {
    private final JSObject value;
    private final Kind kind;

    private JsValue(JSObject value, Kind kind) {
        this.value = value;
        this.kind = kind;
    }

    /** Returns what was parsed as a value; null for {@code undefined}. */
    static JsonValue of(JSObject value) {
        int kind = kindOf(value);
        return kind < 0 ? null : new JsValue(value, Kind.values()[kind]);
    }

    JSObject unwrapped() {
        return value;
    }

    @Override
    public Kind kind() {
        return kind;
    }

    @Override
    public Collection<String> keys() {
        return Arrays.asList(keysOf(value));
    }

    @Override
    public JsonValue get(String key) {
        return of(under(value, key));
    }

    @Override
    public int size() {
        return lengthOf(value);
    }

    @Override
    public JsonValue get(int index) {
        return of(at(value, index));
    }

    @Override
    public String text() {
        return textOf(value);
    }

    @Override
    public double number() {
        return numberOf(value);
    }

    @Override
    public boolean flag() {
        return flagOf(value);
    }

    @Override
    public String written() {
        return writtenOf(value);
    }

    // In the order of Kind.
    @JSBody(
            params = "v",
            script = "return v === undefined ? -1 : v === null ? 5 : Array.isArray(v) ? 1"
                    + " : { object: 0, string: 2, number: 3, boolean: 4 }[typeof v];")
    private static native int kindOf(JSObject v);

    @JSBody(params = "v", script = "return Object.keys(v);")
    private static native String[] keysOf(JSObject v);

    @JSBody(
            params = {"v", "key"},
            script = "return Object.hasOwn(v, key) ? v[key] : undefined;")
    private static native JSObject under(JSObject v, String key);

    @JSBody(params = "v", script = "return v.length;")
    private static native int lengthOf(JSObject v);

    @JSBody(
            params = {"v", "i"},
            script = "return v[i];")
    private static native JSObject at(JSObject v, int i);

    @JSBody(params = "v", script = "return v;")
    private static native String textOf(JSObject v);

    @JSBody(params = "v", script = "return v;")
    private static native double numberOf(JSObject v);

    @JSBody(params = "v", script = "return v;")
    private static native boolean flagOf(JSObject v);

    @JSBody(params = "v", script = "return JSON.stringify(v);")
    private static native String writtenOf(JSObject v);
}
