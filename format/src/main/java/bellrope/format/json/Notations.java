package bellrope.format.json;

import bellrope.core.value.Curve;
import bellrope.core.value.Datum;
import bellrope.core.value.Demand;
import bellrope.core.value.Gradient;
import bellrope.core.value.Range;
import bellrope.core.value.Rgba;
import bellrope.core.value.Vec3;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.OptionalLong;
import java.util.function.BiFunction;
import java.util.function.Function;

/** The notations of plain values. */
final class Notations {
    private Notations() {}

    static final Notation<Double> NUMBER = new Plain<>(JsonReader::number, Json::number, s -> type("number")) {
        @Override
        boolean same(Double one, Double other) {
            // Not by equals: 0 and -0 are the same.
            return one.doubleValue() == other.doubleValue();
        }
    };

    static final Notation<Integer> WHOLE =
            new Plain<>(JsonReader::whole, w -> JsonLeaf.of((long) w), s -> type("integer"));

    static final Notation<Boolean> FLAG = new Plain<>(JsonReader::yes, JsonLeaf::of, s -> type("boolean"));

    static final Notation<String> TEXT = new Plain<>(JsonReader::text, JsonLeaf::of, s -> type("string"));

    /** The name of something. */
    static final Notation<String> NAME = new Plain<>(
            JsonReader::text,
            JsonLeaf::of,
            s -> s.named(
                    "Name",
                    () -> type("string")
                            .put("description", "No slashes or control characters, no space at its ends.")
                            .put("minLength", 1)
                            .put("maxLength", Demand.LONGEST_NAME)
                            .put("pattern", "^[^/\\u0000-\\u001f]+$")));

    static final Notation<Range> RANGE = new Plain<>(
                    JsonReader::range,
                    Json::range,
                    s -> s.named("Pair", () -> numbers(2).put("description", "Least and most, both included.")))
            .numbersAt("items");

    static final Notation<Vec3> VECTOR = new Plain<>(
                    JsonReader::vector,
                    Json::vector,
                    s -> s.named("Vector", () -> numbers(3).put("description", "x right, y up, z towards the viewer.")))
            .numbersAt("items");

    static final Notation<Rgba> COLOUR = new Plain<>(
            (object, key) -> object.parsed(key, Rgba::parse),
            colour -> JsonLeaf.of(colour.toString()),
            s -> s.named(
                    "Colour",
                    () -> type("string")
                            .put("description", "sRGB and opacity; opaque without the last two digits.")
                            .put("pattern", "^#[0-9A-Fa-f]{6}([0-9A-Fa-f]{2})?$")));

    static final Notation<Curve> CURVE = new Plain<>(
                    CurveJson::read, CurveJson::write, s -> s.named("Curve", () -> CurveJson.rule(s)))
            .hidden()
            .numbersAt("items", "properties", "value");

    static final Notation<Gradient> GRADIENT = new Plain<>(
                    CurveJson::readGradient,
                    CurveJson::write,
                    s -> s.named("Gradient", () -> CurveJson.gradientRule(s)))
            .hidden();

    /** A value of any type. */
    static final Notation<Datum> DATUM = new Plain<>(
            ParameterJson::datum,
            PayloadJson::node,
            s -> s.named("Datum", () -> {
                JsonObject rule = Json.object();
                rule.put("description", "A number, a word or a colour, true or false, or three numbers.");
                rule.putArray("oneOf")
                        .add(type("number"))
                        .add(type("string").put("maxLength", Demand.LONGEST_NAME))
                        .add(type("boolean"))
                        .add(VECTOR.rule(s));
                return rule;
            }));

    /** Values by the names of fields or parameters. */
    static final Notation<Map<String, Datum>> VALUES = new Plain<>(
            (object, key) -> {
                Map<String, Datum> read = object.read(key, t -> {
                    Map<String, Datum> values = new LinkedHashMap<>();
                    for (String name : t.keys()) {
                        Datum value = t.datum(name);
                        if (value != null) {
                            values.put(name, value);
                        }
                    }
                    return values;
                });
                return read == null ? Map.of() : read;
            },
            PayloadJson::write,
            s -> type("object").set("additionalProperties", DATUM.rule(s)));

    /** A whole number up to 2⁵³, which every reader of JSON takes exactly. */
    static Notation<Long> upTo(long most) {
        return new Plain<>(
                (object, key) -> object.wholeUpTo(key, most),
                JsonLeaf::of,
                s -> type("integer").put("minimum", 0).put("maximum", most));
    }

    /** A text that a regular expression describes. */
    static Notation<String> pattern(String expression) {
        return new Plain<>(JsonReader::text, JsonLeaf::of, s -> type("string").put("pattern", "^" + expression + "$"));
    }

    /** A picture in the text. */
    static final Notation<String> BASE64_PNG = new Plain<>(
            JsonReader::text,
            JsonLeaf::of,
            s -> type("string").put("contentEncoding", "base64").put("contentMediaType", "image/png"));

    /** The number by which something in a list is known; 0 if it is missing. */
    static final Notation<Integer> ID =
            new Plain<>((object, key) -> object.id(), w -> JsonLeaf.of((long) w), s -> type("integer")).hidden();

    /** One of an enum's words. */
    static <E extends Enum<E>> Choice<E> choice(Class<E> type) {
        return choice(type, Map.of());
    }

    /** The same, with words that it had in older bundles. */
    static <E extends Enum<E>> Choice<E> choice(Class<E> type, Map<String, E> former) {
        return new Choice<>("", "", List.of(type.getEnumConstants()), former);
    }

    /** One of an enum's words, by a name in the schema. */
    static <E extends Enum<E>> Choice<E> choice(String name, Class<E> type) {
        return choice(name, type, "");
    }

    static <E extends Enum<E>> Choice<E> choice(String name, Class<E> type, String sentence) {
        return new Choice<>(name, sentence, List.of(type.getEnumConstants()), Map.of());
    }

    /** Texts, or names. */
    static Notation<List<String>> texts(Notation<String> each) {
        return new Plain<>(
                JsonReader::texts,
                all -> {
                    JsonList list = Json.array();
                    all.forEach(list::add);
                    return list;
                },
                s -> type("array").set("items", each.rule(s)));
    }

    static <V> Notation<List<V>> list(Notation<V> each) {
        return new Plain<>(
                        (object, key) -> object.list(key, each::read),
                        all -> {
                            JsonList list = Json.array();
                            all.forEach(value -> list.add(each.write(value)));
                            return list;
                        },
                        s -> type("array").set("items", each.rule(s)))
                .hidden();
    }

    /** A value that may be missing. */
    static <V> Notation<Optional<V>> maybe(Notation<V> notation) {
        return new Maybe<>(notation, Optional::ofNullable, Optional::get);
    }

    static final Notation<OptionalDouble> MAYBE_NUMBER =
            new Maybe<>(NUMBER, OptionalDouble::of, OptionalDouble::getAsDouble);

    static final Notation<OptionalInt> MAYBE_WHOLE = new Maybe<>(WHOLE, OptionalInt::of, OptionalInt::getAsInt);

    static Notation<OptionalLong> maybeUpTo(long most) {
        return new Maybe<>(upTo(most), OptionalLong::of, OptionalLong::getAsLong);
    }

    static JsonObject type(String type) {
        return Json.object().put("type", type);
    }

    /** So many numbers. */
    static JsonObject numbers(int count) {
        JsonObject rule = type("array");
        JsonList items = rule.putArray("prefixItems");
        for (int i = 0; i < count; i++) {
            items.add(type("number"));
        }
        return rule.put("items", false).put("minItems", count);
    }

    /** One of some words. */
    static final class Choice<E extends Enum<E>> extends Notation<E> {
        private final String name;
        private final String sentence;
        private final Map<String, E> constants = new LinkedHashMap<>();
        private final Map<String, E> former;

        private Choice(String name, String sentence, List<E> constants, Map<String, E> former) {
            this.name = name;
            this.sentence = sentence;
            this.former = former;
            constants.forEach(constant -> this.constants.put(JsonReader.word(constant), constant));
        }

        /** Returns one of all words but some. */
        @SafeVarargs
        final Choice<E> without(E... others) {
            List<E> left = new ArrayList<>(constants.values());
            left.removeAll(List.of(others));
            return new Choice<>(name, sentence, left, former);
        }

        @Override
        E read(JsonReader object, String key) {
            JsonValue value = former.isEmpty() ? null : object.raw(key);
            E formerly = value != null && value.isText() ? former.get(value.text()) : null;
            return formerly == null ? constants.get(object.word(key, constants.keySet())) : formerly;
        }

        @Override
        JsonValue write(E value) {
            return JsonLeaf.of(JsonReader.word(value));
        }

        @Override
        JsonObject rule(SchemaWriter schema) {
            return name.isEmpty() ? words() : schema.named(name, this::words);
        }

        private JsonObject words() {
            JsonObject rule = Json.object();
            if (!name.isEmpty()) {
                rule.put("title", name);
            }
            if (!sentence.isEmpty()) {
                rule.put("description", sentence);
            }
            JsonList words = rule.putArray("enum");
            constants.keySet().forEach(words::add);
            return rule;
        }
    }

    /** A notation of three functions. */
    static class Plain<V> extends Notation<V> {
        private final BiFunction<JsonReader, String, V> reader;
        private final Function<V, JsonValue> writer;
        private final Function<SchemaWriter, JsonObject> rule;
        private boolean shown = true;
        private String[] path = {};

        Plain(
                BiFunction<JsonReader, String, V> reader,
                Function<V, JsonValue> writer,
                Function<SchemaWriter, JsonObject> rule) {
            this.reader = reader;
            this.writer = writer;
            this.rule = rule;
        }

        /** Has a schema not say what holds when it is left out: that nothing is there, or too much to say. */
        Plain<V> hidden() {
            shown = false;
            return this;
        }

        /** Says where in its rule the numbers of it are. */
        Plain<V> numbersAt(String... keys) {
            path = keys;
            return this;
        }

        @Override
        JsonObject numbersOf(JsonObject rule) {
            JsonObject at = rule;
            for (String key : path) {
                at = at.putObject(key);
            }
            return at;
        }

        @Override
        boolean shown() {
            return shown;
        }

        @Override
        V read(JsonReader object, String key) {
            return reader.apply(object, key);
        }

        @Override
        JsonValue write(V value) {
            return writer.apply(value);
        }

        @Override
        JsonObject rule(SchemaWriter schema) {
            return rule.apply(schema);
        }
    }

    // What stands for nothing is never written: whoever has it leaves it out.
    private static final class Maybe<V, O> extends Notation<O> {
        private final Notation<V> notation;
        private final Function<V, O> some;
        private final Function<O, V> value;

        Maybe(Notation<V> notation, Function<V, O> some, Function<O, V> value) {
            this.notation = notation;
            this.some = some;
            this.value = value;
        }

        @Override
        O read(JsonReader object, String key) {
            return some.apply(notation.read(object, key));
        }

        @Override
        JsonValue write(O optional) {
            return notation.write(value.apply(optional));
        }

        @Override
        JsonObject rule(SchemaWriter schema) {
            return notation.rule(schema);
        }

        @Override
        JsonObject numbersOf(JsonObject rule) {
            return notation.numbersOf(rule);
        }

        @Override
        boolean shown() {
            return false;
        }
    }
}
