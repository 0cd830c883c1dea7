package bellrope.core.measure;

import bellrope.core.effect.Birth;
import bellrope.core.effect.Burst;
import bellrope.core.effect.Effect;
import bellrope.core.effect.Emitter;
import bellrope.core.effect.End.Child;
import bellrope.core.effect.Stream;
import bellrope.core.sim.Flight;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.ToDoubleFunction;

/**
 * How many particles are expected of an effect, children's children included, by the theory of branching processes
 * (Galton and Watson 1875): with mean offspring m below 1 a line holds 1 / (1 − m) particles on average; at 1 or above it
 * runs away. With several kinds of particle, m is the spectral radius of the matrix of mean offspring.
 *
 * @param offspring mean offspring m of the whole, see above
 * @param generations expected births of one pull, or of one cycle of a loop, by generation; the last adds up what is left
 * @param total of all generations; infinite when m is 1 or above
 * @param lines for each emitter of the effect, how many particles one of its own stands for, itself included
 */
public record Branching(double offspring, double[] generations, double total, List<Line> lines) {
    /** Generations told apart. */
    private static final int TOLD = 5;

    private static final int FOLLOWED = 400;

    /** One emitter's particle and what comes of it. */
    public record Line(String emitter, double children, double total) {}

    /**
     * Works out the expectations.
     *
     * @param others by name, for children that are whole effects
     * @param hits how often a particle of an emitter of {@code effect} strikes something, on average; what is not known
     *     counts as once
     */
    public static Branching of(
            Effect effect, Function<String, Optional<Effect>> others, ToDoubleFunction<String> hits) {
        List<Effect> effects = new ArrayList<>(List.of(effect));
        List<Integer> firsts = new ArrayList<>();
        int n = 0;
        for (int e = 0; e < effects.size(); e++) {
            firsts.add(n);
            n += effects.get(e).emitters().size();
            for (Emitter emitter : effects.get(e).emitters()) {
                for (Child child : emitter.end().children()) {
                    child.effect()
                            .flatMap(others)
                            .filter(o -> !effects.contains(o))
                            .ifPresent(effects::add);
                }
            }
        }
        double[][] mean = new double[n][n];
        for (int e = 0; e < effects.size(); e++) {
            Effect of = effects.get(e);
            for (int i = 0; i < of.emitters().size(); i++) {
                double[] row = mean[firsts.get(e) + i];
                Emitter emitter = of.emitters().get(i);
                double struck = e == 0 ? hits.applyAsDouble(emitter.name()) : 1;
                for (Child child : emitter.end().children()) {
                    double times = times(emitter, child, struck) * child.expectedEach();
                    if (child.emitter().isPresent()) {
                        row[firsts.get(e) + index(of, child.emitter().get())] += times;
                    } else {
                        begun(child.effect().flatMap(others), effects, firsts, times, row);
                    }
                }
            }
        }
        return of(effect, mean);
    }

    private static void begun(
            Optional<Effect> begun, List<Effect> effects, List<Integer> firsts, double times, double[] row) {
        if (begun.isPresent()) {
            int first = firsts.get(effects.indexOf(begun.get()));
            for (int j = 0; j < begun.get().emitters().size(); j++) {
                row[first + j] +=
                        times * own(begun.get(), begun.get().emitters().get(j));
            }
        }
    }

    private static int index(Effect effect, String emitter) {
        for (int i = 0; i < effect.emitters().size(); i++) {
            if (effect.emitters().get(i).name().equals(emitter)) {
                return i;
            }
        }
        throw new IllegalStateException(emitter);
    }

    /** Returns how many times a particle is expected to bear children of a kind. */
    private static double times(Emitter emitter, Child child, double struck) {
        double life = emitter.birth().lifetime().middle();
        return switch (child.when()) {
            case AT_BIRTH, AT_END -> 1;
            case PER_SECOND -> life * child.rate();
            case PER_UNIT ->
                emitter.birth().speed().middle()
                        * Flight.carriedBySpeed(emitter.life().dragPerSecond(), life)
                        * child.rate();
            case ON_COLLISION -> struck;
        };
    }

    /** Returns how many particles an emitter bears by itself, in one pull or one cycle. */
    public static double own(Effect effect, Emitter emitter) {
        Birth birth = emitter.birth();
        double sum = 0;
        for (Burst burst : birth.bursts()) {
            sum += burst.expected();
        }
        if (birth.stream().isPresent()) {
            Stream stream = birth.stream().get();
            double duration = effect.course().duration();
            double lasting = Math.min(duration, stream.lasting().orElse(duration));
            double mean = 0;
            for (int i = 0; i < 100; i++) {
                mean += stream.over().at((stream.from() + lasting * (i + 0.5) / 100) / duration) / 100;
            }
            sum += stream.perSecond() * lasting * mean;
        }
        return sum;
    }

    private static Branching of(Effect effect, double[][] mean) {
        int n = mean.length;
        double[] ones = new double[n];
        Arrays.fill(ones, 1);
        double radius = radius(mean, ones);
        double[] born = new double[n];
        for (int i = 0; i < effect.emitters().size(); i++) {
            born[i] = own(effect, effect.emitters().get(i));
        }
        List<Double> generations = new ArrayList<>();
        double total = 0;
        for (int g = 0; g < FOLLOWED && sum(born) > 1e-6; g++) {
            double now = sum(born);
            total += now;
            if (generations.size() < TOLD) {
                generations.add(now);
            } else {
                generations.set(TOLD - 1, generations.get(TOLD - 1) + now);
            }
            born = forward(born, mean);
        }
        List<Line> lines = new ArrayList<>();
        for (int i = 0; i < effect.emitters().size(); i++) {
            double[] one = new double[n];
            one[i] = 1;
            double line = 0;
            double children = 0;
            for (int g = 0; g < FOLLOWED && sum(one) > 1e-9; g++) {
                line += sum(one);
                children = g == 1 ? sum(one) : children;
                one = forward(one, mean);
            }
            lines.add(new Line(
                    effect.emitters().get(i).name(),
                    children,
                    radius >= 1 && children > 0 ? Double.POSITIVE_INFINITY : line));
        }
        return new Branching(
                radius,
                generations.stream().mapToDouble(Double::doubleValue).toArray(),
                radius >= 1 ? Double.POSITIVE_INFINITY : total,
                List.copyOf(lines));
    }

    // Gelfand: the spectral radius is the limit of the k-th root of |Mᵏ|.
    private static double radius(double[][] mean, double[] start) {
        double[] v = start;
        double log = 0;
        int steps = 256;
        for (int k = 0; k < steps; k++) {
            v = forward(v, mean);
            double size = sum(v);
            if (size == 0) {
                return 0;
            }
            if (k >= steps / 2) {
                log += StrictMath.log(size);
            }
            for (int i = 0; i < v.length; i++) {
                v[i] /= size;
            }
        }
        return round(StrictMath.exp(log / (steps - steps / 2)));
    }

    private static double round(double value) {
        return Math.rint(value * 1e9) / 1e9;
    }

    private static double[] forward(double[] v, double[][] mean) {
        double[] next = new double[v.length];
        for (int i = 0; i < v.length; i++) {
            for (int j = 0; j < v.length; j++) {
                next[j] += v[i] * mean[i][j];
            }
        }
        return next;
    }

    private static double sum(double[] v) {
        double sum = 0;
        for (double x : v) {
            sum += x;
        }
        return sum;
    }
}
