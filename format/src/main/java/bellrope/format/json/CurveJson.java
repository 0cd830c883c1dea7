package bellrope.format.json;

import bellrope.core.value.Curve;
import bellrope.core.value.Ease;
import bellrope.core.value.Gradient;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** Curves and gradients as JSON, both ways. */
final class CurveJson {
    private static final Map<String, Ease> PRESETS = new LinkedHashMap<>();

    static {
        PRESETS.put("linear", Ease.LINEAR);
        PRESETS.put("hold", Ease.HOLD);
        PRESETS.put("ease", Ease.EASE);
        PRESETS.put("ease-in", Ease.EASE_IN);
        PRESETS.put("ease-out", Ease.EASE_OUT);
        PRESETS.put("ease-in-out", Ease.EASE_IN_OUT);
    }

    private static final Form<Ease.Steps> STEPS =
            Form.of("Steps", "Even steps, as of CSS Easing Functions Level 1.", f -> {
                var steps = f.whole("steps", Ease.Steps::count)
                        .within(Ease.Steps.COUNT)
                        .says("How many steps there are to the next key.");
                var jump = f.choice("jump", Ease.Steps::jump, Ease.Steps.Jump.class)
                        .usual(Ease.Steps.Jump.NONE)
                        .says("At which ends the value jumps; with none, both values are held for a step.");
                return v -> new Ease.Steps(steps.of(v), jump.of(v));
            });

    private static final Form<Ease.Spline> SPLINE = Form.of("Spline", f -> {
        var out = f.number("out", Ease.Spline::out)
                .within(Ease.Spline.OUT)
                .says("The slope at which the curve leaves this key.");
        var in =
                f.number("in", Ease.Spline::in).within(Ease.Spline.IN).says("The slope at which it comes to the next.");
        return v -> new Ease.Spline(out.of(v), in.of(v));
    });

    private static final Notation<Ease> EASE =
            new Notations.Plain<>(CurveJson::ease, CurveJson::write, CurveJson::easeRule).hidden();

    private static final Form<Curve.Key> KEY = Form.of("Key", f -> {
        var at = f.number("at", Curve.Key::at).within(Curve.Key.AT).says("Life fraction, later than the key before.");
        var value = f.number("value", Curve.Key::value).within(Curve.Key.VALUE).says("What the lane is there.");
        var ease = f.set("ease", Curve.Key::ease, EASE)
                .usual(Ease.LINEAR)
                .always()
                .says("How it goes on from there to the next key.");
        return v -> new Curve.Key(at.of(v), value.of(v), ease.of(v));
    });

    private static final Form<Gradient.Stop> STOP = Form.of("Stop", f -> {
        var at = f.number("at", Gradient.Stop::at).within(Gradient.Stop.AT).says("Where in life the colour stands.");
        var colour = f.colour("colour", Gradient.Stop::colour).says("The colour there, and how opaque.");
        return v -> new Gradient.Stop(at.of(v), colour.of(v));
    });

    private static final Notation<List<Curve.Key>> KEYS = Notations.list(KEY);
    private static final Notation<List<Gradient.Stop>> STOPS = Notations.list(STOP);

    private CurveJson() {}

    static Curve read(JsonReader owner, String key) {
        List<Curve.Key> keys = KEYS.read(owner, key);
        return whole(owner, key, keys) ? owner.madeAt(key, () -> new Curve(keys)) : null;
    }

    static Gradient readGradient(JsonReader owner, String key) {
        List<Gradient.Stop> stops = STOPS.read(owner, key);
        return whole(owner, key, stops) ? owner.madeAt(key, () -> new Gradient(stops)) : null;
    }

    // Whether none was left out because it was wrong.
    private static boolean whole(JsonReader owner, String key, List<?> read) {
        JsonValue raw = owner.raw(key);
        return raw != null && raw.isList() && raw.size() == read.size();
    }

    private static Ease ease(JsonReader object, String key) {
        JsonValue raw = object.raw(key);
        if (raw.isText() && PRESETS.containsKey(raw.text())) {
            return PRESETS.get(raw.text());
        }
        if (raw.isList()) {
            double[] points = object.numbers(key, 4, "four numbers: x1, y1, x2, y2");
            return points == null
                    ? Ease.LINEAR
                    : object.madeAt(key, () -> new Ease.CubicBezier(points[0], points[1], points[2], points[3]));
        }
        if (raw.isObject()) {
            return object.read(key, t -> t.has("steps") ? STEPS.read(t) : SPLINE.read(t));
        }
        object.wrong(
                key,
                raw.shown(),
                "one of " + String.join(", ", PRESETS.keySet()) + ", four numbers, slopes: out, in, or steps");
        return Ease.LINEAR;
    }

    static JsonValue write(Curve curve) {
        return KEYS.write(curve.keys());
    }

    static JsonValue write(Gradient gradient) {
        return STOPS.write(gradient.stops());
    }

    private static JsonValue write(Ease ease) {
        for (Map.Entry<String, Ease> preset : PRESETS.entrySet()) {
            if (preset.getValue().equals(ease)) {
                return JsonLeaf.of(preset.getKey());
            }
        }
        return ease.match(new Ease.Cases<JsonValue>(
                linear -> JsonLeaf.of("linear"),
                hold -> JsonLeaf.of("hold"),
                b -> Json.array()
                        .add(Json.number(b.x1()))
                        .add(Json.number(b.y1()))
                        .add(Json.number(b.x2()))
                        .add(Json.number(b.y2())),
                SPLINE::write,
                STEPS::write));
    }

    static JsonObject rule(SchemaWriter schema) {
        return KEYS.rule(schema).put("minItems", 1).put("maxItems", Curve.MOST);
    }

    static JsonObject gradientRule(SchemaWriter schema) {
        return STOPS.rule(schema).put("minItems", 1).put("maxItems", Gradient.MOST);
    }

    private static JsonObject easeRule(SchemaWriter schema) {
        return schema.named("Ease", () -> {
            JsonObject rule = Json.object()
                    .put("title", "Ease")
                    .put(
                            "description",
                            "The way to the next key: a preset of CSS Easing Functions Level 1, a cubic Bézier, the slopes of a cubic spline (glTF 2.0), or even steps.");
            JsonList oneOf = rule.putArray("oneOf");
            oneOf.add(schema.named("EaseName", () -> {
                JsonObject name = Json.object().put("title", "EaseName");
                JsonList names = name.putArray("enum");
                PRESETS.keySet().forEach(names::add);
                return name;
            }));
            oneOf.add(Notations.numbers(4));
            oneOf.add(SPLINE.object(schema));
            oneOf.add(STEPS.object(schema));
            return rule;
        });
    }
}
