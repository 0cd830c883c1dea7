package bellrope.core.stage.world;

import bellrope.core.sim.MovementPath;
import bellrope.core.value.Rotation;
import bellrope.core.value.Vec3;
import java.util.OptionalDouble;

/** The way of an instance that goes on with a subject or the camera. */
public final class FollowedPath implements MovementPath {
    /** Whether an instance turns with its subject. */
    public enum Turning {
        NOT,
        /** The shortest way from heading to heading. */
        SHORTEST,
        /** And stays as upright as its heading allows. */
        UPRIGHT
    }

    private final Track track;
    private final int start;
    private final Vec3 offset;
    private final boolean subjectFrame;
    private final OptionalDouble depth;
    private final double share;
    private final Turning turning;
    private final Vec3 placeAtStart;
    private final Vec3 velocityAtStart;
    private final Vec3 headingAtStart;
    private final Rotation turnAtStart;
    private final double goneAtStart;
    private Vec3 heading;
    private Rotation turn;
    private Axes frame;

    /**
     * @param start step of the stage on which the instance begins
     * @param beginning its number among beginnings, see {@link World#begins}
     * @param offset in the subject's frame if {@code subjectFrame}, else in the world
     * @param turn how the instance is turned at first
     * @param share of the velocity that newborns go on with
     */
    public FollowedPath(
            Track track,
            int start,
            long beginning,
            Vec3 offset,
            boolean subjectFrame,
            OptionalDouble depth,
            Rotation turn,
            double share,
            Turning turning) {
        this.track = track;
        this.start = start;
        this.offset = offset;
        this.subjectFrame = subjectFrame;
        this.depth = depth;
        this.share = share;
        int entry = track.knownTo(beginning);
        this.placeAtStart = track.at(entry, start);
        this.velocityAtStart = track.velocity(entry);
        this.headingAtStart = track.heading(entry);
        this.turnAtStart = turn;
        this.turning = turning;
        this.goneAtStart = track.gone(entry, start);
        this.heading = headingAtStart;
        this.turn = turn;
        this.frame = Axes.subject(headingAtStart);
    }

    private void look(int step) {
        Vec3 now = step <= 0 ? headingAtStart : track.heading(track.seenBy(start + step));
        if (!now.equals(heading)) {
            heading = now;
            frame = Axes.subject(now);
            turn = turning == Turning.NOT ? turnAtStart : since().after(turnAtStart);
        }
    }

    // How it has turned since the beginning.
    private Rotation since() {
        return switch (turning) {
            case NOT -> Rotation.NONE;
            case SHORTEST -> Rotation.between(headingAtStart, heading);
            case UPRIGHT ->
                frame.turn().after(Axes.subject(headingAtStart).turn().inverse());
        };
    }

    @Override
    public void at(double step, double[] place) {
        int low = (int) Math.floor(step);
        double share = step - low;
        on(low, place);
        if (share > 0) {
            double x = place[0];
            double y = place[1];
            double z = place[2];
            on(low + 1, place);
            place[0] = x + (place[0] - x) * share;
            place[1] = y + (place[1] - y) * share;
            place[2] = z + (place[2] - z) * share;
        }
    }

    private void on(int step, double[] place) {
        if (step <= 0) {
            place[0] = placeAtStart.x();
            place[1] = placeAtStart.y();
            place[2] = placeAtStart.z();
        } else {
            track.at(track.seenBy(start + step), start + step, place);
        }
        Vec3 by = offset;
        if (subjectFrame && !offset.equals(Vec3.ZERO)) {
            look(step);
            by = frame.apply(offset);
        }
        place[0] += by.x();
        place[1] += by.y();
        place[2] = depth.isPresent() ? depth.getAsDouble() : place[2] + by.z();
    }

    @Override
    public double gone(int step) {
        return step <= 0 ? 0 : track.gone(track.seenBy(start + step), start + step) - goneAtStart;
    }

    @Override
    public void velocity(int step, double[] velocity) {
        Vec3 v = step <= 0 ? velocityAtStart : track.velocity(track.seenBy(start + step));
        velocity[0] = v.x() * share;
        velocity[1] = v.y() * share;
        velocity[2] = v.z() * share;
    }

    @Override
    public Rotation turn(int step) {
        look(step);
        return turn;
    }
}
