package bellrope.bench;

import bellrope.core.event.Pull;
import bellrope.core.project.Project;
import bellrope.core.rope.Limits;
import bellrope.core.stage.Rehearsal;
import bellrope.core.stage.Rehearsal.Timed;
import bellrope.core.stage.Take;
import bellrope.core.value.Datum;
import bellrope.core.value.Vec3;
import bellrope.format.json.Bundle;
import bellrope.format.json.Demo;
import bellrope.format.json.JsonText;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
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
 * A rehearsal of 60 s with 40 pulls a second and 30 particles each, every frame encoded; the baseline is real time:
 * 60,000 ms divided by the figure. And the take of a usual effect, as the bench asks for it at each changed number.
 */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 3, time = 2)
@Measurement(iterations = 5, time = 2)
@Fork(1)
public class RehearsalBench {
    private Project thirty;
    private Project demo;
    private List<Timed> pulls;
    private Pull landing;

    private static Pull landing(long seed) {
        Map<String, Datum> payload = new LinkedHashMap<>();
        payload.put("position", new Datum.Vec(new Vec3(seed % 20, 0, 0)));
        payload.put("normal", new Datum.Vec(Vec3.UP));
        payload.put("speed", new Datum.Num(9));
        payload.put("surface", new Datum.Word("thatch"));
        return new Pull("courier.landed", payload, seed);
    }

    @Setup
    public void prepare() {
        demo = Demo.project();
        landing = landing(1);
        // Straw puff without its dust, and 30 straws each.
        Project bare = demo.withEffects(demo.effects().stream()
                .map(e -> e.name().equals("straw puff")
                        ? Bundle.readEffect(JsonText.parse(JsonText.compact(Bundle.write(e))
                                                .replace("\"least\":30,\"most\":38", "\"least\":30,\"most\":30")
                                                .replace("\"least\":8,\"most\":11", "\"least\":0,\"most\":0"))
                                        .node())
                                .value()
                                .orElseThrow()
                        : e)
                .toList());
        thirty = bare.withRopes(List.of(bare.ropes().get(0).with(d -> d.limits = Limits.NONE)));
        pulls = new ArrayList<>();
        for (int i = 0; i < 60 * 40; i++) {
            pulls.add(new Timed(i / 40.0, landing(i)));
        }
    }

    @Benchmark
    public long rehearsal() {
        long[] bytes = new long[1];
        Rehearsal run =
                Rehearsal.of(thirty, pulls, stage -> bytes[0] += stage.frame(0).remaining());
        if (run.births() != 60 * 40 * 30) {
            throw new IllegalStateException("births: " + run.births());
        }
        return bytes[0];
    }

    @Benchmark
    public int takeOfAUsualEffect() {
        return Take.of(demo.withRopes(demo.ropes().subList(0, 1)), landing, Take.LONGEST, true)
                .last();
    }
}
