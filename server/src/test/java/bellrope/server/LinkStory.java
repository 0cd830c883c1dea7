package bellrope.server;

import static org.assertj.core.api.Assertions.assertThat;

import bellrope.core.project.Project;
import bellrope.format.json.Bundle;
import bellrope.format.json.Demo;
import bellrope.format.json.JacksonValue;
import bellrope.format.link.LinkedStage;
import bellrope.link.LinkListener;
import bellrope.link.LinkedGame;
import java.net.URI;
import java.nio.ByteBuffer;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import java.util.function.BooleanSupplier;
import tools.jackson.databind.JsonNode;

/** What tests of the link share: a server, games that are linked with it by the real client, and a bench that follows one. */
abstract class LinkStory {
    static final Project DEMO = Demo.project();

    final RunningServer server;

    LinkStory(RunningServer server) {
        this.server = server;
    }

    static final class Listening implements LinkListener {
        final BlockingQueue<String> said = new LinkedBlockingQueue<>();

        @Override
        public void linked(String project) {
            said.add("linked with " + project);
        }

        @Override
        public void unlinked(String why) {
            said.add("unlinked: " + why);
        }

        @Override
        public void wrong(String why) {
            said.add("wrong: " + why);
        }

        String next() throws InterruptedException {
            return said.poll(10, TimeUnit.SECONDS);
        }
    }

    // Each is called otherwise: the server may not know yet that the one before has ended.
    private static int opened;

    final LinkedGame game(Project bundle, LinkListener listener) {
        URI address = URI.create("ws://localhost:" + server.port + "/link?project=1");
        return LinkedGame.open(bundle, "game " + ++opened, "", address, listener);
    }

    static void await(BooleanSupplier condition) throws InterruptedException {
        long until = System.nanoTime() + TimeUnit.SECONDS.toNanos(20);
        while (!condition.getAsBoolean()) {
            assertThat(System.nanoTime()).as("waited too long").isLessThan(until);
            Thread.sleep(1);
        }
    }

    final Project saved() {
        return Bundle.read(server.send("GET", "/api/projects/1/bundle", null).bytes())
                .value()
                .orElseThrow();
    }

    final void save(String effect, double drag) {
        JsonNode part = server.part("effect", effect);
        String body = part.get("body").toString().replaceFirst("\"drag\":[0-9.]+", "\"drag\":" + drag);
        assertThat(server.send(
                                "PUT",
                                "/api/parts/" + part.get("id").asLong(),
                                "{\"basedOn\":" + part.get("revision").asLong() + ",\"body\":" + body + "}")
                        .status())
                .isEqualTo(200);
    }

    static byte[] bytes(ByteBuffer frame) {
        byte[] bytes = new byte[frame.remaining()];
        frame.duplicate().get(bytes);
        return bytes;
    }

    // Of the game that was opened last.
    final JsonNode standing() throws Exception {
        try (TestSocket bench = new TestSocket(server, "/api/games?project=1")) {
            JsonNode told = bench.word("game");
            while (!told.at("/game/game").asString().equals("game " + opened)) {
                told = bench.word("game");
            }
            return told;
        }
    }

    /** Follows the game that was opened last, as a bench does. */
    final LinkedStage followed(LinkedGame game) throws Exception {
        JsonNode told = standing();
        // What it took may be on its way.
        while (told.at("/game/changeAtFirst").asLong() == 0) {
            told = standing();
        }
        try (TestSocket bench = new TestSocket(server, "/api/games?project=1")) {
            String instance = told.at("/game/instance").asString();
            LinkedStage stage =
                    new LinkedStage(bundle(told.at("/game/changeAtFirst").asLong()));
            long from = told.at("/game/first").asLong();
            int step = 0;
            while (step < game.stage().now()) {
                bench.say(
                        "{\"is\":\"want\",\"game\":\"" + instance + "\",\"from\":" + from + ",\"step\":" + step + "}");
                JsonNode said = bench.word("said");
                assertThat(said.get("from").asLong()).isEqualTo(from);
                for (JsonNode entry : said.get("entries")) {
                    if (entry.get("type").asString().equals("bundle.taken")) {
                        stage.take(
                                bundle(entry.at("/data/change").asLong()),
                                entry.get("step").asInt());
                    }
                    assertThat(stage.follow(JacksonValue.of(entry)).problems()).isEmpty();
                    from++;
                }
                step = said.get("step").asInt();
                stage.reach(step);
            }
            return stage;
        }
    }

    final Project bundle(long change) {
        return Bundle.read(server.send("GET", "/api/projects/1/bundles/" + change, null)
                        .bytes())
                .value()
                .orElseThrow();
    }
}
