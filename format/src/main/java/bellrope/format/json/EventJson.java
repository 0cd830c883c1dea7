package bellrope.format.json;

import bellrope.core.event.EventType;
import bellrope.core.event.Field;
import bellrope.core.value.Range;
import java.util.List;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Kinds of events as JSON, both ways. */
final class EventJson {
    private EventJson() {}

    private enum Shape {
        MOMENT
    }

    private enum Type {
        NUMBER,
        CHOICE,
        TEXT,
        POSITION,
        NORMAL,
        DIRECTION
    }

    static EventType read(Thing thing) {
        String name = thing.text("name");
        thing.choice("shape", Shape.class);
        String description = thing.text("description", "");
        int weight = thing.whole("weight");
        List<Field> fields = thing.list("fields", EventJson::field);
        return thing.make(() -> new EventType(name, description, weight, fields));
    }

    private static Field field(Thing thing) {
        String name = thing.text("name");
        return switch (thing.choice("type", Type.class)) {
            case NUMBER -> {
                Range range = thing.range("range");
                double usual = thing.number("usual", range.middle());
                String unit = thing.text("unit", "");
                yield thing.make(() -> new Field.Number(name, range, usual, unit));
            }
            case CHOICE -> {
                List<String> options = thing.texts("options");
                String reads = thing.text("reads", "with " + name);
                yield thing.make(() -> new Field.Choice(name, options, reads));
            }
            case TEXT -> thing.make(() -> new Field.Text(name));
            case POSITION -> thing.make(() -> new Field.Vector(name, Field.Meaning.POSITION));
            case NORMAL -> thing.make(() -> new Field.Vector(name, Field.Meaning.NORMAL));
            case DIRECTION -> thing.make(() -> new Field.Vector(name, Field.Meaning.DIRECTION));
        };
    }

    static ObjectNode write(EventType event) {
        ObjectNode node = Json.object();
        node.put("name", event.name());
        node.put("shape", Thing.word(Shape.MOMENT));
        node.put("description", event.description());
        node.put("weight", event.weight());
        ArrayNode fields = node.putArray("fields");
        for (Field field : event.fields()) {
            ObjectNode f = fields.addObject();
            f.put("name", field.name());
            if (field instanceof Field.Number number) {
                f.put("type", "number");
                f.set("range", Json.range(number.range()));
                f.set("usual", Json.number(number.usual()));
                f.put("unit", number.unit());
            } else if (field instanceof Field.Choice choice) {
                f.put("type", "choice");
                ArrayNode options = f.putArray("options");
                choice.options().forEach(options::add);
                f.put("reads", choice.reads());
            } else if (field instanceof Field.Vector vector) {
                f.put("type", Thing.word(vector.meaning()));
            } else {
                f.put("type", "text");
            }
        }
        return node;
    }
}
