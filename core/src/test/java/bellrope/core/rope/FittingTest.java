package bellrope.core.rope;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import bellrope.core.Sample;
import bellrope.core.effect.Course;
import bellrope.core.effect.Effect;
import bellrope.core.event.Channel;
import bellrope.core.event.EventType;
import bellrope.core.event.Strength;
import bellrope.core.rope.Condition.Relation;
import bellrope.core.value.Datum;
import bellrope.core.value.Range;
import bellrope.core.value.Vec3;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** A pull made for a rope is one that its conditions take, and no further from the usual one than that needs. */
class FittingTest {
    private static final Channel WIND = new Channel("wind", "", new Range(0, 12), 2, "u/s");

    private static Trial trial(When.Match match, Condition... conditions) {
        Rope rope = Sample.rope("r", 1, "courier.landed", "puff")
                .with(d -> d.when = new When("courier.landed", Optional.empty(), match, List.of(conditions)));
        return Fitting.trial(rope, Sample.landed(), List.of(WIND), Strength.USUAL, 1);
    }

    private static double speed(Trial trial) {
        return ((Datum.Num) trial.pull().payload().get("speed")).value();
    }

    // The usual speed is 7 of 0 to 14: past the bound by a tenth of what is left of the range, by 1 at its end.
    @ParameterizedTest
    @CsvSource({
        "OVER, 4, 7",
        "OVER, 9, 9.5",
        "AT_LEAST, 9, 9.5",
        "OVER, 14, 15",
        "UNDER, 4, 3.6",
        "AT_MOST, 4, 3.6",
        "UNDER, 9, 7",
        "UNDER, 0, -1"
    })
    void movesANumberPastItsBound(Relation relation, double bound, double expected) {
        Condition condition = new Condition.Compare("speed", relation, bound);
        assertThat(speed(trial(When.Match.ALL, condition))).isCloseTo(expected, within(1e-12));
    }

    @Test
    void movesWhatIsForbiddenTheOtherWay() {
        assertThat(speed(trial(When.Match.NONE, new Condition.Compare("speed", Relation.OVER, 4))))
                .isCloseTo(3.6, within(1e-12));
        Trial words = trial(When.Match.NONE, new Condition.OneOf("surface", List.of("thatch", "stone")));
        assertThat(words.pull().payload()).containsEntry("surface", new Datum.Word("peat"));
        Trial tags = trial(When.Match.NONE, new Condition.Tagged("soaked", false));
        assertThat(tags.pull().tags()).containsExactly("soaked");
    }

    @Test
    void setsChannelsTimesTagsAndWords() {
        Trial trial = trial(
                When.Match.ALL,
                new Condition.Compare(new Source.Channel("wind"), Relation.OVER, 6),
                new Condition.Compare(new Source.Since("courier.struck"), Relation.UNDER, 2),
                new Condition.OneOf("surface", List.of("peat")),
                new Condition.Tagged("soaked", true));
        assertThat(trial.channels()).containsEntry("wind", 6.6);
        assertThat(trial.since()).containsEntry("courier.struck", 1.5);
        assertThat(trial.pull().payload()).containsEntry("surface", new Datum.Word("peat"));
        assertThat(trial.pull().tags()).containsExactly("soaked");
    }

    @Test
    void ofSeveralThatWouldDoTurnsTheFirst() {
        Trial trial = trial(
                When.Match.ANY,
                new Condition.OneOf("surface", List.of("peat")),
                new Condition.Compare("speed", Relation.OVER, 9));
        assertThat(trial.pull().payload()).containsEntry("surface", new Datum.Word("peat"));
        assertThat(speed(trial)).as("left alone").isEqualTo(7);
    }

    @Test
    void aRopeGivesALoopItsOwnFades() {
        Effect smoke = Sample.loop("smoke", 30, 1, 0.4);
        Rope rope = Sample.rope("reel", 1, "kite.reeling", "smoke");
        assertThat(rope.over(smoke)).as("without fades of its own").isSameAs(smoke);
        Course in = rope.with(d -> d.run = fading(OptionalDouble.of(0.3), OptionalDouble.empty()))
                .over(smoke)
                .course();
        assertThat(in.windUp()).isEqualTo(0.3);
        assertThat(in.fadeOut()).isEqualTo(0.4);
        Course out = rope.with(d -> d.run = fading(OptionalDouble.empty(), OptionalDouble.of(2)))
                .over(smoke)
                .course();
        assertThat(out.windUp()).isZero();
        assertThat(out.fadeOut()).isEqualTo(2);
        Effect puff = Sample.puff("puff", 3);
        assertThat(rope.with(d -> d.run = fading(OptionalDouble.of(1), OptionalDouble.of(2)))
                        .over(puff))
                .as("a one-shot has none")
                .isSameAs(puff);
    }

    private static Run fading(OptionalDouble in, OptionalDouble out) {
        return new Run(
                Optional.empty(),
                Optional.empty(),
                in,
                out,
                OptionalDouble.empty(),
                Run.Again.CONTINUE,
                Run.Order.TOGETHER);
    }

    @Test
    void onlySomePlacesMove() {
        assertThat(Where.POINT.moves()).isFalse();
        assertThat(Where.following(Vec3.ZERO).moves()).isTrue();
        assertThat(Where.camera(Vec3.ZERO).moves()).isTrue();
        assertThat(Where.camera(Vec3.ZERO).withOffset(Vec3.UP).offset()).isEqualTo(Vec3.UP);
        Where stays = new Where(
                Where.Anchor.SUBJECT, false, Optional.empty(), Vec3.ZERO, Where.Frame.WORLD, OptionalDouble.empty());
        assertThat(stays.moves()).isFalse();
        Where screen = new Where(
                Where.Anchor.SCREEN, false, Optional.empty(), Vec3.ZERO, Where.Frame.WORLD, OptionalDouble.empty());
        assertThat(screen.moves()).isTrue();
    }

    @Test
    void conditionsKnowWhatExcludesAndWhatImplies() {
        Condition over4 = new Condition.Compare("speed", Relation.OVER, 4);
        Condition atLeast4 = new Condition.Compare("speed", Relation.AT_LEAST, 4);
        Condition atMost4 = new Condition.Compare("speed", Relation.AT_MOST, 4);
        Condition over5 = new Condition.Compare("speed", Relation.OVER, 5);
        assertThat(over4.excludes(atMost4)).isTrue();
        assertThat(atMost4.excludes(over4)).isTrue();
        assertThat(atLeast4.excludes(atMost4)).as("4 is both").isFalse();
        assertThat(over5.excludes(over4)).isFalse();
        assertThat(over5.implies(over4)).isTrue();
        assertThat(over4.implies(over5)).isFalse();
        assertThat(over4.implies(atLeast4)).isTrue();
        assertThat(atLeast4.implies(over4)).isFalse();
        Condition peat = new Condition.OneOf("surface", List.of("peat"));
        Condition soft = new Condition.OneOf("surface", List.of("peat", "thatch"));
        assertThat(peat.implies(soft)).isTrue();
        assertThat(soft.implies(peat)).isFalse();
        assertThat(peat.excludes(new Condition.OneOf("surface", List.of("stone"))))
                .isTrue();
        assertThat(peat.excludes(soft)).isFalse();
        assertThat(new Condition.Flagged("wet", true).excludes(new Condition.Flagged("wet", false)))
                .isTrue();
        assertThat(new Condition.Tagged("new", true).excludes(new Condition.Tagged("old", false)))
                .isFalse();
    }

    @Test
    void sourcesKnowTheirRangesAndUnits() {
        EventType landed = Sample.landed();
        SourceValues values = new SourceValues(
                Optional.of(landed),
                Optional.of(Sample.loop("smoke", 30, 1, 0.4)),
                name -> Optional.of(WIND).filter(c -> c.name().equals(name)));
        assertThat(values.range(new Source.Payload("speed"))).contains(new Range(0, 14));
        assertThat(values.unit(new Source.Payload("speed"))).isEqualTo("u/s");
        assertThat(values.range(new Source.Payload("surface"))).isEmpty();
        assertThat(values.range(new Source.Channel("wind"))).contains(new Range(0, 12));
        assertThat(values.range(new Source.Channel("gale"))).isEmpty();
        assertThat(values.unit(new Source.Held())).isEqualTo("s");
        assertThat(values.unit(new Source.Since("courier.struck"))).isEqualTo("s");
        assertThat(values.range(new Source.Parameter("rate"))).contains(new Range(0.1, 4));
        assertThat(values.unit(new Source.Parameter("rate"))).isEqualTo("×");
        assertThat(values.range(new Source.Random(1))).contains(new Range(0, 1));
        assertThat(values.told(new Source.Random(1))).isEmpty();
        assertThat(values.range(new Source.Constant(new Datum.Num(3)))).isEmpty();
    }
}
