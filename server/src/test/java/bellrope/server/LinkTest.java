package bellrope.server;

import static org.assertj.core.api.Assertions.assertThat;

import bellrope.core.event.Pull;
import bellrope.core.project.Project;
import bellrope.core.score.Arrival;
import bellrope.core.score.Writing;
import bellrope.core.value.Datum;
import bellrope.core.value.Vec3;
import bellrope.format.link.LinkedStage;
import bellrope.link.LinkListener;
import bellrope.link.LinkedGame;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.net.Socket;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AutoClose;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;

/** The link to running games, with its real client and over real sockets. */
class LinkTest extends LinkStory {
    @AutoClose
    private static final RunningServer SERVER = new RunningServer();

    private static final String HELLO =
            "{\"is\":\"hello\",\"protocol\":1,\"game\":\"test\",\"instance\":\"%s\",\"first\":1,\"step\":0}";
    private static final String ENTRY =
            "{\"specversion\":\"1.0\",\"id\":\"%d\",\"source\":\"/g\",\"type\":\"subject.gone\",\"step\":%d,\"subject\":\"x\"}";

    LinkTest() {
        super(SERVER);
    }

    @Test
    void aGameWithAnOlderBundleIsBroughtUpToDateAndGetsEachSave() throws Exception {
        Listening listening = new Listening();
        Project older = DEMO.withEffects(
                        DEMO.effects().subList(0, DEMO.effects().size() - 1))
                .withRopes(List.of());
        try (LinkedGame game = game(older, listening)) {
            assertThat(listening.next()).isEqualTo("linked with Windrow Post");
            await(() ->
                    game.advance(0.01) >= 0 && game.stage().project().ropes().size() > 10);
            List<Double> took = new ArrayList<>();
            for (int n = 0; n < 40; n++) {
                double drag = 0.5 + n / 100.0;
                Project was = game.stage().project();
                save("peat splat", drag);
                long before = System.nanoTime();
                await(() -> game.advance(0.001) >= 0 && game.stage().project() != was);
                took.add((System.nanoTime() - before) / 1e6);
                assertThat(game.stage().project()).isEqualTo(saved());
            }
            took.sort(null);
            System.out.printf(
                    "A saved change in the game after it was acknowledged: %.1f ms median, %.1f ms at the 95th percentile%n",
                    took.get(20), took.get(37));
            assertThat(listening.said).isEmpty();
        }
    }

    @Test
    void aBenchThatFollowsShowsWhatTheGameShowsToTheBit() throws Exception {
        try (LinkedGame game = game(DEMO, new Listening())) {
            await(() -> game.advance(0.01) >= 0 && game.linked());
            List<Arrival> run =
                    Writing.of(DEMO.scores().get(0), DEMO.events(), 0).arrivals();
            int next = 0;
            for (int frame = 0; frame < 900; frame++) {
                double time = frame / 60.0;
                game.move("kite", new Vec3(Math.sin(time), 2, 0), Vec3.RIGHT, null);
                game.publish("wind", 4 + time / 5);
                while (next < run.size() && run.get(next).at() <= time) {
                    game.pull(run.get(next++).pull());
                }
                if (frame == 300 || frame == 500) {
                    save("straw puff", 0.3 + frame / 1000.0);
                    Project wanted = saved();
                    await(() ->
                            game.advance(0.002) >= 0 && game.stage().project().equals(wanted));
                }
                game.advance(1 / 60.0);
            }
            assertThat(game.stage().particles()).isGreaterThan(20);
            LinkedStage stage = followed(game);
            assertThat(bytes(stage.stage().frame(1)))
                    .isEqualTo(bytes(game.stage().frame(1)));
        }
    }

    @Test
    void whatBeganUnderABundleThatNobodyKnowsIsFollowedAsItBentToTheFirstKnown() throws Exception {
        Project own = DEMO.withEffects(DEMO.effects().stream()
                .map(e -> e.name().equals("drizzle")
                        ? e.changed(e.emitters().get(0).name(), m -> m.withPlayback(0.5))
                        : e)
                .toList());
        try (LinkedGame game = game(own, new Listening())) {
            game.pull(Pull.set("weather", "drizzle", Map.of(), 3));
            for (int frame = 0; frame < 30; frame++) {
                game.advance(1 / 60.0);
            }
            await(() -> game.advance(0.001) >= 0 && game.stage().project() != own);
            for (int frame = 0; frame < 30; frame++) {
                game.advance(1 / 60.0);
            }
            assertThat(game.stage().particles()).isGreaterThan(5);
            LinkedStage stage = followed(game);
            assertThat(bytes(stage.stage().frame(1)))
                    .isEqualTo(bytes(game.stage().frame(1)));
        }
    }

    @Test
    void whatIsSaidTwiceIsTakenOnceAndAGapIsCounted() throws Exception {
        try (TestSocket bench = new TestSocket(server, "/api/games?project=1")) {
            try (TestSocket game = new TestSocket(server, "/link?project=1")) {
                game.say(HELLO.formatted("twice"));
                assertThat(game.word("welcome").get("next").asLong()).isEqualTo(1);
                game.say(said(1, 3));
                assertThat(game.word("taken").get("next").asLong()).isEqualTo(4);
            }
            try (TestSocket game = new TestSocket(server, "/link?project=1")) {
                game.say(HELLO.formatted("twice"));
                assertThat(game.word("welcome").get("next").asLong()).isEqualTo(4);
                game.say(said(2, 4));
                assertThat(game.word("taken").get("next").asLong()).isEqualTo(6);
                bench.say("{\"is\":\"want\",\"game\":\"twice\",\"from\":1,\"step\":0}");
                JsonNode all = bench.word("said");
                assertThat(all.get("entries").valueStream().map(e -> e.get("id").asString()))
                        .containsExactly("1", "2", "3", "4", "5");
                game.say(said(9, 2));
                assertThat(game.word("taken").get("next").asLong()).isEqualTo(11);
                bench.say("{\"is\":\"want\",\"game\":\"twice\",\"from\":6,\"step\":0}");
                assertThat(bench.word("lost").get("first").asLong()).isEqualTo(9);
                // The same game by another socket: the first is let go.
                try (TestSocket again = new TestSocket(server, "/link?project=1")) {
                    again.say(HELLO.formatted("twice"));
                    assertThat(again.word("welcome").get("next").asLong()).isEqualTo(11);
                    assertThat(game.why()).startsWith("4409 ");
                }
            }
        }
    }

    @Test
    void whatTwoGamesSayAtOnceIsAllTakenAndGivenToABenchInItsOwnTime() throws Exception {
        int messages = 200;
        int each = 100;
        try (TestSocket one = new TestSocket(server, "/link?project=1");
                TestSocket other = new TestSocket(server, "/link?project=1");
                TestSocket bench = new TestSocket(server, "/api/games?project=1")) {
            long before = System.nanoTime();
            for (TestSocket game : List.of(one, other)) {
                game.say(HELLO.formatted(game == one ? "flood 1" : "flood 2"));
                assertThat(game.word("welcome")).isNotNull();
            }
            for (int n = 0; n < messages; n++) {
                one.say(said(1 + n * each, each));
                other.say(said(1 + n * each, each));
            }
            for (TestSocket game : List.of(one, other)) {
                long next = 1;
                while (next <= messages * each) {
                    next = game.word("taken").get("next").asLong();
                }
            }
            System.out.printf(
                    "%.0f things a second were taken from two games%n",
                    2e9 * messages * each / (System.nanoTime() - before));
            for (String game : List.of("flood 1", "flood 2")) {
                long from = 1;
                while (from <= messages * each) {
                    bench.say("{\"is\":\"want\",\"game\":\"" + game + "\",\"from\":" + from + ",\"step\":0}");
                    JsonNode said = bench.word("said");
                    assertThat(said.get("from").asLong()).isEqualTo(from);
                    assertThat(said.get("entries").size()).isBetween(1, 1_000);
                    from += said.get("entries").size();
                }
            }
        }
    }

    @Test
    void twoGamesAreFollowedByFiveBenchesAtOnceEachToItsEnd() throws Exception {
        List<TestSocket> games = new ArrayList<>();
        List<TestSocket> benches = new ArrayList<>();
        try {
            for (int n = 0; n < 5; n++) {
                benches.add(new TestSocket(server, "/api/games?project=1"));
            }
            for (String name : List.of("pair 1", "pair 2")) {
                TestSocket game = new TestSocket(server, "/link?project=1");
                games.add(game);
                game.say(HELLO.formatted(name));
                assertThat(game.word("welcome")).isNotNull();
            }
            for (int n = 0; n < 40; n++) {
                games.get(0).say(said(1 + n * 50, 50));
                games.get(1).say(said(1 + n * 25, 25));
                for (TestSocket bench : benches) {
                    bench.say("{\"is\":\"want\",\"game\":\"pair " + (1 + n % 2) + "\",\"from\":1,\"step\":0}");
                }
            }
            for (TestSocket bench : benches) {
                for (String name : List.of("pair 1", "pair 2")) {
                    long last = name.equals("pair 1") ? 2_000 : 1_000;
                    long from = 1;
                    while (from <= last) {
                        bench.say("{\"is\":\"want\",\"game\":\"" + name + "\",\"from\":" + from + ",\"step\":0}");
                        JsonNode told = bench.word("said");
                        // Answers to what was wanted before may come first.
                        while (!told.get("game").asString().equals(name)
                                || told.get("from").asLong() != from) {
                            told = bench.word("said");
                        }
                        for (JsonNode entry : told.get("entries")) {
                            assertThat(entry.get("id").asString()).isEqualTo(Long.toString(from++));
                        }
                    }
                }
            }
        } finally {
            games.forEach(TestSocket::close);
            benches.forEach(TestSocket::close);
        }
    }

    @Test
    void everyWindowHearsHowManyGamesAreLinked() throws Exception {
        long alone = server.send("POST", "/api/projects", "{\"name\":\"Alone\"}")
                .json()
                .get("id")
                .asLong();
        try (TestSocket window = new TestSocket(server, "/api/news?project=" + alone + "&reader=a")) {
            assertThat(window.word("ready")).isNotNull();
            try (TestSocket game = new TestSocket(server, "/link?project=Alone")) {
                game.say(HELLO.formatted("only"));
                assertThat(window.word("games").get("linked").asInt()).isEqualTo(1);
                try (TestSocket later = new TestSocket(server, "/api/news?project=" + alone + "&reader=b")) {
                    assertThat(later.word("games").get("linked").asInt()).isEqualTo(1);
                }
            }
            JsonNode told = window.word("games");
            while (told.get("linked").asInt() != 0) {
                told = window.word("games");
            }
        }
    }

    @Test
    void theSameGameWithAnotherProjectBeginsAnew() throws Exception {
        long elsewhere = server.send("POST", "/api/projects", "{\"name\":\"Elsewhere %\"}")
                .json()
                .get("id")
                .asLong();
        try (TestSocket game = new TestSocket(server, "/link?project=1");
                TestSocket again = new TestSocket(server, "/link?project=Elsewhere%20%25")) {
            game.say(HELLO.formatted("moves"));
            game.say(said(1, 3));
            assertThat(game.word("taken").get("next").asLong()).isEqualTo(4);
            again.say(HELLO.formatted("moves"));
            JsonNode welcome = again.word("welcome");
            assertThat(welcome.get("project").asLong()).isEqualTo(elsewhere);
            assertThat(welcome.get("next").asLong()).isEqualTo(1);
            assertThat(game.why()).startsWith("4409 ");
            assertThat(TestSocket.turnedAway(server, "/link?project=nowhere")).startsWith("1007 ");
        }
    }

    @Test
    void aBenchAsksAGameForWhatItCanDoAndSeesHowItsSubjectsLook() throws Exception {
        String hello = HELLO.formatted("asked")
                .replace(
                        "}",
                        ",\"can\":[\"hail strikes\"],\"looks\":[{\"name\":\"crow\",\"path\":\"M0 0L1 1\",\"width\":2,\"height\":1}]}");
        try (TestSocket bench = new TestSocket(server, "/api/games?project=1");
                TestSocket game = new TestSocket(server, "/link?project=1")) {
            game.say(hello);
            assertThat(game.word("welcome")).isNotNull();
            JsonNode shows = bench.word("shows");
            while (!shows.get("game").asString().equals("asked")) {
                shows = bench.word("shows");
            }
            assertThat(shows.at("/can/0").asString()).isEqualTo("hail strikes");
            assertThat(shows.at("/looks/0/path").asString()).isEqualTo("M0 0L1 1");
            bench.say("{\"is\":\"ask\",\"game\":\"asked\",\"what\":\"snow\"}");
            assertThat(bench.word("not asked").get("what").asString()).isEqualTo("snow");
            bench.say("{\"is\":\"ask\",\"game\":\"asked\",\"what\":\"hail strikes\"}");
            assertThat(game.word("asked").get("what").asString()).isEqualTo("hail strikes");
            bench.say("{\"is\":\"ask\",\"game\":\"another\",\"what\":\"hail strikes\"}");
            assertThat(bench.word("not asked").get("game").asString()).isEqualTo("another");
        }
    }

    @Test
    void looksThatWouldFillABenchAreRefused() throws Exception {
        String look = "{\"name\":\"a\",\"png\":\"iVBORw0KGgo" + "A".repeat(55_000) + "\",\"width\":1,\"height\":1}";
        String hello =
                HELLO.formatted("large").replace("}", ",\"looks\":[" + String.join(",", look, look, look, look) + "]}");
        try (TestSocket game = new TestSocket(server, "/link?project=1")) {
            game.say(hello);
            JsonNode wrong = game.word("wrong");
            assertThat(wrong.get("place").asString()).isEqualTo("/looks");
            assertThat(wrong.get("allowed").asString()).contains("200000 characters", "220044");
            game.say(HELLO.formatted("large"));
            assertThat(game.word("welcome")).isNotNull();
        }
    }

    @Test
    void whatIsAskedComesToTheGameOnItsOwnThread() throws Exception {
        List<String> asked = new ArrayList<>();
        List<Thread> threads = new ArrayList<>();
        LinkListener listener = new LinkListener() {
            @Override
            public List<String> can() {
                return List.of("snow falls");
            }

            @Override
            public void asked(String what) {
                asked.add(what);
                threads.add(Thread.currentThread());
            }
        };
        try (LinkedGame game = game(DEMO, listener);
                TestSocket bench = new TestSocket(server, "/api/games?project=1")) {
            await(() -> game.advance(0.01) >= 0 && game.linked());
            bench.say("{\"is\":\"ask\",\"game\":\""
                    + standing().at("/game/instance").asString() + "\",\"what\":\"snow falls\"}");
            await(() -> game.advance(0.01) >= 0 && !asked.isEmpty());
            assertThat(asked).containsExactly("snow falls");
            assertThat(threads).containsExactly(Thread.currentThread());
        }
    }

    /** Web games come from servers of their own. */
    @Test
    void aPageOfThisMachineMayLinkAndNoOther() {
        assertThat(handshake("/link?project=1", "http://localhost:5173")).isEqualTo(101);
        assertThat(handshake("/link?project=1", "http://127.0.0.1:8080")).isEqualTo(101);
        assertThat(handshake("/link?project=1", "http://elsewhere.example")).isEqualTo(403);
        assertThat(handshake("/link?project=1", "http://localhost.example:5173"))
                .isEqualTo(403);
        assertThat(handshake("/link?project=1", "null")).isEqualTo(403);
        assertThat(handshake("/api/games?project=1", "http://localhost:5173")).isEqualTo(403);
    }

    // By hand: the client of the JDK lets nobody say where a page comes from.
    private static int handshake(String path, String origin) {
        try (Socket socket = new Socket("localhost", SERVER.port)) {
            socket.getOutputStream()
                    .write(("GET " + path + " HTTP/1.1\r\nHost: localhost:" + SERVER.port + "\r\nOrigin: " + origin
                                    + "\r\nConnection: Upgrade\r\nUpgrade: websocket\r\nSec-WebSocket-Version: 13\r\n"
                                    + "Sec-WebSocket-Key: dGhlIHNhbXBsZSBub25jZQ==\r\n\r\n")
                            .getBytes(StandardCharsets.US_ASCII));
            String first = new BufferedReader(new InputStreamReader(socket.getInputStream(), StandardCharsets.US_ASCII))
                    .readLine();
            return Integer.parseInt(first.split(" ")[1]);
        } catch (IOException e) {
            throw new AssertionError(e);
        }
    }

    private static String said(int from, int count) {
        List<String> entries = new ArrayList<>();
        for (int n = from; n < from + count; n++) {
            entries.add(ENTRY.formatted(n, n));
        }
        return "{\"is\":\"said\",\"from\":" + from + ",\"step\":" + (from + count) + ",\"entries\":["
                + String.join(",", entries) + "]}";
    }

    @Test
    void aGameThatNobodyAnswersPlaysOnAndSaysSoOnce() throws Exception {
        Listening listening = new Listening();
        try (LinkedGame game = LinkedGame.open(DEMO, "alone", "", URI.create("ws://localhost:1/link"), listening)) {
            assertThat(listening.next()).startsWith("unlinked: no server at localhost:1");
            for (int frame = 0; frame < 600; frame++) {
                if (frame % 100 == 0) {
                    game.pull(new Pull(
                            "courier.landed",
                            Map.of(
                                    "position", new Datum.Vec(Vec3.ZERO),
                                    "normal", new Datum.Vec(Vec3.UP),
                                    "speed", new Datum.Num(9),
                                    "surface", new Datum.Word("thatch")),
                            frame));
                }
                game.advance(1 / 60.0);
            }
            assertThat(game.stage().births()).isGreaterThan(50);
            Thread.sleep(1_200);
            assertThat(listening.said).isEmpty();
            assertThat(game.linked()).isFalse();
        }
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            quoteCharacter = '`',
            value = {
                "no JSON | ",
                "[1,2] | ",
                "{\"is\":\"said\"} | /is",
                "{\"is\":7} | /is",
                "{\"is\":\"hello\",\"protocol\":\"1\"} | /protocol",
                "{\"is\":\"hello\",\"protocol\":1} | /game",
                "{\"is\":\"hello\",\"protocol\":1,\"game\":\"x\",\"instance\":\"i\",\"first\":0,\"step\":0} | /first",
                "{\"is\":\"hello\",\"protocol\":1,\"game\":\"x\",\"instance\":\"i\",\"first\":1,\"step\":1e99} | /step",
                "{\"is\":\"hello\",\"protocol\":1,\"game\":\"x\",\"instance\":\"i\",\"first\":1,\"step\":0,\"can\":7} | /can",
                "{\"is\":\"hello\",\"protocol\":1,\"game\":\"x\",\"instance\":\"i\",\"first\":1,\"step\":0,\"can\":[\"\"]} | /can/0",
                "{\"is\":\"hello\",\"protocol\":1,\"game\":\"x\",\"instance\":\"i\",\"first\":1,\"step\":0,\"looks\":[{\"name\":\"a\"}]} | /looks/0/png",
                "{\"is\":\"hello\",\"protocol\":1,\"game\":\"x\",\"instance\":\"i\",\"first\":1,\"step\":0,\"looks\":[{\"name\":\"a\",\"path\":\"<b>\"}]} | /looks/0/path",
                "{\"is\":\"hello\",\"protocol\":1,\"game\":\"x\",\"instance\":\"i\",\"first\":1,\"step\":0,\"looks\":[{\"name\":\"a\",\"path\":\"M0 0\",\"width\":0,\"height\":1}]} | /looks/0/width",
                "{\"is\":\"hello\",\"protocol\":1,\"game\":\"x\",\"instance\":\"i\",\"first\":1,\"step\":0,\"looks\":[7]} | /looks/0/name",
            })
    void whatIsNoHelloIsRefusedWithItsPlaceAndTheSocketStaysOpen(String message, String place) throws Exception {
        try (TestSocket game = new TestSocket(server, "/link?project=1")) {
            game.say(message);
            assertThat(game.word("wrong").get("place").asString()).isEqualTo(place == null ? "" : place);
            game.say(HELLO.formatted("after all"));
            assertThat(game.word("welcome").get("project").asLong()).isEqualTo(1);
        }
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            quoteCharacter = '`',
            value = {
                "{\"is\":\"hello\",\"protocol\":1,\"game\":\"x\",\"instance\":\"i\",\"first\":1,\"step\":0} | /is",
                "{\"is\":\"sing\"} | /is",
                "{\"is\":\"said\",\"from\":0,\"step\":1,\"entries\":[]} | /from",
                "{\"is\":\"said\",\"from\":1,\"step\":-1,\"entries\":[]} | /step",
                "{\"is\":\"said\",\"from\":1,\"step\":1} | /entries",
                "{\"is\":\"said\",\"from\":1,\"step\":1,\"entries\":[7]} | /entries/0",
                "{\"is\":\"said\",\"from\":1,\"step\":1,\"entries\":[{\"specversion\":\"0.3\"}]} | /entries/0/specversion",
                "{\"is\":\"said\",\"from\":1,\"step\":1,\"entries\":[{\"specversion\":\"1.0\",\"id\":\"1\",\"source\":\"/g\",\"type\":\"a\"}]} | /entries/0/step",
                "{\"is\":\"said\",\"from\":1,\"step\":1,\"entries\":[{\"specversion\":\"1.0\",\"id\":\"1\",\"source\":\"/g\",\"type\":\"bundle.taken\",\"step\":1}]} | /entries/0/data/change",
            })
    void whatAGameSaysWronglyIsRefusedWholeAndTakesNothing(String message, String place) throws Exception {
        try (TestSocket game = new TestSocket(server, "/link?project=1")) {
            String instance = "wrong " + Arrays.hashCode(message.toCharArray());
            game.say(HELLO.formatted(instance));
            assertThat(game.word("welcome").get("next").asLong()).isEqualTo(1);
            game.say(message);
            assertThat(game.word("wrong").get("place").asString()).isEqualTo(place);
            game.say(said(1, 2));
            assertThat(game.word("taken").get("next").asLong()).isEqualTo(3);
        }
    }

    @Test
    void anotherProtocolIsToldSoAndLetGo() throws Exception {
        try (TestSocket game = new TestSocket(server, "/link?project=1")) {
            game.say("{\"is\":\"hello\",\"protocol\":2}");
            assertThat(game.why()).startsWith("1002 protocol 1 is spoken here");
        }
        assertThat(TestSocket.turnedAway(server, "/link?project=77"))
                .isEqualTo("1007 project: the number or the name of a project");
        try (TestSocket game = new TestSocket(server, "/link?project=1")) {
            // A piece more than is taken: of a longer one the end is never read, and what is not read may cost the
            // answer.
            game.socket.sendText(" ".repeat((1 << 20) + 1), true);
            assertThat(game.why()).startsWith("1009 ");
        }
        try (TestSocket bench = new TestSocket(server, "/api/games?project=1")) {
            bench.say("{\"is\":\"want\"}");
            assertThat(bench.why()).startsWith("1003 ");
        }
    }
}
