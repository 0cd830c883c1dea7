package bellrope.core.check.wiring;

import static org.assertj.core.api.Assertions.assertThat;

import bellrope.core.Sample;
import bellrope.core.check.wiring.Wiring.Noticed;
import bellrope.core.event.EventType;
import bellrope.core.event.Strength;
import bellrope.core.measure.Numbers;
import bellrope.core.project.Project;
import bellrope.core.rope.Companion;
import bellrope.core.rope.Condition;
import bellrope.core.rope.Fitting;
import bellrope.core.rope.FollowUp;
import bellrope.core.rope.Limits;
import bellrope.core.rope.Overrides;
import bellrope.core.rope.Rope;
import bellrope.core.rope.Timing;
import bellrope.core.rope.When;
import bellrope.core.rope.Where;
import bellrope.core.stage.Take;
import bellrope.core.value.Rgba;
import bellrope.core.value.Vec3;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

class WiringTest {
    private static final Rope LANDING = Sample.rope("landing", 1, "courier.landed", "puff")
            .with(d -> {
                d.limits = Limits.cooldown(0.05);
                d.overrides = Overrides.count(20);
            });
    private static final Rope REEL =
            Sample.rope("reel", 2, "kite.reeling", "smoke").with(d -> d.overrides = Overrides.count(0.5));
    private static final Rope RAIN = Sample.rope("rain", 3, "weather", "smoke").with(d -> d.when = when("drizzle"));
    private static final Rope STRUCK =
            Sample.rope("struck", 4, "courier.struck", "hiss").with(d -> d.overrides = Overrides.count(60));

    private static When when(String value) {
        return new When("weather", Optional.of(value), When.Match.ALL, List.of());
    }

    private static Project game(Rope... instead) {
        List<Rope> ropes = new ArrayList<>(List.of(LANDING, REEL, RAIN, STRUCK));
        for (Rope rope : instead) {
            ropes.removeIf(r -> r.name().equals(rope.name()));
            ropes.add(rope);
        }
        return Sample.game(ropes.toArray(Rope[]::new));
    }

    private static Map<String, Wiring.Seen> numbers(Project project) {
        Map<String, Wiring.Seen> numbers = new HashMap<>();
        for (Rope rope : project.ropes()) {
            EventType event = project.event(rope.event()).orElseThrow();
            var trial = Fitting.trial(rope, event, project.channels(), Strength.USUAL, 1);
            Take take =
                    Take.of(project.withRopes(List.of(rope)), trial, new Take.Length(4, OptionalDouble.of(1)), false);
            numbers.put(rope.name(), Wiring.Seen.of(Numbers.of(take)));
        }
        return numbers;
    }

    private static List<Noticed> look(Project project) {
        return Wiring.look(project, numbers(project));
    }

    @Test
    void soundWiringIsLeftAlone() {
        assertThat(look(game())).isEmpty();
    }

    private static Rope with(Rope rope, java.util.function.Consumer<Rope.Draft> change) {
        return rope.with(change);
    }

    private static Condition speed(Condition.Relation relation, double bound) {
        return new Condition.Compare("speed", relation, bound);
    }

    private static When landed(Condition... conditions) {
        return new When("courier.landed", Optional.empty(), When.Match.ALL, List.of(conditions));
    }

    private static FollowUp follow(String play, String announce) {
        return new FollowUp(
                Optional.ofNullable(play),
                Optional.ofNullable(announce),
                FollowUp.Cue.OVER,
                0,
                Vec3.ZERO,
                OptionalDouble.empty(),
                0,
                Optional.empty());
    }

    static Stream<Arguments> mistakes() {
        Limits distance = new Limits(
                0,
                OptionalDouble.empty(),
                false,
                Optional.empty(),
                OptionalInt.empty(),
                false,
                Limits.WhenFull.SKIP,
                3,
                1);
        Limits many = new Limits(
                0.5,
                OptionalDouble.empty(),
                false,
                Optional.empty(),
                OptionalInt.of(4),
                false,
                Limits.WhenFull.SKIP,
                0,
                1);
        Overrides early = new Overrides(
                1, 1, 1, OptionalDouble.empty(), Optional.empty(), OptionalDouble.empty(), OptionalDouble.of(0.2));
        Overrides same = new Overrides(
                2, 1, 1, OptionalDouble.of(1), Optional.of(Rgba.WHITE), OptionalDouble.empty(), OptionalDouble.empty());
        return Stream.of(
                Arguments.of("gap", with(LANDING, d -> d.play = Optional.empty())),
                Arguments.of(
                        "gap",
                        with(RAIN, d -> d.when = new When("weather", Optional.empty(), When.Match.ALL, List.of()))),
                Arguments.of("gap", with(LANDING, d -> d.followUps = List.of(follow(null, null)))),
                Arguments.of("never ends", with(STRUCK, d -> d.play = Optional.of("smoke"))),
                Arguments.of("falls silent", with(REEL, d -> d.play = Optional.of("puff"))),
                Arguments.of("cut off", with(STRUCK, d -> d.overrides = early)),
                Arguments.of("overrides nothing", with(STRUCK, d -> d.overrides = same)),
                Arguments.of("never holds", with(LANDING, d -> d.when = landed(speed(Condition.Relation.OVER, 14)))),
                Arguments.of(
                        "never holds",
                        with(
                                LANDING,
                                d -> d.when =
                                        landed(speed(Condition.Relation.OVER, 5), speed(Condition.Relation.UNDER, 5)))),
                Arguments.of(
                        "never holds",
                        with(
                                LANDING,
                                d -> d.when = landed(
                                        new Condition.OneOf("surface", List.of("peat")),
                                        new Condition.OneOf("surface", List.of("stone"))))),
                Arguments.of("limit never bites", with(STRUCK, d -> d.limits = Limits.cooldown(0.01))),
                Arguments.of("limit never bites", with(STRUCK, d -> d.limits = many)),
                Arguments.of("limit never met", with(STRUCK, d -> {
                    d.limits = distance;
                    d.where = new Where(
                            Where.Anchor.PLACE,
                            false,
                            Optional.of("mill door"),
                            Vec3.ZERO,
                            Where.Frame.WORLD,
                            OptionalDouble.empty());
                })),
                Arguments.of("no guard", with(LANDING, d -> d.limits = Limits.NONE)),
                Arguments.of("answered twice", with(LANDING, d -> {
                    d.name = "landing again";
                    d.seed = 9;
                })),
                Arguments.of("outlives its purpose", with(STRUCK, d -> d.followUps = List.of(follow("smoke", null)))),
                Arguments.of("loops back", with(STRUCK, d -> d.followUps = List.of(follow(null, "courier.struck")))),
                Arguments.of("late", with(STRUCK, d -> d.timing = new Timing(0.2, 0))),
                Arguments.of(
                        "over the cap", with(STRUCK, d -> d.companions = List.of(new Companion.Shake(2, 10, 0.3)))),
                Arguments.of(
                        "over the cap",
                        with(STRUCK, d -> d.companions = List.of(new Companion.Flash(Rgba.WHITE, 0.9, 0.1)))),
                Arguments.of("outdoes a heavier event", with(REEL, d -> d.overrides = Overrides.count(40))));
    }

    @ParameterizedTest
    @MethodSource("mistakes")
    void aMistakeIsNoticedAndItsRemedyMendsIt(String check, Rope wrong) {
        List<Noticed> found = look(game(wrong));
        assertThat(found).extracting(Noticed::check).contains(check);
        assertThat(found).allMatch(n -> n.words().length() > 20);
        for (Noticed noticed : found) {
            noticed.remedy()
                    .ifPresent(remedy -> assertThat(look(game(remedy.rope())))
                            .extracting(Noticed::check)
                            .doesNotContain(check));
        }
    }

    @Test
    void anEventWithoutAnswerStandsOutUntilNoneIsWanted() {
        Project lonely = Sample.game(LANDING, REEL, RAIN);
        assertThat(look(lonely)).extracting(Noticed::check).containsExactly("unanswered event");
        EventType quiet = new EventType(
                "courier.struck",
                EventType.Shape.MOMENT,
                "",
                4,
                Sample.struck().fields(),
                List.of(),
                Optional.of("heard, not seen"));
        assertThat(look(lonely.withEvents(List.of(Sample.landed(), quiet, Sample.reeling(), Sample.weather()))))
                .isEmpty();
    }

    @Test
    void aSpanWhoseSubjectMayDieWantsALongestTime() {
        EventType torn = new EventType("kite.lost", "", 3, List.of());
        Project project =
                game(Sample.rope("lost", 8, "kite.lost", "puff").with(d -> d.overrides = Overrides.count(20)));
        List<EventType> events = new ArrayList<>(project.events());
        events.add(torn);
        List<Noticed> found = look(project.withEvents(events));
        assertThat(found).extracting(Noticed::check).containsExactly("may outlive its subject");
        assertThat(found.get(0).remedy().orElseThrow().rope().run().longest()).hasValue(30);
    }

    @Test
    void aGrandEffectBehindAFaintOneIsNoticed() {
        EventType faint = new EventType("courier.stepped", "", 1, List.of());
        Project project = game(
                Sample.rope("struck", 4, "courier.struck", "puff"),
                Sample.rope("stepped", 8, "courier.stepped", "hiss"));
        List<EventType> events = new ArrayList<>(project.events());
        events.add(faint);
        assertThat(look(project.withEvents(events)))
                .extracting(n -> n.check() + ": " + n.rope())
                .contains("hidden: struck");
    }
}
