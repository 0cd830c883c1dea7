package bellrope.core.check.wiring;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import bellrope.core.Sample;
import bellrope.core.check.wiring.Wiring.Noticed;
import bellrope.core.effect.Binding;
import bellrope.core.effect.Effect;
import bellrope.core.effect.Parameter;
import bellrope.core.effect.Property;
import bellrope.core.event.EventType;
import bellrope.core.event.Strength;
import bellrope.core.measure.Numbers;
import bellrope.core.measure.Reaches;
import bellrope.core.project.Project;
import bellrope.core.rope.Companion;
import bellrope.core.rope.Condition;
import bellrope.core.rope.Feed;
import bellrope.core.rope.Fitting;
import bellrope.core.rope.FollowUp;
import bellrope.core.rope.Limits;
import bellrope.core.rope.Overrides;
import bellrope.core.rope.Rope;
import bellrope.core.rope.Source;
import bellrope.core.rope.Timing;
import bellrope.core.rope.When;
import bellrope.core.rope.Where;
import bellrope.core.stage.Take;
import bellrope.core.value.Datum;
import bellrope.core.value.Range;
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
        return Wiring.look(project, Wiring.Known.seen(numbers(project)));
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

    private static Feed force(double least, double most, double from, double to) {
        return new Feed("size", "force", new Range(least, most), from, to);
    }

    private static Rope fed(Feed feed) {
        return with(STRUCK, d -> d.feeds = List.of(feed));
    }

    @Test
    void aFeedThatNeverLeftItsClampIsNoticedOnWhatCame() {
        Rope rope = fed(force(50, 100, 1, 2));
        Map<String, Map<String, List<Double>>> came =
                Map.of(rope.name(), Map.of("size", List.of(12.0, 30.0, 18.0, 41.0)));
        List<Noticed> found = Wiring.look(game(rope), new Wiring.Known(Map.of(), Map.of(), came));
        assertThat(found).extracting(Noticed::check).contains("never leaves its clamp");
        Noticed noticed = found.stream()
                .filter(n -> n.check().equals("never leaves its clamp"))
                .findFirst()
                .orElseThrow();
        assertThat(noticed.words()).contains("in the last 4 pulls force was 12 to 41");
        Rope mended = noticed.remedy().orElseThrow().rope();
        assertThat(Wiring.look(game(mended), new Wiring.Known(Map.of(), Map.of(), came)))
                .extracting(Noticed::check)
                .doesNotContain("never leaves its clamp");
        assertThat(look(game(rope))).extracting(Noticed::check).doesNotContain("never leaves its clamp");
    }

    // Common practice: 1 u/s and 10 u/s² for 2 s gets to 22 u; a hit test of 10 u is half of what the player sees.
    @Test
    void aHitTestThatReachesOnlyHalfIsNoticedWithTheOneThatAgrees() {
        Effect jet = Sample.effect(
                "jet",
                Sample.emitter(
                        "flame",
                        1,
                        Sample.burst(1, 2).with(d -> d.speed = Range.ONE),
                        Sample.falling(new Vec3(0, 10, 0), 0)));
        Rope rope = Sample.rope("burns", 1, "courier.struck", "jet")
                .with(d -> d.hit = Optional.of(new Source.Constant(new Datum.Num(10))));
        Project project = Sample.game(rope).withEffects(List.of(jet));
        Reaches reaches = Reaches.of(project, rope);
        // The last step that is seen is one before the end of its life.
        assertThat(reaches.usual().reach()).isBetween(21.6, 22.0);
        List<Noticed> found = Wiring.look(project, new Wiring.Known(Map.of(), Map.of("burns", reaches), Map.of()));
        Noticed noticed = found.stream()
                .filter(n -> n.check().equals("reach and hit differ"))
                .findFirst()
                .orElseThrow();
        assertThat(noticed.words()).contains("the game hits within 10 u");
        Rope mended = noticed.remedy().orElseThrow().rope();
        assertThat(Reaches.of(project, mended).worst()).isEmpty();
    }

    @Test
    void theReachIsComputedOverTheWholeRangeOfWhatFeedsIt() {
        Effect puff = Sample.effect("jet", Sample.emitter("a", 1, Sample.burst(1, 1), Sample.still()))
                .withParameters(List.of(new Parameter(
                        "speed",
                        1,
                        0,
                        4,
                        "",
                        "",
                        List.of(new Binding(Property.SPEED, Binding.Mode.MULTIPLY, Optional.empty())))));
        Rope rope = Sample.rope("burns", 1, "courier.struck", "jet").with(d -> {
            d.feeds = List.of(new Feed("speed", "force", new Range(0, 100), 0, 2));
            d.hit = Optional.of(new Source.Constant(new Datum.Num(4)));
        });
        Reaches reaches = Reaches.of(Sample.game(rope).withEffects(List.of(puff)), rope);
        assertThat(reaches.points()).hasSize(9);
        assertThat(reaches.points().get(8).reach()).isCloseTo(8, within(0.2));
        assertThat(reaches.worst().orElseThrow().at()).isIn(0.0, 100.0);
        // Thrown at 4 u/s for a second, it reaches 4 u with the parameter at 1.
        assertThat(reaches.agreeing(4).orElseThrow()).isCloseTo(1.0, within(0.03));
    }

    @Test
    void whatFollowsAChannelButIsKeptFromTheBeginningIsSaid() {
        Effect smoke = Sample.loop("smoke", 30, 0.5, 0.25)
                .turned(
                        "rate",
                        p -> p.withBindings(
                                List.of(new Binding(Property.GRAVITY, Binding.Mode.MULTIPLY, Optional.empty()))));
        Rope rope = with(
                REEL, d -> d.feeds = List.of(new Feed("rate", new Source.Channel("wind"), new Range(0, 12), 0.5, 2)));
        Project project = game(rope);
        Project with = project.withEffects(project.effects().stream()
                .map(e -> e.name().equals("smoke") ? smoke : e)
                .toList());
        assertThat(look(with)).extracting(Noticed::check).contains("keeps its beginning");
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
                Arguments.of("never seen", with(STRUCK, d -> d.overrides = Overrides.count(0.001))),
                Arguments.of("feed beyond its parameter", with(STRUCK, d -> d.feeds = List.of(force(0, 100, 0.5, 9)))),
                Arguments.of("answered twice", with(LANDING, d -> {
                    d.name = "landing again";
                    d.seed = 9;
                })),
                Arguments.of("outlives its purpose", with(STRUCK, d -> d.followUps = List.of(follow("smoke", null)))),
                Arguments.of("loops back", with(STRUCK, d -> d.followUps = List.of(follow(null, "courier.struck")))),
                Arguments.of("flat feed", with(STRUCK, d -> d.feeds = List.of(force(10, 100, 1, 1)))),
                Arguments.of("feed outside its range", with(STRUCK, d -> d.feeds = List.of(force(200, 400, 1, 2)))),
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
    void namesThatAreTakenForOneAnotherAreNoticed() {
        List<EventType> events = new ArrayList<>(game().events());
        events.add(new EventType(
                "courier.land-ed",
                EventType.Shape.MOMENT,
                "",
                2,
                List.of(new bellrope.core.event.Field.Flag("wet"), new bellrope.core.event.Field.Flag("Wet")),
                List.of(),
                Optional.of("heard, not seen")));
        assertThat(look(game().withEvents(events)))
                .extracting(n -> n.check() + ": " + n.words().split(":")[0])
                .contains(
                        "names alike: courier.land-ed looks like courier.landed",
                        "names alike: its field Wet looks like wet");
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
