package bellrope.core.measure;

import bellrope.core.sim.Layer;
import bellrope.core.stage.Rehearsal;
import bellrope.core.stage.Stage;
import bellrope.core.value.Pace;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;

/**
 * What a rehearsal asks for: how many instances are held at once, by effect and by rope, and how many particles live, by
 * effect. It counts after each step, as a pool would see it.
 */
public final class Demand implements Rehearsal.Watcher {
    private final Map<String, Count> effects = new LinkedHashMap<>();
    private final Map<String, Count> ropes = new LinkedHashMap<>();
    private final Pace pace;
    private int steps;

    /**
     * What was asked of one effect or one rope.
     *
     * @param peak most instances held at once
     * @param peakAt seconds from the beginning, when there were first so many
     * @param mean instances over the whole run
     * @param particles most particles alive at once; 0 for a rope, since ropes share them
     * @param particlesAt seconds from the beginning
     */
    public record Line(String name, int peak, double peakAt, double mean, int particles, double particlesAt) {}

    private static final class Count {
        private int now;
        private int peak;
        private int peakStep;
        private long sum;
        private int particlesNow;
        private int particles;
        private int particlesStep;

        // Ends a step.
        private void close(int step) {
            sum += now;
            if (now > peak) {
                peak = now;
                peakStep = step;
            }
            if (particlesNow > particles) {
                particles = particlesNow;
                particlesStep = step;
            }
            now = 0;
            particlesNow = 0;
        }
    }

    public Demand(Pace pace) {
        this.pace = pace;
    }

    @Override
    public void stepped(Stage stage) {
        steps++;
        stage.playing((rope, effect, subject) -> {
            of(ropes, rope).now++;
            of(effects, effect).now++;
        });
        List<Layer> layers = stage.layers();
        for (int i = 0; i < layers.size(); i++) {
            of(effects, layers.get(i).effect()).particlesNow +=
                    layers.get(i).store().count();
        }
        effects.values().forEach(c -> c.close(stage.now()));
        ropes.values().forEach(c -> c.close(stage.now()));
    }

    private static Count of(Map<String, Count> all, String name) {
        return all.computeIfAbsent(name, n -> new Count());
    }

    /** Returns one line for each effect that was played, what asked for most instances first. */
    public List<Line> effects() {
        return lines(effects);
    }

    /** Returns one line for each rope that played anything, what asked for most instances first. */
    public List<Line> ropes() {
        return lines(ropes);
    }

    private List<Line> lines(Map<String, Count> counts) {
        Function<Map.Entry<String, Count>, Line> line = e -> {
            Count c = e.getValue();
            return new Line(
                    e.getKey(),
                    c.peak,
                    pace.seconds(c.peakStep),
                    steps == 0 ? 0 : (double) c.sum / steps,
                    c.particles,
                    pace.seconds(c.particlesStep));
        };
        return counts.entrySet().stream()
                .map(line)
                .filter(l -> l.peak() > 0)
                .sorted(Comparator.comparingInt(Line::peak).reversed().thenComparing(Line::name))
                .toList();
    }
}
