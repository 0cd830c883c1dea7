package bellrope.format.trace;

import bellrope.core.event.Channel;
import bellrope.core.event.EventType;
import bellrope.core.event.Field;
import bellrope.core.event.Pull;
import bellrope.core.project.Project;
import bellrope.core.project.Settings;
import bellrope.core.value.Datum;
import bellrope.core.value.Problem;
import bellrope.core.value.Refused;
import bellrope.core.value.Words;
import bellrope.format.json.Fnv;
import bellrope.format.json.JsonValue;
import bellrope.format.json.PayloadJson;
import bellrope.format.json.Problems;
import bellrope.format.json.PullJson;
import bellrope.format.json.TraceJson;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalLong;
import java.util.Set;
import java.util.function.ToDoubleFunction;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/**
 * Reads a trace line by line and tells what is sound of it to a listener; the rest is said with its line and
 * left out. Keeps no line. Described in {@code docs/format/pulls.md}.
 */
public final class TraceReader {
    private static final Pattern DECIMAL = Pattern.compile("[+-]?(\\d+\\.?\\d*|\\.\\d+)([eE][+-]?\\d{1,3})?");
    private static final String NO_TIME = "a time as in RFC 3339, such as 2026-05-04T10:00:00.250Z";

    private final Project project;
    private final TraceListener listener;
    private final ToDoubleFunction<String> parse;
    private final Problems problems = new Problems();
    private final CsvRecords records = new CsvRecords();
    private List<String> columns = List.of();
    private boolean titled;
    // The time of the first sound line that has one, and of this line.
    private OptionalLong beginning = OptionalLong.empty();
    private OptionalLong stamp = OptionalLong.empty();
    private double latest;
    private int latestLine;
    private long sound;
    private long wrong;

    /** @param parse reads a decimal number as the engine does on which this runs */
    public TraceReader(Project project, TraceListener listener, ToDoubleFunction<String> parse) {
        this.project = project;
        this.listener = listener;
        this.parse = parse;
    }

    // NaN where a text is no decimal number.
    private double number(String text) {
        return DECIMAL.matcher(text).matches() ? parse.applyAsDouble(text) : Double.NaN;
    }

    // A number, or a text that is one, since attributes of CloudEvents and cells are texts; NaN where it is neither.
    private double number(@Nullable JsonValue given) {
        if (given == null || !given.isNumber() && !given.isText()) {
            return Double.NaN;
        }
        return given.isNumber() ? given.number() : number(given.text());
    }

    /** Takes a line of JSON Lines; null for what is no JSON. */
    public void json(int line, JsonValue node) {
        String place = "/line " + line;
        if (node == null || !node.isObject()) {
            refuse(place, node == null ? "not JSON" : node.shown(), "a CloudEvents 1.0 event, an object in JSON");
            return;
        }
        int before = problems.count();
        String version = attribute(node, "specversion", place);
        if (!version.isEmpty() && !version.equals("1.0")) {
            problems.add(place + "/specversion", version, "1.0");
        }
        String id = attribute(node, "id", place);
        String source = attribute(node, "source", place);
        String type = attribute(node, "type", place);
        entry(line, node, type, seed(node, source, id, place), new Places(place, "/type", "/data", "/at"), before);
    }

    /** Says why a line could not even be parsed. */
    public void unreadable(int line, List<Problem> why) {
        why.forEach(p -> problems.add("/line " + line + p.place(), p.given(), p.allowed()));
        wrong++;
    }

    /** Takes some more text of a table. */
    public void csv(CharSequence text) {
        records.take(text).forEach(this::row);
    }

    /** Takes what is left of a table. */
    public void endOfCsv() {
        records.end().forEach(this::row);
        if (!titled) {
            problems.add("/line 1", "nothing", "the names of columns: time, event and others");
        }
    }

    private void row(CsvRecords.Row row) {
        String place = "/line " + row.line();
        if (!row.wrong().isEmpty()) {
            refuse(place, row.wrong(), "CSV as in RFC 4180");
        } else if (!titled) {
            titled = true;
            title(place, row.fields());
        } else if (!columns.isEmpty() && row.fields().size() != columns.size()) {
            refuse(place, row.fields().size() + " cells", columns.size() + ", as there are columns");
        } else if (!columns.isEmpty()) {
            Map<String, String> cells = new LinkedHashMap<>();
            for (int i = 0; i < columns.size(); i++) {
                if (!row.fields().get(i).isEmpty()) {
                    cells.put(columns.get(i), row.fields().get(i));
                }
            }
            int before = problems.count();
            String type = cells.getOrDefault("event", "");
            List<Field> fields = project.event(type).map(EventType::fields).orElse(List.of());
            JsonValue node = TraceJson.row(cells, fields, channel(type), this::number);
            String id = cells.getOrDefault("id", Integer.toString(row.line()));
            long seed = seed(node, cells.getOrDefault("source", ""), id, place);
            entry(row.line(), node, type, seed, new Places(place, "/event", "", "/time"), before);
        }
    }

    private void title(String place, List<String> titles) {
        List<String> names = new ArrayList<>();
        for (String title : titles) {
            // A mark of byte order goes before the first.
            String name = title.strip();
            names.add(name.startsWith("\uFEFF") ? name.substring(1) : name);
        }
        Set<String> seen = new HashSet<>();
        for (String name : names) {
            if (name.isEmpty() || !seen.add(name)) {
                problems.add(
                        place,
                        name.isEmpty() ? "a column without a name" : '"' + name + "\" twice",
                        "each column by a name of its own");
            }
        }
        for (String needed : List.of("time", "event")) {
            if (!names.contains(needed)) {
                problems.add(place, "no column " + needed, "the names of columns: time, event and others");
            }
        }
        if (problems.none()) {
            columns = names;
        }
    }

    private boolean channel(String type) {
        return type.startsWith(TraceJson.CHANNEL) && project.event(type).isEmpty();
    }

    // Where things stand in a line, for what is said of it.
    private record Places(String line, String type, String data, String at) {}

    private void entry(int line, JsonValue node, String type, long seed, Places places, int before) {
        String place = places.line();
        stamp = OptionalLong.empty();
        double at = at(node, places);
        if (project.event(type).isPresent()) {
            pull(node, type, seed, places, before, at);
        } else if (channel(type)) {
            channel(node, type.substring(TraceJson.CHANNEL.length()), places, before, at);
        } else if (type.equals(TraceJson.GONE)) {
            JsonValue subject = node.get("subject");
            if (subject == null || !subject.isText()) {
                problems.add(place + "/subject", subject == null ? "missing" : subject.shown(), "a text");
            }
            tell(place, before, () -> listener.gone(at, subject.text()));
        } else if (!type.isEmpty() || problems.count() == before) {
            List<String> known = project.events().stream().map(EventType::name).toList();
            problems.add(
                    place + places.type(),
                    type.isEmpty() ? "missing" : '"' + type + '"',
                    "the name of a known event" + Words.nearest(type, known));
        }
        if (problems.count() > before) {
            wrong++;
        } else {
            sound++;
            latest = at;
            latestLine = line;
            beginning = beginning.isPresent() ? beginning : stamp;
        }
    }

    private void pull(JsonValue node, String type, long seed, Places places, int before, double at) {
        String place = places.line();
        // The end of a span may come without data.
        JsonValue phase = node.get("phase");
        boolean bare = node.get("data") == null && phase != null && phase.isText() && "end".equals(phase.text());
        Map<String, Datum> payload =
                bare ? Map.of() : PayloadJson.read(node.get("data"), place + places.data(), problems);
        Pull pull = PullJson.read(node, place, type, payload, seed, problems);
        if (problems.count() == before) {
            project.event(type).orElseThrow().check(pull).forEach(p -> {
                boolean beside = List.of("/phase", "/value", "/velocity").contains(p.place());
                problems.add(place + (beside ? "" : places.data()) + p.place(), p.given(), p.allowed());
            });
        }
        tell(place, before, () -> listener.pull(at, pull));
    }

    private void channel(JsonValue node, String name, Places places, int before, double at) {
        String place = places.line();
        List<String> known = project.channels().stream().map(Channel::name).toList();
        if (!known.contains(name)) {
            problems.add(place + places.type(), '"' + name + '"', Words.known("channel", name, known));
        }
        JsonValue data = node.get("data");
        JsonValue value = data != null && data.isObject() ? data.get("value") : null;
        double carried = number(value);
        if (!Double.isFinite(carried)) {
            problems.add(place + places.data() + "/value", value == null ? "missing" : value.shown(), "a number");
        }
        JsonValue said = node.get("evenly");
        boolean evenly = said != null
                && (said.isFlag() ? said.flag() : said.isText() && said.text().equals("true"));
        if (said != null
                && !evenly
                && !(said.isFlag() || said.isText() && said.text().equals("false"))) {
            problems.add(place + "/evenly", said.shown(), "true or false");
        }
        tell(place, before, () -> listener.channel(at, name, carried, evenly));
    }

    private void tell(String place, int before, Runnable what) {
        if (problems.count() > before) {
            return;
        }
        try {
            what.run();
        } catch (Refused refused) {
            String where = refused.place().isEmpty() ? "" : "/" + refused.place();
            problems.add(place + where, refused.given(), refused.allowed());
        }
    }

    // Seconds from the beginning.
    private double at(JsonValue node, Places places) {
        double at = seconds(node, places);
        if (at < latest) {
            problems.add(
                    places.line() + "/time",
                    Words.number(at) + " s after the beginning",
                    "no earlier than line " + latestLine + ", at " + Words.number(latest) + " s");
        }
        return at;
    }

    private double seconds(JsonValue node, Places places) {
        JsonValue given = node.get("at");
        if (given != null) {
            double at = number(given);
            if (!(at >= 0 && at < 1e9)) {
                problems.add(places.line() + places.at(), given.shown(), "seconds from the beginning, 0 or more");
                return latest;
            }
            return at;
        }
        String place = places.line();
        String text = attribute(node, "time", place);
        OptionalLong nanos = text.isEmpty() ? OptionalLong.empty() : Instant.nanos(text);
        if (nanos.isEmpty()) {
            if (!text.isEmpty()) {
                problems.add(place + "/time", '"' + text + '"', NO_TIME);
            }
            return latest;
        }
        stamp = nanos;
        return (nanos.getAsLong() - beginning.orElse(nanos.getAsLong())) / 1e9;
    }

    private long seed(JsonValue node, String source, String id, String place) {
        JsonValue given = node.get("seed");
        if (given == null) {
            return seed(source, id);
        }
        double seed = number(given);
        if (!(seed >= 0 && seed <= Settings.HIGHEST_SEED && seed == Math.floor(seed))) {
            problems.add(place + "/seed", given.shown(), "a whole number from 0 to " + Settings.HIGHEST_SEED);
            return 0;
        }
        return (long) seed;
    }

    private String attribute(JsonValue node, String name, String place) {
        JsonValue value = node.get(name);
        if (value == null || !value.isText() || value.text().isEmpty()) {
            problems.add(place + "/" + name, value == null ? "missing" : value.shown(), "a text");
            return "";
        }
        return value.text();
    }

    private void refuse(String place, String given, String allowed) {
        problems.add(place, given, allowed);
        wrong++;
    }

    /** Returns how many lines were told. */
    public long sound() {
        return sound;
    }

    /** Returns how many lines were left out. */
    public long wrong() {
        return wrong;
    }

    /** Returns what was wrong; at most a hundred, then their number. */
    public List<Problem> problems() {
        return problems.list();
    }

    /**
     * Returns the seed of a pull from what identifies it, so that lines before it change nothing: FNV-1a, 64 bits, cut to
     * 53.
     */
    public static long seed(String source, String id) {
        byte[] both = (source + "\n" + id).getBytes(StandardCharsets.UTF_8);
        return Fnv.hash(ByteBuffer.wrap(both)) & Settings.HIGHEST_SEED;
    }
}
