package bellrope.core.stage;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import bellrope.core.Sample;
import bellrope.core.effect.Effect;
import bellrope.core.event.EventType;
import bellrope.core.event.Field;
import bellrope.core.event.Pull;
import bellrope.core.project.Project;
import bellrope.core.rope.Facing;
import bellrope.core.rope.Pointing;
import bellrope.core.rope.Where;
import bellrope.core.stage.world.Axes;
import bellrope.core.value.Datum;
import bellrope.core.value.Range;
import bellrope.core.value.Rotation;
import bellrope.core.value.Vec3;
import java.nio.ByteBuffer;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.Random;
import org.joml.Matrix3d;
import org.joml.Quaterniond;
import org.junit.jupiter.api.Test;

/** An effect that stands as its subject does: all three axes of it. */
class StandingTest {
    private static EventType flew(boolean rolls) {
        Field at = new Field.Vector("position", Field.Meaning.POSITION);
        Field heading = new Field.Vector("heading", Field.Meaning.HEADING);
        Field up = new Field.Vector("up", Field.Meaning.UP);
        return EventType.span("kite.flew", "", 2, rolls ? List.of(at, heading, up) : List.of(at, heading));
    }

    /** One particle at rest, a unit along an axis of the effect. */
    private static Project marked(Vec3 offset, boolean turns, boolean rolls) {
        Effect mark = Sample.effect(
                "smoke",
                Sample.emitter(
                        "mark",
                        1,
                        Sample.burst(1, 20).with(d -> {
                            d.offset = offset;
                            d.speed = Range.ZERO;
                            d.stream = java.util.Optional.of(
                                    new bellrope.core.effect.Stream(60, 0, OptionalDouble.empty()));
                        }),
                        Sample.still()));
        Project game = Sample.game(Sample.rope("flies", 1, "kite.flew", "smoke").with(d -> {
            d.pointing = new Pointing(Facing.SUBJECT, Vec3.UP, 0, 0, turns);
            d.where = Where.following(Vec3.ZERO);
        }));
        return game.withEvents(List.of(flew(rolls))).withEffects(List.of(mark));
    }

    private static Vec3 corner(Stage stage) {
        ByteBuffer frame = stage.frame(0);
        return new Vec3(frame.getFloat(24), frame.getFloat(28), frame.getFloat(32));
    }

    private static Vec3 first(Vec3 offset, Vec3 heading, Vec3 up) {
        Stage stage = new Stage(marked(offset, false, up != null));
        stage.move("kite", Vec3.ZERO, heading, null);
        Map<String, Datum> payload = new LinkedHashMap<>();
        payload.put("position", new Datum.Vec(Vec3.ZERO));
        payload.put("heading", new Datum.Vec(heading));
        if (up != null) {
            payload.put("up", new Datum.Vec(up));
        }
        stage.pull(Pull.begin("kite.flew", payload, 1).of("kite"));
        return corner(stage);
    }

    private static void close(Vec3 found, Vec3 wanted) {
        assertThat(found.plus(wanted.times(-1)).length())
                .as("%s, not %s", found, wanted)
                .isLessThan(1e-4);
    }

    /** By hand, in the plane: what looks left has its front at the left and is not upside down. */
    @Test
    void whatLooksLeftIsNotUpsideDown() {
        Vec3 left = new Vec3(-1, 0, 0);
        close(first(Vec3.RIGHT, left, null), left);
        close(first(Vec3.UP, left, null), Vec3.UP);
        close(first(Vec3.RIGHT, Vec3.RIGHT, null), Vec3.RIGHT);
        double s = Math.sqrt(0.5);
        close(first(Vec3.UP, new Vec3(s, s, 0), null), new Vec3(-s, s, 0));
    }

    @Test
    void itRollsAsTheEventSays() {
        close(first(Vec3.UP, Vec3.RIGHT, new Vec3(0, 0, 1)), new Vec3(0, 0, 1));
        close(first(new Vec3(0, 0, 1), Vec3.RIGHT, new Vec3(0, 0, 1)), new Vec3(0, -1, 0));
    }

    @Test
    void itTurnsOnAsTheSubjectTurns() {
        Stage stage = new Stage(marked(Vec3.RIGHT, true, false));
        stage.move("kite", Vec3.ZERO, Vec3.RIGHT, null);
        stage.pull(Pull.begin(
                        "kite.flew",
                        Map.of("position", new Datum.Vec(Vec3.ZERO), "heading", new Datum.Vec(Vec3.RIGHT)),
                        1)
                .of("kite"));
        stage.move("kite", Vec3.ZERO, new Vec3(-1, 0, 0), null);
        for (int i = 0; i < 10; i++) {
            stage.step();
        }
        // What was born first is at +x, what is born now at −x: the box begins there.
        close(new Vec3(corner(stage).x(), 0, 0), new Vec3(-1, 0, 0));
    }

    /** Source: JOML's quaternion from a matrix; all four of its branches. */
    @Test
    void axesAreMadeATurn() {
        Random r = new Random(5);
        for (int i = 0; i < 500; i++) {
            Vec3 heading = any(r);
            Axes axes = Axes.subject(heading, any(r));
            Rotation turn = axes.turn();
            close(turn.apply(Vec3.RIGHT), axes.x());
            close(turn.apply(Vec3.UP), axes.y());
            close(turn.apply(new Vec3(0, 0, 1)), axes.z());
            close(turn.inverse().apply(axes.y()), Vec3.UP);
            Quaterniond q = new Matrix3d(
                            axes.x().x(),
                            axes.x().y(),
                            axes.x().z(),
                            axes.y().x(),
                            axes.y().y(),
                            axes.y().z(),
                            axes.z().x(),
                            axes.z().y(),
                            axes.z().z())
                    .getNormalizedRotation(new Quaterniond());
            double same = q.x * turn.x() + q.y * turn.y() + q.z * turn.z() + q.w * turn.w();
            assertThat(Math.abs(same)).isCloseTo(1, within(1e-9));
        }
    }

    private static Vec3 any(Random r) {
        return new Vec3(r.nextGaussian(), r.nextGaussian(), r.nextGaussian()).directionOr(Vec3.UP);
    }
}
