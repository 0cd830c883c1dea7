package bellrope.core.effect;

import bellrope.core.value.Demand;
import java.util.OptionalDouble;

/**
 * Particles born one after the other, evenly: number <i>n</i> at {@code from + n / perSecond}.
 *
 * @param perSecond above 0, at most 5,000
 * @param from seconds after the effect begins, 0 to 60
 * @param lasting seconds, above 0 and at most 60; empty for as long as the effect runs, which only a looping effect may
 */
public record Stream(double perSecond, double from, OptionalDouble lasting) {
    public Stream {
        Demand.above("perSecond", perSecond, 0);
        Demand.within("perSecond", perSecond, 0, 5000);
        Demand.within("from", from, 0, 60);
        if (lasting.isPresent()) {
            Demand.above("lasting", lasting.getAsDouble(), 0);
            Demand.within("lasting", lasting.getAsDouble(), 0, 60);
        }
    }
}
