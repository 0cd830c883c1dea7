package bellrope.bench;

import bellrope.core.sim.Flight;
import bellrope.core.sim.ParticleStore;
import java.util.Random;
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

/** A jump to the age of 60 steps; baseline: stepping there with the same store, in the same run. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
@Warmup(iterations = 4, time = 1)
@Measurement(iterations = 5, time = 1)
@Fork(1)
public class JumpBench {
    private static final int AGE = 60;

    private ParticleStore store;
    private Flight flight;

    @Setup
    public void fill() {
        Random random = new Random(7);
        store = new ParticleStore(10_000);
        flight = new Flight(0.6, 60);
        flight.reach(AGE);
        for (int i = 0; i < 10_000; i++) {
            store.add(0, 1000, 0, 0, 0, random.nextFloat(), 4, random.nextFloat(), 0.2f);
        }
    }

    @Benchmark
    public int jump() {
        store.move(AGE, flight, 0, -9.8f, 0);
        return store.count();
    }

    @Benchmark
    public int stepThere() {
        for (int step = 1; step <= AGE; step++) {
            store.bury(step);
            store.move(step, flight, 0, -9.8f, 0);
        }
        return store.count();
    }
}
