package bellrope.server;

import static org.assertj.core.api.Assertions.assertThat;

import bellrope.format.json.Demo;
import bellrope.server.RunningServer.Answer;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;

class ApiTest {
    @TempDir
    static Path folder;

    private static RunningServer server;

    @BeforeAll
    static void start() {
        server = new RunningServer(folder.resolve("deep/in/a/folder/b.db"));
    }

    @AfterAll
    static void stop() {
        server.close();
    }

    private static long newProject(String name) {
        return server.send("POST", "/api/projects", "{\"name\":\"" + name + "\"}")
                .json()
                .get("id")
                .asLong();
    }

    @Nested
    class ASave {
        @Test
        void isANewRevisionAndTheOldOnesStay() {
            JsonNode part = server.part("effect", "peat splat");
            String body = part.get("body").toString().replaceFirst("\"drag\":0.5", "\"drag\":0.75");
            Answer saved = server.save(part, part.get("revision").asLong(), body);
            assertThat(saved.status()).isEqualTo(200);
            long revision = part.get("revision").asLong();
            assertThat(saved.json().at("/parts/0/revision").asLong()).isEqualTo(revision + 1);
            JsonNode revisions = server.get("/api/parts/" + part.get("id").asLong() + "/revisions");
            assertThat(revisions.get(0).get("body").toString()).contains("\"drag\":0.75");
            assertThat(revisions.get(1).get("body")).isEqualTo(part.get("body"));
            assertThat(server.part("effect", "peat splat").get("body").toString())
                    .contains("\"drag\":0.75");
        }

        @Test
        void onAnOutdatedRevisionIsRefusedWithBothVersions() {
            JsonNode part = server.part("effect", "seal ring");
            long revision = part.get("revision").asLong();
            String theirs = part.get("body").toString().replace("\"spread\":60", "\"spread\":70");
            String yours = part.get("body").toString().replace("\"spread\":60", "\"spread\":80");
            assertThat(server.save(part, revision, theirs).status()).isEqualTo(200);
            Answer refused = server.save(part, revision, yours);
            assertThat(refused.status()).isEqualTo(409);
            assertThat(refused.response().headers().firstValue("Content-Type")).hasValue("application/problem+json");
            assertThat(refused.json().at("/yours/body").toString()).contains("\"spread\":80");
            assertThat(refused.json().at("/theirs/body").toString()).contains("\"spread\":70");
            assertThat(refused.json().at("/theirs/revision").asLong()).isEqualTo(revision + 1);
            assertThat(server.part("effect", "seal ring").get("body").toString())
                    .contains("\"spread\":70");
        }

        @ParameterizedTest
        @CsvSource(
                delimiter = '|',
                value = {
                    "\"least\":4,\"most\":6|\"least\":-3,\"most\":6|/emitters/0/birth/bursts/0/least|-3",
                    "\"lifetime\":[0.3,0.6]|\"lifetime\":[0.6,0.3]|/emitters/0/birth/lifetime|0.6 to 0.3",
                    "\"lifetime\":[0.3,0.6]|\"lifetime\":[0,0.6]|/emitters/0/birth/lifetime/0|0",
                    "\"sprite\":\"puff\"|\"sprite\":\"puf\"|/emitters/0/look/sprite|\"puf\"",
                    "\"name\":\"stone chips\"|\"name\":\"straw puff\"|/name|\"straw puff\""
                })
        void ofSomethingWrongIsRefusedWithItsPlaceAndChangesNothing(
                String find, String replace, String place, String given) {
            JsonNode part = server.part("effect", "stone chips");
            String body = part.get("body").toString();
            assertThat(body).contains(find);
            Answer refused = server.save(
                    part,
                    part.get("revision").asLong(),
                    body.replaceFirst(
                            java.util.regex.Pattern.quote(find), java.util.regex.Matcher.quoteReplacement(replace)));
            assertThat(refused.status()).isEqualTo(422);
            assertThat(refused.json().at("/problems/0/place").asString()).isEqualTo(place);
            assertThat(refused.json().at("/problems/0/given").asString()).isEqualTo(given);
            assertThat(server.part("effect", "stone chips")).isEqualTo(part);
        }

        @Test
        void thatWouldLeaveAnotherPartWithoutItsNameSaysWhich() {
            JsonNode part = server.part("effect", "kite tear");
            Answer refused = server.save(
                    part,
                    part.get("revision").asLong(),
                    part.get("body").toString().replace("\"kite tear\"", "\"kite rip\""));
            assertThat(refused.status()).isEqualTo(422);
            assertThat(refused.json().get("detail").asString())
                    .contains("the rope \"the courier falls\" has \"kite tear\"");
        }
    }

    @Nested
    class ADeletion {
        @Test
        void canBeUndoneByASaveOnIt() {
            JsonNode part = server.part("rope", "a crow scattered");
            String path = "/api/parts/" + part.get("id").asLong();
            long revision = part.get("revision").asLong();
            Answer deleted = server.send("DELETE", path + "?basedOn=" + revision, null);
            assertThat(deleted.json().at("/parts/0/deleted").asBoolean()).isTrue();
            assertThat(server.get("/api/projects/1").toString()).doesNotContain("\"a crow scattered\"");
            Answer back = server.save(part, revision + 1, part.get("body").toString());
            assertThat(back.status()).isEqualTo(200);
            assertThat(server.part("rope", "a crow scattered").get("body")).isEqualTo(part.get("body"));
        }

        @Test
        void ofAnEffectThatIsInUseIsRefused() {
            JsonNode part = server.part("effect", "water crown");
            Answer refused = server.send(
                    "DELETE",
                    "/api/parts/" + part.get("id").asLong() + "?basedOn="
                            + part.get("revision").asLong(),
                    null);
            assertThat(refused.status()).isEqualTo(422);
            assertThat(refused.json().get("detail").asString()).contains("the rope \"landing on water\"");
        }
    }

    @Nested
    class ABundle {
        @Test
        void goesIntoAnEmptyProjectAndComesOutByteForByte() {
            long empty = newProject("Empty");
            assertThat(server.send("PUT", "/api/projects/" + empty + "/bundle", text(Demo.bytes()))
                            .status())
                    .isEqualTo(200);
            assertThat(server.send("GET", "/api/projects/" + empty + "/bundle", null)
                            .bytes())
                    .isEqualTo(Demo.bytes());
        }

        @Test
        void doesNotGoIntoAProjectThatHoldsSomething() {
            Answer refused = server.send("PUT", "/api/projects/1/bundle", text(Demo.bytes()));
            assertThat(refused.status()).isEqualTo(409);
            assertThat(refused.json().get("detail").asString()).contains("import into an empty project");
        }

        @Test
        void withErrorsShowsThemAllAndChangesNothing() {
            long empty = newProject("Still empty");
            String wrong = text(Demo.bytes())
                    .replace("\"weight\" : 3", "\"weight\" : 33")
                    .replace("\"puff\"", "\"pufff\"");
            Answer refused = server.send("PUT", "/api/projects/" + empty + "/bundle", wrong);
            assertThat(refused.status()).isEqualTo(422);
            assertThat(refused.json().get("problems").size()).isGreaterThan(1);
            assertThat(server.get("/api/projects/" + empty).toString()).doesNotContain("courier");
        }

        @Test
        void of40MegabytesIsRefused() {
            long empty = newProject("Small");
            Answer refused = server.send("PUT", "/api/projects/" + empty + "/bundle", " ".repeat(40 << 20));
            assertThat(refused.status()).isEqualTo(413);
        }

        private static String text(byte[] bytes) {
            return new String(bytes, StandardCharsets.UTF_8);
        }
    }

    @Nested
    @DisplayName("the door")
    class TheDoor {
        @Test
        void refusesAnotherOrigin() {
            assertThat(server.send("GET", "/api/projects", null, "Origin", "http://elsewhere.example")
                            .status())
                    .isEqualTo(403);
            assertThat(server.send("GET", "/api/projects", null, "Origin", "null")
                            .status())
                    .isEqualTo(403);
            assertThat(server.send("GET", "/api/projects", null, "Origin", "http://localhost:" + server.port)
                            .status())
                    .isEqualTo(200);
        }

        @Test
        void refusesAnotherHost() throws IOException {
            try (java.net.Socket socket = new java.net.Socket("127.0.0.1", server.port)) {
                socket.getOutputStream()
                        .write("GET /api/projects HTTP/1.1\r\nHost: rebound.example\r\nConnection: close\r\n\r\n"
                                .getBytes(StandardCharsets.US_ASCII));
                String answer = new String(socket.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
                assertThat(answer).startsWith("HTTP/1.1 403").contains("rebound.example");
            }
        }
    }

    @Test
    void theCoreIsSmallOnItsWay() {
        Answer small = server.send("GET", "/core/core.wasm", null, "Accept-Encoding", "gzip, br");
        assertThat(small.response().headers().firstValue("Content-Encoding")).contains("br");
        assertThat(small.response().headers().firstValue("Content-Type")).contains("application/wasm");
        assertThat(small.bytes().length).isLessThan(500_000);
        Answer whole = server.send("GET", "/core/core.wasm", null);
        assertThat(whole.response().headers().firstValue("Content-Encoding")).isEmpty();
        assertThat(whole.bytes()).startsWith(0, 'a', 's', 'm').hasSizeGreaterThan(1_000_000);
    }

    @Test
    void whatIsNotThereIsAProblemDetail() {
        for (String path : new String[] {"/api/projects/99", "/api/parts/9999/revisions", "/api/sprites/none"}) {
            Answer answer = server.send("GET", path, null);
            assertThat(answer.status()).as(path).isEqualTo(404);
            assertThat(answer.json().get("title").asString()).isEqualTo("Not there");
        }
        assertThat(server.send("POST", "/api/projects", "{").status()).isEqualTo(400);
        assertThat(server.send("POST", "/api/projects", "{\"name\":\"  \"}").status())
                .isEqualTo(422);
    }

    // The client of the web pages is generated from the committed document; it must be the one that is served.
    @Test
    void theOpenApiDocumentIsTheCommittedOne() throws IOException {
        JsonNode committed = RunningServer.JSON.readTree(Files.readString(Path.of("../web/src/api/openapi.json")));
        assertThat(server.get("/api/openapi")).isEqualTo(committed);
    }
}
