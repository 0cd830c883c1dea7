package bellrope.cli;

import bellrope.core.measure.Sizing;
import bellrope.core.pool.Held;
import bellrope.core.score.Score;
import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** Puts the shares of a sweep together: the same as one sweep of all runs, to the bit. */
@Command(
        name = "merge",
        mixinStandardHelpOptions = true,
        description = {
            "Puts together what `sweep --shard` wrote, and prints the same as one sweep of all runs.",
            "Exit code 0; 1 if anything cannot be read or a run is missing; 2 if the command itself is wrong."
        })
final class MergeCommand implements Callable<Integer> {
    private static final long MOST_BYTES = 1L << 30;

    @Parameters(index = "0", paramLabel = "BUNDLE", description = "the project that was swept")
    private Path bundle;

    @Parameters(index = "1..*", arity = "1..*", paramLabel = "RUNS", description = "files that `sweep --shard` wrote")
    private List<Path> files;

    @Option(names = "--score", paramLabel = "NAME", description = "which score; may be left out where there is one")
    private String name;

    @Option(names = "--runs", paramLabel = "N", defaultValue = "200", description = "how many runs: ${DEFAULT-VALUE}")
    private int runs;

    @Option(names = "--json", description = "print JSON instead of text")
    private boolean json;

    @Mixin
    private final Variants variants = new Variants();

    @Spec
    private CommandSpec spec;

    @Override
    public Integer call() {
        PrintWriter err = spec.commandLine().getErr();
        Inputs inputs = new Inputs(err);
        List<Variants.Variant> all = variants.of(bundle, inputs, err);
        int code = all.isEmpty() ? Commands.UNREADABLE : Commands.FINE;
        for (Variants.Variant variant : all) {
            code = Math.max(code, merged(variant, inputs, err));
        }
        spec.commandLine().getOut().flush();
        return code;
    }

    private int merged(Variants.Variant variant, Inputs inputs, PrintWriter err) {
        Optional<Score> score = inputs.score(variant.project(), bundle, name);
        if (score.isEmpty()) {
            return Commands.UNREADABLE;
        }
        Runs.Head head = Runs.head(variant.bytes(), score.get().name(), runs);
        Map<Integer, List<Held>> held = new TreeMap<>();
        for (Path file : files) {
            Optional<byte[]> read = inputs.bytes(file, MOST_BYTES);
            if (read.isEmpty()) {
                return Commands.UNREADABLE;
            }
            try {
                Runs.read(read.get(), head, held);
            } catch (Runs.Wrong wrong) {
                err.println(file.getFileName() + " " + wrong.getMessage());
                return Commands.UNREADABLE;
            }
        }
        Sizing sizing = new Sizing(variant.project(), score.get(), runs);
        for (int run = 0; run < runs; run++) {
            if (!held.containsKey(run)) {
                err.println("run " + run + " is missing: files with all runs from 0 to " + (runs - 1));
                return Commands.UNREADABLE;
            }
            sizing.take(held.get(run));
        }
        spec.commandLine().getOut().print(SweepCommand.printed(variant, sizing, score.get(), json));
        return Commands.FINE;
    }
}
