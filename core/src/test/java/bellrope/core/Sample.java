package bellrope.core;

import bellrope.core.effect.Aim;
import bellrope.core.effect.Binding;
import bellrope.core.effect.Birth;
import bellrope.core.effect.Burst;
import bellrope.core.effect.Course;
import bellrope.core.effect.Effect;
import bellrope.core.effect.Emitter;
import bellrope.core.effect.End;
import bellrope.core.effect.Force;
import bellrope.core.effect.Life;
import bellrope.core.effect.Look;
import bellrope.core.effect.Parameter;
import bellrope.core.effect.Property;
import bellrope.core.effect.Shape;
import bellrope.core.effect.Sprite;
import bellrope.core.effect.Stream;
import bellrope.core.effect.Tint;
import bellrope.core.event.Channel;
import bellrope.core.event.EventType;
import bellrope.core.event.Field;
import bellrope.core.event.Place;
import bellrope.core.event.Pull;
import bellrope.core.project.Project;
import bellrope.core.project.Settings;
import bellrope.core.rope.Condition;
import bellrope.core.rope.Facing;
import bellrope.core.rope.Feed;
import bellrope.core.rope.Rope;
import bellrope.core.value.Curve;
import bellrope.core.value.Datum;
import bellrope.core.value.Gradient;
import bellrope.core.value.Range;
import bellrope.core.value.Rgba;
import bellrope.core.value.Vec3;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalLong;
import java.util.Random;

/** Small projects of Windrow Post for the tests. */
public final class Sample {
    private Sample() {}

    /** Returns a birth of {@code count} at once, all alike: along +y at 4 u/s, 0.2 u across. */
    public static Birth burst(int count, double life) {
        return Birth.plain().with(d -> {
            d.bursts = count == 0 ? List.of() : List.of(new Burst(0, count, count));
            d.speed = Range.of(4);
            d.lifetime = Range.of(life);
        });
    }

    public static Life still() {
        return falling(Vec3.ZERO, 0);
    }

    public static Life falling(Vec3 gravity, double drag) {
        return new Life(gravity, drag, Curve.ONE, Curve.ONE, Gradient.WHITE);
    }

    public static Emitter emitter(String name, int seed, Birth birth, Life life) {
        return new Emitter(name, seed, birth, new Look("dot", Look.Blend.ALPHA, Look.Order.NEWEST_ON_TOP), life);
    }

    /** Returns an effect with a parameter {@code size} from 0.2 to 3 that multiplies every size. */
    public static Effect effect(String name, Emitter... emitters) {
        return new Effect(
                name,
                "",
                Course.once(1),
                OptionalLong.empty(),
                List.of(emitters),
                List.of(new Parameter(
                        "size",
                        1,
                        0.2,
                        3,
                        "×",
                        "",
                        List.of(new Binding(Property.SIZE, Binding.Mode.MULTIPLY, Optional.empty())))));
    }

    public static EventType landed() {
        return new EventType(
                "courier.landed",
                "",
                3,
                List.of(
                        new Field.Vector("position", Field.Meaning.POSITION),
                        new Field.Vector("normal", Field.Meaning.NORMAL),
                        new Field.Number("speed", new Range(0, 14), 7, "u/s"),
                        new Field.Choice("surface", List.of("thatch", "stone", "peat", "water"), "on")));
    }

    public static EventType struck() {
        return new EventType(
                "courier.struck",
                "",
                4,
                List.of(
                        new Field.Vector("position", Field.Meaning.POSITION),
                        new Field.Vector("direction", Field.Meaning.DIRECTION),
                        new Field.Number("force", new Range(0, 100), 40, "N"),
                        new Field.Choice("by", List.of("hail", "crow", "branch"), "by")));
    }

    public static Pull landing(double speed, String surface, long seed) {
        Map<String, Datum> payload = new LinkedHashMap<>();
        payload.put("position", new Datum.Vec(new Vec3(12, 0, 0)));
        payload.put("normal", new Datum.Vec(Vec3.UP));
        payload.put("speed", new Datum.Num(speed));
        payload.put("surface", new Datum.Word(surface));
        return new Pull("courier.landed", payload, seed);
    }

    public static Rope onThatch(String effect) {
        return new Rope(
                "landing on thatch",
                1,
                "courier.landed",
                List.of(
                        new Condition.OneOf("surface", List.of("thatch")),
                        new Condition.Compare("speed", Condition.Relation.OVER, 4)),
                Optional.of(effect),
                Vec3.ZERO,
                Facing.NORMAL,
                List.of(new Feed("size", "speed", new Range(4, 14), 0.6, 1.8)));
    }

    /** Returns a project in which landing on thatch at over 4 u/s plays the effect. */
    public static Project project(Effect effect) {
        return new Project(
                "Windrow Post",
                Settings.USUAL,
                List.of(new Sprite("dot", 0.5)),
                List.of(landed(), struck()),
                List.of(effect),
                List.of(onThatch(effect.name())));
    }

    /** A span of the kite. */
    public static EventType reeling() {
        return EventType.span(
                "kite.reeling",
                "",
                2,
                List.of(
                        new Field.Vector("position", Field.Meaning.POSITION),
                        new Field.Number("force", new Range(0, 100), 40, "N")));
    }

    /** A state with three values. */
    public static EventType weather() {
        return EventType.state("weather", "", 3, List.of("clear", "drizzle", "downpour"));
    }

    /** Returns a loop of so many a second that live so long. */
    public static Effect loop(String name, double perSecond, double life, double fadeOut) {
        Birth birth =
                burst(0, life).with(d -> d.stream = Optional.of(new Stream(perSecond, 0, OptionalDouble.empty())));
        return new Effect(
                name,
                "",
                new Course(true, 1, 0, fadeOut),
                OptionalLong.empty(),
                List.of(emitter("smoke", 1, birth, still())),
                List.of(new Parameter(
                        "rate",
                        1,
                        0.1,
                        4,
                        "×",
                        "",
                        List.of(new Binding(Property.RATE, Binding.Mode.MULTIPLY, Optional.empty())))));
    }

    /** Returns a burst of so many that live half a second. */
    public static Effect puff(String name, int count) {
        return effect(name, emitter("puff", 1, burst(count, 0.5), still()));
    }

    /** Returns a project with effects {@code puff}, {@code hiss} and {@code smoke}, two moments, a span, a state, a channel. */
    public static Project game(Rope... ropes) {
        return new Project(
                "Windrow Post",
                Settings.USUAL,
                List.of(new Sprite("dot", 0.5)),
                List.of(landed(), struck(), reeling(), weather()),
                List.of(puff("puff", 5), puff("hiss", 3), loop("smoke", 30, 0.5, 0.25)),
                List.of(ropes),
                List.of(new Channel("wind", "", new Range(0, 12), 2, "u/s")),
                List.of(new Place("mill door", new Vec3(4, 1, 0))));
    }

    /** Returns a rope that plays an effect whenever an event comes. */
    public static Rope rope(String name, int seed, String event, String effect) {
        return new Rope(name, seed, event, List.of(), Optional.of(effect), Vec3.ZERO, Facing.UP, List.of());
    }

    /** Returns the beginning of the kite's reeling. */
    public static Pull reels(Vec3 position, long seed) {
        Map<String, Datum> payload = new LinkedHashMap<>();
        payload.put("position", new Datum.Vec(position));
        payload.put("force", new Datum.Num(40));
        return Pull.begin("kite.reeling", payload, seed);
    }

    /** Returns an effect with everything that has a length: shapes, offsets, forces, a barrier, trails, births per unit. */
    public static Effect lengths() {
        Emitter e = emitter(
                "all",
                1,
                burst(40, 1.2).with(d -> {
                    d.shape = new Shape.Sphere(0.4, Shape.Fill.INSIDE);
                    d.offset = new Vec3(0.2, 1, 0);
                    d.spread = 40;
                    d.perUnit = OptionalDouble.of(3);
                    d.speed = new Range(2, 5);
                }),
                new Life(
                        new Vec3(0, -9.8, 0),
                        0.5,
                        OptionalDouble.empty(),
                        List.of(
                                new Force.Attractor(new Vec3(1, 1, 0), 6, 2, Force.Falloff.SQUARE),
                                new Force.Turbulence(3, 0.7, 1)),
                        Curve.ONE,
                        Curve.ONE,
                        Gradient.WHITE,
                        Curve.ONE,
                        Curve.ONE,
                        java.util.Set.of()));
        End end = new End(
                Optional.of(new End.Collision(new End.Barrier.Ground(-0.5), 0.5, 0.2, 0, End.Outcome.BOUNCES)),
                List.of(new End.Child(
                        End.Child.When.PER_UNIT, Optional.of("beads"), Optional.empty(), 1, 1, 2, 1, 0, false, false)),
                Optional.of(new End.Trail(0.6, End.Trail.By.UNITS, Curve.ONE, Gradient.WHITE)));
        Emitter beads = emitter("beads", 2, burst(0, 0.5), still());
        return effect("all of it", e.withEnd(end), beads);
    }

    /** Returns some valid effect, another for each seed: 1 to 3 emitters of every shape, with bursts and streams. */
    public static Effect any(long seed) {
        Random r = new Random(seed);
        Emitter[] emitters = new Emitter[1 + r.nextInt(3)];
        for (int i = 0; i < emitters.length; i++) {
            emitters[i] =
                    emitter("e" + i, i + 1, anyBirth(r), falling(new Vec3(0, -10 * r.nextDouble(), 0), r.nextInt(3)));
        }
        return effect("any", emitters);
    }

    private static Birth anyBirth(Random r) {
        int least = r.nextInt(30);
        return Birth.plain().with(d -> {
            d.bursts = List.of(new Burst(r.nextDouble(), least, least + r.nextInt(20)), new Burst(0, 3, 3));
            if (r.nextBoolean()) {
                d.stream = Optional.of(
                        new Stream(1 + 200 * r.nextDouble(), r.nextDouble(), OptionalDouble.of(0.01 + r.nextDouble())));
            }
            switch (r.nextInt(6)) {
                case 0 -> d.shape = new Shape.Point();
                case 1 ->
                    d.shape = new Shape.Circle(0.1 + r.nextDouble(), Shape.Fill.INSIDE, 360 * r.nextDouble() + 1e-9);
                case 2 -> d.shape = new Shape.Sphere(0.1 + r.nextDouble(), Shape.Fill.EDGE);
                case 3 -> d.shape = new Shape.Box(new Vec3(r.nextDouble(), r.nextDouble(), r.nextDouble()));
                case 4 -> d.shape = new Shape.Line(0.1 + r.nextDouble());
                default -> d.shape = new Shape.Cone(r.nextInt(2), 180 * r.nextDouble());
            }
            d.placing = r.nextBoolean() ? Shape.Placing.EVENLY : Shape.Placing.AT_RANDOM;
            d.aim = r.nextBoolean() ? new Aim.Outward() : r.nextBoolean() ? Aim.UP : new Aim.Tangent();
            d.spread = 180 * r.nextDouble();
            d.speed = range(r, 10);
            d.lifetime = range(r, 2).plus(0.01);
            d.size = range(r, 1);
            d.rotation = range(r, 360);
            d.spin = range(r, 720);
            d.opacity = range(r, 1);
            d.colour = new Tint.Between(new Rgba(r.nextInt(256), 20, 30, 255), Rgba.WHITE);
        });
    }

    private static Range range(Random r, double most) {
        double a = most * r.nextDouble();
        double b = most * r.nextDouble();
        return new Range(Math.min(a, b), Math.max(a, b));
    }
}
