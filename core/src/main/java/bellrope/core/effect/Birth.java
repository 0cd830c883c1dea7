package bellrope.core.effect;

import bellrope.core.value.Demand;
import bellrope.core.value.Range;
import bellrope.core.value.Refused;
import bellrope.core.value.Rgba;
import java.util.List;
import java.util.Optional;

/**
 * The first act of an emitter: how many, when, where, with what.
 *
 * @param bursts at most 16
 * @param stream particles over time besides the bursts
 * @param shape where, and along what
 * @param spread degrees from the shape's direction that a throw may stray, 0 to 180; evenly over that cap of the sphere
 * @param speed units a second, 0 to 1,000
 * @param lifetime seconds, above 0 to 60
 * @param size units across, 0 to 1,000
 * @param rotation degrees, counter-clockwise on screen
 * @param spin degrees a second
 * @param opacity 0 to 1
 * @param colour each particle's own, evenly between the two in linear light
 */
public record Birth(
        List<Burst> bursts,
        Optional<Stream> stream,
        Shape shape,
        double spread,
        Range speed,
        Range lifetime,
        Range size,
        Range rotation,
        Range spin,
        Range opacity,
        Between colour) {
    public static final double LONGEST_LIFE = 60;

    /** Two colours with everything between them. */
    public record Between(Rgba from, Rgba to) {}

    public Birth {
        bursts = Demand.atMost("bursts", bursts, 16);
        Demand.within("spread", spread, 0, 180);
        Demand.within("speed", speed, 0, 1000);
        if (lifetime.least() <= 0) {
            throw new Refused("lifetime/least", Double.toString(lifetime.least()), "a time above 0 s");
        }
        Demand.within("lifetime", lifetime, 0, LONGEST_LIFE);
        Demand.within("size", size, 0, 1000);
        Demand.within("rotation", rotation, -3600, 3600);
        Demand.within("spin", spin, -36000, 36000);
        Demand.within("opacity", opacity, 0, 1);
    }

    public Birth withBursts(List<Burst> other) {
        return new Birth(other, stream, shape, spread, speed, lifetime, size, rotation, spin, opacity, colour);
    }

    public Birth withStream(Optional<Stream> other) {
        return new Birth(bursts, other, shape, spread, speed, lifetime, size, rotation, spin, opacity, colour);
    }

    public Birth withSpread(double other) {
        return new Birth(bursts, stream, shape, other, speed, lifetime, size, rotation, spin, opacity, colour);
    }

    public Birth withSpeed(Range other) {
        return new Birth(bursts, stream, shape, spread, other, lifetime, size, rotation, spin, opacity, colour);
    }

    public Birth withLifetime(Range other) {
        return new Birth(bursts, stream, shape, spread, speed, other, size, rotation, spin, opacity, colour);
    }

    public Birth withSize(Range other) {
        return new Birth(bursts, stream, shape, spread, speed, lifetime, other, rotation, spin, opacity, colour);
    }

    public Birth withOpacity(Range other) {
        return new Birth(bursts, stream, shape, spread, speed, lifetime, size, rotation, spin, other, colour);
    }
}
