package bellrope.format.json;

import bellrope.core.rope.Rope;
import bellrope.core.rope.Source;
import bellrope.core.value.Datum;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;

/** Sources as JSON, among the keys of what they drive: of which kind one is, is told by the key that is there. */
final class SourceJson implements Inline<Source> {
    /** What game code says; of anything that compares. */
    static final SourceJson COMPARED = new SourceJson(keys("field", "A number of the payload."), "channel", "since");

    /** What drives a parameter. */
    static final SourceJson DRIVING = new SourceJson(
            keys("field", "A field of the payload."), "channel", "since", "held", "constant", "random", "from");

    /** What a notice can carry. */
    static final SourceJson TOLD = new SourceJson(
            keys(
                    "field",
                    "Of the payload, as it came.",
                    "channel",
                    "As it is when the notice is sent.",
                    "from",
                    "Parameter of the rope's effect, as its feed sets it at that moment."),
            "constant");

    /** A length: a number, or a field of the payload. */
    static final Notation<Optional<Source>> LENGTH =
            new Notations.Plain<Optional<Source>>(SourceJson::length, SourceJson::length, SourceJson::length).hidden();

    private static final Map<String, String> SENTENCES = keys(
            "channel",
            "A number that the game publishes all the time.",
            "since",
            "Seconds since an event last came.",
            "held",
            "Seconds for which the span or state has lasted; 0 once it has ended.",
            "constant",
            "Always the same value.",
            "random",
            "A number drawn once for each pull, evenly over out; feeds with the same roll get the same draw.",
            "from",
            "Another parameter of the same effect.");

    private static final String[] MADE_BY_THE_ROPE = {"constant", "random", "from"};

    private final Map<String, String> own;
    private final String[] keys;

    private SourceJson(Map<String, String> own, String... others) {
        this.own = own;
        this.keys = Stream.concat(own.keySet().stream(), Stream.of(others)).toArray(String[]::new);
    }

    private static Map<String, String> keys(String... keysAndSentences) {
        Map<String, String> keys = new LinkedHashMap<>();
        for (int i = 0; i < keysAndSentences.length; i += 2) {
            keys.put(keysAndSentences[i], keysAndSentences[i + 1]);
        }
        return keys;
    }

    /** Returns the keys of which one is there. */
    String[] keys() {
        return keys;
    }

    @Override
    public Source among(JsonReader object) {
        if (this != COMPARED) {
            for (String key : MADE_BY_THE_ROPE) {
                if (object.has(key)) {
                    return made(object, key);
                }
            }
        }
        if (object.has("channel")) {
            String channel = object.text("channel");
            return object.madeAt("channel", () -> new Source.Channel(channel));
        }
        if (object.has("since")) {
            String event = object.text("since");
            return object.madeAt("since", () -> new Source.Since(event));
        }
        if (object.has("held")) {
            if (!object.yes("held")) {
                object.wrong("held", "false", "true, or no such key");
            }
            return new Source.Held();
        }
        return field(object);
    }

    private static Source field(JsonReader object) {
        String field = object.text("field");
        return object.madeAt("field", () -> new Source.Payload(field));
    }

    // What a rope makes up itself.
    private static Source made(JsonReader object, String key) {
        if (key.equals("constant")) {
            Datum value = object.datum("constant");
            return value == null ? null : new Source.Constant(value);
        }
        if (key.equals("random")) {
            int roll = object.whole("random");
            return object.madeAt("random", () -> new Source.Random(roll));
        }
        String from = object.text("from");
        return object.madeAt("from", () -> new Source.Parameter(from));
    }

    @Override
    public void write(Source source, JsonObject node) {
        source.visit(
                payload -> node.put("field", payload.field()),
                channel -> node.put("channel", channel.channel()),
                held -> node.put("held", true),
                since -> node.put("since", since.event()),
                constant -> node.set("constant", PayloadJson.node(constant.value())),
                random -> node.put("random", random.roll()),
                other -> node.put("from", other.parameter()));
    }

    @Override
    public void describe(JsonObject properties, JsonList required, SchemaWriter schema) {
        for (String key : keys) {
            JsonObject rule = Json.object().put("description", own.getOrDefault(key, SENTENCES.get(key)));
            JsonObject kind = switch (key) {
                case "held" -> Json.object().put("const", true);
                case "constant" -> Notations.DATUM.rule(schema);
                case "random" -> Setting.bound(Notations.type("integer"), Source.Random.RANDOM);
                default -> Notations.NAME.rule(schema);
            };
            kind.keys().forEach(k -> rule.set(k, kind.get(k)));
            properties.set(key, rule);
        }
    }

    private static Optional<Source> length(JsonReader object, String key) {
        if (object.raw(key).isNumber()) {
            Datum value = object.datum(key);
            return Optional.ofNullable(value).map(Source.Constant::new);
        }
        return Optional.ofNullable(object.read(key, t -> {
            Source source = field(t);
            return t.make(() -> source);
        }));
    }

    private static JsonValue length(Optional<Source> length) {
        Source source = length.orElseThrow();
        if (source instanceof Source.Constant constant) {
            return PayloadJson.node(constant.value());
        }
        JsonObject node = Json.object();
        DRIVING.write(source, node);
        return node;
    }

    private static JsonObject length(SchemaWriter schema) {
        JsonObject number = Setting.bound(Notations.type("number"), Rope.HIT);
        JsonObject field = Notations.type("object").put("additionalProperties", false);
        field.putArray("required").add("field");
        field.putObject("properties").set("field", Notations.NAME.rule(schema));
        JsonObject rule = Json.object();
        rule.putArray("oneOf").add(number).add(field);
        return rule;
    }
}
