package bellrope.core.effect;

import bellrope.core.value.Curve;
import bellrope.core.value.Demand;
import bellrope.core.value.Gradient;
import bellrope.core.value.Vec3;
import java.util.Collections;
import java.util.EnumSet;
import java.util.List;
import java.util.OptionalDouble;
import java.util.Set;

/**
 * The second act: what happens to a particle between birth and end.
 *
 * @param gravity units a second squared, in world space, each axis −1,000 to 1,000
 * @param drag share of its speed that a particle loses per second (linear drag), 0 to 100
 * @param restWithin seconds in which drag takes {@value #RESTED} of the speed, above 0 to 60; stands instead of {@code
 *     drag} when it is there
 * @param forces at most 8
 * @param size over life fraction
 * @param opacity over life fraction, 0 to 1
 * @param colour over life fraction, in linear light
 * @param speed over life fraction: multiplies the velocity, or is the speed in units a second
 * @param spin over life fraction: multiplies the spin, or is the spin in degrees a second
 * @param replaces the lanes that stand instead of what a particle was born with; the others multiply it
 */
public record Life(
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
        Demand.within("gravity", gravity, 1000);
        Demand.within("drag", drag, 0, 100);
        if (restWithin.isPresent()) {
            Demand.above("restWithin", restWithin.getAsDouble(), 0);
            Demand.within("restWithin", restWithin.getAsDouble(), 0.02, 60);
        }
        forces = Demand.atMost("forces", forces, 8);
        Demand.within("size", size, 0, 1000);
        Demand.within("opacity", opacity, 0, 1);
        Demand.within("speed", speed, 0, 1000);
        Demand.within("spin", spin, -36_000, 36_000);
        replaces =
                Collections.unmodifiableSet(replaces.isEmpty() ? EnumSet.noneOf(Lane.class) : EnumSet.copyOf(replaces));
    }

    /** A life under gravity and drag alone, whose lanes multiply. */
    public Life(Vec3 gravity, double drag, Curve size, Curve opacity, Gradient colour) {
        this(gravity, drag, OptionalDouble.empty(), List.of(), size, opacity, colour, Curve.ONE, Curve.ONE, Set.of());
    }

    /** Returns the linear drag that acts, per second: e^(−drag·t) of the speed is left after t. */
    public double dragPerSecond() {
        return restWithin.isPresent() ? -StrictMath.log(1 - RESTED) / restWithin.getAsDouble() : drag;
    }

    public boolean replaces(Lane lane) {
        return replaces.contains(lane);
    }

    /** Tells whether the motion has an exact solution: only gravity and drag act. */
    public boolean exact() {
        return forces.isEmpty() && speed.equals(Curve.ONE) && !replaces(Lane.SPEED);
    }

    public Life withGravity(Vec3 other) {
        return new Life(other, drag, restWithin, forces, size, opacity, colour, speed, spin, replaces);
    }

    public Life withDrag(double other) {
        return new Life(gravity, other, OptionalDouble.empty(), forces, size, opacity, colour, speed, spin, replaces);
    }

    public Life withForces(List<Force> others) {
        return new Life(gravity, drag, restWithin, others, size, opacity, colour, speed, spin, replaces);
    }

    public Life withSize(Curve other) {
        return new Life(gravity, drag, restWithin, forces, other, opacity, colour, speed, spin, replaces);
    }

    public Life withOpacity(Curve other) {
        return new Life(gravity, drag, restWithin, forces, size, other, colour, speed, spin, replaces);
    }

    public Life withSpeed(Curve other) {
        return new Life(gravity, drag, restWithin, forces, size, opacity, colour, other, spin, replaces);
    }

    public Life withSpin(Curve other) {
        return new Life(gravity, drag, restWithin, forces, size, opacity, colour, speed, other, replaces);
    }

    public Life replacing(Set<Lane> others) {
        return new Life(gravity, drag, restWithin, forces, size, opacity, colour, speed, spin, others);
    }
}
