package bellrope.format.json;

/**
 * How values of a kind stand in JSON: how they are read, written, and described in a schema. The three are one object, so that
 * none is forgotten when another changes.
 */
abstract class Notation<V> {
    /** Reads what stands under a key; notes what is wrong and returns a stand-in. */
    abstract V read(JsonReader object, String key);

    /** Reads an object; only of what is written as one. */
    V read(JsonReader object) {
        throw new IllegalStateException("is no object");
    }

    abstract JsonValue write(V value);

    /** Returns the rule that a schema has for it. */
    abstract JsonObject rule(SchemaWriter schema);

    /** Returns what its rule says of the numbers in it, which have bounds. */
    JsonObject numbersOf(JsonObject rule) {
        return rule;
    }

    /** Tells whether two values are written the same. */
    boolean same(V one, V other) {
        return one.equals(other);
    }

    /** Tells whether a schema says what holds when it is left out. */
    boolean shown() {
        return true;
    }
}
