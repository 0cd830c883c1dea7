package bellrope.core.measure;

import bellrope.core.project.Settings.Screen;
import bellrope.core.sim.Watch;
import bellrope.core.stage.Take;
import bellrope.core.stage.told.Account.Played;
import bellrope.core.value.Vec3;
import java.util.OptionalDouble;

/**
 * A response as numbers.
 *
 * @param births particles born
 * @param dropped births that the particle limit or a cap refused
 * @param peak most particles alive at once
 * @param peakAt seconds after the pull when that many were first alive
 * @param onset seconds until the player can first see something; the frame that ends the step of the pull is the
 *     earliest, so an answer at once has an onset of one step. Empty when nothing is ever seen
 * @param release seconds until the last particle is gone; empty when the take was cut before
 * @param hold seconds for which an instance must be kept whatever is drawn: last birth plus longest life; empty when
 *     it runs until it is told to stop
 * @param reach units that the farthest centre came along the facing
 * @param extent units that the farthest centre that could be seen came in any direction
 * @param low least corner of the box that all centres stayed in, units in the world
 * @param high its greatest corner
 * @param presencePeak ∑ opacity × area × luminance in the fullest frame, square units
 * @param presenceTotal its integral over time, square units × seconds
 * @param overdrawMean how many times a pixel of the project's screen is painted in a frame, on average over the frames in
 *     which anything lives; transparent parts of pictures count, because they cost the same
 * @param overdrawPeak the same in the fullest frame
 * @param drawCalls most runs of one sprite and blend mode in draw order
 * @param generations births by generation: the emitters' own, their children, children's children, and on
 * @param throwDirection mean direction of the throws seen from the side, degrees counter-clockwise from right in the
 *     effect's frame, whose facing is 90°
 * @param throwResultant mean resultant length of those directions: 0 evenly round, 1 all the same (Mardia & Jupp,
 *     <i>Directional Statistics</i>)
 * @param rose how many were thrown into each sixteenth of the circle, from right counter-clockwise
 * @param cost estimated microseconds of the costliest step, see {@link bellrope.core.sim.Cost}
 */
public record Numbers(
        long births,
        long dropped,
        int peak,
        double peakAt,
        OptionalDouble onset,
        OptionalDouble release,
        OptionalDouble hold,
        double reach,
        double extent,
        Vec3 low,
        Vec3 high,
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

    /** Returns the numbers of a take. */
    public static Numbers of(Take take) {
        int peak = 0;
        int peakAt = 0;
        int firstSeen = -1;
        int lastAlive = -1;
        double fullest = 0;
        double sum = 0;
        double mostPainted = 0;
        double sumPainted = 0;
        int lived = 0;
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
                lived++;
            }
            fullest = Math.max(fullest, take.presence(k));
            sum += take.presence(k);
            mostPainted = Math.max(mostPainted, take.watch().painted(k));
            sumPainted += take.watch().painted(k);
        }
        OptionalDouble hold = take.account().answers().stream()
                .filter(Played.class::isInstance)
                .map(answer -> ((Played) answer).hold())
                .reduce((a, b) -> a.isEmpty() || b.isEmpty()
                        ? OptionalDouble.empty()
                        : OptionalDouble.of(Math.max(a.getAsDouble(), b.getAsDouble())))
                .orElse(OptionalDouble.empty());
        Screen screen = take.settings().screen();
        Watch.ByEmitter thrown = take.watch().together();
        return new Numbers(
                take.births(),
                take.dropped(),
                peak,
                take.pace().seconds(peakAt),
                firstSeen < 0
                        ? OptionalDouble.empty()
                        : OptionalDouble.of(take.pace().seconds(firstSeen)),
                take.ended() ? OptionalDouble.of(take.pace().seconds(lastAlive + 1)) : OptionalDouble.empty(),
                hold,
                take.reach(),
                take.watch().extent(),
                take.watch().low(),
                take.watch().high(),
                fullest,
                sum / take.pace().stepsPerSecond(),
                lived == 0 ? 0 : sumPainted / lived / screen.area(),
                mostPainted / screen.area(),
                take.watch().drawCalls(),
                take.byGeneration(),
                thrown.meanDirection(),
                thrown.resultant(),
                thrown.rose(),
                take.watch().peakCost() / 1000);
    }
}
