package bellrope.bench;

import bellrope.core.sim.Flight;
import bellrope.core.sim.ParticleStore;
import java.util.ArrayList;
import java.util.Iterator;
import java.util.List;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Level;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/**
 * One step of many particles with gravity and drag, deaths and as many births.
 *
 * <p>Baselines in the same run: <b>objects</b>, the plain way to write it, a list of particle objects with immutable
 * vectors, an exponential a particle, and removal by iterator; and <b>copy</b>, {@code System.arraycopy} of as many bytes
 * as the store's pass reads and writes, which bounds what any pass over memory can do.
 */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
@Warmup(iterations = 4, time = 1)
@Measurement(iterations = 5, time = 1)
@Fork(1)
public class StepBench {
    private static final float DRAG = 0.6f;
    private static final float GRAVITY = -9.8f;
    private static final float STEP = 1 / 60f;

    @Param({"10000", "100000"})
    private int count;

    private ParticleStore store;
    private Flight flight;
    private int step;
    private List<Plain> objects;
    private Random random;
    private float[] from;
    private float[] to;

    private record V(float x, float y, float z) {
        V plus(V o) {
            return new V(x + o.x, y + o.y, z + o.z);
        }

        V times(float k) {
            return new V(x * k, y * k, z * k);
        }
    }

    private static final class Plain {
        private V place;
        private V speed;
        private int age;
        private final int life;
        private float size;

        Plain(V place, V speed, int life) {
            this.place = place;
            this.speed = speed;
            this.life = life;
        }
    }

    @Setup(Level.Iteration)
    public void fill() {
        random = new Random(7);
        store = new ParticleStore(2 * count);
        flight = new Flight(DRAG, 60);
        flight.reach(400);
        objects = new ArrayList<>();
        step = 0;
        for (int i = 0; i < count; i++) {
            // Ages spread over a life of one to two seconds, as in a running game.
            int life = 60 + random.nextInt(60);
            store.add(-random.nextInt(life), life, 0, 0, 0, random.nextFloat(), 4, random.nextFloat(), 0.2f);
            Plain plain = new Plain(new V(0, 0, 0), new V(random.nextFloat(), 4, random.nextFloat()), life);
            plain.age = random.nextInt(life);
            objects.add(plain);
        }
        // 13 words are read and 5 written for each particle: see ParticleStore.move.
        from = new float[count * 9];
        to = new float[count * 9];
    }

    @Benchmark
    public int store() {
        step++;
        int dead = store.bury(step);
        for (int i = 0; i < dead; i++) {
            store.add(step, 60 + (i * 7919) % 60, 0, 0, 0, 0.5f, 4, 0.5f, 0.2f);
        }
        store.move(step, flight, 0, GRAVITY, 0);
        return store.count();
    }

    @Benchmark
    public int objects() {
        int dead = 0;
        for (Iterator<Plain> it = objects.iterator(); it.hasNext(); ) {
            Plain p = it.next();
            p.age++;
            if (p.age >= p.life) {
                it.remove();
                dead++;
                continue;
            }
            float kept = (float) Math.exp(-DRAG * STEP);
            p.speed = p.speed.plus(new V(0, GRAVITY, 0).times(STEP)).times(kept);
            p.place = p.place.plus(p.speed.times(STEP));
            float t = (float) p.age / p.life;
            p.size = 0.2f * (1 - t);
        }
        for (int i = 0; i < dead; i++) {
            objects.add(new Plain(new V(0, 0, 0), new V(0.5f, 4, 0.5f), 60 + (i * 7919) % 60));
        }
        return objects.size();
    }

    /** Reads and writes 9 words a particle each way, as many bytes in all as the store's step touches. */
    @Benchmark
    public float copy() {
        System.arraycopy(from, 0, to, 0, from.length);
        return to[count];
    }
}
