package bellrope.browser;

import bellrope.format.json.JsonValue;
import java.util.Arrays;
import java.util.Collection;
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
        int kind = Js.hand().kind(value);
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
        return Arrays.asList(Js.hand().keys(value));
    }

    @Override
    public JsonValue get(String key) {
        return of(Js.hand().under(value, key));
    }

    @Override
    public int size() {
        return Js.hand().size(value);
    }

    @Override
    public JsonValue get(int index) {
        return of(Js.hand().at(value, index));
    }

    @Override
    public String text() {
        return Js.hand().textOf(value);
    }

    @Override
    public double number() {
        return Js.hand().numberOf(value);
    }

    @Override
    public boolean flag() {
        return Js.hand().flagOf(value);
    }

    @Override
    public String written() {
        return Js.hand().written(value);
    }
}
