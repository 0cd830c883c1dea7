package bellrope.core.stage.world;

import java.util.ArrayList;
import java.util.List;

/** What was said of one thing, on which step, and before which beginnings; some {@value #MOST} times back at most. */
final class Signal {
    static final int MOST = 1024;
    private final int most;
    private final List<Said> said = new ArrayList<>();

    /** @param most how many sayings are kept */
    Signal(int most) {
        this.most = most;
    }

    private record Said(double step, long order, double value) {}

    void say(double step, long order, double value) {
        if (said.size() == most) {
            said.subList(0, most / 2).clear();
        }
        said.add(new Said(step, order, value));
    }

    /** Returns the last thing said before a step; the first of all when none was. */
    double seenBy(int step) {
        int i = said.size() - 1;
        while (i > 0 && said.get(i).step >= step) {
            i--;
        }
        return said.get(i).value;
    }

    /** Returns the last thing said before a step; NaN when nothing was. */
    double before(int step) {
        for (int i = said.size() - 1; i >= 0; i--) {
            if (said.get(i).step < step) {
                return said.get(i).value;
            }
        }
        return Double.NaN;
    }

    /** Returns the last thing said before a beginning; NaN when nothing was. */
    double knownTo(long beginning) {
        int i = said.size() - 1;
        while (i > 0 && said.get(i).order >= beginning) {
            i--;
        }
        return said.get(i).order < beginning ? said.get(i).value : Double.NaN;
    }

    /** Carries steps, and values that are steps, over to steps that are so much shorter. */
    void faster(double times) {
        said.replaceAll(s -> new Said(s.step * times, s.order, s.value * times));
    }
}
