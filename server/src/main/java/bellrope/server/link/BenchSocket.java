package bellrope.server.link;

import bellrope.format.json.JsonText;
import bellrope.server.link.Games.Bench;
import bellrope.server.link.Games.Want;
import bellrope.server.socket.SignsOfLife;
import bellrope.server.store.ProjectStore;
import bellrope.server.store.Refusal;
import java.util.concurrent.ConcurrentLinkedQueue;
import org.springframework.context.annotation.Configuration;
import org.springframework.web.socket.CloseStatus;
import org.springframework.web.socket.PongMessage;
import org.springframework.web.socket.TextMessage;
import org.springframework.web.socket.WebSocketSession;
import org.springframework.web.socket.config.annotation.WebSocketConfigurer;
import org.springframework.web.socket.config.annotation.WebSocketHandlerRegistry;
import org.springframework.web.socket.handler.TextWebSocketHandler;
import org.springframework.web.util.UriComponentsBuilder;
import tools.jackson.databind.JsonNode;

/** The socket by which a bench follows running games, {@code /api/games?project=1}: {@code docs/format/link.md}. */
@Configuration
class BenchSocket extends TextWebSocketHandler implements WebSocketConfigurer {
    private static final int MOST = 64;
    private static final int MOST_BYTES = 4 << 10;
    private static final CloseStatus UNKNOWN =
            CloseStatus.NOT_ACCEPTABLE.withReason("only {\"is\":\"want\"} is said here, see docs/format/link.md");

    private final ProjectStore store;
    private final Games games;
    private final SignsOfLife life;

    BenchSocket(ProjectStore store, Games games, SignsOfLife life) {
        this.store = store;
        this.games = games;
        this.life = life;
    }

    @Override
    public void registerWebSocketHandlers(WebSocketHandlerRegistry registry) {
        // The door has looked at Origin already, against the host of the request.
        registry.addHandler(this, "/api/games").setAllowedOriginPatterns("*");
    }

    @Override
    public void afterConnectionEstablished(WebSocketSession session) throws Exception {
        session.setTextMessageSizeLimit(MOST_BYTES);
        var query = UriComponentsBuilder.fromUri(session.getUri()).build().getQueryParams();
        if (games.benches() >= MOST) {
            session.close(
                    CloseStatus.SERVICE_OVERLOAD.withReason(MOST + " benches follow games already; close one of them"));
            return;
        }
        try {
            long project = Long.parseLong(query.getFirst("project"));
            store.get(project);
            games.enter(session.getId(), new Bench(project, life.enter(session), new ConcurrentLinkedQueue<>()));
        } catch (NumberFormatException | Refusal e) {
            session.close(CloseStatus.BAD_DATA.withReason("project: the number of a project"));
        }
    }

    @Override
    protected void handlePongMessage(WebSocketSession session, PongMessage message) {
        life.heard(session);
    }

    @Override
    protected void handleTextMessage(WebSocketSession session, TextMessage message) {
        life.heard(session);
        Bench bench = games.bench(session.getId());
        if (bench == null) {
            return;
        }
        JsonText.Parsed parsed = JsonText.parse(message.getPayload());
        JsonNode node = parsed.node();
        if (parsed.failed()
                || !node.path("is").asString("").equals("want")
                || !node.path("game").isString()
                || !node.path("from").canConvertToLong()
                || !node.path("step").canConvertToInt()) {
            bench.outlet().close(UNKNOWN);
            return;
        }
        games.want(
                bench,
                new Want(
                        node.get("game").stringValue(),
                        node.get("from").longValue(),
                        node.get("step").intValue()));
    }

    @Override
    public void afterConnectionClosed(WebSocketSession session, CloseStatus status) {
        games.leaveBench(session.getId());
        life.leave(session, status);
    }
}
