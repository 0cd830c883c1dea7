package bellrope.format.json;

import bellrope.core.effect.Aim;
import bellrope.core.effect.Birth;
import bellrope.core.effect.Burst;
import bellrope.core.effect.Shape;
import bellrope.core.effect.Stream;
import bellrope.core.effect.Tint;
import bellrope.core.value.Curve;
import bellrope.core.value.Gradient;
import bellrope.core.value.Range;
import bellrope.core.value.Rgba;
import bellrope.core.value.Vec3;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;

/** The first act of an emitter as JSON, both ways. What is as usual is left out. */
final class BirthJson {
    private static final Birth USUAL = Birth.plain();

    private BirthJson() {}

    static Birth read(JsonReader thing) {
        Birth.Draft d = new Birth.Draft();
        d.bursts = thing.list("bursts", BirthJson::burst);
        d.stream = thing.maybe("stream", BirthJson::stream);
        d.perUnit = thing.maybeNumber("perUnit");
        d.delay = thing.number("delay", 0);
        d.cap = thing.has("cap") ? OptionalInt.of(thing.whole("cap")) : OptionalInt.empty();
        d.shape = thing.read("shape", BirthJson::shape);
        d.placing = thing.choice("placing", Shape.Placing.class, USUAL.placing());
        d.aim = thing.maybe("aim", BirthJson::aim).orElse(Aim.UP);
        d.spread = thing.number("spread");
        d.offset = thing.vector("offset", Vec3.ZERO);
        d.turn = thing.vector("turn", Vec3.ZERO);
        d.space = thing.choice("space", Birth.Space.class, USUAL.space());
        d.inherit = thing.number("inherit", 0);
        d.speed = thing.range("speed");
        d.lifetime = thing.range("lifetime");
        d.size = thing.range("size");
        d.sizes = thing.has("sizes") ? thing.list("sizes", BirthJson::pick) : List.of();
        d.height = thing.has("height") ? Optional.of(thing.range("height")) : Optional.empty();
        d.rotation = thing.range("rotation", Range.ZERO);
        d.spin = thing.range("spin", Range.ZERO);
        d.opacity = thing.range("opacity", Range.ONE);
        d.gravity = thing.range("gravity", USUAL.gravity());
        d.colour = tint(thing);
        return thing.make(d::birth);
    }

    private static Burst burst(JsonReader t) {
        double at = t.number("at");
        int least = t.whole("least");
        int most = t.whole("most");
        int times = t.whole("times", 1);
        double pause = t.number("pause", 0);
        double chance = t.number("chance", 1);
        int id = t.id();
        return t.make(() -> new Burst(at, least, most, times, pause, chance, id));
    }

    private static Stream stream(JsonReader t) {
        double perSecond = t.number("perSecond");
        Curve over = CurveJson.readOrOne(t, "over");
        double from = t.number("from", 0);
        OptionalDouble lasting = t.maybeNumber("lasting");
        return t.make(() -> new Stream(perSecond, over, from, lasting));
    }

    private enum ShapeKind {
        POINT,
        CIRCLE,
        SPHERE,
        CONE,
        BOX,
        LINE
    }

    private static Shape shape(JsonReader t) {
        switch (t.choice("kind", ShapeKind.class)) {
            case CIRCLE -> {
                double radius = t.number("radius");
                Shape.Fill fill = t.choice("fill", Shape.Fill.class, Shape.Fill.INSIDE);
                double arc = t.number("arc", 360);
                return t.make(() -> new Shape.Circle(radius, fill, arc));
            }
            case SPHERE -> {
                double radius = t.number("radius");
                Shape.Fill fill = t.choice("fill", Shape.Fill.class, Shape.Fill.INSIDE);
                return t.make(() -> new Shape.Sphere(radius, fill));
            }
            case CONE -> {
                double radius = t.number("radius");
                double angle = t.number("angle");
                return t.make(() -> new Shape.Cone(radius, angle));
            }
            case BOX -> {
                Vec3 size = t.vector("size");
                return t.make(() -> new Shape.Box(size));
            }
            case LINE -> {
                double length = t.number("length");
                return t.make(() -> new Shape.Line(length));
            }
            default -> {
                return t.make(Shape.Point::new);
            }
        }
    }

    private enum AimKind {
        OUTWARD,
        ALONG,
        TANGENT,
        AXES
    }

    private static Birth.Pick pick(JsonReader t) {
        double size = t.number("size");
        double weight = t.number("weight", 1);
        return t.make(() -> new Birth.Pick(size, weight));
    }

    private static Aim aim(JsonReader t) {
        return switch (t.choice("kind", AimKind.class)) {
            case OUTWARD -> t.make(Aim.Outward::new);
            case TANGENT -> t.make(Aim.Tangent::new);
            case ALONG -> {
                Vec3 axis = t.vector("axis", Vec3.UP);
                yield t.make(() -> new Aim.Along(axis));
            }
            case AXES -> {
                Range x = t.range("x");
                Range y = t.range("y");
                Range z = t.range("z");
                yield x == null || y == null || z == null ? null : t.make(() -> new Aim.Axes(x, y, z));
            }
        };
    }

    // A pair of colours; or an object with a list of them, or a gradient.
    private static Tint tint(JsonReader thing) {
        JsonValue raw = thing.raw("colour");
        if (raw != null && raw.isObject()) {
            Tint tint = thing.read("colour", t -> {
                if (t.has("from")) {
                    Gradient gradient = CurveJson.readGradient(t, "from");
                    return t.make(() -> new Tint.From(gradient));
                }
                List<Rgba> colours = colours(t, "oneOf");
                double[] each = t.has("weights")
                        ? t.numbers("weights", colours.size(), "a number for each of the colours")
                        : null;
                List<Double> weights =
                        each == null ? List.of() : Arrays.stream(each).boxed().toList();
                return t.make(() -> new Tint.OneOf(colours, weights));
            });
            return tint == null ? USUAL.colour() : tint;
        }
        List<Rgba> pair = colours(thing, "colour");
        if (raw != null && raw.isList() && raw.size() != 2) {
            thing.wrong(
                    "colour",
                    raw.size() + " colours",
                    "a pair: from, to; or oneOf with a list; or from with a gradient");
        }
        return pair.size() == 2 ? new Tint.Between(pair.get(0), pair.get(1)) : USUAL.colour();
    }

    private static List<Rgba> colours(JsonReader thing, String key) {
        List<Rgba> colours = new ArrayList<>();
        List<String> texts = thing.texts(key);
        for (int i = 0; i < texts.size(); i++) {
            String text = texts.get(i);
            Rgba colour = thing.madeAt(key, i, () -> Rgba.parse(text));
            if (colour != null) {
                colours.add(colour);
            }
        }
        return colours;
    }

    static JsonObject write(Birth birth) {
        JsonObject node = Json.object();
        JsonList bursts = node.putArray("bursts");
        for (Burst burst : birth.bursts()) {
            JsonObject b = bursts.addObject();
            b.set("at", Json.number(burst.at()));
            b.put("least", burst.least());
            b.put("most", burst.most());
            Json.unless(b, "times", burst.times(), 1);
            Json.unless(b, "pause", burst.pause(), 0);
            Json.unless(b, "chance", burst.chance(), 1);
            b.put("id", burst.id());
        }
        birth.stream().ifPresent(stream -> {
            JsonObject s = node.putObject("stream");
            s.set("perSecond", Json.number(stream.perSecond()));
            if (!stream.even()) {
                s.set("over", CurveJson.write(stream.over()));
            }
            s.set("from", Json.number(stream.from()));
            stream.lasting().ifPresent(lasting -> s.set("lasting", Json.number(lasting)));
        });
        birth.perUnit().ifPresent(perUnit -> node.set("perUnit", Json.number(perUnit)));
        Json.unless(node, "delay", birth.delay(), 0);
        birth.cap().ifPresent(cap -> node.put("cap", cap));
        node.set("shape", write(birth.shape()));
        if (birth.placing() != USUAL.placing()) {
            node.put("placing", JsonReader.word(birth.placing()));
        }
        if (!birth.aim().equals(Aim.UP)) {
            JsonObject aim = node.putObject("aim");
            birth.aim()
                    .visit(
                            outward -> Json.kind(aim, AimKind.OUTWARD),
                            along -> {
                                Json.kind(aim, AimKind.ALONG);
                                aim.set("axis", Json.vector(along.axis()));
                            },
                            tangent -> Json.kind(aim, AimKind.TANGENT),
                            axes -> {
                                Json.kind(aim, AimKind.AXES);
                                aim.set("x", Json.range(axes.x()));
                                aim.set("y", Json.range(axes.y()));
                                aim.set("z", Json.range(axes.z()));
                            });
        }
        node.set("spread", Json.number(birth.spread()));
        Json.unless(node, "offset", birth.offset(), Vec3.ZERO);
        Json.unless(node, "turn", birth.turn(), Vec3.ZERO);
        if (birth.space() != USUAL.space()) {
            node.put("space", JsonReader.word(birth.space()));
        }
        Json.unless(node, "inherit", birth.inherit(), 0);
        node.set("speed", Json.range(birth.speed()));
        node.set("lifetime", Json.range(birth.lifetime()));
        node.set("size", Json.range(birth.size()));
        if (!birth.sizes().isEmpty()) {
            JsonList sizes = node.putArray("sizes");
            for (Birth.Pick pick : birth.sizes()) {
                JsonObject one = sizes.addObject().set("size", Json.number(pick.size()));
                Json.unless(one, "weight", pick.weight(), 1);
            }
        }
        birth.height().ifPresent(height -> node.set("height", Json.range(height)));
        node.set("rotation", Json.range(birth.rotation()));
        node.set("spin", Json.range(birth.spin()));
        node.set("opacity", Json.range(birth.opacity()));
        if (!birth.fallsEvenly()) {
            node.set("gravity", Json.range(birth.gravity()));
        }
        write(node, birth.colour());
        return node;
    }

    private static void write(JsonObject node, Tint tint) {
        node.set(
                "colour",
                tint.match(
                        between -> list(List.of(between.from(), between.to())),
                        oneOf -> {
                            JsonObject one = Json.object().set("oneOf", list(oneOf.colours()));
                            if (!oneOf.weights().isEmpty()) {
                                JsonList weights = one.putArray("weights");
                                oneOf.weights().forEach(w -> weights.add(Json.number(w)));
                            }
                            return one;
                        },
                        from -> Json.object().set("from", CurveJson.write(from.gradient()))));
    }

    private static JsonValue list(List<Rgba> colours) {
        JsonList list = Json.object().putArray("");
        colours.forEach(colour -> list.add(colour.toString()));
        return list;
    }

    private static JsonObject write(Shape shape) {
        JsonObject node = Json.object();
        shape.visit(
                point -> Json.kind(node, ShapeKind.POINT),
                circle -> {
                    Json.kind(node, ShapeKind.CIRCLE);
                    node.set("radius", Json.number(circle.radius()));
                    node.put("fill", JsonReader.word(circle.fill()));
                    Json.unless(node, "arc", circle.arc(), 360);
                },
                sphere -> {
                    Json.kind(node, ShapeKind.SPHERE);
                    node.set("radius", Json.number(sphere.radius()));
                    node.put("fill", JsonReader.word(sphere.fill()));
                },
                cone -> {
                    Json.kind(node, ShapeKind.CONE);
                    node.set("radius", Json.number(cone.radius()));
                    node.set("angle", Json.number(cone.angle()));
                },
                box -> {
                    Json.kind(node, ShapeKind.BOX);
                    node.set("size", Json.vector(box.size()));
                },
                line -> {
                    Json.kind(node, ShapeKind.LINE);
                    node.set("length", Json.number(line.length()));
                });
        return node;
    }
}
