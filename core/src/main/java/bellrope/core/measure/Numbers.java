package bellrope.core.measure;

import bellrope.core.stage.Account.Played;
import bellrope.core.stage.Take;
import java.util.OptionalDouble;

/**
 * A response as numbers.
 *
 * @param births particles born
 * @param swallowed births that the particle limit refused
 * @param peak most particles alive at once
 * @param peakAt seconds after the pull when that many were first alive
 * @param onset seconds until the player can first see something; the frame that ends the step of the pull is the
 *     earliest, so an answer at once has an onset of one step. Empty when nothing is ever seen
 * @param release seconds until the last particle is gone; empty when the take was cut before
 * @param hold seconds for which an instance must be kept whatever the dice say: last birth plus longest life; empty when
 *     it runs until it is told to stop
 * @param reach units that the farthest centre came along the facing
 * @param presencePeak ∑ opacity × area × luminance in the fullest frame, square units
 * @param presenceTotal its integral over time, square units × seconds
 */
public record Numbers(
        long births,
        long swallowed,
        int peak,
        double peakAt,
        OptionalDouble onset,
        OptionalDouble release,
        OptionalDouble hold,
        double reach,
        double presencePeak,
        double presenceTotal) {

    /** Returns the numbers of a take. */
    public static Numbers of(Take take) {
        int peak = 0;
        int peakAt = 0;
        int firstSeen = -1;
        int lastAlive = -1;
        double fullest = 0;
        double sum = 0;
        for (int k = 0; k <= take.last(); k++) {
            if (take.live(k) > peak) {
                peak = take.live(k);
                peakAt = k;
            }
            if (firstSeen < 0 && k > 0 && take.visible(k)) {
                firstSeen = k;
            }
            if (take.live(k) > 0) {
                lastAlive = k;
            }
            fullest = Math.max(fullest, take.presence(k));
            sum += take.presence(k);
        }
        OptionalDouble hold = take.account().answers().stream()
                .filter(Played.class::isInstance)
                .map(answer -> ((Played) answer).hold())
                .reduce((a, b) -> a.isEmpty() || b.isEmpty()
                        ? OptionalDouble.empty()
                        : OptionalDouble.of(Math.max(a.getAsDouble(), b.getAsDouble())))
                .orElse(OptionalDouble.empty());
        return new Numbers(
                take.births(),
                take.swallowed(),
                peak,
                take.pace().seconds(peakAt),
                firstSeen < 0
                        ? OptionalDouble.empty()
                        : OptionalDouble.of(take.pace().seconds(firstSeen)),
                take.ended() ? OptionalDouble.of(take.pace().seconds(lastAlive + 1)) : OptionalDouble.empty(),
                hold,
                take.reach(),
                fullest,
                sum / take.pace().stepsPerSecond());
    }
}
