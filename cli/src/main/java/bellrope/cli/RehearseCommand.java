package bellrope.cli;

import bellrope.core.measure.Demand;
import bellrope.core.project.Project;
import bellrope.core.score.Score;
import bellrope.core.score.Writing;
import bellrope.core.stage.Performance;
import bellrope.core.stage.Rehearsal;
import bellrope.core.stage.told.Keeping;
import bellrope.format.json.JsonText;
import bellrope.format.trace.Trace;
import java.io.PrintWriter;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.Optional;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
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
    private static final long MOST_TRACE_BYTES = 64L << 20;

    @Parameters(index = "0", paramLabel = "BUNDLE", description = "a project, *.bellrope.json")
    private Path bundle;

    @Parameters(
            index = "1",
            arity = "0..1",
            paramLabel = "PULLS",
            description = "CloudEvents 1.0, one in JSON a line, or a table, *.csv")
    private Path pulls;

    @Option(
            names = "--score",
            paramLabel = "NAME",
            description = "play a score of the bundle instead of a file of pulls")
    private String score;

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
        if (!inputs.either("rehearse", pulls, score)) {
            return Commands.MISUSED;
        }
        Optional<Project> read = inputs.project(bundle);
        if (read.isEmpty()) {
            return Commands.UNREADABLE;
        }
        Project project = read.get();
        Performance performance;
        boolean whole = true;
        if (score != null) {
            Optional<Score> named = inputs.score(project, bundle, score);
            if (named.isEmpty()) {
                return Commands.UNREADABLE;
            }
            performance = new Performance(project, Writing.of(named.get(), project.events(), run), Keeping.NOTHING);
        } else {
            Optional<byte[]> bytes = inputs.bytes(pulls, MOST_TRACE_BYTES);
            if (bytes.isEmpty()) {
                return Commands.UNREADABLE;
            }
            Trace trace =
                    Trace.read(new String(bytes.get(), StandardCharsets.UTF_8), TraceCommand.table(pulls), project);
            inputs.refuse(pulls, trace.problems());
            whole = trace.problems().isEmpty();
            performance = new Performance(project, trace.written(), Keeping.NOTHING);
        }
        Demand demand = new Demand(project.settings().pace());
        Rehearsal rehearsal = Rehearsal.of(performance, demand);
        RehearsalReport report = RehearsalReport.of(
                project, rehearsal, demand, performance.stage().pools(), score == null);
        spec.commandLine().getOut().print(json ? JsonText.compact(report) + "\n" : report.inWords());
        spec.commandLine().getOut().flush();
        err.flush();
        return whole ? Commands.FINE : Commands.UNREADABLE;
    }
}
