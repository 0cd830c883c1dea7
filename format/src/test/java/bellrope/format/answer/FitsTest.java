package bellrope.format.answer;

import static org.assertj.core.api.Assertions.assertThat;

import bellrope.format.json.Bundle;
import bellrope.format.json.JsonValue;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class FitsTest {
    private static final String BARE = "{'name':'fresh','seed':999,'event':'courier.landed','conditions':[],"
            + "'play':'straw puff','offset':[0,0,0],'facing':'normal','feeds':[]}";

    private static FitWish wish(
            JsonValue rope, String event, String effect, FeedWish feed, String field, String channel) {
        return new FitWish(List.of(rope), event, effect, feed, field, channel);
    }

    private static JsonValue fitted(FitWish wish) {
        return Fits.of(Asked.DEMO, wish).ropes().get(0);
    }

    @Test
    void aRopeGoesToAnotherEventWithWhatThatCanGive() {
        JsonValue thatch = Bundle.write(Asked.rope(Asked.DEMO, "landing on thatch"));
        JsonValue to = fitted(wish(thatch, "weather", null, null, null, null));
        assertThat(to.get("event").text()).isEqualTo("weather");
        assertThat(to.get("facing").text()).isEqualTo("up");
        assertThat(Asked.text(to.get("conditions"))).doesNotContain("surface", "speed");
        assertThat(Asked.text(to.get("feeds"))).doesNotContain("speed");
        assertThat(to.get("play").text()).isEqualTo(thatch.get("play").text());
    }

    @Test
    void aFeedIsAddedFromTheUsualSourceAndReplacedFromAnother() {
        String parameter = Asked.DEMO
                .effect("straw puff")
                .orElseThrow()
                .parameters()
                .get(0)
                .name();
        JsonValue one = fitted(wish(Asked.json(BARE), null, null, new FeedWish(null, parameter, null), null, null));
        assertThat(one.get("feeds").size()).isEqualTo(1);
        assertThat(one.get("feeds").get(0).get("field").text()).isEqualTo("speed");
        JsonValue other =
                fitted(wish(one, null, null, new FeedWish(0, parameter, Asked.json("{'channel':'wind'}")), null, null));
        assertThat(other.get("feeds").size()).isEqualTo(1);
        assertThat(other.get("feeds").get(0).get("channel").text()).isEqualTo("wind");
        assertThat(Asked.text(other.get("feeds").get(0).get("out")))
                .as("its results are kept")
                .isEqualTo(Asked.text(one.get("feeds").get(0).get("out")));
    }

    @Test
    void aConditionBeginsWithItsField() {
        assertThat(Asked.text(fitted(wish(Asked.json(BARE), null, null, null, "surface", null))
                        .get("conditions")))
                .contains("\"is\":[\"");
        assertThat(Asked.text(fitted(wish(Asked.json(BARE), null, null, null, null, "wind"))
                        .get("conditions")))
                .contains("\"channel\":\"wind\"", "\"relation\":\"over\"");
    }

    @ParameterizedTest
    @CsvSource({
        "courier.landet, , , , , , /event",
        ", straw poof, , , , , /effect",
        ", , , , spede, , /field",
        ", , , , position, , /field",
        ", , , , , wint, /channel",
        ", , sise, , , , /feed/parameter",
        ", , size, \"{'feld':'speed'}\", , , /feed",
        ", , size, 7, , , /feed",
        ", , , , , , ''"
    })
    void whatCannotBeFittedIsRefusedWithItsPlace(
            String event, String effect, String parameter, String source, String field, String channel, String place) {
        FeedWish feed = parameter == null
                ? null
                : new FeedWish(null, parameter, source == null ? null : Asked.json(source.replace("\"", "")));
        assertThat(Asked.problem(() -> fitted(wish(Asked.json(BARE), event, effect, feed, field, channel)))
                        .place())
                .startsWith(place);
    }

    @Test
    void aRopeThatCannotBeReadIsRefusedWithItsPlace() {
        assertThat(Asked.problem(() -> fitted(wish(
                                Asked.json(BARE.replace("'normal'", "'sideways'")), "weather", null, null, null, null)))
                        .place())
                .isEqualTo("/ropes/0/facing");
        assertThat(Asked.problem(() -> fitted(wish(Asked.json("7"), "weather", null, null, null, null)))
                        .place())
                .isEqualTo("/ropes/0");
    }
}
