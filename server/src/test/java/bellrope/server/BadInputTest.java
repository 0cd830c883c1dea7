package bellrope.server;

import static org.assertj.core.api.Assertions.assertThat;

import bellrope.format.json.Demo;
import bellrope.format.sprite.Pictures;
import bellrope.server.RunningServer.Answer;
import java.io.IOException;
import java.io.OutputStream;
import java.net.Socket;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Base64;
import java.util.List;
import org.junit.jupiter.api.AutoClose;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;

/** What was sent in the trial and should not have been: each is refused with its place, and nothing is changed by it. */
class BadInputTest {
    @AutoClose
    private static final RunningServer server = new RunningServer();

    private static void refused(Answer answer, int status, String... words) {
        assertThat(answer.status())
                .as(new String(answer.bytes(), StandardCharsets.UTF_8))
                .isEqualTo(status);
        assertThat(answer.json().get("detail").asString()).contains(words);
    }

    private static Answer change(String edits) {
        return server.send("POST", "/api/projects/1/changes", "{\"edits\":[" + edits + "]}");
    }

    @ParameterizedTest
    @ValueSource(strings = {"{\"basedOn\":1}", "{\"basedOn\":1,\"body\":null}", "{}"})
    void aSaveWithoutABodyDeletesNothing(String body) {
        JsonNode part = server.part("effect", "feather burst");
        Answer answer = server.send("PUT", "/api/parts/" + part.get("id").asLong(), body);
        assertThat(answer.status()).isIn(400, 409, 422);
        assertThat(server.part("effect", "feather burst")).isEqualTo(part);
    }

    @Test
    void anEditDeletesOnlyWhereItSaysSo() {
        JsonNode part = server.part(
                "place",
                server.get("/api/projects/1")
                        .get("parts")
                        .valueStream()
                        .filter(p -> p.get("kind").asString().equals("place"))
                        .findFirst()
                        .orElseThrow()
                        .get("name")
                        .asString());
        String head = "{\"part\":" + part.get("id") + ",\"basedOn\":" + part.get("revision");
        refused(change(head + "}"), 422, "body: missing", "or null to delete it");
        assertThat(server.part("place", part.get("name").asString())).isEqualTo(part);
    }

    @Test
    void theSamePartTwiceIsRefused() {
        JsonNode part = server.part("effect", "hail shatter");
        String edit = "{\"part\":" + part.get("id") + ",\"basedOn\":" + part.get("revision") + ",\"body\":"
                + part.get("body") + "}";
        refused(change(edit + "," + edit), 422, "/edits/1/part: part", "a second time: each part once");
        assertThat(server.part("effect", "hail shatter")).isEqualTo(part);
    }

    @Test
    void aNameThatIsThereIsRefused() {
        String body = server.part("effect", "hail shatter").get("body").toString();
        refused(change("{\"kind\":\"effect\",\"basedOn\":0,\"body\":" + body + "}"), 422, "a name that is there once");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "POST|/api/projects|{}|name: missing",
                "POST|/api/projects/1/changes|{}|edits: missing",
                "POST|/api/projects/1/renames|{}|what: missing",
                "POST|/api/projects/1/parts|{}|kind: missing",
                "POST|/api/projects/1/versions|{}|name: missing",
                "PUT|/api/projects/1/bundle|[null]|an object",
                "PUT|/api/projects/1/bundle|{}|bellrope"
            })
    void somethingMissingIsNamed(String method, String path, String body, String words) {
        refused(server.send(method, path, body), 422, words);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "{\"edits\":[null]}",
                "[null]",
                "null",
                "",
                "{\"edits\":[{\"part\":1e400,\"basedOn\":0,\"body\":{}}]}",
                "{\"edits\":[{\"part\":99999999999999999999999,\"basedOn\":0,\"body\":{}}]}"
            })
    void nothingInPlaceOfSomethingIsNotReadable(String body) {
        assertThat(server.send("POST", "/api/projects/1/changes", body).status())
                .isEqualTo(400);
    }

    @Test
    void numbersOfFourHundredDigitsAreRefused() {
        JsonNode part = server.part("effect", "straw puff");
        String digits = "9".repeat(400);
        String body = part.get("body").toString().replaceFirst("\"drag\":[0-9.]+", "\"drag\":" + digits);
        assertThat(body).contains(digits);
        assertThat(server.save(part, part.get("revision").asLong(), body).status())
                .isEqualTo(400);
        String bundle = new String(Demo.bytes(), StandardCharsets.UTF_8);
        refused(
                server.send("PUT", "/api/projects/1/bundle", bundle.replaceFirst("1871", digits)),
                422,
                "too large in one part");
        String large = part.get("body").toString().replaceFirst("\"drag\":[0-9.]+", "\"drag\":1e400");
        refused(server.save(part, part.get("revision").asLong(), large), 422, "/emitters/0/life/drag");
        assertThat(server.part("effect", "straw puff")).isEqualTo(part);
    }

    private static String sprite(String name, byte[] png) {
        return "{\"kind\":\"sprite\",\"basedOn\":0,\"body\":{\"name\":\"" + name + "\",\"coverage\":1,\"picture\":\""
                + Base64.getEncoder().encodeToString(png) + "\"}}";
    }

    @Test
    void picturesOfTooManyPixelsOrABrokenChunkAreRefusedAtOnce() {
        byte[] png = Pictures.png(new int[2048 * 2048], 2048, 2048);
        List<String> edits = new ArrayList<>();
        for (int i = 0; i < 60; i++) {
            edits.add(sprite("p" + i, png));
        }
        refused(change(String.join(",", edits)), 422, "million pixels in all pictures: at most 16 million");
        byte[] broken = Pictures.png(new int[64], 8, 8);
        ByteBuffer.wrap(broken).putInt(33, 0x7FFFFFFF);
        refused(change(sprite("broken", broken)), 422, "a chunk is longer than the file");
    }

    @Test
    void threeHundredPicturesAreMoreThanAProjectHas() {
        byte[] png = Pictures.png(new int[1], 1, 1);
        List<String> edits = new ArrayList<>();
        for (int i = 0; i < 300; i++) {
            edits.add(sprite("p" + i, png));
        }
        Answer answer = change(String.join(",", edits));
        refused(answer, 422, "at most");
    }

    @Test
    void anImportThatIsRefusedLeavesNoProjectBehind() {
        int before = server.get("/api/projects").size();
        String bundle = new String(Demo.bytes(), StandardCharsets.UTF_8);
        refused(server.send("POST", "/api/bundles", bundle.replace("\"straw puff\"", "\"\"")), 422, "/effects/0/name");
        assertThat(server.get("/api/projects").size()).isEqualTo(before);
        Answer made = server.send("POST", "/api/bundles", bundle.replaceFirst("Windrow Post", "A second post"));
        assertThat(made.status()).isEqualTo(201);
        assertThat(made.json().get("name").asString()).isEqualTo("A second post");
    }

    @Test
    void aBodyThatIsTooLargeIsRefusedBeforeItIsRead() {
        String large = "{\"name\":\"" + "x".repeat(9 << 20) + "\"}";
        refused(server.send("POST", "/api/projects", large), 413, "larger than 8 MiB");
    }

    @Test
    void manySlowBodiesBlockNobody() throws Exception {
        List<Socket> slow = new ArrayList<>();
        try {
            for (int i = 0; i < 250; i++) {
                Socket socket = new Socket("127.0.0.1", server.port);
                slow.add(socket);
                OutputStream out = socket.getOutputStream();
                out.write(("POST /api/projects HTTP/1.1\r\nHost: localhost:" + server.port
                                + "\r\nContent-Type: application/json\r\nContent-Length: 1000\r\n\r\n{\"name\":\"")
                        .getBytes(StandardCharsets.US_ASCII));
                out.flush();
            }
            assertThat(server.send("GET", "/api/projects", null).status()).isEqualTo(200);
            int busy = server.send("POST", "/api/projects", "{\"name\":\"meanwhile\"}")
                    .status();
            assertThat(busy).isIn(201, 503);
            // They are let go after a while, whether they end or not.
            int status = 0;
            for (int i = 0; i < 60 && status != 201; i++) {
                status = server.send("POST", "/api/projects", "{\"name\":\"afterwards\"}")
                        .status();
                if (status != 201) {
                    Thread.sleep(500);
                }
            }
            assertThat(status).isEqualTo(201);
        } finally {
            for (Socket socket : slow) {
                closed(socket);
            }
        }
    }

    private static void closed(Socket socket) {
        try {
            socket.close();
        } catch (IOException e) {
            throw new AssertionError(e);
        }
    }
}
