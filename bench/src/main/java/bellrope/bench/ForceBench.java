package bellrope.bench;

import bellrope.core.effect.Binding;
import bellrope.core.effect.Birth;
import bellrope.core.effect.Burst;
import bellrope.core.effect.Course;
import bellrope.core.effect.Effect;
import bellrope.core.effect.Emitter;
import bellrope.core.effect.End;
import bellrope.core.effect.Force;
import bellrope.core.effect.Life;
import bellrope.core.effect.Look;
import bellrope.core.effect.Parameter;
import bellrope.core.effect.Property;
import bellrope.core.effect.Sprite;
import bellrope.core.project.Project;
import bellrope.core.project.Settings;
import bellrope.core.stage.Knob;
import bellrope.core.stage.Preview;
import bellrope.core.stage.Stage;
import bellrope.core.stage.told.Account;
import bellrope.core.value.Curve;
import bellrope.core.value.Gradient;
import bellrope.core.value.Range;
import bellrope.core.value.Vec3;
import java.util.List;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Level;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OperationsPerInvocation;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/** What each force, and a collision, costs a particle a step, against plain exact motion in the same run. */
@State(Scope.Thread)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.NANOSECONDS)
@Warmup(iterations = 3, time = 1)
@Measurement(iterations = 5, time = 1)
@Fork(1)
public class ForceBench {
    private static final int PARTICLES = 4000;
    private static final int STEPS = 60;

    @Param({"plain", "integrated", "push", "attractor", "live", "swirl", "turbulence", "collision", "trail"})
    public String kind;

    private Project project;
    private Stage stage;
    private Knob knob;

    @Setup
    public void make() {
        Birth birth = Birth.plain().with(d -> {
            d.bursts = List.of(new Burst(0, PARTICLES, PARTICLES));
            d.spread = 80;
            d.speed = new Range(2, 6);
            d.lifetime = Range.of(30);
        });
        Life life = new Life(new Vec3(0, -9.8, 0), 0.4, Curve.ONE, Curve.ONE, Gradient.WHITE);
        Force force = switch (kind) {
            case "push" -> new Force.Push(2);
            case "attractor", "live" -> new Force.Attractor(new Vec3(0, 2, 0), 4, 5, Force.Falloff.LINEAR);
            case "swirl" -> new Force.Swirl(Vec3.ZERO, Vec3.UP, 4, 5, Force.Falloff.LINEAR);
            case "turbulence" -> new Force.Turbulence(3, 1, 0.5);
            default -> null;
        };
        End.Collision floor = new End.Collision(
                new End.Barrier.Ground(kind.equals("collision") ? 0 : -1e4), 0.5, 0.2, 0, End.Outcome.BOUNCES);
        End end = switch (kind) {
            case "integrated", "collision" -> new End(Optional.of(floor), List.of(), Optional.empty());
            case "trail" ->
                new End(
                        Optional.empty(),
                        List.of(),
                        Optional.of(new End.Trail(0.4, End.Trail.By.SECONDS, Curve.ONE, Gradient.WHITE)));
            default -> End.NONE;
        };
        Emitter emitter = new Emitter(
                "bits",
                1,
                birth,
                new Look("dot", Look.Blend.ALPHA, Look.Order.NEWEST_ON_TOP),
                (force == null ? life : life.withForces(List.of(force))).following(kind.equals("live")),
                end);
        Effect effect =
                new Effect("e", "", Course.once(1), OptionalLong.empty(), List.of(emitter), List.of(strength()));
        project = new Project(
                "p", Settings.USUAL, List.of(new Sprite("dot", 0.5)), List.of(), List.of(effect), List.of());
    }

    @Setup(Level.Invocation)
    public void pull() {
        Preview preview = Preview.plain(project.effects().get(0), 1);
        stage = new Stage(preview.staged(project));
        Account account = stage.pull(preview.pull(project));
        if (kind.equals("live")) {
            knob = stage.knob(account, account.answers().get(0).rope(), "pull");
        }
    }

    private static Parameter strength() {
        return new Parameter(
                "pull",
                1,
                0,
                2,
                "×",
                "",
                List.of(new Binding(Property.FORCE, Binding.Mode.MULTIPLY, Optional.empty())));
    }

    /** Motion alone: what a particle costs a step; of <i>live</i>, with a force that game code turns at every step. */
    @Benchmark
    @OperationsPerInvocation(PARTICLES * STEPS)
    public int step() {
        for (int i = 0; i < STEPS; i++) {
            if (kind.equals("live")) {
                knob.set(0.8 + i % 10 * 0.04);
            }
            stage.step();
        }
        return stage.particles();
    }
}
