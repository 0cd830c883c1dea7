package bellrope.core.stage;

import bellrope.core.event.Pull;
import bellrope.core.project.Project;
import bellrope.core.stage.told.Account;
import java.util.ArrayList;
import java.util.List;

/**
 * A run of many pulls on one stage, played until everything is gone.
 *
 * @param accounts of all pulls and what came by itself, in the order of their times
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
        return of(Performance.of(project, pulls), watcher);
    }

    /** Plays a performance to its end. */
    public static Rehearsal of(Performance performance, Watcher watcher) {
        Stage stage = performance.stage();
        List<Account> accounts = new ArrayList<>();
        int peakParticles = 0;
        int peakStep = 0;
        int peakInstances = 0;
        while (true) {
            accounts.addAll(performance.takeAccounts());
            if (stage.particles() > peakParticles) {
                peakParticles = stage.particles();
                peakStep = stage.now();
            }
            peakInstances = Math.max(peakInstances, stage.instances());
            watcher.stepped(stage);
            if (performance.over()) {
                break;
            }
            performance.step();
        }
        return new Rehearsal(
                List.copyOf(accounts),
                stage.now(),
                peakParticles,
                stage.project().settings().pace().seconds(peakStep),
                peakInstances,
                stage.births(),
                stage.dropped(),
                stage.instances());
    }
}
