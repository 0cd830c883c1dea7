package bellrope.core.measure;

import bellrope.core.effect.Burst;
import bellrope.core.effect.Effect;
import bellrope.core.effect.Emitter;
import bellrope.core.effect.End.Child;
import bellrope.core.effect.Stream;
import bellrope.core.sim.Occurrences;
import bellrope.core.sim.Schedule;
import bellrope.core.sim.Watch.ByEmitter;
import bellrope.core.value.Exact;
import bellrope.core.value.Pace;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;

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

    /** One emitter's particle and what comes of it. */
    public record Line(String emitter, double children, double total) {}

    /**
     * Works out the expectations.
     *
     * @param others by name, for children that are whole effects
     * @param measured what was counted of an emitter of {@code effect} where it was played
     */
    public static Branching of(
            Effect effect, Function<String, Optional<Effect>> known, Function<String, Optional<ByEmitter>> measured) {
        Function<String, Optional<Effect>> others = name -> known.apply(name).map(Effect::playing);
        List<Effect> effects = new ArrayList<>(List.of(effect.playing()));
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
        MeanOffspring mean = new MeanOffspring(n);
        for (int e = 0; e < effects.size(); e++) {
            Effect of = effects.get(e);
            for (int i = 0; i < of.emitters().size(); i++) {
                Emitter emitter = of.emitters().get(i);
                Optional<ByEmitter> counted = e == 0 ? measured.apply(emitter.name()) : Optional.empty();
                for (int c = 0; c < emitter.end().children().size(); c++) {
                    Child child = emitter.end().children().get(c);
                    double times = Occurrences.expected(emitter, c, counted) * child.expectedEach();
                    if (child.emitter().isPresent()) {
                        int to = firsts.get(e) + index(of, child.emitter().get());
                        mean.add(firsts.get(e) + i, to, times);
                    } else {
                        begun(child.effect().flatMap(others), effects, firsts, times, firsts.get(e) + i, mean);
                    }
                }
            }
        }
        return of(effects.get(0), mean, n);
    }

    private static void begun(
            Optional<Effect> begun,
            List<Effect> effects,
            List<Integer> firsts,
            double times,
            int parent,
            MeanOffspring mean) {
        if (begun.isPresent()) {
            int first = firsts.get(effects.indexOf(begun.get()));
            for (int j = 0; j < begun.get().emitters().size(); j++) {
                mean.add(
                        parent,
                        first + j,
                        times * own(begun.get(), begun.get().emitters().get(j)));
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

    /**
     * Returns how many particles an emitter spawns by itself, in one pull or one cycle, as they fall; what its source's way spawns
     * is not known.
     */
    public static double own(Effect effect, Emitter emitter) {
        double sum = 0;
        for (Burst burst : emitter.birth().bursts()) {
            sum += burst.expected();
        }
        Optional<Stream> stream = emitter.birth().stream();
        long streamed = new Schedule(emitter.birth(), effect.course(), Pace.SIXTY).streamedInACycle();
        return sum
                + (streamed == Schedule.ENDLESS
                        ? stream.orElseThrow().perSecond() * effect.course().duration()
                        : streamed);
    }

    /** Tells whether a mean number of offspring runs away: 1 or above, a billionth forgiven to rounding. */
    static boolean runsAway(double offspring) {
        return offspring >= 1 - 1e-9;
    }

    private static Branching of(Effect effect, MeanOffspring mean, int n) {
        double[] radii = mean.radii();
        double[] totals = mean.totals(radii);
        double[] born = new double[n];
        boolean[] begun = new boolean[n];
        double total = 0;
        List<Line> lines = new ArrayList<>();
        for (int i = 0; i < effect.emitters().size(); i++) {
            Emitter emitter = effect.emitters().get(i);
            born[i] = own(effect, emitter);
            begun[i] = emitter.birth().byItself();
            total += born[i] > 0 ? born[i] * totals[i] : 0;
            lines.add(new Line(emitter.name(), mean.children(i), totals[i]));
        }
        // Only what can be born at all can run away.
        boolean[] reached = mean.reachable(begun);
        double offspring = 0;
        for (int i = 0; i < n; i++) {
            offspring = Math.max(offspring, reached[i] ? radii[i] : 0);
        }
        List<Double> generations = new ArrayList<>();
        double told = 0;
        for (int g = 0; g < TOLD - 1 && sum(born) > 1e-6; g++) {
            generations.add(sum(born));
            told += sum(born);
            born = mean.next(born);
        }
        if (sum(born) > 1e-6) {
            generations.add(Double.isInfinite(total) ? total : total - told);
        }
        return new Branching(
                round(offspring),
                generations.stream().mapToDouble(Double::doubleValue).toArray(),
                total,
                List.copyOf(lines));
    }

    private static double round(double value) {
        return Exact.rint(value * 1e9) / 1e9;
    }

    private static double sum(double[] v) {
        double sum = 0;
        for (double x : v) {
            sum += x;
        }
        return sum;
    }
}
