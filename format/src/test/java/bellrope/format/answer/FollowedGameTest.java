package bellrope.format.answer;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;

import bellrope.core.event.EventType;
import bellrope.core.event.Pull;
import bellrope.core.project.Project;
import bellrope.core.stage.told.Bent;
import bellrope.core.value.Datum;
import bellrope.core.value.Vec3;
import bellrope.format.answer.GameReply.HappenedKind;
import bellrope.format.answer.GameReply.Happening;
import bellrope.format.answer.GameReply.Outcomes;
import bellrope.format.json.Bundle;
import bellrope.format.json.Demo;
import bellrope.format.json.JacksonValue;
import bellrope.format.json.JsonText;
import bellrope.format.json.JsonValue;
import bellrope.format.json.LinkJson;
import bellrope.format.json.LinkJson.By;
import bellrope.format.link.Figures;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.node.ObjectNode;

class FollowedGameTest {
    private static final Project DEMO = Demo.project();

    private static By by(int step) {
        return new By("/games/test", 1, step);
    }

    private static Pull landed(String surface, double speed, int seed) {
        return new Pull(
                "courier.landed",
                Map.of(
                        "position", new Datum.Vec(Vec3.ZERO),
                        "normal", new Datum.Vec(Vec3.UP),
                        "speed", new Datum.Num(speed),
                        "surface", new Datum.Word(surface)),
                seed);
    }

    private static JsonValue list(List<JsonValue> entries) {
        return JacksonValue.of(JsonText.parse(JsonText.line(LinkJson.said(1, 1, entries)))
                .node()
                .get("entries"));
    }

    private static GameReply said(FollowedGame game, int step, JsonValue... entries) {
        return game.said(list(List.of(entries)), 7, step);
    }

    @Test
    void eachThingIsToldByHowItEnded() {
        FollowedGame game = new FollowedGame(
                DEMO.withEvents(java.util.stream.Stream.concat(
                                DEMO.events().stream(),
                                java.util.stream.Stream.of(new EventType("lamp.lit", "", 1, List.of())))
                        .toList()),
                0,
                true);
        GameReply reply = said(
                game,
                30,
                LinkJson.pull(by(6), landed("thatch", 9, 1)),
                LinkJson.pull(by(6), landed("thatch", 1, 2)),
                LinkJson.pull(by(9), new Pull("lamp.lit", Map.of(), 3)),
                LinkJson.pull(by(12), new Pull("Lamp.lit", Map.of(), 3)),
                LinkJson.pull(by(12), new Pull("courier.laned", Map.of("speed", new Datum.Num(3)), 3)),
                LinkJson.pull(by(12), new Pull("courier.landed", Map.of("speed", new Datum.Num(3)), 3)),
                LinkJson.channel(by(18), "wint", 3));
        assertThat(reply.step()).isEqualTo(30);
        assertThat(reply.at()).isEqualTo(0.5);
        assertThat(reply.lines())
                .extracting(Happening::outcome)
                .containsExactly("answered", "silent", "unwired", "unknown", "unknown", "wrong", "wrong");
        assertThat(reply.lines()).extracting(Happening::number).containsExactly(7L, 8L, 9L, 10L, 11L, 12L, 13L);
        assertThat(reply.lines()).extracting(Happening::at).containsExactly(0.1, 0.1, 0.15, 0.2, 0.2, 0.2, 0.3);
        assertThat(reply.lines().get(0).words()).isEqualTo("straw puff");
        assertThat(reply.lines().get(1).words()).startsWith("straw puff silent: speed was 1 u/s");
        assertThat(reply.lines().get(2).words()).isEqualTo("no rope listens");
        assertThat(reply.lines().get(4).words()).contains("courier.landed");
        assertThat(reply.lines().get(6).words()).contains("wind");
        assertThat(reply.outcomes()).isEqualTo(new Outcomes(1, 1, 1, 2, 2));
        // What an event can be called is declared; what comes so is then known.
        assertThat(reply.lines().get(3).declared()).isNull();
        EventType declared =
                Bundle.readEvent(reply.lines().get(4).declared()).value().orElseThrow();
        assertThat(declared.name()).isEqualTo("courier.laned");
        assertThat(declared.fields()).extracting(f -> f.name()).containsExactly("speed");
    }

    @Test
    void theEndOfASubjectIsToldWhereItWasAboutSomething() {
        FollowedGame game = new FollowedGame(DEMO, 0, true);
        GameReply reply = said(
                game,
                60,
                LinkJson.moved(by(1), "crow-3", Vec3.ZERO, Vec3.RIGHT, null),
                LinkJson.gone(by(2), "crow-3"),
                LinkJson.gone(by(3), "crow-4"));
        assertThat(reply.lines()).hasSize(1);
        assertThat(reply.lines().get(0).outcome()).isEqualTo("silent");
        assertThat(reply.lines().get(0).words()).isEqualTo("nothing was known of crow-4");
    }

    @Test
    void subjectsAreWhereTheyWouldBeByNow() {
        FollowedGame game = new FollowedGame(DEMO, 0, true);
        GameReply reply = said(
                game,
                90,
                LinkJson.camera(by(10), new Vec3(7, 3, 0)),
                LinkJson.moved(by(30), "courier", new Vec3(1, 2, 0), Vec3.RIGHT, new Vec3(6, 0, 0)),
                looking(LinkJson.moved(by(60), "crow 1", Vec3.UP, Vec3.ZERO, null), "crow"));
        assertThat(reply.camera()).containsExactly(7, 3, 0);
        assertThat(reply.figures())
                .extracting(Figures.Figure::subject, Figures.Figure::look)
                .containsExactly(tuple("courier", "courier"), tuple("crow 1", "crow"));
        // A second at 6 u/s.
        assertThat(reply.figures().get(0).place()).containsExactly(7, 2, 0);
        assertThat(reply.figures().get(0).heading()).containsExactly(1, 0, 0);
        assertThat(reply.figures().get(1).place()).containsExactly(0, 1, 0);
        assertThat(said(game, 91, LinkJson.gone(by(91), "courier")).figures()).hasSize(1);
        // What plays has ended; who is there is there still.
        assertThat(said(game, 92, LinkJson.word(by(92), LinkJson.CLEARED)).figures())
                .hasSize(1);
    }

    @Test
    void whatBendsAndWhatCannotIsTold() {
        FollowedGame game = new FollowedGame(DEMO, 0, true);
        assertThat(said(
                                game,
                                1,
                                LinkJson.pull(by(1), landed("thatch", 9, 1)),
                                LinkJson.pull(by(1), landed("stone", 9, 1)))
                        .bent())
                .isNull();
        game.take(
                DEMO.withRopes(DEMO.ropes().stream()
                        .filter(r -> !r.name().equals("landing on stone"))
                        .toList()),
                5);
        Bent bent = said(game, 6).bent();
        assertThat(bent.playing()).isEqualTo(1);
        assertThat(bent.ended()).isEqualTo(Map.of("landing on stone", 1));
    }

    @Test
    void ofManySubjectsThoseThatMovedLastAreKnown() {
        FollowedGame game = new FollowedGame(DEMO, 0, true);
        List<JsonValue> many = new ArrayList<>();
        for (int n = 0; n < 10_000; n++) {
            many.add(LinkJson.moved(by(1), "subject " + n, Vec3.ZERO, Vec3.ZERO, Vec3.ZERO));
        }
        GameReply reply = game.said(list(many), 1, 1);
        assertThat(reply.figures()).hasSize(500);
        assertThat(reply.figures().get(499).subject()).isEqualTo("subject 9999");
        assertThat(reply.camera()).isNull();
    }

    @Test
    void whoIsFollowedFromTheMiddleOnIsNotSaidToDiffer() {
        FollowedGame whole = new FollowedGame(DEMO, 0, true);
        FollowedGame late = new FollowedGame(DEMO, 600, false);
        JsonValue checked = LinkJson.checked(by(601), "1");
        assertThat(said(whole, 601, checked).outcomes().wrong()).isEqualTo(1);
        GameReply reply = said(late, 601, checked);
        assertThat(reply.outcomes().wrong()).isZero();
        assertThat(reply.agreed()).isZero();
    }

    // As a game says it that has looks.
    private static JsonValue looking(JsonValue moved, String look) {
        ObjectNode node = (ObjectNode) JsonText.parse(JsonText.line(moved)).node();
        ((ObjectNode) node.get("data")).put("look", look);
        return JacksonValue.of(node);
    }

    @Test
    void whatCameIsCountedHoweverManyLinesAreTold() {
        FollowedGame game = new FollowedGame(DEMO, 0, true);
        List<JsonValue> many = new ArrayList<>();
        for (int n = 0; n < 900; n++) {
            many.add(LinkJson.pull(by(n), landed(n % 3 == 0 ? "thatch" : "stone", 9, n)));
        }
        GameReply reply = game.said(list(many), 1, 900);
        assertThat(reply.lines()).hasSize(400);
        assertThat(reply.kinds()).extracting(HappenedKind::came).containsExactly(900);
        Outcomes outcomes = reply.kinds().get(0).outcomes();
        assertThat(outcomes.answered() + outcomes.silent()).isEqualTo(900);
        assertThat(outcomes).isEqualTo(reply.outcomes());
        assertThat(reply.kinds().get(0).last()).isEqualTo(reply.lines().get(399));
        // Only what is new is told again.
        assertThat(said(game, 901).kinds()).isEmpty();
        assertThat(said(game, 901).outcomes()).isEqualTo(outcomes);
        for (int n = 0; n < 400; n++) {
            said(game, 901, LinkJson.pull(by(901), new Pull("strange.kind" + n, Map.of(), 1)));
        }
        // New kinds are counted in all, and no more one by one.
        assertThat(said(game, 901, LinkJson.pull(by(901), new Pull("strange.more", Map.of(), 1)))
                        .kinds())
                .isEmpty();
        assertThat(said(game, 901).outcomes().unknown()).isEqualTo(401);
    }

    @Test
    void aClockThatJumpsIsSaidAndNotFollowed() {
        FollowedGame game = new FollowedGame(DEMO, 0, true);
        GameReply reply = said(game, 2_000_000_000);
        assertThat(reply.step()).isZero();
        assertThat(reply.lines()).extracting(Happening::outcome).containsExactly("wrong");
        assertThat(reply.lines().get(0).words()).isEqualTo("/step: 2000000000: at most 1000000 more than 0");
    }
}
