package bellrope.cli;

import bellrope.core.measure.Demand;
import bellrope.core.project.Project;
import bellrope.core.stage.Performance;
import bellrope.core.stage.Rehearsal;
import bellrope.core.stage.told.Keeping;
import bellrope.format.json.JsonText;
import java.io.PrintWriter;
import java.util.Optional;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;

/** Plays a file of pulls, or a score, against a bundle and prints the account and the numbers of every pull. */
@Command(
        name = "rehearse",
        mixinStandardHelpOptions = true,
        description = {
            "Plays a file of pulls, or a score, against a bundle and prints the account and the numbers of every pull, "
                    + "and what they ask for: instances and particles at once, by effect and by rope, and what pools lost. "
                    + "Of a score the numbers of each pull are left out.",
            "Exit code 0 only if every pull could be read; 1 if not; 2 if the command itself is wrong."
        })
final class RehearseCommand implements Callable<Integer> {
    @Mixin
    private Played played;

    @Option(names = "--run", paramLabel = "N", description = "with draws of its own, as the Nth run of a sweep")
    private int run;

    @Option(names = "--json", description = "print JSON instead of text")
    private boolean json;

    @Spec
    private CommandSpec spec;

    @Override
    public Integer call() {
        PrintWriter err = spec.commandLine().getErr();
        Inputs inputs = new Inputs(err);
        if (!played.chosen("rehearse", inputs)) {
            return Commands.MISUSED;
        }
        Optional<Project> read = played.project(inputs);
        Optional<Played.Read> what = read.flatMap(p -> played.read(p, run, inputs));
        if (what.isEmpty()) {
            return Commands.UNREADABLE;
        }
        Project project = read.get();
        Performance performance = new Performance(project, what.get().written(), Keeping.NOTHING);
        Demand demand = new Demand(project.settings().pace());
        Rehearsal rehearsal = Rehearsal.of(performance, demand);
        RehearsalReport report = RehearsalReport.of(
                project, rehearsal, demand, performance.stage().pools(), !played.isScore());
        spec.commandLine().getOut().print(json ? JsonText.compact(report) + "\n" : report.inWords());
        spec.commandLine().getOut().flush();
        err.flush();
        return what.get().whole() ? Commands.FINE : Commands.UNREADABLE;
    }
}
