package bellrope.format.trace;

import bellrope.core.event.EventType;
import bellrope.core.event.Pull;
import bellrope.core.project.Project;
import bellrope.core.project.Settings;
import bellrope.core.stage.Rehearsal.Timed;
import bellrope.core.value.Datum;
import bellrope.core.value.Problem;
import bellrope.core.value.Words;
import bellrope.format.json.JsonText;
import bellrope.format.json.JsonValue;
import bellrope.format.json.PayloadJson;
import bellrope.format.json.Problems;
import bellrope.format.json.PullJson;
import java.time.Duration;
import java.time.OffsetDateTime;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Pulls as a file: one CloudEvents 1.0 event in JSON a line. The earliest {@code time} is the beginning. Described in
 * {@code docs/format/pulls.md}.
 *
 * @param pulls those lines that could be read
 * @param problems of the others; each place begins with its line, {@code /line 3/data/speed}
 */
public record Trace(List<Timed> pulls, List<Problem> problems) {
    private record Arrival(OffsetDateTime time, Pull pull) {}

    /** Reads a trace against a project; empty lines are passed over. */
    public static Trace read(String text, Project project) {
        Problems problems = new Problems();
        List<Arrival> arrivals = new ArrayList<>();
        String[] lines = text.split("\r?\n", -1);
        for (int i = 0; i < lines.length; i++) {
            if (!lines[i].isBlank()) {
                line(lines[i], "/line " + (i + 1), project, problems).ifPresent(arrivals::add);
            }
        }
        Optional<OffsetDateTime> beginning =
                arrivals.stream().map(Arrival::time).min(OffsetDateTime::compareTo);
        List<Timed> pulls = arrivals.stream()
                .map(a -> new Timed(
                        Duration.between(beginning.orElseThrow(), a.time()).toNanos() / 1e9, a.pull()))
                .toList();
        return new Trace(pulls, problems.list());
    }

    private static Optional<Arrival> line(String text, String place, Project project, Problems problems) {
        JsonText.Parsed parsed = JsonText.parse(text);
        if (parsed.failed()) {
            parsed.problems().forEach(p -> problems.add(place, p.given(), p.allowed()));
            return Optional.empty();
        }
        JsonValue node = parsed.value();
        int before = problems.count();
        if (!node.isObject()) {
            problems.add(place, "no object", "a CloudEvents 1.0 event");
            return Optional.empty();
        }
        String version = attribute(node, "specversion", place, problems);
        if (!version.isEmpty() && !version.equals("1.0")) {
            problems.add(place + "/specversion", version, "1.0");
        }
        String id = attribute(node, "id", place, problems);
        String source = attribute(node, "source", place, problems);
        String type = attribute(node, "type", place, problems);
        OffsetDateTime time = time(attribute(node, "time", place, problems), place, problems);
        Optional<EventType> event = project.event(type);
        if (!type.isEmpty() && event.isEmpty()) {
            List<String> known = project.events().stream().map(EventType::name).toList();
            problems.add(place + "/type", '"' + type + '"', "the name of a known event" + Words.nearest(type, known));
        }
        // The end of a span may come without data.
        JsonValue phase = node.get("phase");
        boolean bare = node.get("data") == null && phase != null && phase.isText() && "end".equals(phase.text());
        Map<String, Datum> payload = bare ? Map.of() : PayloadJson.read(node.get("data"), place + "/data", problems);
        Pull pull = PullJson.read(node, place, type, payload, seed(source, id), problems);
        if (problems.count() == before) {
            event.orElseThrow()
                    .check(pull)
                    .forEach(p -> problems.add(
                            place
                                    + (p.place().equals("/phase") || p.place().equals("/value") ? "" : "/data")
                                    + p.place(),
                            p.given(),
                            p.allowed()));
        }
        return problems.count() > before ? Optional.empty() : Optional.of(new Arrival(time, pull));
    }

    private static String attribute(JsonValue node, String name, String place, Problems problems) {
        JsonValue value = node.get(name);
        if (value == null || !value.isText() || value.text().isEmpty()) {
            problems.add(place + "/" + name, value == null ? "missing" : value.shown(), "a text");
            return "";
        }
        return value.text();
    }

    private static OffsetDateTime time(String text, String place, Problems problems) {
        try {
            return text.isEmpty() ? null : OffsetDateTime.parse(text);
        } catch (DateTimeParseException e) {
            problems.add(place + "/time", '"' + text + '"', "a time as in RFC 3339, such as 2026-05-04T10:00:00.250Z");
            return null;
        }
    }

    /**
     * Returns the seed of a pull from what identifies it, so that lines before it change nothing: FNV-1a, 64 bits, cut to
     * 53.
     */
    public static long seed(String source, String id) {
        long hash = 0xcbf29ce484222325L;
        for (byte b : (source + "\n" + id).getBytes(java.nio.charset.StandardCharsets.UTF_8)) {
            hash = (hash ^ b & 0xFF) * 0x100000001b3L;
        }
        return hash & Settings.HIGHEST_SEED;
    }
}
