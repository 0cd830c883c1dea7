package bellrope.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import bellrope.format.json.Demo;
import java.net.URI;
import java.net.http.WebSocket;
import java.net.http.WebSocket.Listener;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionStage;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.AutoClose;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

class NewsSocketTest {
    @AutoClose
    private static final RunningServer server = new RunningServer();

    /** One window: what it was told, and why it was closed. */
    private static final class Reader implements Listener, AutoCloseable {
        private final LinkedBlockingQueue<JsonNode> words = new LinkedBlockingQueue<>();
        private final CompletableFuture<String> closed = new CompletableFuture<>();
        private final StringBuilder text = new StringBuilder();
        private final WebSocket socket;

        Reader(long project, String name) throws Exception {
            socket = server.client()
                    .newWebSocketBuilder()
                    .buildAsync(
                            URI.create("ws://localhost:" + server.port + "/api/news?project=" + project + "&reader="
                                    + name),
                            this)
                    .get(10, TimeUnit.SECONDS);
        }

        @Override
        public CompletionStage<?> onText(WebSocket s, CharSequence data, boolean last) {
            text.append(data);
            if (last) {
                words.add(RunningServer.JSON.readTree(text.toString()));
                text.setLength(0);
            }
            s.request(1);
            return null;
        }

        @Override
        public CompletionStage<?> onClose(WebSocket s, int code, String why) {
            closed.complete(code + " " + why);
            return null;
        }

        JsonNode word() throws InterruptedException {
            return words.poll(10, TimeUnit.SECONDS);
        }

        String why() throws Exception {
            return closed.get(10, TimeUnit.SECONDS);
        }

        @Override
        public void close() {
            socket.abort();
        }
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
        try (Reader author = new Reader(1, "author");
                Reader other = new Reader(1, "other");
                Reader stranger = new Reader(elsewhere, "stranger")) {
            for (Reader reader : List.of(author, other, stranger)) {
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
        try (Reader reader = new Reader(empty, "a")) {
            assertThat(reader.word().get("is").asString()).isEqualTo("ready");
            server.send("PUT", "/api/projects/" + empty + "/bundle", new String(Demo.bytes(), StandardCharsets.UTF_8));
            assertThat(reader.word().get("is").asString()).isEqualTo("replaced");
        }
    }

    @Test
    void whoeverSpeaksOnItIsToldThatNothingIsSaidHere() throws Exception {
        try (Reader reader = new Reader(1, "a")) {
            reader.socket.sendText("x".repeat(3 << 20), true);
            assertThat(reader.why()).isEqualTo("1003 nothing is said on this socket");
        }
        assertThat(server.get("/api/projects").size()).isPositive();
    }

    @Test
    void aProjectThatIsNoneIsRefusedInWords() throws Exception {
        try (Reader reader = new Reader(999, "a")) {
            assertThat(reader.why()).isEqualTo("1007 project: the number of a project");
        }
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
        List<Reader> idle = new ArrayList<>();
        try {
            String reason = null;
            while (reason == null && idle.size() < 300) {
                Reader reader = new Reader(1, "many");
                idle.add(reader);
                if (CompletableFuture.anyOf(reader.closed, ready(reader)).get(10, TimeUnit.SECONDS)
                        instanceof String why) {
                    reason = why;
                }
            }
            assertThat(reason).isEqualTo("1013 256 windows are open already; close one of them");
            assertThat(server.get("/api/projects").size()).isPositive();
        } finally {
            idle.forEach(Reader::close);
        }
        // Room again once they have gone.
        for (int i = 0; i < 100; i++) {
            try (Reader again = new Reader(1, "again")) {
                JsonNode word = again.words.poll(1, TimeUnit.SECONDS);
                if (word != null) {
                    assertThat(word.get("is").asString()).isEqualTo("ready");
                    return;
                }
            }
        }
        throw new AssertionError("no room though all have gone");
    }

    private static CompletableFuture<JsonNode> ready(Reader reader) {
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
