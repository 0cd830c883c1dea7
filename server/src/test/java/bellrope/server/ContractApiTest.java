package bellrope.server;

import static org.assertj.core.api.Assertions.assertThat;

import bellrope.server.RunningServer.Answer;
import java.nio.charset.StandardCharsets;
import org.junit.jupiter.api.AutoClose;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestMethodOrder;
import tools.jackson.databind.JsonNode;

@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
class ContractApiTest {
    @AutoClose
    private static final RunningServer server = new RunningServer();

    private static String text(String path) {
        Answer answer = server.send("GET", "/api/projects/1/contract" + path, null);
        assertThat(answer.status()).isEqualTo(200);
        return new String(answer.bytes(), StandardCharsets.UTF_8);
    }

    private static Answer handOver(String name) {
        return server.send("POST", "/api/projects/1/versions", "{\"name\":\"" + name + "\",\"note\":\"with care\"}");
    }

    private static void rename(String what, String within, String from, String to) {
        Answer done = server.send(
                "POST",
                "/api/projects/1/renames",
                "{\"what\":\"%s\",\"within\":\"%s\",\"from\":\"%s\",\"to\":\"%s\"}".formatted(what, within, from, to));
        assertThat(done.status()).isEqualTo(200);
    }

    @Test
    @Order(1)
    void whatWasNeverHandedOverSaysSo() {
        JsonNode view = server.get("/api/projects/1/contract");
        assertThat(view.get("version").asString()).isEqualTo("not handed over yet");
        assertThat(view.get("differences")).isEmpty();
        assertThat(view.at("/contract/events")).hasSize(10);
        assertThat(view.at("/contract/effects/0/parameters/0/bindings")).isEmpty();
        assertThat(text("/code/java")).contains("VERSION = \"not handed over yet\"");
    }

    @Test
    @Order(2)
    void aVersionIsKeptAndARenameLeavesTheFormerName() {
        assertThat(handOver("1").status()).isEqualTo(200);
        assertThat(server.get("/api/projects/1/contract").get("version").asString())
                .isEqualTo("1");
        rename("event", "", "courier.landed", "courier.touched");
        rename("parameter", "straw puff", "amount", "pieces");
        JsonNode view = server.get("/api/projects/1/contract");
        assertThat(view.get("version").asString()).isEqualTo("1, changed since");
        assertThat(view.get("aliases")).hasSize(2);
        assertThat(view.get("breaks").asInt()).isZero();
        assertThat(view.get("differences").toString()).contains("courier.touched", "renamed");
        assertThat(text("/code/java")).contains("@deprecated called courier.touched now", "setPieces", "setAmount");
        assertThat(text("/code/java?version=1")).contains("COURIER_LANDED").doesNotContain("courierTouched");
    }

    @Test
    @Order(3)
    void whatBreaksIsCounted() {
        JsonNode event = server.part("event", "courier.touched");
        String body = event.get("body").toString().replace("\"unit\":\"u/s\"", "\"unit\":\"m/s\"");
        assertThat(server.save(event, event.get("revision").asLong(), body).status())
                .isEqualTo(200);
        JsonNode view = server.get("/api/projects/1/contract");
        assertThat(view.get("breaks").asInt()).isEqualTo(1);
        assertThat(view.get("differences").toString()).contains("the same number means something else");
    }

    @Test
    @Order(4)
    void theNextVersionKeepsTheFormerNamesAndTheOneAfterLetsThemGo() {
        handOver("2");
        assertThat(server.get("/api/projects/1/contract").get("aliases")).hasSize(2);
        assertThat(server.get("/api/projects/1/contract?against=1")
                        .get("breaks")
                        .asInt())
                .isEqualTo(1);
        handOver("3");
        assertThat(server.get("/api/projects/1/contract").get("aliases")).isEmpty();
    }

    @Test
    @Order(5)
    void aBundleTakesTheVersionsAlong() {
        String bundle =
                new String(server.send("GET", "/api/projects/1/bundle", null).bytes(), StandardCharsets.UTF_8);
        long other = server.send("POST", "/api/projects", "{\"name\":\"other\"}")
                .json()
                .get("id")
                .asLong();
        assertThat(server.send("PUT", "/api/projects/" + other + "/bundle", bundle)
                        .status())
                .isEqualTo(200);
        assertThat(server.get("/api/projects/" + other + "/contract").get("versions"))
                .hasSize(3);
    }

    @Test
    @Order(6)
    void aWrongNameIsRefused() {
        assertThat(handOver("3").json().toString()).contains("a name that is there once");
        assertThat(handOver(" ").json().toString()).contains("a name without space at its ends");
        assertThat(server.get("/api/projects/1/contract").get("versions")).hasSize(3);
        assertThat(server.send("GET", "/api/projects/1/contract/code/jva", null)
                        .json()
                        .toString())
                .contains("java, csharp, cpp or typescript");
        assertThat(server.send("GET", "/api/projects/1/contract?against=9", null)
                        .json()
                        .toString())
                .contains("the name of a version");
        assertThat(text("/asyncapi")).contains("\"asyncapi\" : \"3.0.0\"");
        assertThat(text("/schema")).contains("2020-12");
    }
}
