package bellrope.format.link;

import static org.assertj.core.api.Assertions.assertThat;

import bellrope.core.event.Pull;
import bellrope.core.value.Datum;
import bellrope.core.value.Vec3;
import bellrope.format.json.JsonText;
import bellrope.format.json.JsonValue;
import bellrope.format.json.LinkJson;
import bellrope.format.json.LinkJson.By;
import bellrope.format.json.LinkJson.Look;
import com.networknt.schema.InputFormat;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** The published description of the link, and what is really said over it. */
class LinkFormatTest {
    private static final String DOCUMENT = read();
    private static final JsonNode NODE = JsonText.parse(DOCUMENT).node();

    private static String read() {
        try {
            return Files.readString(Path.of("../docs/format/link.asyncapi.json"));
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
    }

    // AsyncAPI 3.0.0, by its own published JSON Schema, read by networknt's validator.
    @Test
    void theDescriptionIsAnAsyncApiDocument() throws IOException {
        String schema = new String(
                LinkFormatTest.class
                        .getResourceAsStream("/asyncapi-3.0.0.schema.json")
                        .readAllBytes(),
                StandardCharsets.UTF_8);
        assertThat(SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_7)
                        .getSchema(schema)
                        .validate(DOCUMENT, InputFormat.JSON))
                .isEmpty();
    }

    private static List<String> wrong(String message, String text) {
        ObjectNode schema = ((ObjectNode) NODE.deepCopy()).retain("components");
        schema.put("$ref", "#/components/messages/" + message + "/payload");
        return SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12)
                .getSchema(schema.toString())
                .validate(text, InputFormat.JSON)
                .stream()
                .map(Object::toString)
                .toList();
    }

    @Test
    void itsExamplesAreWhatItDescribes() {
        JsonNode messages = NODE.at("/components/messages");
        assertThat(messages.propertyNames()).hasSize(11);
        for (String name : messages.propertyNames()) {
            assertThat(wrong(name, messages.get(name).at("/examples/0/payload").toString()))
                    .as(name)
                    .isEmpty();
        }
    }

    @Test
    void whatIsWrittenIsWhatItDescribes() {
        By by = new By("/games/3f", 41, 240);
        List<JsonValue> entries = List.of(
                LinkJson.pull(by, new Pull("courier.landed", Map.of("speed", new Datum.Num(3)), -4)),
                LinkJson.pull(by, Pull.end("kite.reeling").of("red kite")),
                LinkJson.channel(by, "wind", 7.5),
                LinkJson.gone(by, "crow-3"),
                LinkJson.moved(by, "kite", Vec3.UP, Vec3.RIGHT, Vec3.UP),
                LinkJson.taken(by, 42),
                LinkJson.word(by, LinkJson.RESET));
        assertThat(wrong("said", JsonText.line(LinkJson.said(17, 241, entries))))
                .isEmpty();
        List<Look> looks =
                List.of(new Look("crow", "M0 0L3-1.5e1Z", null, 2, 1), new Look("kite", null, "iVBORw0KGgo=", 2, 1));
        assertThat(wrong(
                        "hello",
                        JsonText.line(LinkJson.hello(
                                "Windrow Post", "3f", "1.2", "9a", 1, 0, List.of("hail strikes"), looks))))
                .isEmpty();
        assertThat(wrong(
                        "hello",
                        JsonText.line(LinkJson.hello("Windrow Post", "3f", "", "9a", 1, 0, List.of(), List.of()))))
                .isEmpty();
        assertThat(wrong("want", JsonText.line(LinkJson.word("want")))).isEmpty();
        assertThat(wrong("tookBundle", JsonText.line(LinkJson.word("taken")))).isEmpty();
        assertThat(wrong("refused", JsonText.line(LinkJson.refused("why")))).isEmpty();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            quoteCharacter = '`',
            value = {
                "hello | {\"is\":\"hello\",\"protocol\":2,\"game\":\"x\",\"instance\":\"i\",\"first\":1,\"step\":0}",
                "hello | {\"is\":\"hello\",\"protocol\":1,\"game\":\"\",\"instance\":\"i\",\"first\":1,\"step\":0}",
                "said | {\"is\":\"said\",\"from\":0,\"step\":1,\"entries\":[]}",
                "said | {\"is\":\"said\",\"from\":1,\"step\":1,\"entries\":[{\"specversion\":\"1.0\",\"id\":\"1\",\"source\":\"/g\",\"type\":\"a\"}]}",
                "want | {\"is\":\"taken\"}",
                "asked | {\"is\":\"asked\"}",
                "hello | {\"is\":\"hello\",\"protocol\":1,\"game\":\"x\",\"instance\":\"i\",\"first\":1,\"step\":0,\"looks\":[{\"name\":\"a\",\"width\":1,\"height\":1}]}",
                "hello | {\"is\":\"hello\",\"protocol\":1,\"game\":\"x\",\"instance\":\"i\",\"first\":1,\"step\":0,\"looks\":[{\"name\":\"a\",\"path\":\"url(x)\",\"width\":1,\"height\":1}]}",
            })
    void whatIsNoneIsTold(String message, String text) {
        assertThat(wrong(message, text)).isNotEmpty();
    }
}
