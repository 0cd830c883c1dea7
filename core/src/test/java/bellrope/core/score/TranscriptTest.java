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

class TranscriptTest {
    private static final List<EventType> EVENTS =
            List.of(Sample.landed(), Sample.struck(), Sample.reeling(), Sample.weather());

    private final Transcript transcript = new Transcript();

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
        written.arrivals().forEach(a -> transcript.pull(a.at(), a.pull()));
        written.channels().get(0).points().forEach(p -> transcript.channel(p.at(), "wind", p.value(), false));
        Score again = transcript.score("again").orElseThrow();
        assertThat(said(again)).isEqualTo(said(score)).hasSizeGreaterThan(60);
        assertThat(again.channels()).isEqualTo(score.channels());
        assertThat(again.lanes())
                .extracting(Lane::event, Lane::subject)
                .contains(org.assertj.core.groups.Tuple.tuple("kite.reeling", "red kite"));
    }

    @Test
    void aSpanThatIsNotEndedLastsToTheEndOfTheScore() {
        transcript.pull(1, Pull.begin("kite.reeling", Map.of(), 1));
        transcript.pull(4.02, new Pull("courier.landed", Map.of(), 1));
        Score score = transcript.score("run").orElseThrow();
        assertThat(score.seconds()).isEqualTo(4.2);
        Pattern.Marks marks = (Pattern.Marks) score.lanes().get(0).when();
        assertThat(marks.marks().get(0).lasts().getAsDouble()).isCloseTo(3.2, within(1e-12));
        assertThat(score.lanes().get(1).when()).isEqualTo(new Pattern.Marks(List.of(new Mark(4.02))));
        assertThat(((Pattern.Marks) score.lanes().get(1).when()).marks().get(0).lasts())
                .isEqualTo(OptionalDouble.empty());
    }

    @Test
    void endsAndBeginningsThatDoNotPairAreRefused() {
        assertThatThrownBy(() -> transcript.pull(1, Pull.end("kite.reeling")))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("begun and not ended");
        transcript.pull(1, Pull.begin("kite.reeling", Map.of(), 1));
        assertThatThrownBy(() -> transcript.pull(2, Pull.begin("kite.reeling", Map.of(), 1)))
                .isInstanceOf(Refused.class);
        // Another subject is another lane.
        transcript.pull(2, Pull.begin("kite.reeling", Map.of(), 1).of("red kite"));
        transcript.pull(3, Pull.end("kite.reeling"));
        assertThat(transcript.score("run").orElseThrow().lanes()).hasSize(2);
    }

    @Test
    void aChannelKeepsItsValueUntilItIsToldAnother() {
        transcript.channel(0, "wind", 2, false);
        transcript.channel(10, "wind", 8, false);
        transcript.channel(10.02, "wind", 9, false);
        Channelled wind = transcript.score("run").orElseThrow().channels().get(0);
        assertThat(wind.at(9.9)).isEqualTo(2);
        assertThat(wind.at(10)).isEqualTo(8);
        assertThat(wind.at(10.01)).isCloseTo(8.5, within(1e-9));
        assertThat(wind.at(60)).isEqualTo(9);
    }

    @Test
    void saysWhatItDoesNotKeep() {
        Pull pull = new Pull("courier.landed", Map.of(), 1);
        transcript.pull(0, pull.tagged(Set.of("soaked")));
        transcript.pull(1, pull.moving(new Vec3(1, 0, 0)));
        transcript.gone();
        assertThat(transcript.left()).isEqualTo(new Transcript.Left(1, 1, 1));
    }

    @Test
    void boundsAreKept() {
        assertThat(new Transcript().score("run")).isEmpty();
        assertThatThrownBy(() -> transcript.pull(3_600, new Pull("courier.landed", Map.of(), 1)))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("longest score");
        Pull pull = new Pull("courier.landed", Map.of(), 1);
        for (int i = 0; i < 200; i++) {
            transcript.pull(i, pull.of("crow-" + i));
        }
        assertThatThrownBy(() -> transcript.pull(201, pull.of("one more"))).isInstanceOf(Refused.class);
        for (int i = 200; i < Score.MOST_ARRIVALS; i++) {
            transcript.pull(201, pull.of("crow-1"));
        }
        assertThatThrownBy(() -> transcript.pull(202, pull.of("crow-1"))).isInstanceOf(Refused.class);
        assertThat(transcript.score("run").orElseThrow().seconds()).isEqualTo(201.1);
        for (int i = 0; i < 1000; i++) {
            transcript.channel(i * 0.05, "wind", i, false);
        }
        assertThatThrownBy(() -> transcript.channel(101, "wind", 1, false)).isInstanceOf(Refused.class);
    }
}
