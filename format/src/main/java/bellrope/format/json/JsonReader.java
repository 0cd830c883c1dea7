package bellrope.format.json;

import bellrope.core.value.Datum;
import bellrope.core.value.Demand;
import bellrope.core.value.Range;
import bellrope.core.value.Vec3;
import bellrope.core.value.Words;
import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.function.Function;
import java.util.function.Supplier;

/**
 * One JSON object while it is read.
 *
 * <p>The idea: reading never stops at the first error. Each getter notes what is wrong and returns a stand-in; {@link
 * #make} builds the value only if nothing inside this object was wrong, and then looks for keys that nobody asked for. So
 * one pass finds every error of a file, each with its place.
 */
final class JsonReader {
    private final JsonValue node;
    private final String place;
    private final Problems problems;
    private final Set<String> asked = new LinkedHashSet<>();
    private final int before;

    JsonReader(JsonValue node, String place, Problems problems) {
        this.node = node;
        this.place = place;
        this.problems = problems;
        this.before = problems.count();
        if (!node.isObject()) {
            problems.add(place, node.shown(), "an object");
        }
    }

    /** Returns the value, or null if anything in it was wrong. */
    <T> T make(Supplier<T> maker) {
        for (String key : keys()) {
            if (!asked.contains(key)) {
                problems.add(
                        place + "/" + escaped(key),
                        "unknown key",
                        "one of " + Words.either(asked) + Words.nearest(key, asked));
            }
        }
        return problems.count() > before ? null : problems.made(place, maker);
    }

    /** Returns a part made of some of its keys, or null if anything was wrong by now. */
    <T> T part(Supplier<T> maker) {
        return problems.count() > before ? null : problems.made(place, maker);
    }

    boolean has(String key) {
        asked.add(key);
        JsonValue value = under(key);
        return value != null && !value.isNull();
    }

    /** Returns a key, or the one that it had in older bundles where only that is there. */
    String key(String now, String former) {
        return under(now) == null && under(former) != null ? former : now;
    }

    double number(String key) {
        JsonValue value = get(key, "a number");
        if (value == null) {
            return 1;
        }
        double number = value.isNumber() ? value.number() : Double.NaN;
        if (!Double.isFinite(number)) {
            problems.add(at(key), value.shown(), value.isNumber() ? "a number that is not too large" : "a number");
            return 1;
        }
        return number;
    }

    int whole(String key) {
        return (int) wholeUpTo(key, Integer.MAX_VALUE);
    }

    long wholeUpTo(String key, long most) {
        JsonValue value = get(key, "a whole number");
        if (value == null) {
            return 1;
        }
        double d = value.isNumber() ? value.number() : Double.NaN;
        if (d != Math.rint(d) || Math.abs(d) > most) {
            problems.add(at(key), value.shown(), "a whole number");
            return 1;
        }
        return (long) d;
    }

    String text(String key) {
        JsonValue value = get(key, "a text");
        if (value == null) {
            return "";
        }
        if (!value.isText()) {
            problems.add(at(key), value.shown(), "a text");
            return "";
        }
        return or(problems.made(at(key), () -> Demand.whole("", value.text())), "");
    }

    /** Returns one of some words; the first where it is none, which is noted. */
    String word(String key, Collection<String> options) {
        String text = text(key);
        if (options.contains(text)) {
            return text;
        }
        if (under(key) != null && under(key).isText()) {
            problems.add(at(key), '"' + text + '"', Words.either(options) + Words.nearest(text, options));
        }
        return options.iterator().next();
    }

    static String word(Enum<?> constant) {
        return constant.name().toLowerCase(Locale.ROOT).replace('_', ' ');
    }

    /** Returns a pair {@code [least, most]}. */
    Range range(String key) {
        double[] pair = numbers(key, 2, "a pair: minimum, maximum");
        return pair == null ? Range.ONE : or(problems.made(at(key), () -> new Range(pair[0], pair[1])), Range.ONE);
    }

    Vec3 vector(String key) {
        double[] xyz = numbers(key, 3, "three numbers: x, y, z");
        return xyz == null ? Vec3.ZERO : or(problems.made(at(key), () -> new Vec3(xyz[0], xyz[1], xyz[2])), Vec3.ZERO);
    }

    double[] numbers(String key, int length, String allowed) {
        JsonValue value = get(key, allowed);
        if (value == null) {
            return null;
        }
        double[] numbers = new double[length];
        boolean right = value.isList() && value.size() == length;
        for (int i = 0; right && i < length; i++) {
            right = value.get(i).isNumber();
            numbers[i] = right ? value.get(i).number() : 0;
        }
        if (!right) {
            problems.add(at(key), value.shown(), allowed);
            return null;
        }
        return numbers;
    }

    /** Returns what a function reads out of each object of a list; those that were wrong are left out. */
    <T> List<T> list(String key, Function<JsonReader, T> reader) {
        List<T> list = new ArrayList<>();
        JsonValue value = get(key, "a list");
        if (value == null || !value.isList()) {
            if (value != null) {
                problems.add(at(key), value.shown(), "a list");
            }
            return list;
        }
        for (int i = 0; i < value.size(); i++) {
            T item = reader.apply(new JsonReader(value.get(i), at(key) + "/" + i, problems));
            if (item != null) {
                list.add(item);
            }
        }
        return list;
    }

    List<String> texts(String key) {
        List<String> list = new ArrayList<>();
        JsonValue value = get(key, "a list of texts");
        if (value == null || !value.isList()) {
            if (value != null) {
                problems.add(at(key), value.shown(), "a list of texts");
            }
            return list;
        }
        for (int i = 0; i < value.size(); i++) {
            if (value.get(i).isText()) {
                list.add(value.get(i).text());
            } else {
                problems.add(at(key) + "/" + i, value.get(i).shown(), "a text");
            }
        }
        return list;
    }

    /** Returns the object under a key, or null with the lack noted. */
    JsonReader object(String key) {
        JsonValue value = get(key, "an object");
        return value == null ? null : new JsonReader(value, at(key), problems);
    }

    /** Returns what a function reads out of the object under a key; null with the lack or the faults noted. */
    <T> T read(String key, Function<JsonReader, T> reader) {
        JsonReader object = object(key);
        return object == null ? null : reader.apply(object);
    }

    int whole(String key, int otherwise) {
        return has(key) ? whole(key) : otherwise;
    }

    /** Returns the number by which something in a list is known; 0 if it is missing, and it gets the smallest free one. */
    int id() {
        int id = whole("id", 0);
        if (has("id") && id == 0) {
            wrong("id", "0", "a whole number from 1 on");
        }
        return id;
    }

    boolean yes(String key) {
        if (!has(key)) {
            return false;
        }
        JsonValue value = under(key);
        if (!value.isFlag()) {
            problems.add(at(key), value.shown(), "true or false");
            return false;
        }
        return value.flag();
    }

    /** Returns what a function makes of the value under a key, with its refusal noted; null if it refused. */
    <T> T parsed(String key, Function<String, T> parser) {
        int start = problems.count();
        String text = text(key);
        return problems.count() > start ? null : problems.made(at(key), () -> parser.apply(text));
    }

    Datum datum(String key) {
        return PayloadJson.datum(under(key), at(key), problems);
    }

    JsonValue raw(String key) {
        asked.add(key);
        return under(key);
    }

    void wrong(String key, String given, String allowed) {
        problems.add(at(key), given, allowed);
    }

    void wrong(String key, int index, String given, String allowed) {
        problems.add(at(key) + "/" + index, given, allowed);
    }

    <T> T madeAt(String key, Supplier<T> maker) {
        return problems.made(at(key), maker);
    }

    <T> T madeAt(String key, int index, Supplier<T> maker) {
        return problems.made(at(key) + "/" + index, maker);
    }

    Collection<String> keys() {
        return node.isObject() ? node.keys() : List.of();
    }

    private JsonValue under(String key) {
        return node.isObject() ? node.get(key) : null;
    }

    private JsonValue get(String key, String allowed) {
        asked.add(key);
        JsonValue value = under(key);
        if (value == null || value.isNull()) {
            if (node.isObject()) {
                problems.add(at(key), "missing", allowed);
            }
            return null;
        }
        return value;
    }

    private String at(String key) {
        return place + "/" + escaped(key);
    }

    private static String escaped(String key) {
        return key.replace("~", "~0").replace("/", "~1");
    }

    private static <T> T or(T value, T otherwise) {
        return value == null ? otherwise : value;
    }
}
