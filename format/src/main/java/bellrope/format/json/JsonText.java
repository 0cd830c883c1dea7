package bellrope.format.json;

import bellrope.core.value.Problem;
import java.nio.charset.StandardCharsets;
import java.util.List;
import tools.jackson.core.JacksonException;
import tools.jackson.core.StreamReadConstraints;
import tools.jackson.core.StreamReadFeature;
import tools.jackson.core.exc.StreamConstraintsException;
import tools.jackson.core.json.JsonFactory;
import tools.jackson.core.util.DefaultIndenter;
import tools.jackson.core.util.DefaultPrettyPrinter;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** JSON as text: read within bounds of size and depth, written the same way each time. */
public final class JsonText {
    /** Most bytes of a bundle or of one part of it. */
    public static final int MOST_BYTES = 32 << 20;

    static final int DEEPEST = 40;

    private static final int MOST_DIGITS = 60;
    private static final int MOST_TOKENS = 1_500_000;

    private static final JsonMapper MAPPER = JsonMapper.builder(JsonFactory.builder()
                    .streamReadConstraints(StreamReadConstraints.builder()
                            .maxNestingDepth(DEEPEST)
                            .maxDocumentLength(MOST_BYTES)
                            .maxStringLength(2 << 20)
                            .maxNumberLength(MOST_DIGITS)
                            .maxTokenCount(MOST_TOKENS)
                            .build())
                    .enable(StreamReadFeature.STRICT_DUPLICATE_DETECTION)
                    .build())
            .enable(DeserializationFeature.FAIL_ON_TRAILING_TOKENS)
            .addModule(JacksonValue.module())
            .build();

    private JsonText() {}

    /** What was read, or why it could not be: exactly one of the two is there. */
    public record Parsed(JsonNode node, List<Problem> problems) {
        /** Returns what was read as the readers see it. */
        public JsonValue value() {
            return JacksonValue.of(node);
        }

        public boolean failed() {
            return node == null;
        }
    }

    /** Reads one JSON value from UTF-8 bytes. */
    public static Parsed parse(byte[] bytes) {
        if (bytes.length > MOST_BYTES) {
            return failed(bytes.length / (1 << 20) + " MiB", "at most " + MOST_BYTES / (1 << 20) + " MiB");
        }
        try {
            JsonNode node = MAPPER.readTree(bytes);
            return node == null || node.isMissingNode() ? failed("nothing", "JSON") : new Parsed(node, List.of());
        } catch (StreamConstraintsException e) {
            return failed(
                    e.getOriginalMessage().contains("nesting") ? "nested too deeply" : "too large in one part",
                    "at most " + DEEPEST + " levels, texts of at most 2 MiB, numbers of at most " + MOST_DIGITS
                            + " digits, and " + MOST_TOKENS + " values in all");
        } catch (JacksonException e) {
            String where = e.getLocation() == null
                    ? ""
                    : " at line " + e.getLocation().getLineNr() + ", column "
                            + e.getLocation().getColumnNr();
            String what = e.getOriginalMessage() != null
                            && e.getOriginalMessage().contains("end-of-input")
                    ? "cut off"
                    : e.getOriginalMessage() != null && e.getOriginalMessage().startsWith("Duplicate")
                            ? "a key given twice"
                            : "not JSON";
            return failed(what + where, "a whole JSON text in UTF-8");
        }
    }

    public static Parsed parse(String text) {
        return parse(text.getBytes(StandardCharsets.UTF_8));
    }

    private static Parsed failed(String given, String allowed) {
        return new Parsed(null, List.of(new Problem("", given, allowed)));
    }

    /** Returns a text as a JSON value. */
    public static JsonNode text(String text) {
        return MAPPER.getNodeFactory().stringNode(text);
    }

    /** Returns readable JSON: two spaces, line feeds, a line feed at the end. */
    public static String pretty(JsonNode node) {
        DefaultPrettyPrinter printer = new DefaultPrettyPrinter().withObjectIndenter(new DefaultIndenter("  ", "\n"));
        return MAPPER.writer().with(printer).writeValueAsString(node) + "\n";
    }

    public static String pretty(JsonValue value) {
        return pretty(JacksonValue.node(value));
    }

    /** Returns JSON on a line of its own. */
    public static String line(JsonValue value) {
        return compact(JacksonValue.node(value)) + "\n";
    }

    /** Returns JSON on one line. */
    public static String compact(Object value) {
        return MAPPER.writeValueAsString(value);
    }
}
