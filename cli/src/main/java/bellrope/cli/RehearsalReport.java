package bellrope.cli;

import bellrope.core.measure.Demand;
import bellrope.core.measure.Numbers;
import bellrope.core.project.Project;
import bellrope.core.stage.Rehearsal;
import bellrope.core.stage.Take;
import bellrope.core.stage.told.Account;
import bellrope.core.stage.told.PoolUse;
import bellrope.format.report.AccountReport;
import bellrope.format.report.NumbersReport;
import java.util.List;
import java.util.Locale;
import org.jspecify.annotations.Nullable;

/**
 * A rehearsal for reading, by people and by machines.
 *
 * @param seconds how long it took, in game time
 * @param demand instances and particles at once, by effect and by rope
 * @param pools what was asked of each
 * @param pulls each with its account and the numbers of its own take
 */
record RehearsalReport(
        String project,
        double seconds,
        int peakParticles,
        double peakParticlesAt,
        int peakInstances,
        long births,
        long dropped,
        int stillPlaying,
        DemandReport demand,
        List<PoolUse> pools,
        List<PullReport> pulls) {
    record DemandReport(List<Demand.Line> effects, List<Demand.Line> ropes) {}

    /** @param numbers of a take of its own; null where it was not asked for, or nothing answered */
    record PullReport(AccountReport account, @Nullable NumbersReport numbers) {}

    /** @param numbers whether each pull is taken alone for its numbers */
    static RehearsalReport of(
            Project project, Rehearsal rehearsal, Demand demand, List<PoolUse> pools, boolean numbers) {
        return new RehearsalReport(
                project.name(),
                project.settings().pace().seconds(rehearsal.steps()),
                rehearsal.peakParticles(),
                rehearsal.peakParticlesAt(),
                rehearsal.peakInstances(),
                rehearsal.births(),
                rehearsal.dropped(),
                rehearsal.left(),
                new DemandReport(demand.effects(), demand.ropes()),
                pools,
                rehearsal.accounts().stream()
                        .map(account -> pull(project, account, numbers))
                        .toList());
    }

    private static PullReport pull(Project project, Account account, boolean wanted) {
        AccountReport told = AccountReport.of(account, project.settings().pace());
        boolean played = account.answers().stream().anyMatch(Account.Played.class::isInstance);
        if (!wanted || !played) {
            return new PullReport(told, null);
        }
        Numbers numbers = Numbers.of(Take.of(project, account.pull(), Take.LONGEST, false));
        return new PullReport(told, NumbersReport.of(numbers));
    }

    String inWords() {
        StringBuilder text = new StringBuilder();
        for (PullReport pull : pulls) {
            AccountReport account = pull.account();
            line(text, "%8.3f s  %s: %s", account.at(), account.event(), account.summary());
            account.notes().forEach(note -> line(text, "            note: %s", note));
            account.answers().forEach(a -> line(text, "            %s %s", a.answered() ? "●" : "○", a.words()));
            NumbersReport n = pull.numbers();
            if (n != null) {
                line(
                        text,
                        "            births %d, peak %d at %.3f s, onset %s, release %s, hold %s, reach %.2f u (all round %.2f u), presence %.3f u², %.3f u²·s",
                        n.births(),
                        n.peak(),
                        n.peakAt(),
                        n.onset() == null ? "never seen" : String.format(Locale.ROOT, "%.0f ms", n.onset()),
                        seconds(n.release()),
                        seconds(n.hold()),
                        n.reach(),
                        n.extent(),
                        n.presencePeak(),
                        n.presenceTotal());
            }
        }
        table(text, "effect", demand.effects());
        table(text, "rope", demand.ropes());
        if (!pools.isEmpty()) {
            line(
                    text,
                    "\n%-32s %9s %9s %9s %9s %10s %14s",
                    "pool",
                    "capacity",
                    "at once",
                    "asked",
                    "refused",
                    "cut short",
                    "presence cut");
            for (PoolUse use : pools) {
                line(
                        text,
                        "%-32s %9d %9d %9d %9d %10d %9.3f u²·s",
                        use.name(),
                        use.capacity(),
                        use.peak(),
                        use.asked(),
                        use.refused(),
                        use.takenOver(),
                        use.presenceCut());
            }
        }
        line(
                text,
                "%s: %d pulls in %.3f s; peak %d particles at %.3f s, %d instances; %d births, %d dropped; %d still playing",
                project,
                pulls.size(),
                seconds,
                peakParticles,
                peakParticlesAt,
                peakInstances,
                births,
                dropped,
                stillPlaying);
        return text.toString();
    }

    private static void table(StringBuilder text, String of, List<Demand.Line> lines) {
        if (lines.isEmpty()) {
            return;
        }
        boolean effects = of.equals("effect");
        line(text, "\n%-32s %9s %10s %8s%s", of, "at once", "at", "mean", effects ? "  particles         at" : "");
        for (Demand.Line l : lines) {
            line(
                    text,
                    "%-32s %9d %8.3f s %8.2f%s",
                    l.name(),
                    l.peak(),
                    l.peakAt(),
                    l.mean(),
                    effects ? String.format(Locale.ROOT, " %10d %8.3f s", l.particles(), l.particlesAt()) : "");
        }
    }

    private static String seconds(Double value) {
        return value == null ? "until ended" : String.format(Locale.ROOT, "%.3f s", value);
    }

    private static void line(StringBuilder text, String format, Object... values) {
        text.append(String.format(Locale.ROOT, format, values)).append('\n');
    }
}
