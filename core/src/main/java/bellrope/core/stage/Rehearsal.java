package bellrope.core.stage;

import bellrope.core.event.Pull;
import bellrope.core.project.Project;
import bellrope.core.stage.told.Account;
import bellrope.core.value.Pace;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/**
 * A run of many pulls on one stage, played until everything is gone.
 *
 * @param accounts one for each pull, in the order of their times
 * @param steps how many steps it took
 * @param peakParticles most particles alive at once
 * @param peakParticlesAt seconds
 * @param peakInstances most instances held at once
 * @param left instances still held when the run was cut, which is when the longest hold is over and a loop still runs
 */
public record Rehearsal(
        List<Account> accounts,
        int steps,
        int peakParticles,
        double peakParticlesAt,
        int peakInstances,
        long births,
        long dropped,
        int left) {
    /** Seconds after the last pull at which a run is cut if something still plays. */
    public static final double LONGEST_TAIL = 130;
    /** Seconds by which a time stamp may be off, because it was rounded to a millisecond. */
    private static final double ROUNDED = 0.000_51;

    /**
     * A pull at a time.
     *
     * @param at seconds from the beginning, 0 or more; it comes on the first step at or after it, half a millisecond
     *     forgiven, because that is how times are written down
     */
    public record Timed(double at, Pull pull) {}

    /** Told after each step, with everything where it is. */
    public interface Watcher {
        void stepped(Stage stage);
    }

    public static Rehearsal of(Project project, List<Timed> pulls) {
        return of(project, pulls, stage -> {});
    }

    /** Plays the pulls in the order of their times; those of one time in the order given. */
    public static Rehearsal of(Project project, List<Timed> pulls, Watcher watcher) {
        List<Timed> ordered = new ArrayList<>(pulls);
        ordered.sort(Comparator.comparingDouble(Timed::at));
        Pace pace = project.settings().pace();
        Stage stage = new Stage(project);
        List<Account> accounts = new ArrayList<>();
        int peakParticles = 0;
        int peakStep = 0;
        int peakInstances = 0;
        int last = ordered.isEmpty()
                ? 0
                : step(pace, ordered.get(ordered.size() - 1).at());
        int cut = last + pace.stepsAt(LONGEST_TAIL);
        int next = 0;
        while (true) {
            while (next < ordered.size() && step(pace, ordered.get(next).at()) <= stage.now()) {
                double ago = pace.seconds(stage.now()) - ordered.get(next).at();
                accounts.add(stage.pullLate(ordered.get(next).pull(), ago));
                next++;
            }
            if (stage.particles() > peakParticles) {
                peakParticles = stage.particles();
                peakStep = stage.now();
            }
            peakInstances = Math.max(peakInstances, stage.instances());
            watcher.stepped(stage);
            if (next == ordered.size() && (stage.still() || stage.now() >= cut)) {
                break;
            }
            stage.step();
        }
        return new Rehearsal(
                List.copyOf(accounts),
                stage.now(),
                peakParticles,
                pace.seconds(peakStep),
                peakInstances,
                stage.births(),
                stage.dropped(),
                stage.instances());
    }

    private static int step(Pace pace, double at) {
        return pace.stepsAt(Math.max(0, at - ROUNDED));
    }
}
