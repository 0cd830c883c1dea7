package bellrope.format.json;

import bellrope.core.effect.Force;
import bellrope.core.effect.Life;
import bellrope.core.effect.Look;
import bellrope.core.value.Curve;
import bellrope.core.value.Gradient;
import bellrope.core.value.Vec3;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;

/** The second act of an emitter, and its look, as JSON, both ways. */
final class LifeJson {
    private LifeJson() {}

    static Life read(JsonReader thing) {
        Vec3 gravity = thing.vector("gravity");
        double drag = thing.number("drag");
        OptionalDouble rest = thing.maybeNumber("restWithin");
        boolean evenly = thing.yes("restEvenly");
        List<Force> forces = thing.has("forces") ? thing.list("forces", LifeJson::force) : List.of();
        Curve size = CurveJson.read(thing, "size");
        Curve opacity = CurveJson.read(thing, "opacity");
        Gradient colour = CurveJson.readGradient(thing, "colour");
        Optional<Gradient> other = thing.has("otherColour")
                ? Optional.ofNullable(CurveJson.readGradient(thing, "otherColour"))
                : Optional.empty();
        boolean live = thing.yes("live");
        Curve speed = CurveJson.readOrOne(thing, "speed");
        Curve spin = CurveJson.readOrOne(thing, "spin");
        Set<Life.Lane> replaces = EnumSet.noneOf(Life.Lane.class);
        if (thing.has("replaces")) {
            List<String> names = thing.texts("replaces");
            for (int i = 0; i < names.size(); i++) {
                lane(thing, names.get(i), i, replaces);
            }
        }
        Map<Life.Lane, Double> timed = new EnumMap<>(Life.Lane.class);
        thing.maybe("timed", t -> {
            for (Life.Lane lane : Life.Lane.values()) {
                t.maybeNumber(JsonReader.word(lane)).ifPresent(seconds -> timed.put(lane, seconds));
            }
            return t.make(() -> timed);
        });
        return thing.make(() -> new Life(
                gravity, drag, rest, evenly, forces, size, opacity, colour, other, speed, spin, replaces, timed, live));
    }

    private static void lane(JsonReader thing, String name, int index, Set<Life.Lane> into) {
        for (Life.Lane lane : Life.Lane.values()) {
            if (JsonReader.word(lane).equals(name)) {
                into.add(lane);
                return;
            }
        }
        thing.wrong("replaces", index, '"' + name + '"', "size, opacity, colour, speed or spin");
    }

    private enum ForceKind {
        ATTRACTOR,
        SWIRL,
        PUSH,
        TURBULENCE
    }

    private static Force force(JsonReader t) {
        return switch (t.choice("kind", ForceKind.class)) {
            case ATTRACTOR -> {
                Vec3 place = t.vector("place", Vec3.ZERO);
                double strength = t.number("strength");
                double radius = t.number("radius");
                Force.Falloff falloff = t.choice("falloff", Force.Falloff.class);
                yield t.make(() -> new Force.Attractor(place, strength, radius, falloff));
            }
            case SWIRL -> {
                Vec3 place = t.vector("place", Vec3.ZERO);
                Vec3 axis = t.vector("axis", Vec3.UP);
                double strength = t.number("strength");
                double radius = t.number("radius");
                Force.Falloff falloff = t.choice("falloff", Force.Falloff.class);
                yield t.make(() -> new Force.Swirl(place, axis, strength, radius, falloff));
            }
            case PUSH -> {
                double strength = t.number("strength");
                yield t.make(() -> new Force.Push(strength));
            }
            case TURBULENCE -> {
                double strength = t.number("strength");
                double size = t.number("size");
                double speed = t.number("speed");
                yield t.make(() -> new Force.Turbulence(strength, size, speed));
            }
        };
    }

    static JsonObject write(Life life) {
        JsonObject node = Json.object();
        node.set("gravity", Json.vector(life.gravity()));
        node.set("drag", Json.number(life.drag()));
        life.restWithin().ifPresent(rest -> node.set("restWithin", Json.number(rest)));
        if (life.restEvenly()) {
            node.put("restEvenly", true);
        }
        if (!life.forces().isEmpty()) {
            JsonList forces = node.putArray("forces");
            life.forces().forEach(force -> forces.add(write(force)));
        }
        node.set("size", CurveJson.write(life.size()));
        node.set("opacity", CurveJson.write(life.opacity()));
        node.set("colour", CurveJson.write(life.colour()));
        life.otherColour().ifPresent(other -> node.set("otherColour", CurveJson.write(other)));
        if (!life.speed().equals(Curve.ONE)) {
            node.set("speed", CurveJson.write(life.speed()));
        }
        if (!life.spin().equals(Curve.ONE)) {
            node.set("spin", CurveJson.write(life.spin()));
        }
        if (!life.replaces().isEmpty()) {
            JsonList replaces = node.putArray("replaces");
            life.replaces().forEach(lane -> replaces.add(JsonReader.word(lane)));
        }
        if (!life.timed().isEmpty()) {
            JsonObject timed = node.putObject("timed");
            life.timed().forEach((lane, seconds) -> timed.set(JsonReader.word(lane), Json.number(seconds)));
        }
        if (life.live()) {
            node.put("live", true);
        }
        return node;
    }

    private static JsonObject write(Force force) {
        JsonObject node = Json.object();
        force.visit(
                a -> {
                    Json.kind(node, ForceKind.ATTRACTOR);
                    node.set("place", Json.vector(a.place()));
                    node.set("strength", Json.number(a.strength()));
                    node.set("radius", Json.number(a.radius()));
                    node.put("falloff", JsonReader.word(a.falloff()));
                },
                s -> {
                    Json.kind(node, ForceKind.SWIRL);
                    node.set("place", Json.vector(s.place()));
                    node.set("axis", Json.vector(s.axis()));
                    node.set("strength", Json.number(s.strength()));
                    node.set("radius", Json.number(s.radius()));
                    node.put("falloff", JsonReader.word(s.falloff()));
                },
                p -> {
                    Json.kind(node, ForceKind.PUSH);
                    node.set("strength", Json.number(p.strength()));
                },
                t -> {
                    Json.kind(node, ForceKind.TURBULENCE);
                    node.set("strength", Json.number(t.strength()));
                    node.set("size", Json.number(t.size()));
                    node.set("speed", Json.number(t.speed()));
                });
        return node;
    }

    private enum FrameKind {
        FIRST,
        RANDOM,
        OVER_LIFE,
        LOOPING
    }

    private enum PostureKind {
        CAMERA,
        FLIGHT,
        SURFACE,
        FIXED
    }

    static Look look(JsonReader thing) {
        String sprite = thing.text("sprite");
        Look.Blend blend = thing.choice("blend", Look.Blend.class);
        Look.Order order = thing.choice("order", Look.Order.class);
        Look.Frame frame = thing.maybe("frame", LifeJson::frame).orElse(new Look.Frame.First(0));
        Look.Posture posture = thing.maybe("posture", LifeJson::posture).orElse(Look.Posture.CAMERA);
        double brightness = thing.number("brightness", 1);
        return thing.make(() -> new Look(sprite, blend, order, frame, posture, brightness));
    }

    private static Look.Frame frame(JsonReader t) {
        return switch (t.choice("kind", FrameKind.class)) {
            case FIRST -> {
                int number = t.whole("number", 0);
                yield t.make(() -> new Look.Frame.First(number));
            }
            case RANDOM -> t.make(Look.Frame.Random::new);
            case OVER_LIFE -> t.make(Look.Frame.OverLife::new);
            case LOOPING -> {
                OptionalDouble perSecond = t.maybeNumber("perSecond");
                yield t.make(() -> new Look.Frame.Looping(perSecond));
            }
        };
    }

    private static Look.Posture posture(JsonReader t) {
        return switch (t.choice("kind", PostureKind.class)) {
            case CAMERA -> t.make(() -> Look.Posture.CAMERA);
            case FLIGHT -> {
                double stretch = t.number("stretch", 0);
                yield t.make(() -> new Look.Posture.Flight(stretch));
            }
            case SURFACE -> t.make(Look.Posture.Surface::new);
            case FIXED -> {
                Vec3 normal = t.vector("normal");
                yield t.make(() -> new Look.Posture.Fixed(normal));
            }
        };
    }

    static JsonObject write(Look look) {
        JsonObject node = Json.object();
        node.put("sprite", look.sprite());
        node.put("blend", JsonReader.word(look.blend()));
        node.put("order", JsonReader.word(look.order()));
        if (!look.frame().equals(new Look.Frame.First(0))) {
            JsonObject frame = node.putObject("frame");
            look.frame()
                    .visit(
                            first -> {
                                Json.kind(frame, FrameKind.FIRST);
                                frame.put("number", first.number());
                            },
                            random -> Json.kind(frame, FrameKind.RANDOM),
                            overLife -> Json.kind(frame, FrameKind.OVER_LIFE),
                            looping -> {
                                Json.kind(frame, FrameKind.LOOPING);
                                looping.perSecond().ifPresent(rate -> frame.set("perSecond", Json.number(rate)));
                            });
        }
        if (!look.posture().equals(Look.Posture.CAMERA)) {
            JsonObject posture = node.putObject("posture");
            look.posture()
                    .visit(
                            camera -> Json.kind(posture, PostureKind.CAMERA),
                            flight -> {
                                Json.kind(posture, PostureKind.FLIGHT);
                                posture.set("stretch", Json.number(flight.stretch()));
                            },
                            surface -> Json.kind(posture, PostureKind.SURFACE),
                            fixed -> {
                                Json.kind(posture, PostureKind.FIXED);
                                posture.set("normal", Json.vector(fixed.normal()));
                            });
        }
        Json.unless(node, "brightness", look.brightness(), 1);
        return node;
    }
}
