package bellrope.format;

import static org.assertj.core.api.Assertions.assertThat;

import bellrope.core.project.Project;
import bellrope.core.value.Problem;
import bellrope.format.json.Bundle;
import bellrope.format.json.JsonText;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.DynamicTest;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestFactory;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.DoubleNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * The schema says of every setting its bounds, its unit, and what holds when it is left out. This test holds the reader and core
 * to it, setting by setting, in a bundle that says everything.
 */
class SettingsTest {
    private static JsonNode schema;
    private static JsonNode whole;

    /** A number in the bundle that the schema gives bounds. */
    private record Bounded(String name, String place, JsonNode rule) {}

    /** A setting in the bundle that may be left out. */
    private record Left(String name, String place, String key, JsonNode usual) {}

    private static final Map<String, Bounded> BOUNDED = new LinkedHashMap<>();
    private static final Map<String, Left> LEFT = new LinkedHashMap<>();
    private static final Set<String> SEEN = new TreeSet<>();

    @BeforeAll
    static void collect() throws IOException {
        schema = JsonText.parse(Files.readAllBytes(Path.of("../docs/format/bundle.schema.json")))
                .node();
        whole = WholeModelTest.everything();
        walk("", whole, schema, "");
    }

    // Goes through bundle and schema at the same time.
    private static void walk(String name, JsonNode value, JsonNode given, String place) {
        JsonNode rule = given;
        if (given.has("$ref")) {
            String def = given.get("$ref").asString().substring("#/$defs/".length());
            boolean plain = Set.of("Pair", "Vector").contains(def);
            walk(plain ? name : def, value, schema.get("$defs").get(def), place);
        }
        if (rule.has("oneOf")) {
            for (JsonNode one : rule.get("oneOf")) {
                if (fits(value, one)) {
                    walk(one.has("title") ? one.get("title").asString() : name, value, one, place);
                    break;
                }
            }
        }
        if (value.isNumber() && (rule.has("minimum") || rule.has("exclusiveMinimum"))) {
            BOUNDED.putIfAbsent(name, new Bounded(name, place, rule));
        }
        if (value.isArray() && rule.has("items")) {
            for (int i = 0; i < value.size(); i++) {
                walk(name, value.get(i), rule.get("items"), place + "/" + i);
            }
        }
        for (Map.Entry<String, JsonNode> property :
                rule.has("properties") ? rule.get("properties").properties() : Set.<Map.Entry<String, JsonNode>>of()) {
            String key = property.getKey();
            SEEN.add(name + "." + key);
            if (value.has(key)) {
                JsonNode of = property.getValue();
                if (of.has("default")) {
                    LEFT.putIfAbsent(name + "." + key, new Left(name + "." + key, place, key, of.get("default")));
                }
                walk(name + "." + key, value.get(key), of, place + "/" + key);
            }
        }
    }

    private static boolean fits(JsonNode value, JsonNode rule) {
        if (rule.has("$ref")) {
            return fits(
                    value, schema.get("$defs").get(rule.get("$ref").asString().substring("#/$defs/".length())));
        }
        if (rule.has("type")
                && !(value.isObject() ? "object" : value.isArray() ? "array" : value.isNumber() ? "number" : "string")
                        .equals(rule.get("type").asString())) {
            return false;
        }
        for (JsonNode key : rule.path("required")) {
            if (!value.has(key.asString())) {
                return false;
            }
        }
        for (Map.Entry<String, JsonNode> property : rule.path("properties").properties()) {
            JsonNode is = value.get(property.getKey());
            JsonNode must = property.getValue().get("const");
            if (is != null && must != null && !is.equals(must)) {
                return false;
            }
        }
        return true;
    }

    private static JsonNode at(JsonNode root, String place) {
        return place.isEmpty() ? root : root.at(place);
    }

    private static List<Problem> with(String place, double value) {
        JsonNode copy = whole.deepCopy();
        int cut = place.lastIndexOf('/');
        JsonNode parent = at(copy, place.substring(0, cut));
        String key = place.substring(cut + 1);
        if (parent instanceof ArrayNode pair && pair.size() == 2) {
            // Both ends, so that they stay in order.
            pair.set(0, DoubleNode.valueOf(value));
            pair.set(1, DoubleNode.valueOf(value));
        } else if (parent instanceof ArrayNode list) {
            list.set(Integer.parseInt(key), DoubleNode.valueOf(value));
        } else {
            ((ObjectNode) parent).put(key, value);
        }
        return Bundle.read(copy).problems();
    }

    @TestFactory
    List<DynamicTest> everyBoundIsKeptByTheReader() {
        List<DynamicTest> tests = new ArrayList<>();
        assertThat(BOUNDED).hasSizeGreaterThan(90);
        for (Bounded one : BOUNDED.values()) {
            tests.add(DynamicTest.dynamicTest(one.name, () -> bounds(one)));
        }
        return tests;
    }

    private static void bounds(Bounded one) {
        boolean open = one.rule.has("exclusiveMinimum");
        double least = one.rule.get(open ? "exclusiveMinimum" : "minimum").doubleValue();
        double step = one.rule.path("type").asString("").equals("integer") ? 1 : 1e-6;
        refused(one, open ? least : least - step, open ? least + step : least);
        if (one.rule.has("maximum")) {
            double most = one.rule.get("maximum").doubleValue();
            refused(one, most + Math.max(step, Math.ulp(most)), most);
        }
    }

    // What lies outside is refused at its place; what lies just inside may be wrong for another reason only.
    private static void refused(Bounded one, double outside, double inside) {
        List<Problem> wrong = with(one.place, outside);
        List<Problem> here = wrong.stream()
                .filter(p -> one.place.startsWith(p.place()) || p.place().startsWith(one.place))
                .toList();
        assertThat(here).as("%s = %s: %s", one.place, outside, wrong).isNotEmpty();
        String allowed = here.get(0).allowed();
        assertThat(with(one.place, inside))
                .as("%s = %s", one.place, inside)
                .noneMatch(p ->
                        p.place().equals(here.get(0).place()) && p.allowed().equals(allowed));
    }

    @TestFactory
    List<DynamicTest> whatIsLeftOutIsAsTheSchemaSays() {
        List<DynamicTest> tests = new ArrayList<>();
        assertThat(LEFT).hasSizeGreaterThan(25);
        for (Left one : LEFT.values()) {
            tests.add(DynamicTest.dynamicTest(one.name, () -> {
                JsonNode without = whole.deepCopy();
                ((ObjectNode) at(without, one.place)).remove(one.key);
                JsonNode said = whole.deepCopy();
                ((ObjectNode) at(said, one.place)).set(one.key, one.usual);
                Bundle.Read<Project> read = Bundle.read(without);
                assertThat(read).isEqualTo(Bundle.read(said));
            }));
        }
        return tests;
    }

    @Test
    void theBundleThatSaysEverythingIsSound() {
        assertThat(Bundle.read(whole).problems()).isEmpty();
    }
}
