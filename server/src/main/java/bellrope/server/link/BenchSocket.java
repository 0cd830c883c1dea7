package bellrope.server.link;

import bellrope.format.json.JsonText;
import bellrope.server.link.Games.Bench;
import bellrope.server.link.Games.Want;
import bellrope.server.socket.Outlet;
import bellrope.server.socket.SignsOfLife;
import bellrope.server.store.ProjectStore;
import java.util.concurrent.ConcurrentLinkedQueue;
import org.springframework.context.annotation.Configuration;
import org.springframework.web.socket.CloseStatus;
import tools.jackson.databind.JsonNode;

/** The socket by which a bench follows running games, {@code /api/games?project=1}: {@code docs/format/link.md}. */
@Configuration
class BenchSocket extends PageSocket {
    private static final int MOST_BYTES = 4 << 10;
    private static final CloseStatus UNKNOWN =
            CloseStatus.NOT_ACCEPTABLE.withReason("want and ask are said here, see docs/format/link.md");

    private final Games games;

    BenchSocket(ProjectStore store, Games games, SignsOfLife life) {
        super(store, life, "/api/games", MOST_BYTES, "follow games");
        this.games = games;
    }

    @Override
    int open() {
        return games.benches();
    }

    @Override
    void enter(String socket, long project, Outlet outlet) {
        games.enter(socket, new Bench(project, outlet, new ConcurrentLinkedQueue<>()));
    }

    @Override
    protected void said(String socket, String text) {
        Bench bench = games.bench(socket);
        if (bench == null) {
            return;
        }
        JsonText.Parsed parsed = JsonText.parse(text);
        JsonNode node = parsed.node();
        String is = parsed.failed() || !node.path("game").isString()
                ? ""
                : node.path("is").asString("");
        if (is.equals("want")
                && node.path("from").canConvertToLong()
                && node.path("step").canConvertToInt()) {
            games.want(
                    bench,
                    new Want(
                            node.get("game").stringValue(),
                            node.get("from").longValue(),
                            node.get("step").intValue()));
        } else if (is.equals("ask") && node.path("what").isString()) {
            games.ask(bench, node.get("game").stringValue(), node.get("what").stringValue());
        } else {
            bench.outlet().close(UNKNOWN);
        }
    }

    @Override
    protected void left(String socket) {
        games.leaveBench(socket);
    }
}
