package bellrope.format.trace;

import bellrope.core.event.Pull;
import bellrope.core.project.Project;
import bellrope.core.score.Arrival;
import bellrope.core.score.Channelled;
import bellrope.core.score.ScoreBuilder;
import bellrope.core.score.Written;
import bellrope.core.value.Problem;
import bellrope.format.json.JsonText;
import java.io.IOException;
import java.io.Reader;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * Pulls as a file, read whole: one CloudEvents 1.0 event in JSON a line, or a table. Described in
 * {@code docs/format/pulls.md}.
 *
 * @param written what those lines say that could be read
 * @param problems of the others; each place begins with its line, {@code /line 3/data/speed}
 */
public record Trace(Written written, List<Problem> problems) {
    /** Longest line, in characters. */
    private static final int LONGEST = CsvRecords.LONGEST;

    /** Reads lines of JSON against a project; empty lines are passed over. */
    public static Trace read(String text, Project project) {
        return read(text, false, project);
    }

    /** Reads a trace against a project and keeps it. */
    public static Trace read(String text, boolean table, Project project) {
        try {
            return read(new StringReader(text), table, project);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Reads a trace against a project and keeps it. */
    public static Trace read(Reader text, boolean table, Project project) throws IOException {
        Kept kept = new Kept();
        TraceReader reader = hear(text, table, project, kept);
        return new Trace(kept.written(), reader.problems());
    }

    /** Reads a trace of any length against a project, keeping nothing: all that is sound is told as it comes. */
    public static TraceReader hear(Reader text, boolean table, Project project, TraceListener listener)
            throws IOException {
        TraceReader reader = new TraceReader(project, listener, Double::parseDouble);
        char[] piece = new char[1 << 16];
        Lines lines = new Lines(reader);
        for (int count = text.read(piece); count >= 0; count = text.read(piece)) {
            if (table) {
                reader.csv(new String(piece, 0, count));
            } else {
                lines.take(piece, count);
            }
        }
        if (table) {
            reader.endOfCsv();
        } else {
            lines.end();
        }
        return reader;
    }

    // Lines of JSON out of pieces.
    private static final class Lines {
        private final TraceReader reader;
        private final StringBuilder line = new StringBuilder();
        private int number = 1;
        private boolean tooLong;

        private Lines(TraceReader reader) {
            this.reader = reader;
        }

        private void take(char[] piece, int count) {
            int from = 0;
            for (int i = 0; i < count; i++) {
                if (piece[i] == '\n') {
                    append(piece, from, i - from);
                    end();
                    from = i + 1;
                }
            }
            append(piece, from, count - from);
        }

        private void append(char[] piece, int from, int count) {
            tooLong |= line.length() + count > LONGEST;
            if (!tooLong) {
                line.append(piece, from, count);
            }
        }

        private void end() {
            String text = line.toString();
            if (tooLong) {
                reader.unreadable(
                        number,
                        List.of(new Problem(
                                "", "longer than " + LONGEST + " characters", "a CloudEvents 1.0 event on one line")));
            } else if (!text.isBlank()) {
                JsonText.Parsed parsed = JsonText.parse(text);
                if (parsed.failed()) {
                    reader.unreadable(number, parsed.problems());
                } else {
                    reader.json(number, parsed.value());
                }
            }
            number++;
            line.setLength(0);
            tooLong = false;
        }
    }

    private static final class Kept implements TraceListener {
        private final List<Arrival> arrivals = new ArrayList<>();
        private final List<Written.Gone> gone = new ArrayList<>();
        private final Map<String, List<Channelled.Point>> channels = new LinkedHashMap<>();
        private double last;

        @Override
        public void pull(double at, Pull pull) {
            arrivals.add(new Arrival(at, 0, arrivals.size(), pull));
            last = at;
        }

        @Override
        public void channel(double at, String channel, double value, boolean evenly) {
            ScoreBuilder.carry(channels, at, channel, value, evenly);
            last = at;
        }

        @Override
        public void gone(double at, String subject) {
            gone.add(new Written.Gone(at, subject));
            last = at;
        }

        private Written written() {
            List<Channelled> carried = new ArrayList<>();
            channels.forEach((name, points) -> carried.add(new Channelled(name, points)));
            return new Written(last, List.copyOf(arrivals), List.copyOf(gone), carried);
        }
    }
}
