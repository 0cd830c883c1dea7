package bellrope.format.json;

import bellrope.core.value.Bounds;
import bellrope.core.value.Curve;
import bellrope.core.value.Gradient;
import bellrope.core.value.Range;
import bellrope.core.value.Rgba;
import bellrope.core.value.Vec3;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.OptionalLong;
import java.util.function.Consumer;
import java.util.function.Function;

/**
 * How something is written as an object: its settings in their order, each said once, and how it is made of what was read.
 *
 * <pre>{@code
 * static final Form<Timing> TIMING = Form.of("Timing", f -> {
 *     var delay = f.number("delay", Timing::delay).usual(0.0).within(Timing.DELAY, "s").says("Seconds between …");
 *     var jitter = f.number("jitter", Timing::jitter).usual(0.0).within(Timing.JITTER, "s").says("…");
 *     return v -> new Timing(delay.of(v), jitter.of(v));
 * });
 * }</pre>
 */
final class Form<T> extends Notation<T> implements Inline<T> {
    private final String name;
    private final List<Member<T>> members;
    private final Function<Values, T> maker;
    private final String sentence;
    private String[] alternatives = {};
    private Consumer<JsonObject> more = rule -> {};

    private Form(String name, String sentence, List<Member<T>> members, Function<Values, T> maker) {
        this.name = name;
        this.sentence = sentence;
        this.members = members;
        this.maker = maker;
    }

    /**
     * Describes something.
     *
     * @param name by which the schema has it
     * @param described names its settings and returns what makes it of their values; called once
     */
    static <T> Form<T> of(String name, Function<Keys<T>, Function<Values, T>> described) {
        return of(name, "", described);
    }

    /**
     * Describes something.
     *
     * @param sentence what it is
     */
    static <T> Form<T> of(String name, String sentence, Function<Keys<T>, Function<Values, T>> described) {
        Keys<T> keys = new Keys<>();
        Function<Values, T> maker = described.apply(keys);
        return new Form<>(name, sentence, keys.members, maker);
    }

    /** Says what else a schema demands of it. */
    Form<T> also(Consumer<JsonObject> rules) {
        more = rules;
        return this;
    }

    /** Says of which keys it has exactly one. */
    Form<T> oneOf(String... keys) {
        alternatives = keys;
        return this;
    }

    @Override
    T read(JsonReader object) {
        Values values = values(object);
        return object.make(() -> maker.apply(values));
    }

    @Override
    T read(JsonReader object, String key) {
        return object.read(key, this::read);
    }

    @Override
    public T among(JsonReader object) {
        Values values = values(object);
        return object.part(() -> maker.apply(values));
    }

    private Values values(JsonReader object) {
        Values values = new Values(members.size());
        members.forEach(member -> member.read(object, values));
        return values;
    }

    @Override
    JsonObject write(T value) {
        JsonObject node = Json.object();
        write(value, node);
        return node;
    }

    @Override
    public void write(T value, JsonObject node) {
        members.forEach(member -> member.write(value, node));
    }

    @Override
    boolean shown() {
        return false;
    }

    @Override
    JsonObject rule(SchemaWriter schema) {
        return schema.named(name, () -> object(schema));
    }

    @Override
    public void describe(JsonObject properties, JsonList required, SchemaWriter schema) {
        members.forEach(member -> member.describe(properties, required, schema));
    }

    /** Returns its rule, not a reference to it. */
    JsonObject object(SchemaWriter schema) {
        JsonObject rule = Json.object().put("title", name);
        if (!sentence.isEmpty()) {
            rule.put("description", sentence);
        }
        rule.put("type", "object").put("additionalProperties", false);
        JsonList required = rule.putArray("required");
        JsonObject properties = rule.putObject("properties");
        describe(properties, required, schema);
        if (alternatives.length > 0) {
            JsonList oneOf = rule.putArray("oneOf");
            for (String key : alternatives) {
                oneOf.addObject().putArray("required").add(key);
            }
        }
        more.accept(rule);
        return rule;
    }

    /** The settings of a form while they are named. */
    static final class Keys<T> {
        private final List<Member<T>> members = new ArrayList<>();

        <V> Setting<T, V> set(String key, Function<T, V> getter, Notation<V> notation) {
            Setting<T, V> setting = new Setting<>(key, getter, notation, members.size());
            members.add(setting);
            return setting;
        }

        /** What stands under a key whatever it is. */
        void constant(String key, String word, String what) {
            members.add(new Constant<>(key, word, what));
        }

        Setting<T, Double> number(String key, Function<T, Double> getter) {
            return set(key, getter, Notations.NUMBER);
        }

        Setting<T, OptionalDouble> maybeNumber(String key, Function<T, OptionalDouble> getter) {
            return set(key, getter, Notations.MAYBE_NUMBER).usual(OptionalDouble.empty());
        }

        Setting<T, Integer> whole(String key, Function<T, Integer> getter) {
            return set(key, getter, Notations.WHOLE);
        }

        Setting<T, OptionalInt> maybeWhole(String key, Function<T, OptionalInt> getter) {
            return set(key, getter, Notations.MAYBE_WHOLE).usual(OptionalInt.empty());
        }

        Setting<T, OptionalLong> maybeUpTo(String key, Function<T, OptionalLong> getter, long most) {
            return set(key, getter, Notations.maybeUpTo(most)).usual(OptionalLong.empty());
        }

        Setting<T, String> text(String key, Function<T, String> getter) {
            return set(key, getter, Notations.TEXT);
        }

        Setting<T, Optional<String>> maybeText(String key, Function<T, Optional<String>> getter) {
            return maybe(key, getter, Notations.TEXT);
        }

        /** The name of something. */
        Setting<T, String> name(String key, Function<T, String> getter) {
            return set(key, getter, Notations.NAME);
        }

        Setting<T, Optional<String>> maybeName(String key, Function<T, Optional<String>> getter) {
            return maybe(key, getter, Notations.NAME);
        }

        Setting<T, List<String>> texts(String key, Function<T, List<String>> getter) {
            return set(key, getter, Notations.texts(Notations.TEXT));
        }

        Setting<T, List<String>> names(String key, Function<T, List<String>> getter) {
            return set(key, getter, Notations.texts(Notations.NAME));
        }

        /** True or false; false when it is left out. */
        Setting<T, Boolean> flag(String key, Function<T, Boolean> getter) {
            return set(key, getter, Notations.FLAG).usual(false);
        }

        <E extends Enum<E>> Setting<T, E> choice(String key, Function<T, E> getter, Class<E> type) {
            return set(key, getter, Notations.choice(type));
        }

        Setting<T, Range> range(String key, Function<T, Range> getter) {
            return set(key, getter, Notations.RANGE);
        }

        Setting<T, Vec3> vector(String key, Function<T, Vec3> getter) {
            return set(key, getter, Notations.VECTOR);
        }

        Setting<T, Rgba> colour(String key, Function<T, Rgba> getter) {
            return set(key, getter, Notations.COLOUR);
        }

        Setting<T, Curve> curve(String key, Function<T, Curve> getter) {
            return set(key, getter, Notations.CURVE);
        }

        Setting<T, Gradient> gradient(String key, Function<T, Gradient> getter) {
            return set(key, getter, Notations.GRADIENT);
        }

        <V> Setting<T, List<V>> list(String key, Function<T, List<V>> getter, Notation<V> each) {
            return set(key, getter, Notations.list(each));
        }

        <V> Setting<T, Optional<V>> maybe(String key, Function<T, Optional<V>> getter, Notation<V> notation) {
            return set(key, getter, Notations.maybe(notation)).usual(Optional.empty());
        }

        /** What the random draws of something in a list are addressed by. */
        Setting<T, Integer> id(Function<T, Integer> getter, int highest) {
            return set("id", getter, Notations.ID)
                    .usual(0)
                    .always()
                    .within(Bounds.of(1, highest))
                    .says(
                            "What its random draws are addressed by, its own in the list; the smallest free number if absent.");
        }

        /** What stands among the keys, and makes one part. */
        <P> Part<T, P> part(Function<T, P> getter, Inline<P> form) {
            Part<T, P> part = new Part<>(getter, form, members.size());
            members.add(part);
            return part;
        }
    }
}
