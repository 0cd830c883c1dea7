package bellrope.format.json;

/** What belongs to something that is written as an object: a setting, or several that make one part. */
abstract class Member<T> {
    abstract void read(JsonReader object, Values values);

    abstract void write(T owner, JsonObject node);

    abstract void describe(JsonObject properties, JsonList required, SchemaWriter schema);
}
