package bellrope.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.net.URI;
import java.net.http.WebSocket;
import java.net.http.WebSocket.Listener;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionStage;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.AutoClose;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

class StageSocketTest {
    private static final String LANDING =
            "{\"do\":\"pull\",\"event\":\"courier.landed\",\"seed\":1,\"payload\":{\"position\":[0,0,0],\"normal\":[0,1,0],\"speed\":9,\"surface\":\"thatch\"}}";

    @AutoClose
    private static final RunningServer server = new RunningServer();

    /** One reader: what it was told, and the frames it got, each acknowledged unless it is slow. */
    private static final class Reader implements Listener, AutoCloseable {
        private final LinkedBlockingQueue<JsonNode> words = new LinkedBlockingQueue<>();
        private final LinkedBlockingQueue<ByteBuffer> frames = new LinkedBlockingQueue<>();
        private final StringBuilder text = new StringBuilder();
        private final java.io.ByteArrayOutputStream binary = new java.io.ByteArrayOutputStream();
        private final boolean slow;
        private final WebSocket socket;
        private CompletableFuture<WebSocket> sent = CompletableFuture.completedFuture(null);

        Reader(String name, boolean slow) throws Exception {
            this.slow = slow;
            socket = server.client()
                    .newWebSocketBuilder()
                    .buildAsync(
                            URI.create("ws://localhost:" + server.port + "/api/stage?project=1&reader=" + name), this)
                    .get(5, TimeUnit.SECONDS);
            assertThat(word("ready")).isNotNull();
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
        public CompletionStage<?> onBinary(WebSocket s, ByteBuffer data, boolean last) {
            byte[] part = new byte[data.remaining()];
            data.get(part);
            binary.writeBytes(part);
            if (last) {
                ByteBuffer frame = ByteBuffer.wrap(binary.toByteArray()).order(ByteOrder.LITTLE_ENDIAN);
                binary.reset();
                frames.add(frame);
                if (!slow) {
                    send(s, "{\"do\":\"seen\",\"sequence\":" + frame.getInt(20) + "}");
                }
            }
            s.request(1);
            return null;
        }

        void say(String message) throws Exception {
            send(socket, message).get(5, TimeUnit.SECONDS);
        }

        // One after the other: a socket takes no second message while the first is on its way.
        private synchronized CompletableFuture<WebSocket> send(WebSocket s, String message) {
            sent = sent.thenCompose(before -> s.sendText(message, true));
            return sent;
        }

        JsonNode word(String is) throws InterruptedException {
            while (true) {
                JsonNode word = words.poll(5, TimeUnit.SECONDS);
                if (word == null || word.get("is").asString().equals(is)) {
                    return word;
                }
            }
        }

        ByteBuffer frame() throws InterruptedException {
            return frames.poll(5, TimeUnit.SECONDS);
        }

        @Override
        public void close() {
            socket.abort();
        }
    }

    @Test
    void aSpanIsHeldMovedAndEnded() throws Exception {
        try (Reader reader = new Reader("a", false)) {
            reader.say("{\"do\":\"pull\",\"event\":\"kite.reeling\",\"phase\":\"begin\",\"subject\":\"red kite\","
                    + "\"seed\":1,\"payload\":{\"position\":[2,3,0],\"heading\":[1,0,0]}}");
            assertThat(reader.word("account").at("/account/answers/0/effect").asString())
                    .isEqualTo("reel smoke");
            reader.say("{\"do\":\"move\",\"subject\":\"red kite\",\"position\":[4,3,0]}");
            reader.say("{\"do\":\"move\",\"subject\":\"red kite\",\"position\":[4,3,null]}");
            assertThat(reader.word("refused").toString()).contains("/position").contains("three finite numbers");
            assertThat(reader.frame().getInt(16)).isPositive();
            reader.say("{\"do\":\"pull\",\"event\":\"kite.reeling\",\"phase\":\"end\",\"subject\":\"red kite\"}");
            JsonNode ended = reader.word("account").get("account");
            assertThat(ended.get("phase").asString()).isEqualTo("end");
            assertThat(ended.toString()).contains("with line hiss");
        }
    }

    @Test
    void aStateFollowsAChannelAndALoneEndIsSaid() throws Exception {
        try (Reader reader = new Reader("a", false)) {
            reader.say("{\"do\":\"publish\",\"channel\":\"intensity\",\"value\":1}");
            reader.say("{\"do\":\"pull\",\"event\":\"weather\",\"value\":\"downpour\",\"seed\":1,\"payload\":{}}");
            assertThat(reader.word("account").toString())
                    .contains("downpour at")
                    .contains("amount 1.5 from intensity");
            reader.say("{\"do\":\"publish\",\"channel\":\"intnsity\",\"value\":1}");
            assertThat(reader.word("refused").toString()).contains("did you mean intensity?");
            reader.say("{\"do\":\"pull\",\"event\":\"mill.turning\",\"phase\":\"end\"}");
            assertThat(reader.word("account").toString()).contains("ends for mill without anything that runs");
            reader.say("{\"do\":\"pull\",\"event\":\"weather\",\"value\":\"clear\",\"seed\":1,\"payload\":{}}");
            assertThat(reader.word("account").toString()).contains("downpour ends after");
        }
    }

    @Test
    void whatGameCodeIsToldAndWhatShakesIsSaid() throws Exception {
        try (Reader reader = new Reader("teller", false)) {
            reader.say("{\"do\":\"comfort\",\"lessShake\":false,\"lessFlash\":true}");
            reader.say("{\"do\":\"pull\",\"event\":\"courier.downed\",\"seed\":1,"
                    + "\"payload\":{\"position\":[0,0,0],\"direction\":[1,0,0],\"cause\":\"hail\"}}");
            assertThat(reader.word("told").at("/told/0/name").asString()).isEqualTo("hide the courier");
            JsonNode comfort = reader.word("comfort");
            assertThat(comfort.at("/flash/3").asDouble()).as("less flash").isBetween(0.01, 0.125);
            assertThat(comfort.get("paused").asDouble()).isPositive();
            JsonNode kept = server.get("/api/projects/1/accounts?reader=teller&words=downed");
            assertThat(kept).hasSize(1);
            assertThat(new String(server.send("GET", "/api/projects/1/accounts/lines?reader=teller", null)
                            .bytes()))
                    .contains("\"event\":\"courier.downed\"")
                    .endsWith("\n");
            assertThat(server.send("GET", "/api/projects/1/accounts?reader=nobody", null)
                            .status())
                    .isEqualTo(404);
        }
    }

    @Test
    void aPullIsAnsweredByAFrameAndItsAccount() throws Exception {
        try (Reader reader = new Reader("a", false)) {
            reader.say(LANDING);
            ByteBuffer frame = reader.frame();
            assertThat(frame.getInt(12)).as("particles").isBetween(38, 49);
            assertThat(frame.getInt(16)).as("instances").isEqualTo(1);
            JsonNode account = reader.word("account").get("account");
            assertThat(account.get("summary").asString()).isEqualTo("5 ropes listened, 1 answered");
            assertThat(account.toString()).contains("hard knock silent: speed was 9 u/s, wants over 11");
        }
    }

    @Test
    void twentyQuickPullsClimbAndFallBackToExactlyZero() throws Exception {
        try (Reader reader = new Reader("a", false)) {
            for (int i = 0; i < 20; i++) {
                reader.say("{\"do\":\"pull\",\"event\":\"crow.scattered\",\"seed\":" + i
                        + ",\"payload\":{\"position\":[0,0,0],\"direction\":[1,0,0]}}");
            }
            List<Integer> instances = new ArrayList<>();
            ByteBuffer frame;
            do {
                frame = reader.frame();
                assertThat(frame).as("a last, empty frame").isNotNull();
                instances.add(frame.getInt(16));
            } while (frame.getInt(16) > 0);
            assertThat(instances).contains(20);
            assertThat(frame.getInt(12)).as("particles at the end").isZero();
            assertThat(reader.frames.poll(200, TimeUnit.MILLISECONDS))
                    .as("a still stage says nothing")
                    .isNull();
        }
    }

    @Test
    void aSlowReaderSkipsFramesAndIsNotBuried() throws Exception {
        try (Reader reader = new Reader("slow", true)) {
            reader.say(LANDING);
            Thread.sleep(600);
            assertThat(reader.frames.size()).isLessThanOrEqualTo(2);
            reader.say("{\"do\":\"seen\",\"sequence\":2}");
            reader.frame();
            reader.frame();
            assertThat(reader.frame().getInt(8))
                    .as("the newest step, not the next")
                    .isGreaterThan(20);
        }
    }

    @Test
    void aSaveRetunesWhatPlaysAndOthersAreTold() throws Exception {
        try (Reader author = new Reader("author", false);
                Reader other = new Reader("other", false)) {
            other.say(LANDING);
            int before = other.frame().getInt(12);
            JsonNode part = server.part("effect", "straw puff");
            String body =
                    part.get("body").toString().replaceFirst("\"least\":8,\"most\":11", "\"least\":200,\"most\":200");
            server.send(
                    "PUT",
                    "/api/parts/" + part.get("id").asLong(),
                    "{\"basedOn\":" + part.get("revision").asLong() + ",\"body\":" + body + "}",
                    "X-Bellrope-Reader",
                    "author");
            JsonNode changed = other.word("changed");
            assertThat(changed.at("/saved/parts/0/name").asString()).isEqualTo("straw puff");
            int most = before;
            for (ByteBuffer f = other.frame(); f != null && f.getInt(16) > 0; f = other.frame()) {
                most = Math.max(most, f.getInt(12));
            }
            assertThat(most).isGreaterThan(before + 150);
            assertThat(author.words.stream()
                            .noneMatch(w -> w.get("is").asString().equals("changed")))
                    .isTrue();
        }
    }

    @Test
    void whatCannotBeDoneIsSaidAndTheStageGoesOn() throws Exception {
        try (Reader reader = new Reader("a", false)) {
            reader.say(LANDING.replace("\"speed\":9", "\"speed\":\"fast\""));
            assertThat(reader.word("account").toString()).contains("/speed").contains("a number from 0 to 14 u/s");
            reader.say("{\"do\":\"pull\",\"event\":\"courier.sneezed\",\"payload\":{}}");
            assertThat(reader.word("account").toString()).contains("courier.sneezed");
            reader.say("{\"do\":\"dance\"}");
            assertThat(reader.word("refused").toString()).contains("seen, draft, clear or restart");
            reader.say("{\"do\":");
            assertThat(reader.word("refused").toString()).contains("cut off");
            reader.say("{\"do\":\"draft\",\"parts\":[{\"part\":99999,\"body\":{}}]}");
            assertThat(reader.word("refused").toString()).contains("part 99999");
            reader.say(LANDING);
            assertThat(reader.frame().getInt(12)).isPositive();
        }
    }

    @Test
    void aPageFromElsewhereCannotOpenTheSocket() {
        assertThatThrownBy(() -> server.client()
                        .newWebSocketBuilder()
                        .header("Origin", "http://elsewhere.example")
                        .buildAsync(
                                URI.create("ws://localhost:" + server.port + "/api/stage?project=1"), new Listener() {})
                        .get(5, TimeUnit.SECONDS))
                .hasStackTraceContaining("403");
    }

    @Test
    void aLongMessageComesInPiecesAndOneThatIsTooLongIsRefused() throws Exception {
        try (Reader reader = new Reader("long", false)) {
            String padding = " ".repeat(300_000);
            reader.say(LANDING.replace("{\"do\"", "{" + padding + "\"do\""));
            assertThat(reader.word("account")).isNotNull();
            reader.say(LANDING.replace("{\"do\"", "{" + " ".repeat(1_100_000) + "\"do\""));
            assertThat(reader.word("refused").get("detail").asString()).isEqualTo("The message is too long.");
            reader.say(LANDING);
            assertThat(reader.word("account")).isNotNull();
        }
    }

    @Test
    void moreSocketsThanThereIsRoomForAreRefusedInWordsAndTheOthersGoOn() throws Exception {
        try {
            String reason = null;
            while (reason == null && idle.size() < 300) {
                CompletableFuture<String> closed = new CompletableFuture<>();
                WebSocket socket = server.client()
                        .newWebSocketBuilder()
                        .buildAsync(
                                URI.create("ws://localhost:" + server.port + "/api/stage?project=1&reader=many"),
                                new Listener() {
                                    @Override
                                    public CompletionStage<?> onClose(WebSocket s, int code, String why) {
                                        closed.complete(code + " " + why);
                                        return null;
                                    }

                                    @Override
                                    public CompletionStage<?> onText(WebSocket s, CharSequence data, boolean last) {
                                        closed.complete("");
                                        return null;
                                    }
                                })
                        .get(5, TimeUnit.SECONDS);
                String word = closed.get(5, TimeUnit.SECONDS);
                if (word.isEmpty()) {
                    idle.add(socket);
                } else {
                    reason = word;
                }
            }
            assertThat(reason).isEqualTo("1013 64 windows are open already; close one of them");
            assertThat(server.get("/api/projects").size()).isPositive();
        } finally {
            idle.forEach(WebSocket::abort);
            idle.clear();
        }
        // Room again once they have gone.
        for (int i = 0; i < 50; i++) {
            try (Reader again = new Reader("again", false)) {
                again.say(LANDING);
                assertThat(again.word("account")).isNotNull();
                return;
            } catch (AssertionError e) {
                Thread.sleep(100);
            }
        }
        throw new AssertionError("no room though all have gone");
    }

    private final List<WebSocket> idle = new ArrayList<>();
}
