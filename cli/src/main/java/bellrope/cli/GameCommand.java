package bellrope.cli;

import bellrope.format.sprite.SpriteCase;
import com.sun.net.httpserver.HttpExchange;
import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.io.InputStream;
import java.io.PrintWriter;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.URI;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.concurrent.Callable;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.regex.Pattern;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;

/** Serves Windrow Post, the game that plays itself, to browsers of this machine; it knows nothing of the bench but its address. */
@Command(
        name = "game",
        mixinStandardHelpOptions = true,
        description = {
            "Serves Windrow Post, a small game that plays itself in a browser and is linked with a bench.",
            "Runs until it is stopped. Exit code 2 if the command is wrong or the port is taken."
        })
final class GameCommand implements Callable<Integer> {
    private static final Pattern SOUND = Pattern.compile("(/[A-Za-z0-9_-][A-Za-z0-9_.-]*)+");
    private static final String SPRITES = "/api/sprites/";
    private static final Map<String, String> TYPES = Map.of(
            "html", "text/html; charset=utf-8",
            "js", "text/javascript; charset=utf-8",
            "css", "text/css; charset=utf-8",
            "json", "application/json",
            "wasm", "application/wasm",
            "svg", "image/svg+xml",
            "woff2", "font/woff2");

    @Option(
            names = "--port",
            paramLabel = "N",
            defaultValue = "7334",
            description = "on 127.0.0.1, ${DEFAULT-VALUE}; 0 for any that is free")
    private int port;

    @Mixin
    private Linked linked;

    @Option(names = "--seed", paramLabel = "N", defaultValue = "7", description = "the same seed, the same run")
    private int seed;

    @Spec
    private CommandSpec spec;

    private HttpServer server;
    private ExecutorService threads;
    private final CountDownLatch stopped = new CountDownLatch(1);

    @Override
    public Integer call() throws InterruptedException {
        PrintWriter err = spec.commandLine().getErr();
        if (port < 0 || port > 65535 || seed < 1) {
            err.println("game: --port 0 to 65535, --seed 1 or more");
            return Commands.MISUSED;
        }
        if (!linked.sound(err)) {
            return Commands.MISUSED;
        }
        try {
            start();
        } catch (IOException e) {
            err.println("--port " + port + ": it is taken; another, or 0 for any that is free");
            return Commands.MISUSED;
        }
        PrintWriter out = spec.commandLine().getOut();
        out.println(
                "Windrow Post plays at http://localhost:" + server.getAddress().getPort() + "/");
        out.flush();
        try {
            stopped.await();
        } finally {
            server.stop(0);
            threads.shutdownNow();
        }
        return Commands.FINE;
    }

    private void start() throws IOException {
        server = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), port), 0);
        threads = Executors.newFixedThreadPool(4);
        server.setExecutor(threads);
        server.createContext("/", this::answer);
        server.start();
    }

    private void answer(HttpExchange exchange) throws IOException {
        try (exchange) {
            String path = exchange.getRequestURI().getPath();
            if (!exchange.getRequestMethod().equals("GET")) {
                send(exchange, 405, "text/plain", "GET alone".getBytes(StandardCharsets.UTF_8));
            } else if (path.equals("/")) {
                exchange.getResponseHeaders()
                        .add(
                                "Location",
                                "/standin.html?seed=" + seed + "&link="
                                        + URLEncoder.encode(linked.address().toString(), StandardCharsets.UTF_8));
                exchange.sendResponseHeaders(302, -1);
            } else {
                byte[] found = path.startsWith(SPRITES)
                        ? SpriteCase.png(path.substring(SPRITES.length())).orElse(null)
                        : file(path);
                if (found == null) {
                    send(exchange, 404, "text/plain", "not there".getBytes(StandardCharsets.UTF_8));
                } else {
                    String ending = path.substring(path.lastIndexOf('.') + 1);
                    send(exchange, 200, TYPES.getOrDefault(ending, "image/png"), found);
                }
            }
        }
    }

    private static byte[] file(String path) throws IOException {
        if (!SOUND.matcher(path).matches()) {
            return null;
        }
        try (InputStream in = GameCommand.class.getResourceAsStream("/static" + path)) {
            return in == null ? null : in.readAllBytes();
        }
    }

    private void send(HttpExchange exchange, int status, String type, byte[] bytes) throws IOException {
        URI bench = linked.address();
        exchange.getResponseHeaders().add("Content-Type", type);
        exchange.getResponseHeaders().add("Cache-Control", "no-cache");
        exchange.getResponseHeaders().add("X-Content-Type-Options", "nosniff");
        exchange.getResponseHeaders()
                .add(
                        "Content-Security-Policy",
                        "default-src 'self'; script-src 'self' 'wasm-unsafe-eval'; style-src 'self' 'unsafe-inline'; "
                                + "img-src 'self' data: blob:; font-src 'self' data:; connect-src 'self' "
                                + bench.getScheme() + "://" + bench.getRawAuthority());
        exchange.sendResponseHeaders(status, bytes.length);
        exchange.getResponseBody().write(bytes);
    }

    /** Ends it. */
    void stop() {
        stopped.countDown();
    }
}
