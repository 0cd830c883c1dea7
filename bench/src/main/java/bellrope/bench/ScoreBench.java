package bellrope.bench;

import bellrope.core.measure.Usage;
import bellrope.core.pool.Held;
import bellrope.core.project.Project;
import bellrope.core.rope.Limits;
import bellrope.core.score.Lane;
import bellrope.core.score.Pattern;
import bellrope.core.score.Score;
import bellrope.core.score.Writing;
import bellrope.core.stage.Performance;
import bellrope.core.stage.Rehearsal;
import bellrope.core.stage.told.Keeping;
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

/**
 * A score of 60 s with 40 pulls a second, for demand and pools alone; the baseline is real time: 60,000 ms divided by the
 * figure. And the demo's score of 90 s: played with all that is told of it, and looked back at.
 */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 3, time = 2)
@Measurement(iterations = 5, time = 2)
@Fork(1)
public class ScoreBench {
    private Project forty;
    private Score steady;
    private Project demo;
    private Performance played;
    private int step;

    @Setup
    public void prepare() {
        demo = Demo.project();
        forty = demo.withRopes(List.of(demo.ropes().get(0).with(d -> d.limits = Limits.NONE)));
        steady = new Score(
                "forty a second", 60, 1, List.of(new Lane(1, "courier.landed", new Pattern.Steady(40))), List.of());
        played = Performance.of(demo, demo.scores().get(0));
        while (!played.over()) {
            played.step();
        }
    }

    @Benchmark
    public List<Held> demandAlone() {
        Performance performance = new Performance(forty, Writing.of(steady, forty.events(), 0), Keeping.HELD_ALONE);
        while (!performance.over()) {
            performance.step();
            performance.takeAccounts();
        }
        if (performance.held().size() != 60 * 40) {
            throw new IllegalStateException("held: " + performance.held().size());
        }
        return performance.held();
    }

    @Benchmark
    public int everythingOfTheDemo() {
        Usage usage = new Usage(demo.settings());
        Rehearsal.of(Performance.of(demo, demo.scores().get(0)), usage);
        return usage.steps();
    }

    /** A moment anywhere, encoded. */
    @Benchmark
    public int aMomentGoneBy() {
        step = (step + 1_237) % played.stage().now();
        return played.frame(step).remaining();
    }
}
