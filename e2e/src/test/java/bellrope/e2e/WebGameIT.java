package bellrope.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import bellrope.core.event.Pull;
import bellrope.core.event.Strength;
import bellrope.core.project.Project;
import bellrope.core.stage.Stage;
import bellrope.format.json.Demo;
import bellrope.format.json.JsonText;
import bellrope.format.json.PayloadJson;
import com.sun.net.httpserver.HttpServer;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.ByteBuffer;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

/** What *Handoff* gives to a game in a browser, compiled and run on a server of its own, under a strict policy. */
@DisplayName("A web game")
class WebGameIT extends AtBench {
    private static HttpServer site;

    @BeforeAll
    static void start() throws IOException, InterruptedException {
        Path game = Files.createDirectory(folder.resolve("game"));
        unpack(game);
        Files.writeString(game.resolve("index.html"), "<!doctype html><title>A game</title><body></body>");
        site = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0), 0);
        site.createContext("/", exchange -> {
            Path file = game.resolve(exchange.getRequestURI().getPath().substring(1));
            byte[] bytes = Files.exists(file) ? Files.readAllBytes(file) : new byte[0];
            exchange.getResponseHeaders()
                    .add(
                            "Content-Security-Policy",
                            "default-src 'self'; script-src 'self' 'wasm-unsafe-eval'; connect-src 'self' ws://localhost:*");
            exchange.getResponseHeaders().add("Content-Type", type(file.toString()));
            exchange.sendResponseHeaders(Files.exists(file) ? 200 : 404, bytes.length == 0 ? -1 : bytes.length);
            exchange.getResponseBody().write(bytes);
            exchange.close();
        });
        site.start();
    }

    @AfterAll
    static void stop() {
        site.stop(0);
    }

    private static String type(String file) {
        return file.endsWith(".js")
                ? "text/javascript"
                : file.endsWith(".wasm")
                        ? "application/wasm"
                        : file.endsWith(".json") ? "application/json" : "text/html";
    }

    private static void unpack(Path game) throws IOException, InterruptedException {
        HttpResponse<byte[]> answer = HttpClient.newHttpClient()
                .send(
                        HttpRequest.newBuilder(URI.create(bench.address() + "/api/projects/1/contract/web-game"))
                                .build(),
                        HttpResponse.BodyHandlers.ofByteArray());
        assertThat(answer.statusCode()).isEqualTo(200);
        List<String> names = new ArrayList<>();
        try (ZipInputStream zip = new ZipInputStream(new ByteArrayInputStream(answer.body()))) {
            for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
                names.add(entry.getName());
                Files.write(game.resolve(entry.getName()), zip.readAllBytes());
            }
        }
        assertThat(names)
                .containsExactly(
                        "bellrope.ts",
                        "link.ts",
                        "linked.ts",
                        "core.js",
                        "core.d.ts",
                        "runtime.js",
                        "core.wasm",
                        "WindrowPost.ts",
                        "windrow-post.bellrope.json");
    }

    private static String compiled(String... files) throws IOException, InterruptedException {
        List<String> command = new ArrayList<>(List.of(
                "node",
                Path.of("../web/node_modules/typescript/bin/tsc")
                        .toAbsolutePath()
                        .toString(),
                "--strict",
                "--ignoreConfig",
                "--target",
                "es2022",
                "--module",
                "es2022",
                "--moduleResolution",
                "bundler"));
        command.addAll(List.of(files));
        Process process = new ProcessBuilder(command)
                .directory(folder.resolve("game").toFile())
                .redirectErrorStream(true)
                .start();
        String said = new String(process.getInputStream().readAllBytes());
        process.waitFor();
        return said;
    }

    private static void run(String script) {
        bench.browser().get("http://localhost:" + site.getAddress().getPort() + "/index.html");
        bench.js(
                "window.onerror = (e) => { window.__failed = String(e) };"
                        + "window.onunhandledrejection = (e) => { window.__failed = String(e.reason) };"
                        + "const s = document.createElement('script'); s.type = 'module'; s.src = arguments[0];"
                        + "document.body.append(s)",
                script);
        bench.await(b -> bench.js("return window.__failed ?? window.__done ?? null") != null);
        assertThat(bench.js("return window.__failed ?? null")).isNull();
    }

    @Test
    void theLoopOfTheDocumentsCompilesAndRuns() throws IOException, InterruptedException {
        Matcher shown = Pattern.compile("```ts\n(.*?)```", Pattern.DOTALL)
                .matcher(Files.readString(Path.of("../docs/web-games.md")));
        assertThat(shown.find()).isTrue();
        Path game = folder.resolve("game");
        Files.writeString(game.resolve("loop.ts"), shown.group(1));
        Files.writeString(game.resolve("game.ts"), """
                import type { Notice } from './bellrope.js'
                const seen: number[] = []
                export function paint(frame: Uint8Array) {
                  seen.push(new DataView(frame.buffer, frame.byteOffset).getUint32(12, true))
                  if (seen.length > 4 && Math.max(...seen) > 30) Object.assign(window, { __done: seen })
                }
                export function answer(_: Notice) {}
                """);
        assertThat(compiled("loop.ts", "game.ts")).isEmpty();
        run("loop.js");
        Files.writeString(game.resolve("wrong.ts"), shown.group(1).replace("'thatch'", "'glass'"));
        assertThat(compiled("wrong.ts")).contains("glass");
    }

    @Test
    void aGameOnAServerOfItsOwnLinksAndIsAsked() throws Exception {
        Matcher shown = Pattern.compile("```ts\n(import \\{ LinkedStage.*?)```", Pattern.DOTALL)
                .matcher(Files.readString(Path.of("../docs/web-games.md")));
        assertThat(shown.find()).isTrue();
        Path game = folder.resolve("game");
        Files.writeString(
                game.resolve("linking.ts"),
                shown.group(1).replace("7333", URI.create(bench.address()).getPort() + "") + """
                        stage.move('kite', [1, 2, 0], [1, 0, 0])
                        stage.check()
                        Object.assign(window, { __stage: stage })
                        setInterval(() => {
                          stage.advance(1 / 60)
                          stage.check()
                          if (stage.linked) Object.assign(window, { __done: true })
                        }, 10)
                        """);
        assertThat(compiled("linking.ts")).isEmpty();
        run("linking.js");
        String playing = bench.browser().getWindowHandle();
        bench.secondWindow();
        bench.open("/#/game");
        bench.await(b -> !bench.all("[data-testid=can] button").isEmpty());
        bench.clickText("[data-testid=can] button", "snow falls");
        bench.await(b -> bench.all("[data-testid=ticker] li").stream()
                .anyMatch(li -> li.getText().contains("weather") && li.getText().contains("snowfall")));
        bench.await(b -> bench.text("[data-testid=game-facts]").contains("to the bit"));
        assertThat(bench.text("[data-testid=game-counts]")).doesNotContain("wrong");
        bench.browser().close();
        bench.to(playing);
    }

    // Every event of the demo with its usual payload, half a second each, and the sum of every frame.
    private static final String CHECK = """
            import { Refused, Stage, type Value } from './bellrope.js'
            const json = async (file: string) => (await fetch(file)).json()
            const bundle = await json('windrow-post.bellrope.json')
            const stage = await Stage.open(await (await fetch('core.wasm')).arrayBuffer(), bundle)
            const pulls = (await json('pulls.json')) as { event: string; payload: Record<string, Value>; phase?: string; value?: string; seed: number }[]
            const sums: number[] = []
            for (const pull of pulls) {
              stage.pull(pull)
              for (let step = 0; step < 30; step++) {
                stage.advance(1 / 60)
                let sum = 0
                for (const b of new Int8Array(stage.frame().slice().buffer)) sum = (Math.imul(31, sum) + b) | 0
                sums.push(sum)
              }
            }
            const refused = (work: () => unknown) => {
              try {
                work()
                return 'nothing was refused'
              } catch (e) {
                return e instanceof Refused ? e.message : `thrown: ${e}`
              }
            }
            const notices = stage.told()
            const reeling = stage.pull({ event: 'kite.reeling', phase: 'begin', payload: { position: [0, 0, 0], heading: [1, 0, 0] } })
            const kite = stage.instance(reeling, 'the kite reels')
            const turned = stage.set(kite, 'size', 1.2)
            const said = [
              refused(() => stage.publish('wnd', 3)),
              refused(() => stage.set(kite, 'sise', 2)),
              refused(() => stage.set(kite, 'size', 'big')),
              refused(() => stage.move('kite', [1e300, 0, 0])),
              refused(() => stage.retune({ bellrope: 1 })),
              stage.pull({ event: 'courier.landet', payload: {} }).refused[0].allowed,
            ]
            stage.clear()
            const over = stage.set(kite, 'size', 1) || stage.set(kite, 'size', 1)
            bundle.effects[0].name = ''
            const broken = await Stage.open(await (await fetch('core.wasm')).arrayBuffer(), bundle).catch((e) => e.message)
            Object.assign(window, { __done: { sums, turned, over, said, notices: notices.length, broken } })
            """;

    @Test
    void givesTheBitsOfTheJvmAndRefusesWhatIsWrong() throws IOException, InterruptedException {
        Project project = Demo.project();
        List<Pull> pulls = pulls(project);
        StringBuilder json = new StringBuilder("[");
        Stage stage = new Stage(project);
        List<Long> here = new ArrayList<>();
        int number = 0;
        for (Pull pull : pulls) {
            json.append(json.length() == 1 ? "" : ",").append(text(pull));
            stage.pull(pull);
            for (int step = 0; step < 30; step++) {
                stage.advance(1 / 60.0);
                here.add(sum(stage.frame(++number)));
            }
        }
        Files.writeString(folder.resolve("game/pulls.json"), json.append(']'));
        Files.writeString(folder.resolve("game/check.ts"), CHECK);
        assertThat(compiled("check.ts")).isEmpty();
        run("check.js");
        assertThat(bench.js("return window.__done.sums")).isEqualTo(here);
        assertThat(here.stream().distinct().count()).as("frames that differ").isGreaterThan(here.size() / 2);
        assertThat(bench.js("return [window.__done.turned, window.__done.over]"))
                .isEqualTo(List.of(true, false));
        List<?> said = (List<?>) bench.js("return window.__done.said");
        assertThat(said.get(0).toString()).contains("did you mean wind?");
        assertThat(said.get(1).toString()).contains("did you mean size?");
        assertThat(said.get(2).toString()).contains("a number from");
        assertThat(said.get(3).toString()).contains("/position/0");
        assertThat(said.get(4).toString()).contains("missing");
        assertThat(said.get(5).toString()).contains("did you mean courier.landed?");
        assertThat(((Number) bench.js("return window.__done.notices")).intValue())
                .isPositive();
        assertThat(bench.js("return window.__done.broken").toString()).contains("/effects/0/name");
    }

    private static List<Pull> pulls(Project project) {
        List<Pull> pulls = new ArrayList<>();
        project.events().forEach(event -> {
            var payload = Strength.HARD.payload(event);
            switch (event.shape()) {
                case MOMENT -> pulls.add(new Pull(event.name(), payload, pulls.size()));
                case SPAN -> {
                    pulls.add(Pull.begin(event.name(), payload, pulls.size()));
                    pulls.add(Pull.end(event.name()));
                }
                case STATE -> event.values().forEach(v -> pulls.add(Pull.set(event.name(), v, payload, pulls.size())));
            }
        });
        return pulls;
    }

    private static String text(Pull pull) {
        return "{\"event\":\"%s\",\"phase\":\"%s\",%s\"seed\":%d,\"payload\":%s}"
                .formatted(
                        pull.event(),
                        pull.phase().name().toLowerCase(Locale.ROOT),
                        pull.value().map(v -> "\"value\":\"" + v + "\",").orElse(""),
                        pull.seed(),
                        JsonText.compact(PayloadJson.write(pull.payload())));
    }

    private static long sum(ByteBuffer frame) {
        int sum = 0;
        for (int i = frame.position(); i < frame.limit(); i++) {
            sum = 31 * sum + frame.get(i);
        }
        return sum;
    }
}
