package bellrope.core.effect;

import bellrope.core.value.Addresses;
import bellrope.core.value.Demand;
import bellrope.core.value.Range;
import bellrope.core.value.Refused;
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
 * @param perUnit particles for each unit that the source travels, above 0 to 1,000
 * @param delay seconds before the emitter begins, 0 to 60
 * @param cap most that live at once in one instance, 1 to 100,000; births beyond it are dropped and counted
 * @param shape where
 * @param placing how they share out the shape
 * @param aim which way
 * @param spread largest angle from its aim, degrees, 0 to 180; evenly over that cap of the sphere
 * @param offset units, in the effect's frame
 * @param turn degrees about x, then y, then z, of the emitter's frame in the effect's
 * @param space whether they stay in the world or go with the source
 * @param inherit share of the source's velocity that they are born with, −2 to 2
 * @param speed units a second, 0 to 1,000
 * @param lifetime seconds, above 0 to 60
 * @param size units across, 0 to 1,000; of sizes that are chosen among, the least and the most
 * @param sizes that each particle takes one of, at most 16; none for any size of the range
 * @param height units from top to bottom, drawn for itself; empty for as high as wide
 * @param rotation degrees, counter-clockwise on screen
 * @param spin degrees a second
 * @param opacity 0 to 1
 * @param colour each particle's own
 * @param gravity how much of the gravity of its life each particle feels, −10 to 10
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
    public static final double LONGEST_LIFE = 60;

    /**
     * A size that particles may have.
     *
     * @param size units across, 0 to 1,000
     * @param weight how likely it is beside the others, above 0 to 1,000
     */
    public record Pick(double size, double weight) {
        public Pick {
            Demand.within("size", size, 0, 1000);
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
                "bursts", Demand.atMost("bursts", bursts, 16), Burst.HIGHEST_ID, Burst::id, Burst::numbered);
        if (perUnit.isPresent()) {
            Demand.above("perUnit", perUnit.getAsDouble(), 0);
            Demand.within("perUnit", perUnit.getAsDouble(), 0, 1000);
        }
        Demand.within("delay", delay, 0, 60);
        if (cap.isPresent()) {
            Demand.within("cap", cap.getAsInt(), 1, 100_000);
        }
        Demand.within("spread", spread, 0, 180);
        Demand.within("offset", offset, 10_000);
        Demand.within("turn", turn, 360);
        Demand.within("inherit", inherit, -2, 2);
        Demand.within("speed", speed, 0, 1000);
        if (lifetime.least() <= 0) {
            throw new Refused("lifetime/least", Double.toString(lifetime.least()), "a time above 0 s");
        }
        Demand.within("lifetime", lifetime, 0, LONGEST_LIFE);
        Demand.within("size", size, 0, 1000);
        sizes = Demand.atMost("sizes", sizes, 16);
        if (!sizes.isEmpty()) {
            size = new Range(
                    sizes.stream().mapToDouble(Pick::size).min().getAsDouble(),
                    sizes.stream().mapToDouble(Pick::size).max().getAsDouble());
        }
        height.ifPresent(range -> Demand.within("height", range, 0, 1000));
        Demand.within("rotation", rotation, -3600, 3600);
        Demand.within("spin", spin, -36000, 36000);
        Demand.within("opacity", opacity, 0, 1);
        Demand.within("gravity", gravity, -10, 10);
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
