package bellrope.core.sim;

import static org.assertj.core.api.Assertions.assertThat;

import bellrope.core.Sample;
import bellrope.core.effect.Aim;
import bellrope.core.effect.Birth;
import bellrope.core.effect.Burst;
import bellrope.core.effect.Course;
import bellrope.core.effect.Effect;
import bellrope.core.effect.Emitter;
import bellrope.core.effect.End;
import bellrope.core.effect.Force;
import bellrope.core.effect.Life;
import bellrope.core.effect.Life.Lane;
import bellrope.core.effect.Look;
import bellrope.core.effect.Shape;
import bellrope.core.effect.Sprite;
import bellrope.core.effect.Stream;
import bellrope.core.effect.Tint;
import bellrope.core.measure.Numbers;
import bellrope.core.project.Project;
import bellrope.core.project.Settings;
import bellrope.core.stage.Preview;
import bellrope.core.stage.Take;
import bellrope.core.value.Curve;
import bellrope.core.value.Ease;
import bellrope.core.value.Gradient;
import bellrope.core.value.Range;
import bellrope.core.value.Rgba;
import bellrope.core.value.Vec3;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.OptionalLong;
import java.util.Set;
import java.util.function.Consumer;
import java.util.zip.CRC32;
import org.junit.jupiter.api.DynamicTest;
import org.junit.jupiter.api.TestFactory;

/**
 * The same pulls give the same bits: on every machine, under every engine, in every version. An effect that an artist tuned looks
 * tomorrow as it looked today. A change here is a change of every project, and is made only when it corrects something.
 *
 * <p>For each setting that has a hand in birth, motion, look or end, one effect; of each the frames and the numbers.
 */
class SameBitsTest {
    private static final Curve HUMP = new Curve(List.of(
            new Curve.Key(0, 0.2, new Ease.CubicBezier(0.3, 0, 0.7, 1)),
            new Curve.Key(0.4, 1.5, new Ease.Spline(-1, 0.5)),
            new Curve.Key(1, 0.1, Ease.LINEAR)));
    private static final Curve FADE = Curve.through(0, 0.3, 0.2, 1, 1, 0);
    private static final Gradient DUSK = new Gradient(List.of(
            new Gradient.Stop(0, Rgba.parse("#FFD080FF")),
            new Gradient.Stop(0.6, Rgba.parse("#C04020C0")),
            new Gradient.Stop(1, Rgba.parse("#20103000"))));
    private static final List<Sprite> SPRITES = List.of(
            new Sprite("dot", 0.5),
            new Sprite("sheet", 0.4, new Sprite.Sheet(4, 2, 7, Sprite.Sheet.Order.BY_ROWS, 12), Optional.empty()));
    private static final Vec3 FALL = new Vec3(0.3, -9.8, 0.1);

    private static Birth birth(Consumer<Birth.Draft> more) {
        return Birth.plain().with(d -> {
            d.bursts = List.of(new Burst(0.013, 12, 17));
            d.speed = new Range(2, 5);
            d.spread = 40;
            d.lifetime = new Range(0.3, 0.7);
            d.size = new Range(0.1, 0.3);
            more.accept(d);
        });
    }

    private static Life life() {
        return Sample.falling(FALL, 0.6);
    }

    private static Emitter plain(Consumer<Birth.Draft> more) {
        return with(
                birth(more),
                life(),
                Sample.emitter("a", 3, Birth.plain(), life()).look(),
                End.NONE);
    }

    private static Emitter with(Birth birth, Life life, Look look, End end) {
        return new Emitter("a", 3, birth, look, life, end);
    }

    private static Look look(Look.Frame frame, Look.Posture posture, double brightness) {
        return new Look("sheet", Look.Blend.ADDITIVE, Look.Order.OLDEST_ON_TOP, frame, posture, brightness);
    }

    private static Emitter looks(Look look) {
        return with(
                birth(d -> {
                    d.rotation = new Range(10, 300);
                    d.spin = new Range(-90, 200);
                    d.height = Optional.of(new Range(0.05, 0.2));
                    d.opacity = new Range(0.4, 0.9);
                }),
                life().withSize(HUMP).withOpacity(FADE).withColour(DUSK),
                look,
                End.NONE);
    }

    private static Emitter lives(Life life) {
        return with(birth(d -> d.spin = new Range(30, 90)), life, looks(new Look.Frame.First(0)), End.NONE);
    }

    private static Look looks(Look.Frame frame) {
        return look(frame, new Look.Posture.Camera(), 1);
    }

    private static Emitter ends(End end) {
        return with(birth(d -> {}), life(), looks(new Look.Frame.First(0)), end);
    }

    private static End strikes(End.Barrier barrier, double bounce, double friction, double lost, End.Outcome then) {
        return new End(
                Optional.of(new End.Collision(barrier, bounce, friction, lost, then)), List.of(), Optional.empty());
    }

    private static End.Child child(End.Child.When when, double rate, double velocity, boolean colour, boolean size) {
        return new End.Child(when, Optional.of("b"), Optional.empty(), 1, 3, rate, 0.9, velocity, colour, size, 1);
    }

    private static List<Emitter> parent(End.Child child) {
        End end = new End(
                Optional.of(new End.Collision(new End.Barrier.Ground(-0.2), 0.5, 0.2, 0, End.Outcome.BOUNCES)),
                List.of(child),
                Optional.empty());
        Emitter b = new Emitter(
                "b",
                4,
                Birth.plain().with(d -> {
                    d.speed = new Range(0.5, 1);
                    d.spread = 60;
                    d.lifetime = Range.of(0.2);
                    d.size = Range.of(0.1);
                }),
                looks(new Look.Frame.First(0)),
                life());
        return List.of(ends(end), b);
    }

    private static Map<String, List<Emitter>> effects() {
        Map<String, List<Emitter>> all = new LinkedHashMap<>();
        Shape[] shapes = {
            new Shape.Point(),
            new Shape.Circle(0.8, Shape.Fill.EDGE, 200),
            new Shape.Circle(0.8, Shape.Fill.INSIDE, 360),
            new Shape.Sphere(0.6, Shape.Fill.EDGE),
            new Shape.Sphere(0.6, Shape.Fill.INSIDE),
            new Shape.Cone(0.3, 35),
            new Shape.Box(new Vec3(1, 0.5, 2)),
            new Shape.Line(2)
        };
        Aim[] aims = {Aim.UP, new Aim.Outward(), new Aim.Along(new Vec3(1, 2, -1)), new Aim.Tangent()};
        for (int s = 0; s < shapes.length; s++) {
            for (Shape.Placing placing : Shape.Placing.values()) {
                Shape shape = shapes[s];
                Aim aim = aims[(s + placing.ordinal()) % aims.length];
                all.put("shape " + shape + ", " + placing, List.of(plain(d -> {
                    d.shape = shape;
                    d.placing = placing;
                    d.aim = aim;
                    d.offset = new Vec3(0.1, 0.2, 0.3);
                    d.turn = new Vec3(20, -40, 60);
                })));
            }
        }
        all.put(
                "bursts",
                List.of(plain(d ->
                        d.bursts = List.of(new Burst(0, 3, 6, 3, 0.11, 1, 1), new Burst(0.2, 5, 5, 2, 0.05, 0.5, 2)))));
        all.put("stream", List.of(plain(d -> {
            d.bursts = List.of();
            d.stream = Optional.of(new Stream(70, HUMP, 0.05, OptionalDouble.of(0.4)));
            d.delay = 0.021;
            d.cap = OptionalInt.of(20);
        })));
        all.put("by the way", List.of(plain(d -> {
            d.bursts = List.of();
            d.perUnit = OptionalDouble.of(9);
            d.inherit = 0.4;
        })));
        all.put("goes with the source", List.of(plain(d -> {
            d.space = Birth.Space.LOCAL;
            d.inherit = -0.3;
        })));
        Tint[] tints = {
            new Tint.Between(Rgba.parse("#FF0000FF"), Rgba.parse("#0040FF80")),
            new Tint.OneOf(List.of(Rgba.parse("#FFFFFFFF"), Rgba.parse("#80FF00FF"), Rgba.parse("#10203040"))),
            new Tint.From(DUSK)
        };
        for (Tint tint : tints) {
            all.put("tint " + tint.getClass().getSimpleName(), List.of(plain(d -> d.colour = tint)));
        }
        Look.Frame[] frames = {
            new Look.Frame.First(3),
            new Look.Frame.Random(),
            new Look.Frame.OverLife(),
            new Look.Frame.Looping(OptionalDouble.empty()),
            new Look.Frame.Looping(OptionalDouble.of(30))
        };
        Look.Posture[] postures = {
            new Look.Posture.Camera(),
            new Look.Posture.Flight(0),
            new Look.Posture.Flight(0.08),
            new Look.Posture.Surface(),
            new Look.Posture.Fixed(new Vec3(0.2, 1, 0.7))
        };
        for (int i = 0; i < frames.length; i++) {
            all.put("looks " + frames[i] + ", " + postures[i], List.of(looks(look(frames[i], postures[i], 1 + i % 2))));
        }
        all.put(
                "lanes over life",
                List.of(lives(life().withSize(HUMP)
                        .withOpacity(FADE)
                        .withColour(DUSK)
                        .withSpeed(HUMP)
                        .withSpin(HUMP))));
        all.put(
                "lanes over seconds",
                List.of(lives(life().withSize(HUMP)
                        .withOpacity(FADE)
                        .withColour(DUSK)
                        .withSpeed(HUMP)
                        .withSpin(HUMP)
                        .timing(Map.of(
                                Lane.SIZE,
                                0.2,
                                Lane.OPACITY,
                                0.3,
                                Lane.COLOUR,
                                0.4,
                                Lane.SPEED,
                                0.25,
                                Lane.SPIN,
                                0.5)))));
        all.put(
                "lanes that replace",
                List.of(lives(life().withSize(HUMP)
                        .withOpacity(FADE)
                        .withColour(DUSK)
                        .withSpeed(HUMP)
                        .withSpin(HUMP)
                        .replacing(Set.of(Lane.SIZE, Lane.OPACITY, Lane.COLOUR, Lane.SPEED, Lane.SPIN)))));
        all.put("comes to rest by drag", List.of(lives(life().resting(0.3, false))));
        all.put("comes to rest evenly", List.of(lives(life().resting(0.3, true))));
        List<Force> forces = new ArrayList<>(List.of(new Force.Push(6), new Force.Turbulence(20, 0.4, 3)));
        for (Force.Falloff falloff : Force.Falloff.values()) {
            forces.add(new Force.Attractor(new Vec3(0.5, 1, 0), 30, 2, falloff));
            forces.add(new Force.Swirl(new Vec3(0, 0.2, 0), new Vec3(0.1, 1, 0.3), 25, 2, falloff));
        }
        for (Force force : forces) {
            all.put("force " + force, List.of(lives(life().withForces(List.of(force)))));
        }
        all.put("forces together", List.of(lives(life().withForces(forces.subList(0, 4)))));
        End.Barrier[] barriers = {
            new End.Barrier.Ground(-0.1),
            new End.Barrier.Plane(new Vec3(0.5, 0, 0), new Vec3(-1, 0.4, 0)),
            new End.Barrier.Box(new Vec3(0, 0.4, 0), new Vec3(1.2, 1, 1.4), true),
            new End.Barrier.Box(new Vec3(0.3, 0.9, 0), new Vec3(0.6, 0.5, 2), false)
        };
        for (End.Barrier barrier : barriers) {
            for (End.Outcome then : End.Outcome.values()) {
                all.put("strikes " + barrier + ", " + then, List.of(ends(strikes(barrier, 0.6, 0.3, 0.1, then))));
            }
        }
        for (End.Child.When when : End.Child.When.values()) {
            all.put("children " + when, parent(child(when, 12, 0.5, true, true)));
        }
        for (End.Trail.By by : List.of(End.Trail.By.SECONDS, End.Trail.By.UNITS)) {
            End end = new End(Optional.empty(), List.of(), Optional.of(new End.Trail(0.35, by, HUMP, DUSK)));
            all.put("trail by " + by, List.of(ends(end)));
        }
        return all;
    }

    private static final String PINNED = """
            3914d5fb  shape Point[], AT_RANDOM
            b0155662  shape Point[], EVENLY
            aee949e0  shape Circle[radius=0.8, fill=EDGE, arc=200.0], AT_RANDOM
            7664eca8  shape Circle[radius=0.8, fill=EDGE, arc=200.0], EVENLY
            f32f6b9b  shape Circle[radius=0.8, fill=INSIDE, arc=360.0], AT_RANDOM
            473699f8  shape Circle[radius=0.8, fill=INSIDE, arc=360.0], EVENLY
            dbe70a9c  shape Sphere[radius=0.6, fill=EDGE], AT_RANDOM
            c3f8b4a9  shape Sphere[radius=0.6, fill=EDGE], EVENLY
            a7c6e41f  shape Sphere[radius=0.6, fill=INSIDE], AT_RANDOM
            b032b1f2  shape Sphere[radius=0.6, fill=INSIDE], EVENLY
            10c4c002  shape Cone[radius=0.3, angle=35.0], AT_RANDOM
            261f510f  shape Cone[radius=0.3, angle=35.0], EVENLY
            a823e413  shape Box[size=Vec3[x=1.0, y=0.5, z=2.0]], AT_RANDOM
            5463906d  shape Box[size=Vec3[x=1.0, y=0.5, z=2.0]], EVENLY
            6de40348  shape Line[length=2.0], AT_RANDOM
            7a7693ee  shape Line[length=2.0], EVENLY
            034c6899  bursts
            f9a6cd90  stream
            9d21a088  by the way
            1a70f66b  goes with the source
            1cdf5c20  tint Between
            58074cd5  tint OneOf
            215a21bc  tint From
            aff32386  looks First[number=3], Camera[]
            7c6dd0a8  looks Random[], Flight[stretch=0.0]
            927cb2f2  looks OverLife[], Flight[stretch=0.08]
            80ffe888  looks Looping[perSecond=OptionalDouble.empty], Surface[]
            47f71887  looks Looping[perSecond=OptionalDouble[30.0]], Fixed[normal=Vec3[x=0.2, y=1.0, z=0.7]]
            af3d1287  lanes over life
            38a9e82f  lanes over seconds
            fa30df5f  lanes that replace
            922425c6  comes to rest by drag
            89b33103  comes to rest evenly
            737cffdb  force Push[strength=6.0]
            b1590739  force Turbulence[strength=20.0, size=0.4, speed=3.0]
            3201a937  force Attractor[place=Vec3[x=0.5, y=1.0, z=0.0], strength=30.0, radius=2.0, falloff=NONE]
            6de20208  force Swirl[place=Vec3[x=0.0, y=0.2, z=0.0], axis=Vec3[x=0.1, y=1.0, z=0.3], strength=25.0, radius=2.0, falloff=NONE]
            81bcac20  force Attractor[place=Vec3[x=0.5, y=1.0, z=0.0], strength=30.0, radius=2.0, falloff=LINEAR]
            f9563d9d  force Swirl[place=Vec3[x=0.0, y=0.2, z=0.0], axis=Vec3[x=0.1, y=1.0, z=0.3], strength=25.0, radius=2.0, falloff=LINEAR]
            a7ffb716  force Attractor[place=Vec3[x=0.5, y=1.0, z=0.0], strength=30.0, radius=2.0, falloff=SQUARE]
            407f4933  force Swirl[place=Vec3[x=0.0, y=0.2, z=0.0], axis=Vec3[x=0.1, y=1.0, z=0.3], strength=25.0, radius=2.0, falloff=SQUARE]
            5aff5936  forces together
            e06440eb  strikes Ground[level=-0.1], BOUNCES
            37bcb681  strikes Ground[level=-0.1], STICKS
            c03e9422  strikes Ground[level=-0.1], DIES
            eeda397d  strikes Plane[place=Vec3[x=0.5, y=0.0, z=0.0], normal=Vec3[x=-1.0, y=0.4, z=0.0]], BOUNCES
            b4166100  strikes Plane[place=Vec3[x=0.5, y=0.0, z=0.0], normal=Vec3[x=-1.0, y=0.4, z=0.0]], STICKS
            e527d63e  strikes Plane[place=Vec3[x=0.5, y=0.0, z=0.0], normal=Vec3[x=-1.0, y=0.4, z=0.0]], DIES
            6ba43ec0  strikes Box[place=Vec3[x=0.0, y=0.4, z=0.0], size=Vec3[x=1.2, y=1.0, z=1.4], keepsIn=true], BOUNCES
            6fdca7bf  strikes Box[place=Vec3[x=0.0, y=0.4, z=0.0], size=Vec3[x=1.2, y=1.0, z=1.4], keepsIn=true], STICKS
            e8c5e99e  strikes Box[place=Vec3[x=0.0, y=0.4, z=0.0], size=Vec3[x=1.2, y=1.0, z=1.4], keepsIn=true], DIES
            4142c5d2  strikes Box[place=Vec3[x=0.3, y=0.9, z=0.0], size=Vec3[x=0.6, y=0.5, z=2.0], keepsIn=false], BOUNCES
            2e7e5066  strikes Box[place=Vec3[x=0.3, y=0.9, z=0.0], size=Vec3[x=0.6, y=0.5, z=2.0], keepsIn=false], STICKS
            2b3b26b4  strikes Box[place=Vec3[x=0.3, y=0.9, z=0.0], size=Vec3[x=0.6, y=0.5, z=2.0], keepsIn=false], DIES
            78e3b68c  children AT_BIRTH
            fccc528e  children PER_SECOND
            7e7f1e41  children PER_UNIT
            1a88f287  children ON_COLLISION
            4170520e  children AT_END
            b3396b8f  trail by SECONDS
            5cff44f7  trail by UNITS
            """;

    @TestFactory
    List<DynamicTest> everySettingGivesTheBitsItAlwaysGave() {
        Map<String, String> pinned = new LinkedHashMap<>();
        PINNED.lines()
                .filter(l -> !l.isBlank())
                .forEach(l -> pinned.put(l.substring(10).strip(), l.substring(0, 8)));
        List<DynamicTest> tests = new ArrayList<>();
        effects()
                .forEach((name, emitters) -> tests.add(DynamicTest.dynamicTest(
                        name,
                        () -> assertThat(bits(name, emitters) + "  " + name)
                                .isEqualTo(pinned.get(name) + "  " + name))));
        return tests;
    }

    private static String bits(String name, List<Emitter> emitters) {
        Effect effect = new Effect("e", "", Course.once(0.6), OptionalLong.empty(), emitters, List.of());
        Project project = new Project("p", Settings.USUAL, SPRITES, List.of(), List.of(effect), List.of());
        Preview preview = Preview.plain(effect, 5)
                .moving(name.equals("by the way") || name.startsWith("goes") ? new Vec3(6, 1, 0) : Vec3.ZERO);
        Take take = preview.take(project, true);
        CRC32 sum = new CRC32();
        for (byte[] frame : take.frames()) {
            sum.update(frame);
        }
        Numbers n = Numbers.of(take);
        String numbers = n.toString().replaceAll("\\[[IJ]@\\w+", "")
                + Arrays.toString(n.generations())
                + Arrays.toString(n.rose());
        sum.update(numbers.getBytes(StandardCharsets.UTF_8));
        return String.format("%08x", sum.getValue());
    }
}
