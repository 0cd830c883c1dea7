package bellrope.format.json;

import bellrope.core.effect.End;
import bellrope.core.effect.End.Barrier;
import bellrope.core.effect.End.Child;
import bellrope.core.value.Curve;
import bellrope.core.value.Gradient;
import bellrope.core.value.Vec3;
import java.util.List;
import java.util.Optional;

/** The third act of an emitter as JSON, both ways. */
final class EndJson {
    private EndJson() {}

    static End read(JsonReader thing) {
        Optional<End.Collision> collision = thing.maybe("collision", EndJson::collision);
        List<Child> children = thing.has("children") ? thing.list("children", EndJson::child) : List.of();
        Optional<End.Trail> trail = thing.maybe("trail", EndJson::trail);
        return thing.make(() -> new End(collision, children, trail));
    }

    private enum BarrierKind {
        GROUND,
        PLANE,
        BOX
    }

    private static End.Collision collision(JsonReader thing) {
        Barrier with = thing.read("with", EndJson::barrier);
        double bounce = thing.number("bounce", 0);
        double friction = thing.number("friction", 0);
        double lifeLost = thing.number("lifeLost", 0);
        End.Outcome then = thing.choice("then", End.Outcome.class);
        return thing.make(() -> new End.Collision(with, bounce, friction, lifeLost, then));
    }

    private static Barrier barrier(JsonReader t) {
        return switch (t.choice("kind", BarrierKind.class)) {
            case GROUND -> {
                double level = t.number("level", 0);
                yield t.make(() -> new Barrier.Ground(level));
            }
            case PLANE -> {
                Vec3 place = t.vector("place", Vec3.ZERO);
                Vec3 normal = t.vector("normal", Vec3.UP);
                yield t.make(() -> new Barrier.Plane(place, normal));
            }
            case BOX -> {
                Vec3 place = t.vector("place", Vec3.ZERO);
                Vec3 size = t.vector("size");
                boolean keepsIn = t.yes("keepsIn");
                yield t.make(() -> new Barrier.Box(place, size, keepsIn));
            }
        };
    }

    private static Child child(JsonReader t) {
        Child.When when = t.choice("when", Child.When.class);
        Optional<String> emitter = t.maybeText("emitter");
        Optional<String> effect = t.maybeText("effect");
        int least = t.whole("least");
        int most = t.whole("most");
        double rate = t.number("rate", 1);
        double chance = t.number("chance", 1);
        double velocity = t.number("velocity", 0);
        boolean colour = t.yes("colour");
        boolean size = t.yes("size");
        int id = t.id();
        return t.make(() -> new Child(when, emitter, effect, least, most, rate, chance, velocity, colour, size, id));
    }

    private static End.Trail.Over over(JsonReader t) {
        double share = t.number("share", 1);
        Curve width = CurveJson.readOrOne(t, "width");
        Gradient colour = t.has("colour") ? CurveJson.readGradient(t, "colour") : Gradient.WHITE;
        return width == null || colour == null ? null : t.make(() -> new End.Trail.Over(share, width, colour));
    }

    private static End.Trail trail(JsonReader t) {
        double length = t.number("length");
        End.Trail.By by = t.choice("by", End.Trail.By.class);
        Curve width = CurveJson.readOrOne(t, "width");
        Gradient colour = t.has("colour") ? CurveJson.readGradient(t, "colour") : Gradient.WHITE;
        List<End.Trail.Over> over = t.has("over") ? t.list("over", EndJson::over) : List.of();
        return t.make(() -> new End.Trail(length, by, width, colour, over));
    }

    static JsonObject write(End end) {
        JsonObject node = Json.object();
        end.collision().ifPresent(collision -> node.set("collision", write(collision)));
        if (!end.children().isEmpty()) {
            JsonList children = node.putArray("children");
            end.children().forEach(child -> children.add(write(child)));
        }
        end.trail().ifPresent(trail -> {
            JsonObject t = node.putObject("trail");
            t.set("length", Json.number(trail.length()));
            t.put("by", JsonReader.word(trail.by()));
            t.set("width", CurveJson.write(trail.width()));
            t.set("colour", CurveJson.write(trail.colour()));
            if (!trail.over().isEmpty()) {
                JsonList over = t.putArray("over");
                trail.over().forEach(one -> {
                    JsonObject o = over.addObject();
                    Json.unless(o, "share", one.share(), 1);
                    o.set("width", CurveJson.write(one.width()));
                    o.set("colour", CurveJson.write(one.colour()));
                });
            }
        });
        return node;
    }

    private static JsonObject write(End.Collision collision) {
        JsonObject node = Json.object();
        JsonObject with = node.putObject("with");
        collision
                .with()
                .visit(
                        ground -> {
                            Json.kind(with, BarrierKind.GROUND);
                            Json.unless(with, "level", ground.level(), 0);
                        },
                        plane -> {
                            Json.kind(with, BarrierKind.PLANE);
                            with.set("place", Json.vector(plane.place()));
                            with.set("normal", Json.vector(plane.normal()));
                        },
                        box -> {
                            Json.kind(with, BarrierKind.BOX);
                            with.set("place", Json.vector(box.place()));
                            with.set("size", Json.vector(box.size()));
                            with.put("keepsIn", box.keepsIn());
                        });
        node.set("bounce", Json.number(collision.bounce()));
        node.set("friction", Json.number(collision.friction()));
        Json.unless(node, "lifeLost", collision.lifeLost(), 0);
        node.put("then", JsonReader.word(collision.then()));
        return node;
    }

    private static JsonObject write(Child child) {
        JsonObject node = Json.object();
        node.put("when", JsonReader.word(child.when()));
        child.emitter().ifPresent(name -> node.put("emitter", name));
        child.effect().ifPresent(name -> node.put("effect", name));
        node.put("least", child.least());
        node.put("most", child.most());
        Json.unless(node, "rate", child.rate(), 1);
        Json.unless(node, "chance", child.chance(), 1);
        Json.unless(node, "velocity", child.velocity(), 0);
        if (child.colour()) {
            node.put("colour", true);
        }
        if (child.size()) {
            node.put("size", true);
        }
        node.put("id", child.id());
        return node;
    }
}
