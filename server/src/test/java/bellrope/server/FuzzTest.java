package bellrope.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;

/**
 * Requests made from the published description of the interface: right ones, and ones with something wrong in them. Whatever
 * is sent, the answer is one that was meant. Source: the OpenAPI document that the server itself publishes.
 */
class FuzzTest {
    private static final int REQUESTS = 5_000;
    private static final long SEED = Long.getLong("bellrope.seed", 20_261_127);

    @TempDir
    Path folder;

    /** One way to call: method, path, its parameters and the schema of its body. */
    private record Call(String method, String path, List<JsonNode> parameters, JsonNode body) {}

    private final Random random = new Random(SEED);
    private JsonNode schemas;
    private List<JsonNode> bodies;

    @Test
    void noRequestIsAnsweredByAFailure() {
        try (RunningServer server = new RunningServer(folder.resolve("b.db"))) {
            JsonNode description = server.get("/api/openapi");
            schemas = description.get("components").get("schemas");
            List<Call> calls = calls(description);
            bodies = new ArrayList<>();
            server.get("/api/projects/1").get("parts").forEach(p -> bodies.add(p.get("body")));
            List<String> failures = new ArrayList<>();
            Map<Integer, Integer> answers = new TreeMap<>();
            for (int i = 0; i < REQUESTS; i++) {
                Call call = calls.get(random.nextInt(calls.size()));
                String path = path(call);
                String body = call.body == null ? null : body(call.body);
                RunningServer.Answer answer = server.send(call.method, path, body);
                answers.merge(answer.status(), 1, Integer::sum);
                if (answer.status() == 500 || answer.status() > 503) {
                    failures.add("request %s: %s %s %s".formatted(i, call.method, path, shown(body)));
                }
                // A path that is no path at all is refused by the container, in its own words.
                String type =
                        answer.response().headers().firstValue("Content-Type").orElse("");
                if (answer.status() >= 400 && answer.status() != 500 && type.contains("json")) {
                    JsonNode problem = answer.json();
                    assertThat(problem.get("status").asInt()).isEqualTo(answer.status());
                    assertThat(problem.get("detail").asString())
                            .as("%s %s", path, shown(body))
                            .isNotEmpty();
                }
            }
            assertThat(failures).as("seed %s", SEED).isEmpty();
            // It reached both what is right and what is wrong, and the server is as it was.
            assertThat(answers.keySet()).contains(200, 400, 404, 422);
            assertThat(server.send("GET", "/api/projects", null).status()).isEqualTo(200);
            assertThat(server.send("POST", "/api/projects", "{\"name\":\"after all\"}")
                            .status())
                    .isEqualTo(201);
        }
    }

    private static String shown(String body) {
        return body == null ? "" : body.substring(0, Math.min(1500, body.length()));
    }

    private static List<Call> calls(JsonNode description) {
        List<Call> calls = new ArrayList<>();
        description
                .get("paths")
                .properties()
                .forEach(path -> path.getValue().properties().forEach(method -> {
                    JsonNode operation = method.getValue();
                    List<JsonNode> parameters = new ArrayList<>();
                    operation.path("parameters").forEach(parameters::add);
                    JsonNode body = operation
                            .path("requestBody")
                            .path("content")
                            .path("application/json")
                            .path("schema");
                    boolean whole =
                            path.getKey().endsWith("/bundle") && method.getKey().equals("put");
                    calls.add(new Call(
                            method.getKey().toUpperCase(),
                            path.getKey(),
                            parameters,
                            body.isMissingNode() && !whole ? null : body));
                }));
        assertThat(calls).hasSizeGreaterThan(20);
        return calls;
    }

    private String path(Call call) {
        StringBuilder query = new StringBuilder();
        String path = call.path;
        for (JsonNode parameter : call.parameters) {
            String name = parameter.get("name").asString();
            boolean number = parameter.path("schema").path("type").asString("").equals("integer");
            String value = encoded(number && random.nextInt(4) > 0 ? smallNumber() : nasty());
            if (parameter.get("in").asString().equals("path")) {
                path = path.replace("{" + name + "}", value.isEmpty() ? "0" : value);
            } else if (random.nextInt(5) > 0) {
                query.append(query.isEmpty() ? '?' : '&')
                        .append(name)
                        .append('=')
                        .append(value);
            }
        }
        return path + query;
    }

    private static String encoded(String value) {
        return URLEncoder.encode(value, StandardCharsets.UTF_8).replace("+", "%20");
    }

    private String smallNumber() {
        return random.nextInt(3) == 0 ? Integer.toString(random.nextInt(80)) : "1";
    }

    private static final String[] NASTY = {
        "",
        "0",
        "-1",
        "1.5",
        "NaN",
        "1e400",
        "9223372036854775808",
        "null",
        "true",
        "..",
        "a/b",
        "\u0000",
        "ü",
        "'; --",
        "<script>",
        "event",
        "rope",
        "thatch",
        "size",
        "{}",
        "%",
        "x".repeat(300),
        "typescript",
        "effect",
        "\uD800",
        "courier.landed"
    };

    private String nasty() {
        return NASTY[random.nextInt(NASTY.length)];
    }

    private String body(JsonNode schema) {
        switch (random.nextInt(14)) {
            case 0:
                return nastyJson();
            case 1:
                return "{\"a\":".repeat(random.nextInt(200));
            default:
                return value(schema, 0);
        }
    }

    private static final String[] JSON = {
        "null",
        "[]",
        "{}",
        "[null]",
        "0",
        "-1",
        "1.5",
        "true",
        "\"\"",
        "\"x\"",
        "1e308",
        "-1e400",
        "\"NaN\"",
        "9".repeat(400),
        "0." + "0".repeat(100) + "1",
        "[[[]]]",
        "{\"\":null}",
        "\"\\u0000\"",
        "\"" + "y".repeat(5000) + "\"",
        "{\"id\":1,\"id\":2}",
        "nul",
        "[1,",
        "\"\\ud800\"",
        "{\"bellrope\":1}",
        "123456789012345678901234567890",
        "[0,0,0]",
        "[1e400,0,0]"
    };

    private String nastyJson() {
        return JSON[random.nextInt(JSON.length)];
    }

    private String value(JsonNode schema, int depth) {
        if (depth > 6 || random.nextInt(12) == 0) {
            return nastyJson();
        }
        JsonNode reference = schema.get("$ref");
        if (reference != null) {
            String[] steps = reference.asString().split("/");
            return value(schemas.get(steps[steps.length - 1]), depth);
        }
        switch (schema.path("type").asString("")) {
            case "object":
                return object(schema, depth);
            case "array":
                StringBuilder list = new StringBuilder("[");
                for (int n = random.nextInt(3), i = 0; i < n; i++) {
                    list.append(i == 0 ? "" : ",").append(value(schema.get("items"), depth + 1));
                }
                return list.append(']').toString();
            case "integer":
                return random.nextInt(3) == 0 ? nastyJson() : smallNumber();
            case "number":
                return random.nextInt(3) == 0 ? nastyJson() : Double.toString(random.nextGaussian() * 10);
            case "boolean":
                return Boolean.toString(random.nextBoolean());
            case "string":
                return RunningServer.JSON.writeValueAsString(nasty());
            default:
                return part();
        }
    }

    private String object(JsonNode schema, int depth) {
        StringBuilder object = new StringBuilder("{");
        schema.path("properties").properties().forEach(property -> {
            if (random.nextInt(8) > 0) {
                object.append(object.length() == 1 ? "" : ",")
                        .append(RunningServer.JSON.writeValueAsString(property.getKey()))
                        .append(':')
                        .append(value(property.getValue(), depth + 1));
            }
        });
        JsonNode others = schema.path("additionalProperties");
        if (others.isObject() && random.nextBoolean()) {
            object.append(object.length() == 1 ? "" : ",").append("\"wind\":").append(value(others, depth + 1));
        }
        return object.append('}').toString();
    }

    // Something of the demo, often with one value in it replaced.
    private String part() {
        String text = RunningServer.JSON.writeValueAsString(bodies.get(random.nextInt(bodies.size())));
        if (random.nextInt(3) == 0) {
            return text;
        }
        List<Integer> starts = new ArrayList<>();
        for (int i = text.indexOf(':'); i >= 0; i = text.indexOf(':', i + 1)) {
            starts.add(i + 1);
        }
        if (starts.isEmpty()) {
            return nastyJson();
        }
        int from = starts.get(random.nextInt(starts.size()));
        int to = from;
        while (to < text.length() && ",}]".indexOf(text.charAt(to)) < 0) {
            to++;
        }
        return text.substring(0, from) + nastyJson() + text.substring(to);
    }
}
