package bellrope.format.json;

/** A part of something that is written among the other keys of it, not as an object of its own. */
interface Inline<P> {
    /** Returns the part, or null with its faults noted. */
    P among(JsonReader object);

    void write(P part, JsonObject node);

    /** Adds its keys to those of an object in a schema. */
    void describe(JsonObject properties, JsonList required, SchemaWriter schema);
}
