package bellrope.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import bellrope.format.json.Demo;
import java.net.URI;
import java.net.http.WebSocket.Listener;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.AutoClose;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

class NewsSocketTest {
    @AutoClose
    private static final RunningServer server = new RunningServer();

    private static TestSocket reader(long project, String name) throws Exception {
        return new TestSocket(server, "/api/news?project=" + project + "&reader=" + name);
    }

    private static void save(String effect, String author) {
        JsonNode part = server.part("effect", effect);
        String body = part.get("body")
                .toString()
                .replaceFirst(
                        "\"drag\":[0-9.]+",
                        "\"drag\":0.7" + part.get("revision").asLong());
        assertThat(server.send(
                                "PUT",
                                "/api/parts/" + part.get("id").asLong(),
                                "{\"basedOn\":" + part.get("revision").asLong() + ",\"body\":" + body + "}",
                                "X-Bellrope-Reader",
                                author)
                        .status())
                .isEqualTo(200);
    }

    @Test
    void aSaveIsToldToAllOthersOfTheProjectInOrder() throws Exception {
        long elsewhere = server.send("POST", "/api/projects", "{\"name\":\"Elsewhere\"}")
                .json()
                .get("id")
                .asLong();
        try (TestSocket author = reader(1, "author");
                TestSocket other = reader(1, "other");
                TestSocket stranger = reader(elsewhere, "stranger")) {
            for (TestSocket reader : List.of(author, other, stranger)) {
                assertThat(reader.word().get("is").asString()).isEqualTo("ready");
            }
            save("peat splat", "author");
            save("peat splat", "author");
            JsonNode first = other.word();
            JsonNode second = other.word();
            assertThat(first.get("is").asString()).isEqualTo("changed");
            assertThat(first.at("/saved/parts/0/name").asString()).isEqualTo("peat splat");
            assertThat(second.at("/saved/change").asLong())
                    .isEqualTo(first.at("/saved/change").asLong() + 1);
            assertThat(author.words).isEmpty();
            assertThat(stranger.words).isEmpty();
        }
    }

    @Test
    void anImportSaysThatAllIsReplaced() throws Exception {
        long empty = server.send("POST", "/api/projects", "{\"name\":\"Empty\"}")
                .json()
                .get("id")
                .asLong();
        try (TestSocket reader = reader(empty, "a")) {
            assertThat(reader.word().get("is").asString()).isEqualTo("ready");
            server.send("PUT", "/api/projects/" + empty + "/bundle", new String(Demo.bytes(), StandardCharsets.UTF_8));
            assertThat(reader.word().get("is").asString()).isEqualTo("replaced");
        }
    }

    @Test
    void whoeverSpeaksOnItIsToldThatNothingIsSaidHere() throws Exception {
        try (TestSocket reader = reader(1, "a")) {
            reader.socket.sendText("x".repeat(3 << 20), true);
            assertThat(reader.why()).isEqualTo("1003 nothing is said on this socket");
        }
        assertThat(server.get("/api/projects").size()).isPositive();
    }

    @Test
    void aProjectThatIsNoneIsRefusedInWords() throws Exception {
        assertThat(TestSocket.turnedAway(server, "/api/news?project=999&reader=a"))
                .isEqualTo("1007 project: the number of a project");
    }

    @Test
    void aPageFromElsewhereCannotOpenTheSocket() {
        assertThatThrownBy(() -> server.client()
                        .newWebSocketBuilder()
                        .header("Origin", "http://elsewhere.example")
                        .buildAsync(
                                URI.create("ws://localhost:" + server.port + "/api/news?project=1"), new Listener() {})
                        .get(5, TimeUnit.SECONDS))
                .hasStackTraceContaining("403");
    }

    @Test
    void moreSocketsThanThereIsRoomForAreRefusedInWordsAndTheOthersGoOn() throws Exception {
        List<TestSocket> idle = new ArrayList<>();
        try {
            String reason = null;
            while (reason == null && idle.size() < 300) {
                TestSocket reader = reader(1, "many");
                idle.add(reader);
                if (CompletableFuture.anyOf(reader.closed, ready(reader)).get(10, TimeUnit.SECONDS)
                        instanceof String why) {
                    reason = why;
                }
            }
            assertThat(reason).isEqualTo("1013 256 windows are open already; close one of them");
            assertThat(server.get("/api/projects").size()).isPositive();
        } finally {
            idle.forEach(TestSocket::close);
        }
        // Room again once they have gone.
        for (int i = 0; i < 100; i++) {
            try (TestSocket again = reader(1, "again")) {
                JsonNode word = again.words.poll(1, TimeUnit.SECONDS);
                if (word != null) {
                    assertThat(word.get("is").asString()).isEqualTo("ready");
                    return;
                }
            }
        }
        throw new AssertionError("no room though all have gone");
    }

    private static CompletableFuture<JsonNode> ready(TestSocket reader) {
        return CompletableFuture.supplyAsync(() -> {
            try {
                JsonNode word = reader.words.poll(5, TimeUnit.SECONDS);
                return word == null ? RunningServer.JSON.getNodeFactory().nullNode() : word;
            } catch (InterruptedException e) {
                throw new IllegalStateException(e);
            }
        });
    }
}
