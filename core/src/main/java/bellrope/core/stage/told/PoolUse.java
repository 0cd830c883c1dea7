package bellrope.core.stage.told;

/**
 * What was asked of a pool so far.
 *
 * @param capacity how many it holds now; more than it began with where it has grown
 * @param playing how many of them play
 * @param peak most that played at once
 * @param asked how many were asked for
 * @param refused how many of those did not begin
 * @param takenOver how many others ended so that one could begin
 * @param cutSeen how many of those could still be seen
 * @param presenceCut what they would still have put on screen, square units × seconds; of what still spawned only what
 *     lived already
 */
public record PoolUse(
        String name,
        int capacity,
        int playing,
        int peak,
        long asked,
        long refused,
        long takenOver,
        long cutSeen,
        double presenceCut) {
    /** Returns the share of what was asked for that did not begin, or for which another ended. */
    public double lost() {
        return asked == 0 ? 0 : (double) (refused + takenOver) / asked;
    }
}
