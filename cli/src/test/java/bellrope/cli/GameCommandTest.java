package bellrope.cli;

import static org.assertj.core.api.Assertions.assertThat;

import bellrope.format.json.Demo;
import java.io.IOException;
import java.io.PrintWriter;
import java.io.Writer;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import picocli.CommandLine;

class GameCommandTest extends AtCommandLine {
    private static final GameCommand GAME = new GameCommand();
    private static final CompletableFuture<String> ADDRESS = new CompletableFuture<>();
    private static final CompletableFuture<Integer> CODE = new CompletableFuture<>();
    private static String address;

    @BeforeAll
    static void start() throws Exception {
        Writer out = new Writer() {
            private final StringBuilder text = new StringBuilder();

            @Override
            public void write(char[] some, int from, int count) {
                text.append(some, from, count);
            }

            @Override
            public void flush() {
                Matcher told = Pattern.compile("http://\\S+/").matcher(text);
                if (told.find()) {
                    ADDRESS.complete(told.group());
                }
            }

            @Override
            public void close() {}
        };
        Thread thread = new Thread(() -> CODE.complete(new CommandLine(GAME)
                .setOut(new PrintWriter(out))
                .execute("--port", "0", "--link", "ws://localhost:7333/link?project=2", "--seed", "5")));
        thread.setDaemon(true);
        thread.start();
        address = ADDRESS.get(20, TimeUnit.SECONDS);
    }

    @AfterAll
    static void endsWhenItIsStopped() throws Exception {
        GAME.stop();
        assertThat(CODE.get(20, TimeUnit.SECONDS)).isZero();
    }

    private static HttpResponse<byte[]> get(String path) throws IOException, InterruptedException {
        return HttpClient.newHttpClient()
                .send(
                        HttpRequest.newBuilder(URI.create(address + path)).build(),
                        HttpResponse.BodyHandlers.ofByteArray());
    }

    @Test
    void itsAddressLeadsToTheGameWithItsSeedAndItsBench() throws Exception {
        HttpResponse<byte[]> answer = get("");
        assertThat(answer.statusCode()).isEqualTo(302);
        assertThat(answer.headers().firstValue("Location"))
                .contains("/standin.html?seed=5&link=ws%3A%2F%2Flocalhost%3A7333%2Flink%3Fproject%3D2");
        HttpResponse<byte[]> page = get("standin.html");
        assertThat(new String(page.body(), StandardCharsets.UTF_8)).contains("<title>Windrow Post</title>");
        assertThat(page.headers().firstValue("Content-Security-Policy").orElse(""))
                .contains("connect-src 'self' ws://localhost:7333");
    }

    @Test
    void everythingThatThePageAsksForIsThere() throws Exception {
        String page = new String(get("standin.html").body(), StandardCharsets.UTF_8);
        Matcher linked = Pattern.compile("(?:src|href)=\"/([^\"]+)\"").matcher(page);
        int count = 0;
        while (linked.find()) {
            assertThat(get(linked.group(1)).statusCode()).as(linked.group(1)).isEqualTo(200);
            count++;
        }
        assertThat(count).isGreaterThan(2);
        for (String file : new String[] {"core/core.wasm", "core/core.js", "core/runtime.js", "mark.svg"}) {
            assertThat(get(file).body().length).as(file).isGreaterThan(100);
        }
        assertThat(get("core/core.wasm").headers().firstValue("Content-Type")).contains("application/wasm");
        for (var sprite : Demo.project().sprites()) {
            if (sprite.picture().isEmpty()) {
                assertThat(get("api/sprites/" + sprite.name().replace(" ", "%20"))
                                .statusCode())
                        .as(sprite.name())
                        .isEqualTo(200);
            }
        }
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "nothing",
                "core/",
                "../bellrope/windrow.bellrope.json",
                "core/../../bellrope/windrow.bellrope.json",
                "core/%2e%2e/%2e%2e/bellrope/windrow.bellrope.json",
                "/core/core.js",
                "api/sprites/../../x",
                "api/projects",
            })
    void nothingElseIs(String path) throws Exception {
        assertThat(get(path).statusCode()).isEqualTo(404);
    }

    @Test
    void whatIsNoQuestionIsRefused() throws Exception {
        HttpResponse<Void> answer = HttpClient.newHttpClient()
                .send(
                        HttpRequest.newBuilder(URI.create(address))
                                .POST(HttpRequest.BodyPublishers.ofString("x"))
                                .build(),
                        HttpResponse.BodyHandlers.discarding());
        assertThat(answer.statusCode()).isEqualTo(405);
    }

    @Test
    void wrongWordsAndATakenPortAreSaid() {
        assertThat(run("game", "--port", "70000").err()).contains("--port 0 to 65535");
        assertThat(run("game", "--seed", "0").code()).isEqualTo(Commands.MISUSED);
        assertThat(run("game", "--link", "nonsense").err()).contains("an address such as");
        Run taken = run("game", "--port", Integer.toString(URI.create(address).getPort()));
        assertThat(taken.code()).isEqualTo(Commands.MISUSED);
        assertThat(taken.err()).contains("it is taken");
    }
}
