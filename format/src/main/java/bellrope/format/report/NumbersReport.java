package bellrope.format.report;

import bellrope.core.measure.Numbers;
import java.util.OptionalDouble;
import org.jspecify.annotations.Nullable;

/**
 * The numbers of a response for other programs; null where there is none.
 *
 * @param peakAt seconds
 * @param onset milliseconds; null when nothing is ever seen
 * @param release seconds; null when the take was cut
 * @param hold seconds; null when it runs until it is told to stop
 * @param reach units along the facing
 * @param extent units, in any direction, of what could be seen
 * @param low least corner of the box that all centres stayed in, units
 * @param high its greatest corner
 * @param presencePeak square units
 * @param presenceTotal square units × seconds
 * @param overdrawMean paintings of a pixel of the project's screen, on average over the frames in which anything lives
 * @param overdrawPeak the same in the fullest frame
 * @param drawCalls most runs of one sprite and blend mode
 * @param generations births by generation
 * @param throwDirection degrees counter-clockwise from right in the effect's frame, whose facing is 90°
 * @param throwResultant mean resultant length of the directions, 0 to 1
 * @param rose throws into each sixteenth of the circle
 * @param cost estimated microseconds of the costliest step
 */
public record NumbersReport(
        long births,
        long dropped,
        int peak,
        double peakAt,
        @Nullable Double onset,
        @Nullable Double release,
        @Nullable Double hold,
        double reach,
        double extent,
        double[] low,
        double[] high,
        double presencePeak,
        double presenceTotal,
        double overdrawMean,
        double overdrawPeak,
        int drawCalls,
        long[] generations,
        double throwDirection,
        double throwResultant,
        int[] rose,
        double cost) {
    public static NumbersReport of(Numbers n) {
        Double onset = boxed(n.onset());
        return new NumbersReport(
                n.births(),
                n.dropped(),
                n.peak(),
                n.peakAt(),
                onset == null ? null : onset * 1000,
                boxed(n.release()),
                boxed(n.hold()),
                n.reach(),
                n.extent(),
                new double[] {n.low().x(), n.low().y(), n.low().z()},
                new double[] {n.high().x(), n.high().y(), n.high().z()},
                n.presencePeak(),
                n.presenceTotal(),
                n.overdrawMean(),
                n.overdrawPeak(),
                n.drawCalls(),
                n.generations(),
                n.throwDirection(),
                n.throwResultant(),
                n.rose(),
                n.cost());
    }

    private static Double boxed(OptionalDouble value) {
        return value.isPresent() ? value.getAsDouble() : null;
    }
}
