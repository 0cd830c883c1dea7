package bellrope.browser;

import bellrope.format.json.JsonValue;
import java.nio.ByteBuffer;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import org.teavm.jso.JSObject;
import org.teavm.jso.typedarrays.Int8Array;

/** Objects, lists and values of the page. */
final class Js {
    private static Hand hand;

    private Js() {}

    /** Takes what the page brings, before anything else. */
    static void begin(Hand given) {
        hand = given;
    }

    static Hand hand() {
        return hand;
    }

    static JSObject object() {
        return hand.object();
    }

    static JSObject list() {
        return hand.list();
    }

    static void set(JSObject o, String key, JSObject value) {
        hand.set(o, key, value);
    }

    /** Sets a component of an answer; what is null is left out. */
    static void put(JSObject o, String key, JSObject value) {
        hand.put(o, key, value);
    }

    static void add(JSObject list, JSObject value) {
        hand.add(list, value);
    }

    static JSObject value(double v) {
        return hand.number(v);
    }

    static JSObject value(boolean v) {
        return hand.flag(v);
    }

    static JSObject value(String v) {
        return v == null ? null : hand.text(v);
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
        if (values == null) {
            return null;
        }
        JSObject list = list();
        for (int v : values) {
            add(list, value(v));
        }
        return list;
    }

    static JSObject value(long[] values) {
        if (values == null) {
            return null;
        }
        JSObject list = list();
        for (long v : values) {
            add(list, value(v));
        }
        return list;
    }

    static JSObject value(float[] values) {
        if (values == null) {
            return null;
        }
        JSObject list = list();
        for (float v : values) {
            add(list, value(v));
        }
        return list;
    }

    static JSObject value(double[] values) {
        if (values == null) {
            return null;
        }
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
            return hand.text(text);
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

    /** Returns a copy of a frame. */
    static JSObject bytes(ByteBuffer frame) {
        return Int8Array.copyFromJavaArray(Arrays.copyOfRange(frame.array(), frame.position(), frame.limit()));
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
