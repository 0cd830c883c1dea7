package bellrope.format.json;

import bellrope.core.effect.Aim;
import bellrope.core.effect.Birth;
import bellrope.core.effect.Burst;
import bellrope.core.effect.Shape;
import bellrope.core.effect.Stream;
import bellrope.core.value.Curve;
import bellrope.core.value.Range;
import bellrope.core.value.Vec3;
import bellrope.core.value.Weights;
import java.util.List;
import java.util.function.Function;

/** The first act of an emitter as JSON, both ways. */
final class BirthJson {
    private static final Birth USUAL = Birth.plain();

    private static final Form<Burst> BURST = Form.of("Burst", f -> {
        var at = f.number("at", Burst::at)
                .within(Burst.AT, "s")
                .says("When it happens, counted from the beginning of the effect.");
        var least = f.whole("least", Burst::least).within(Burst.COUNT).says("Fewest particles of one burst.");
        var most = f.whole("most", Burst::most).within(Burst.COUNT).says("Most particles of one burst.");
        var times = f.whole("times", Burst::times).usual(1).within(Burst.TIMES).says("How many times it happens.");
        var pause = f.number("pause", Burst::pause)
                .usual(0.0)
                .within(Burst.PAUSE, "s")
                .says("Seconds between two of them.");
        var chance = f.number("chance", Burst::chance)
                .usual(1.0)
                .within(Burst.CHANCE)
                .says("How likely each of them happens.");
        var id = f.id(Burst::id, Burst.HIGHEST_ID);
        return v -> new Burst(at.of(v), least.of(v), most.of(v), times.of(v), pause.of(v), chance.of(v), id.of(v));
    });

    private static final Form<Stream> STREAM = Form.of("Stream", f -> {
        var perSecond = f.number("perSecond", Stream::perSecond)
                .within(Stream.PER_SECOND, "/s")
                .says("Particles a second, at even intervals.");
        var over = f.curve("over", Stream::over)
                .usual(Curve.ONE)
                .within(Stream.OVER)
                .says("Multiplies the rate over the effect's duration.");
        var from = f.number("from", Stream::from)
                .usual(0.0)
                .always()
                .within(Stream.FROM, "s")
                .says("When the stream begins.");
        var lasting = f.maybeNumber("lasting", Stream::lasting)
                .within(Stream.LASTING, "s")
                .says("How long it lasts; for the whole duration, or as long as a loop runs, if absent.");
        return v -> new Stream(perSecond.of(v), over.of(v), from.of(v), lasting.of(v));
    });

    private static final Notation<Shape.Fill> FILL = Notations.choice("Fill", Shape.Fill.class);

    private static <S> Setting<S, Shape.Fill> fill(Form.Keys<S> f, Function<S, Shape.Fill> getter) {
        return f.set("fill", getter, FILL)
                .usual(Shape.Fill.INSIDE)
                .always()
                .says("On its rim or shell, or all through.");
    }

    private static final Kinds<Shape> SHAPE = Kinds.of("Shape", "kind", k -> {
        var point = k.kind("point", "Point", f -> v -> new Shape.Point());
        var circle = k.kind("circle", Form.<Shape.Circle>of("Circle", f -> {
            var radius = f.number("radius", Shape.Circle::radius)
                    .within(Shape.Circle.RADIUS, "u")
                    .says("From its middle to its rim.");
            var fill = fill(f, Shape.Circle::fill);
            var arc = f.number("arc", Shape.Circle::arc)
                    .usual(360.0)
                    .within(Shape.Circle.ARC, "°")
                    .says("Degrees of a circle.");
            return v -> new Shape.Circle(radius.of(v), fill.of(v), arc.of(v));
        }));
        var sphere = k.kind("sphere", Form.<Shape.Sphere>of("Sphere", f -> {
            var radius = f.number("radius", Shape.Sphere::radius)
                    .within(Shape.Sphere.RADIUS, "u")
                    .says("From its middle to its shell.");
            var fill = fill(f, Shape.Sphere::fill);
            return v -> new Shape.Sphere(radius.of(v), fill.of(v));
        }));
        var cone = k.kind("cone", Form.<Shape.Cone>of("Cone", f -> {
            var radius = f.number("radius", Shape.Cone::radius)
                    .within(Shape.Cone.RADIUS, "u")
                    .says("Of the disc that it begins with; 0 is a tip.");
            var angle = f.number("angle", Shape.Cone::angle)
                    .within(Shape.Cone.ANGLE, "°")
                    .says("Degrees from the facing to the side of a cone.");
            return v -> new Shape.Cone(radius.of(v), angle.of(v));
        }));
        var box = k.kind("box", Form.<Shape.Box>of("Box", f -> {
            var size = f.vector("size", Shape.Box::size)
                    .within(Shape.Box.SIZE, "u")
                    .says("Full width, height and depth of a box, u.");
            return v -> new Shape.Box(size.of(v));
        }));
        var line = k.kind("line", Form.<Shape.Line>of("Line", f -> {
            var length = f.number("length", Shape.Line::length)
                    .within(Shape.Line.LENGTH, "u")
                    .says("From end to end, along x.");
            return v -> new Shape.Line(length.of(v));
        }));
        return shape -> shape.match(point::write, circle::write, sphere::write, cone::write, box::write, line::write);
    });

    private static final Kinds<Aim> AIM = Kinds.of("Aim", "kind", "Which way, in the emitter's frame.", k -> {
        var outward = k.kind("outward", "Outward", f -> v -> new Aim.Outward());
        var along = k.kind("along", Form.<Aim.Along>of("Along", f -> {
            var axis = f.vector("axis", Aim.Along::axis)
                    .usual(Vec3.UP)
                    .always()
                    .says("Which way they are thrown, in the effect's frame: y along the facing.");
            return v -> new Aim.Along(axis.of(v));
        }));
        var tangent = k.kind("tangent", "Tangent", f -> v -> new Aim.Tangent());
        var axes = k.kind(
                "axes",
                Form.<Aim.Axes>of(
                        "Axes",
                        "A velocity drawn for each axis by itself; the speed multiplies it, and there is no spread.",
                        f -> {
                            var x = f.range("x", Aim.Axes::x)
                                    .within(Aim.Axes.X, "u/s")
                                    .says("Least and most along x.");
                            var y = f.range("y", Aim.Axes::y)
                                    .within(Aim.Axes.Y, "u/s")
                                    .says("Least and most along y, the facing.");
                            var z = f.range("z", Aim.Axes::z)
                                    .within(Aim.Axes.Z, "u/s")
                                    .says("Least and most along z.");
                            return v -> new Aim.Axes(x.of(v), y.of(v), z.of(v));
                        }));
        return aim -> aim.match(outward::write, along::write, tangent::write, axes::write);
    });

    private static final Form<Birth.Pick> PICK = Form.of("Pick", "A size that particles may have.", f -> {
        var size =
                f.number("size", Birth.Pick::size).within(Birth.Pick.SIZE, "u").says("How wide such a particle is.");
        var weight = f.number("weight", Birth.Pick::weight)
                .usual(1.0)
                .within(Weights.WEIGHT, "×")
                .says("How likely it is beside the others.");
        return v -> new Birth.Pick(size.of(v), weight.of(v));
    });

    static final Form<Birth> BIRTH = Form.of("Birth", f -> {
        var bursts = f.list("bursts", Birth::bursts, BURST)
                .atMost(Birth.MOST_BURSTS)
                .says("Particles that are spawned all at once, at a moment of the effect.");
        var stream = f.maybe("stream", Birth::stream, STREAM)
                .says("Particles that are spawned one after another, so many a second.");
        var perUnit = f.maybeNumber("perUnit", Birth::perUnit)
                .within(Birth.PER_UNIT, "/u")
                .says("Particles for each u that the source travels: evenly along its way, however fast it goes.");
        var delay = f.number("delay", Birth::delay)
                .usual(0.0)
                .within(Birth.DELAY, "s")
                .says("Seconds before the emitter begins.");
        var cap = f.maybeWhole("cap", Birth::cap)
                .within(Birth.CAP)
                .says("Most particles that live at once in one instance; what would be more is dropped.");
        var shape = f.set("shape", Birth::shape, SHAPE).says("Where particles are born; its y axis is the facing.");
        var placing = f.choice("placing", Birth::placing, Shape.Placing.class)
                .usual(USUAL.placing())
                .says("Whether particles are placed at random, or at even distances.");
        var aim = f.set("aim", Birth::aim, AIM).usual(Aim.UP).says("Along its y axis, the facing, if absent.");
        var spread = f.number("spread", Birth::spread)
                .within(Birth.SPREAD, "°")
                .says("Largest angle between a throw and its aim: 0° is a ray, 90° a half-sphere, 180° every way.");
        var offset = f.vector("offset", Birth::offset)
                .usual(Vec3.ZERO)
                .within(Birth.OFFSET, "u")
                .says("Where the emitter stands, in the effect's frame: y along the facing.");
        var turn = f.vector("turn", Birth::turn)
                .usual(Vec3.ZERO)
                .within(Birth.TURN, "°")
                .says("How the emitter is turned, degrees about x, then y, then z.");
        var space = f.choice("space", Birth::space, Birth.Space.class)
                .usual(USUAL.space())
                .says("Whether particles stay where they were born when the source goes on, or go with it.");
        var inherit = f.number("inherit", Birth::inherit)
                .usual(0.0)
                .within(Birth.INHERIT, "×")
                .says("Share of the source's velocity that a particle is born with.");
        var speed = f.range("speed", Birth::speed)
                .within(Birth.SPEED, "u/s")
                .says("How fast a particle is thrown; each draws its own from the range.");
        var lifetime = f.range("lifetime", Birth::lifetime)
                .within(Birth.LIFETIME, "s")
                .says("How long a particle lives; each draws its own from the range.");
        var size = f.range("size", Birth::size)
                .within(Birth.SIZE, "u")
                .says("How wide a particle is at birth; the lane of size multiplies it.");
        var sizes = f.list("sizes", Birth::sizes, PICK)
                .usual(List.of())
                .from(1, Birth.MOST_SIZES)
                .says("Sizes that each particle takes one of, instead of any of the range.");
        var height = f.maybe("height", Birth::height, Notations.RANGE)
                .within(Birth.HEIGHT, "u")
                .says("From top to bottom, drawn for itself; as high as wide if absent.");
        var rotation = f.range("rotation", Birth::rotation)
                .usual(Range.ZERO)
                .always()
                .within(Birth.ROTATION, "°")
                .says("How far the picture is turned at birth, counter-clockwise.");
        var spin = f.range("spin", Birth::spin)
                .usual(Range.ZERO)
                .always()
                .within(Birth.SPIN, "°/s")
                .says("How fast the picture turns, counter-clockwise; the lane of spin multiplies it.");
        var opacity = f.range("opacity", Birth::opacity)
                .usual(Range.ONE)
                .always()
                .within(Birth.OPACITY)
                .says("How opaque a particle is at birth; the lane of opacity multiplies it.");
        var gravity = f.range("gravity", Birth::gravity)
                .usual(USUAL.gravity())
                .within(Birth.GRAVITY, "×")
                .says("How much of the gravity of its life a particle feels; each draws its own from the range.");
        var colour = f.set("colour", Birth::colour, TintJson.TINT)
                .says("What a particle is coloured with at birth; the lane of colour multiplies it, in linear light.");
        return v -> {
            Birth.Draft d = new Birth.Draft();
            d.bursts = bursts.of(v);
            d.stream = stream.of(v);
            d.perUnit = perUnit.of(v);
            d.delay = delay.of(v);
            d.cap = cap.of(v);
            d.shape = shape.of(v);
            d.placing = placing.of(v);
            d.aim = aim.of(v);
            d.spread = spread.of(v);
            d.offset = offset.of(v);
            d.turn = turn.of(v);
            d.space = space.of(v);
            d.inherit = inherit.of(v);
            d.speed = speed.of(v);
            d.lifetime = lifetime.of(v);
            d.size = size.of(v);
            d.sizes = sizes.of(v);
            d.height = height.of(v);
            d.rotation = rotation.of(v);
            d.spin = spin.of(v);
            d.opacity = opacity.of(v);
            d.gravity = gravity.of(v);
            d.colour = colour.of(v);
            return d.birth();
        };
    });

    private BirthJson() {}
}
