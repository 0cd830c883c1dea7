package bellrope.server.news;

import bellrope.server.socket.SignsOfLife;
import bellrope.server.store.ProjectStore;
import bellrope.server.store.Refusal;
import java.io.IOException;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.annotation.Configuration;
import org.springframework.web.socket.CloseStatus;
import org.springframework.web.socket.PongMessage;
import org.springframework.web.socket.WebSocketMessage;
import org.springframework.web.socket.WebSocketSession;
import org.springframework.web.socket.config.annotation.EnableWebSocket;
import org.springframework.web.socket.config.annotation.WebSocketConfigurer;
import org.springframework.web.socket.config.annotation.WebSocketHandlerRegistry;
import org.springframework.web.socket.handler.AbstractWebSocketHandler;
import org.springframework.web.util.UriComponentsBuilder;

/** The news socket, {@code /api/news?project=1&reader=…}: nothing upstream, JSON downstream; {@code docs/format/news.md}. */
@Configuration
@EnableWebSocket
class NewsSocket extends AbstractWebSocketHandler implements WebSocketConfigurer {
    static final CloseStatus UNASKED = CloseStatus.NOT_ACCEPTABLE.withReason("nothing is said on this socket");

    private final ProjectStore store;
    private final Readers readers;
    private final int most;
    private final SignsOfLife life;

    /** @param most sockets at once */
    NewsSocket(ProjectStore store, Readers readers, SignsOfLife life, @Value("${bellrope.windows:256}") int most) {
        this.most = most;
        this.life = life;
        this.store = store;
        this.readers = readers;
    }

    /** Pieces of whatever length come as they are, so that an idle socket needs no buffer. */
    @Override
    public boolean supportsPartialMessages() {
        return true;
    }

    @Override
    public void registerWebSocketHandlers(WebSocketHandlerRegistry registry) {
        // The door has looked at Origin already, against the host of the request.
        registry.addHandler(this, "/api/news").setAllowedOriginPatterns("*");
    }

    @Override
    public void afterConnectionEstablished(WebSocketSession session) throws IOException {
        var query = UriComponentsBuilder.fromUri(session.getUri()).build().getQueryParams();
        if (readers.count() >= most) {
            session.close(
                    CloseStatus.SERVICE_OVERLOAD.withReason(most + " windows are open already; close one of them"));
            return;
        }
        try {
            long project = Long.parseLong(query.getFirst("project"));
            store.get(project);
            String name = query.getFirst("reader") == null ? "" : query.getFirst("reader");
            Reader reader = new Reader(project, name, life.enter(session));
            readers.enter(session.getId(), reader);
        } catch (NumberFormatException | Refusal e) {
            session.close(CloseStatus.BAD_DATA.withReason("project: the number of a project"));
        }
    }

    @Override
    public void handleMessage(WebSocketSession session, WebSocketMessage<?> message) {
        life.heard(session);
        Reader reader = readers.of(session.getId());
        if (reader != null && !(message instanceof PongMessage)) {
            reader.outlet().close(UNASKED);
        }
    }

    @Override
    public void afterConnectionClosed(WebSocketSession session, CloseStatus status) {
        readers.leave(session.getId());
        life.leave(session, status);
    }
}
