package bellrope.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.BufferedReader;
import java.io.File;
import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.concurrent.atomic.AtomicLong;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The real program, killed the hard way in the middle of its saves. */
@DisplayName("A server that is killed")
class KilledIT {
    private static final JsonMapper JSON = JsonMapper.builder().build();
    private static final Pattern READY = Pattern.compile("ready at http://127\\.0\\.0\\.1:(\\d+)/");

    @TempDir
    private Path folder;

    private final HttpClient client = HttpClient.newHttpClient();
    private Process process;
    private int port;

    private void start() throws IOException {
        File jar = new File("../server/target/bellrope-server-0.1.0-exec.jar");
        process = new ProcessBuilder(
                        System.getProperty("java.home") + "/bin/java",
                        "-jar",
                        jar.getPath(),
                        "--server.port=0",
                        "--bellrope.demo=true",
                        "--bellrope.data=" + folder.resolve("b.db"))
                .redirectErrorStream(true)
                .start();
        BufferedReader out = process.inputReader(StandardCharsets.UTF_8);
        String line = out.readLine();
        StringBuilder all = new StringBuilder();
        while (line != null) {
            all.append(line).append('\n');
            Matcher ready = READY.matcher(line);
            if (ready.find()) {
                port = Integer.parseInt(ready.group(1));
                return;
            }
            line = out.readLine();
        }
        throw new AssertionError("the server did not start:\n" + all);
    }

    private HttpResponse<String> send(String method, String path, String body)
            throws IOException, InterruptedException {
        return client.send(
                HttpRequest.newBuilder(URI.create("http://127.0.0.1:" + port + path))
                        .method(
                                method,
                                body == null
                                        ? HttpRequest.BodyPublishers.noBody()
                                        : HttpRequest.BodyPublishers.ofString(body))
                        .header("Content-Type", "application/json")
                        .build(),
                HttpResponse.BodyHandlers.ofString());
    }

    private JsonNode effect() throws IOException, InterruptedException {
        for (JsonNode part :
                JSON.readTree(send("GET", "/api/projects/1", null).body()).get("parts")) {
            if (part.get("name").asString().equals("peat splat")) {
                return part;
            }
        }
        throw new AssertionError("the effect is gone");
    }

    @Test
    void losesNothingThatItAcknowledged() throws Exception {
        for (int round = 0; round < 2; round++) {
            start();
            JsonNode part = effect();
            AtomicLong acknowledged = new AtomicLong(part.get("revision").asLong());
            AtomicLong asked = new AtomicLong(acknowledged.get());
            Thread saver = new Thread(() -> {
                try {
                    while (true) {
                        long basedOn = acknowledged.get();
                        asked.set(basedOn + 1);
                        String body = part.get("body")
                                .toString()
                                .replaceFirst("\"spread\":[0-9.]+", "\"spread\":" + (basedOn + 1) % 180);
                        HttpResponse<String> saved = send(
                                "PUT",
                                "/api/parts/" + part.get("id").asLong(),
                                "{\"basedOn\":" + basedOn + ",\"body\":" + body + "}");
                        assertThat(saved.statusCode()).isEqualTo(200);
                        acknowledged.set(basedOn + 1);
                    }
                } catch (IOException | InterruptedException e) {
                    // The server is gone, which is what this is about.
                }
            });
            saver.start();
            long enough = part.get("revision").asLong() + 20 + 30L * round;
            while (acknowledged.get() < enough && saver.isAlive()) {
                Thread.sleep(5);
            }
            process.destroyForcibly().waitFor();
            saver.join();
            assertThat(acknowledged.get()).as("saves before the kill").isGreaterThanOrEqualTo(enough);

            start();
            JsonNode after = effect();
            assertThat(after.get("revision").asLong()).isBetween(acknowledged.get(), asked.get());
            assertThat(after.get("body").toString())
                    .contains("\"spread\":" + after.get("revision").asLong() % 180);
            process.destroy();
            assertThat(process.waitFor()).as("a clean stop").isIn(0, 143);
        }
    }
}
