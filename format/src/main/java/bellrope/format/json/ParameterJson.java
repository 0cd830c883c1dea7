package bellrope.format.json;

import bellrope.core.effect.Binding;
import bellrope.core.effect.Parameter;
import bellrope.core.effect.Property;
import bellrope.core.effect.Through;
import bellrope.core.effect.Type;
import bellrope.core.value.Datum;
import bellrope.core.value.Demand;
import bellrope.core.value.Range;
import bellrope.core.value.Remap;
import java.util.ArrayList;
import java.util.List;

/** Parameters, and what their values go through, as JSON, both ways. */
final class ParameterJson {
    /** The types by the words of files. */
    enum Kind {
        NUMBER,
        WHOLE,
        FLAG,
        CHOICE,
        VECTOR,
        COLOUR;

        private static Kind of(Type type) {
            return type.match(
                    number -> NUMBER,
                    whole -> WHOLE,
                    flag -> FLAG,
                    choice -> CHOICE,
                    vector -> VECTOR,
                    colour -> COLOUR);
        }
    }

    private static final Notation<double[]> PAIR = new Notations.Plain<>(
            (object, key) -> object.numbers(key, 2, "a pair: value at the least, value at the most"),
            pair -> Json.array().add(Json.number(pair[0])).add(Json.number(pair[1])),
            Notations.RANGE::rule);

    static final Form<Remap> REMAP = remap(true);

    /** A remap of a share that is drawn, from 0 to 1, which is not said. */
    static final Form<Remap> DRAWN = remap(false);

    private static Form<Remap> remap(boolean said) {
        String what = "Where a number lies in in, as a share from 0 to 1, shaped and carried onto out.";
        return Form.of("Remap", what, f -> {
            var in = said ? f.range("in", Remap::in).says("The least below the most.") : null;
            var out = f.set("out", (Remap remap) -> new double[] {remap.from(), remap.to()}, PAIR)
                    .says("Results at the least and at the most of in; may fall.");
            var clamp = f.flag("clamp", Remap::clamp)
                    .usual(true)
                    .says("false: what lies outside in goes on evenly instead of counting as its nearer end.");
            var shape = f.curve("shape", Remap::shape)
                    .usual(Remap.STRAIGHT)
                    .within(Remap.SHAPE)
                    .says("The share that each share becomes; straight if absent.");
            return v -> new Remap(
                    in == null ? new Range(0, 1) : in.of(v), out.of(v)[0], out.of(v)[1], clamp.of(v), shape.of(v));
        });
    }

    private static final String HIGHEST = "The highest value that is taken; for a vector, of each axis both ways.";

    // Between which numbers a number lies, and how it is turned.
    private record Ends(double least, double most, double step, boolean free) {
        private Type.Number number() {
            return new Type.Number(least, most, step, free);
        }

        private Type.Whole whole() {
            return new Type.Whole(least, most, step, free);
        }
    }

    private static final Form<Ends> ENDS = Form.of("", f -> {
        var least = f.number("least", Ends::least).says("The lowest value that is taken.");
        var most = f.number("most", Ends::most).says(HIGHEST);
        var step = f.number("step", Ends::step)
                .usual(0.0)
                .atLeast(0)
                .says("By which it is usually turned; any will do if absent.");
        var free = f.flag("free", Ends::free)
                .says("Whether values beyond its range are taken too; its range then only says where its slider ends.");
        return v -> new Ends(least.of(v), most.of(v), step.of(v), free.of(v));
    });

    // One among the other keys of a parameter: which of them there are depends on the type.
    private static final Inline<Type> TYPE = new Inline<>() {
        private final Form<Type.Number> number = Form.of("", f -> {
            var bounds = f.part((Type.Number n) -> new Ends(n.least(), n.most(), n.step(), n.free()), ENDS);
            return v -> bounds.of(v).number();
        });
        private final Form<Type.Whole> whole = Form.of("", f -> {
            var bounds = f.part((Type.Whole n) -> new Ends(n.least(), n.most(), n.step(), n.free()), ENDS);
            return v -> bounds.of(v).whole();
        });
        private final Form<Type.Flag> flag = Form.of("", f -> v -> new Type.Flag());
        private final Form<Type.Choice> choice = Form.of("", f -> {
            var options = f.names("options", Type.Choice::options)
                    .from(2, Type.Choice.MOST_OPTIONS)
                    .unique()
                    .says("The words that it can be.");
            return v -> new Type.Choice(options.of(v));
        });
        private final Form<Type.Vector> vector = Form.of("", f -> {
            var most = f.number("most", Type.Vector::most).says(HIGHEST);
            return v -> new Type.Vector(most.of(v));
        });
        private final Form<Type.Colour> colour = Form.of("", f -> {
            var opacity = f.flag("opacity", Type.Colour::opacity).says("Whether a colour has opacity.");
            return v -> new Type.Colour(opacity.of(v));
        });

        @Override
        public Type among(JsonReader object) {
            return switch (kind(object)) {
                case NUMBER -> number.among(object);
                case WHOLE -> whole.among(object);
                case FLAG -> flag.among(object);
                case CHOICE -> choice.among(object);
                case VECTOR -> vector.among(object);
                case COLOUR -> colour.among(object);
            };
        }

        // A word that is none was noted where the type itself was read.
        private Kind kind(JsonReader object) {
            JsonValue word = object.raw("type");
            for (Kind kind : Kind.values()) {
                if (word != null && word.isText() && JsonReader.word(kind).equals(word.text())) {
                    return kind;
                }
            }
            return Kind.NUMBER;
        }

        @Override
        public void write(Type type, JsonObject node) {
            type.visit(
                    t -> number.write(t, node),
                    t -> whole.write(t, node),
                    t -> flag.write(t, node),
                    t -> choice.write(t, node),
                    t -> vector.write(t, node),
                    t -> colour.write(t, node));
        }

        // Which of them must be there hangs on the type, which a schema of the whole parameter does not say.
        @Override
        public void describe(JsonObject properties, JsonList required, SchemaWriter schema) {
            for (Form<?> form : List.of(number, choice, colour)) {
                form.describe(properties, Json.array(), schema);
            }
        }
    };

    // One among the other keys of a binding.
    private static final Inline<Through> THROUGH = new Inline<>() {
        @Override
        public Through among(JsonReader object) {
            if (object.has("each")) {
                List<Double> numbers = new ArrayList<>();
                JsonValue each = object.raw("each");
                for (int i = 0; each.isList() && i < each.size(); i++) {
                    numbers.add(each.get(i).isNumber() ? each.get(i).number() : Double.NaN);
                }
                return object.part(() -> new Through.Each(numbers));
            }
            if (object.has("remap")) {
                Remap remap = REMAP.read(object, "remap");
                return remap == null ? null : new Through.Remap(remap);
            }
            return Through.STRAIGHT;
        }

        @Override
        public void write(Through through, JsonObject node) {
            through.visit(straight -> {}, remapped -> node.set("remap", REMAP.write(remapped.remap())), each -> {
                JsonList numbers = node.putArray("each");
                each.numbers().forEach(n -> numbers.add(Json.number(n)));
            });
        }

        @Override
        public void describe(JsonObject properties, JsonList required, SchemaWriter schema) {
            JsonObject remap =
                    properties.putObject("remap").put("description", "What the value becomes before it acts.");
            JsonObject rule = REMAP.rule(schema);
            rule.keys().forEach(key -> remap.set(key, rule.get(key)));
            properties
                    .putObject("each")
                    .put("description", "A number for each option of a choice, or for no and yes.")
                    .put("type", "array")
                    .put("minItems", 2)
                    .put("maxItems", Through.Each.MOST_EACH)
                    .set("items", Notations.type("number"));
        }
    };

    private static final Form<Binding> BINDING = Form.of("Binding", f -> {
        var property = f.set("property", Binding::property, Notations.choice("Property", Property.class))
                .says("What of the emitters it acts on.");
        var mode = f.set("mode", Binding::mode, Notations.choice("Mode", Binding.Mode.class))
                .says("Whether it multiplies, divides, is added, or stands instead.");
        var emitter = f.maybeName("emitter", Binding::emitter).says("Absent for all emitters.");
        var through = f.part(Binding::through, THROUGH);
        return v -> new Binding(property.of(v), mode.of(v), emitter.of(v), through.of(v));
    });

    static final Form<Parameter> PARAMETER = Form.of("Parameter", "A value that ropes and game code may set.", f -> {
        var name = f.name("name", Parameter::name).says("By which game code and ropes turn it.");
        f.set("type", (Parameter p) -> Kind.of(p.type()), Notations.choice("ParameterType", Kind.class))
                .usual(Kind.NUMBER)
                .says("What it is; a number if absent.");
        var standard = f.set("default", Parameter::standard, Notations.DATUM).says("What it is while nobody turns it.");
        var type = f.part(Parameter::type, TYPE);
        var unit = f.text("unit", Parameter::unit)
                .usual("")
                .always()
                .characters(0, Demand.LONGEST_NAME)
                .says("What it is measured in.");
        var description = f.text("description", Parameter::description)
                .usual("")
                .always()
                .characters(0, Parameter.LONGEST_DESCRIPTION)
                .says("What it is for, in a sentence; game code reads it.");
        var scale = f.flag("scale", Parameter::scale).says("Whether it is meant as a uniform scale of the effect.");
        var byGame = f.flag("byGame", Parameter::byGame).says("Whether game code sets it.");
        var bindings = f.list("bindings", Parameter::bindings, BINDING)
                .atMost(Parameter.MOST_BINDINGS)
                .says("What it acts on.");
        return v -> new Parameter(
                name.of(v),
                type.of(v),
                standard.of(v),
                unit.of(v),
                description.of(v),
                scale.of(v),
                byGame.of(v),
                bindings.of(v));
    });

    private ParameterJson() {}

    /** Reads a value of any type. */
    static Datum datum(JsonReader object, String key) {
        if (!object.has(key)) {
            object.wrong(key, "missing", "a number, a text, true or false, or three numbers");
            return null;
        }
        return object.datum(key);
    }
}
