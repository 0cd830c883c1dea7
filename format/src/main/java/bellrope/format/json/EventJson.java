package bellrope.format.json;

import bellrope.core.event.Channel;
import bellrope.core.event.EventType;
import bellrope.core.event.Field;
import bellrope.core.event.Place;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/** What a game announces, as JSON, both ways: kinds of events, channels, places. */
final class EventJson {
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
        VECTOR;

        // Number and choice have more to say and forms of their own.
        private Field named(String name) {
            return switch (this) {
                case NUMBER, CHOICE -> throw new IllegalStateException(name());
                case FLAG -> new Field.Flag(name);
                case COLOUR -> new Field.Colour(name);
                case TEXT -> new Field.Text(name);
                case POSITION -> new Field.Vector(name, Field.Meaning.POSITION);
                case NORMAL -> new Field.Vector(name, Field.Meaning.NORMAL);
                case DIRECTION -> new Field.Vector(name, Field.Meaning.DIRECTION);
                case HEADING -> new Field.Vector(name, Field.Meaning.HEADING);
                case UP -> new Field.Vector(name, Field.Meaning.UP);
                case VELOCITY -> new Field.Vector(name, Field.Meaning.VELOCITY);
                case EXTENT -> new Field.Vector(name, Field.Meaning.EXTENT);
                case HALF_EXTENT -> new Field.Vector(name, Field.Meaning.HALF_EXTENT);
                case VECTOR -> new Field.Vector(name, Field.Meaning.OTHER);
            };
        }

        private static Type of(Field field) {
            return field.match(
                    number -> NUMBER,
                    choice -> CHOICE,
                    vector -> vector.meaning() == Field.Meaning.OTHER
                            ? VECTOR
                            : valueOf(vector.meaning().name()),
                    flag -> FLAG,
                    colour -> COLOUR,
                    text -> TEXT);
        }
    }

    private static final Notations.Choice<Type> TYPE = Notations.choice(Type.class);

    private static final Form<Field.Number> NUMBER = Form.of("NumberField", f -> {
        var name = f.name("name", Field.Number::name).says("By which game code and ropes name it.");
        f.constant("type", "number", "What the field carries.");
        var range = f.range("range", Field.Number::range).says("Between which numbers it lies in the game.");
        var usual = f.maybeNumber("usual", field -> OptionalDouble.of(field.usual()))
                .says("What it is most of the time; it stands where nothing was said.");
        var unit = f.text("unit", Field.Number::unit).usual("").always().says("What it is measured in.");
        return v -> new Field.Number(
                name.of(v), range.of(v), usual.of(v).orElse(range.of(v).middle()), unit.of(v));
    });

    private static final Form<Field.Choice> CHOICE = Form.of("ChoiceField", f -> {
        var name = f.name("name", Field.Choice::name).says("By which game code and ropes name it.");
        f.constant("type", "choice", "What the field carries.");
        var options = f.texts("options", Field.Choice::options)
                .from(1, Field.Choice.MOST_OPTIONS)
                .says("The words that it can be.");
        var reads = f.maybeText("reads", field -> Optional.of(field.reads()))
                .says("The words before an option in a sentence.");
        return v -> new Field.Choice(name.of(v), options.of(v), reads.of(v).orElse("with " + name.of(v)));
    });

    private static final Form<Field> PLAIN = Form.of("PlainField", f -> {
        var name = f.name("name", Field::name).says("By which game code and ropes name it.");
        var type =
                f.set("type", Type::of, TYPE.without(Type.NUMBER, Type.CHOICE)).says("What the field carries.");
        return v -> type.of(v).named(name.of(v));
    });

    /** A field of any type. */
    static final Notation<Field> FIELD = new Notation<>() {
        @Override
        Field read(JsonReader object, String key) {
            return object.read(key, this::read);
        }

        @Override
        Field read(JsonReader object) {
            return switch (TYPE.read(object, "type")) {
                case NUMBER -> NUMBER.read(object);
                case CHOICE -> CHOICE.read(object);
                default -> PLAIN.read(object);
            };
        }

        @Override
        JsonValue write(Field field) {
            return field.match(NUMBER::write, CHOICE::write, PLAIN::write, PLAIN::write, PLAIN::write, PLAIN::write);
        }

        @Override
        JsonObject rule(SchemaWriter schema) {
            return schema.named("Field", () -> {
                JsonObject rule = Json.object().put("title", "Field");
                rule.putArray("oneOf")
                        .add(NUMBER.object(schema))
                        .add(CHOICE.object(schema))
                        .add(PLAIN.object(schema));
                return rule;
            });
        }
    };

    static final Form<EventType> EVENT = Form.of("EventType", f -> {
        var name = f.set("name", EventType::name, Notations.pattern(EventType.NAME))
                .says("What is done or suffered, as subject.verb; a state may be named by its subject alone.");
        var shape = f.choice("shape", EventType::shape, EventType.Shape.class)
                .says("A moment happens at once; a span begins and ends; a state has one of some values.");
        var description = f.text("description", EventType::description)
                .usual("")
                .always()
                .says("What happens in the game, in a sentence.");
        var weight = f.whole("weight", EventType::weight)
                .within(EventType.WEIGHT)
                .says("How much it matters to the player, from 1 (faint) to 5 (grand); responses are compared by it.");
        var fields = f.list("fields", EventType::fields, FIELD)
                .atMost(EventType.MOST_FIELDS)
                .says("What the game says along with it.");
        var values = f.names("values", EventType::values)
                .usual(List.of())
                .from(2, EventType.MOST_VALUES)
                .unique()
                .says("Of a state; the first holds at the beginning.");
        var unanswered = f.maybeText("unanswered", EventType::unanswered)
                .characters(1, EventType.LONGEST_REASON)
                .says("Why nothing answers it and nothing shall.");
        return v -> new EventType(
                name.of(v), shape.of(v), description.of(v), weight.of(v), fields.of(v), values.of(v), unanswered.of(v));
    });

    static final Form<Channel> CHANNEL = Form.of("Channel", f -> {
        var name = f.name("name", Channel::name).says("By which the game publishes it.");
        var description =
                f.text("description", Channel::description).usual("").always().says("What it tells, in a sentence.");
        var range = f.range("range", Channel::range).says("What the game is expected to publish.");
        var usual = f.maybeNumber("usual", channel -> OptionalDouble.of(channel.usual()))
                .says("What holds until the game says something.");
        var unit = f.text("unit", Channel::unit).usual("").always().says("What it is measured in.");
        return v -> new Channel(
                name.of(v),
                description.of(v),
                range.of(v),
                usual.of(v).orElse(range.of(v).middle()),
                unit.of(v));
    });

    static final Form<Place> PLACE = Form.of("Place", f -> {
        var name = f.name("name", Place::name).says("By which ropes name it.");
        var position = f.vector("position", Place::position).says("Where it is in the world.");
        return v -> new Place(name.of(v), position.of(v));
    });

    private EventJson() {}
}
