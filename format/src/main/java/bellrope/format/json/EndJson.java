package bellrope.format.json;

import bellrope.core.effect.End;
import bellrope.core.effect.End.Barrier;
import bellrope.core.effect.End.Child;
import bellrope.core.effect.End.Trail;
import bellrope.core.value.Curve;
import bellrope.core.value.Gradient;
import bellrope.core.value.Vec3;
import java.util.List;

/** The third act of an emitter as JSON, both ways. */
final class EndJson {
    private static final Kinds<Barrier> BARRIER = Kinds.of("Barrier", "kind", k -> {
        var ground = k.kind("ground", Form.<Barrier.Ground>of("Ground", f -> {
            var level = f.number("level", Barrier.Ground::level)
                    .usual(0.0)
                    .within(Barrier.Ground.LEVEL, "u")
                    .says("Above the effect's place.");
            return v -> new Barrier.Ground(level.of(v));
        }));
        var plane = k.kind("plane", Form.<Barrier.Plane>of("Plane", f -> {
            var place = f.vector("place", Barrier.Plane::place)
                    .usual(Vec3.ZERO)
                    .always()
                    .within(Barrier.Plane.PLACE, "u")
                    .says("A place on it, in the effect's frame.");
            var normal = f.vector("normal", Barrier.Plane::normal)
                    .usual(Vec3.UP)
                    .always()
                    .says("Which way it faces.");
            return v -> new Barrier.Plane(place.of(v), normal.of(v));
        }));
        var box = k.kind("box", Form.<Barrier.Box>of("BoxBarrier", f -> {
            var place = f.vector("place", Barrier.Box::place)
                    .usual(Vec3.ZERO)
                    .always()
                    .within(Barrier.Box.PLACE, "u")
                    .says("Its middle, in the effect's frame.");
            var size = f.vector("size", Barrier.Box::size)
                    .within(Barrier.Box.SIZE, "u")
                    .says("Full width, height and depth, u.");
            var keepsIn = f.flag("keepsIn", Barrier.Box::keepsIn)
                    .always()
                    .says("Whether particles stay inside the box, or outside.");
            return v -> new Barrier.Box(place.of(v), size.of(v), keepsIn.of(v));
        }));
        return barrier -> barrier.match(ground::write, plane::write, box::write);
    });

    private static final Form<End.Collision> COLLISION = Form.of("Collision", f -> {
        var with = f.set("with", End.Collision::with, BARRIER).says("What it meets.");
        var bounce = f.number("bounce", End.Collision::bounce)
                .usual(0.0)
                .always()
                .within(End.Collision.BOUNCE, "×")
                .says("Share of the speed towards it that comes back.");
        var friction = f.number("friction", End.Collision::friction)
                .usual(0.0)
                .always()
                .within(End.Collision.FRICTION, "×")
                .says("Share of the speed along it that is lost.");
        var lifeLost = f.number("lifeLost", End.Collision::lifeLost)
                .usual(0.0)
                .within(End.Collision.LIFE_LOST, "×")
                .says("Share of the life left that is lost.");
        var then = f.choice("then", End.Collision::then, End.Outcome.class)
                .says("Whether it bounces, dies or stays there.");
        return v -> new End.Collision(with.of(v), bounce.of(v), friction.of(v), lifeLost.of(v), then.of(v));
    });

    private static final Form<Child> CHILD = Form.<Child>of(
                    "Child", "What a particle gives birth to: an emitter of the same effect, or another effect.", f -> {
                        var when = f.set("when", Child::when, Notations.choice("Moment", Child.When.class))
                                .says("When a particle spawns them.");
                        var emitter = f.maybeName("emitter", Child::emitter).says("The emitter that spawns them.");
                        var effect = f.maybeName("effect", Child::effect).says("The effect that begins there.");
                        var least = f.whole("least", Child::least)
                                .within(Child.COUNT)
                                .says("Fewest of them at once.");
                        var most =
                                f.whole("most", Child::most).within(Child.COUNT).says("Most of them at once.");
                        var rate = f.number("rate", Child::rate)
                                .usual(1.0)
                                .within(Child.RATE)
                                .says("Times per second or per u.");
                        var chance = f.number("chance", Child::chance)
                                .usual(1.0)
                                .within(Child.CHANCE)
                                .says("How likely each time is.");
                        var velocity = f.number("velocity", Child::velocity)
                                .usual(0.0)
                                .within(Child.VELOCITY, "×")
                                .says("Share of the parent's velocity.");
                        var colour = f.flag("colour", Child::colour)
                                .says("Whether the parent's colour multiplies the child's.");
                        var size =
                                f.flag("size", Child::size).says("Whether the parent's size multiplies the child's.");
                        var id = f.id(Child::id, Child.HIGHEST_ID);
                        return v -> new Child(
                                when.of(v),
                                emitter.of(v),
                                effect.of(v),
                                least.of(v),
                                most.of(v),
                                rate.of(v),
                                chance.of(v),
                                velocity.of(v),
                                colour.of(v),
                                size.of(v),
                                id.of(v));
                    })
            .oneOf("emitter", "effect");

    private static final Form<Trail.Over> OVER = Form.of("Strand", "A ribbon over another, along the same way.", f -> {
        var share = f.number("share", Trail.Over::share)
                .usual(1.0)
                .within(Trail.Over.SHARE)
                .says("Share of the other's length that it reaches.");
        var width = f.curve("width", Trail.Over::width)
                .usual(Curve.ONE)
                .always()
                .within(Trail.Over.WIDTH)
                .says("Multiplies the particle's size from the particle to the tail.");
        var colour = f.gradient("colour", Trail.Over::colour)
                .usual(Gradient.WHITE)
                .always()
                .says("Multiplies the particle's colour from the particle to the tail.");
        return v -> new Trail.Over(share.of(v), width.of(v), colour.of(v));
    });

    private static final Form<Trail> TRAIL = Form.<Trail>of("Trail", f -> {
                var length = f.number("length", Trail::length)
                        .within(Trail.By.UNITS.bounds())
                        .says("How far back it reaches.");
                var by = f.choice("by", Trail::by, Trail.By.class)
                        .says("Whether its length is told in seconds, in units, or in points, one for each step.");
                var width = f.curve("width", Trail::width)
                        .usual(Curve.ONE)
                        .always()
                        .within(Trail.WIDTH)
                        .says("Multiplies the particle's size from the particle to the tail.");
                var colour = f.gradient("colour", Trail::colour)
                        .usual(Gradient.WHITE)
                        .always()
                        .says("Multiplies the particle's colour from the particle to the tail.");
                var over = f.list("over", Trail::over, OVER)
                        .usual(List.of())
                        .atMost(Trail.MOST_OVER)
                        .says("Ribbons along the same way that are laid over it, the first the lowest.");
                return v -> new Trail(length.of(v), by.of(v), width.of(v), colour.of(v), over.of(v));
            })
            .also(rule -> {
                JsonList cases = rule.putArray("allOf");
                for (Trail.By by : Trail.By.values()) {
                    JsonObject one = cases.addObject();
                    one.putObject("if").putObject("properties").putObject("by").put("const", JsonReader.word(by));
                    JsonObject length =
                            one.putObject("then").putObject("properties").putObject("length");
                    if (by == Trail.By.POINTS) {
                        length.put("type", "integer");
                    }
                    Setting.bound(length, by.bounds());
                }
            });

    static final Form<End> END = Form.of("End", f -> {
        var collision =
                f.maybe("collision", End::collision, COLLISION).says("What particles bounce off, stick to, or die on.");
        var children = f.list("children", End::children, CHILD)
                .usual(List.of())
                .atMost(End.MOST_CHILDREN)
                .says("What a particle spawns.");
        var trail = f.maybe("trail", End::trail, TRAIL).says("A ribbon that a particle draws behind it.");
        return v -> new End(collision.of(v), children.of(v), trail.of(v));
    });

    private EndJson() {}
}
