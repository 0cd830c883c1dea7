package bellrope.format;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;

import bellrope.format.json.BundleSchema;
import bellrope.format.json.JsonText;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/**
 * The schema beside the docs is what the forms say; {@code -Dbellrope.renew=true} writes it anew. The interface takes its units,
 * bounds, defaults and explanations from that file.
 */
class SchemaTest {
    private static final Path FILE = Path.of("../docs/format/bundle.schema.json");
    private static final int WIDTH = 320;

    @Test
    void theSchemaIsWhatTheFormsSay() throws IOException {
        String said = said();
        if (Boolean.getBoolean("bellrope.renew")) {
            Files.writeString(FILE, said);
        }
        assertThat(Files.readString(FILE)).isEqualTo(said);
    }

    @Test
    void everySettingSaysWhatItIsFor() {
        JsonNode defs = JsonText.parse(said().getBytes(UTF_8)).node().get("$defs");
        assertThat(defs.size()).isGreaterThan(60);
        for (Map.Entry<String, JsonNode> def : defs.properties()) {
            for (Map.Entry<String, JsonNode> setting :
                    def.getValue().path("properties").properties()) {
                assertThat(setting.getValue().path("description").asString(""))
                        .as(def.getKey() + "." + setting.getKey())
                        .isNotBlank();
            }
        }
    }

    private static String said() {
        return text(JsonText.parse(JsonText.pretty(BundleSchema.schema()).getBytes(UTF_8))
                .node());
    }

    // On one line what fits there.
    private static String text(JsonNode node) {
        StringBuilder out = new StringBuilder();
        write(node, 0, 0, out);
        return out.append('\n').toString();
    }

    private static void write(JsonNode node, int indent, int taken, StringBuilder out) {
        String flat = flat(node);
        boolean leaf = !node.isContainer() || node.isEmpty();
        if (leaf || indent > 2 && indent + taken + flat.length() <= WIDTH) {
            out.append(flat);
            return;
        }
        boolean object = node.isObject();
        out.append(object ? "{" : "[");
        String between = "\n";
        if (object) {
            for (Map.Entry<String, JsonNode> member : node.properties()) {
                String key = '"' + member.getKey() + "\": ";
                out.append(between).append(" ".repeat(indent + 2)).append(key);
                write(member.getValue(), indent + 2, key.length() + 1, out);
                between = ",\n";
            }
        } else {
            for (JsonNode item : node) {
                out.append(between).append(" ".repeat(indent + 2));
                write(item, indent + 2, 1, out);
                between = ",\n";
            }
        }
        out.append('\n').append(" ".repeat(indent)).append(object ? "}" : "]");
    }

    private static String flat(JsonNode node) {
        if (!node.isContainer()) {
            return node.toString();
        }
        List<String> inner = new ArrayList<>();
        node.properties().forEach(member -> inner.add('"' + member.getKey() + "\": " + flat(member.getValue())));
        if (node.isObject()) {
            return inner.isEmpty() ? "{}" : "{ " + String.join(", ", inner) + " }";
        }
        node.forEach(item -> inner.add(flat(item)));
        return "[" + String.join(", ", inner) + "]";
    }
}
