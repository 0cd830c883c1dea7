package bellrope.server;

import static org.assertj.core.api.Assertions.assertThat;

import bellrope.server.RunningServer.Answer;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.AutoClose;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

class RopeApiTest {
    @AutoClose
    private static final RunningServer server = new RunningServer();

    private static Answer rename(String what, String more, String from, String to) {
        return server.send(
                "POST",
                "/api/projects/1/renames",
                "{\"what\":\"" + what + "\"," + more + "\"from\":\"" + from + "\",\"to\":\"" + to + "\"}");
    }

    private static String bundle() {
        return new String(server.send("GET", "/api/projects/1/bundle", null).bytes());
    }

    @Test
    void aRenameIsFollowedEverywhereAndIsOneChange() {
        String before = bundle();
        long change = server.get("/api/projects/1").get("change").asLong();
        Answer renamed = rename("effect", "", "reel smoke", "line smoke");
        assertThat(renamed.status()).isEqualTo(200);
        assertThat(renamed.json().get("parts")).hasSize(2);
        assertThat(renamed.json().get("change").asLong()).isEqualTo(change + 1);
        assertThat(renamed.json().get("sentences").toString()).contains("line smoke");
        assertThat(bundle()).doesNotContain("reel smoke");
        rename("effect", "", "line smoke", "reel smoke");
        rename("field", "\"within\":\"parcel.delivered\",", "streak", "row");
        rename("event", "", "crow.scattered", "crow.startled");
        rename("value", "\"within\":\"weather\",", "hail", "hailstorm");
        rename("channel", "", "wind", "gale");
        assertThat(bundle()).contains("\"row\"", "crow.startled", "hailstorm", "gale");
        rename("field", "\"within\":\"parcel.delivered\",", "row", "streak");
        rename("event", "", "crow.startled", "crow.scattered");
        rename("value", "\"within\":\"weather\",", "hailstorm", "hail");
        rename("channel", "", "gale", "wind");
        assertThat(bundle()).isEqualTo(before);
    }

    @Test
    void aNameThatIsTakenOrWrongIsRefusedAndNothingChanges() {
        String before = bundle();
        assertThat(rename("effect", "", "reel smoke", "mill chaff").json().toString())
                .contains("a name that is there once");
        assertThat(rename("event", "", "crow.scattered", "Crow Scattered")
                        .json()
                        .toString())
                .contains("subject.verb, in small letters");
        assertThat(rename("colour", "", "a", "b").json().toString()).contains("event, field, value");
        assertThat(bundle()).isEqualTo(before);
    }

    @Test
    void manyChangesComeTrueTogetherOrNotAtAll() {
        JsonNode mill = server.part("rope", "a mill turns");
        JsonNode gust = server.part("rope", "a gust crosses");
        String before = bundle();
        String off = "{\"part\":%d,\"basedOn\":%d,\"body\":%s}";
        String wrong = "{\"edits\":["
                + off.formatted(
                        mill.get("id").asLong(),
                        mill.get("revision").asLong(),
                        mill.get("body").toString().replaceFirst("\\{", "{\"off\":true,"))
                + ","
                + off.formatted(
                        gust.get("id").asLong(),
                        gust.get("revision").asLong(),
                        gust.get("body").toString().replace("gust streaks", "gust steaks"))
                + "]}";
        Answer refused = server.send("POST", "/api/projects/1/changes", wrong);
        assertThat(refused.status()).isEqualTo(422);
        assertThat(refused.json().toString()).contains("did you mean gust streaks?");
        assertThat(bundle()).isEqualTo(before);

        String right = wrong.replace("gust steaks", "gust streaks").replace("\"off\":true,", "\"off\":true,");
        Answer done = server.send("POST", "/api/projects/1/changes", right);
        assertThat(done.status()).isEqualTo(200);
        assertThat(bundle()).contains("\"off\" : true");
        assertThat(server.send("POST", "/api/projects/1/changes", right).status())
                .as("on an old revision")
                .isEqualTo(409);
        JsonNode now = server.part("rope", "a mill turns");
        server.save(now, now.get("revision").asLong(), mill.get("body").toString());
        assertThat(bundle()).isEqualTo(before);
    }

    @Test
    void partsCanBePutInAnotherOrder() {
        JsonNode mill = server.part("rope", "a mill turns");
        JsonNode gust = server.part("rope", "a gust crosses");
        String swap =
                "{\"edits\":[{\"part\":%d,\"basedOn\":%d,\"body\":%s,\"place\":%d},{\"part\":%d,\"basedOn\":%d,\"body\":%s,\"place\":%d}]}";
        server.send(
                "POST",
                "/api/projects/1/changes",
                swap.formatted(
                        mill.get("id").asLong(),
                        mill.get("revision").asLong(),
                        mill.get("body"),
                        gust.get("place").asLong(),
                        gust.get("id").asLong(),
                        gust.get("revision").asLong(),
                        gust.get("body"),
                        mill.get("place").asLong()));
        List<String> names = new ArrayList<>();
        server.get("/api/projects/1")
                .get("parts")
                .forEach(p -> names.add(p.get("name").asString()));
        assertThat(names.indexOf("a gust crosses")).isEqualTo(names.indexOf("a mill turns") - 1);
    }

    @Test
    void aChannelAndAPlaceArePartsLikeOthers() {
        Answer added = server.send(
                "POST", "/api/projects/1/parts", "{\"kind\":\"channel\",\"body\":{\"name\":\"fog\",\"range\":[0,1]}}");
        assertThat(added.status()).isEqualTo(201);
        assertThat(added.json().at("/parts/0/body/usual").asDouble()).isEqualTo(0.5);
        JsonNode fog = server.part("channel", "fog");
        assertThat(server.send("DELETE", "/api/parts/" + fog.get("id") + "?basedOn=1", null)
                        .status())
                .isEqualTo(200);
        JsonNode wind = server.part("channel", "wind");
        Answer used = server.send("DELETE", "/api/parts/" + wind.get("id") + "?basedOn=" + wind.get("revision"), null);
        assertThat(used.status()).isEqualTo(422);
        assertThat(used.json().toString()).contains("a mill turns").contains("wind");
    }
}
