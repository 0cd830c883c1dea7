package bellrope.server;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import org.springframework.boot.web.server.context.WebServerApplicationContext;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.util.FileSystemUtils;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The real application on a free port with the demo project in a file of its own, and a client that speaks to it. */
final class RunningServer implements AutoCloseable {
    static final JsonMapper JSON = JsonMapper.builder().build();

    private final ConfigurableApplicationContext context;
    private final HttpClient client = HttpClient.newHttpClient();
    final int port;
    private Path own;

    record Answer(int status, byte[] bytes, HttpResponse<byte[]> response) {
        JsonNode json() {
            return JSON.readTree(bytes);
        }
    }

    /** With its data in a folder of its own, which is deleted when it is closed. */
    RunningServer() {
        this(newFolder(), "b.db");
    }

    private RunningServer(Path folder, String name) {
        this(folder.resolve(name));
        own = folder;
    }

    private static Path newFolder() {
        try {
            return Files.createTempDirectory("bellrope");
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    RunningServer(Path data) {
        context = BellropeApplication.application()
                .run("--server.port=0", "--bellrope.data=" + data, "--bellrope.demo=true");
        port = ((WebServerApplicationContext) context).getWebServer().getPort();
    }

    HttpClient client() {
        return client;
    }

    Answer send(String method, String path, String body, String... headers) {
        HttpRequest.Builder request = HttpRequest.newBuilder(URI.create("http://localhost:" + port + path))
                .method(
                        method,
                        body == null ? HttpRequest.BodyPublishers.noBody() : HttpRequest.BodyPublishers.ofString(body))
                .header("Content-Type", "application/json");
        for (int i = 0; i < headers.length; i += 2) {
            request.header(headers[i], headers[i + 1]);
        }
        try {
            HttpResponse<byte[]> response = client.send(request.build(), HttpResponse.BodyHandlers.ofByteArray());
            return new Answer(response.statusCode(), response.body(), response);
        } catch (IOException e) {
            throw new AssertionError(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new AssertionError(e);
        }
    }

    JsonNode get(String path) {
        return send("GET", path, null).json();
    }

    /** Returns a part of the demo by kind and name. */
    JsonNode part(String kind, String name) {
        for (JsonNode part : get("/api/projects/1").get("parts")) {
            if (part.get("kind").asString().equals(kind)
                    && part.get("name").asString().equals(name)) {
                return part;
            }
        }
        throw new AssertionError("no " + kind + " " + name);
    }

    /** Saves a body under a part. */
    Answer save(JsonNode part, long basedOn, String body) {
        return send(
                "PUT", "/api/parts/" + part.get("id").asLong(), "{\"basedOn\":" + basedOn + ",\"body\":" + body + "}");
    }

    @Override
    public void close() {
        context.close();
        try {
            FileSystemUtils.deleteRecursively(own);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
