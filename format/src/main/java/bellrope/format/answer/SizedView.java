package bellrope.format.answer;

import bellrope.core.measure.Sizing;
import bellrope.core.pool.Quantile;
import java.util.List;
import java.util.Locale;

/**
 * How large a pool has to be for a score.
 *
 * @param name of the pool; of the effect where it has none
 * @param pooled whether it is a pool of the project
 * @param perSecond asked for a second
 * @param hold seconds for which one is held, on average
 * @param load how many are held on average
 * @param dispersion variance of how many are asked for while one is held, divided by their mean; 1 by chance
 * @param peak most held at once, at the 95th of 100 runs
 * @param byParticles whether particles begin any of its effects
 * @param differs why theory and rehearsal differ: not, together, evenly, takes over
 * @param refusing smallest capacity that loses at most 1 % in the worst minute of 95 of 100 runs, where it refuses
 * @param takingOver smallest capacity that cuts at most 1 % of presence in 95 of 100 runs, where something ends instead
 * @param over what ends then, as a pool says it: oldest, faintest, farthest, lowest weight
 * @param cut share of presence that this cuts
 * @param theory capacity that Erlang's formula would take for 1 %
 */
public record SizedView(
        String name,
        boolean pooled,
        List<String> effects,
        double perSecond,
        double hold,
        double load,
        double dispersion,
        SizeSpread peak,
        boolean byParticles,
        String differs,
        List<SizeLine> sizes,
        int refusing,
        int takingOver,
        String over,
        double cut,
        int theory) {
    /**
     * A quantile of many runs.
     *
     * @param low of the interval in which it lies with 95 % confidence
     * @param sure whether there were runs enough for that
     */
    public record SizeSpread(double value, double low, double high, boolean sure) {
        static SizeSpread of(Quantile q) {
            return new SizeSpread(q.value(), q.low(), q.high(), q.sure());
        }
    }

    /**
     * What a capacity does.
     *
     * @param lost share of what is asked for that is lost, in the middle of the runs
     * @param worst the same in the worst minute of a run, at the 95th of 100
     * @param cut share of presence that is cut, at the 95th of 100 runs
     * @param theory what Erlang's formula says is lost
     */
    public record SizeLine(int capacity, SizeSpread lost, SizeSpread worst, SizeSpread cut, double theory) {}

    private static String word(Enum<?> one) {
        return one.name().toLowerCase(Locale.ROOT).replace('_', ' ');
    }

    public static SizedView of(Sizing.Sized sized) {
        return new SizedView(
                sized.name(),
                sized.pool().isPresent(),
                sized.effects(),
                sized.perSecond(),
                sized.hold(),
                sized.load(),
                sized.dispersion(),
                SizeSpread.of(sized.peak()),
                sized.byParticles(),
                word(sized.differs()),
                sized.sizes().stream()
                        .map(s -> new SizeLine(
                                s.capacity(),
                                SizeSpread.of(s.lost()),
                                SizeSpread.of(s.worst()),
                                SizeSpread.of(s.cut()),
                                s.theory()))
                        .toList(),
                sized.advice().refusing(),
                sized.advice().takingOver(),
                word(sized.advice().over()),
                sized.advice().cut(),
                sized.advice().theory());
    }
}
