package bellrope.core.effect;

import bellrope.core.value.Bounds;
import bellrope.core.value.Done;
import bellrope.core.value.Vec3;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.DoubleUnaryOperator;
import java.util.function.Function;
import java.util.function.UnaryOperator;

/** What changes the velocity of particles besides gravity and drag. Places and axes are in the effect's frame. */
public sealed interface Force {
    /** A function for each kind. */
    record Cases<R>(
            Function<Attractor, R> attractor,
            Function<Swirl, R> swirl,
            Function<Push, R> push,
            Function<Turbulence, R> turbulence) {}

    /** Returns what the function of its kind makes of it. */
    <R> R match(Cases<R> cases);

    /** Returns what the function of its kind makes of it. */
    default <R> R match(
            Function<Attractor, R> attractor,
            Function<Swirl, R> swirl,
            Function<Push, R> push,
            Function<Turbulence, R> turbulence) {
        return match(new Cases<>(attractor, swirl, push, turbulence));
    }

    /** Does what belongs to its kind. */
    default void visit(
            Consumer<Attractor> attractor,
            Consumer<Swirl> swirl,
            Consumer<Push> push,
            Consumer<Turbulence> turbulence) {
        match(Done.by(attractor), Done.by(swirl), Done.by(push), Done.by(turbulence));
    }

    /** Units a second squared. */
    double strength();

    /** Returns where it acts from; empty where it acts alike everywhere. */
    default Optional<Vec3> from() {
        return match(
                a -> Optional.of(a.place), s -> Optional.of(s.place), p -> Optional.empty(), t -> Optional.empty());
    }

    /**
     * Pulls towards a place; pushes away from it when the strength is negative.
     *
     * @param strength units a second squared
     * @param radius units
     */
    record Attractor(Vec3 place, double strength, double radius, Falloff falloff) implements Force {
        public static final Bounds PLACE = Bounds.around(10_000);
        public static final Bounds STRENGTH = Bounds.around(10_000);
        public static final Bounds RADIUS = Bounds.above(0, 1000);

        public Attractor {
            PLACE.check("place", place);
            STRENGTH.check("strength", strength);
            RADIUS.check("radius", radius);
        }

        @Override
        public <R> R match(Cases<R> cases) {
            return cases.attractor().apply(this);
        }
    }

    /**
     * Drives around an axis, counter-clockwise seen from where the axis points.
     *
     * @param axis not zero
     * @param strength units a second squared
     * @param radius units from the axis
     */
    record Swirl(Vec3 place, Vec3 axis, double strength, double radius, Falloff falloff) implements Force {
        public static final Bounds PLACE = Bounds.around(10_000);
        public static final Bounds STRENGTH = Bounds.around(10_000);
        public static final Bounds RADIUS = Bounds.above(0, 1000);

        public Swirl {
            PLACE.check("place", place);
            new Aim.Along(axis);
            STRENGTH.check("strength", strength);
            RADIUS.check("radius", radius);
        }

        @Override
        public <R> R match(Cases<R> cases) {
            return cases.swirl().apply(this);
        }
    }

    /**
     * Pushes straight away from the effect's place, equally strong everywhere.
     *
     * @param strength units a second squared
     */
    record Push(double strength) implements Force {
        public static final Bounds STRENGTH = Bounds.around(10_000);

        public Push {
            STRENGTH.check("strength", strength);
        }

        @Override
        public <R> R match(Cases<R> cases) {
            return cases.push().apply(this);
        }
    }

    /**
     * Pushes irregularly, smoothly in space and time (value noise on a lattice).
     *
     * @param strength most along each axis, units a second squared
     * @param size units from one lattice point to the next
     * @param speed how many times a second it becomes another pattern
     */
    record Turbulence(double strength, double size, double speed) implements Force {
        public static final Bounds STRENGTH = Bounds.of(0, 10_000);
        public static final Bounds SIZE = Bounds.above(0, 1000);
        public static final Bounds SPEED = Bounds.of(0, 100);

        public Turbulence {
            STRENGTH.check("strength", strength);
            SIZE.check("size", size);
            SPEED.check("speed", speed);
        }

        @Override
        public <R> R match(Cases<R> cases) {
            return cases.turbulence().apply(this);
        }
    }

    /** How a force weakens with the distance d from its place, for a radius r. */
    enum Falloff {
        /** 1 up to r, 0 beyond. */
        NONE,
        /** 1 − d/r up to r, 0 beyond. */
        LINEAR,
        /** 1 / (1 + (d/r)²): half at r, and with the square of the distance far out. */
        SQUARE
    }

    /** Returns this force with its strength changed by a factor. */
    default Force times(double factor) {
        if (this instanceof Attractor a) {
            return new Attractor(a.place(), held(a.strength() * factor), a.radius(), a.falloff());
        } else if (this instanceof Swirl s) {
            return new Swirl(s.place(), s.axis(), held(s.strength() * factor), s.radius(), s.falloff());
        } else if (this instanceof Push p) {
            return new Push(held(p.strength() * factor));
        }
        Turbulence t = (Turbulence) this;
        return new Turbulence(Math.max(0, held(t.strength() * factor)), t.size(), t.speed());
    }

    /** Returns this force with its radius or the size of its pattern changed. */
    default Force reaching(DoubleUnaryOperator change) {
        if (this instanceof Attractor a) {
            return new Attractor(a.place(), a.strength(), length(change, a.radius()), a.falloff());
        } else if (this instanceof Swirl s) {
            return new Swirl(s.place(), s.axis(), s.strength(), length(change, s.radius()), s.falloff());
        } else if (this instanceof Turbulence t) {
            return new Turbulence(t.strength(), length(change, t.size()), t.speed());
        }
        return this;
    }

    /** Returns this force with the distance of its place from the effect's changed. */
    default Force placed(DoubleUnaryOperator change) {
        return at(place -> Property.stretched(place, change));
    }

    /** Returns this force with its place changed; one that has none is left as it is. */
    default Force at(UnaryOperator<Vec3> change) {
        return match(
                a -> new Attractor(change.apply(a.place()), a.strength(), a.radius(), a.falloff()),
                s -> new Swirl(change.apply(s.place()), s.axis(), s.strength(), s.radius(), s.falloff()),
                p -> this,
                t -> this);
    }

    private static double length(DoubleUnaryOperator change, double length) {
        return Property.held(change.applyAsDouble(length), 1e-6, 1000);
    }

    private static double held(double strength) {
        return Math.max(-10_000, Math.min(10_000, strength));
    }
}
