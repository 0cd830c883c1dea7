package bellrope.core.pool;

import java.util.List;

/**
 * What a pool of some capacity does to a run of instances that was played without it.
 *
 * @param asked how many were asked for
 * @param refused how many of those did not begin
 * @param takenOver how many others ended early
 * @param presenceCut what they would still have put on screen, square units × seconds
 * @param worst most that were refused or taken over of those asked for in any {@value #MINUTE} s, as a share of them
 */
public record Loss(int asked, int refused, int takenOver, double presenceCut, double worst) {
    static final int MINUTE = 60;

    /** What an instance of an effect would still put on screen from some age on. */
    public interface Left {
        /** @return square units × seconds */
        double from(String effect, int age, int length);
    }

    /**
     * Plays a run through a pool. What begins is held as in the run, whatever became of others: what answers only because
     * another was refused, or ends because of it, is not known here.
     *
     * @param run of the pool's effects, by their start
     * @param stepsPerSecond of the run
     */
    public static Loss of(List<Held> run, int capacity, Pool.WhenEmpty whenEmpty, Left left, int stepsPerSecond) {
        return whenEmpty == Pool.WhenEmpty.OLDEST || !whenEmpty.takesOver()
                ? inOrder(run, capacity, whenEmpty.takesOver(), left, stepsPerSecond)
                : chosen(run, capacity, whenEmpty, left, stepsPerSecond);
    }

    // Where nothing ends for another, or what began first does: each is looked at when it begins and when it ends.
    private static Loss inOrder(List<Held> run, int capacity, boolean takesOver, Left left, int stepsPerSecond) {
        int n = run.size();
        Ends ends = new Ends(n);
        boolean[] gone = new boolean[n];
        boolean[] lost = new boolean[n];
        int first = 0;
        int playing = 0;
        int refused = 0;
        int taken = 0;
        double presence = 0;
        for (int i = 0; i < n; i++) {
            Held next = run.get(i);
            int now = next.start();
            for (int over = ends.over(now); over >= 0; over = ends.over(now)) {
                playing -= gone[over] ? 0 : 1;
                gone[over] = true;
            }
            if (playing == capacity && !takesOver) {
                refused++;
                lost[i] = true;
                gone[i] = true;
                continue;
            }
            if (playing == capacity) {
                while (gone[first]) {
                    first++;
                }
                Held out = run.get(first);
                gone[first] = true;
                playing--;
                taken++;
                lost[i] = true;
                presence += left.from(out.effect(), now - out.start(), out.end() - out.start());
            }
            ends.add(next.end(), i);
            playing++;
        }
        return new Loss(n, refused, taken, presence, worst(run, lost, stepsPerSecond));
    }

    // Where it has to be looked for.
    private static Loss chosen(List<Held> run, int capacity, Pool.WhenEmpty whenEmpty, Left left, int stepsPerSecond) {
        Held[] held = new Held[capacity];
        int playing = 0;
        int refused = 0;
        int taken = 0;
        double presence = 0;
        boolean[] lost = new boolean[run.size()];
        for (int i = 0; i < run.size(); i++) {
            Held next = run.get(i);
            int now = next.start();
            // What is over is removed in place; the order stays that of the starts.
            int kept = 0;
            for (int k = 0; k < playing; k++) {
                if (held[k].end() > now) {
                    held[kept++] = held[k];
                }
            }
            playing = kept;
            if (playing == capacity) {
                int victim = victim(held, playing, whenEmpty, left, now);
                if (whenEmpty == Pool.WhenEmpty.LOWEST_WEIGHT && held[victim].weight() > next.weight()) {
                    refused++;
                    lost[i] = true;
                    continue;
                }
                Held out = held[victim];
                taken++;
                lost[i] = true;
                presence += left.from(out.effect(), now - out.start(), out.end() - out.start());
                System.arraycopy(held, victim + 1, held, victim, playing - victim - 1);
                playing--;
            }
            held[playing++] = next;
        }
        return new Loss(run.size(), refused, taken, presence, worst(run, lost, stepsPerSecond));
    }

    private static int victim(Held[] held, int playing, Pool.WhenEmpty whenEmpty, Left left, int now) {
        int victim = 0;
        double least = Double.POSITIVE_INFINITY;
        for (int k = 0; k < playing; k++) {
            Held one = held[k];
            double worth = switch (whenEmpty) {
                case OLDEST, REFUSE, GROW -> one.start();
                case FAINTEST -> left.from(one.effect(), now - one.start(), one.end() - one.start());
                case FARTHEST -> -one.distance();
                case LOWEST_WEIGHT -> one.weight();
            };
            if (worth < least) {
                victim = k;
                least = worth;
            }
        }
        return victim;
    }

    // Windows end at each loss; a run shorter than a minute is one window.
    private static double worst(List<Held> run, boolean[] lost, int stepsPerSecond) {
        int window = MINUTE * stepsPerSecond;
        double worst = 0;
        int from = 0;
        int count = 0;
        for (int i = 0; i < run.size(); i++) {
            count += lost[i] ? 1 : 0;
            while (run.get(from).start() + window <= run.get(i).start()) {
                count -= lost[from] ? 1 : 0;
                from++;
            }
            boolean whole = run.get(i).start() - run.get(0).start() + 1 >= window || i == run.size() - 1;
            if (whole) {
                worst = Math.max(worst, (double) count / (i - from + 1));
            }
        }
        return worst;
    }

    /** Returns the share of what was asked for that was refused, or for which another ended. */
    public double share() {
        return asked == 0 ? 0 : (double) (refused + takenOver) / asked;
    }
}
