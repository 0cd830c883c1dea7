package bellrope.format.trace;

import bellrope.core.event.EventType;
import bellrope.core.event.Field;
import bellrope.core.event.Pull;
import bellrope.core.project.Project;
import bellrope.core.score.Arrival;
import bellrope.core.score.Channelled;
import bellrope.core.score.Written;
import bellrope.core.value.Datum;
import bellrope.core.value.Vec3;
import bellrope.format.json.JsonValue;
import bellrope.format.json.TraceJson;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;

/** Writes what a game says as a trace that reads back to the same: lines of JSON, or a table. */
public final class TraceWriter {
    private static final List<String> FIRST =
            List.of("time", "event", "phase", "value", "subject", "tags", "seed", "evenly");

    private TraceWriter() {}

    /** One thing that is said. */
    private record Said(double at, Pull pull, String channel, double value, boolean evenly, String gone) {}

    // In the order of their times; of one time first what channels carry, then who is gone, then pulls.
    private static List<Said> all(Written written) {
        List<Said> all = new ArrayList<>();
        for (Channelled channel : written.channels()) {
            double before = Double.NaN;
            for (Channelled.Point point : channel.points()) {
                boolean evenly = !Double.isNaN(before) && before != point.value();
                all.add(new Said(point.at(), null, channel.channel(), point.value(), evenly, null));
                before = point.value();
            }
        }
        for (Written.Gone gone : written.gone()) {
            all.add(new Said(gone.at(), null, null, 0, false, gone.subject()));
        }
        for (Arrival arrival : written.arrivals()) {
            all.add(new Said(arrival.at(), arrival.pull(), null, 0, false, null));
        }
        all.sort((a, b) -> Double.compare(a.at(), b.at()));
        return all;
    }

    /** Returns a line of JSON for each thing that is said, as values; {@code source} is a reference to the game. */
    public static List<JsonValue> json(Written written, String source) {
        List<JsonValue> lines = new ArrayList<>();
        for (Said said : all(written)) {
            int id = lines.size() + 1;
            if (said.pull() != null) {
                lines.add(TraceJson.pull(source, id, said.at(), said.pull()));
            } else if (said.channel() != null) {
                lines.add(TraceJson.channel(source, id, said.at(), said.channel(), said.value(), said.evenly()));
            } else {
                lines.add(TraceJson.gone(source, id, said.at(), said.gone()));
            }
        }
        return lines;
    }

    /**
     * Returns it as a table.
     *
     * @param number shows a number so that it reads back to the same
     */
    public static String csv(Written written, Project project, Function<Double, String> number) {
        List<Said> all = all(written);
        Set<String> columns = new LinkedHashSet<>(FIRST);
        for (EventType event : project.events()) {
            if (all.stream().anyMatch(s -> s.pull() != null && s.pull().event().equals(event.name()))) {
                event.fields().forEach(field -> columns.addAll(TraceJson.columns(field)));
            }
        }
        if (all.stream().anyMatch(s -> s.pull() != null && !s.pull().velocity().equals(Vec3.ZERO))) {
            columns.addAll(TraceJson.velocityColumns());
        }
        StringBuilder table = new StringBuilder();
        row(table, columns);
        for (Said said : all) {
            Map<String, String> cells = cells(said, project, number);
            row(table, columns.stream().map(c -> cells.getOrDefault(c, "")).toList());
        }
        return table.toString();
    }

    private static Map<String, String> cells(Said said, Project project, Function<Double, String> number) {
        Map<String, String> cells = new LinkedHashMap<>();
        cells.put("time", number.apply(said.at()));
        if (said.channel() != null) {
            cells.put("event", TraceJson.CHANNEL + said.channel());
            cells.put("value", number.apply(said.value()));
            cells.put("evenly", said.evenly() ? "true" : "");
        } else if (said.pull() == null) {
            cells.put("event", TraceJson.GONE);
            cells.put("subject", said.gone());
        } else {
            Pull pull = said.pull();
            cells.put("event", pull.event());
            cells.put(
                    "phase",
                    switch (pull.phase()) {
                        case BEGIN -> "begin";
                        case END -> "end";
                        case MOMENT, SET -> "";
                    });
            cells.put("value", pull.value().orElse(""));
            cells.put("subject", pull.subject());
            cells.put("tags", String.join(",", pull.tags()));
            cells.put("seed", Long.toString(pull.seed()));
            for (Field field : project.event(pull.event()).orElseThrow().fields()) {
                Datum value = pull.payload().get(field.name());
                if (value != null) {
                    put(cells, TraceJson.columns(field), value, number);
                }
            }
            if (!pull.velocity().equals(Vec3.ZERO)) {
                put(cells, TraceJson.velocityColumns(), new Datum.Vec(pull.velocity()), number);
            }
        }
        return cells;
    }

    private static void put(
            Map<String, String> cells, List<String> columns, Datum value, Function<Double, String> number) {
        List<String> texts = value.match(
                num -> List.of(number.apply(num.value())),
                word -> List.of(word.text()),
                flag -> List.of(Boolean.toString(flag.value())),
                vec -> List.of(
                        number.apply(vec.value().x()),
                        number.apply(vec.value().y()),
                        number.apply(vec.value().z())));
        for (int i = 0; i < columns.size(); i++) {
            cells.put(columns.get(i), texts.get(i));
        }
    }

    private static void row(StringBuilder table, Iterable<String> cells) {
        String between = "";
        for (String cell : cells) {
            table.append(between).append(quoted(cell));
            between = ",";
        }
        table.append("\r\n");
    }

    private static String quoted(String cell) {
        boolean plain =
                cell.indexOf(',') < 0 && cell.indexOf('"') < 0 && cell.indexOf('\n') < 0 && cell.indexOf('\r') < 0;
        return plain ? cell : '"' + cell.replace("\"", "\"\"") + '"';
    }
}
