package bellrope.format.answer;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import bellrope.core.value.Problem;
import bellrope.format.report.AccountReport;
import java.nio.ByteBuffer;
import java.util.Map;
import org.junit.jupiter.api.Test;

class TakesTest {
    private static final long THATCH = Asked.rope("landing on thatch");

    private static TakeWish of(Long rope) {
        return new TakeWish(rope, null, null, null, null, null, 1);
    }

    @Test
    void theHeadCountsWhatTheFramesShow() {
        Answer<TakeHead> answer = Takes.of(Asked.WHOLE, of(THATCH));
        TakeHead head = answer.head();
        for (int step = 0; step < head.live().length; step++) {
            ByteBuffer frame = answer.viewing().at(step);
            assertThat(frame.remaining()).isEqualTo(64 + 20 * frame.getInt(frame.position() + 12));
            assertThat(frame.getInt(frame.position() + 12)).isEqualTo(head.live()[step]);
        }
        assertThat(head.numbers().births()).isEqualTo(head.numbers().peak());
        AccountReport.Line line = head.account().answers().get(0);
        assertThat(line.words()).isEqualTo("straw puff at (0, 0, 0), size 1.2 from speed 9");
    }

    @Test
    void whatStandsOverAPartIsPlayed() {
        Whole drafted = Asked.whole(Asked.withEffect(
                "straw puff", t -> t.replace("\"least\":30,\"most\":38", "\"least\":500,\"most\":500")));
        assertThat(Takes.of(drafted, of(THATCH)).head().numbers().births()).isBetween(500L, 520L);
    }

    @Test
    void aSpanIsHeldForAsLongAsAsked() {
        long reels = Asked.rope("the kite reels");
        int brief = Takes.of(Asked.WHOLE, new TakeWish(reels, null, null, null, 0.5, null, 1))
                .head()
                .live()
                .length;
        int longer = Takes.of(Asked.WHOLE, new TakeWish(reels, null, null, null, 3.0, null, 1))
                .head()
                .live()
                .length;
        assertThat(longer - brief).as("two and a half seconds").isBetween(149, 151);
    }

    @Test
    void channelsSayWhatTheyAreToldToSay() {
        long gust = Asked.rope("a gust crosses");
        String calm = Takes.of(Asked.WHOLE, new TakeWish(gust, null, null, null, null, Map.of("wind", 0.0), 1))
                .head()
                .account()
                .toString();
        String storm = Takes.of(Asked.WHOLE, new TakeWish(gust, null, null, null, null, Map.of("wind", 12.0), 1))
                .head()
                .account()
                .toString();
        assertThat(calm).isNotEqualTo(storm);
    }

    @Test
    void aPayloadThatIsWrongIsRefusedWithItsPlace() {
        Problem problem = Asked.problem(() -> Takes.of(
                Asked.WHOLE,
                new TakeWish(
                        null,
                        "courier.landed",
                        Asked.json("{'position':[0,0,0],'normal':[0,1,0],'speed':'fast','surface':'thatch'}"),
                        null,
                        null,
                        null,
                        1)));
        assertThat(problem.place()).isEqualTo("/payload/speed");
        assertThat(problem.allowed()).contains("a number from 0 to 14 u/s");
    }

    @Test
    void whatIsNotThereIsSaid() {
        assertThatThrownBy(() -> Takes.of(Asked.WHOLE, of(7L)))
                .isInstanceOf(NotThere.class)
                .hasMessage("rope 7");
        assertThat(Asked.problem(() ->
                                Takes.of(Asked.WHOLE, new TakeWish(null, "courier.sneezed", null, null, null, null, 1)))
                        .place())
                .isEqualTo("/event");
        assertThat(Asked.problem(() -> Takes.of(Asked.WHOLE, new TakeWish(null, null, null, null, null, null, 1)))
                        .allowed())
                .contains("the name of an event, or a rope");
    }
}
