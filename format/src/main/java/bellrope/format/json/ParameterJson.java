package bellrope.format.json;

import bellrope.core.effect.Binding;
import bellrope.core.effect.Parameter;
import bellrope.core.effect.Property;
import bellrope.core.effect.Through;
import bellrope.core.effect.Type;
import bellrope.core.value.Curve;
import bellrope.core.value.Datum;
import bellrope.core.value.Range;
import bellrope.core.value.Remap;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Parameters, and what their values go through, as JSON, both ways. */
final class ParameterJson {
    private ParameterJson() {}

    /** The types by the words of files. */
    enum Kind {
        NUMBER,
        WHOLE,
        FLAG,
        CHOICE,
        VECTOR,
        COLOUR
    }

    static Parameter read(JsonReader thing) {
        String name = thing.text("name");
        Kind kind = thing.choice("type", Kind.class, Kind.NUMBER);
        Type type = kind == null ? null : type(thing, kind);
        Datum standard = datum(thing, "default");
        String unit = thing.text("unit", "");
        String description = thing.text("description", "");
        boolean scale = thing.yes("scale");
        boolean byGame = thing.yes("byGame");
        List<Binding> bindings = thing.list("bindings", ParameterJson::binding);
        return type == null || standard == null
                ? null
                : thing.make(() -> new Parameter(name, type, standard, unit, description, scale, byGame, bindings));
    }

    private static Type type(JsonReader thing, Kind kind) {
        return switch (kind) {
            case NUMBER -> {
                double least = thing.number("least");
                double most = thing.number("most");
                double step = thing.number("step", 0);
                boolean free = thing.yes("free");
                yield thing.part(() -> new Type.Number(least, most, step, free));
            }
            case WHOLE -> {
                double least = thing.number("least");
                double most = thing.number("most");
                double step = thing.number("step", 0);
                boolean free = thing.yes("free");
                yield thing.part(() -> new Type.Whole(least, most, step, free));
            }
            case FLAG -> new Type.Flag();
            case CHOICE -> {
                List<String> options = thing.texts("options");
                yield thing.part(() -> new Type.Choice(options));
            }
            case VECTOR -> {
                double most = thing.number("most");
                yield thing.part(() -> new Type.Vector(most));
            }
            case COLOUR -> new Type.Colour(thing.yes("opacity"));
        };
    }

    private static Binding binding(JsonReader thing) {
        Property property = thing.choice("property", Property.class);
        Binding.Mode mode = thing.choice("mode", Binding.Mode.class);
        Optional<String> emitter = thing.maybeText("emitter");
        Through through = Through.STRAIGHT;
        if (thing.has("each")) {
            List<Double> numbers = new ArrayList<>();
            JsonValue each = thing.raw("each");
            for (int i = 0; each.isList() && i < each.size(); i++) {
                numbers.add(each.get(i).isNumber() ? each.get(i).number() : Double.NaN);
            }
            through = thing.part(() -> new Through.Each(numbers));
        } else if (thing.has("remap")) {
            through = thing.read("remap", t -> {
                Remap remap = remap(t, t.range("in"));
                return remap == null ? null : new Through.Remap(remap);
            });
        }
        Through made = through;
        return property == null || mode == null || made == null
                ? null
                : thing.make(() -> new Binding(property, mode, emitter, made));
    }

    /** Reads the rest of a remap whose {@code in} is known. */
    static Remap remap(JsonReader thing, Range in) {
        double[] out = thing.numbers("out", 2, "a pair: value at the least, value at the most");
        boolean clamp = !thing.has("clamp") || thing.yes("clamp");
        Curve shape = thing.has("shape") ? CurveJson.read(thing, "shape") : Remap.STRAIGHT;
        return in == null || out == null || shape == null
                ? null
                : thing.part(() -> new Remap(in, out[0], out[1], clamp, shape));
    }

    /** Writes a remap but for its {@code in}. */
    static void write(Remap remap, JsonObject node) {
        node.putArray("out").add(Json.number(remap.from())).add(Json.number(remap.to()));
        if (!remap.clamp()) {
            node.put("clamp", false);
        }
        if (!remap.straight()) {
            node.set("shape", CurveJson.write(remap.shape()));
        }
    }

    /** Reads a value of any type. */
    static Datum datum(JsonReader thing, String key) {
        if (!thing.has(key)) {
            thing.wrong(key, "missing", "a number, a text, true or false, or three numbers");
            return null;
        }
        return thing.datum(key);
    }

    static JsonObject write(Parameter parameter) {
        JsonObject node = Json.object();
        node.put("name", parameter.name());
        Type type = parameter.type();
        Kind kind = kind(type);
        if (kind != Kind.NUMBER) {
            node.put("type", JsonReader.word(kind));
        }
        node.set("default", PayloadJson.node(parameter.standard()));
        type.visit(
                n -> bounds(node, n.least(), n.most(), n.step(), n.free()),
                n -> bounds(node, n.least(), n.most(), n.step(), n.free()),
                flag -> {},
                choice -> {
                    JsonList options = node.putArray("options");
                    choice.options().forEach(options::add);
                },
                vector -> node.set("most", Json.number(vector.most())),
                colour -> {
                    if (colour.opacity()) {
                        node.put("opacity", true);
                    }
                });
        node.put("unit", parameter.unit());
        node.put("description", parameter.description());
        if (parameter.scale()) {
            node.put("scale", true);
        }
        if (parameter.byGame()) {
            node.put("byGame", true);
        }
        JsonList bindings = node.putArray("bindings");
        for (Binding binding : parameter.bindings()) {
            JsonObject b = bindings.addObject();
            b.put("property", JsonReader.word(binding.property()));
            b.put("mode", JsonReader.word(binding.mode()));
            binding.emitter().ifPresent(name -> b.put("emitter", name));
            binding.through()
                    .visit(
                            straight -> {},
                            through -> {
                                JsonObject remap = b.putObject("remap");
                                remap.set("in", Json.range(through.remap().in()));
                                write(through.remap(), remap);
                            },
                            each -> {
                                JsonList numbers = b.putArray("each");
                                each.numbers().forEach(n -> numbers.add(Json.number(n)));
                            });
        }
        return node;
    }

    private static void bounds(JsonObject node, double least, double most, double step, boolean free) {
        node.set("least", Json.number(least));
        node.set("most", Json.number(most));
        Json.unless(node, "step", step, 0);
        if (free) {
            node.put("free", true);
        }
    }

    private static Kind kind(Type type) {
        return type.match(
                number -> Kind.NUMBER,
                whole -> Kind.WHOLE,
                flag -> Kind.FLAG,
                choice -> Kind.CHOICE,
                vector -> Kind.VECTOR,
                colour -> Kind.COLOUR);
    }
}
