package bellrope.cli;

import bellrope.core.project.Project;
import bellrope.core.score.Score;
import bellrope.core.score.ScoreBuilder;
import bellrope.core.score.Writing;
import bellrope.core.score.Written;
import bellrope.format.json.Bundle;
import bellrope.format.json.JsonText;
import bellrope.format.trace.Trace;
import bellrope.format.trace.TraceListener;
import bellrope.format.trace.TraceReader;
import bellrope.format.trace.TraceWriter;
import java.io.IOException;
import java.io.PrintWriter;
import java.io.Reader;
import java.nio.charset.MalformedInputException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** Reads a trace and says what is wrong with it; turns traces into scores and scores into traces. */
@Command(
        name = "trace",
        mixinStandardHelpOptions = true,
        description = {
            "Reads a file of pulls against a bundle and says, line by line, what cannot be read. With --to score what is "
                    + "sound is printed as a score.",
            "With --score NAME in place of a file that score is printed as a trace: --to jsonl or --to csv.",
            "Exit code 0 only if every line could be read; 1 if not; 2 if the command itself is wrong."
        })
final class TraceCommand implements Callable<Integer> {
    enum To {
        score,
        jsonl,
        csv
    }

    @Parameters(index = "0", paramLabel = "BUNDLE", description = "a project, *.bellrope.json")
    private Path bundle;

    @Parameters(
            index = "1",
            arity = "0..1",
            paramLabel = "PULLS",
            description = "CloudEvents 1.0, one in JSON a line, or a table, *.csv; of any length")
    private Path pulls;

    @Option(names = "--score", paramLabel = "NAME", description = "print a score of the bundle as a trace")
    private String score;

    @Option(names = "--to", paramLabel = "FORM", description = "what is printed: score, jsonl or csv")
    private To to;

    @Spec
    private CommandSpec spec;

    @Override
    public Integer call() {
        PrintWriter err = spec.commandLine().getErr();
        Inputs inputs = new Inputs(err);
        if (!inputs.either("trace", pulls, score)) {
            return Commands.MISUSED;
        }
        boolean fits = score == null ? to == null || to == To.score : to == To.jsonl || to == To.csv;
        if (!fits) {
            err.println("--to: " + (to == null ? "missing" : to) + ": "
                    + (score == null ? "score, or nothing, for a file of pulls" : "jsonl or csv for a score"));
            return Commands.MISUSED;
        }
        Optional<Project> project = inputs.project(bundle);
        if (project.isEmpty()) {
            return Commands.UNREADABLE;
        }
        return score == null ? read(project.get(), inputs) : write(project.get(), inputs);
    }

    private int write(Project project, Inputs inputs) {
        Optional<Score> named = inputs.score(project, bundle, score);
        if (named.isEmpty()) {
            return Commands.UNREADABLE;
        }
        PrintWriter out = spec.commandLine().getOut();
        Written written = Writing.of(named.get(), project.events(), 0);
        if (to == To.csv) {
            out.print(TraceWriter.csv(written, project, v -> Double.toString(v)));
        } else {
            TraceWriter.json(written, "/bellrope").forEach(line -> out.print(JsonText.line(line)));
        }
        out.flush();
        return Commands.FINE;
    }

    private int read(Project project, Inputs inputs) {
        PrintWriter err = spec.commandLine().getErr();
        ScoreBuilder builder = new ScoreBuilder();
        TraceListener listener = to == To.score ? TraceListener.by(builder) : new TraceListener() {};
        TraceReader reader;
        try (Reader text = Files.newBufferedReader(pulls)) {
            reader = Trace.hear(text, table(pulls), project, listener);
        } catch (MalformedInputException e) {
            err.println(pulls.getFileName() + ": no UTF-8: a text in UTF-8");
            return Commands.UNREADABLE;
        } catch (IOException e) {
            err.println(pulls.getFileName() + ": cannot be read: a file that exists and may be read");
            return Commands.UNREADABLE;
        }
        inputs.refuse(pulls, reader.problems());
        PrintWriter out = spec.commandLine().getOut();
        if (to == To.score) {
            String name = pulls.getFileName().toString().replaceFirst("\\.[^.]*$", "");
            Optional<Score> made = builder.score(name.isBlank() ? "trace" : name);
            made.ifPresent(s -> out.print(JsonText.pretty(Bundle.write(s))));
            ScoreBuilder.Left left = builder.left();
            if (left.tagged() + left.moving() + left.gone() > 0) {
                err.println("a score does not keep tags (" + left.tagged() + "), velocities (" + left.moving()
                        + ") and ends of subjects (" + left.gone() + ")");
            }
        } else {
            out.println(reader.sound() + " lines can be played, " + reader.wrong() + " cannot");
        }
        out.flush();
        err.flush();
        return reader.problems().isEmpty() ? Commands.FINE : Commands.UNREADABLE;
    }

    /** Tells whether a file of pulls is a table. */
    static boolean table(Path file) {
        return file.getFileName().toString().toLowerCase(Locale.ROOT).endsWith(".csv");
    }
}
