package bellrope.format.json;

import bellrope.core.event.Field;
import bellrope.core.event.Pull;
import bellrope.core.value.Vec3;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.ToDoubleFunction;

/** Lines of a trace: CloudEvents 1.0, as they are written, and as the cells of a table come to be read. */
public final class TraceJson {
    /** Goes before the name of a channel in the type of a line that tells what it carries. */
    public static final String CHANNEL = "channel.";
    /** The type of a line that tells that a subject is gone. */
    public static final String GONE = "subject.gone";

    private static final String[] AXES = {".x", ".y", ".z"};
    private static final List<String> BESIDE =
            List.of("subject", "phase", "value", "tags", "id", "source", "seed", "evenly");

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
        return node;
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

    /**
     * Returns the cells of a row as a line.
     *
     * @param cells by column; those that are empty are left out
     * @param fields that its event carries; what is no column of every row must be one of these, or is taken as a text
     * @param number reads a number; NaN where it is none
     */
    public static JsonValue row(Map<String, String> cells, List<Field> fields, ToDoubleFunction<String> number) {
        JsonObject node = Json.object();
        JsonObject data = Json.object();
        for (Map.Entry<String, String> cell : cells.entrySet()) {
            String column = cell.getKey();
            String text = cell.getValue();
            if (column.equals("time")) {
                node.set(Double.isNaN(number.applyAsDouble(text)) ? "time" : "at", JsonLeaf.of(text));
            } else if (column.equals("event")) {
                node.put("type", text);
            } else if (BESIDE.contains(column)) {
                node.put(column, text);
            } else if (!axis(column)) {
                Optional<Field> field = field(fields, column);
                data.set(column, field.isEmpty() ? JsonLeaf.of(text) : leaf(field.get(), text, number));
            } else if (column.endsWith(AXES[0])) {
                String name = column.substring(0, column.length() - 2);
                (name.equals("velocity") && field(fields, name).isEmpty() ? node : data)
                        .set(name, vector(cells, name, number));
            }
        }
        return node.set("data", data);
    }

    private static boolean axis(String column) {
        for (String axis : AXES) {
            if (column.endsWith(axis)) {
                return true;
            }
        }
        return false;
    }

    private static Optional<Field> field(List<Field> fields, String name) {
        return fields.stream().filter(f -> f.name().equals(name)).findFirst();
    }

    private static JsonValue vector(Map<String, String> cells, String name, ToDoubleFunction<String> number) {
        JsonList list = Json.array();
        for (String axis : AXES) {
            String text = cells.getOrDefault(name + axis, "");
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
