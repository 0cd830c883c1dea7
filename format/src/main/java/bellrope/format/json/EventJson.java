package bellrope.format.json;

import bellrope.core.event.Channel;
import bellrope.core.event.EventType;
import bellrope.core.event.Field;
import bellrope.core.event.Place;
import bellrope.core.value.Range;
import bellrope.core.value.Vec3;
import java.util.List;
import java.util.Optional;

/** What a game announces, as JSON, both ways: kinds of events, channels, places. */
final class EventJson {
    private EventJson() {}

    private enum Type {
        NUMBER,
        CHOICE,
        FLAG,
        COLOUR,
        TEXT,
        POSITION,
        NORMAL,
        DIRECTION,
        HEADING,
        UP,
        VELOCITY,
        EXTENT,
        HALF_EXTENT,
        VECTOR
    }

    static EventType read(JsonReader thing) {
        String name = thing.text("name");
        EventType.Shape shape = thing.choice("shape", EventType.Shape.class);
        String description = thing.text("description", "");
        int weight = thing.whole("weight");
        List<Field> fields = thing.list("fields", EventJson::field);
        List<String> values = thing.has("values") ? thing.texts("values") : List.of();
        Optional<String> unanswered = thing.maybeText("unanswered");
        return thing.make(() -> new EventType(name, shape, description, weight, fields, values, unanswered));
    }

    static Field field(JsonReader thing) {
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
            case FLAG -> thing.make(() -> new Field.Flag(name));
            case COLOUR -> thing.make(() -> new Field.Colour(name));
            case TEXT -> thing.make(() -> new Field.Text(name));
            case POSITION -> vector(thing, name, Field.Meaning.POSITION);
            case NORMAL -> vector(thing, name, Field.Meaning.NORMAL);
            case DIRECTION -> vector(thing, name, Field.Meaning.DIRECTION);
            case HEADING -> vector(thing, name, Field.Meaning.HEADING);
            case UP -> vector(thing, name, Field.Meaning.UP);
            case VELOCITY -> vector(thing, name, Field.Meaning.VELOCITY);
            case EXTENT -> vector(thing, name, Field.Meaning.EXTENT);
            case HALF_EXTENT -> vector(thing, name, Field.Meaning.HALF_EXTENT);
            case VECTOR -> vector(thing, name, Field.Meaning.OTHER);
        };
    }

    private static Field vector(JsonReader thing, String name, Field.Meaning meaning) {
        return thing.make(() -> new Field.Vector(name, meaning));
    }

    static JsonObject write(EventType event) {
        JsonObject node = Json.object();
        node.put("name", event.name());
        node.put("shape", JsonReader.word(event.shape()));
        node.put("description", event.description());
        node.put("weight", event.weight());
        JsonList fields = node.putArray("fields");
        event.fields().forEach(field -> write(field, fields.addObject()));
        if (!event.values().isEmpty()) {
            JsonList values = node.putArray("values");
            event.values().forEach(values::add);
        }
        event.unanswered().ifPresent(why -> node.put("unanswered", why));
        return node;
    }

    static void write(Field field, JsonObject f) {
        f.put("name", field.name());
        field.visit(
                number -> {
                    f.put("type", "number");
                    f.set("range", Json.range(number.range()));
                    f.set("usual", Json.number(number.usual()));
                    f.put("unit", number.unit());
                },
                choice -> {
                    f.put("type", "choice");
                    JsonList options = f.putArray("options");
                    choice.options().forEach(options::add);
                    f.put("reads", choice.reads());
                },
                vector -> f.put(
                        "type", vector.meaning() == Field.Meaning.OTHER ? "vector" : JsonReader.word(vector.meaning())),
                flag -> f.put("type", "flag"),
                colour -> f.put("type", "colour"),
                text -> f.put("type", "text"));
    }

    static Channel readChannel(JsonReader thing) {
        String name = thing.text("name");
        String description = thing.text("description", "");
        Range range = thing.range("range");
        double usual = thing.number("usual", range.middle());
        String unit = thing.text("unit", "");
        return thing.make(() -> new Channel(name, description, range, usual, unit));
    }

    static JsonObject write(Channel channel) {
        JsonObject node = Json.object();
        node.put("name", channel.name());
        node.put("description", channel.description());
        node.set("range", Json.range(channel.range()));
        node.set("usual", Json.number(channel.usual()));
        node.put("unit", channel.unit());
        return node;
    }

    static Place readPlace(JsonReader thing) {
        String name = thing.text("name");
        Vec3 position = thing.vector("position");
        return thing.make(() -> new Place(name, position));
    }

    static JsonObject write(Place place) {
        JsonObject node = Json.object();
        node.put("name", place.name());
        node.set("position", Json.vector(place.position()));
        return node;
    }
}
