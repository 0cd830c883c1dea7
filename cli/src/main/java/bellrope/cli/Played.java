package bellrope.cli;

import bellrope.core.project.Project;
import bellrope.core.score.Writing;
import bellrope.core.score.Written;
import bellrope.format.trace.Trace;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.Optional;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** What is played against a bundle: a file of pulls, or one of its scores. */
final class Played {
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

    /**
     * What can be played.
     *
     * @param whole whether every line of the file could be read
     */
    record Read(Written written, boolean whole) {}

    /** Tells whether either of the two is given; says so where it is both or neither. */
    boolean chosen(String command, Inputs inputs) {
        return inputs.either(command, pulls, score);
    }

    boolean isScore() {
        return score != null;
    }

    Optional<Project> project(Inputs inputs) {
        return inputs.project(bundle);
    }

    /**
     * Returns what is played; what of it cannot be read is said.
     *
     * @param run which of many a score is played with
     */
    Optional<Read> read(Project project, int run, Inputs inputs) {
        if (score != null) {
            return inputs.score(project, bundle, score).map(s -> new Read(Writing.of(s, project.events(), run), true));
        }
        return inputs.bytes(pulls, MOST_TRACE_BYTES).map(bytes -> {
            Trace trace = Trace.read(new String(bytes, StandardCharsets.UTF_8), TraceCommand.table(pulls), project);
            inputs.refuse(pulls, trace.problems());
            return new Read(trace.written(), trace.problems().isEmpty());
        });
    }
}
