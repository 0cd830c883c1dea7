package bellrope.core.score;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import bellrope.core.Sample;
import bellrope.core.event.EventType;
import bellrope.core.event.Pull;
import bellrope.core.value.Refused;
import bellrope.core.value.Vec3;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.Set;
import org.junit.jupiter.api.Test;

class ScoreBuilderTest {
    private static final List<EventType> EVENTS =
            List.of(Sample.landed(), Sample.struck(), Sample.reeling(), Sample.weather());

    private final ScoreBuilder builder = new ScoreBuilder();

    // What a score keeps: everything but seeds and the numbers of lanes.
    private static List<String> said(Score score) {
        return Writing.of(score, EVENTS, 0).arrivals().stream()
                .map(a -> a.at() + " " + a.pull().seeded(0))
                .toList();
    }

    @Test
    void whatIsWrittenDownIsSaidAgainAtTheSameTimesWithTheSameValues() {
        Lane spans = new Lane(2, "kite.reeling", new Pattern.Salvos(1, 0, 2.5)).about("red kite");
        Score score = new Score(
                "run",
                20,
                5,
                List.of(
                        new Lane(1, "courier.landed", new Pattern.Poisson(4)),
                        spans,
                        new Lane(3, "weather", new Pattern.Steady(0.5))),
                List.of(new Channelled("wind", List.of(new Channelled.Point(0, 2), new Channelled.Point(0.05, 3)))));
        Written written = Writing.of(score, EVENTS, 0);
        written.arrivals().forEach(a -> builder.pull(a.at(), a.pull()));
        written.channels().get(0).points().forEach(p -> builder.channel(p.at(), "wind", p.value(), false));
        Score again = builder.score("again").orElseThrow();
        assertThat(said(again)).isEqualTo(said(score)).hasSizeGreaterThan(60);
        assertThat(again.channels()).isEqualTo(score.channels());
        assertThat(again.lanes())
                .extracting(Lane::event, Lane::subject)
                .contains(org.assertj.core.groups.Tuple.tuple("kite.reeling", "red kite"));
    }

    @Test
    void aSpanThatIsNotEndedLastsToTheEndOfTheScore() {
        builder.pull(1, Pull.begin("kite.reeling", Map.of(), 1));
        builder.pull(4.02, new Pull("courier.landed", Map.of(), 1));
        Score score = builder.score("run").orElseThrow();
        assertThat(score.seconds()).isEqualTo(4.2);
        Pattern.Marks marks = (Pattern.Marks) score.lanes().get(0).when();
        assertThat(marks.marks().get(0).lasts().getAsDouble()).isCloseTo(3.2, within(1e-12));
        assertThat(score.lanes().get(1).when()).isEqualTo(new Pattern.Marks(List.of(new Mark(4.02))));
        assertThat(((Pattern.Marks) score.lanes().get(1).when()).marks().get(0).lasts())
                .isEqualTo(OptionalDouble.empty());
    }

    @Test
    void endsAndBeginningsThatDoNotPairAreRefused() {
        assertThatThrownBy(() -> builder.pull(1, Pull.end("kite.reeling")))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("begun and not ended");
        builder.pull(1, Pull.begin("kite.reeling", Map.of(), 1));
        assertThatThrownBy(() -> builder.pull(2, Pull.begin("kite.reeling", Map.of(), 1)))
                .isInstanceOf(Refused.class);
        // Another subject is another lane.
        builder.pull(2, Pull.begin("kite.reeling", Map.of(), 1).of("red kite"));
        builder.pull(3, Pull.end("kite.reeling"));
        assertThat(builder.score("run").orElseThrow().lanes()).hasSize(2);
    }

    @Test
    void aChannelKeepsItsValueUntilItIsToldAnother() {
        builder.channel(0, "wind", 2, false);
        builder.channel(10, "wind", 8, false);
        builder.channel(10.02, "wind", 9, false);
        Channelled wind = builder.score("run").orElseThrow().channels().get(0);
        assertThat(wind.at(9.9)).isEqualTo(2);
        assertThat(wind.at(10)).isEqualTo(8);
        assertThat(wind.at(10.01)).isCloseTo(8.5, within(1e-9));
        assertThat(wind.at(60)).isEqualTo(9);
    }

    @Test
    void saysWhatItDoesNotKeep() {
        Pull pull = new Pull("courier.landed", Map.of(), 1);
        builder.pull(0, pull.tagged(Set.of("soaked")));
        builder.pull(1, pull.moving(new Vec3(1, 0, 0)));
        builder.gone();
        assertThat(builder.left()).isEqualTo(new ScoreBuilder.Left(1, 1, 1));
    }

    @Test
    void boundsAreKept() {
        assertThat(new ScoreBuilder().score("run")).isEmpty();
        assertThatThrownBy(() -> builder.pull(3_600, new Pull("courier.landed", Map.of(), 1)))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("longest score");
        Pull pull = new Pull("courier.landed", Map.of(), 1);
        for (int i = 0; i < 200; i++) {
            builder.pull(i, pull.of("crow-" + i));
        }
        assertThatThrownBy(() -> builder.pull(201, pull.of("one more"))).isInstanceOf(Refused.class);
        for (int i = 200; i < Score.MOST_ARRIVALS; i++) {
            builder.pull(201, pull.of("crow-1"));
        }
        assertThatThrownBy(() -> builder.pull(202, pull.of("crow-1"))).isInstanceOf(Refused.class);
        assertThat(builder.score("run").orElseThrow().seconds()).isEqualTo(201.1);
        for (int i = 0; i < 1000; i++) {
            builder.channel(i * 0.05, "wind", i, false);
        }
        assertThatThrownBy(() -> builder.channel(101, "wind", 1, false)).isInstanceOf(Refused.class);
    }
}
