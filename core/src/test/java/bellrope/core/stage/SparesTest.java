package bellrope.core.stage;

import static org.assertj.core.api.Assertions.assertThat;

import bellrope.core.Sample;
import bellrope.core.effect.Effect;
import bellrope.core.effect.Emitter;
import bellrope.core.effect.End;
import bellrope.core.event.Pull;
import bellrope.core.pool.Pool;
import bellrope.core.pool.Pool.WhenEmpty;
import bellrope.core.project.Project;
import bellrope.core.rope.Facing;
import bellrope.core.rope.Pointing;
import bellrope.core.rope.Rope;
import bellrope.core.value.Datum;
import bellrope.core.value.Vec3;
import com.sun.management.ThreadMXBean;
import java.lang.management.ManagementFactory;
import java.nio.ByteBuffer;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What instances of a pool play in is made once, and nobody can tell. */
class SparesTest {
    private static final ThreadMXBean THREADS = (ThreadMXBean) ManagementFactory.getThreadMXBean();
    private static final Pool MANY = new Pool("any", List.of("any"), 400, 0, WhenEmpty.REFUSE, OptionalInt.empty());

    // Each strikes the ground and is born again there, so that each instance has layers of its own.
    private static Effect struck(long seed) {
        return Sample.effect(
                "any",
                Sample.any(seed).emitters().stream()
                        .map(e -> e.withEnd(new End(
                                Optional.of(new End.Collision(
                                        new End.Barrier.Ground(-0.5), 0.4, 0.2, 0, End.Outcome.BOUNCES)),
                                List.of(),
                                Optional.empty())))
                        .toArray(Emitter[]::new));
    }

    // On a slope, now and then the same.
    private static Pull leaning(Random random) {
        Pull landing = Sample.landing(9 * random.nextDouble(), "stone", random.nextInt());
        Map<String, Datum> payload = new LinkedHashMap<>(landing.payload());
        payload.put("normal", new Datum.Vec(new Vec3(random.nextInt(3) - 1, 1, random.nextInt(2))));
        return landing.with(payload);
    }

    private static byte[] bytes(Stage stage, int n) {
        ByteBuffer frame = stage.frame(n);
        byte[] bytes = new byte[frame.remaining()];
        frame.get(bytes);
        return bytes;
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12})
    void whatIsPlayedAgainInShowsTheSameAsWhatIsNew(long seed) {
        Rope one = Sample.rope("one", 1, "courier.landed", "any").with(d -> d.pointing = Pointing.of(Facing.NORMAL));
        Rope other = Sample.rope("other", 2, "courier.landed", "any");
        Project plain = Sample.game(one, other).withEffects(List.of(struck(seed)));
        Stage fresh = new Stage(plain);
        Stage spared = new Stage(plain.withPools(List.of(MANY)));
        spared.prewarm();
        Random random = new Random(seed);
        for (int step = 0; step < 900; step++) {
            if (random.nextInt(14) == 0) {
                Pull pull = leaning(random);
                assertThat(spared.pull(pull).answered())
                        .isEqualTo(fresh.pull(pull).answered());
            }
            if (step == 400) {
                // What plays is played again, in new ones.
                spared.retune(spared.project());
                fresh.retune(fresh.project());
            }
            fresh.step();
            spared.step();
            assertThat(bytes(spared, step)).as("step " + step).isEqualTo(bytes(fresh, step));
        }
        assertThat(spared.births()).isEqualTo(fresh.births()).isGreaterThan(100);
        assertThat(spared.byGeneration()).isEqualTo(fresh.byGeneration());
    }

    // Bytes of a pull, the least of some: what the compiler does meanwhile is not the pull's.
    private static long aPull(Stage stage, int rounds) {
        long least = Long.MAX_VALUE;
        for (int i = 0; i < rounds; i++) {
            Pull pull = Sample.landing(9, "stone", i);
            THREADS.getCurrentThreadAllocatedBytes();
            long before = THREADS.getCurrentThreadAllocatedBytes();
            stage.pull(pull);
            least = Math.min(least, THREADS.getCurrentThreadAllocatedBytes() - before);
            for (int step = 0; step < 60; step++) {
                stage.step();
            }
        }
        return least;
    }

    private static Project bursts(int count) {
        Effect puff = Sample.puff("any", count);
        Emitter one = puff.emitters().get(0);
        return Sample.game(Sample.rope("one", 1, "courier.landed", "any"))
                .withEffects(List.of(Sample.effect(
                        "any",
                        one.withEnd(new End(
                                Optional.of(new End.Collision(
                                        new End.Barrier.Ground(-5), 0.4, 0.2, 0, End.Outcome.BOUNCES)),
                                List.of(),
                                Optional.empty())))));
    }

    @Test
    void aPullOfAPoolAllocatesNothingThatPlays() {
        long few = aPull(new Stage(bursts(2).withPools(List.of(MANY))), 60);
        long many = aPull(new Stage(bursts(900).withPools(List.of(MANY))), 60);
        // 5,680 as the code says it, some 4,000 where the compiler has done away with what leaves no method. What
        // 900 particles lie in is more than 100,000.
        assertThat(many).as("bytes of the account and of what is remembered").isLessThan(7_000);
        assertThat(many).as("whatever is born").isLessThan(few + 2_000);
        assertThat(aPull(new Stage(bursts(900)), 20)).as("without a pool").isGreaterThan(100_000);
    }

    @Test
    void whatIsMadeBeforeIsThereForTheFirstPull() {
        Project project = bursts(900)
                .withPools(List.of(new Pool("any", List.of("any"), 4, 2, WhenEmpty.OLDEST, OptionalInt.empty())));
        // So that all code has been loaded.
        aPull(new Stage(project), 5);
        Stage stage = new Stage(project);
        stage.prewarm();
        assertThat(aPull(stage, 1)).isLessThan(10_000);
        assertThat(aPull(new Stage(project), 1)).isGreaterThan(100_000);
    }
}
