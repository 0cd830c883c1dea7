package bellrope.format.json;

/** The JSON Schema (2020-12) of bundles, written from how everything in them is described. */
public final class BundleSchema {
    private BundleSchema() {}

    /** Returns the schema, as it stands in {@code docs/format/bundle.schema.json}. */
    public static JsonValue schema() {
        SchemaWriter writer = new SchemaWriter();
        JsonObject project = ProjectJson.PROJECT.object(writer);
        JsonObject root = Json.object()
                .put("$schema", "https://json-schema.org/draft/2020-12/schema")
                .put("$id", "urn:bellrope:bundle:" + Bundle.VERSION)
                .put("title", "Bundle")
                .put(
                        "description",
                        "A whole Bellrope project, version " + Bundle.VERSION + ". Times in seconds, lengths in world"
                                + " units (u), angles in degrees, colours as sRGB #RRGGBBAA.")
                .put("type", "object")
                .put("additionalProperties", false);
        JsonList required = root.putArray("required").add("bellrope");
        JsonList demanded = (JsonList) project.get("required");
        for (int i = 0; i < demanded.size(); i++) {
            required.add(demanded.get(i));
        }
        JsonObject properties = root.putObject("properties");
        properties.putObject("bellrope").put("const", Bundle.VERSION).put("description", "Version of this format.");
        JsonObject own = (JsonObject) project.get("properties");
        own.keys().forEach(key -> properties.set(key, own.get(key)));
        return root.set("$defs", writer.rules());
    }
}
