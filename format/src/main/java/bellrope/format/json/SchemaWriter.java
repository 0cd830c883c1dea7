package bellrope.format.json;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.function.Supplier;

/** Gathers the rules of a JSON Schema (2020-12) while what they are of is described. */
final class SchemaWriter {
    private final Map<String, JsonObject> named = new LinkedHashMap<>();

    /** Returns a reference to a rule that has a name, and has it made when it is named first. */
    JsonObject named(String name, Supplier<JsonObject> rule) {
        if (!named.containsKey(name)) {
            // In its place already, should it be named while it is made.
            named.put(name, Json.object());
            named.put(name, rule.get());
        }
        return Json.object().put("$ref", "#/$defs/" + name);
    }

    JsonObject rules() {
        JsonObject all = Json.object();
        named.forEach(all::set);
        return all;
    }
}
