package bellrope.format.answer;

import bellrope.core.project.Project;
import bellrope.core.score.ScoreBuilder;
import bellrope.core.score.Writing;
import bellrope.core.score.Written;
import bellrope.format.json.Bundle;
import bellrope.format.json.JsonValue;
import bellrope.format.trace.TraceListener;
import bellrope.format.trace.TraceReader;
import bellrope.format.trace.TraceWriter;
import java.util.List;
import java.util.function.Function;
import java.util.function.ToDoubleFunction;
import org.jspecify.annotations.Nullable;

/** A trace that is read piece by piece, to become a score; and a score that becomes a trace. */
public final class Traces {
    private final ScoreBuilder builder = new ScoreBuilder();
    private final TraceReader reader;
    private boolean table;

    /** @param parse reads a decimal number as the engine does on which this runs */
    public Traces(Project project, ToDoubleFunction<String> parse) {
        reader = new TraceReader(project, TraceListener.by(builder), parse);
    }

    /** Takes some more text of a table. */
    public void table(String text) {
        table = true;
        reader.csv(text);
    }

    /** Takes a line of JSON; null where it is none. */
    public void line(int line, @Nullable JsonValue node) {
        reader.json(line, node);
    }

    /** Returns how many lines have been read. */
    public double read() {
        return (double) reader.sound() + reader.wrong();
    }

    /** Returns all that was read as a score of that name. */
    public TraceView view(String name) {
        if (table) {
            reader.endOfCsv();
        }
        ScoreBuilder.Left left = builder.left();
        return new TraceView(
                reader.sound(),
                reader.wrong(),
                reader.problems(),
                left.tagged(),
                left.moving(),
                left.gone(),
                builder.score(name).map(Bundle::write).orElse(null));
    }

    /** Returns what a score says as lines of JSON. */
    public static List<JsonValue> lines(Project project, JsonValue body, String source) {
        return TraceWriter.json(written(project, body), source);
    }

    /** Returns what a score says as a table. */
    public static String table(Project project, JsonValue body, Function<Double, String> number) {
        return TraceWriter.csv(written(project, body), project, number);
    }

    private static Written written(Project project, JsonValue body) {
        return Writing.of(Rehearsals.read(project, body), project.events(), 0);
    }
}
