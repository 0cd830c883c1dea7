package bellrope.core.stage;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import bellrope.core.Sample;
import bellrope.core.effect.Effect;
import bellrope.core.event.EventType;
import bellrope.core.event.Field;
import bellrope.core.event.Pull;
import bellrope.core.project.Project;
import bellrope.core.rope.Facing;
import bellrope.core.rope.Pointing;
import bellrope.core.rope.Rope;
import bellrope.core.rope.Where;
import bellrope.core.stage.told.Account.Played;
import bellrope.core.value.Datum;
import bellrope.core.value.Problem;
import bellrope.core.value.Refused;
import bellrope.core.value.Rotation;
import bellrope.core.value.Vec3;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import org.joml.Quaterniond;
import org.joml.Vector3d;
import org.junit.jupiter.api.Test;

class PlacementTest {
    private static final EventType HIT = new EventType(
            "crow.hit",
            "",
            3,
            List.of(
                    new Field.Vector("position", Field.Meaning.POSITION),
                    new Field.Vector("normal", Field.Meaning.NORMAL),
                    new Field.Vector("direction", Field.Meaning.DIRECTION)));

    private static Project with(Rope rope) {
        Project game = Sample.game(rope);
        return game.withEvents(List.of(HIT));
    }

    private static Rope hit(Pointing pointing) {
        return Sample.rope("hit", 1, "crow.hit", "puff").with(d -> d.pointing = pointing);
    }

    private static Played played(Project project, Vec3 normal, Vec3 direction, long seed) {
        Map<String, Datum> payload = Map.of(
                "position", new Datum.Vec(Vec3.ZERO),
                "normal", new Datum.Vec(normal),
                "direction", new Datum.Vec(direction));
        return (Played) new Stage(project)
                .pull(new Pull("crow.hit", payload, seed))
                .answers()
                .get(0);
    }

    private static Vec3 any(Random r) {
        return new Vec3(r.nextGaussian(), r.nextGaussian(), r.nextGaussian()).directionOr(Vec3.UP);
    }

    /** Source: d − 2(d·n)n; checked by JOML's own reflection. */
    @Test
    void reflectedIsAsABallWouldBounce() {
        Project project = with(hit(Pointing.of(Facing.REFLECTED)));
        Random r = new Random(3);
        for (int i = 0; i < 200; i++) {
            Vec3 n = any(r);
            Vec3 d = any(r);
            Vector3d expected = new Vector3d(d.x(), d.y(), d.z()).reflect(n.x(), n.y(), n.z());
            Vec3 facing = played(project, n, d, i).facing();
            assertThat(facing.x()).isCloseTo(expected.x, within(1e-9));
            assertThat(facing.y()).isCloseTo(expected.y, within(1e-9));
            assertThat(facing.z()).isCloseTo(expected.z, within(1e-9));
        }
    }

    @Test
    void theFirstSubjectHeardOfIsNotForgottenWhileSomethingFollowsIt() {
        Rope follows = Sample.rope("reel", 1, "kite.reeling", "smoke").with(d -> d.where = Where.following(Vec3.ZERO));
        Stage stage = new Stage(Sample.game(follows));
        stage.move("kite-1", Vec3.ZERO, Vec3.RIGHT, null);
        stage.pull(Sample.reels(Vec3.ZERO, 1).of("kite-1"));
        for (int i = 0; i < 5000; i++) {
            stage.move("crow-" + i, Vec3.ZERO, Vec3.RIGHT, null);
        }
        stage.move("kite-1", new Vec3(50, 0, 0), Vec3.RIGHT, null);
        for (int i = 0; i < 60; i++) {
            stage.step();
        }
        var frame = stage.frame(0);
        assertThat(stage.particles()).isPositive();
        assertThat(frame.getFloat(24))
                .as("all that lives was born where it is now")
                .isCloseTo(50, within(1e-3f));
    }

    @Test
    void aSubjectThatJumpsTakesBoundedWorkAndIsToldOf() {
        Effect dust = Sample.effect(
                "smoke",
                Sample.emitter(
                        "dust", 1, Sample.burst(0, 1).with(d -> d.perUnit = OptionalDouble.of(1000)), Sample.still()));
        Rope follows = Sample.rope("reel", 1, "kite.reeling", "smoke").with(d -> d.where = Where.following(Vec3.ZERO));
        Project game = Sample.game(follows);
        Stage stage = new Stage(
                game.withEffects(List.of(game.effects().get(0), game.effects().get(1), dust)));
        stage.move("kite", Vec3.ZERO, Vec3.RIGHT, null);
        stage.pull(Sample.reels(Vec3.ZERO, 1));
        for (int i = 1; i < 20; i++) {
            stage.move("kite", new Vec3(1e6 * (i % 2), 0, 0), Vec3.RIGHT, new Vec3(1e6, 0, 0));
            stage.step();
        }
        assertThat(stage.particles()).isLessThanOrEqualTo(game.settings().particleLimit());
        assertThat(stage.dropped()).isPositive();
        assertThat(stage.pull(Sample.landing(9, "stone", 2)).notes()).anyMatch(n -> n.contains("moved so far"));
    }

    @Test
    void placesAndVelocitiesOutOfAnyWorldAreRefused() {
        Stage stage = new Stage(Sample.game(Sample.rope("landing", 1, "courier.landed", "puff")));
        assertThat(stage.pull(Sample.landing(9, "stone", 1).moving(new Vec3(1e300, 0, 0)))
                        .refused())
                .extracting(Problem::place)
                .containsExactly("/velocity");
        assertThat(stage.pull(Sample.reels(new Vec3(0, -1e300, 0), 1)).refused())
                .extracting(Problem::place)
                .containsExactly("/position");
        for (double bad : new double[] {1e300, -1e8}) {
            Vec3 far = new Vec3(0, bad, 0);
            assertThatThrownBy(() -> stage.move("kite", far, Vec3.UP, null)).isInstanceOf(Refused.class);
            assertThatThrownBy(() -> stage.move("kite", Vec3.ZERO, Vec3.UP, far))
                    .isInstanceOf(Refused.class);
            assertThatThrownBy(() -> stage.camera(far)).isInstanceOf(Refused.class);
        }
        assertThat(stage.still()).isTrue();
    }

    /** Source: JOML's rotationTo, and the angle between the two. */
    @Test
    void theTurnIsTheShortestArc() {
        Random r = new Random(4);
        for (int i = 0; i < 200; i++) {
            Vec3 to = any(r);
            Rotation turn = Rotation.between(Vec3.UP, to);
            Quaterniond q = new Quaterniond(turn.x(), turn.y(), turn.z(), turn.w());
            assertThat(q.angle() > Math.PI ? 2 * Math.PI - q.angle() : q.angle())
                    .isCloseTo(Math.acos(Math.max(-1, Math.min(1, to.y()))), within(1e-6));
        }
    }

    /** Source: common practice: blood goes back against the blow, strayed by some degrees; never beyond them. */
    @Test
    void oppositeStraysWithinItsSpreadAndEvenlyOverTheCap() {
        Project project = with(hit(new Pointing(Facing.OPPOSITE, Vec3.UP, 35, 1, false)));
        double cos = Math.cos(Math.toRadians(35));
        double sum = 0;
        int n = 2000;
        for (int i = 0; i < n; i++) {
            Vec3 facing = played(project, Vec3.UP, Vec3.RIGHT, i).facing();
            assertThat(facing.length()).isCloseTo(1, within(1e-9));
            double along = -facing.x();
            assertThat(along).isGreaterThanOrEqualTo(cos - 1e-9);
            sum += along;
        }
        // Archimedes: heights on a sphere are even, so their mean is the middle of the cap's height.
        assertThat(sum / n).isCloseTo((1 + cos) / 2, within(5 * (1 - cos) / Math.sqrt(12.0 * n)));
    }

    @Test
    void headingIsThatOfTheSubject() {
        Stage stage = new Stage(Sample.game(Sample.rope("reel", 1, "kite.reeling", "smoke")
                .with(d -> {
                    d.pointing = Pointing.of(Facing.HEADING);
                    d.where = Where.following(new Vec3(2, 0, 0));
                })));
        stage.move("kite", new Vec3(5, 5, 0), new Vec3(0, 1, 0), null);
        Played played =
                (Played) stage.pull(Sample.reels(Vec3.ZERO, 1)).answers().get(0);
        assertThat(played.facing()).isEqualTo(Vec3.UP);
        assertThat(played.origin()).as("2 u ahead of a kite that points up").isEqualTo(new Vec3(5, 7, 0));
    }

    @Test
    void aFollowerGoesWithItsSubjectAndOneLeftBehindDoesNot() {
        for (boolean follow : List.of(true, false)) {
            Where where = new Where(
                    Where.Anchor.SUBJECT,
                    follow,
                    Optional.empty(),
                    Vec3.ZERO,
                    Where.Frame.WORLD,
                    OptionalDouble.empty());
            Stage stage = new Stage(
                    Sample.game(Sample.rope("reel", 1, "kite.reeling", "smoke").with(d -> d.where = where)));
            stage.pull(Sample.reels(Vec3.ZERO, 1));
            for (int i = 1; i <= 60; i++) {
                stage.step();
                stage.move("kite", new Vec3(i * 0.1, 0, 0), Vec3.ZERO, null);
            }
            stage.step();
            double most = 0;
            for (int i = 0; i < 3; i++) {
                stage.step();
                stage.frame(1);
                most = Math.max(
                        most, stage.frame(1).getFloat(24) + stage.frame(1).getFloat(36));
            }
            assertThat(most > 5).as("follows: %s", follow).isEqualTo(follow);
        }
    }

    @Test
    void placesTheCameraAndTheDepthPlaneAreTakenAsSaid() {
        Rope door = hit(Pointing.of(Facing.UP))
                .with(d -> d.where = new Where(
                        Where.Anchor.PLACE,
                        false,
                        Optional.of("mill door"),
                        new Vec3(0, 0.5, 0),
                        Where.Frame.WORLD,
                        OptionalDouble.of(-1)));
        assertThat(played(with(door), Vec3.UP, Vec3.RIGHT, 1).origin()).isEqualTo(new Vec3(4, 1.5, -1));
        Rope above = hit(Pointing.of(Facing.UP)).with(d -> d.where = Where.camera(new Vec3(0, 6, 0)));
        Stage stage = new Stage(with(above));
        stage.camera(new Vec3(30, 2, 0));
        Map<String, Datum> payload = Map.of(
                "position", new Datum.Vec(Vec3.ZERO),
                "normal", new Datum.Vec(Vec3.UP),
                "direction", new Datum.Vec(Vec3.RIGHT));
        Played played =
                (Played) stage.pull(new Pull("crow.hit", payload, 1)).answers().get(0);
        assertThat(played.origin()).isEqualTo(new Vec3(30, 8, 0));
    }
}
