package bellrope.format.json;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.function.Function;

/**
 * Something that is of one of several kinds, each with settings of its own; a word says which.
 *
 * <p>Writing goes through the {@code match} of the closed kind, so that a kind that is added does not compile until it is
 * described here.
 */
final class Kinds<T> extends Notation<T> {
    private final String name;
    private final String key;
    private final Map<String, Kind<? extends T>> kinds;
    private final Function<T, JsonObject> writer;
    private final String sentence;

    private Kinds(String name, String sentence, Describing<T> described, Function<T, JsonObject> writer) {
        this.name = name;
        this.sentence = sentence;
        this.key = described.key;
        this.kinds = described.kinds;
        this.writer = writer;
    }

    /**
     * Describes kinds.
     *
     * @param name by which the schema has them
     * @param key whose word says of which kind something is
     * @param described names the kinds and returns what writes something of any of them; called once
     */
    static <T> Kinds<T> of(String name, String key, Function<Describing<T>, Function<T, JsonObject>> described) {
        return of(name, key, "", described);
    }

    /**
     * Describes kinds.
     *
     * @param sentence what they are
     */
    static <T> Kinds<T> of(
            String name, String key, String sentence, Function<Describing<T>, Function<T, JsonObject>> described) {
        Describing<T> describing = new Describing<>(key);
        Function<T, JsonObject> writer = described.apply(describing);
        return new Kinds<>(name, sentence, describing, writer);
    }

    @Override
    T read(JsonReader object) {
        return kinds.get(object.word(key, kinds.keySet())).form.read(object);
    }

    @Override
    T read(JsonReader object, String under) {
        return object.read(under, this::read);
    }

    @Override
    JsonObject write(T value) {
        return writer.apply(value);
    }

    @Override
    boolean shown() {
        return false;
    }

    @Override
    JsonObject rule(SchemaWriter schema) {
        return schema.named(name, () -> {
            JsonObject rule = Json.object().put("title", name);
            if (!sentence.isEmpty()) {
                rule.put("description", sentence);
            }
            JsonList oneOf = rule.putArray("oneOf");
            kinds.values().forEach(kind -> oneOf.add(kind.object(schema)));
            return rule;
        });
    }

    /** Kinds while they are named. */
    static final class Describing<T> {
        private final String key;
        private final Map<String, Kind<? extends T>> kinds = new LinkedHashMap<>();

        private Describing(String key) {
            this.key = key;
        }

        /** Names a kind by its word, and how it is written. */
        <K extends T> Kind<K> kind(String word, Form<K> form) {
            Kind<K> kind = new Kind<>(key, word, form);
            kinds.put(word, kind);
            return kind;
        }

        <K extends T> Kind<K> kind(String word, String title, Function<Form.Keys<K>, Function<Values, K>> described) {
            return kind(word, Form.of(title, described));
        }
    }

    /** One of them. */
    static final class Kind<K> {
        private final String key;
        private final String word;
        private final Form<K> form;
        private String sentence = "";

        private Kind(String key, String word, Form<K> form) {
            this.key = key;
            this.word = word;
            this.form = form;
        }

        /** Says what it is. */
        Kind<K> says(String what) {
            sentence = what;
            return this;
        }

        JsonObject write(K value) {
            JsonObject node = Json.object().put(key, word);
            form.write(value, node);
            return node;
        }

        // Its word first, then what else it has.
        private JsonObject object(SchemaWriter schema) {
            JsonObject rule = form.object(schema);
            JsonList required = Json.array();
            JsonObject properties = Json.object();
            new Constant<>(key, word, sentence).describe(properties, required, schema);
            JsonObject own = (JsonObject) rule.get("properties");
            own.keys().forEach(k -> properties.set(k, own.get(k)));
            JsonList demanded = (JsonList) rule.get("required");
            for (int i = 0; i < demanded.size(); i++) {
                required.add(demanded.get(i));
            }
            return rule.set("required", required).set("properties", properties);
        }
    }
}
