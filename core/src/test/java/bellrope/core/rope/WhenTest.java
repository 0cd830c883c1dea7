package bellrope.core.rope;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import bellrope.core.Sample;
import bellrope.core.event.Channel;
import bellrope.core.event.EventType;
import bellrope.core.event.Strength;
import bellrope.core.rope.Condition.Compare;
import bellrope.core.rope.Condition.Relation;
import bellrope.core.rope.When.Match;
import bellrope.core.value.Datum;
import bellrope.core.value.Range;
import bellrope.core.value.Vec3;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

class WhenTest {
    private static When on(Match match, Condition... conditions) {
        return new When("courier.landed", Optional.empty(), match, List.of(conditions));
    }

    private static boolean answers(When when, Situation now) {
        return When.fulfilled(when.verdict(now));
    }

    /** Source: interval arithmetic (Moore, Kearfott & Cloud): the numbers that pass are an intersection or a union. */
    @ParameterizedTest
    @EnumSource(Match.class)
    void whatPassesIsTheIntersectionOrTheUnionOfIntervals(Match match) {
        Random random = new Random(7);
        for (int round = 0; round < 500; round++) {
            List<Compare> all = new ArrayList<>();
            double low = Double.NEGATIVE_INFINITY;
            double high = Double.POSITIVE_INFINITY;
            for (int i = 0; i <= random.nextInt(4); i++) {
                Relation relation = Relation.values()[random.nextInt(4)];
                double bound = random.nextInt(10);
                all.add(new Compare("speed", relation, bound));
                if (relation.upwards()) {
                    low = Math.max(low, bound);
                } else {
                    high = Math.min(high, bound);
                }
            }
            double value = random.nextInt(10) + 0.5;
            boolean inside = value > low && value < high;
            long met = all.stream()
                    .filter(c -> c.relation().upwards() ? value > c.bound() : value < c.bound())
                    .count();
            boolean expected = switch (match) {
                case ALL -> inside;
                case ANY -> met > 0;
                case NONE -> met == 0;
            };
            When when = on(match, all.toArray(Condition[]::new));
            assertThat(answers(when, Around.with("speed", new Datum.Num(value))))
                    .as("%s of %s at %s", match, all, value)
                    .isEqualTo(expected);
        }
    }

    @Test
    void aMissingValueNeverMeetsACondition() {
        Situation nothing = Around.payload(Map.of());
        assertThat(answers(on(Match.ALL, new Compare("speed", Relation.UNDER, 4)), nothing))
                .isFalse();
        assertThat(answers(on(Match.ALL, new Compare(new Source.Channel("wind"), Relation.UNDER, 4)), nothing))
                .isFalse();
        assertThat(answers(on(Match.ALL, new Condition.Flagged("full", false)), nothing))
                .isFalse();
        assertThat(answers(on(Match.ALL), nothing)).isTrue();
        assertThat(answers(on(Match.ANY), nothing)).isTrue();
    }

    @Test
    void whatNeverCameWasForEverAgo() {
        When rested = on(Match.ALL, new Compare(new Source.Since("courier.struck"), Relation.OVER, 2));
        Around around = Around.payload(Map.of());
        assertThat(answers(rested, around)).isTrue();
        around.times().put("courier.struck", 1.5);
        assertThat(answers(rested, around)).isFalse();
    }

    @Test
    void tagsAndFlagsAreAskedEitherWay() {
        Around soaked = new Around(Map.of("full", new Datum.Flag(true)), Map.of(), Map.of(), Set.of("soaked"));
        assertThat(answers(on(Match.ALL, new Condition.Tagged("soaked", true)), soaked))
                .isTrue();
        assertThat(answers(on(Match.ALL, new Condition.Tagged("soaked", false)), soaked))
                .isFalse();
        assertThat(answers(on(Match.ALL, new Condition.Flagged("full", true)), soaked))
                .isTrue();
    }

    @Test
    void aConditionCannotBeOnTheTimeHeld() {
        assertThatThrownBy(() -> new Compare(new Source.Held(), Relation.OVER, 1))
                .hasMessageContaining("a field, a channel or the time since an event");
    }

    @ParameterizedTest
    @EnumSource(Match.class)
    void aReadyMadePullFitsWhateverIsWanted(Match match) {
        Channel wind = new Channel("wind", "", new Range(0, 12), 2, "u/s");
        Rope rope = Sample.onThatch("puff")
                .with(d -> d.when = new When(
                        "courier.landed",
                        Optional.empty(),
                        match,
                        List.of(
                                new Condition.OneOf("surface", List.of("stone")),
                                new Compare(new Source.Channel("wind"), Relation.OVER, 6),
                                new Compare(new Source.Since("courier.struck"), Relation.UNDER, 3),
                                new Condition.Tagged("soaked", true))));
        Trial trial = Fitting.trial(rope, Sample.landed(), List.of(wind), Strength.USUAL, 5);
        Around around = new Around(
                trial.pull().payload(),
                trial.channels(),
                trial.since(),
                trial.pull().tags());
        assertThat(answers(rope.when(), around)).isTrue();
        assertThat(Sample.landed().check(trial.pull())).isEmpty();
    }

    @Test
    void aSpanReadsFromBeginningToEnd() {
        Rope rope = Sample.rope("reel", 1, "kite.reeling", "reel smoke").with(d -> {
            d.where = Where.following(new Vec3(0.5, 0, 0));
            d.feeds = List.of(new Feed("rate", new Source.Held(), new Range(0, 2), 0.2, 1));
            d.run = new Run(
                    Optional.of("start puff"),
                    Optional.of("hiss"),
                    OptionalDouble.empty(),
                    OptionalDouble.of(0.4),
                    OptionalDouble.of(20),
                    Run.Again.CONTINUE,
                    Run.Order.TOGETHER);
            d.owner = new Owner(Owner.AtEnd.FADE, 0.3);
        });
        assertThat(Sentence.of(rope, Optional.of(Sample.reeling())).toString())
                .isEqualTo("While kite.reeling, begin with start puff, run reel smoke on the kite + (0.5, 0, 0) u, "
                        + "facing up; rate from time held 0…2 s → 0.2…1; end with hiss; fade 0.4 s; at most 20 s; "
                        + "when the kite is gone fade over 0.3 s.");
    }

    @Test
    void aStateReadsWithItsValueAndChange() {
        Rope rope = Sample.rope("rain", 1, "weather", "rain").with(d -> {
            d.when = new When("weather", Optional.of("downpour"), Match.ALL, List.of());
            d.where = Where.camera(new Vec3(0, 6, 0));
            d.run = new Run(
                    Optional.empty(),
                    Optional.empty(),
                    OptionalDouble.of(3),
                    OptionalDouble.of(3),
                    OptionalDouble.empty(),
                    Run.Again.CONTINUE,
                    Run.Order.TOGETHER);
        });
        EventType weather = Sample.weather();
        assertThat(Sentence.of(rope, Optional.of(weather)).toString())
                .isEqualTo("While weather is downpour, run rain about the camera + (0, 6, 0) u, facing up; "
                        + "change over 3 s.");
        Rope unchosen = rope.with(d -> d.when = new When("weather", Optional.empty(), Match.ALL, List.of()));
        assertThat(Sentence.of(unchosen, Optional.of(weather)).parts())
                .anyMatch(p -> p.slot() == Sentence.Slot.GAP && p.index() == 1);
    }
}
