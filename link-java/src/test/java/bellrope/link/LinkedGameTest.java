package bellrope.link;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowableOfType;

import bellrope.core.event.Pull;
import bellrope.core.value.Datum;
import bellrope.core.value.Refused;
import bellrope.core.value.Vec3;
import bellrope.format.json.Demo;
import com.sun.management.ThreadMXBean;
import java.lang.management.ManagementFactory;
import java.net.URI;
import java.util.Map;
import org.junit.jupiter.api.AutoClose;
import org.junit.jupiter.api.Test;

/** What can be said of the client without a server; with one see {@code LinkTest} of the server. */
class LinkedGameTest {
    @AutoClose
    private final LinkedGame game =
            LinkedGame.open(Demo.project(), "test", "", URI.create("ws://localhost:1/link"), new LinkListener() {
                @Override
                public void unlinked(String why) {
                    // Nobody listens at that port.
                }
            });

    @Test
    void aFrameWithoutNewsAllocatesNothing() {
        ThreadMXBean threads = (ThreadMXBean) ManagementFactory.getThreadMXBean();
        long least = Long.MAX_VALUE;
        for (int round = 0; round < 5; round++) {
            threads.getCurrentThreadAllocatedBytes();
            long before = threads.getCurrentThreadAllocatedBytes();
            for (int frame = 0; frame < 10_000; frame++) {
                game.advance(1 / 60.0);
            }
            least = Math.min(least, threads.getCurrentThreadAllocatedBytes() - before);
        }
        assertThat(game.stage().now()).isEqualTo(50_000);
        assertThat(least).isZero();
    }

    @Test
    void whatGeneratedCallsSayIsAPull() {
        Pull pull = Calls.pull(
                "weather",
                "set",
                "",
                "downpour",
                Map.of("wet", true, "force", 3, "at", new double[] {1, 2, 3}, "kind", "hail"),
                9);
        assertThat(pull.phase()).isEqualTo(Pull.Phase.SET);
        assertThat(pull.value()).contains("downpour");
        assertThat(pull.seed()).isEqualTo(9);
        assertThat(pull.payload())
                .isEqualTo(Map.of(
                        "wet", new Datum.Flag(true),
                        "force", new Datum.Num(3),
                        "at", new Datum.Vec(new Vec3(1, 2, 3)),
                        "kind", new Datum.Word("hail")));
        Refused phase = catchThrowableOfType(Refused.class, () -> Calls.pull("a", "start", "", null, Map.of(), 1));
        assertThat(phase.allowed()).isEqualTo("moment, begin, end or set");
        Refused value = catchThrowableOfType(
                Refused.class, () -> Calls.pull("a", "moment", "", null, Map.of("at", new float[3]), 1));
        assertThat(value.place()).isEqualTo("at");
    }

    @Test
    void whatIsSaidIsDoneAtOnceWithoutAServer() {
        assertThat(game.pull(
                                "courier.landed",
                                "moment",
                                "",
                                null,
                                Map.of(
                                        "position",
                                        new double[3],
                                        "normal",
                                        new double[] {0, 1, 0},
                                        "speed",
                                        9,
                                        "surface",
                                        "thatch"),
                                4)
                        .answered())
                .isEqualTo(1);
        assertThat(game.stage().particles()).isGreaterThan(10);
        assertThat(game.pull(new Pull("courier.laned", Map.of(), 1)).refused()).isNotEmpty();
        Refused refused = catchThrowableOfType(Refused.class, () -> game.publish("wint", 3));
        assertThat(refused.allowed()).contains("wind");
        game.clear();
        assertThat(game.stage().still()).isTrue();
        assertThat(game.linked()).isFalse();
    }
}
