package bellrope.format.link;

import static org.assertj.core.api.Assertions.assertThat;

import bellrope.core.effect.Effect;
import bellrope.core.event.Pull;
import bellrope.core.project.Project;
import bellrope.core.score.Arrival;
import bellrope.core.score.Writing;
import bellrope.core.score.Written;
import bellrope.core.stage.Stage;
import bellrope.core.stage.told.Account;
import bellrope.core.value.Datum;
import bellrope.core.value.Vec3;
import bellrope.format.json.Demo;
import bellrope.format.json.Fnv;
import bellrope.format.json.JacksonValue;
import bellrope.format.json.JsonText;
import bellrope.format.json.JsonValue;
import bellrope.format.json.LinkJson;
import bellrope.format.json.LinkJson.By;
import io.cloudevents.CloudEvent;
import io.cloudevents.core.provider.EventFormatProvider;
import io.cloudevents.jackson.JsonFormat;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class LinkedStageTest {
    private static final Project DEMO = Demo.project();

    /** A game at its own uneven frame rate, and what it says. */
    private static final class Game {
        final Stage stage = new Stage(DEMO);
        final List<JsonValue> said = new ArrayList<>();

        By by() {
            return new By("/games/test", said.size() + 1, stage.now());
        }

        Account pull(Pull pull) {
            said.add(LinkJson.pull(by(), pull));
            return stage.pull(pull);
        }
    }

    // As it goes over the wire.
    private static JsonValue wire(JsonValue entry) {
        return JacksonValue.of(JsonText.parse(JsonText.line(entry)).node());
    }

    private static byte[] bytes(ByteBuffer frame) {
        byte[] bytes = new byte[frame.remaining()];
        frame.duplicate().get(bytes);
        return bytes;
    }

    private static Project changed(double playback) {
        List<Effect> effects = DEMO.effects().stream()
                .map(e -> e.withEmitters(
                        e.emitters().stream().map(m -> m.withPlayback(playback)).toList()))
                .toList();
        return DEMO.withEffects(effects);
    }

    @Test
    void toldTheSameOnTheSameStepsItShowsTheSameToTheBit() {
        Written run = Writing.of(DEMO.scores().get(0), DEMO.events(), 0);
        Game game = new Game();
        LinkedStage linked = new LinkedStage(DEMO);
        int followed = 0;
        int next = 0;
        double time = 0;
        // Ends with a frame on which the two are compared.
        for (int frame = 0; frame < 2_150; frame++) {
            double passed = 0.004 + 0.03 * ((frame * 7919) % 13) / 13;
            time += passed;
            Vec3 at = new Vec3(Math.sin(time), 2, time / 10);
            game.said.add(LinkJson.moved(game.by(), "kite", at, Vec3.RIGHT, null));
            game.stage.move("kite", at, Vec3.RIGHT, null);
            if (frame % 5 == 0) {
                game.said.add(LinkJson.channel(game.by(), "wind", 4 + time / 5));
                game.stage.publish("wind", 4 + time / 5);
            }
            if (frame == 300) {
                game.said.add(LinkJson.camera(game.by(), at));
                game.stage.camera(at);
                game.said.add(LinkJson.gone(game.by(), "gust-1"));
                game.stage.gone("gust-1");
            }
            while (next < run.arrivals().size() && run.arrivals().get(next).at() <= time) {
                Arrival arrival = run.arrivals().get(next++);
                game.pull(arrival.pull());
            }
            if (frame % 97 == 0) {
                game.pull(new Pull("courier.laned", Map.of("speed", new Datum.Num(3)), frame));
                game.pull(new Pull("courier.landed", Map.of("speed", new Datum.Word("fast")), frame));
            }
            game.stage.advance(passed);
            if (frame == 400 || frame == 900) {
                Project other = frame == 400 ? changed(1.3) : DEMO;
                game.stage.retune(other);
                while (followed < game.said.size()) {
                    linked.follow(wire(game.said.get(followed++)));
                }
                linked.take(other, game.stage.now());
            }
            if (frame % 50 == 49) {
                while (followed < game.said.size()) {
                    assertThat(linked.follow(wire(game.said.get(followed++))).problems())
                            .isEmpty();
                }
                linked.reach(game.stage.now());
                assertThat(linked.stage().particles()).isEqualTo(game.stage.particles());
                assertThat(bytes(linked.stage().frame(1))).isEqualTo(bytes(game.stage.frame(1)));
            }
        }
        assertThat(time).isGreaterThan(38);
        assertThat(next).isGreaterThan(80);
        assertThat(game.stage.births())
                .isGreaterThan(3_000)
                .isEqualTo(linked.stage().births());
    }

    @Test
    void aParameterThatWasTurnedIsTurnedHereToo() {
        Game game = new Game();
        Account reeling = game.pull(Pull.begin(
                "kite.reeling",
                Map.of("position", new Datum.Vec(new Vec3(12, 2, 0)), "heading", new Datum.Vec(Vec3.RIGHT)),
                2));
        LinkedStage linked = new LinkedStage(DEMO);
        linked.follow(wire(game.said.get(0)));
        for (int frame = 0; frame < 60; frame++) {
            Datum size = new Datum.Num(1 + frame / 60.0);
            JsonValue entry = LinkJson.turned(game.by(), reeling.number(), "the kite reels", "size", size);
            game.stage.knob(reeling, "the kite reels", "size").set(size);
            game.stage.advance(1 / 60.0);
            assertThat(linked.follow(wire(entry)).problems()).isEmpty();
            linked.reach(game.stage.now());
        }
        assertThat(game.stage.particles()).isGreaterThan(5);
        assertThat(bytes(linked.stage().frame(1))).isEqualTo(bytes(game.stage.frame(1)));
    }

    @Test
    void whatTheGameShowsIsHeldAgainstWhatIsShownHere() {
        Game game = new Game();
        LinkedStage linked = new LinkedStage(DEMO);
        game.pull(new Pull(
                "courier.landed",
                Map.of(
                        "position", new Datum.Vec(Vec3.ZERO),
                        "normal", new Datum.Vec(Vec3.UP),
                        "speed", new Datum.Num(9),
                        "surface", new Datum.Word("thatch")),
                3));
        game.stage.advance(0.2);
        game.said.add(LinkJson.checked(game.by(), LinkedStage.sum(game.stage)));
        game.stage.advance(0.1);
        game.said.add(LinkJson.checked(game.by(), LinkedStage.sum(game.stage)));
        for (JsonValue entry : game.said) {
            assertThat(linked.follow(wire(entry)).problems()).isEmpty();
        }
        assertThat(linked.agreed()).isEqualTo(2);
        // Something that the game did not say.
        game.stage.clear();
        game.stage.advance(0.1);
        JsonValue other = LinkJson.checked(game.by(), LinkedStage.sum(game.stage));
        assertThat(linked.follow(wire(other)).problems().get(0).allowed()).endsWith("on step 24");
        assertThat(linked.agreed()).isEqualTo(2);
    }

    // FNV-1a of 64 bits, as its authors print it for a text: from memory.
    @Test
    void theChecksumIsThatOfTheBytes() {
        assertThat(Long.toHexString(Fnv.hash(ByteBuffer.wrap("foobar".getBytes(StandardCharsets.UTF_8)))))
                .isEqualTo("85944171f73967e8");
    }

    @Test
    void whatCannotBeReadIsSaidAndTheRestGoesOn() {
        LinkedStage linked = new LinkedStage(DEMO);
        String[][] wrong = {
            {"{\"type\":\"courier.landed\",\"seed\":\"1\",\"data\":{}}", "/step"},
            {"{\"type\":\"courier.landed\",\"step\":-1,\"seed\":\"1\",\"data\":{}}", "/step"},
            {"{\"type\":\"courier.landed\",\"step\":1.5,\"seed\":\"1\",\"data\":{}}", "/step"},
            {"{\"step\":1,\"seed\":\"1\",\"data\":{}}", "/type"},
            {"{\"type\":\"courier.landed\",\"step\":1,\"seed\":1,\"data\":{}}", "/seed"},
            {"{\"type\":\"courier.landed\",\"step\":1,\"seed\":\"1\"}", "/data"},
            {"{\"type\":\"channel.wint\",\"step\":1,\"data\":{\"value\":1}}", "/channel"},
            {"{\"type\":\"channel.wind\",\"step\":1,\"data\":{\"value\":\"x\"}}", "/data/value"},
            {"{\"type\":\"subject.moved\",\"step\":1,\"subject\":\"a\",\"data\":{\"position\":[1,2]}}", "/data/position"
            },
            {"{\"type\":\"subject.moved\",\"step\":1,\"subject\":\"a\"}", "/data"},
            {"{\"type\":\"camera.moved\",\"step\":1,\"data\":{}}", "/data/position"},
            {"{\"type\":\"parameter.set\",\"step\":1,\"data\":{\"account\":7}}", "/data/account"},
            {"{\"type\":\"subject.gone\",\"step\":1}", "/subject"},
            {"[]", "/step"},
            {"{\"type\":\"stage.reset\",\"step\":2000000000}", "/step"},
        };
        for (String[] one : wrong) {
            LinkedStage.Followed followed =
                    linked.follow(JacksonValue.of(JsonText.parse(one[0]).node()));
            assertThat(followed.problems()).as(one[0]).isNotEmpty();
            assertThat(followed.problems().get(0).place()).as(one[0]).isEqualTo(one[1]);
            assertThat(followed.account()).isEmpty();
        }
        JsonValue unknown = LinkJson.pull(new By("/games/1", 1, 5), new Pull("courier.laned", Map.of(), 1));
        Account account = linked.follow(wire(unknown)).account().orElseThrow();
        assertThat(account.refused().toString()).contains("courier.landed");
        assertThat(linked.stage().now()).isEqualTo(5);
    }

    /** The library of CloudEvents itself reads what a game says. */
    @Test
    void entriesAreCloudEvents() {
        By by = new By("/games/3f", 41, 240);
        Pull pull = Writing.of(DEMO.scores().get(0), DEMO.events(), 0)
                .arrivals()
                .get(0)
                .pull();
        List<JsonValue> all = List.of(
                LinkJson.pull(by, pull),
                LinkJson.channel(by, "wind", 7.5),
                LinkJson.gone(by, "crow-3"),
                LinkJson.moved(by, "kite", Vec3.UP, Vec3.RIGHT, Vec3.UP),
                LinkJson.camera(by, Vec3.UP),
                LinkJson.turned(by, 4, "the kite reels", "size", new Datum.Num(2)),
                LinkJson.taken(by, 42),
                LinkJson.word(by, LinkJson.CLEARED));
        for (JsonValue entry : all) {
            CloudEvent event = EventFormatProvider.getInstance()
                    .resolveFormat(JsonFormat.CONTENT_TYPE)
                    .deserialize(JsonText.line(entry).getBytes(StandardCharsets.UTF_8));
            assertThat(event.getId()).isEqualTo("41");
            assertThat(event.getSource()).hasToString("/games/3f");
            assertThat(event.getExtension("step")).isEqualTo(240);
        }
    }
}
