package bellrope.format.answer;

import bellrope.core.stage.told.PoolUse;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What a rehearsal came to.
 *
 * @param score its name
 * @param seconds how long the score is
 * @param stepsPerSecond steps a second
 * @param live particles that live on each step, until nothing plays any more
 * @param numbers the box in which everything can be seen
 * @param stepsPerPoint for how many steps a point of a line stands, with the most of them
 * @param whole what is used over time: instances, particles, presence, overdraw, draw calls, cost of a step in µs
 * @param effects instances of each effect, what was held most first
 * @param ropes instances of each rope
 * @param subjects instances of each subject
 * @param makers how many instances each rope held when most were held, the most first
 * @param pools what was asked of each pool
 * @param lanes when what arrived, and what became of it
 * @param births particles born
 * @param dropped births that found no room
 * @param particleLimit of the project
 * @param still whether everything had ended; where not, something goes on without end
 */
public record RehearsalView(
        String score,
        double seconds,
        double stepsPerSecond,
        int[] live,
        Bounds numbers,
        int stepsPerPoint,
        List<UseLine> whole,
        List<UseLine> effects,
        List<UseLine> ropes,
        List<UseLine> subjects,
        List<MakerView> makers,
        List<PoolUsed> pools,
        List<LanePlayed> lanes,
        long births,
        long dropped,
        int particleLimit,
        boolean still) {

    /** What a rope held when most was held. */
    public record MakerView(String rope, int instances) {}

    /** Least and most of x, y, z, in units. */
    public record Bounds(double[] low, double[] high) {}

    /**
     * A line over time.
     *
     * @param values one for each point
     * @param peak the most of any step
     * @param peakAt seconds at which it was first reached
     * @param mean over all steps
     */
    public record UseLine(String name, float[] values, double peak, double peakAt, double mean) {}

    /**
     * What was asked of a pool.
     *
     * @param capacity how many it held at last
     * @param presenceCut what was taken over would still have put on screen, square units × seconds
     * @param lost share of what was asked for that did not begin, or for which another ended
     */
    public record PoolUsed(
            String name,
            int capacity,
            int peak,
            long asked,
            long refused,
            long takenOver,
            long cutSeen,
            double presenceCut,
            double lost) {
        static PoolUsed of(PoolUse use) {
            return new PoolUsed(
                    use.name(),
                    use.capacity(),
                    use.peak(),
                    use.asked(),
                    use.refused(),
                    use.takenOver(),
                    use.cutSeen(),
                    use.presenceCut(),
                    use.lost());
        }
    }

    /**
     * The arrivals of a lane.
     *
     * @param lane its id
     * @param at seconds of each
     * @param until seconds at which each span ended; null where the event is none
     * @param answered how many ropes answered each; −1 where it was refused
     * @param pulls number of each, by which its account can be asked for
     */
    public record LanePlayed(int lane, double[] at, double @Nullable [] until, int[] answered, int[] pulls) {}
}
