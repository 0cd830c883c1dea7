package bellrope.server;

import static org.assertj.core.api.Assertions.assertThat;

import bellrope.server.RunningServer.Answer;
import org.junit.jupiter.api.AutoClose;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;

class FittingApiTest {
    @AutoClose
    private static final RunningServer server = new RunningServer();

    private static final String BARE =
            "{\"name\":\"fresh\",\"seed\":999,\"event\":\"courier.landed\",\"conditions\":[],"
                    + "\"play\":\"straw puff\",\"offset\":[0,0,0],\"facing\":\"normal\",\"feeds\":[]}";

    private static Answer fitted(String rope, String move) {
        return server.send("POST", "/api/projects/1/fitted", "{\"ropes\":[" + rope + "]," + move + "}");
    }

    private static JsonNode rope(String rope, String move) {
        Answer answer = fitted(rope, move);
        assertThat(answer.status()).as(answer.json().toString()).isEqualTo(200);
        return answer.json().get("ropes").get(0);
    }

    @Test
    void aRopeOfTheDemoGoesToAnotherEventWithWhatThatCanGive() {
        JsonNode thatch = server.part("rope", "landing on thatch").get("body");
        String bundle =
                new String(server.send("GET", "/api/projects/1/bundle", null).bytes());
        JsonNode to = rope(thatch.toString(), "\"event\":\"weather\"");
        assertThat(to.get("event").asString()).isEqualTo("weather");
        assertThat(to.get("facing").asString()).isEqualTo("up");
        assertThat(to.get("conditions").toString()).doesNotContain("surface", "speed");
        assertThat(to.get("feeds").toString()).doesNotContain("speed");
        assertThat(to.get("play")).isEqualTo(thatch.get("play"));
        assertThat(new String(server.send("GET", "/api/projects/1/bundle", null).bytes()))
                .as("nothing is saved")
                .isEqualTo(bundle);
    }

    @Test
    void aFeedIsAddedFromTheUsualSourceAndReplacedFromAnother() {
        JsonNode effect = server.part("effect", "straw puff").get("body");
        String parameter = effect.get("parameters").get(0).get("name").asString();
        JsonNode one = rope(BARE, "\"feed\":{\"parameter\":\"" + parameter + "\"}");
        assertThat(one.get("feeds")).hasSize(1);
        assertThat(one.get("feeds").get(0).get("field").asString()).isEqualTo("speed");
        JsonNode other = rope(
                one.toString(),
                "\"feed\":{\"index\":0,\"parameter\":\"" + parameter + "\",\"source\":{\"channel\":\"wind\"}}");
        assertThat(other.get("feeds")).hasSize(1);
        assertThat(other.get("feeds").get(0).get("channel").asString()).isEqualTo("wind");
        assertThat(other.get("feeds").get(0).get("out"))
                .as("its results are kept")
                .isEqualTo(one.get("feeds").get(0).get("out"));
    }

    @Test
    void aConditionBeginsWithItsField() {
        assertThat(rope(BARE, "\"field\":\"surface\"").get("conditions").toString())
                .contains("\"is\":[\"");
        assertThat(rope(BARE, "\"channel\":\"wind\"").get("conditions").toString())
                .contains("\"channel\":\"wind\"", "\"relation\":\"over\"");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            value = {
                "'\"event\":\"courier.landet\"'; /event",
                "'\"effect\":\"straw poof\"'; /effect",
                "'\"field\":\"spede\"'; /field",
                "'\"field\":\"position\"'; /field",
                "'\"channel\":\"wint\"'; /channel",
                "'\"feed\":{\"parameter\":\"sise\"}'; /feed/parameter",
                "'\"feed\":{\"parameter\":\"size\",\"source\":{\"feld\":\"speed\"}}'; /feed",
                "'\"feed\":{\"parameter\":\"size\",\"source\":7}'; /feed",
                "'\"drafts\":[]'; event, effect, feed, field or channel"
            })
    void whatCannotBeFittedIsRefusedWithItsPlace(String move, String place) {
        Answer answer = fitted(BARE, move);
        assertThat(answer.status()).as(answer.json().toString()).isEqualTo(422);
        assertThat(answer.json().toString()).contains(place);
    }

    @Test
    void aRopeThatCannotBeReadIsRefusedWithItsPlace() {
        Answer answer = fitted(BARE.replace("\"normal\"", "\"sideways\""), "\"event\":\"weather\"");
        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.json().toString()).contains("/ropes/0/facing");
        assertThat(fitted("7", "\"event\":\"weather\"").status()).isEqualTo(422);
    }
}
