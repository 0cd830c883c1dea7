package bellrope.core.stage;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;
import static org.assertj.core.api.Assertions.within;

import bellrope.core.Sample;
import bellrope.core.check.wiring.Wiring;
import bellrope.core.effect.Binding;
import bellrope.core.effect.Course;
import bellrope.core.effect.Effect;
import bellrope.core.effect.Force;
import bellrope.core.effect.Life;
import bellrope.core.effect.Parameter;
import bellrope.core.effect.Property;
import bellrope.core.effect.Sprite;
import bellrope.core.effect.Type;
import bellrope.core.project.Consistency;
import bellrope.core.project.Project;
import bellrope.core.rope.Feed;
import bellrope.core.rope.Source;
import bellrope.core.rope.Where;
import bellrope.core.sim.Layer;
import bellrope.core.stage.told.Account;
import bellrope.core.value.Datum;
import bellrope.core.value.Problem;
import bellrope.core.value.Range;
import bellrope.core.value.Remap;
import bellrope.core.value.Vec3;
import java.nio.ByteBuffer;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** A zone that pushes, as strongly as a channel says, from where the player is; and pictures that are chosen. */
class LiveTest {
    private static final Range WIND = new Range(0, 12);

    private static Parameter parameter(String name, Type type, Datum standard, Property property, Binding.Mode mode) {
        return new Parameter(
                name, type, standard, "", "", false, true, List.of(new Binding(property, mode, Optional.empty())));
    }

    /** Ten leaves at rest on a ring of 3 u that live 5 s, and a push felt within 250 u. */
    private static Project zone(boolean live, Feed... feeds) {
        Life life = Sample.still()
                .withForces(List.of(new Force.Attractor(Vec3.ZERO, -1, 250, Force.Falloff.NONE)))
                .following(live);
        Effect smoke = Sample.effect(
                        "smoke",
                        Sample.emitter(
                                "leaf",
                                1,
                                Sample.burst(10, 5).with(d -> {
                                    d.speed = Range.ZERO;
                                    d.offset = new Vec3(3, 0, 0);
                                }),
                                life))
                .withCourse(Course.looping(10))
                .withParameters(List.of(
                        parameter(
                                "push",
                                new Type.Number(0, 2000, 0),
                                new Datum.Num(1),
                                Property.FORCE,
                                Binding.Mode.MULTIPLY),
                        parameter(
                                "centre",
                                new Type.Vector(50),
                                new Datum.Vec(Vec3.ZERO),
                                Property.FORCE_PLACE,
                                Binding.Mode.ADD)));
        Project game =
                Sample.game(Sample.rope("reel", 1, "kite.reeling", "smoke").with(d -> {
                    d.where = Where.following(Vec3.ZERO);
                    d.feeds = List.of(feeds);
                }));
        return game.withEffects(List.of(game.effects().get(0), game.effects().get(1), smoke));
    }

    private static Feed byWind(double every) {
        return new Feed(
                "push", new Source.Channel("wind"), Optional.of(new Remap(WIND, 0, 12)), new Feed.Follow(0, 0, every));
    }

    private static Stage begun(Project project) {
        Stage stage = new Stage(project);
        stage.publish("wind", 0);
        stage.move("kite", Vec3.ZERO, Vec3.RIGHT, null);
        stage.pull(Sample.reels(Vec3.ZERO, 1).of("kite"));
        return stage;
    }

    private static void steps(Stage stage, int n) {
        for (int i = 0; i < n; i++) {
            stage.step();
        }
    }

    private static float x(Stage stage) {
        ByteBuffer frame = stage.frame(0);
        return frame.getFloat(24);
    }

    private static byte[] bits(Stage stage) {
        ByteBuffer frame = stage.frame(0);
        return Arrays.copyOfRange(frame.array(), frame.position(), frame.limit());
    }

    /** By hand: nothing for half a second, then 6 u/s² for half a second: 6·0.25/2. */
    @Test
    void aChannelTurnsThePushOnWhatLives() {
        Stage stage = begun(zone(true, byWind(0)));
        steps(stage, 30);
        assertThat(x(stage)).isCloseTo(3, within(1e-4f));
        stage.publish("wind", 6);
        steps(stage, 30);
        assertThat(x(stage)).isCloseTo(3 + 6 * 0.25f / 2, within(0.01f));
    }

    @Test
    void tenTimesASecondItLooks() {
        Stage stage = begun(zone(true, byWind(0.1)));
        steps(stage, 31);
        stage.publish("wind", 6);
        steps(stage, 4);
        assertThat(x(stage)).as("not before the next look").isEqualTo(3);
        steps(stage, 4);
        assertThat(x(stage)).isGreaterThan(3);
    }

    @Test
    void itPushesFromWhereThePlayerIs() {
        Stage stage = begun(zone(true, Feed.constant("push", new Datum.Num(6))));
        stage.move("kite", new Vec3(10, 0, 0), Vec3.RIGHT, null);
        steps(stage, 30);
        assertThat(x(stage)).as("from the other side").isCloseTo(3 - 6 * 0.25f / 2, within(0.06f));
    }

    @Test
    void gameCodeTurnsStrengthAndCentre() {
        Stage stage = new Stage(zone(true));
        stage.move("kite", Vec3.ZERO, Vec3.RIGHT, null);
        Account account = stage.pull(Sample.reels(Vec3.ZERO, 1).of("kite"));
        Knob centre = stage.knob(account, "reel", "centre");
        assertThat(centre.set(new Datum.Vec(new Vec3(5, 0, 0)))).isTrue();
        steps(stage, 60);
        assertThat(x(stage)).isCloseTo(3 - 0.5f, within(0.02f));
    }

    @Test
    void playedAgainItIsTheSameToTheBit() {
        Project project = zone(true, byWind(0.1));
        Stage stage = begun(project);
        Stage again = begun(project);
        for (Stage one : List.of(stage, again)) {
            steps(one, 20);
            one.publish("wind", 9);
            steps(one, 20);
            one.move("kite", new Vec3(2, 1, 0), Vec3.RIGHT, new Vec3(1, 0, 0));
            steps(one, 20);
        }
        again.retune(project);
        assertThat(bits(again)).isEqualTo(bits(stage));
        steps(stage, 30);
        steps(again, 30);
        assertThat(bits(again)).isEqualTo(bits(stage));
    }

    @Test
    void whereItIsNotLiveTheCheckSaysSo() {
        Wiring.Known nothing = Wiring.Known.seen(Map.of());
        assertThat(Wiring.look(zone(false, byWind(0)), nothing))
                .filteredOn(n -> n.check().equals("keeps its beginning"))
                .singleElement()
                .satisfies(n -> assertThat(n.words()).contains("force", "follow while particles live"));
        assertThat(Wiring.look(zone(true, byWind(0)), nothing))
                .noneMatch(n -> n.check().equals("keeps its beginning"));
    }

    @Test
    void aPictureIsChosenByItsName() {
        Parameter picture = parameter(
                "picture",
                new Type.Choice(List.of("dot", "flake")),
                new Datum.Word("dot"),
                Property.SPRITE,
                Binding.Mode.REPLACE);
        Effect puff = Sample.puff("puff", 5).withParameters(List.of(picture));
        Project project = new Project(
                "Windrow Post",
                Sample.game().settings(),
                List.of(new Sprite("dot", 0.5), new Sprite("flake", 0.5)),
                List.of(Sample.landed()),
                List.of(puff),
                List.of(
                        Sample.rope("landing", 1, "courier.landed", "puff"),
                        Sample.rope("snow", 2, "courier.landed", "puff")
                                .with(d -> d.feeds = List.of(Feed.constant("picture", new Datum.Word("flake"))))));
        Stage stage = new Stage(project);
        stage.pull(Sample.landing(9, "stone", 1));
        stage.step();
        assertThat(stage.layers()).extracting(Layer::sprite).containsExactly(0, 1);
        assertThat(stage.layers()).allMatch(l -> l.store().count() == 5);
        // A word that is no picture is found where it stands.
        Project wrong = project.withSprites(List.of(new Sprite("dot", 0.5)));
        assertThat(Consistency.problems(wrong))
                .extracting(Problem::place, Problem::given)
                .containsExactly(tuple("/effects/0/parameters/0/options/1", "\"flake\""));
    }
}
