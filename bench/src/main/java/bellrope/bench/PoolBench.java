package bellrope.bench;

import bellrope.core.effect.Effect;
import bellrope.core.effect.Emitter;
import bellrope.core.effect.Sprite;
import bellrope.core.sim.Body;
import bellrope.core.sim.EffectRun;
import bellrope.core.sim.Layer;
import bellrope.core.sim.MovementPath;
import bellrope.core.sim.Plan;
import bellrope.core.sim.Tables;
import bellrope.core.value.Pace;
import bellrope.core.value.Vec3;
import bellrope.format.json.Demo;
import java.util.List;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/** An instance begun in what another has left, as those of pools are, against one for which everything is made. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
@Warmup(iterations = 3, time = 1)
@Measurement(iterations = 5, time = 1)
@Fork(1)
public class PoolBench {
    private List<Emitter> emitters;
    private Plan plan;
    private Body left;
    private MovementPath way;
    private final Tables tables = new Tables();

    @Setup
    public void prepare() {
        Effect effect = Demo.project().effect("peat splat").orElseThrow();
        emitters = effect.emitters();
        plan = new Plan(effect.course(), emitters, Pace.SIXTY);
        way = MovementPath.straight(Vec3.ZERO, Vec3.UP, Vec3.ZERO, Pace.SIXTY);
        left = made();
    }

    private Body made() {
        Layer[] layers = new Layer[emitters.size()];
        for (int i = 0; i < layers.length; i++) {
            layers[i] = new Layer("peat splat", emitters.get(i), 60, 0, new Sprite("dot", 1), true, tables);
        }
        return new Body(emitters, layers, Pace.SIXTY);
    }

    @Benchmark
    public EffectRun taken() {
        return new EffectRun(plan, emitters, emitters, left, 1, 0, way, EffectRun.Descent.NONE);
    }

    @Benchmark
    public EffectRun anew() {
        return new EffectRun(plan, emitters, emitters, made(), 1, 0, way, EffectRun.Descent.NONE);
    }
}
