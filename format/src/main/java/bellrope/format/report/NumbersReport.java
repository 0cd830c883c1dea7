package bellrope.format.report;

import bellrope.core.measure.Numbers;
import java.util.OptionalDouble;

/**
 * The numbers of a response for other programs; null where there is none.
 *
 * @param peakAt seconds
 * @param onset milliseconds; null when nothing is ever seen
 * @param release seconds; null when the take was cut
 * @param hold seconds; null when it runs until it is told to stop
 * @param reach units
 * @param presencePeak square units
 * @param presenceTotal square units × seconds
 */
public record NumbersReport(
        long births,
        long swallowed,
        int peak,
        double peakAt,
        Double onset,
        Double release,
        Double hold,
        double reach,
        double presencePeak,
        double presenceTotal) {
    public static NumbersReport of(Numbers n) {
        Double onset = boxed(n.onset());
        return new NumbersReport(
                n.births(),
                n.swallowed(),
                n.peak(),
                n.peakAt(),
                onset == null ? null : onset * 1000,
                boxed(n.release()),
                boxed(n.hold()),
                n.reach(),
                n.presencePeak(),
                n.presenceTotal());
    }

    private static Double boxed(OptionalDouble value) {
        return value.isPresent() ? value.getAsDouble() : null;
    }
}
