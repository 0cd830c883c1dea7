package bellrope.bench;

import java.io.IOException;
import java.io.PrintStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.results.RunResult;
import org.openjdk.jmh.runner.Runner;
import org.openjdk.jmh.runner.RunnerException;
import org.openjdk.jmh.runner.options.ChainedOptionsBuilder;
import org.openjdk.jmh.runner.options.OptionsBuilder;
import org.openjdk.jmh.runner.options.TimeValue;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/**
 * Compares ratios of this machine's figures with those that were kept: {@code ./bellrope bench --guard}. Each ratio is a
 * figure against a baseline of the same run, so that another machine, or a busy one, changes both. A ratio that is more than
 * a third worse than what was kept fails; {@code --keep} writes the new ones.
 */
public final class Guard {
    private static final double WORSE = 4.0 / 3;

    private Guard() {}

    /** @param arguments the file of ratios, and {@code --keep} to write it anew */
    public static void main(String[] arguments) throws IOException, RunnerException {
        Path file = Path.of(arguments[0]);
        boolean keep = List.of(arguments).contains("--keep");
        JsonMapper json = JsonMapper.builder().build();
        JsonNode kept = json.readTree(Files.readString(file));
        Map<String, Double> figures = measured(kept);
        List<String> fallen = new ArrayList<>();
        PrintStream out = System.out;
        out.printf("%n%-72s %10s %10s%n", "ratio (lower is better)", "kept", "now");
        for (JsonNode one : kept.get("ratios")) {
            double now = figures.get(one.get("figure").asString())
                    / figures.get(one.get("against").asString());
            double before = one.get("ratio").asDouble();
            boolean worse = now > before * WORSE;
            out.printf(
                    "%-72s %10.4g %10.4g%s%n",
                    one.get("name").asString(),
                    before,
                    now,
                    worse ? "  more than a third worse" : now * WORSE < before ? "  better" : "");
            if (worse) {
                fallen.add(one.get("name").asString());
            }
            ((ObjectNode) one).put("ratio", Double.parseDouble(String.format("%.3g", now)));
        }
        if (keep) {
            Files.writeString(file, json.writerWithDefaultPrettyPrinter().writeValueAsString(kept) + "\n");
        } else if (!fallen.isEmpty()) {
            System.exit(1);
        }
    }

    // Nanoseconds by name: class.method, and the parameters behind it.
    private static Map<String, Double> measured(JsonNode kept) throws RunnerException {
        TreeSet<String> wanted = new TreeSet<>();
        for (JsonNode one : kept.get("ratios")) {
            wanted.add(one.get("figure").asString());
            wanted.add(one.get("against").asString());
        }
        Map<String, Double> figures = new HashMap<>();
        for (String name : wanted) {
            String[] parts = name.split("[()]");
            ChainedOptionsBuilder options = new OptionsBuilder()
                    .include("\\." + parts[0].replace(".", "\\.") + "$")
                    .forks(2)
                    .warmupIterations(8)
                    .warmupTime(TimeValue.seconds(1))
                    .measurementIterations(5)
                    .measurementTime(TimeValue.seconds(1))
                    .timeUnit(TimeUnit.NANOSECONDS);
            if (parts.length > 1) {
                String[] parameter = parts[1].split("=");
                options.param(parameter[0], parameter[1]);
            }
            Collection<RunResult> results = new Runner(options.build()).run();
            figures.put(name, results.iterator().next().getPrimaryResult().getScore());
        }
        return figures;
    }
}
