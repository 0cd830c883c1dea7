package bellrope.core.measure;

import bellrope.core.effect.Effect;
import bellrope.core.effect.Emitter;
import bellrope.core.effect.End;
import bellrope.core.pool.Erlang;
import bellrope.core.pool.Held;
import bellrope.core.pool.Loss;
import bellrope.core.pool.Pool;
import bellrope.core.pool.Pool.WhenEmpty;
import bellrope.core.pool.Quantile;
import bellrope.core.project.Project;
import bellrope.core.score.Score;
import bellrope.core.score.Writing;
import bellrope.core.stage.Performance;
import bellrope.core.stage.Preview;
import bellrope.core.stage.Take;
import bellrope.core.stage.told.Keeping;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * How large pools have to be for a score: it is played many times, each with draws of its own and without any pool, and what was
 * held is put through pools of every size. What answers only because another was refused is not known here; a rehearsal with
 * the pool shows it.
 */
public final class Sizing {
    /** Share of what is asked for that may be lost in the worst minute, as advice sees it. */
    public static final double BEARABLE = 0.01;
    /** Share of presence that may be cut, as advice sees it. */
    public static final double BEARABLE_CUT = 0.01;
    /** Up to so many every size is tried; beyond, one in so many steps of its own size. */
    private static final int EVERY_ONE = 24;
    /** Counts in windows of a hold that vary so many times as much as independent ones come together. */
    private static final double TOGETHER = 1.5;

    private final Project bare;
    private final Project project;
    private final Score score;
    private final int runs;
    private final Map<String, Group> groups = new LinkedHashMap<>();
    private final Map<String, Left> left = new HashMap<>();
    private final Set<String> begun = new HashSet<>();
    private int done;

    /** Effects that share a pool, or could have one. */
    private static final class Group {
        private final String name;
        private final List<String> effects;
        private final Optional<Pool> pool;
        private int[] sizes = {1};
        private final List<double[][]> losses = new ArrayList<>();
        private final List<Double> peaks = new ArrayList<>();
        private long asked;
        private long steps;
        private double sumDispersion;
        // Runs in which anything was asked for.
        private int asking;

        private Group(String name, List<String> effects, Optional<Pool> pool) {
            this.name = name;
            this.effects = effects;
            this.pool = pool;
        }

        private WhenEmpty policy() {
            return pool.map(Pool::whenEmpty).orElse(WhenEmpty.REFUSE);
        }

        // What is advised where something may end: as the pool does it, or else the oldest.
        private WhenEmpty takingOver() {
            return policy().takesOver() ? policy() : WhenEmpty.OLDEST;
        }
    }

    /**
     * What a size does.
     *
     * @param lost share of what is asked for that does not begin, or for which another ends, over all: in the middle of the runs
     * @param worst the same in the worst minute of a run, at the 95th of 100 runs
     * @param cut share of all presence that is cut, at the 95th of 100 runs
     * @param theory what Erlang's formula says is refused
     */
    public record Size(int capacity, Quantile lost, Quantile worst, Quantile cut, double theory) {}

    /**
     * The smallest sizes that do.
     *
     * @param refusing that loses at most {@link #BEARABLE} in the worst minute of 95 of 100 runs, where it refuses
     * @param takingOver that cuts at most {@link #BEARABLE_CUT} of presence in 95 of 100 runs, where something ends instead
     * @param over what ends then: as the pool does it, the oldest where it has none or does not take over
     * @param cut share of presence that this cuts
     * @param theory that Erlang's formula would take for {@link #BEARABLE}
     */
    public record Advice(int refusing, int takingOver, WhenEmpty over, double cut, int theory) {}

    /** Why theory and rehearsal differ. */
    public enum Differs {
        /** They need not. */
        NOT,
        /** What is asked for comes together, or its rate rises and falls. */
        TOGETHER,
        /** What is asked for comes more evenly than by chance. */
        EVENLY,
        /** Nothing is refused: something that plays ends instead. */
        TAKES_OVER
    }

    /**
     * What is known of one pool, or of one that an effect could have.
     *
     * @param pool as it stands; empty for an effect that has none
     * @param perSecond asked for a second, on average
     * @param hold seconds for which one is held, on average
     * @param load how many are held on average: their product
     * @param dispersion variance of how many are asked for in the time that one is held, divided by their mean; 1 by chance
     * @param peak most held at once, at the 95th of 100 runs
     * @param byParticles whether particles begin any of its effects
     */
    public record Sized(
            String name,
            List<String> effects,
            Optional<Pool> pool,
            double perSecond,
            double hold,
            double load,
            double dispersion,
            Quantile peak,
            boolean byParticles,
            Differs differs,
            List<Size> sizes,
            Advice advice) {}

    /** @param runs how often the score is played, 1 or more */
    public Sizing(Project project, Score score, int runs) {
        this.project = project;
        this.bare = project.withPools(List.of());
        this.score = score;
        this.runs = runs;
        Set<String> pooled = new HashSet<>();
        for (Pool pool : project.pools()) {
            groups.put(pool.name(), new Group(pool.name(), pool.effects(), Optional.of(pool)));
            pooled.addAll(pool.effects());
        }
        for (Effect effect : project.effects()) {
            if (!pooled.contains(effect.name())) {
                String name = groups.containsKey(effect.name()) ? effect.name() + " alone" : effect.name();
                groups.put(name, new Group(name, List.of(effect.name()), Optional.empty()));
            }
            for (Emitter emitter : effect.emitters()) {
                for (End.Child child : emitter.end().children()) {
                    child.effect().ifPresent(begun::add);
                }
            }
        }
    }

    /** Plays the score once more; returns whether there is more to do. */
    public boolean next() {
        if (done < runs) {
            take(played(done));
        }
        return done < runs;
    }

    public int done() {
        return done;
    }

    public int runs() {
        return runs;
    }

    /** Plays one run and returns what was held; nothing is taken in, so that several may be played at the same time. */
    public List<Held> played(long run) {
        return played(bare, score, run, begun.isEmpty() ? Keeping.HELD_ALONE : Keeping.HELD);
    }

    /** Returns what was held in one run. */
    public static List<Held> played(Project project, Score score, long run, Keeping keeping) {
        Performance performance = new Performance(project, Writing.of(score, project.events(), run), keeping);
        while (!performance.over()) {
            performance.step();
            performance.takeAccounts();
        }
        return performance.held();
    }

    /** Takes in a run that was played elsewhere, in the order of the runs. */
    public void take(List<Held> held) {
        for (Group group : groups.values()) {
            List<Held> mine = held.stream()
                    .filter(h -> group.effects.contains(h.effect()))
                    .toList();
            take(group, mine);
        }
        done++;
    }

    private void take(Group group, List<Held> run) {
        int stepsPerSecond = project.settings().pace().stepsPerSecond();
        int peak = peak(run);
        group.peaks.add((double) peak);
        // No run before this one held as many, so that none lost anything at the sizes that are added.
        group.sizes = sizes(group.sizes, peak);
        double presence = 0;
        long steps = 0;
        for (Held one : run) {
            presence += left(one.effect(), 0, one.end() - one.start());
            steps += one.end() - one.start();
        }
        group.asked += run.size();
        group.steps += steps;
        if (!run.isEmpty()) {
            group.sumDispersion += dispersion(run, (double) steps / run.size());
            group.asking++;
        }
        double[][] losses = new double[group.sizes.length][];
        for (int i = 0; i < losses.length; i++) {
            int capacity = group.sizes[i];
            if (capacity >= peak) {
                losses[i] = new double[5];
                continue;
            }
            Loss refusing = Loss.of(run, capacity, WhenEmpty.REFUSE, this::left, stepsPerSecond);
            Loss taking = Loss.of(run, capacity, group.takingOver(), this::left, stepsPerSecond);
            Loss mine = group.policy().takesOver() ? taking : refusing;
            losses[i] = new double[] {
                mine.share(),
                mine.worst(),
                presence > 0 ? mine.presenceCut() / presence : 0,
                refusing.worst(),
                presence > 0 ? taking.presenceCut() / presence : 0
            };
        }
        group.losses.add(losses);
    }

    // One after the other at first, then ever farther apart; up to the first that loses nothing.
    private static int[] sizes(int[] before, int peak) {
        int[] sizes = before;
        while (sizes[sizes.length - 1] < Math.min(Pool.HIGHEST, peak)) {
            int last = sizes[sizes.length - 1];
            sizes = Arrays.copyOf(sizes, sizes.length + 1);
            sizes[sizes.length - 1] = Math.min(Pool.HIGHEST, last + Math.max(1, last / EVERY_ONE));
        }
        return sizes;
    }

    static int peak(List<Held> run) {
        int[] ends = run.stream().mapToInt(Held::end).sorted().toArray();
        int peak = 0;
        int over = 0;
        for (int i = 0; i < run.size(); i++) {
            while (ends[over] <= run.get(i).start()) {
                over++;
            }
            peak = Math.max(peak, i + 1 - over);
        }
        return peak;
    }

    // Of counts in windows as long as one is held, over the length of the score.
    private double dispersion(List<Held> run, double hold) {
        double length = score.seconds() * project.settings().pace().stepsPerSecond();
        int windows = (int) Math.max(2, Math.floor(length / Math.max(1, hold)));
        double[] counts = new double[windows];
        for (Held one : run) {
            counts[(int) Math.min(windows - 1, Math.floor(one.start() / length * windows))]++;
        }
        double mean = (double) run.size() / windows;
        double sum = 0;
        for (double count : counts) {
            sum += (count - mean) * (count - mean);
        }
        return sum / (windows - 1) / mean;
    }

    // What one would still put on screen; a loop goes on as at the end of the look at it.
    private double left(String effect, int age, int length) {
        return left.computeIfAbsent(effect, this::presence).from(age, length);
    }

    /**
     * What an instance of an effect still puts on screen.
     *
     * @param from presence still to come at each age, square units × seconds
     */
    private record Left(double[] from, boolean loops) {
        double from(int age, int length) {
            int last = from.length - 1;
            if (length <= age) {
                return 0;
            }
            if (!loops) {
                return age <= last ? from[age] : 0;
            }
            double rate = last > 0 ? from[Math.max(0, last / 2)] / Math.max(1, last - last / 2) : 0;
            return rate * (length - age);
        }
    }

    private Left presence(String name) {
        Effect effect = project.effect(name).orElse(null);
        if (effect == null) {
            return new Left(new double[1], false);
        }
        double longest = effect.looping() ? 4 : Take.LONGEST;
        Take take = Preview.plain(effect, 1).take(project, false, longest);
        double[] from = new double[take.last() + 2];
        for (int k = take.last(); k >= 0; k--) {
            from[k] = from[k + 1] + take.presence(k) / take.pace().stepsPerSecond();
        }
        return new Left(from, effect.looping());
    }

    /** Returns what is known after the runs so far, for every pool and every effect without one of which anything was held. */
    public List<Sized> result() {
        List<Sized> all = new ArrayList<>();
        for (Group group : groups.values()) {
            if (group.asked > 0) {
                all.add(sized(group));
            } else if (group.pool.isPresent()) {
                all.add(new Sized(
                        group.name,
                        group.effects,
                        group.pool,
                        0,
                        0,
                        0,
                        0,
                        new Quantile(0, 0, 0, true),
                        byParticles(group),
                        Differs.NOT,
                        List.of(),
                        new Advice(0, 0, group.takingOver(), 0, 0)));
            }
        }
        return all;
    }

    private boolean byParticles(Group group) {
        return group.effects.stream().anyMatch(begun::contains);
    }

    private Sized sized(Group group) {
        int n = group.losses.size();
        double seconds = score.seconds() * n;
        double perSecond = group.asked / seconds;
        double hold =
                (double) group.steps / group.asked / project.settings().pace().stepsPerSecond();
        double load = perSecond * hold;
        List<Size> sizes = new ArrayList<>();
        int refusing = 0;
        int takingOver = 0;
        double cut = 0;
        for (int i = 0; i < group.sizes.length; i++) {
            int capacity = group.sizes[i];
            sizes.add(new Size(
                    capacity,
                    Quantile.of(column(group, i, 0), 0.5),
                    Quantile.of(column(group, i, 1), 0.95),
                    Quantile.of(column(group, i, 2), 0.95),
                    Erlang.lost(load, capacity)));
            if (refusing == 0 && Quantile.of(column(group, i, 3), 0.95).value() <= BEARABLE) {
                refusing = capacity;
            }
            double cutHere = Quantile.of(column(group, i, 4), 0.95).value();
            if (takingOver == 0 && cutHere <= BEARABLE_CUT) {
                takingOver = capacity;
                cut = cutHere;
            }
        }
        double[] peaks = group.peaks.stream().mapToDouble(Double::doubleValue).toArray();
        Quantile peak = Quantile.of(peaks, 0.95);
        double dispersion = group.sumDispersion / group.asking;
        return new Sized(
                group.name,
                group.effects,
                group.pool,
                perSecond,
                hold,
                load,
                dispersion,
                peak,
                byParticles(group),
                differs(group, dispersion),
                List.copyOf(sizes),
                new Advice(
                        refusing == 0 ? (int) peak.high() : refusing,
                        takingOver == 0 ? (int) peak.high() : takingOver,
                        group.takingOver(),
                        cut,
                        Erlang.capacity(load, BEARABLE)));
    }

    private static Differs differs(Group group, double dispersion) {
        if (group.policy().takesOver()) {
            return Differs.TAKES_OVER;
        }
        return dispersion > TOGETHER ? Differs.TOGETHER : dispersion < 1 / TOGETHER ? Differs.EVENLY : Differs.NOT;
    }

    private static double[] column(Group group, int size, int what) {
        double[] values = new double[group.losses.size()];
        for (int i = 0; i < values.length; i++) {
            double[][] of = group.losses.get(i);
            values[i] = size < of.length && what < of[size].length ? of[size][what] : 0;
        }
        return values;
    }
}
