package bellrope.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import bellrope.server.RunningServer.Answer;
import org.junit.jupiter.api.AutoClose;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

class ParameterApiTest {
    @AutoClose
    private static final RunningServer server = new RunningServer();

    private static Answer table(JsonNode effect, JsonNode draft) {
        String drafts = draft == null ? "" : "{\"part\":" + effect.get("id") + ",\"body\":" + draft + "}";
        return server.send(
                "POST",
                "/api/projects/1/parameters",
                "{\"effect\":" + effect.get("id") + ",\"drafts\":[" + drafts + "]}");
    }

    @Test
    void theTableSaysHowStronglyEachEmitterAnswers() {
        JsonNode report = table(server.part("effect", "kite tear"), null).json();
        assertThat(report.at("/emitters")).hasSize(5);
        JsonNode size = report.at("/rows/0");
        assertThat(size.get("parameter").asString()).isEqualTo("size");
        double usual = report.at("/usual/2/size").asDouble();
        assertThat(size.at("/cells/2/high/size").asDouble()).isCloseTo(3 * usual, within(1e-4));
        assertThat(size.at("/cells/2/bound").toString()).contains("force reach");
        assertThat(report.at("/neutral/identical").asBoolean()).isTrue();
        assertThat(report.at("/scales/0/holds").asBoolean()).isTrue();
        assertThat(report.at("/scales/0").hasNonNull("mended")).isFalse();
        assertThat(size.at("/curves/0/becomes")).hasSize(33);
    }

    @Test
    void aScaleThatForgetsIsBlamedAndMendedByWhatTheReportBrings() {
        JsonNode effect = server.part("effect", "kite tear");
        ObjectNode draft = (ObjectNode) effect.get("body").deepCopy();
        JsonNode bindings = draft.at("/parameters/0/bindings");
        for (int i = bindings.size() - 1; i >= 0; i--) {
            if (bindings.get(i).get("property").asString().equals("gravity")) {
                ((tools.jackson.databind.node.ArrayNode) bindings).remove(i);
            }
        }
        JsonNode proof = table(effect, draft).json().at("/scales/0");
        assertThat(proof.get("holds").asBoolean()).isFalse();
        assertThat(proof.at("/causes/0/what").asString()).isEqualTo("gravity");
        assertThat(proof.at("/causes/0/fault").asString()).isEqualTo("missing");
        JsonNode mended = table(effect, proof.get("mended")).json().at("/scales/0");
        assertThat(mended.get("holds").asBoolean()).isTrue();
    }

    @Test
    void aPreviewIsPlayedWithWhatIsTurned() {
        long effect = server.part("effect", "kite tear").get("id").asLong();
        String order = "{\"effect\":" + effect + ",\"seed\":1,\"drafts\":[],\"set\":{\"size\":%s}}";
        assertThat(server.send("POST", "/api/projects/1/previews", order.formatted("1.5"))
                        .status())
                .isEqualTo(200);
        Answer word = server.send("POST", "/api/projects/1/previews", order.formatted("\"big\""));
        assertThat(word.status()).isEqualTo(422);
        assertThat(word.json().toString()).contains("/set/size", "a number from 0.25 to 3");
        Answer name = server.send(
                "POST", "/api/projects/1/previews", order.formatted("1").replace("size", "Size"));
        assertThat(name.json().toString()).contains("did you mean size?");
    }

    @Test
    void aFeedIsDrawnOverWhatTheGameSendsAndHeldInsideTheParameter() {
        long rope = server.part("rope", "struck by hail").get("id").asLong();
        JsonNode view = server.send("POST", "/api/projects/1/feeds", "{\"rope\":" + rope + "}")
                .json();
        JsonNode feed = view.at("/feeds/0");
        assertThat(feed.at("/least").asDouble()).isZero();
        assertThat(feed.at("/most").asDouble()).isEqualTo(100);
        assertThat(feed.at("/becomes/0").asDouble()).isEqualTo(0.6);
        assertThat(feed.at("/becomes/64").asDouble()).isEqualTo(1.8);
        assertThat(view.at("/reach/agrees").asBoolean()).isTrue();
        assertThat(view.at("/reach/reach")).hasSize(9);
    }

    @Test
    void theLookAtTheWiringKnowsWhatCameAndHowFarItHits() {
        JsonNode hail = server.part("rope", "struck by hail");
        String draft = hail.get("body").toString().replace("\"hit\":3.8", "\"hit\":2");
        String look = "{\"drafts\":[{\"part\":" + hail.get("id") + ",\"body\":" + draft
                + "}],\"recorded\":[{\"rope\":\"struck by hail\",\"parameter\":\"amount\",\"given\":[3,4,5,6]}]}";
        String found = server.send("POST", "/api/projects/1/wiring", look)
                .json()
                .get("findings")
                .toString();
        assertThat(found).contains("reach and hit differ", "the game hits within 2 u");
        assertThat(found).contains("never leaves its clamp", "in the last 4 pulls force was 3 to 6");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "\"default\":1,\"least\":0.25|\"default\":9,\"least\":0.25|a number from 0.25 to 3",
                "\"name\":\"amount\"|\"name\":\"size\"|a name no other parameter here has",
                "\"mode\":\"multiply\"|\"mode\":\"mutliply\"|did you mean multiply?"
            })
    void aWrongParameterIsRefusedAndNothingChanges(String from, String to, String allowed) {
        JsonNode effect = server.part("effect", "straw puff");
        String body = effect.get("body").toString();
        assertThat(body).contains(from);
        Answer refused = server.save(effect, effect.get("revision").asLong(), body.replace(from, to));
        assertThat(refused.status()).isEqualTo(422);
        assertThat(refused.json().toString()).contains(allowed);
        assertThat(server.part("effect", "straw puff")).isEqualTo(effect);
    }

    @Test
    void aDescriptionOfAMegabyteIsRefusedWithItsLength() {
        JsonNode effect = server.part("effect", "straw puff");
        String body = effect.get("body").toString().replace("How many pieces are thrown.", "x".repeat(1 << 20));
        Answer refused = server.save(effect, effect.get("revision").asLong(), body);
        assertThat(refused.status()).isEqualTo(422);
        assertThat(refused.json().toString()).contains("1048576 characters", "at most 1000");
    }
}
