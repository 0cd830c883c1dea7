package bellrope.server;

import static org.assertj.core.api.Assertions.assertThat;

import bellrope.core.event.Pull;
import bellrope.core.project.Project;
import bellrope.core.value.Datum;
import bellrope.core.value.Vec3;
import bellrope.format.link.LinkedStage;
import bellrope.link.LinkedGame;
import java.util.Map;
import org.junit.jupiter.api.AutoClose;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** What is not saved yet, in games that run. */
class DraftTest extends LinkStory {
    @AutoClose
    private static final RunningServer SERVER = new RunningServer();

    private static final Map<String, Datum> ON_PEAT = Map.of(
            "position", new Datum.Vec(Vec3.ZERO),
            "normal", new Datum.Vec(new Vec3(0, 1, 0)),
            "speed", new Datum.Num(9),
            "surface", new Datum.Word("peat"));

    DraftTest() {
        super(SERVER);
    }

    /** What a page says that shows an effect with another drag. */
    private String drag(String effect, String drag) {
        JsonNode part = server.part("effect", effect);
        String body = part.get("body").toString().replaceFirst("\"drag\":[0-9.]+", "\"drag\":" + drag);
        return "{\"is\":\"drafts\",\"drafts\":[{\"part\":" + part.get("id").asLong() + ",\"body\":" + body + "}]}";
    }

    private static double dragOf(Project project, String effect) {
        return project.effect(effect).orElseThrow().emitters().get(0).life().drag();
    }

    private TestSocket page() throws Exception {
        return new TestSocket(server, "/api/drafts?project=1");
    }

    private static void awaitDrag(LinkedGame game, double drag) throws Exception {
        await(() -> game.advance(0.001) >= 0 && dragOf(game.stage().project(), "peat splat") == drag);
    }

    @Test
    void aDraftIsInTheGameBeforeItIsSavedAndGoneWithItsPage() throws Exception {
        Listening listening = new Listening();
        double saved = dragOf(saved(), "peat splat");
        try (LinkedGame game = game(saved(), listening)) {
            await(() -> game.advance(0.001) >= 0 && game.linked());
            try (TestSocket page = page()) {
                page.say(drag("peat splat", "0.61"));
                assertThat(page.word("drafted").get("change").asLong()).isNegative();
                awaitDrag(game, 0.61);
                assertThat(dragOf(saved(), "peat splat")).isEqualTo(saved);
                // What is saved by someone else meanwhile comes with it.
                save("straw puff", 0.77);
                await(() -> game.advance(0.001) >= 0 && dragOf(game.stage().project(), "straw puff") == 0.77);
                assertThat(dragOf(game.stage().project(), "peat splat")).isEqualTo(0.61);
                page.say("{\"is\":\"drafts\",\"drafts\":[]}");
                assertThat(page.word("drafted").get("change").asLong()).isPositive();
                awaitDrag(game, saved);
                page.say(drag("peat splat", "0.62"));
                awaitDrag(game, 0.62);
            }
            awaitDrag(game, saved);
            assertThat(game.stage().project()).isEqualTo(saved());
            assertThat(listening.next()).isEqualTo("linked with Windrow Post");
            assertThat(listening.said).isEmpty();
        }
    }

    @Test
    void whatCannotBeSavedGoesToNoGameAndWhatWasShownBeforeStays() throws Exception {
        try (LinkedGame game = game(saved(), new Listening());
                TestSocket page = page()) {
            await(() -> game.advance(0.001) >= 0 && game.linked());
            page.say(drag("peat splat", "0.63"));
            assertThat(page.word("drafted")).isNotNull();
            page.say(drag("peat splat", "-5"));
            assertThat(page.word("not drafted").get("why").asString()).contains("drag", "-5");
            // Ropes play it by its name.
            page.say(drag("peat splat", "0.64").replace("\"name\":\"peat splat\"", "\"name\":\"peat spat\""));
            assertThat(page.word("not drafted").get("why").asString()).contains("peat splat");
            page.say("{\"is\":\"drafts\",\"drafts\":[{\"part\":999999,\"body\":{}}]}");
            assertThat(page.word("not drafted").get("why").asString()).isEqualTo("There is no part 999999.");
            awaitDrag(game, 0.63);
            try (TestSocket other = page()) {
                other.say(drag("straw puff", "0.81"));
                assertThat(other.word("drafted")).isNotNull();
            }
            page.say("no word");
            assertThat(page.why()).startsWith("1003 drafts of at most 100 parts");
        }
    }

    @Test
    void twoPagesShowTogetherAndTheLastOfOnePartIsShown() throws Exception {
        try (LinkedGame game = game(saved(), new Listening());
                TestSocket one = page();
                TestSocket two = page()) {
            one.say(drag("peat splat", "0.65"));
            assertThat(one.word("drafted")).isNotNull();
            two.say(drag("straw puff", "0.82"));
            assertThat(two.word("drafted")).isNotNull();
            awaitDrag(game, 0.65);
            await(() -> game.advance(0.001) >= 0 && dragOf(game.stage().project(), "straw puff") == 0.82);
            two.say(drag("peat splat", "0.66"));
            awaitDrag(game, 0.66);
        }
    }

    @Test
    void whatOnePageShowsAndIsGoneKeepsNothingOutThatAnotherShows() throws Exception {
        JsonNode added = server.send(
                        "POST",
                        "/api/projects/1/parts",
                        "{\"kind\":\"place\",\"body\":{\"name\":\"a ditch\",\"position\":[1,0,0]}}")
                .json()
                .at("/parts/0");
        try (LinkedGame game = game(saved(), new Listening());
                TestSocket one = page();
                TestSocket two = page()) {
            await(() -> game.advance(0.001) >= 0 && game.linked());
            one.say("{\"is\":\"drafts\",\"drafts\":[{\"part\":"
                    + added.get("id").asLong() + ",\"body\":{\"name\":\"a ditch\",\"position\":[2,0,0]}}]}");
            assertThat(one.word("drafted").get("change").asLong()).isNegative();
            assertThat(server.send(
                                    "DELETE",
                                    "/api/parts/" + added.get("id").asLong() + "?basedOn="
                                            + added.get("revision").asLong(),
                                    null)
                            .status())
                    .isEqualTo(200);
            two.say(drag("peat splat", "0.67"));
            assertThat(two.word("drafted").get("change").asLong()).isNegative();
            awaitDrag(game, 0.67);
        }
    }

    @Test
    void aBenchThatFollowsAGameThroughDraftsShowsTheSameToTheBit() throws Exception {
        try (LinkedGame game = game(saved(), new Listening());
                TestSocket page = page()) {
            await(() -> game.advance(0.001) >= 0 && game.linked());
            for (int n = 0; n < 120; n++) {
                if (n % 10 == 0) {
                    game.pull(new Pull("courier.landed", ON_PEAT, n));
                }
                page.say(drag("peat splat", "0.7" + n));
                assertThat(page.word("drafted").get("change").asLong()).isNegative();
                game.advance(1 / 60.0);
                Thread.sleep(3);
            }
            awaitDrag(game, 0.7119);
            JsonNode told = standing();
            assertThat(told.at("/game/change").asLong()).isLessThan(-1);
            // More than one came on the way; not all have to.
            assertThat(told.at("/game/next").asLong()).isGreaterThan(14);
            LinkedStage stage = followed(game);
            assertThat(bytes(stage.stage().frame(1)))
                    .isEqualTo(bytes(game.stage().frame(1)));
            assertThat(stage.stage().project()).isEqualTo(game.stage().project());
        }
    }

    @Test
    void aGameThatTakesItsTimeIsSentOnlyTheNewest() throws Exception {
        try (TestSocket game = new TestSocket(server, "/link?project=1");
                TestSocket page = page()) {
            game.say(
                    "{\"is\":\"hello\",\"protocol\":1,\"game\":\"slow\",\"instance\":\"slow\",\"first\":1,\"step\":0}");
            assertThat(game.word("bundle")).isNotNull();
            game.say("{\"is\":\"taken\"}");
            for (int n = 1; n < 8; n++) {
                page.say(drag("peat splat", "0.5" + n));
                assertThat(page.word("drafted")).isNotNull();
            }
            JsonNode first = game.word("patch");
            assertThat(game.words).noneMatch(w -> w.get("is").asString().equals("patch"));
            game.say("{\"is\":\"taken\"}");
            JsonNode second = game.word("patch");
            assertThat(second.get("from")).isEqualTo(first.get("change"));
            assertThat(second.at("/patch/0/value").asDouble()).isEqualTo(0.57);
        }
    }

    @Test
    void aPageOfNoProjectIsTurnedAway() throws Exception {
        assertThat(TestSocket.turnedAway(server, "/api/drafts?project=77"))
                .isEqualTo("1007 project: the number of a project");
    }
}
