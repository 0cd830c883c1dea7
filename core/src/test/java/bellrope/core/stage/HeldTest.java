package bellrope.core.stage;

import static org.assertj.core.api.Assertions.assertThat;

import bellrope.core.Sample;
import bellrope.core.event.Pull;
import bellrope.core.pool.Held;
import bellrope.core.project.Project;
import bellrope.core.score.Arrival;
import bellrope.core.score.Written;
import bellrope.core.stage.told.Keeping;
import bellrope.core.value.Datum;
import bellrope.core.value.Vec3;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

/** What is held without a particle being born. */
class HeldTest {
    private static final Project GAME = Sample.game(Sample.rope("landing", 1, "courier.landed", "puff"));

    // Each lands somewhere else.
    private static List<Held> run(int of) {
        List<Arrival> arrivals = new ArrayList<>();
        for (int i = 0; i < 600; i++) {
            Pull landing = Sample.landing(9, "stone", i);
            Map<String, Datum> payload = new LinkedHashMap<>(landing.payload());
            payload.put("position", new Datum.Vec(new Vec3(of * 1_000 + i, 0, 0)));
            arrivals.add(new Arrival(i / 60.0, 0, i, landing.with(payload)));
        }
        Performance performance =
                new Performance(GAME, new Written(10, arrivals, List.of(), List.of()), Keeping.HELD_ALONE);
        while (!performance.over()) {
            performance.step();
            performance.takeAccounts();
        }
        return performance.held();
    }

    @Test
    void runsThatArePlayedAtTheSameTimeAreAsTheyAreAlone() {
        List<List<Held>> alone = IntStream.range(0, 8).mapToObj(HeldTest::run).toList();
        for (int again = 0; again < 12; again++) {
            assertThat(IntStream.range(0, 8).parallel().mapToObj(HeldTest::run).toList())
                    .isEqualTo(alone);
        }
        assertThat(alone.get(3)).hasSize(600).first().extracting(Held::distance).isEqualTo(3_000.0);
    }
}
