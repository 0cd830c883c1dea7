package bellrope.core.effect;

import bellrope.core.value.Addresses;
import bellrope.core.value.Bounds;
import bellrope.core.value.Demand;
import bellrope.core.value.Range;
import bellrope.core.value.Rgba;
import bellrope.core.value.Vec3;
import bellrope.core.value.Weights;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.function.Consumer;

/**
 * The first act of an emitter: how many, when, where, with what.
 *
 * @param bursts at most 16
 * @param stream particles over time besides the bursts
 * @param perUnit particles for each unit that the source travels
 * @param delay seconds before the emitter begins
 * @param cap most that live at once in one instance, 1 to 100,000; births beyond it are dropped and counted
 * @param shape where
 * @param placing how they share out the shape
 * @param aim which way
 * @param spread largest angle from its aim, degrees, 0 to 180; evenly over that cap of the sphere
 * @param offset units, in the effect's frame
 * @param turn degrees about x, then y, then z, of the emitter's frame in the effect's
 * @param space whether they stay in the world or go with the source
 * @param inherit share of the source's velocity that they are born with
 * @param speed units a second
 * @param lifetime seconds
 * @param size units across, 0 to 1,000; of sizes that are chosen among, the least and the most
 * @param sizes that each particle takes one of, at most 16; none for any size of the range
 * @param height units from top to bottom, drawn for itself; empty for as high as wide
 * @param rotation degrees, counter-clockwise on screen
 * @param spin degrees a second
 * @param opacity 0 to 1
 * @param colour each particle's own
 * @param gravity how much of the gravity of its life each particle feels
 */
public record Birth(
        List<Burst> bursts,
        Optional<Stream> stream,
        OptionalDouble perUnit,
        double delay,
        OptionalInt cap,
        Shape shape,
        Shape.Placing placing,
        Aim aim,
        double spread,
        Vec3 offset,
        Vec3 turn,
        Space space,
        double inherit,
        Range speed,
        Range lifetime,
        Range size,
        List<Pick> sizes,
        Optional<Range> height,
        Range rotation,
        Range spin,
        Range opacity,
        Tint colour,
        Range gravity) {
    public static final int MOST_BURSTS = 16;
    public static final int MOST_SIZES = 16;

    public static final Bounds PER_UNIT = Bounds.above(0, 1000);
    public static final Bounds DELAY = Bounds.of(0, 60);
    public static final Bounds CAP = Bounds.of(1, 100_000);
    public static final Bounds SPREAD = Bounds.of(0, 180);
    public static final Bounds OFFSET = Bounds.around(10_000);
    public static final Bounds TURN = Bounds.around(360);
    public static final Bounds INHERIT = Bounds.around(2);
    public static final Bounds SPEED = Bounds.of(0, 1000);
    public static final Bounds LIFETIME = Bounds.above(0, Birth.LONGEST_LIFE);
    public static final Bounds SIZE = Bounds.of(0, 1000);
    public static final Bounds HEIGHT = Bounds.of(0, 1000);
    public static final Bounds ROTATION = Bounds.around(3600);
    public static final Bounds SPIN = Bounds.around(36000);
    public static final Bounds OPACITY = Bounds.of(0, 1);
    public static final Bounds GRAVITY = Bounds.around(10);

    public static final double LONGEST_LIFE = 60;

    /**
     * A size that particles may have.
     *
     * @param size units across
     * @param weight how likely it is beside the others
     */
    public record Pick(double size, double weight) {
        public static final Bounds SIZE = Bounds.of(0, 1000);

        public Pick {
            SIZE.check("size", size);
            Weights.demand("weight", weight);
        }
    }

    /** Whether particles, once born, stay in the world or go with their source. */
    public enum Space {
        WORLD,
        LOCAL
    }

    public Birth {
        bursts = Addresses.assigned(
                "bursts", Demand.atMost("bursts", bursts, MOST_BURSTS), Burst.HIGHEST_ID, Burst::id, Burst::numbered);
        PER_UNIT.check("perUnit", perUnit);
        DELAY.check("delay", delay);
        CAP.check("cap", cap);
        SPREAD.check("spread", spread);
        OFFSET.check("offset", offset);
        TURN.check("turn", turn);
        INHERIT.check("inherit", inherit);
        SPEED.check("speed", speed);
        LIFETIME.check("lifetime", lifetime);
        SIZE.check("size", size);
        sizes = Demand.atMost("sizes", sizes, MOST_SIZES);
        if (!sizes.isEmpty()) {
            size = new Range(
                    sizes.stream().mapToDouble(Pick::size).min().getAsDouble(),
                    sizes.stream().mapToDouble(Pick::size).max().getAsDouble());
        }
        height.ifPresent(range -> HEIGHT.check("height", range));
        ROTATION.check("rotation", rotation);
        SPIN.check("spin", spin);
        OPACITY.check("opacity", opacity);
        GRAVITY.check("gravity", gravity);
    }

    /** Returns the size of a particle that drew a share from 0 to 1. */
    public double sizeAt(double share) {
        return sizes.isEmpty()
                ? size.at(share)
                : sizes.get(Weights.choice(sizes.size(), i -> sizes.get(i).weight(), share))
                        .size();
    }

    /** Tells whether all particles fall alike. */
    public boolean fallsEvenly() {
        return gravity.equals(Range.ONE);
    }

    /** Tells whether the emitter spawns anything by itself; one that does not plays only as the child of another. */
    public boolean byItself() {
        return !bursts.isEmpty() || stream.isPresent() || perUnit.isPresent();
    }

    /** Returns this birth with some of it changed. */
    public Birth with(Consumer<Draft> change) {
        Draft draft = new Draft(this);
        change.accept(draft);
        return draft.birth();
    }

    /** Returns a birth of nothing yet: white dots of 0.2 u that live a second, thrown up at 1 u/s from a point. */
    public static Birth plain() {
        return new Draft().birth();
    }

    /** A birth while it is put together. */
    public static final class Draft {
        public List<Burst> bursts = List.of();
        public Optional<Stream> stream = Optional.empty();
        public OptionalDouble perUnit = OptionalDouble.empty();
        public double delay;
        public OptionalInt cap = OptionalInt.empty();
        public Shape shape = new Shape.Point();
        public Shape.Placing placing = Shape.Placing.AT_RANDOM;
        public Aim aim = Aim.UP;
        public double spread;
        public Vec3 offset = Vec3.ZERO;
        public Vec3 turn = Vec3.ZERO;
        public Space space = Space.WORLD;
        public double inherit;
        public Range speed = Range.ONE;
        public Range lifetime = Range.ONE;
        public Range size = Range.of(0.2);
        public List<Pick> sizes = List.of();
        public Optional<Range> height = Optional.empty();
        public Range rotation = Range.ZERO;
        public Range spin = Range.ZERO;
        public Range opacity = Range.ONE;
        public Tint colour = new Tint.Between(Rgba.WHITE, Rgba.WHITE);
        public Range gravity = Range.ONE;

        public Draft() {}

        private Draft(Birth b) {
            bursts = b.bursts;
            stream = b.stream;
            perUnit = b.perUnit;
            delay = b.delay;
            cap = b.cap;
            shape = b.shape;
            placing = b.placing;
            aim = b.aim;
            spread = b.spread;
            offset = b.offset;
            turn = b.turn;
            space = b.space;
            inherit = b.inherit;
            speed = b.speed;
            lifetime = b.lifetime;
            size = b.size;
            sizes = b.sizes;
            height = b.height;
            rotation = b.rotation;
            spin = b.spin;
            opacity = b.opacity;
            colour = b.colour;
            gravity = b.gravity;
        }

        public Birth birth() {
            return new Birth(
                    bursts, stream, perUnit, delay, cap, shape, placing, aim, spread, offset, turn, space, inherit,
                    speed, lifetime, size, sizes, height, rotation, spin, opacity, colour, gravity);
        }
    }
}
