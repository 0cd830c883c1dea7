package bellrope.format.json;

import bellrope.core.effect.Binding;
import bellrope.core.effect.Birth;
import bellrope.core.effect.Burst;
import bellrope.core.effect.Effect;
import bellrope.core.effect.Emitter;
import bellrope.core.effect.Life;
import bellrope.core.effect.Look;
import bellrope.core.effect.Parameter;
import bellrope.core.effect.Property;
import bellrope.core.effect.Shape;
import bellrope.core.effect.Stream;
import bellrope.core.value.Range;
import bellrope.core.value.Rgba;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Effects as JSON, both ways. */
final class EffectJson {
    private EffectJson() {}

    static Effect read(Thing thing) {
        String name = thing.text("name");
        String description = thing.text("description", "");
        OptionalDouble period =
                thing.has("period") ? OptionalDouble.of(thing.number("period")) : OptionalDouble.empty();
        List<Emitter> emitters = thing.list("emitters", EffectJson::emitter);
        List<Parameter> parameters = thing.list("parameters", EffectJson::parameter);
        return thing.make(() -> new Effect(name, description, period, emitters, parameters));
    }

    private static Emitter emitter(Thing thing) {
        String name = thing.text("name");
        int seed = thing.whole("seed");
        Thing birthThing = thing.thing("birth");
        Birth birth = birthThing == null ? null : birth(birthThing);
        Thing lookThing = thing.thing("look");
        Look look = lookThing == null ? null : look(lookThing);
        Thing lifeThing = thing.thing("life");
        Life life = lifeThing == null ? null : life(lifeThing);
        return thing.make(() -> new Emitter(name, seed, birth, look, life));
    }

    private static Birth birth(Thing thing) {
        List<Burst> bursts = thing.list("bursts", t -> {
            double at = t.number("at");
            int least = t.whole("least");
            int most = t.whole("most");
            return t.make(() -> new Burst(at, least, most));
        });
        Optional<Stream> stream =
                thing.has("stream") ? Optional.ofNullable(stream(thing.thing("stream"))) : Optional.empty();
        Thing shapeThing = thing.thing("shape");
        Shape shape = shapeThing == null ? null : shape(shapeThing);
        double spread = thing.number("spread");
        Range speed = thing.range("speed");
        Range lifetime = thing.range("lifetime");
        Range size = thing.range("size");
        Range rotation = thing.range("rotation", Range.ZERO);
        Range spin = thing.range("spin", Range.ZERO);
        Range opacity = thing.range("opacity", Range.ONE);
        List<String> colours = thing.texts("colour");
        if (colours.size() != 2) {
            thing.wrong("colour", colours.size() + " colours", "a pair: from, to");
        }
        return thing.make(() -> new Birth(
                bursts,
                stream,
                shape,
                spread,
                speed,
                lifetime,
                size,
                rotation,
                spin,
                opacity,
                thing.madeAt(
                        "colour", () -> new Birth.Between(Rgba.parse(colours.get(0)), Rgba.parse(colours.get(1))))));
    }

    private static Stream stream(Thing thing) {
        double perSecond = thing.number("perSecond");
        double from = thing.number("from", 0);
        OptionalDouble lasting =
                thing.has("lasting") ? OptionalDouble.of(thing.number("lasting")) : OptionalDouble.empty();
        return thing.make(() -> new Stream(perSecond, from, lasting));
    }

    private enum ShapeKind {
        POINT,
        DISC,
        CONE
    }

    private static Shape shape(Thing thing) {
        return switch (thing.choice("kind", ShapeKind.class)) {
            case POINT -> thing.make(Shape.Point::new);
            case DISC -> {
                double radius = thing.number("radius");
                yield thing.make(() -> new Shape.Disc(radius));
            }
            case CONE -> {
                double radius = thing.number("radius");
                double angle = thing.number("angle");
                yield thing.make(() -> new Shape.Cone(radius, angle));
            }
        };
    }

    private static Look look(Thing thing) {
        String sprite = thing.text("sprite");
        Look.Blend blend = thing.choice("blend", Look.Blend.class);
        Look.Order order = thing.choice("order", Look.Order.class);
        return thing.make(() -> new Look(sprite, blend, order));
    }

    private static Life life(Thing thing) {
        var gravity = thing.vector("gravity");
        double drag = thing.number("drag");
        var size = CurveJson.read(thing, "size");
        var opacity = CurveJson.read(thing, "opacity");
        var colour = CurveJson.readGradient(thing, "colour");
        return thing.make(() -> new Life(gravity, drag, size, opacity, colour));
    }

    private static Parameter parameter(Thing thing) {
        String name = thing.text("name");
        double standard = thing.number("default");
        double least = thing.number("least");
        double most = thing.number("most");
        String unit = thing.text("unit", "");
        String description = thing.text("description", "");
        List<Binding> bindings = thing.list("bindings", t -> {
            Property property = t.choice("property", Property.class);
            Binding.Mode mode = t.choice("mode", Binding.Mode.class);
            Optional<String> emitter = t.has("emitter") ? Optional.of(t.text("emitter")) : Optional.empty();
            return t.make(() -> new Binding(property, mode, emitter));
        });
        return thing.make(() -> new Parameter(name, standard, least, most, unit, description, bindings));
    }

    static ObjectNode write(Effect effect) {
        ObjectNode node = Json.object();
        node.put("name", effect.name());
        node.put("description", effect.description());
        if (effect.period().isPresent()) {
            node.set("period", Json.number(effect.period().getAsDouble()));
        }
        ArrayNode emitters = node.putArray("emitters");
        effect.emitters().forEach(emitter -> emitters.add(emitter(emitter)));
        ArrayNode parameters = node.putArray("parameters");
        effect.parameters().forEach(parameter -> parameters.add(parameter(parameter)));
        return node;
    }

    private static ObjectNode emitter(Emitter emitter) {
        ObjectNode node = Json.object();
        node.put("name", emitter.name());
        node.put("seed", emitter.seed());
        node.set("birth", birth(emitter.birth()));
        ObjectNode look = node.putObject("look");
        look.put("sprite", emitter.look().sprite());
        look.put("blend", Thing.word(emitter.look().blend()));
        look.put("order", Thing.word(emitter.look().order()));
        Life life = emitter.life();
        ObjectNode lifeNode = node.putObject("life");
        lifeNode.set("gravity", Json.vector(life.gravity()));
        lifeNode.set("drag", Json.number(life.drag()));
        lifeNode.set("size", CurveJson.write(life.size()));
        lifeNode.set("opacity", CurveJson.write(life.opacity()));
        lifeNode.set("colour", CurveJson.write(life.colour()));
        return node;
    }

    private static ObjectNode birth(Birth birth) {
        ObjectNode node = Json.object();
        ArrayNode bursts = node.putArray("bursts");
        for (Burst burst : birth.bursts()) {
            ObjectNode b = bursts.addObject();
            b.set("at", Json.number(burst.at()));
            b.put("least", burst.least());
            b.put("most", burst.most());
        }
        if (birth.stream().isPresent()) {
            Stream stream = birth.stream().get();
            ObjectNode s = node.putObject("stream");
            s.set("perSecond", Json.number(stream.perSecond()));
            s.set("from", Json.number(stream.from()));
            if (stream.lasting().isPresent()) {
                s.set("lasting", Json.number(stream.lasting().getAsDouble()));
            }
        }
        ObjectNode shape = node.putObject("shape");
        if (birth.shape() instanceof Shape.Disc disc) {
            shape.put("kind", "disc");
            shape.set("radius", Json.number(disc.radius()));
        } else if (birth.shape() instanceof Shape.Cone cone) {
            shape.put("kind", "cone");
            shape.set("radius", Json.number(cone.radius()));
            shape.set("angle", Json.number(cone.angle()));
        } else {
            shape.put("kind", "point");
        }
        node.set("spread", Json.number(birth.spread()));
        node.set("speed", Json.range(birth.speed()));
        node.set("lifetime", Json.range(birth.lifetime()));
        node.set("size", Json.range(birth.size()));
        node.set("rotation", Json.range(birth.rotation()));
        node.set("spin", Json.range(birth.spin()));
        node.set("opacity", Json.range(birth.opacity()));
        node.putArray("colour")
                .add(birth.colour().from().toString())
                .add(birth.colour().to().toString());
        return node;
    }

    private static ObjectNode parameter(Parameter parameter) {
        ObjectNode node = Json.object();
        node.put("name", parameter.name());
        node.set("default", Json.number(parameter.standard()));
        node.set("least", Json.number(parameter.least()));
        node.set("most", Json.number(parameter.most()));
        node.put("unit", parameter.unit());
        node.put("description", parameter.description());
        ArrayNode bindings = node.putArray("bindings");
        for (Binding binding : parameter.bindings()) {
            ObjectNode b = bindings.addObject();
            b.put("property", Thing.word(binding.property()));
            b.put("mode", Thing.word(binding.mode()));
            binding.emitter().ifPresent(name -> b.put("emitter", name));
        }
        return node;
    }
}
