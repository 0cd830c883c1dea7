package bellrope.cli;

import bellrope.core.measure.Demand;
import bellrope.core.project.Project;
import bellrope.core.stage.Rehearsal;
import bellrope.core.value.Problem;
import bellrope.format.json.Bundle;
import bellrope.format.json.JsonText;
import bellrope.format.trace.Trace;
import java.io.IOException;
import java.io.PrintWriter;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** Plays a file of pulls against a bundle and prints the account and the numbers of every pull. */
@Command(
        name = "rehearse",
        mixinStandardHelpOptions = true,
        description = {
            "Plays a file of pulls against a bundle and prints the account and the numbers of every pull, "
                    + "and what they ask for: instances and particles at once, by effect and by rope.",
            "Exit code 0 only if every pull could be read; 1 if not; 2 if the command itself is wrong."
        })
final class RehearseCommand implements Callable<Integer> {
    private static final long MOST_TRACE_BYTES = 64L << 20;

    @Parameters(index = "0", paramLabel = "BUNDLE", description = "a project, *.bellrope.json")
    private Path bundle;

    @Parameters(index = "1", paramLabel = "PULLS", description = "CloudEvents 1.0, one in JSON a line")
    private Path pulls;

    @Option(names = "--json", description = "print JSON instead of text")
    private boolean json;

    @Spec
    private CommandSpec spec;

    @Override
    public Integer call() {
        PrintWriter err = spec.commandLine().getErr();
        Optional<byte[]> bundleBytes = bytes(bundle, JsonText.MOST_BYTES);
        Optional<byte[]> pullBytes = bytes(pulls, MOST_TRACE_BYTES);
        if (bundleBytes.isEmpty() || pullBytes.isEmpty()) {
            return Commands.UNREADABLE;
        }
        Bundle.Read<Project> read = Bundle.read(bundleBytes.get());
        if (read.value().isEmpty()) {
            refuse(bundle, read.problems());
            return Commands.UNREADABLE;
        }
        Project project = read.value().get();
        Trace trace = Trace.read(new String(pullBytes.get(), StandardCharsets.UTF_8), project);
        refuse(pulls, trace.problems());
        Demand demand = new Demand(project.settings().pace());
        Rehearsal rehearsal = Rehearsal.of(project, trace.pulls(), demand);
        RehearsalReport report = RehearsalReport.of(project, rehearsal, demand);
        spec.commandLine().getOut().print(json ? JsonText.compact(report) + "\n" : report.inWords());
        spec.commandLine().getOut().flush();
        err.flush();
        return trace.problems().isEmpty() ? Commands.FINE : Commands.UNREADABLE;
    }

    private void refuse(Path file, List<Problem> problems) {
        problems.forEach(problem -> spec.commandLine().getErr().println(file.getFileName() + " " + problem));
    }

    private Optional<byte[]> bytes(Path file, long most) {
        PrintWriter err = spec.commandLine().getErr();
        try {
            if (Files.size(file) > most) {
                err.println(file.getFileName() + ": " + (Files.size(file) >> 20) + " MiB: at most " + (most >> 20)
                        + " MiB");
                return Optional.empty();
            }
            return Optional.of(Files.readAllBytes(file));
        } catch (IOException e) {
            err.println(file + ": cannot be read: a file that exists and may be read");
            return Optional.empty();
        }
    }
}
