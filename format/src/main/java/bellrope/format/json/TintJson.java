package bellrope.format.json;

import bellrope.core.effect.Tint;
import bellrope.core.value.Rgba;
import bellrope.core.value.Weights;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/** The colours of particles at birth: a pair; or an object with a list of them, or with a gradient. */
final class TintJson {
    static final Notation<Tint> TINT =
            new Notations.Plain<>(TintJson::read, TintJson::write, s -> s.named("Tint", () -> rule(s)));

    private static final Form<Tint.From> FROM = Form.of("FromGradient", f -> {
        var from = f.gradient("from", Tint.From::gradient)
                .says("The colours, of which each particle takes one at a place of its own.");
        return v -> new Tint.From(from.of(v));
    });

    private TintJson() {}

    private static Tint read(JsonReader object, String key) {
        JsonValue raw = object.raw(key);
        if (raw != null && raw.isObject()) {
            return object.read(key, t -> t.has("from") ? FROM.read(t) : oneOf(t));
        }
        List<Rgba> pair = colours(object, key);
        if (raw != null && raw.isList() && raw.size() != 2) {
            object.wrong(
                    key, raw.size() + " colours", "a pair: from, to; or oneOf with a list; or from with a gradient");
        }
        return pair.size() == 2 ? new Tint.Between(pair.get(0), pair.get(1)) : null;
    }

    private static Tint oneOf(JsonReader object) {
        List<Rgba> colours = colours(object, "oneOf");
        double[] each = object.has("weights")
                ? object.numbers("weights", colours.size(), "a number for each of the colours")
                : null;
        List<Double> weights =
                each == null ? List.of() : Arrays.stream(each).boxed().toList();
        return object.make(() -> new Tint.OneOf(colours, weights));
    }

    private static List<Rgba> colours(JsonReader object, String key) {
        List<Rgba> colours = new ArrayList<>();
        List<String> texts = object.texts(key);
        for (int i = 0; i < texts.size(); i++) {
            String text = texts.get(i);
            Rgba colour = object.madeAt(key, i, () -> Rgba.parse(text));
            if (colour != null) {
                colours.add(colour);
            }
        }
        return colours;
    }

    private static JsonValue write(Tint tint) {
        return tint.match(
                between -> list(List.of(between.from(), between.to())),
                oneOf -> {
                    JsonObject one = Json.object().set("oneOf", list(oneOf.colours()));
                    if (!oneOf.weights().isEmpty()) {
                        JsonList weights = one.putArray("weights");
                        oneOf.weights().forEach(w -> weights.add(Json.number(w)));
                    }
                    return one;
                },
                FROM::write);
    }

    private static JsonValue list(List<Rgba> colours) {
        JsonList list = Json.array();
        colours.forEach(colour -> list.add(colour.toString()));
        return list;
    }

    private static JsonObject rule(SchemaWriter schema) {
        JsonObject rule = Json.object()
                .put("title", "Tint")
                .put(
                        "description",
                        "Each particle's own: between two in linear light, one of a list, or from a gradient.");
        JsonList oneOf = rule.putArray("oneOf");
        JsonObject pair = oneOf.addObject().put("type", "array");
        pair.putArray("prefixItems").add(Notations.COLOUR.rule(schema)).add(Notations.COLOUR.rule(schema));
        pair.put("items", false).put("minItems", 2);
        JsonObject listed = oneOf.addObject().put("type", "object").put("additionalProperties", false);
        listed.putArray("required").add("oneOf");
        JsonObject properties = listed.putObject("properties");
        several(properties.putObject("oneOf"), "The colours, of which each particle takes one.")
                .set("items", Notations.COLOUR.rule(schema));
        JsonObject weight = Setting.bound(Notations.type("number"), Weights.WEIGHT);
        several(properties.putObject("weights"), "How likely each is beside the others; equally likely if absent.")
                .set("items", weight);
        oneOf.add(FROM.object(schema));
        return rule;
    }

    private static JsonObject several(JsonObject rule, String what) {
        return rule.put("description", what)
                .put("type", "array")
                .put("minItems", 1)
                .put("maxItems", Tint.OneOf.MOST_COLOURS);
    }
}
