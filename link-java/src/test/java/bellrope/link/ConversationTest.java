package bellrope.link;

import static org.assertj.core.api.Assertions.assertThat;

import bellrope.core.event.Pull;
import bellrope.core.project.Project;
import bellrope.core.value.Pace;
import bellrope.core.value.Vec3;
import bellrope.format.json.Bundle;
import bellrope.format.json.JacksonValue;
import bellrope.format.json.JsonText;
import bellrope.format.json.LinkJson.Look;
import bellrope.format.json.PayloadJson;
import bellrope.format.json.Problems;
import bellrope.format.json.PullJson;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.TreeMap;
import java.util.concurrent.TimeUnit;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** The conversation of {@code docs/format/link.conversation.json}, as the client for Java has it. */
class ConversationTest {
    private final List<String> told = new ArrayList<>();
    private final List<JsonNode> words = new ArrayList<>();
    private final TreeMap<Long, JsonNode> entries = new TreeMap<>();
    private int reached;
    private String instance = "";

    @Test
    void theClientSaysWhatIsWritten() throws Exception {
        JsonNode conversation = JsonText.parse(Files.readString(Path.of("../docs/format/link.conversation.json")))
                .node();
        Project bundle =
                Bundle.read(JacksonValue.of(conversation.get("bundle"))).value().orElseThrow();
        LinkListener listener = new LinkListener() {
            @Override
            public List<String> can() {
                return List.of("snow falls");
            }

            @Override
            public List<Look> looks() {
                return List.of(new Look("kite", "M0 50L50 0L100 50Z", null, 2, 1));
            }

            @Override
            public void asked(String what) {
                told.add("asked: " + what);
            }

            @Override
            public void unlinked(String why) {
                told.add("unlinked");
            }
        };
        try (ScriptedServer server = new ScriptedServer();
                LinkedGame game = LinkedGame.open(bundle, "A conversation", "1.2", server.address(), listener)) {
            for (JsonNode turn : conversation.get("turns")) {
                if (turn.has("gameSays")) {
                    expect(server, turn.get("gameSays"));
                } else if (turn.has("serverSays") || turn.has("serverOnly")) {
                    JsonNode heard = turn.has("serverSays") ? turn.get("serverSays") : turn.get("serverOnly");
                    server.say(heard.toString());
                    arrived(server, game, heard.get("is").asString());
                } else if (turn.has("gameDoes")) {
                    for (JsonNode act : turn.get("gameDoes")) {
                        act(game, act);
                    }
                } else if (turn.has("socket")) {
                    server.lose();
                }
            }
            assertThat(words).isEmpty();
            assertThat(told).containsExactly("asked: snow falls", "unlinked");
        }
    }

    // Each goes its way on a thread of its own: waits until it can be seen to have arrived.
    private void arrived(ScriptedServer server, LinkedGame game, String is) throws InterruptedException {
        if (is.equals("patch") || is.equals("bundle")) {
            while (words.isEmpty()) {
                hear(server);
            }
        } else if (is.equals("asked")) {
            while (told.isEmpty()) {
                game.advance(0);
                TimeUnit.MILLISECONDS.sleep(1);
            }
        }
    }

    // What was said may come in other pieces.
    private void expect(ScriptedServer server, JsonNode message) throws InterruptedException {
        if (message.get("is").asString().equals("said")) {
            long from = message.get("from").asLong();
            int count = message.get("entries").size();
            while (reached < message.get("step").asInt() || !entries.containsKey(from + count - 1)) {
                hear(server);
            }
            for (int i = 0; i < count; i++) {
                assertThat(entries.remove(from + i))
                        .isEqualTo(message.get("entries").get(i));
            }
        } else {
            while (words.isEmpty()) {
                hear(server);
            }
            assertThat(words.remove(0)).isEqualTo(message);
        }
    }

    private void hear(ScriptedServer server) throws InterruptedException {
        String text = server.heard.poll(10, TimeUnit.SECONDS);
        assertThat(text).as("something is said after %s, %s", words, entries).isNotNull();
        Matcher own = Pattern.compile("\"instance\":\"([^\"]+)\"").matcher(text);
        instance = own.find() ? own.group(1) : instance;
        JsonNode message = JsonText.parse(text.replace(instance, "3f")).node();
        if (message.get("is").asString().equals("said")) {
            long number = message.get("from").asLong();
            for (JsonNode entry : message.get("entries")) {
                entries.put(number++, entry);
            }
            reached = message.get("step").asInt();
        } else {
            words.add(message);
        }
    }

    private static void act(LinkedGame game, JsonNode act) {
        String what = act.propertyNames().iterator().next();
        JsonNode of = act.get(what);
        switch (what) {
            case "steps" -> game.advance(Pace.SIXTY.seconds(of.asInt()));
            case "publish" -> game.publish(of.asString(), act.get("value").asDouble());
            case "move" ->
                game.move(
                        of.asString(),
                        vector(act.get("position")),
                        vector(act.get("heading")),
                        vector(act.get("velocity")));
            case "gone" -> game.gone(of.asString());
            case "camera" -> game.camera(vector(of));
            case "clear" -> game.clear();
            case "reset" -> game.reset();
            case "pull" -> game.pull(pull(of));
            default -> throw new AssertionError(what);
        }
    }

    private static Pull pull(JsonNode of) {
        Problems problems = new Problems();
        return PullJson.read(
                JacksonValue.of(of),
                "",
                of.get("event").asString(),
                PayloadJson.read(JacksonValue.of(of.get("payload")), "", problems),
                of.get("seed").asLong(),
                problems);
    }

    private static Vec3 vector(JsonNode of) {
        return new Vec3(of.get(0).asDouble(), of.get(1).asDouble(), of.get(2).asDouble());
    }
}
