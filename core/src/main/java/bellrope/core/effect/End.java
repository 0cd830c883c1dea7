package bellrope.core.effect;

import bellrope.core.value.Addresses;
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
            public Ground {
                Demand.within("level", level, -10_000, 10_000);
            }

            @Override
            public Barrier sized(DoubleUnaryOperator change) {
                return new Ground(Property.held(change.applyAsDouble(level), -10_000, 10_000));
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
            public Plane {
                Demand.within("place", place, 10_000);
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
         * @param size full width, height and depth in units, each above 0 to 2,000
         * @param keepsIn whether particles stay inside it, or outside
         */
        record Box(Vec3 place, Vec3 size, boolean keepsIn) implements Barrier {
            public Box {
                Demand.within("place", place, 10_000);
                Demand.within("size", size, 2000);
                if (size.x() <= 0 || size.y() <= 0 || size.z() <= 0) {
                    throw new Refused("size", Words.vector(size), "three lengths above 0 u");
                }
            }

            @Override
            public Barrier sized(DoubleUnaryOperator change) {
                return new Box(
                        Property.stretched(place, change),
                        new Vec3(side(change, size.x()), side(change, size.y()), side(change, size.z())),
                        keepsIn);
            }

            private static double side(DoubleUnaryOperator change, double length) {
                return Property.held(change.applyAsDouble(length), 1e-6, 2000);
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
     * @param friction share of the speed along the barrier that is lost each time, 0 to 1
     * @param lifeLost share of the life that is left which is lost each time, 0 to 1
     * @param then what becomes of it
     */
    public record Collision(Barrier with, double bounce, double friction, double lifeLost, Outcome then) {
        public Collision {
            Demand.within("bounce", bounce, 0, 1);
            Demand.within("friction", friction, 0, 1);
            Demand.within("lifeLost", lifeLost, 0, 1);
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
     * @param chance that it happens at all each time, 0 to 1
     * @param velocity share of the parent's velocity that the children add to their own, −2 to 2
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
            Demand.within("least", least, 0, 1000);
            Demand.within("most", most, 0, 1000);
            if (least > most) {
                throw new Refused("", least + " to " + most, "the minimum must not be above the maximum");
            }
            if (effect.isPresent() && most > 1) {
                throw new Refused(
                        "most", Integer.toString(most), "0 or 1, because a whole effect is played once each time");
            }
            Demand.above("rate", rate, 0);
            Demand.within("rate", rate, 0, 1000);
            Demand.within("chance", chance, 0, 1);
            Demand.within("velocity", velocity, -2, 2);
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
     * @param width multiplies the particle's size along the ribbon, from the particle to the tail, 0 to 1,000
     * @param colour multiplies the particle's colour along the ribbon, in linear light
     * @param over ribbons that are laid over it, the first the lowest, at most {@value #MOST_OVER}
     */
    public record Trail(double length, By by, Curve width, Gradient colour, List<Over> over) {
        public static final int MOST_OVER = 3;

        /** What the length of a ribbon counts. */
        public enum By {
            SECONDS(10),
            UNITS(1000),
            POINTS(600);

            private final double most;

            By(double most) {
                this.most = most;
            }
        }

        /**
         * A ribbon along the same way, over another.
         *
         * @param share of the other's length, above 0 to 1
         * @param width as of the other
         * @param colour as of the other
         */
        public record Over(double share, Curve width, Gradient colour) {
            public Over {
                Demand.above("share", share, 0);
                Demand.within("share", share, 0, 1);
                Demand.within("width", width, 0, 1000);
            }
        }

        public Trail {
            Demand.above("length", length, 0);
            Demand.within("length", length, by == By.POINTS ? 2 : 0, by.most);
            if (by == By.POINTS && length != Exact.rint(length)) {
                throw new Refused("length", Words.number(length), "a whole number of points");
            }
            Demand.within("width", width, 0, 1000);
            over = Demand.atMost("over", over, MOST_OVER);
        }

        /** A ribbon alone. */
        public Trail(double length, By by, Curve width, Gradient colour) {
            this(length, by, width, colour, List.of());
        }

        Trail withLength(double other) {
            double held = by == By.POINTS ? Math.max(2, Exact.rint(other)) : other;
            return new Trail(Property.held(held, 1e-6, by.most), by, width, colour, over);
        }
    }
}
