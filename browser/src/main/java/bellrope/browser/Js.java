package bellrope.browser;

import bellrope.format.json.JsonValue;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import org.teavm.jso.JSBody;
import org.teavm.jso.JSObject;

/** Objects, lists and values of the page. */
final class Js {
    private Js() {}

    @JSBody(script = "return {};")
    static native JSObject object();

    @JSBody(script = "return [];")
    static native JSObject list();

    @JSBody(
            params = {"o", "key", "value"},
            script = "o[key] = value;")
    static native void set(JSObject o, String key, JSObject value);

    /** Sets a component of an answer; what is null is left out. */
    @JSBody(
            params = {"o", "key", "value"},
            script = "if (value !== null) o[key] = value;")
    static native void put(JSObject o, String key, JSObject value);

    @JSBody(
            params = {"list", "value"},
            script = "list.push(value);")
    static native void add(JSObject list, JSObject value);

    @JSBody(params = "v", script = "return v;")
    static native JSObject value(double v);

    @JSBody(params = "v", script = "return v;")
    static native JSObject value(boolean v);

    @JSBody(params = "v", script = "return v;")
    private static native JSObject text(String v);

    static JSObject value(String v) {
        return v == null ? null : text(v);
    }

    static JSObject value(int v) {
        return value((double) v);
    }

    static JSObject value(long v) {
        return value((double) v);
    }

    static JSObject value(float v) {
        return value((double) v);
    }

    static JSObject value(int[] values) {
        JSObject list = list();
        for (int v : values) {
            add(list, value(v));
        }
        return list;
    }

    static JSObject value(long[] values) {
        JSObject list = list();
        for (long v : values) {
            add(list, value(v));
        }
        return list;
    }

    static JSObject value(float[] values) {
        JSObject list = list();
        for (float v : values) {
            add(list, value(v));
        }
        return list;
    }

    static JSObject value(double[] values) {
        JSObject list = list();
        for (double v : values) {
            add(list, value(v));
        }
        return list;
    }

    /** Returns a value of a type that is only known while it runs. */
    static JSObject value(Object v) {
        if (v == null) {
            return null;
        } else if (v instanceof String text) {
            return text(text);
        } else if (v instanceof Boolean flag) {
            return value(flag.booleanValue());
        } else if (v instanceof Number number) {
            return value(number.doubleValue());
        } else if (v instanceof double[] numbers) {
            return value(numbers);
        } else if (v instanceof List<?> values) {
            return list(values, Js::value);
        }
        throw new IllegalArgumentException("no way to write " + v);
    }

    static <T> JSObject list(List<T> values, Function<T, JSObject> each) {
        if (values == null) {
            return null;
        }
        JSObject list = list();
        values.forEach(v -> add(list, each.apply(v)));
        return list;
    }

    static <T> JSObject map(Map<String, T> values, Function<T, JSObject> each) {
        if (values == null) {
            return null;
        }
        JSObject o = object();
        values.forEach((key, v) -> set(o, key, each.apply(v)));
        return o;
    }

    static JSObject json(JsonValue value) {
        if (value == null) {
            return null;
        } else if (value instanceof JsValue parsed) {
            return parsed.unwrapped();
        }
        return switch (value.kind()) {
            case OBJECT -> {
                JSObject o = object();
                value.keys().forEach(key -> set(o, key, json(value.get(key))));
                yield o;
            }
            case LIST -> {
                JSObject list = list();
                for (int i = 0; i < value.size(); i++) {
                    add(list, json(value.get(i)));
                }
                yield list;
            }
            case TEXT -> value(value.text());
            case NUMBER -> value(value.number());
            case FLAG -> value(value.flag());
            case NULL -> null;
        };
    }
}
