package bellrope.core.rope;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import bellrope.core.Sample;
import bellrope.core.event.Strength;
import bellrope.core.value.Datum;
import bellrope.core.value.Range;
import bellrope.core.value.Vec3;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

class RopeTest {
    @Test
    void readsAsAnEnglishSentence() {
        Sentence sentence = Sentence.of(Sample.onThatch("straw puff"), Optional.of(Sample.landed()));
        assertThat(sentence.toString())
                .isEqualTo("When courier.landed on thatch with speed over 4 u/s, play straw puff at the point, "
                        + "facing the normal; size from speed 4…14 → 0.6…1.8.");
        assertThat(sentence.parts().get(3).slot()).isEqualTo(Sentence.Slot.CONDITION);
    }

    @Test
    void aMissingEffectReadsAsAGap() {
        Rope gap = new Rope(
                "gap", 1, "courier.struck", List.of(), Optional.empty(), new Vec3(0, 1, 0), Facing.OPPOSITE, List.of());
        Sentence sentence = Sentence.of(gap, Optional.of(Sample.struck()));
        assertThat(sentence.toString())
                .isEqualTo("When courier.struck, play no effect chosen at the point + (0, 1, 0) u, "
                        + "facing back against the direction.");
        assertThat(sentence.parts()).extracting(Sentence.Part::slot).contains(Sentence.Slot.GAP);
    }

    @ParameterizedTest
    @CsvSource({"0,0.6", "4,0.6", "9,1.2", "14,1.8", "99,1.8"})
    void aFeedRemapsAndClamps(double speed, double size) {
        Feed feed = new Feed("size", "speed", new Range(4, 14), 0.6, 1.8);
        assertThat(feed.value(speed)).isCloseTo(size, within(1e-12));
    }

    @Test
    void aFeedMayRunBackwardsButNotFromAnEmptyRange() {
        assertThat(new Feed("size", "speed", new Range(0, 10), 2, 0).value(2.5)).isEqualTo(1.5);
        assertThatThrownBy(() -> new Feed("size", "speed", Range.of(3), 0, 1))
                .hasMessage("in: 3 to 3: the minimum must be below the maximum");
    }

    @ParameterizedTest
    @CsvSource({"OVER,false,true", "AT_LEAST,true,true", "UNDER,false,false", "AT_MOST,true,false"})
    void boundsBelongToAtLeastAndAtMost(Condition.Relation relation, boolean atBound, boolean above) {
        Condition c = new Condition.Compare("speed", relation, 4);
        assertThat(c.holds(Around.with("speed", new Datum.Num(4)))).isEqualTo(atBound);
        assertThat(c.holds(Around.with("speed", new Datum.Num(5)))).isEqualTo(above);
        assertThat(c.holds(Around.with("speed", new Datum.Word("5")))).isFalse();
    }

    @ParameterizedTest
    @EnumSource(Strength.class)
    void everyStrengthFitsTheRope(Strength strength) {
        Rope hard = new Rope(
                "hard",
                1,
                "courier.landed",
                List.of(
                        new Condition.Compare("speed", Condition.Relation.OVER, 11),
                        new Condition.OneOf("surface", List.of("peat", "water"))),
                Optional.empty(),
                Vec3.ZERO,
                Facing.UP,
                List.of());
        Map<String, Datum> payload = Fitting.payload(hard, Sample.landed(), strength);
        assertThat(Sample.landed().check(payload)).isEmpty();
        assertThat(hard.conditions()).allMatch(c -> c.holds(Around.payload(payload)));
    }

    @Test
    void readyMadePullsFollowTheRanges() {
        assertThat(Strength.SOFT.payload(Sample.landed()).get("speed")).isEqualTo(new Datum.Num(1.4));
        assertThat(Strength.USUAL.payload(Sample.landed()).get("speed")).isEqualTo(new Datum.Num(7));
        assertThat(Strength.HARD.payload(Sample.landed()).get("speed")).isEqualTo(new Datum.Num(12.6));
    }
}
