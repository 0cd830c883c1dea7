package bellrope.core.effect;

import bellrope.core.value.Addresses;
import bellrope.core.value.Bounds;
import bellrope.core.value.Curve;
import bellrope.core.value.Demand;
import bellrope.core.value.Done;
import bellrope.core.value.Exact;
import bellrope.core.value.Gradient;
import bellrope.core.value.Refused;
import bellrope.core.value.Vec3;
import bellrope.core.value.Words;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.DoubleUnaryOperator;
import java.util.function.Function;

/**
 * The third act: what a particle strikes, what it leaves behind.
 *
 * @param collision with what, and what then
 * @param children at most 8 kinds of them
 * @param trail a ribbon behind each particle
 */
public record End(Optional<Collision> collision, List<Child> children, Optional<Trail> trail) {
    /** Most kinds of children of an emitter. */
    public static final int MOST_CHILDREN = 8;

    public static final End NONE = new End(Optional.empty(), List.of(), Optional.empty());

    public End {
        children = Addresses.assigned(
                "children",
                Demand.atMost("children", children, MOST_CHILDREN),
                Child.HIGHEST_ID,
                Child::id,
                Child::numbered);
        for (int i = 0; i < children.size(); i++) {
            if (children.get(i).when() == Child.When.ON_COLLISION && collision.isEmpty()) {
                throw new Refused(
                        "children/" + i + "/when", "on collision", "another moment, or a collision for this emitter");
            }
        }
    }

    public boolean nothing() {
        return equals(NONE);
    }

    End withCollision(Optional<Collision> other) {
        return new End(other, children, trail);
    }

    End withChildren(List<Child> others) {
        return new End(collision, others, trail);
    }

    End withTrail(Optional<Trail> other) {
        return new End(collision, children, other);
    }

    /** What particles strike. */
    public sealed interface Barrier {
        /** A function for each kind. */
        record Cases<R>(Function<Ground, R> ground, Function<Plane, R> plane, Function<Box, R> box) {}

        /** Returns what the function of its kind makes of it. */
        <R> R match(Cases<R> cases);

        /** Returns what the function of its kind makes of it. */
        default <R> R match(Function<Ground, R> ground, Function<Plane, R> plane, Function<Box, R> box) {
            return match(new Cases<>(ground, plane, box));
        }

        /** Does what belongs to its kind. */
        default void visit(Consumer<Ground> ground, Consumer<Plane> plane, Consumer<Box> box) {
            match(Done.by(ground), Done.by(plane), Done.by(box));
        }

        /** Returns this barrier with every length changed: levels, distances from the effect's place, sizes. */
        Barrier sized(DoubleUnaryOperator change);

        /**
         * Level ground.
         *
         * @param level units above the effect's place
         */
        record Ground(double level) implements Barrier {
            public static final Bounds LEVEL = Bounds.around(10_000);

            public Ground {
                LEVEL.check("level", level);
            }

            @Override
            public Barrier sized(DoubleUnaryOperator change) {
                return new Ground(LEVEL.held(change.applyAsDouble(level)));
            }

            @Override
            public <R> R match(Cases<R> cases) {
                return cases.ground().apply(this);
            }
        }

        /**
         * An endless plane, passed from the side that its normal points to.
         *
         * @param place units, in the effect's frame
         * @param normal in the effect's frame, not zero
         */
        record Plane(Vec3 place, Vec3 normal) implements Barrier {
            public static final Bounds PLACE = Bounds.around(10_000);

            public Plane {
                PLACE.check("place", place);
                new Aim.Along(normal);
            }

            @Override
            public Barrier sized(DoubleUnaryOperator change) {
                return new Plane(Property.stretched(place, change), normal);
            }

            @Override
            public <R> R match(Cases<R> cases) {
                return cases.plane().apply(this);
            }
        }

        /**
         * A box upright in the effect's frame.
         *
         * @param size full width, height and depth in units
         * @param keepsIn whether particles stay inside it, or outside
         */
        record Box(Vec3 place, Vec3 size, boolean keepsIn) implements Barrier {
            public static final Bounds PLACE = Bounds.around(10_000);
            public static final Bounds SIZE = Bounds.above(0, 2000);

            public Box {
                PLACE.check("place", place);
                SIZE.check("size", size);
            }

            @Override
            public Barrier sized(DoubleUnaryOperator change) {
                return new Box(
                        Property.stretched(place, change),
                        new Vec3(side(change, size.x()), side(change, size.y()), side(change, size.z())),
                        keepsIn);
            }

            private static double side(DoubleUnaryOperator change, double length) {
                return SIZE.held(change.applyAsDouble(length));
            }

            @Override
            public <R> R match(Cases<R> cases) {
                return cases.box().apply(this);
            }
        }
    }

    /**
     * What happens when a particle's centre meets the barrier.
     *
     * @param bounce share of the speed towards the barrier that comes back, 0 to 1 (coefficient of restitution)
     * @param friction share of the speed along the barrier that is lost each time
     * @param lifeLost share of the life that is left which is lost each time
     * @param then what becomes of it
     */
    public record Collision(Barrier with, double bounce, double friction, double lifeLost, Outcome then) {
        public static final Bounds BOUNCE = Bounds.of(0, 1);
        public static final Bounds FRICTION = Bounds.of(0, 1);
        public static final Bounds LIFE_LOST = Bounds.of(0, 1);

        public Collision {
            BOUNCE.check("bounce", bounce);
            FRICTION.check("friction", friction);
            LIFE_LOST.check("lifeLost", lifeLost);
        }

        Collision with(Barrier other) {
            return new Collision(other, bounce, friction, lifeLost, then);
        }

        Collision bouncing(double share) {
            return new Collision(with, share, friction, lifeLost, then);
        }
    }

    /** What becomes of a particle that struck something. */
    public enum Outcome {
        BOUNCES,
        STICKS,
        /** Dead is gone: it moves no more, spawns no more and takes no room. */
        DIES
    }

    /**
     * Particles or a whole effect that a particle gives birth to.
     *
     * @param emitter name of an emitter of the same effect; empty for an effect
     * @param effect name of another effect, played whole; empty for an emitter
     * @param least fewest each time
     * @param most at or above {@code least}, at most 1,000
     * @param rate how many times per second or per unit, above 0 to 1,000; 1 for the other moments
     * @param chance that it happens at all each time
     * @param velocity share of the parent's velocity that the children add to their own
     * @param colour whether the parent's colour multiplies theirs
     * @param size whether the parent's size multiplies theirs, measured by the middle of its range
     * @param id by which its random draws are addressed: 1 to {@value #HIGHEST_ID}, no two of an emitter the same; 0 to be
     *     given one
     */
    public record Child(
            When when,
            Optional<String> emitter,
            Optional<String> effect,
            int least,
            int most,
            double rate,
            double chance,
            double velocity,
            boolean colour,
            boolean size,
            int id) {
        public static final Bounds COUNT = Bounds.of(0, 1000);
        public static final Bounds RATE = Bounds.above(0, 1000);
        public static final Bounds CHANCE = Bounds.of(0, 1);
        public static final Bounds VELOCITY = Bounds.around(2);

        public static final int HIGHEST_ID = 31;

        /** When a particle gives birth. */
        public enum When {
            AT_BIRTH,
            PER_SECOND,
            PER_UNIT,
            ON_COLLISION,
            AT_END
        }

        public Child {
            if (emitter.isPresent() == effect.isPresent()) {
                throw new Refused(
                        "emitter", emitter.isPresent() ? "both" : "neither", "an emitter or an effect, one of the two");
            }
            COUNT.check("least", least);
            COUNT.check("most", most);
            if (least > most) {
                throw new Refused("", least + " to " + most, "the minimum must not be above the maximum");
            }
            if (effect.isPresent() && most > 1) {
                throw new Refused(
                        "most", Integer.toString(most), "0 or 1, because a whole effect is played once each time");
            }
            RATE.check("rate", rate);
            CHANCE.check("chance", chance);
            VELOCITY.check("velocity", velocity);
        }

        /** A kind of child that is given its address by the emitter it is put into. */
        public Child(
                When when,
                Optional<String> emitter,
                Optional<String> effect,
                int least,
                int most,
                double rate,
                double chance,
                double velocity,
                boolean colour,
                boolean size) {
            this(when, emitter, effect, least, most, rate, chance, velocity, colour, size, 0);
        }

        Child numbered(int other) {
            return new Child(when, emitter, effect, least, most, rate, chance, velocity, colour, size, other);
        }

        boolean perUnit() {
            return when == When.PER_UNIT;
        }

        Child withRate(double other) {
            return new Child(when, emitter, effect, least, most, other, chance, velocity, colour, size, id);
        }

        /** Returns how many are expected each time. */
        public double expectedEach() {
            return (least + most) / 2.0 * chance;
        }
    }

    /**
     * A ribbon along the way that a particle has come, and others over it.
     *
     * @param length seconds, units, or how many points, one for each step
     * @param by what the length counts
     * @param width multiplies the particle's size along the ribbon, from the particle to the tail
     * @param colour multiplies the particle's colour along the ribbon, in linear light
     * @param over ribbons that are laid over it, the first the lowest, at most {@value #MOST_OVER}
     */
    public record Trail(double length, By by, Curve width, Gradient colour, List<Over> over) {
        public static final Bounds WIDTH = Bounds.of(0, 1000);

        public static final int MOST_OVER = 3;

        /** What the length of a ribbon counts. */
        public enum By {
            SECONDS(Bounds.above(0, 10)),
            UNITS(Bounds.above(0, 1000)),
            POINTS(Bounds.of(2, 600));

            private final Bounds bounds;

            By(Bounds bounds) {
                this.bounds = bounds;
            }

            /** Returns what a length may be that counts these. */
            public Bounds bounds() {
                return bounds;
            }
        }

        /**
         * A ribbon along the same way, over another.
         *
         * @param share of the other's length
         * @param width as of the other
         * @param colour as of the other
         */
        public record Over(double share, Curve width, Gradient colour) {
            public static final Bounds SHARE = Bounds.above(0, 1);
            public static final Bounds WIDTH = Bounds.of(0, 1000);

            public Over {
                SHARE.check("share", share);
                WIDTH.check("width", width);
            }
        }

        public Trail {
            by.bounds.check("length", length);
            if (by == By.POINTS && length != Exact.rint(length)) {
                throw new Refused("length", Words.number(length), "a whole number of points");
            }
            WIDTH.check("width", width);
            over = Demand.atMost("over", over, MOST_OVER);
        }

        /** A ribbon alone. */
        public Trail(double length, By by, Curve width, Gradient colour) {
            this(length, by, width, colour, List.of());
        }

        Trail withLength(double other) {
            return new Trail(by.bounds.held(by == By.POINTS ? Exact.rint(other) : other), by, width, colour, over);
        }
    }
}
