package bellrope.core.effect;

import bellrope.core.value.Curve;
import bellrope.core.value.Demand;
import java.util.OptionalDouble;

/**
 * Particles born one after the other, evenly: number <i>n</i> when the rate has added up to <i>n</i>.
 *
 * @param perSecond above 0, at most {@value #MOST}
 * @param over multiplies the rate over the effect's duration, 0 to 1,000
 * @param from seconds after the emitter begins, 0 to 60
 * @param lasting seconds, above 0 and at most 60; empty for the whole duration of a one-shot, or as long as a loop runs
 */
public record Stream(double perSecond, Curve over, double from, OptionalDouble lasting) {
    /** A thousand in each step of a sixtieth of a second. */
    public static final int MOST = 60_000;

    public Stream {
        Demand.above("perSecond", perSecond, 0);
        Demand.within("perSecond", perSecond, 0, MOST);
        Demand.within("over", over, 0, 1000);
        Demand.within("from", from, 0, 60);
        if (lasting.isPresent()) {
            Demand.above("lasting", lasting.getAsDouble(), 0);
            Demand.within("lasting", lasting.getAsDouble(), 0, 60);
        }
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
