package bellrope.cli;

import bellrope.core.project.Project;
import bellrope.format.json.Bundle;
import bellrope.format.json.JsonText;
import java.io.PrintWriter;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import picocli.CommandLine.Option;
import tools.jackson.core.JsonPointer;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** A bundle with some of its settings at other values: every combination of what is given. */
final class Variants {
    private static final int MOST = 100;

    @Option(
            names = "--set",
            paramLabel = "POINTER=VALUES",
            description = {
                "one setting of the bundle at other values, such as /scores/0/lanes/5/when/perSecond=4,8,12: a JSON Pointer "
                        + "(RFC 6901) and values in JSON with commas between. Given several times, every combination is played."
            })
    private List<String> given = List.of();

    /**
     * One of them.
     *
     * @param set which settings have which values
     * @param bytes of the bundle with them
     */
    record Variant(Map<String, JsonNode> set, byte[] bytes, Project project) {
        /** Returns a title for what is printed of it; empty where nothing is set. */
        String title() {
            StringBuilder title = new StringBuilder();
            set.forEach((pointer, value) -> title.append(title.isEmpty() ? "" : ", ")
                    .append(pointer)
                    .append(" = ")
                    .append(value));
            return title.isEmpty() ? "" : title + "\n";
        }
    }

    /** Returns all of them; none where something is wrong, which is said. */
    List<Variant> of(Path bundle, Inputs inputs, PrintWriter err) {
        Optional<byte[]> bytes = inputs.bytes(bundle, JsonText.MOST_BYTES);
        if (bytes.isEmpty()) {
            return List.of();
        }
        if (given.isEmpty()) {
            return inputs.project(bundle)
                    .map(project -> List.of(new Variant(Map.of(), bytes.get(), project)))
                    .orElse(List.of());
        }
        List<Map<String, JsonNode>> settings = new ArrayList<>(List.of(new LinkedHashMap<>()));
        for (String one : given) {
            Optional<List<JsonNode>> values = values(one, err);
            if (values.isEmpty()) {
                return List.of();
            }
            String pointer = one.substring(0, one.indexOf('='));
            List<Map<String, JsonNode>> next = new ArrayList<>();
            for (Map<String, JsonNode> so : settings) {
                for (JsonNode value : values.get()) {
                    Map<String, JsonNode> more = new LinkedHashMap<>(so);
                    more.put(pointer, value);
                    next.add(more);
                }
            }
            settings = next;
            if (settings.size() > MOST) {
                err.println("--set: " + settings.size() + " combinations: at most " + MOST);
                return List.of();
            }
        }
        List<Variant> variants = new ArrayList<>();
        for (Map<String, JsonNode> set : settings) {
            Optional<Variant> made = made(set, bytes.get(), bundle, inputs, err);
            if (made.isEmpty()) {
                return List.of();
            }
            variants.add(made.get());
        }
        return variants;
    }

    private static Optional<List<JsonNode>> values(String given, PrintWriter err) {
        int equals = given.indexOf('=');
        JsonText.Parsed parsed =
                equals < 0 || !given.startsWith("/") ? null : JsonText.parse("[" + given.substring(equals + 1) + "]");
        if (parsed == null || parsed.failed() || parsed.node().isEmpty()) {
            err.println("--set: \"" + given + "\": such as /pools/0/capacity=6,8,10; texts in quotes");
            return Optional.empty();
        }
        return Optional.of(List.copyOf(parsed.node().values()));
    }

    private static Optional<Variant> made(
            Map<String, JsonNode> set, byte[] bytes, Path bundle, Inputs inputs, PrintWriter err) {
        JsonText.Parsed parsed = JsonText.parse(bytes);
        if (parsed.failed()) {
            inputs.refuse(bundle, parsed.problems());
            return Optional.empty();
        }
        for (Map.Entry<String, JsonNode> one : set.entrySet()) {
            if (!put(parsed.node(), one.getKey(), one.getValue())) {
                err.println("--set: \"" + one.getKey() + "\": a place that is in the bundle");
                return Optional.empty();
            }
        }
        byte[] changed = JsonText.pretty(parsed.node()).getBytes(StandardCharsets.UTF_8);
        Bundle.Read<Project> read = Bundle.read(changed);
        if (read.value().isEmpty()) {
            inputs.refuse(bundle, read.problems());
        }
        return read.value().map(project -> new Variant(set, changed, project));
    }

    // A member that is not there is made, since what is usual is left out; an element of a list must be there.
    private static boolean put(JsonNode root, String text, JsonNode value) {
        JsonPointer pointer = JsonPointer.compile(text);
        JsonNode parent = root.at(pointer.head());
        JsonPointer last = pointer.last();
        if (parent instanceof ObjectNode object) {
            object.set(last.getMatchingProperty(), value);
            return true;
        }
        if (parent instanceof ArrayNode list
                && last.mayMatchElement()
                && last.getMatchingIndex() >= 0
                && last.getMatchingIndex() < list.size()) {
            list.set(last.getMatchingIndex(), value);
            return true;
        }
        return false;
    }
}
