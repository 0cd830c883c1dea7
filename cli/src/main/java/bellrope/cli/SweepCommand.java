package bellrope.cli;

import bellrope.core.measure.Sizing;
import bellrope.core.pool.Held;
import bellrope.core.score.Score;
import bellrope.format.answer.SizedView;
import bellrope.format.json.JsonText;
import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.function.BiConsumer;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** Plays a score many times, on all cores, and prints how large pools have to be. */
@Command(
        name = "sweep",
        mixinStandardHelpOptions = true,
        description = {
            "Plays a score of a bundle many times, each with draws of its own, and prints how large pools have to be.",
            "With --set the same is done for other values of a setting, one after the other.",
            "With --shard 3/16 only every 16th run from the third on is played, and written as lines for `merge`.",
            "Exit code 0; 1 if the bundle or the score cannot be read; 2 if the command itself is wrong."
        })
final class SweepCommand implements Callable<Integer> {
    static final int MOST_RUNS = 10_000;

    @Parameters(index = "0", paramLabel = "BUNDLE", description = "a project, *.bellrope.json")
    private Path bundle;

    @Option(names = "--score", paramLabel = "NAME", description = "which score; may be left out where there is one")
    private String name;

    @Option(
            names = "--runs",
            paramLabel = "N",
            defaultValue = "200",
            description = "how often it is played: ${DEFAULT-VALUE}")
    private int runs;

    @Option(names = "--shard", paramLabel = "I/N", description = "which share of the runs, such as 3/16")
    private String shard;

    @Option(names = "--json", description = "print JSON instead of text")
    private boolean json;

    @Mixin
    private final Variants variants = new Variants();

    @Spec
    private CommandSpec spec;

    @Override
    public Integer call() {
        PrintWriter err = spec.commandLine().getErr();
        int[] share = share(err);
        if (share.length == 0) {
            return Commands.MISUSED;
        }
        Inputs inputs = new Inputs(err);
        List<Variants.Variant> all = variants.of(bundle, inputs, err);
        if (all.isEmpty()) {
            return Commands.UNREADABLE;
        }
        PrintWriter out = spec.commandLine().getOut();
        for (Variants.Variant variant : all) {
            Optional<Score> score = inputs.score(variant.project(), bundle, name);
            if (score.isEmpty()) {
                return Commands.UNREADABLE;
            }
            Sizing sizing = new Sizing(variant.project(), score.get(), runs);
            if (shard == null) {
                play(sizing, new int[] {0, 1}, (run, held) -> sizing.take(held));
                out.print(printed(variant, sizing, score.get(), json));
            } else {
                out.println(
                        JsonText.compact(Runs.head(variant.bytes(), score.get().name(), runs)));
                play(sizing, share, (run, held) -> out.print(Runs.line(run, held)));
            }
            out.flush();
        }
        return Commands.FINE;
    }

    // Which of how many, from 0; nothing where the words are wrong.
    private int[] share(PrintWriter err) {
        if (runs < 1 || runs > MOST_RUNS) {
            err.println("--runs: " + runs + ": a whole number from 1 to " + MOST_RUNS);
            return new int[0];
        }
        if (shard == null) {
            return new int[] {0, 1};
        }
        if (!shard.matches("[1-9][0-9]{0,3}/[1-9][0-9]{0,3}")) {
            err.println("--shard: \"" + shard + "\": such as 3/16");
            return new int[0];
        }
        int i = Integer.parseInt(shard.substring(0, shard.indexOf('/')));
        int n = Integer.parseInt(shard.substring(shard.indexOf('/') + 1));
        if (i > n) {
            err.println("--shard: \"" + shard + "\": a share from 1/" + n + " to " + n + "/" + n);
            return new int[0];
        }
        return new int[] {i - 1, n};
    }

    // On all cores; taken in the order of the runs, so that it comes out the same however many there are.
    private void play(Sizing sizing, int[] share, BiConsumer<Integer, List<Held>> taken) {
        PrintWriter err = spec.commandLine().getErr();
        int cores = Runtime.getRuntime().availableProcessors();
        ExecutorService pool = Executors.newFixedThreadPool(cores);
        try {
            List<Integer> mine = new ArrayList<>();
            for (int run = share[0]; run < runs; run += share[1]) {
                mine.add(run);
            }
            // Only a few ahead, so that what is not taken yet never fills the memory.
            List<Future<List<Held>>> ahead = new ArrayList<>();
            int asked = 0;
            for (int i = 0; i < mine.size(); i++) {
                while (asked < mine.size() && asked < i + 2 * cores) {
                    int run = mine.get(asked++);
                    ahead.add(pool.submit(() -> sizing.played(run)));
                }
                taken.accept(mine.get(i), ahead.get(i).get());
                ahead.set(i, null);
                if (mine.size() >= 10 && (i + 1) % (mine.size() / 10) == 0) {
                    err.println((i + 1) + " of " + mine.size() + " runs");
                    err.flush();
                }
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        } catch (ExecutionException e) {
            throw new IllegalStateException(e.getCause());
        } finally {
            pool.shutdownNow();
        }
    }

    static String printed(Variants.Variant variant, Sizing sizing, Score score, boolean json) {
        List<SizedView> sized = sizing.result().stream().map(SizedView::of).toList();
        return json
                ? JsonText.compact(new SizesReport(variant.set(), score.name(), sizing.runs(), sized)) + "\n"
                : variant.title() + SizesReport.inWords(score.name(), sizing.runs(), sized);
    }
}
