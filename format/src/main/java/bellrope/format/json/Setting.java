package bellrope.format.json;

import bellrope.core.value.Bounds;
import java.util.function.Function;

/**
 * One setting of something: its key, what it is for, its unit and bounds, what holds when it is left out, and where it is found.
 * Reader, writer and schema come from it; the schema brings it to the interface.
 *
 * @param <T> what it is a setting of
 */
final class Setting<T, V> extends Member<T> {
    private final String key;
    private final Function<T, V> getter;
    private final Notation<V> notation;
    private final int index;
    private V usual;
    private boolean always;
    private String former;
    private String sentence = "";
    private String unit = "";
    private Bounds bounds;
    private int least = -1;
    private int most = -1;
    private boolean unique;
    private int fewestCharacters;
    private int mostCharacters = -1;

    Setting(String key, Function<T, V> getter, Notation<V> notation, int index) {
        this.key = key;
        this.getter = getter;
        this.notation = notation;
        this.index = index;
    }

    /** Says what holds when it is left out. It is not written when it is that. */
    Setting<T, V> usual(V value) {
        usual = value;
        return this;
    }

    /** Has it written whatever it is. */
    Setting<T, V> always() {
        always = true;
        return this;
    }

    /** Says what it is for, in a sentence. */
    Setting<T, V> says(String what) {
        sentence = what;
        return this;
    }

    Setting<T, V> within(Bounds allowed) {
        bounds = allowed;
        return this;
    }

    Setting<T, V> within(Bounds allowed, String measured) {
        unit = measured;
        return within(allowed);
    }

    /** Says the smallest number, where the highest depends on others. */
    Setting<T, V> atLeast(double bound) {
        return within(Bounds.of(bound, Double.POSITIVE_INFINITY));
    }

    Setting<T, V> in(String measured) {
        unit = measured;
        return this;
    }

    /** Says how many a list has at most. */
    Setting<T, V> atMost(int count) {
        most = count;
        return this;
    }

    /** Says how many a list has. */
    Setting<T, V> from(int fewest, int count) {
        least = fewest;
        most = count;
        return this;
    }

    /** Says that no two of a list are the same. */
    Setting<T, V> unique() {
        unique = true;
        return this;
    }

    /** Says how many characters a text has; without a bound below where {@code fewest} is 0. */
    Setting<T, V> characters(int fewest, int count) {
        fewestCharacters = fewest;
        mostCharacters = count;
        return this;
    }

    /** Says what its key was in older bundles. */
    Setting<T, V> formerly(String name) {
        former = name;
        return this;
    }

    /** Returns its value among those that were read. */
    @SuppressWarnings("unchecked")
    V of(Values values) {
        return (V) values.at(index);
    }

    @Override
    void read(JsonReader object, Values values) {
        String at = former == null ? key : object.key(key, former);
        values.put(index, usual != null && !object.has(at) ? usual : notation.read(object, at));
    }

    @Override
    void write(T owner, JsonObject node) {
        V value = getter.apply(owner);
        if (always || usual == null || !notation.same(value, usual)) {
            node.set(key, notation.write(value));
        }
    }

    @Override
    void describe(JsonObject properties, JsonList required, SchemaWriter schema) {
        JsonObject rule = Json.object();
        if (!sentence.isEmpty()) {
            rule.put("description", sentence);
        }
        JsonObject kind = notation.rule(schema);
        kind.keys().forEach(k -> rule.set(k, kind.get(k)));
        if (bounds != null) {
            bound(notation.numbersOf(rule), bounds);
        }
        if (!unit.isEmpty()) {
            rule.put("unit", unit);
        }
        if (least >= 0) {
            rule.put("minItems", least);
        }
        if (most >= 0) {
            rule.put("maxItems", most);
        }
        if (unique) {
            rule.put("uniqueItems", true);
        }
        if (fewestCharacters > 0) {
            rule.put("minLength", fewestCharacters);
        }
        if (mostCharacters >= 0) {
            rule.put("maxLength", mostCharacters);
        }
        if (usual == null) {
            required.add(key);
        } else if (notation.shown()) {
            rule.set("default", notation.write(usual));
        }
        properties.set(key, rule);
    }

    /** Says in a rule between which numbers something lies; returns the rule. */
    static JsonObject bound(JsonObject rule, Bounds bounds) {
        rule.set(bounds.above() ? "exclusiveMinimum" : "minimum", Json.number(bounds.least()));
        return bounds.most() < Double.POSITIVE_INFINITY ? rule.set("maximum", Json.number(bounds.most())) : rule;
    }
}
