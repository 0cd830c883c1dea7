package bellrope.format.json;

/** A key whose word is always the same: it tells of which kind something is. */
final class Constant<T> extends Member<T> {
    private final String key;
    private final String word;
    private final String sentence;

    Constant(String key, String word, String sentence) {
        this.key = key;
        this.word = word;
        this.sentence = sentence;
    }

    @Override
    void read(JsonReader object, Values values) {
        // Whoever chose this form has read it.
    }

    @Override
    void write(T owner, JsonObject node) {
        node.put(key, word);
    }

    @Override
    void describe(JsonObject properties, JsonList required, SchemaWriter schema) {
        JsonObject rule = Json.object();
        if (!sentence.isEmpty()) {
            rule.put("description", sentence);
        }
        properties.set(key, rule.put("const", word));
        required.add(key);
    }
}
