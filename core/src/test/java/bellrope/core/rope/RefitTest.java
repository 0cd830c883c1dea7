package bellrope.core.rope;

import static org.assertj.core.api.Assertions.assertThat;

import bellrope.core.Sample;
import bellrope.core.effect.Effect;
import bellrope.core.effect.Parameter;
import bellrope.core.effect.Type;
import bellrope.core.event.Channel;
import bellrope.core.event.EventType;
import bellrope.core.event.Field;
import bellrope.core.value.Datum;
import bellrope.core.value.Range;
import bellrope.core.value.Remap;
import bellrope.core.value.Vec3;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;

class RefitTest {
    private static final Channel WIND = new Channel("wind", "", new Range(0, 12), 2, "u/s");

    private static Parameter parameter(String name, Type type, Datum standard) {
        return new Parameter(name, type, standard, "", "", false, false, List.of());
    }

    private static final Parameter SIZE = parameter("size", new Type.Number(0.2, 3, 0), new Datum.Num(1));
    private static final Parameter KIND =
            parameter("kind", new Type.Choice(List.of("hail", "crow", "branch")), new Datum.Word("hail"));
    private static final Parameter WET = parameter("wet", new Type.Flag(), new Datum.Flag(false));
    private static final Parameter LEAN = parameter("lean", new Type.Vector(5), new Datum.Vec(Vec3.ZERO));
    private static final Effect PUFF = Sample.puff("puff", 3).withParameters(List.of(SIZE, KIND, WET, LEAN));

    private static SourceValues values(EventType event) {
        return new SourceValues(Optional.of(event), Optional.of(PUFF), name -> Optional.of(WIND));
    }

    @Nested
    class ToAnotherEvent {
        private final Rope full = Sample.rope("all", 1, "courier.struck", "puff")
                .with(d -> {
                    d.when = new When(
                            "courier.struck",
                            Optional.empty(),
                            When.Match.ANY,
                            List.of(
                                    new Condition.Compare("force", Condition.Relation.OVER, 3),
                                    new Condition.OneOf("by", List.of("crow")),
                                    new Condition.Compare(new Source.Channel("wind"), Condition.Relation.OVER, 1),
                                    new Condition.Tagged("wet", true)));
                    d.pointing = new Pointing(Facing.DIRECTION, Vec3.UP, 10, 0.5, false);
                    d.feeds = List.of(
                            new Feed("size", "force", new Range(0, 100), 0.5, 2),
                            new Feed("width", new Source.Channel("wind"), new Range(0, 12), 0.5, 2),
                            new Feed("kind", new Source.Payload("by"), Optional.empty(), Feed.Follow.AT_ONCE));
                    d.hit = Optional.of(new Source.Payload("force"));
                    d.run = new Run(
                            Optional.of("puff"),
                            Optional.empty(),
                            OptionalDouble.empty(),
                            OptionalDouble.of(1),
                            OptionalDouble.of(9),
                            Run.Again.STACK,
                            Run.Order.AFTER);
                    d.companions = List.of(new Companion.Notice(
                            "thud",
                            0,
                            List.of(
                                    new NoticeValue("hard", new Source.Payload("force")),
                                    new NoticeValue("wind", new Source.Channel("wind")))));
                });

        @Test
        void keepsWhatThatCanGive() {
            Rope to = Refit.to(full, Sample.reeling());
            assertThat(to.event()).isEqualTo("kite.reeling");
            assertThat(to.conditions()).extracting(Condition::about).containsExactly("force", "wind", "the subject");
            assertThat(to.when().match()).isEqualTo(When.Match.ANY);
            assertThat(to.feeds()).extracting(Feed::parameter).containsExactly("size", "width");
            assertThat(to.facing()).as("it carries no direction").isEqualTo(Facing.UP);
            assertThat(to.pointing().spread()).isEqualTo(10);
            assertThat(to.hit()).isPresent();
            assertThat(to.run().longest()).hasValue(9);
            assertThat(to.run().again()).isEqualTo(Run.Again.STACK);
            assertThat(to.run().order()).as("spans have none").isEqualTo(Run.Order.TOGETHER);
            assertThat(((Companion.Notice) to.companions().get(0)).values()).hasSize(2);
        }

        @Test
        void leavesOutWhatThatCannotGive() {
            Rope to = Refit.to(full, Sample.landed());
            assertThat(to.conditions()).extracting(Condition::about).containsExactly("wind", "the subject");
            assertThat(to.feeds()).extracting(f -> f.source().words()).containsExactly("wind");
            assertThat(to.hit()).isEmpty();
            assertThat(to.run()).isEqualTo(Run.PLAIN);
            assertThat(((Companion.Notice) to.companions().get(0)).values())
                    .extracting(NoticeValue::name)
                    .containsExactly("wind");
        }

        @Test
        void aFieldOfTheSameNameAndAnotherTypeIsAnotherField() {
            EventType other = new EventType(
                    "crow.pecked",
                    "",
                    1,
                    List.of(
                            new Field.Choice("force", List.of("soft", "hard"), "by"),
                            new Field.Choice("by", List.of("hail", "rook"), "by")));
            Rope to = Refit.to(full, other);
            assertThat(to.conditions()).extracting(Condition::about).doesNotContain("force", "by");
            assertThat(to.feeds()).extracting(Feed::parameter).containsExactly("width", "kind");
        }

        // A heading is also known from where the subject is, so no event has to carry it.
        @Test
        void aHeadingStaysWhateverTheEventCarries() {
            Rope heads = full.with(d -> d.pointing = Pointing.of(Facing.HEADING));
            assertThat(Refit.to(heads, Sample.weather()).facing()).isEqualTo(Facing.HEADING);
        }

        @Test
        void aStateHasAnOrderAndNoLongest() {
            Run run = Refit.to(full, Sample.weather()).run();
            assertThat(run.order()).isEqualTo(Run.Order.AFTER);
            assertThat(run.longest()).isEmpty();
            assertThat(run.again()).isEqualTo(Run.Again.CONTINUE);
        }
    }

    private static List<Feed> kept(Feed... feeds) {
        Rope rope = Sample.rope("all", 1, "courier.struck", "hiss").with(d -> d.feeds = List.of(feeds));
        Rope to = Refit.to(rope, PUFF, Optional.of(Sample.struck()));
        assertThat(to.play()).contains("puff");
        return to.feeds();
    }

    private static Feed plain(String parameter, String field) {
        return new Feed(parameter, new Source.Payload(field), Optional.empty(), Feed.Follow.AT_ONCE);
    }

    @Test
    void toAnotherEffectKeepsTheFeedsThatItTakes() {
        Range force = new Range(0, 100);
        assertThat(kept(new Feed("size", "force", force, 0.5, 2))).hasSize(1);
        assertThat(kept(new Feed("width", "force", force, 0.5, 2)))
                .as("it has no width")
                .isEmpty();
        assertThat(kept(plain("size", "force"))).as("a number as it is").hasSize(1);
        assertThat(kept(plain("kind", "by"), plain("lean", "direction"))).hasSize(2);
        assertThat(kept(plain("kind", "force"))).as("a number is no word").isEmpty();
        assertThat(kept(plain("size", "by"))).as("a word is no number").isEmpty();
        assertThat(kept(new Feed("lean", "force", force, 0.5, 2))).isEmpty();
        assertThat(kept(new Feed("wet", "force", force, 0, 1))).hasSize(1);
        assertThat(kept(Feed.constant("wet", new Datum.Flag(true)))).hasSize(1);
        assertThat(kept(Feed.constant("wet", new Datum.Word("yes")))).isEmpty();
        assertThat(kept(new Feed("size", new Source.Parameter("wet"), new Range(0, 1), 0, 1)))
                .hasSize(1);
        assertThat(kept(new Feed("size", new Source.Parameter("width"), new Range(0, 1), 0, 1)))
                .isEmpty();
        assertThat(kept(new Feed("size", new Source.Channel("wind"), new Range(0, 1), 0, 1)))
                .hasSize(1);
        assertThat(kept(new Feed("lean", new Source.Held(), new Range(0, 1), 0, 1)))
                .isEmpty();
    }

    @Test
    void aFieldDrivesWhatHasItsType() {
        Field force = Sample.struck().field("force").orElseThrow();
        Field by = Sample.struck().field("by").orElseThrow();
        Field direction = Sample.struck().field("direction").orElseThrow();
        assertThat(List.of(SIZE, KIND, WET)).allMatch(p -> Refit.drives(force, p));
        assertThat(Refit.drives(force, LEAN)).isFalse();
        assertThat(Refit.drives(by, KIND)).isTrue();
        assertThat(Refit.drives(new Field.Choice("by", List.of("hail", "rook"), "by"), KIND))
                .as("a word that cannot be chosen")
                .isFalse();
        assertThat(Refit.drives(by, SIZE)).isFalse();
        assertThat(Refit.drives(direction, LEAN)).isTrue();
        assertThat(Refit.drives(new Field.Flag("soaked"), WET)).isTrue();
        assertThat(Refit.drives(new Field.Flag("soaked"), SIZE)).isFalse();
    }

    @Test
    void aFeedBeginsWithTheWholeRangeOfItsSource() {
        Feed feed = Refit.feed(SIZE, new Source.Payload("force"), values(Sample.struck()), Optional.empty());
        assertThat(feed.remap()).contains(new Remap(new Range(0, 100), 0.2 + 2.8 * 0.2, 3));
        assertThat(Refit.feed(SIZE, new Source.Channel("wind"), values(Sample.struck()), Optional.empty())
                        .remap()
                        .orElseThrow()
                        .in())
                .isEqualTo(new Range(0, 12));
        assertThat(Refit.feed(SIZE, new Source.Held(), values(Sample.reeling()), Optional.empty())
                        .remap()
                        .orElseThrow()
                        .in())
                .isEqualTo(new Range(0, 2));
    }

    @Test
    void anotherSourceKeepsTheResultsAndTheCurve() {
        Feed before = new Feed(
                "size",
                new Source.Channel("wind"),
                Optional.of(new Remap(new Range(1, 2), 3, 0.5, false, Remap.STRAIGHT)),
                new Feed.Follow(1, 2, 0));
        Feed after = Refit.feed(SIZE, new Source.Payload("force"), values(Sample.struck()), Optional.of(before));
        assertThat(after.remap()).contains(new Remap(new Range(0, 100), 3, 0.5, false, Remap.STRAIGHT));
    }

    @Test
    void whatHasTheSameTypeIsHandedOnAsItIs() {
        assertThat(Refit.feed(KIND, new Source.Payload("by"), values(Sample.struck()), Optional.empty())
                        .remap())
                .isEmpty();
        assertThat(Refit.feed(SIZE, new Source.Constant(new Datum.Num(2)), values(Sample.struck()), Optional.empty())
                        .remap())
                .isEmpty();
        assertThat(Refit.feed(WET, new Source.Payload("force"), values(Sample.struck()), Optional.empty())
                        .remap())
                .contains(new Remap(new Range(0, 100), 0, 1));
    }

    @Test
    void theFirstFieldThatFitsDrivesAParameterUsually() {
        Optional<EventType> struck = Optional.of(Sample.struck());
        assertThat(Refit.usualSource(SIZE, struck, List.of(WIND))).isEqualTo(new Source.Payload("force"));
        assertThat(Refit.usualSource(LEAN, struck, List.of()))
                .as("not the place")
                .isEqualTo(new Source.Payload("direction"));
        Optional<EventType> weather = Optional.of(Sample.weather());
        assertThat(Refit.usualSource(SIZE, weather, List.of(WIND))).isEqualTo(new Source.Held());
        assertThat(Refit.usualSource(SIZE, Optional.empty(), List.of(WIND))).isEqualTo(new Source.Channel("wind"));
        assertThat(Refit.usualSource(SIZE, Optional.empty(), List.of())).isEqualTo(new Source.Held());
        assertThat(Refit.usualSource(WET, weather, List.of(WIND)))
                .isEqualTo(new Source.Constant(new Datum.Flag(false)));
    }

    @Test
    void aConditionBeginsWithWhatIsUsual() {
        assertThat(Refit.condition(Sample.struck().field("force").orElseThrow()))
                .contains(new Condition.Compare("force", Condition.Relation.OVER, 40));
        assertThat(Refit.condition(Sample.struck().field("by").orElseThrow()))
                .contains(new Condition.OneOf("by", List.of("hail")));
        assertThat(Refit.condition(Sample.struck().field("position").orElseThrow()))
                .isEmpty();
        assertThat(Refit.condition(WIND))
                .isEqualTo(new Condition.Compare(new Source.Channel("wind"), Condition.Relation.OVER, 2));
    }
}
