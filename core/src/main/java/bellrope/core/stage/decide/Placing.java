package bellrope.core.stage.decide;

import bellrope.core.event.Field.Meaning;
import bellrope.core.event.Pull;
import bellrope.core.random.Draws;
import bellrope.core.random.Purpose;
import bellrope.core.rope.Facing;
import bellrope.core.rope.Pointing;
import bellrope.core.rope.Rope;
import bellrope.core.rope.Where;
import bellrope.core.sim.MovementPath;
import bellrope.core.stage.world.Axes;
import bellrope.core.stage.world.FollowedPath;
import bellrope.core.stage.world.FollowedPath.Turning;
import bellrope.core.stage.world.Track;
import bellrope.core.stage.world.World;
import bellrope.core.value.Angle;
import bellrope.core.value.Pace;
import bellrope.core.value.Rotation;
import bellrope.core.value.Vec3;
import java.util.Optional;

/** Where a rope answers, which way that points, and how it goes on. */
public final class Placing {
    private final Rope rope;
    private final Cause cause;
    private final Pull pull;
    private final World world;
    private final int step;
    private final Draws draws;

    /**
     * @param pull of the cause, with all fields
     * @param draws of the rope's own for this pull
     */
    Placing(Rope rope, Cause cause, Pull pull, World world, int step, Draws draws) {
        this.rope = rope;
        this.cause = cause;
        this.pull = pull;
        this.world = world;
        this.step = step;
        this.draws = draws;
    }

    private Track track() {
        Where where = rope.where();
        if (where.anchor() == Where.Anchor.CAMERA || where.anchor() == Where.Anchor.SCREEN) {
            return world.camera();
        }
        return where.anchor() == Where.Anchor.SUBJECT ? world.subject(cause.subject(), cause.beginning()) : null;
    }

    /** Returns where the rope's offset is counted from. */
    public Vec3 anchor() {
        if (rope.where().anchor() == Where.Anchor.PLACE) {
            return world.place(rope.where().place().orElseThrow());
        }
        Track track = track();
        return track == null || !track.known()
                ? vector(Meaning.POSITION).orElse(Vec3.ZERO)
                : track.at(track.knownTo(cause.beginning()), step);
    }

    private Vec3 heading() {
        Track track = track();
        Vec3 otherwise = track == null || !track.known()
                ? pull.velocity().directionOr(Vec3.RIGHT)
                : track.heading(track.knownTo(cause.beginning()));
        return direction(Meaning.HEADING, otherwise);
    }

    /** Returns where the instance is at first: the anchor plus the rope's offset, turned into the world. */
    public Vec3 origin(Vec3 anchor) {
        Where where = rope.where();
        Vec3 at = anchor.plus(offset());
        return where.depth().isPresent()
                ? new Vec3(at.x(), at.y(), where.depth().getAsDouble())
                : at;
    }

    private Vec3 offset() {
        Vec3 offset = rope.where().offset();
        return switch (rope.where().frame()) {
            case WORLD -> offset;
            case SUBJECT -> Axes.subject(heading()).apply(offset);
            case SURFACE ->
                Axes.surface(direction(Meaning.NORMAL, Vec3.UP), direction(Meaning.DIRECTION, Vec3.RIGHT))
                        .apply(offset);
        };
    }

    /** Returns the facing, turned away by as much as the rope allows. */
    public Vec3 facing() {
        Pointing pointing = rope.pointing();
        Vec3 straight = straight(pointing);
        if (pointing.spread() == 0) {
            return straight;
        }
        // Evenly over the cap of the sphere: the cosine of the tilt is even from cos(spread) to 1.
        double least = Angle.cos(pointing.spread() / 360);
        double cos = 1 - draws.unit(Purpose.FACING_TILT) * (1 - least);
        double sin = Math.sqrt(Math.max(0, 1 - cos * cos));
        double around = draws.unit(Purpose.FACING_AROUND);
        return Rotation.between(Vec3.UP, straight)
                .apply(new Vec3(sin * Angle.cos(around), cos, sin * Angle.sin(around)));
    }

    private Vec3 straight(Pointing pointing) {
        return switch (pointing.facing()) {
            case NORMAL -> direction(Meaning.NORMAL, Vec3.UP);
            case DIRECTION -> direction(Meaning.DIRECTION, Vec3.UP);
            case OPPOSITE ->
                vector(Meaning.DIRECTION)
                        .map(d -> d.times(-1).directionOr(Vec3.UP))
                        .orElse(Vec3.UP);
            case REFLECTED -> reflected();
            case HEADING -> heading();
            case SUBJECT -> standing().y();
            case UP -> Vec3.UP;
            case FIXED -> pointing.fixed().directionOr(Vec3.UP);
        };
    }

    // The subject's axes: upright, or rolled as the event says.
    private Axes standing() {
        return Axes.subject(heading(), direction(Meaning.UP, Vec3.UP));
    }

    private Rotation turn(Vec3 facing) {
        if (rope.pointing().facing() != Facing.SUBJECT) {
            return Rotation.between(Vec3.UP, facing);
        }
        Axes axes = standing();
        return Rotation.between(axes.y(), facing).after(axes.turn());
    }

    private Turning turning() {
        Pointing pointing = rope.pointing();
        boolean upright =
                pointing.facing() == Facing.SUBJECT && vector(Meaning.UP).isEmpty();
        return !pointing.turns() ? Turning.NOT : upright ? Turning.UPRIGHT : Turning.SHORTEST;
    }

    // d − 2(d·n)n, as in any textbook of geometry.
    private Vec3 reflected() {
        Vec3 d = direction(Meaning.DIRECTION, Vec3.UP);
        Vec3 n = direction(Meaning.NORMAL, Vec3.UP);
        return d.plus(n.times(-2 * d.dot(n))).directionOr(Vec3.UP);
    }

    private Vec3 direction(Meaning meaning, Vec3 otherwise) {
        return vector(meaning).map(v -> v.directionOr(otherwise)).orElse(otherwise);
    }

    private Optional<Vec3> vector(Meaning meaning) {
        return cause.event().vector(meaning).flatMap(field -> pull.vector(field.name()));
    }

    /** Returns where the instance goes from its anchor on. */
    public MovementPath way(Vec3 anchor, Pace pace) {
        Where where = rope.where();
        Pointing pointing = rope.pointing();
        Rotation turn = turn(facing());
        Track track = track();
        if (where.moves() && track != null && track.known()) {
            boolean own = where.frame() == Where.Frame.SUBJECT;
            return new FollowedPath(
                    track,
                    step,
                    cause.beginning(),
                    own ? where.offset() : offset(),
                    own,
                    where.depth(),
                    turn,
                    where.anchor() == Where.Anchor.SCREEN ? 0 : pointing.velocity(),
                    turning());
        }
        boolean stays = where.anchor() == Where.Anchor.PLACE
                || where.anchor() == Where.Anchor.CAMERA
                || where.anchor() == Where.Anchor.SCREEN;
        Vec3 velocity = stays ? Vec3.ZERO : pull.velocity().times(pointing.velocity());
        return MovementPath.straight(origin(anchor), turn, velocity, pace);
    }
}
