package bellrope.bench;

import bellrope.core.event.EventType;
import bellrope.core.event.Field;
import bellrope.core.event.Pull;
import bellrope.core.project.Project;
import bellrope.core.rope.Condition;
import bellrope.core.rope.Limits;
import bellrope.core.rope.Rope;
import bellrope.core.stage.Stage;
import bellrope.core.stage.told.Account;
import bellrope.core.value.Datum;
import bellrope.core.value.Range;
import bellrope.core.value.Vec3;
import bellrope.format.json.Demo;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
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
 * How long a pull takes to be decided among 1,000 ropes on 200 events, five an event, of which three ask for what the pull
 * does not bring, one is limited, and one answers. The baseline is the same pull with only the five ropes of its event in the
 * project: where others are looked at too, the ratio shows it.
 */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
@Warmup(iterations = 3, time = 1)
@Measurement(iterations = 5, time = 1)
@Fork(1)
public class PullBench {
    private static final int EVENTS = 200;
    private Project thousand;
    private Project five;
    private Project tenThousandASecond;
    private Stage busy;
    private Stage plain;
    private Stage sustained;
    private int next;

    private static Pull pull(int event, int seed) {
        return new Pull(
                "thing-" + event + ".happened",
                Map.of("position", new Datum.Vec(Vec3.ZERO), "force", new Datum.Num(40)),
                seed);
    }

    @Setup
    public void prepare() {
        Project demo = Demo.project();
        List<EventType> events = new ArrayList<>();
        List<Rope> ropes = new ArrayList<>();
        for (int i = 0; i < EVENTS; i++) {
            events.add(new EventType(
                    "thing-" + i + ".happened",
                    "",
                    3,
                    List.of(
                            new Field.Vector("position", Field.Meaning.POSITION),
                            new Field.Number("force", new Range(0, 100), 40, "N"))));
            for (int k = 0; k < 5; k++) {
                Rope rope = demo.rope("a crow scattered").orElseThrow();
                int seed = i * 5 + k;
                String event = "thing-" + i + ".happened";
                double bound = k < 3 ? 50 + k : 10;
                boolean limited = k == 3;
                ropes.add(rope.with(d -> {
                    d.name = event + " " + seed;
                    d.seed = seed;
                    d.when = new bellrope.core.rope.When(
                            event,
                            java.util.Optional.empty(),
                            bellrope.core.rope.When.Match.ALL,
                            List.of(new Condition.Compare("force", Condition.Relation.OVER, bound)));
                    d.pointing = bellrope.core.rope.Pointing.of(bellrope.core.rope.Facing.UP);
                    d.limits = limited ? Limits.cooldown(3600) : Limits.NONE;
                }));
            }
        }
        thousand = new Project("many", demo.settings(), demo.sprites(), events, demo.effects(), ropes);
        five = thousand.withEvents(events.subList(0, 1)).withRopes(ropes.subList(0, 5));
        tenThousandASecond =
                thousand.withRopes(ropes.stream().filter(r -> r.seed() % 5 < 4).toList());
        sustained = new Stage(tenThousandASecond);
    }

    @Setup(Level.Iteration)
    public void clear() {
        busy = new Stage(thousand);
        plain = new Stage(five);
    }

    /** With the birth of what answers, as a game pays for it. */
    @Benchmark
    public Account decidedAmongAThousandRopes() {
        if (busy.instances() > 500) {
            busy.clear();
        }
        return busy.pull(pull(0, next++));
    }

    @Benchmark
    public Account decidedAmongItsOwnFive() {
        if (plain.instances() > 500) {
            plain.clear();
        }
        return plain.pull(pull(0, next++));
    }

    /** One sixtieth of a second with 167 pulls of which none is answered anew, and its step: below 16,667 it is sustained. */
    @Benchmark
    public int aStepOfTenThousandPullsASecond() {
        int answers = 0;
        for (int i = 0; i < 167; i++) {
            answers += sustained.pull(pull(i, next++)).answers().size();
        }
        sustained.step();
        return answers;
    }
}
