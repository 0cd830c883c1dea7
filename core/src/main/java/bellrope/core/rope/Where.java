package bellrope.core.rope;

import bellrope.core.value.Bounds;
import bellrope.core.value.Demand;
import bellrope.core.value.Refused;
import bellrope.core.value.Vec3;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * Where an instance plays.
 *
 * @param anchor what it is placed by
 * @param follow whether it goes on with the subject or the camera; otherwise it stays where it began
 * @param place name of the place, for that anchor alone
 * @param offset units
 * @param frame whose axes the offset is along
 * @param depth plane that it lies in, world z in units; empty to leave it where it is
 */
public record Where(
        Anchor anchor, boolean follow, Optional<String> place, Vec3 offset, Frame frame, OptionalDouble depth) {
    public static final Bounds OFFSET = Bounds.around(Where.FARTHEST);
    public static final Bounds DEPTH = Bounds.around(10_000);

    /** What an instance is placed by. */
    public enum Anchor {
        POINT("the point"),
        SUBJECT("the subject"),
        CAMERA("the camera"),
        /** Fixed on the screen: what is born goes with the camera too. */
        SCREEN("the screen"),
        PLACE("a place");

        private final String words;

        Anchor(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /** Whose axes an offset is along. */
    public enum Frame {
        /** y along the normal, x along the direction. */
        SURFACE,
        /** x along the heading, y up as far as that allows. */
        SUBJECT,
        WORLD
    }

    /** Most units of an offset along each axis. */
    public static final double FARTHEST = 10_000;

    public static final Where POINT = at(Vec3.ZERO);

    public Where {
        OFFSET.check("offset", offset);
        DEPTH.check("depth", depth);
        place.ifPresent(name -> Demand.name("place", name));
        if (place.isPresent() != (anchor == Anchor.PLACE)) {
            throw new Refused(
                    "place",
                    place.map(p -> '"' + p + '"').orElse("missing"),
                    anchor == Anchor.PLACE ? "the name of a place" : "no name; it is at " + anchor.words());
        }
    }

    /** The event's point with an offset in the frame of the surface. */
    public static Where at(Vec3 offset) {
        return new Where(Anchor.POINT, false, Optional.empty(), offset, Frame.SURFACE, OptionalDouble.empty());
    }

    /** The subject, followed, with an offset in its own frame. */
    public static Where following(Vec3 offset) {
        return new Where(Anchor.SUBJECT, true, Optional.empty(), offset, Frame.SUBJECT, OptionalDouble.empty());
    }

    /** The camera, followed. */
    public static Where camera(Vec3 offset) {
        return new Where(Anchor.CAMERA, true, Optional.empty(), offset, Frame.WORLD, OptionalDouble.empty());
    }

    public Where withOffset(Vec3 other) {
        return new Where(anchor, follow, place, other, frame, depth);
    }

    /** Tells whether what is placed so moves with something. */
    public boolean moves() {
        return anchor == Anchor.SCREEN || follow && (anchor == Anchor.SUBJECT || anchor == Anchor.CAMERA);
    }
}
