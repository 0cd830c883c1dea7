package bellrope.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.AutoClose;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** The conversation in {@code docs/format}, from which clients are tested, is the one that the server has. */
class ConversationTest {
    private static final Path FILE = Path.of("../docs/format/link.conversation.json");

    @AutoClose
    private final RunningServer server = new RunningServer();

    private long project;

    @Test
    void theServerSaysWhatIsWritten() throws Exception {
        JsonNode conversation = RunningServer.JSON.readTree(Files.readString(FILE));
        project = server.send("POST", "/api/bundles", conversation.get("bundle").toString())
                .json()
                .get("id")
                .asLong();
        TestSocket game = null;
        try (TestSocket bench = new TestSocket(server, "/api/games?project=" + project)) {
            for (JsonNode turn : conversation.get("turns")) {
                if (turn.has("gameSays")) {
                    if (game == null) {
                        game = new TestSocket(server, "/link?project=" + project);
                    }
                    game.say(turn.get("gameSays").toString());
                } else if (turn.has("serverSays")) {
                    assertThat(heard(game)).isEqualTo(turn.get("serverSays"));
                } else if (turn.has("benchSaves")) {
                    save(turn.get("benchSaves"));
                } else if (turn.has("benchAsks")) {
                    bench.say("{\"is\":\"ask\",\"game\":\"3f\",\"what\":" + turn.get("benchAsks") + "}");
                } else if (turn.has("socket")) {
                    // What was said last was taken, and nobody heard so.
                    assertThat(game.word("taken")).isNotNull();
                    game.close();
                    game = null;
                }
            }
            assertThat(game.words).isEmpty();
        } finally {
            if (game != null) {
                game.close();
            }
        }
    }

    // With the number of a server whose first project this is.
    private JsonNode heard(TestSocket game) throws InterruptedException {
        ObjectNode word = (ObjectNode) game.word();
        assertThat(word).as("something is heard").isNotNull();
        if (word.has("project")) {
            assertThat(word.get("project").asLong()).isEqualTo(project);
            word.put("project", 1);
        }
        return RunningServer.JSON.readTree(word.toString());
    }

    private void save(JsonNode saved) throws IOException {
        for (JsonNode part : server.get("/api/projects/" + project).get("parts")) {
            if (part.get("kind").equals(saved.get("kind")) && part.get("name").equals(saved.get("name"))) {
                ObjectNode body = (ObjectNode) part.get("body");
                String path = saved.get("path").asString();
                int last = path.lastIndexOf('/');
                ((ObjectNode) body.at(path.substring(0, last))).set(path.substring(last + 1), saved.get("value"));
                assertThat(server.save(part, part.get("revision").asLong(), body.toString())
                                .status())
                        .isEqualTo(200);
                return;
            }
        }
        throw new AssertionError("no " + saved);
    }
}
