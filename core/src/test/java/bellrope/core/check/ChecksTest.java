package bellrope.core.check;

import static org.assertj.core.api.Assertions.assertThat;

import bellrope.core.Sample;
import bellrope.core.effect.Aim;
import bellrope.core.effect.Binding;
import bellrope.core.effect.Birth;
import bellrope.core.effect.Burst;
import bellrope.core.effect.Course;
import bellrope.core.effect.Effect;
import bellrope.core.effect.Emitter;
import bellrope.core.effect.End;
import bellrope.core.effect.End.Child;
import bellrope.core.effect.Life;
import bellrope.core.effect.Look;
import bellrope.core.effect.Parameter;
import bellrope.core.effect.Property;
import bellrope.core.effect.Shape;
import bellrope.core.effect.Sprite;
import bellrope.core.effect.Stream;
import bellrope.core.effect.Tint;
import bellrope.core.effect.Type;
import bellrope.core.measure.TrueScale;
import bellrope.core.project.Project;
import bellrope.core.stage.Preview;
import bellrope.core.value.Curve;
import bellrope.core.value.Datum;
import bellrope.core.value.Gradient;
import bellrope.core.value.Range;
import bellrope.core.value.Rgba;
import bellrope.core.value.Vec3;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.UnaryOperator;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/** Each check fires on its mistake, is silent on the sound effect, and its remedy silences it. */
class ChecksTest {
    private static final Life FADING = Sample.falling(new Vec3(0, -9.8, 0), 0.5).withOpacity(Curve.through(0, 1, 1, 0));

    /** Twenty that fly up for a second and fade: nothing to find. */
    private static Effect sound() {
        return Sample.effect(
                "puff", Sample.emitter("bits", 1, Sample.burst(20, 1).with(d -> d.spread = 30), FADING));
    }

    private static Effect birth(Consumer<Birth.Draft> change) {
        return sound().changed("bits", e -> e.withBirth(e.birth().with(change)));
    }

    private static Effect life(UnaryOperator<Life> change) {
        return sound().changed("bits", e -> e.withLife(change.apply(e.life())));
    }

    private static Effect look(Look look) {
        return sound().changed("bits", e -> e.withLook(look));
    }

    private static Look dot(Look.Blend blend, double brightness) {
        return new Look(
                "dot", blend, Look.Order.NEWEST_ON_TOP, new Look.Frame.First(0), Look.Posture.CAMERA, brightness);
    }

    private static Effect with(Child child, boolean twice) {
        Emitter drops = Sample.emitter("drops", 2, Sample.burst(0, 0.5).with(d -> d.size = Range.of(0.05)), FADING);
        Emitter parents = Sample.emitter("bits", 1, Sample.burst(20, 1), FADING)
                .withEnd(new End(Optional.empty(), List.of(child), Optional.empty()));
        return Sample.effect("puff", parents, twice ? drops.withEnd(parents.end()) : drops)
                .withCourse(Course.once(9));
    }

    private static Child child(Child.When when, String emitter, int count, double rate) {
        return new Child(when, Optional.of(emitter), Optional.empty(), count, count, rate, 1, 0, false, false);
    }

    private static Effect smoke(Curve size) {
        return Sample.effect(
                "puff",
                Sample.emitter(
                        "bits",
                        1,
                        Sample.burst(5, 1).with(d -> {
                            d.size = Range.ONE;
                            d.speed = Range.ONE;
                        }),
                        FADING.withGravity(Vec3.ZERO).withSize(size)));
    }

    static List<Arguments> mistakes() {
        Stream squeezed = new Stream(200, 0, OptionalDouble.of(0.1));
        Look black = dot(Look.Blend.ADDITIVE, 1);
        return List.of(
                Arguments.of("squeezed stream", birth(d -> {
                    d.bursts = List.of();
                    d.stream = Optional.of(squeezed);
                })),
                Arguments.of("repeated burst", birth(d -> d.bursts = List.of(new Burst(0, 1, 1, 12, 0.05, 1)))),
                Arguments.of("never ends", sound().withCourse(Course.looping(1))),
                Arguments.of(
                        "ends early",
                        birth(d -> d.bursts = List.of(new Burst(0.9, 10, 10))).withCourse(Course.once(0.4))),
                Arguments.of("leaves at once", birth(d -> d.speed = new Range(900, 1000))),
                Arguments.of(
                        "blend shows nothing",
                        look(dot(Look.Blend.MULTIPLY, 1))
                                .changed(
                                        "bits",
                                        e -> e.withBirth(e.birth()
                                                .with(d -> d.colour = new Tint.Between(Rgba.WHITE, Rgba.WHITE))))),
                Arguments.of(
                        "vanishes",
                        birth(d -> d.size = Range.of(0.4))
                                .changed(
                                        "bits",
                                        e -> e.withLife(e.life().withGravity(new Vec3(0, -30, 0)))
                                                .withEnd(new End(
                                                        Optional.of(new End.Collision(
                                                                new End.Barrier.Ground(-0.2),
                                                                0,
                                                                0,
                                                                0,
                                                                End.Outcome.DIES)),
                                                        List.of(),
                                                        Optional.empty())))),
                Arguments.of("pops", life(l -> l.withOpacity(Curve.ONE))),
                Arguments.of(
                        "pops",
                        life(l -> l.withOpacity(Curve.ONE)
                                .withColour(new Gradient(List.of(
                                        new Gradient.Stop(0, Rgba.WHITE),
                                        new Gradient.Stop(1, Rgba.parse("#FFFFFF00")))))
                                .between(Gradient.WHITE))),
                Arguments.of("invisible", birth(d -> d.opacity = Range.ZERO)),
                Arguments.of("invisible", birth(d -> d.size = Range.ZERO)),
                Arguments.of("invisible", life(l -> l.withSize(Curve.constant(0)))),
                Arguments.of(
                        "invisible",
                        look(black)
                                .changed(
                                        "bits",
                                        e -> e.withBirth(e.birth()
                                                .with(d -> d.colour = new Tint.Between(
                                                        new Rgba(0, 0, 0, 255), new Rgba(0, 0, 0, 255)))))),
                Arguments.of("lopsided", birth(d -> {
                    d.shape = new Shape.Circle(0.2, Shape.Fill.EDGE, 90);
                    d.aim = new Aim.Outward();
                    d.spread = 0;
                })),
                Arguments.of("into the surface", birth(d -> d.aim = new Aim.Along(new Vec3(0, -1, 0)))),
                Arguments.of("into the surface", birth(d -> d.spread = 180)),
                Arguments.of("past saturation", look(dot(Look.Blend.ADDITIVE, 100))),
                Arguments.of("dropped", birth(d -> d.cap = OptionalInt.of(5))),
                Arguments.of("trail gaps", with(child(Child.When.PER_SECOND, "drops", 1, 10), false)),
                Arguments.of(
                        "replaces a range",
                        birth(d -> d.size = new Range(0.1, 0.4))
                                .changed("bits", e -> e.withLife(e.life().replacing(Set.of(Life.Lane.SIZE))))),
                Arguments.of("runaway children", with(child(Child.When.AT_END, "bits", 2, 1), false)),
                Arguments.of("unseen", life(l -> l.withOpacity(Curve.through(0, 1, 0.3, 0, 1, 0)))),
                Arguments.of("full size at once", smoke(Curve.ONE)),
                Arguments.of("too brief", birth(d -> d.lifetime = Range.of(0.01))),
                Arguments.of("units", birth(d -> d.lifetime = Range.of(30)).withCourse(Course.once(31))));
    }

    private static Effect turned(Parameter parameter) {
        return sound().withParameters(List.of(sound().parameters().get(0).withBindings(List.of(SIZE)), parameter));
    }

    private static final Binding SIZE = new Binding(Property.SIZE, Binding.Mode.MULTIPLY, Optional.empty());
    private static final Binding COUNT = new Binding(Property.COUNT, Binding.Mode.MULTIPLY, Optional.empty());

    private static Parameter amount(double standard, Binding... bindings) {
        return new Parameter("amount", standard, 0, 4, "", "", List.of(bindings)).setByGame();
    }

    private static Parameter colour(String standard) {
        return new Parameter(
                "tint",
                new Type.Colour(true),
                new Datum.Word(standard),
                "",
                "",
                false,
                true,
                List.of(new Binding(Property.COLOUR, Binding.Mode.MULTIPLY, Optional.empty())));
    }

    private static Parameter scale(Binding... bindings) {
        return new Parameter(
                "scale", new Type.Number(0.5, 2, 0), new Datum.Num(1), "", "", true, true, List.of(bindings));
    }

    static List<Arguments> mistakesOfParameters() {
        Binding rate = new Binding(Property.RATE, Binding.Mode.MULTIPLY, Optional.empty());
        Binding replaces = new Binding(Property.SPEED, Binding.Mode.REPLACE, Optional.empty());
        Binding speed = new Binding(Property.SPEED, Binding.Mode.MULTIPLY, Optional.empty());
        Binding gravity = new Binding(Property.GRAVITY, Binding.Mode.MULTIPLY, Optional.empty());
        Binding life = new Binding(Property.LIFETIME, Binding.Mode.MULTIPLY, Optional.empty());
        return List.of(
                Arguments.of("bound to nothing", turned(amount(1))),
                Arguments.of("bound to nothing", turned(amount(1, rate))),
                Arguments.of("changes the default", turned(amount(2, COUNT))),
                Arguments.of("hides the base", turned(amount(3, replaces))),
                Arguments.of("clear by default", turned(colour("#FFFFFF00"))),
                Arguments.of("names alike", turned(amount(1, COUNT).named("Size"))),
                Arguments.of("names alike", turned(amount(1, COUNT).named("si_ze"))),
                Arguments.of("names alike", turned(amount(1, COUNT).named("s\u0456ze"))),
                Arguments.of("scale forgets", turned(scale(SIZE, speed))),
                Arguments.of("does not answer to the scale", turned(scale())),
                Arguments.of("scale bends", turned(scale(SIZE, speed, gravity, life))),
                Arguments.of("set by nothing", turned(new Parameter("amount", 1, 0, 4, "", "", List.of(COUNT)))));
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("mistakesOfParameters")
    void aMistakeOfAParameterIsNoticed(String check, Effect wrong) {
        List<Finding> found =
                all(wrong).stream().filter(f -> f.check().equals(check)).toList();
        assertThat(found).hasSize(1);
        assertThat(found.get(0).place()).isEqualTo("parameters/1");
        found.get(0)
                .remedy()
                .ifPresent(remedy -> assertThat(noticed(remedy.effect())).doesNotContain(check));
    }

    @Test
    void soundParametersAreLeftAlone() {
        assertThat(noticed(turned(amount(1, COUNT)))).isEmpty();
        assertThat(noticed(turned(colour("#FFFFFFFF")))).isEmpty();
        Effect scaled = turned(scale());
        assertThat(noticed(scaled.turned("scale", p -> TrueScale.mended(scaled, p))))
                .isEmpty();
    }

    // Three of four scale; the fourth is told apart, and answers after one press.
    @Test
    void theEmitterThatDoesNotAnswerIsNamed() {
        List<Binding> three = List.of("a", "b", "c").stream()
                .map(name -> new Binding(Property.SIZE, Binding.Mode.MULTIPLY, Optional.of(name)))
                .toList();
        Emitter[] four = List.of("a", "b", "c", "d").stream()
                .map(name ->
                        Sample.emitter(name, name.charAt(0), Sample.burst(9, 1).with(d -> d.spread = 20), FADING))
                .toArray(Emitter[]::new);
        Effect effect =
                Sample.effect("puff", four).withParameters(List.of(new Parameter("size", 1, 0.5, 2, "", "", three)));
        List<Finding> found = all(effect).stream()
                .filter(f -> f.check().equals("does not answer"))
                .toList();
        assertThat(found).extracting(Finding::emitter).containsExactly("d");
        assertThat(noticed(found.get(0).remedy().orElseThrow().effect())).doesNotContain("does not answer");
    }

    private static List<String> noticed(Effect effect) {
        Project project = Sample.project(effect).withSprites(List.of(new Sprite("dot", 0.2)));
        return Check.all(Subject.of(project, effect)).stream()
                .map(Finding::check)
                .toList();
    }

    private static List<Finding> all(Effect effect) {
        return Check.all(Subject.of(Sample.project(effect).withSprites(List.of(new Sprite("dot", 0.2))), effect));
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("mistakes")
    void aMistakeIsNoticedAndItsRemedyMendsIt(String check, Effect wrong) {
        List<Finding> found =
                all(wrong).stream().filter(f -> f.check().equals(check)).toList();
        assertThat(found).hasSize(1);
        assertThat(found.get(0).words()).isNotBlank();
        Effect mended = found.get(0).remedy().orElseThrow().effect();
        assertThat(noticed(mended)).doesNotContain(check);
    }

    @Test
    void aSoundEffectIsLeftAlone() {
        assertThat(noticed(sound())).isEmpty();
        assertThat(noticed(smoke(Curve.through(0, 0.2, 0.2, 1)))).isEmpty();
        assertThat(noticed(with(child(Child.When.PER_UNIT, "drops", 1, 40), false)))
                .isEmpty();
        assertThat(noticed(with(child(Child.When.AT_END, "drops", 1, 1), false)))
                .isEmpty();
        assertThat(noticed(birth(d -> {
                    d.shape = new Shape.Circle(0.2, Shape.Fill.EDGE, 360);
                    d.aim = new Aim.Outward();
                    d.spread = 0;
                })))
                .isEmpty();
        assertThat(noticed(look(dot(Look.Blend.ADDITIVE, 2)))).isEmpty();
    }

    @Test
    void aLoopThatNothingPlaysIsLeftAlone() {
        Effect loop = sound().withCourse(Course.looping(1));
        Project unused = Sample.project(loop).withRopes(List.of());
        assertThat(new NeverEnds().look(Subject.of(unused, loop))).isEmpty();
    }

    @Test
    void aStreamFromAFastSourceIsNoticedOnlyWhileItMoves() {
        Effect effect = birth(d -> {
            d.bursts = List.of();
            d.stream = Optional.of(new Stream(20, 0, OptionalDouble.of(1)));
        });
        Project project = Sample.project(effect);
        Preview still = Preview.plain(effect, 1);
        Preview riding = new Preview(
                "puff",
                Optional.empty(),
                Map.of(),
                Preview.Surface.GROUND,
                Preview.Side.LEFT,
                new Vec3(12, 0, 0),
                1,
                OptionalDouble.empty(),
                Map.of());
        assertThat(new TrailGaps().look(Subject.of(project, effect, still, still.take(project, false))))
                .isEmpty();
        List<Finding> found = new TrailGaps().look(Subject.of(project, effect, riding, riding.take(project, false)));
        assertThat(found).singleElement().extracting(Finding::words).asString().contains("one every 0.6 u");
    }

    @Test
    void whatTheParticleLimitSwallowsIsNoticedWithoutARemedyInTheEffect() {
        Effect effect = birth(d -> d.bursts = List.of(new Burst(0, 50, 50)));
        Project base = Sample.project(effect);
        Project small = new Project(
                "p",
                new bellrope.core.project.Settings(bellrope.core.value.Pace.SIXTY, 1, 1, 30),
                base.sprites(),
                base.events(),
                base.effects(),
                base.ropes());
        assertThat(new BirthsDropped().look(Subject.of(small, effect)))
                .singleElement()
                .extracting(Finding::words)
                .asString()
                .contains("20 births");
    }
}
