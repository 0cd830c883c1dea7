package bellrope.core.measure;

import bellrope.core.project.Settings;
import bellrope.core.sim.Layer;
import bellrope.core.sim.Tally;
import bellrope.core.stage.Rehearsal;
import bellrope.core.stage.Stage;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/**
 * What a rehearsal uses over time. Where it is longer than {@value #POINTS} steps, each point stands for several steps, with the
 * most of them.
 */
public final class Usage implements Rehearsal.Watcher {
    /** Most points of a line. */
    public static final int POINTS = 1_200;

    private final Settings settings;
    private final Tally tally = new Tally();
    private final Map<What, Series> whole = new LinkedHashMap<>();
    private final Map<String, Series> effects = new LinkedHashMap<>();
    private final Map<String, Series> ropes = new LinkedHashMap<>();
    private final Map<String, Series> subjects = new LinkedHashMap<>();
    // By rope, on the first step with most instances.
    private final Map<String, Integer> makers = new LinkedHashMap<>();
    private int[] live = new int[1024];
    private int steps;
    private int stepsPerPoint = 1;

    /** What is counted of everything together. */
    public enum What {
        INSTANCES,
        PARTICLES,
        /** ∑ opacity × area × luminance, square units. */
        PRESENCE,
        /** How many times a pixel of the project's screen is painted. */
        OVERDRAW,
        DRAW_CALLS,
        /** Microseconds of a step, estimated. */
        COST
    }

    /**
     * A line over time.
     *
     * @param values one for each point
     * @param peak the most of any step
     * @param peakStep the first step with so much
     * @param mean over all steps
     */
    public record Line(String name, float[] values, float peak, int peakStep, double mean) {}

    /** What a rope held when most was held. */
    public record Maker(String rope, int instances) {}

    private static final class Series {
        private final float[] most = new float[POINTS];
        private float now;
        private float peak;
        private int peakStep;
        private double sum;

        private void close(int step, int point) {
            most[point] = Math.max(most[point], now);
            sum += now;
            if (now > peak) {
                peak = now;
                peakStep = step;
            }
            now = 0;
        }

        // Two points become one.
        private void halve() {
            for (int i = 0; i < POINTS / 2; i++) {
                most[i] = Math.max(most[2 * i], most[2 * i + 1]);
            }
            Arrays.fill(most, POINTS / 2, POINTS, 0);
        }

        private Line line(String name, int points, int steps) {
            return new Line(name, Arrays.copyOf(most, points), peak, peakStep, steps == 0 ? 0 : sum / steps);
        }
    }

    public Usage(Settings settings) {
        this.settings = settings;
        for (What what : What.values()) {
            whole.put(what, new Series());
        }
    }

    @Override
    public void stepped(Stage stage) {
        if (steps == POINTS * stepsPerPoint) {
            each(Series::halve);
            stepsPerPoint *= 2;
        }
        if (steps == live.length) {
            live = Arrays.copyOf(live, 2 * steps);
        }
        List<Layer> layers = stage.layers();
        for (int i = 0; i < layers.size(); i++) {
            layers.get(i).appear(stage.now());
        }
        tally.of(layers);
        live[steps] = tally.live();
        whole.get(What.INSTANCES).now = stage.instances();
        whole.get(What.PARTICLES).now = tally.live();
        whole.get(What.PRESENCE).now = tally.presence();
        whole.get(What.OVERDRAW).now =
                (float) (tally.painted() / settings.screen().area());
        whole.get(What.DRAW_CALLS).now = tally.drawCalls();
        whole.get(What.COST).now = (float) (tally.cost() / 1000);
        stage.playing((rope, effect, subject) -> {
            of(effects, effect).now++;
            of(ropes, rope).now++;
            of(subjects, subject).now++;
        });
        if (stage.instances() > whole.get(What.INSTANCES).peak) {
            makers.clear();
            ropes.forEach((rope, series) -> makers.put(rope, (int) series.now));
        }
        int point = steps / stepsPerPoint;
        int step = steps;
        each(series -> series.close(step, point));
        steps++;
    }

    private interface Done {
        void with(Series series);
    }

    private void each(Done done) {
        whole.values().forEach(done::with);
        effects.values().forEach(done::with);
        ropes.values().forEach(done::with);
        subjects.values().forEach(done::with);
    }

    private static Series of(Map<String, Series> all, String name) {
        return all.computeIfAbsent(name, n -> new Series());
    }

    /** Returns how many steps were taken in. */
    public int steps() {
        return steps;
    }

    /** Returns for how many steps a point stands. */
    public int stepsPerPoint() {
        return stepsPerPoint;
    }

    /** Returns how many particles lived on each step. */
    public int[] live() {
        return Arrays.copyOf(live, steps);
    }

    public Line whole(What what) {
        return whole.get(what).line(what.name().toLowerCase(Locale.ROOT).replace('_', ' '), points(), steps);
    }

    /** Returns a line for each effect that was played, what was held most first. */
    public List<Line> effects() {
        return lines(effects);
    }

    /** Returns a line for each rope that played anything. */
    public List<Line> ropes() {
        return lines(ropes);
    }

    /** Returns a line for each subject that anything played for. */
    public List<Line> subjects() {
        return lines(subjects);
    }

    /** Returns how many instances each rope held on the first step with most of them, the most first; none that held none. */
    public List<Maker> makers() {
        return makers.entrySet().stream()
                .filter(e -> e.getValue() > 0)
                .map(e -> new Maker(e.getKey(), e.getValue()))
                .sorted(Comparator.comparingInt(Maker::instances).reversed().thenComparing(Maker::rope))
                .toList();
    }

    private int points() {
        return (steps + stepsPerPoint - 1) / stepsPerPoint;
    }

    private List<Line> lines(Map<String, Series> all) {
        List<Line> lines = new ArrayList<>();
        all.forEach((name, series) -> lines.add(series.line(name, points(), steps)));
        lines.sort((a, b) -> a.peak() != b.peak()
                ? Float.compare(b.peak(), a.peak())
                : a.name().compareTo(b.name()));
        return lines;
    }
}
