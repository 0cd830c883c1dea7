package bellrope.core.sim;

import static org.assertj.core.api.Assertions.assertThat;

import bellrope.core.Sample;
import bellrope.core.effect.Birth;
import bellrope.core.effect.Course;
import bellrope.core.effect.Emitter;
import bellrope.core.effect.End;
import bellrope.core.effect.Property;
import bellrope.core.effect.Sprite;
import bellrope.core.value.Pace;
import bellrope.core.value.Rotation;
import bellrope.core.value.Vec3;
import com.sun.management.ThreadMXBean;
import java.lang.management.ManagementFactory;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class BodyTest {
    private static final End STRIKES = new End(
            Optional.of(new End.Collision(new End.Barrier.Ground(0), 0.4, 0.2, 0, End.Outcome.BOUNCES)),
            List.of(),
            Optional.empty());
    private static final Emitter EMITTER =
            Sample.emitter("straw", 1, Sample.burst(20, 1), Sample.still()).withEnd(STRIKES);

    private static Body body(Emitter... emitters) {
        Layer[] layers = new Layer[emitters.length];
        for (int i = 0; i < layers.length; i++) {
            layers[i] = new Layer(emitters[i], 60, 0, new Sprite("dot", 1));
        }
        return new Body(List.of(emitters), layers, Pace.SIXTY);
    }

    private static Emitter fed(Birth birth) {
        return EMITTER.withBirth(birth);
    }

    @Test
    void toBeginAgainAllocatesNothing() {
        Body body = body(EMITTER, EMITTER);
        List<Emitter> emitters = List.of(EMITTER, EMITTER);
        Rotation up = Rotation.between(Vec3.UP, new Vec3(0, 0.6, 0.8));
        ThreadMXBean threads = (ThreadMXBean) ManagementFactory.getThreadMXBean();
        long least = Long.MAX_VALUE;
        for (int i = 0; i < 2_000; i++) {
            threads.getCurrentThreadAllocatedBytes();
            long before = threads.getCurrentThreadAllocatedBytes();
            body.begin(emitters, up);
            least = Math.min(least, threads.getCurrentThreadAllocatedBytes() - before);
        }
        assertThat(least).isZero();
    }

    @Test
    void itSuitsWhatIsFedOnlyInItsBirths() {
        Body body = body(EMITTER);
        assertThat(body.suits(List.of(fed(Sample.burst(90, 3).with(d -> d.spread = 40)))))
                .isTrue();
        assertThat(body.suits(List.of(EMITTER.withLife(EMITTER.life().withDrag(2)))))
                .isFalse();
        assertThat(body.suits(List.of(Property.BRIGHTNESS.multiplied(EMITTER, 2))))
                .isFalse();
        assertThat(body.suits(List.of(fed(Sample.burst(90, 3).with(d -> d.space = Birth.Space.LOCAL)))))
                .isFalse();
        assertThat(body.suits(List.of(EMITTER.withPlayback(2)))).isFalse();
        assertThat(body.suits(List.of(EMITTER, EMITTER))).isFalse();
    }

    @Test
    void nothingOfTheOneBeforeIsLeft() {
        Body body = body(EMITTER);
        Plan plan = new Plan(Course.once(1), List.of(EMITTER), Pace.SIXTY);
        MovementPath still = MovementPath.straight(Vec3.ZERO, Vec3.UP, Vec3.ZERO, Pace.SIXTY);
        for (int n = 0; n < 3; n++) {
            EffectRun run = new EffectRun(
                    plan, List.of(EMITTER), List.of(EMITTER), body, n, 100 * n, still, EffectRun.Descent.NONE);
            assertThat(run.particles()).isZero();
            assertThat(run.byGeneration()).containsOnly(0);
            run.open(100);
            run.spawn(100 * n);
            assertThat(run.particles()).isEqualTo(20);
            assertThat(run.byGeneration()[0]).isEqualTo(20);
            body.layers()[0].dim(100 * n, 10);
            body.layers()[0].appear(100 * n + 5);
            assertThat(body.layers()[0].shade.alphas()[0]).isEqualTo(body.layers()[0].store().opacity[0] * 0.5f);
        }
    }
}
