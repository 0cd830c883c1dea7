package bellrope.bench;

import bellrope.core.effect.Binding;
import bellrope.core.effect.Birth;
import bellrope.core.effect.Burst;
import bellrope.core.effect.Course;
import bellrope.core.effect.Effect;
import bellrope.core.effect.Emitter;
import bellrope.core.effect.Life;
import bellrope.core.effect.Look;
import bellrope.core.effect.Parameter;
import bellrope.core.effect.Property;
import bellrope.core.effect.Type;
import bellrope.core.event.Pull;
import bellrope.core.measure.ParameterTable;
import bellrope.core.measure.TrueScale;
import bellrope.core.project.Project;
import bellrope.core.stage.Knob;
import bellrope.core.stage.Preview;
import bellrope.core.stage.Stage;
import bellrope.core.stage.Take;
import bellrope.core.stage.told.Account;
import bellrope.core.value.Curve;
import bellrope.core.value.Datum;
import bellrope.core.value.Gradient;
import bellrope.core.value.Range;
import bellrope.core.value.Vec3;
import bellrope.format.json.Demo;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Level;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/**
 * What parameters cost. Ten thousand sets a second on a hundred running instances: the sets alone against as many writes to an
 * array, and a step in which every instance was turned against one in which none was. The table of 12 parameters by 6
 * emitters and the proof of a scale of 600 particles, against one take of the same effect.
 */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
@Warmup(iterations = 3, time = 1)
@Measurement(iterations = 5, time = 1)
@Fork(1)
public class ParameterBench {
    private static final int INSTANCES = 100;
    private static final int SETS = 10_000;
    private static final int SETS_A_STEP = 167;
    private final double[] plain = new double[INSTANCES];
    private final List<Knob> knobs = new ArrayList<>();
    private Stage turned;
    private Stage still;
    private Project project;
    private Effect wide;
    private Parameter scale;
    private double value;

    private static Stage running(List<Knob> knobs) {
        Stage stage = new Stage(Demo.project());
        for (int i = 0; i < INSTANCES; i++) {
            Account begun =
                    stage.pull(Pull.begin("mill.turning", Map.of("position", new Datum.Vec(new Vec3(i, 0, 0))), i)
                            .of("mill " + i));
            if (knobs != null) {
                knobs.add(stage.knob(begun, "a mill turns", "amount"));
            }
        }
        return stage;
    }

    @Setup(Level.Iteration)
    public void start() {
        knobs.clear();
        turned = running(knobs);
        still = running(null);
        for (int i = 0; i < 120; i++) {
            turned.step();
            still.step();
        }
    }

    @Setup
    public void prepare() {
        List<Emitter> emitters = new ArrayList<>();
        for (int i = 0; i < 6; i++) {
            Birth birth = Birth.plain().with(d -> {
                d.bursts = List.of(new Burst(0, 100, 100));
                d.speed = new Range(2, 5);
                d.lifetime = new Range(0.8, 1.6);
                d.spread = 60;
            });
            Life life = new Life(new Vec3(0, -9.8, 0), 0.5, Curve.ONE, Curve.through(0, 1, 1, 0), Gradient.WHITE);
            emitters.add(new Emitter(
                    "e" + i, i, birth, new Look("soft disc", Look.Blend.ALPHA, Look.Order.NEWEST_ON_TOP), life));
        }
        Property[] each = {
            Property.SIZE, Property.SPEED, Property.COUNT, Property.LIFETIME, Property.SPREAD, Property.OPACITY,
            Property.GRAVITY, Property.DRAG, Property.SPIN, Property.BRIGHTNESS, Property.SHAPE, Property.DELAY
        };
        List<Parameter> parameters = new ArrayList<>();
        for (Property property : each) {
            parameters.add(new Parameter(
                    property.name().toLowerCase(),
                    1,
                    0.5,
                    2,
                    "",
                    "",
                    List.of(new Binding(property, Binding.Mode.MULTIPLY, Optional.empty()))));
        }
        scale = new Parameter("scale", new Type.Number(0.5, 2, 0), new Datum.Num(1), "", "", true, false, List.of());
        wide = new Effect("wide", "", Course.once(2), OptionalLong.empty(), emitters, parameters);
        project = Demo.project().withEffects(List.of(wide)).withRopes(List.of());
    }

    /** As many as come in a second; below 10,000 µs they cost less than a hundredth of a core. */
    @Benchmark
    public double tenThousandSets() {
        value = value > 3 ? 0.1 : value + 0.001;
        for (int i = 0; i < SETS; i++) {
            knobs.get(i % INSTANCES).set(value);
        }
        return value;
    }

    @Benchmark
    public double[] tenThousandPlainWrites() {
        value = value > 3 ? 0.1 : value + 0.001;
        for (int i = 0; i < SETS; i++) {
            plain[i % INSTANCES] = value;
        }
        return plain;
    }

    /** About what the wind feeds the others, so that as many particles fly. */
    @Benchmark
    public int aStepWithEveryInstanceTurned() {
        value = value > 0.47 ? 0.46 : 0.473;
        for (int i = 0; i < SETS_A_STEP; i++) {
            knobs.get(i % INSTANCES).set(value);
        }
        turned.step();
        return turned.particles();
    }

    @Benchmark
    public int aStepWithNoneTurned() {
        still.step();
        return still.particles();
    }

    @Benchmark
    public ParameterTable aTableOfTwelveBySix() {
        return ParameterTable.of(project, wide);
    }

    /** With seven settings to blame: two runs for each, and two for the whole. */
    @Benchmark
    public TrueScale aProofOfSixHundredParticles() {
        Effect effect = wide.withParameters(List.of(scale));
        return TrueScale.of(project.withEffects(List.of(effect)), effect, scale);
    }

    @Benchmark
    public Take oneTakeOfTheSame() {
        return Preview.plain(wide, 1).take(project, false, ParameterTable.LONGEST);
    }
}
