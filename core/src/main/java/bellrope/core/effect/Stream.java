package bellrope.core.effect;

import bellrope.core.value.Bounds;
import bellrope.core.value.Curve;
import java.util.OptionalDouble;

/**
 * Particles born one after the other, evenly: number <i>n</i> when the rate has added up to <i>n</i>.
 *
 * @param perSecond above 0, at most {@value #MOST}
 * @param over multiplies the rate over the effect's duration
 * @param from seconds after the emitter begins
 * @param lasting seconds, above 0 and at most 60; empty for the whole duration of a one-shot, or as long as a loop runs
 */
public record Stream(double perSecond, Curve over, double from, OptionalDouble lasting) {
    public static final Bounds PER_SECOND = Bounds.above(0, Stream.MOST);
    public static final Bounds OVER = Bounds.of(0, 1000);
    public static final Bounds FROM = Bounds.of(0, 60);
    public static final Bounds LASTING = Bounds.above(0, 60);

    /** A thousand in each step of a sixtieth of a second. */
    public static final int MOST = 60_000;

    public Stream {
        PER_SECOND.check("perSecond", perSecond);
        OVER.check("over", over);
        FROM.check("from", from);
        LASTING.check("lasting", lasting);
    }

    /** An even stream. */
    public Stream(double perSecond, double from, OptionalDouble lasting) {
        this(perSecond, Curve.ONE, from, lasting);
    }

    /** Tells whether the rate stays the same. */
    public boolean even() {
        return over.equals(Curve.ONE);
    }

    Stream withRate(double other) {
        return new Stream(other, over, from, lasting);
    }
}
