package bellrope.format.json;

import bellrope.core.event.Field;
import bellrope.core.event.Pull;
import bellrope.core.value.Vec3;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.ToDoubleFunction;

/** Lines of a trace: CloudEvents 1.0, as they are written, and as the cells of a table come to be read. */
public final class TraceJson {
    /** Goes before the name of a channel in the type of a line that tells what it carries. */
    public static final String CHANNEL = "channel.";
    /** The type of a line that tells that a subject is gone. */
    public static final String GONE = "subject.gone";

    /** Columns of a table that are no fields of the payload; vectors have three. */
    private static final Set<String> OWN =
            Set.of("time", "event", "phase", "value", "subject", "tags", "seed", "evenly", "id", "source", "velocity");

    /** Goes before the name of a field in the title of its column where another column has that name. */
    private static final String FIELD = "data.";

    private static final List<String> AXES = List.of(".x", ".y", ".z");

    private TraceJson() {}

    private static JsonObject line(String source, int id, double at, String type) {
        JsonObject node = Json.object();
        node.put("specversion", "1.0");
        node.put("id", Integer.toString(id));
        node.put("source", source);
        node.put("type", type);
        // Attributes of CloudEvents are texts, whole numbers or flags.
        node.put("at", JsonLeaf.of(at).written());
        return node;
    }

    /** Returns the line of a pull. */
    public static JsonValue pull(String source, int id, double at, Pull pull) {
        JsonObject node = line(source, id, at, pull.event());
        fill(node, pull);
        return node;
    }

    /** Says what a pull brings, beside its event. */
    static void fill(JsonObject node, Pull pull) {
        switch (pull.phase()) {
            case BEGIN -> node.put("phase", "begin");
            case END -> node.put("phase", "end");
            case MOMENT, SET -> {}
        }
        pull.value().ifPresent(value -> node.put("value", value));
        if (!pull.subject().isEmpty()) {
            node.put("subject", pull.subject());
        }
        if (!pull.tags().isEmpty()) {
            node.put("tags", String.join(",", pull.tags()));
        }
        if (!pull.velocity().equals(Vec3.ZERO)) {
            node.set("velocity", Json.vector(pull.velocity()));
        }
        node.put("seed", Long.toString(pull.seed()));
        if (pull.phase() != Pull.Phase.END) {
            node.set("data", PayloadJson.write(pull.payload()));
        }
    }

    /**
     * Returns the line that tells what a channel carries.
     *
     * @param evenly whether it went there evenly since it was last told
     */
    public static JsonValue channel(String source, int id, double at, String channel, double value, boolean evenly) {
        JsonObject node = line(source, id, at, CHANNEL + channel);
        if (evenly) {
            node.put("evenly", true);
        }
        node.putObject("data").set("value", Json.number(value));
        return node;
    }

    /** Returns the line that tells that a subject is gone. */
    public static JsonValue gone(String source, int id, double at, String subject) {
        return line(source, id, at, GONE).put("subject", subject);
    }

    /** Returns the titles of the columns of a field: its name, or three for a vector. */
    public static List<String> columns(Field field) {
        return columns(title(field.name()), field instanceof Field.Vector);
    }

    /** Returns the titles of the columns of the velocity. */
    public static List<String> velocityColumns() {
        return columns("velocity", true);
    }

    private static String title(String field) {
        return OWN.contains(field) || field.startsWith(FIELD) ? FIELD + field : field;
    }

    private static List<String> columns(String title, boolean vector) {
        return vector ? AXES.stream().map(axis -> title + axis).toList() : List.of(title);
    }

    /**
     * Returns the cells of a row as a line.
     *
     * @param cells by column; those that are empty are left out
     * @param fields that its event carries; what belongs to none of them, and to no line, is kept as a text
     * @param channel whether it tells what a channel carries
     * @param number reads a number; NaN where it is none
     */
    public static JsonValue row(
            Map<String, String> cells, List<Field> fields, boolean channel, ToDoubleFunction<String> number) {
        JsonObject node = Json.object();
        JsonObject data = Json.object();
        Map<String, String> rest = new LinkedHashMap<>(cells);
        rest.remove("event");
        node.put("type", cells.getOrDefault("event", ""));
        String time = rest.remove("time");
        if (time != null) {
            node.put(Double.isNaN(number.applyAsDouble(time)) ? "time" : "at", time);
        }
        for (Field field : fields) {
            List<String> columns = columns(field);
            if (columns.stream().anyMatch(rest::containsKey)) {
                List<String> texts =
                        columns.stream().map(c -> rest.getOrDefault(c, "")).toList();
                columns.forEach(rest::remove);
                data.set(field.name(), texts.size() > 1 ? vector(texts, number) : leaf(field, texts.get(0), number));
            }
        }
        if (velocityColumns().stream().anyMatch(rest::containsKey)) {
            node.set(
                    "velocity",
                    vector(
                            velocityColumns().stream()
                                    .map(c -> rest.getOrDefault(c, ""))
                                    .toList(),
                            number));
            velocityColumns().forEach(rest::remove);
        }
        rest.forEach((column, text) -> {
            boolean own = OWN.contains(column) && !(channel && column.equals("value"));
            (own ? node : data).put(column, text);
        });
        return node.set("data", data);
    }

    private static JsonValue vector(List<String> texts, ToDoubleFunction<String> number) {
        JsonList list = Json.array();
        for (String text : texts) {
            double value = number.applyAsDouble(text);
            list.add(Double.isNaN(value) ? JsonLeaf.of(text) : Json.number(value));
        }
        return list;
    }

    // What is not of its field's type stays a text, so that it is said as it stands.
    private static JsonValue leaf(Field field, String text, ToDoubleFunction<String> number) {
        JsonValue asNumber =
                Double.isNaN(number.applyAsDouble(text)) ? JsonLeaf.of(text) : Json.number(number.applyAsDouble(text));
        JsonValue asFlag =
                text.equals("true") || text.equals("false") ? JsonLeaf.of(text.equals("true")) : JsonLeaf.of(text);
        return field.match(
                n -> asNumber,
                choice -> JsonLeaf.of(text),
                vector -> JsonLeaf.of(text),
                flag -> asFlag,
                colour -> JsonLeaf.of(text),
                words -> JsonLeaf.of(text));
    }
}
