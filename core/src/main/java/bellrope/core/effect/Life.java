package bellrope.core.effect;

import bellrope.core.value.Bounds;
import bellrope.core.value.Curve;
import bellrope.core.value.Demand;
import bellrope.core.value.Exact;
import bellrope.core.value.Gradient;
import bellrope.core.value.Vec3;
import java.util.Collections;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.function.Consumer;

/**
 * The second act: what happens to a particle between birth and end.
 *
 * @param gravity units a second squared, in world space, each axis −1,000 to 1,000
 * @param drag share of its speed that a particle loses per second (linear drag)
 * @param restWithin seconds in which drag takes {@value #RESTED} of the speed, above 0 to 60; stands instead of {@code
 *     drag} when it is there
 * @param restEvenly whether it comes to rest within that time by slowing evenly to nothing, after half the way that it would
 *     have gone; not by drag
 * @param forces at most 8
 * @param size over life fraction
 * @param opacity over life fraction
 * @param colour over life fraction, in linear light
 * @param otherColour a second lane of colours: each particle's lie between the two, at a share of its own, in linear light
 * @param speed over life fraction: multiplies the velocity, or is the speed in units a second
 * @param spin over life fraction: multiplies the spin, or is the spin in degrees a second
 * @param replaces the lanes that stand instead of what a particle was born with; the others multiply it
 * @param timed lanes that run over so many seconds from birth, above 0 to 60, and then stay as they end, whatever the life of a
 *     particle; the others run over its life
 * @param live whether gravity, drag and forces follow what drives them while particles live; otherwise an instance keeps those
 *     of its beginning. Its particles then move step by step
 */
public record Life(
        Vec3 gravity,
        double drag,
        OptionalDouble restWithin,
        boolean restEvenly,
        List<Force> forces,
        Curve size,
        Curve opacity,
        Gradient colour,
        Optional<Gradient> otherColour,
        Curve speed,
        Curve spin,
        Set<Lane> replaces,
        Map<Lane, Double> timed,
        boolean live) {
    public static final int MOST_FORCES = 8;

    public static final Bounds TIMED = Bounds.above(0, 60);
    public static final Bounds GRAVITY = Bounds.around(1000);
    public static final Bounds DRAG = Bounds.of(0, 100);
    public static final Bounds REST_WITHIN = Bounds.of(0.02, 60);
    public static final Bounds SIZE = Bounds.of(0, 1000);
    public static final Bounds OPACITY = Bounds.of(0, 1);
    public static final Bounds SPEED = Bounds.of(0, 1000);
    public static final Bounds SPIN = Bounds.around(36_000);

    /** The share of its speed that is gone when a particle counts as come to rest. */
    public static final double RESTED = 0.99;

    /** What can be drawn over life. */
    public enum Lane {
        SIZE,
        OPACITY,
        COLOUR,
        SPEED,
        SPIN
    }

    public Life {
        GRAVITY.check("gravity", gravity);
        DRAG.check("drag", drag);
        REST_WITHIN.check("restWithin", restWithin);
        forces = Demand.atMost("forces", forces, MOST_FORCES);
        SIZE.check("size", size);
        OPACITY.check("opacity", opacity);
        SPEED.check("speed", speed);
        SPIN.check("spin", spin);
        timed.forEach((lane, seconds) -> {
            String place = "timed/" + lane.name().toLowerCase(Locale.ROOT);
            TIMED.check(place, seconds);
        });
        timed = Collections.unmodifiableMap(timed.isEmpty() ? Map.of() : new EnumMap<>(timed));
        replaces =
                Collections.unmodifiableSet(replaces.isEmpty() ? EnumSet.noneOf(Lane.class) : EnumSet.copyOf(replaces));
    }

    /** A life whose lanes all run over it. */
    public Life(
            Vec3 gravity,
            double drag,
            OptionalDouble restWithin,
            List<Force> forces,
            Curve size,
            Curve opacity,
            Gradient colour,
            Curve speed,
            Curve spin,
            Set<Lane> replaces) {
        this(
                gravity,
                drag,
                restWithin,
                false,
                forces,
                size,
                opacity,
                colour,
                Optional.empty(),
                speed,
                spin,
                replaces,
                Map.of(),
                false);
    }

    /** A life under gravity and drag alone, whose lanes multiply. */
    public Life(Vec3 gravity, double drag, Curve size, Curve opacity, Gradient colour) {
        this(gravity, drag, OptionalDouble.empty(), List.of(), size, opacity, colour, Curve.ONE, Curve.ONE, Set.of());
    }

    /** Returns the linear drag that acts, per second: e^(−drag·t) of the speed is left after t. */
    public double dragPerSecond() {
        return restWithin.isPresent() && !restEvenly ? -Exact.log(1 - RESTED) / restWithin.getAsDouble() : drag;
    }

    /** Returns in how many seconds it slows evenly to nothing; empty where it does not. */
    public OptionalDouble evenRest() {
        return restEvenly ? restWithin : OptionalDouble.empty();
    }

    public boolean replaces(Lane lane) {
        return replaces.contains(lane);
    }

    /**
     * Returns how far along its curve a lane is.
     *
     * @param share of the life that is over, 0 to 1
     * @param seconds that the life takes
     */
    public double along(Lane lane, double share, double seconds) {
        Double over = timed.get(lane);
        return over == null ? share : Math.min(1, share * seconds / over);
    }

    /** Tells whether the motion has an exact solution: only gravity and drag act. */
    public boolean exact() {
        return !live
                && forces.isEmpty()
                && speed.equals(Curve.ONE)
                && !replaces(Lane.SPEED)
                && (!restEvenly || restWithin.isEmpty());
    }

    public Life withGravity(Vec3 other) {
        return with(d -> d.gravity = other);
    }

    public Life withDrag(double other) {
        return with(d -> {
            d.drag = other;
            d.restWithin = OptionalDouble.empty();
            d.restEvenly = false;
        });
    }

    /** Returns this life coming to rest within a time, evenly or by drag. */
    public Life resting(double seconds, boolean evenly) {
        return with(d -> {
            d.restWithin = OptionalDouble.of(seconds);
            d.restEvenly = evenly;
        });
    }

    public Life withForces(List<Force> others) {
        return with(d -> d.forces = others);
    }

    public Life withSize(Curve other) {
        return with(d -> d.size = other);
    }

    public Life withOpacity(Curve other) {
        return with(d -> d.opacity = other);
    }

    public Life withColour(Gradient other) {
        return with(d -> d.colour = other);
    }

    /** Returns this life with colours between its own lane and another. */
    public Life between(Gradient other) {
        return with(d -> d.otherColour = Optional.of(other));
    }

    /** Returns this life with motion that follows what drives it, or one that keeps that of its beginning. */
    public Life following(boolean follows) {
        return with(d -> d.live = follows);
    }

    public Life withSpeed(Curve other) {
        return with(d -> d.speed = other);
    }

    public Life withSpin(Curve other) {
        return with(d -> d.spin = other);
    }

    public Life replacing(Set<Lane> others) {
        return with(d -> d.replaces = others);
    }

    /** Returns this life with lanes that run over seconds. */
    public Life timing(Map<Lane, Double> others) {
        return with(d -> d.timed = others);
    }

    private Life with(Consumer<Draft> change) {
        Draft draft = new Draft(this);
        change.accept(draft);
        return draft.life();
    }

    private static final class Draft {
        private Vec3 gravity;
        private double drag;
        private OptionalDouble restWithin;
        private boolean restEvenly;
        private List<Force> forces;
        private Curve size;
        private Curve opacity;
        private Gradient colour;
        private Optional<Gradient> otherColour;
        private Curve speed;
        private Curve spin;
        private Set<Lane> replaces;
        private Map<Lane, Double> timed;
        private boolean live;

        private Draft(Life l) {
            gravity = l.gravity;
            drag = l.drag;
            restWithin = l.restWithin;
            restEvenly = l.restEvenly;
            forces = l.forces;
            size = l.size;
            opacity = l.opacity;
            colour = l.colour;
            otherColour = l.otherColour;
            speed = l.speed;
            spin = l.spin;
            replaces = l.replaces;
            timed = l.timed;
            live = l.live;
        }

        private Life life() {
            return new Life(
                    gravity,
                    drag,
                    restWithin,
                    restEvenly,
                    forces,
                    size,
                    opacity,
                    colour,
                    otherColour,
                    speed,
                    spin,
                    replaces,
                    timed,
                    live);
        }
    }
}
