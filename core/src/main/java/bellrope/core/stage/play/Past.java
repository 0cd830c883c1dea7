package bellrope.core.stage.play;

import bellrope.core.stage.told.Keeping;
import bellrope.core.stage.world.World;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/**
 * What has played on a stage, so that any step gone by can be looked at: each instance is begun again from what began it
 * ({@link Replay}), and played to that step. Where the particle limit was biting, or a pool refused what particles began, it
 * may be others that were dropped.
 */
public final class Past {
    private final List<Ended> ended = new ArrayList<>();
    // Steps for which any of them was held.
    private int longest;

    // As it was stopped, and when nothing of it was left.
    private record Ended(Instance instance, int end) {}

    void add(Instance instance, int end) {
        ended.add(new Ended(instance.again(), end));
        longest = Math.max(longest, end - instance.start());
    }

    private int firstAfter(int step) {
        int low = 0;
        int high = ended.size();
        while (low < high) {
            int middle = (low + high) >>> 1;
            if (ended.get(middle).end() > step) {
                high = middle;
            } else {
                low = middle + 1;
            }
        }
        return low;
    }

    /**
     * Returns what played on a step, as it was then.
     *
     * @param world in which nothing was forgotten
     * @param playing what plays still
     */
    public Ensemble at(int step, Roster roster, World world, List<Instance> playing) {
        List<Instance> then = new ArrayList<>();
        // They are in the order of their ends; what ends later than the longest was ever held began after the step.
        for (int i = firstAfter(step); i < ended.size() && ended.get(i).end() - longest <= step; i++) {
            if (ended.get(i).instance().start() <= step) {
                then.add(ended.get(i).instance().again());
            }
        }
        for (Instance one : playing) {
            if (one.start() <= step && one.role() != Origin.Role.CHILD) {
                then.add(one.again());
            }
        }
        // In the order in which they began.
        then.sort(Comparator.comparingLong(Instance::number));
        Ensemble again = new Ensemble(world, over -> {}, note -> {}, Keeping.NOTHING);
        return again.show(then, roster, step);
    }
}
