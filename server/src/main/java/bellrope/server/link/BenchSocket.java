package bellrope.server.link;

import bellrope.format.json.JsonText;
import bellrope.server.link.Games.Bench;
import bellrope.server.link.Games.Want;
import bellrope.server.socket.Outlet;
import bellrope.server.socket.SignsOfLife;
import bellrope.server.socket.TalkingSocket;
import bellrope.server.store.ProjectStore;
import bellrope.server.store.Refusal;
import java.util.Optional;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.function.Supplier;
import org.springframework.context.annotation.Configuration;
import org.springframework.util.MultiValueMap;
import org.springframework.web.socket.CloseStatus;
import tools.jackson.databind.JsonNode;

/** The socket by which a bench follows running games, {@code /api/games?project=1}: {@code docs/format/link.md}. */
@Configuration
class BenchSocket extends TalkingSocket {
    private static final int MOST = 64;
    private static final int MOST_BYTES = 4 << 10;
    private static final CloseStatus UNKNOWN =
            CloseStatus.NOT_ACCEPTABLE.withReason("want and ask are said here, see docs/format/link.md");
    private static final CloseStatus FULL =
            CloseStatus.SERVICE_OVERLOAD.withReason(MOST + " benches follow games already; close one of them");
    private static final CloseStatus NO_PROJECT = CloseStatus.BAD_DATA.withReason("project: the number of a project");

    private final ProjectStore store;
    private final Games games;

    BenchSocket(ProjectStore store, Games games, SignsOfLife life) {
        super(life, "/api/games", MOST_BYTES);
        this.store = store;
        this.games = games;
    }

    @Override
    protected Optional<CloseStatus> admit(String socket, MultiValueMap<String, String> query, Supplier<Outlet> outlet) {
        if (games.benches() >= MOST) {
            return Optional.of(FULL);
        }
        try {
            long project = Long.parseLong(query.getFirst("project"));
            store.get(project);
            games.enter(socket, new Bench(project, outlet.get(), new ConcurrentLinkedQueue<>()));
            return Optional.empty();
        } catch (NumberFormatException | Refusal e) {
            return Optional.of(NO_PROJECT);
        }
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
