package bellrope.format.json;

import bellrope.core.value.Curve;
import bellrope.core.value.Ease;
import bellrope.core.value.Gradient;
import bellrope.core.value.Rgba;
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

    private CurveJson() {}

    static Curve read(JsonReader owner, String key) {
        List<Curve.Key> keys = owner.list(key, t -> {
            double at = t.number("at");
            double value = t.number("value");
            Ease ease = t.has("ease") ? ease(t) : Ease.LINEAR;
            return t.make(() -> new Curve.Key(at, value, ease));
        });
        return owner.raw(key) == null
                        || !owner.raw(key).isList()
                        || owner.raw(key).size() != keys.size()
                ? null
                : owner.madeAt(key, () -> new Curve(keys));
    }

    private static Ease ease(JsonReader key) {
        JsonValue raw = key.raw("ease");
        if (raw.isText() && PRESETS.containsKey(raw.text())) {
            return PRESETS.get(raw.text());
        }
        if (raw.isList()) {
            double[] points = key.numbers("ease", 4, "four numbers: x1, y1, x2, y2");
            return points == null
                    ? Ease.LINEAR
                    : key.madeAt("ease", () -> new Ease.CubicBezier(points[0], points[1], points[2], points[3]));
        }
        if (raw.isObject()) {
            Ease spline = key.read("ease", t -> {
                if (t.has("steps")) {
                    int steps = t.whole("steps");
                    Ease.Steps.Jump jump = t.choice("jump", Ease.Steps.Jump.class, Ease.Steps.Jump.NONE);
                    return t.make(() -> new Ease.Steps(steps, jump));
                }
                double out = t.number("out");
                double in = t.number("in");
                return t.make(() -> new Ease.Spline(out, in));
            });
            return spline == null ? Ease.LINEAR : spline;
        }
        key.wrong(
                "ease",
                raw.shown(),
                "one of " + String.join(", ", PRESETS.keySet()) + ", four numbers, slopes: out, in, or steps");
        return Ease.LINEAR;
    }

    static Gradient readGradient(JsonReader owner, String key) {
        List<Gradient.Stop> stops = owner.list(key, t -> {
            double at = t.number("at");
            Rgba colour = t.parsed("colour", Rgba::parse);
            return t.make(() -> new Gradient.Stop(at, colour));
        });
        return owner.raw(key) == null
                        || !owner.raw(key).isList()
                        || owner.raw(key).size() != stops.size()
                ? null
                : owner.madeAt(key, () -> new Gradient(stops));
    }

    /** Returns the curve under a key, or the one that changes nothing. */
    static Curve readOrOne(JsonReader owner, String key) {
        return owner.has(key) ? read(owner, key) : Curve.ONE;
    }

    static JsonList write(Curve curve) {
        JsonList keys = Json.array();
        for (Curve.Key key : curve.keys()) {
            JsonObject k = keys.addObject();
            k.set("at", Json.number(key.at()));
            k.set("value", Json.number(key.value()));
            k.set("ease", write(key.ease()));
        }
        return keys;
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
                spline -> Json.object().set("out", Json.number(spline.out())).set("in", Json.number(spline.in())),
                CurveJson::write));
    }

    private static JsonValue write(Ease.Steps steps) {
        JsonObject said = Json.object().set("steps", Json.number(steps.count()));
        if (steps.jump() != Ease.Steps.Jump.NONE) {
            said.put("jump", JsonReader.word(steps.jump()));
        }
        return said;
    }

    static JsonList write(Gradient gradient) {
        JsonList stops = Json.array();
        for (Gradient.Stop stop : gradient.stops()) {
            JsonObject s = stops.addObject();
            s.set("at", Json.number(stop.at()));
            s.put("colour", stop.colour().toString());
        }
        return stops;
    }
}
