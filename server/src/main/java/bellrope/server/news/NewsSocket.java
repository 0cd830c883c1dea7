package bellrope.server.news;

import bellrope.server.store.ProjectStore;
import bellrope.server.store.Refusal;
import jakarta.annotation.PreDestroy;
import java.io.IOException;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
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
    /** Seconds between two questions whether the other side is still there, and without a sign of it until it is given up. */
    private static final int ASKED_EACH = 10;

    private static final int LOST_AFTER = 30;
    static final CloseStatus LOST = CloseStatus.GOING_AWAY.withReason("no sign of life for " + LOST_AFTER + " s");
    static final CloseStatus UNASKED = CloseStatus.NOT_ACCEPTABLE.withReason("nothing is said on this socket");

    private final ProjectStore store;
    private final Readers readers;
    private final int most;
    private final Map<String, Heard> heard = new ConcurrentHashMap<>();
    private final ScheduledExecutorService clock = Executors.newSingleThreadScheduledExecutor(work -> {
        Thread thread = new Thread(work, "news clock");
        thread.setDaemon(true);
        return thread;
    });

    /** When a socket last gave a sign of life. */
    private record Heard(Reader reader, long at) {}

    /** @param most sockets at once */
    NewsSocket(ProjectStore store, Readers readers, @Value("${bellrope.windows:256}") int most) {
        this.most = most;
        this.store = store;
        this.readers = readers;
        clock.scheduleAtFixedRate(this::ask, ASKED_EACH, ASKED_EACH, TimeUnit.SECONDS);
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

    private void ask() {
        long now = System.nanoTime();
        for (Heard one : heard.values()) {
            if (now - one.at() > TimeUnit.SECONDS.toNanos(LOST_AFTER)) {
                one.reader().outlet().close(LOST);
            } else {
                one.reader().outlet().ping();
            }
        }
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
            Reader reader = new Reader(project, name, new Outlet(session, readers.pool()));
            heard.put(session.getId(), new Heard(reader, System.nanoTime()));
            readers.enter(session.getId(), reader);
        } catch (NumberFormatException | Refusal e) {
            session.close(CloseStatus.BAD_DATA.withReason("project: the number of a project"));
        }
    }

    @Override
    public void handleMessage(WebSocketSession session, WebSocketMessage<?> message) {
        Heard now =
                heard.computeIfPresent(session.getId(), (id, before) -> new Heard(before.reader(), System.nanoTime()));
        if (now != null && !(message instanceof PongMessage)) {
            now.reader().outlet().close(UNASKED);
        }
    }

    @Override
    public void afterConnectionClosed(WebSocketSession session, CloseStatus status) {
        heard.remove(session.getId());
        Reader reader = readers.leave(session.getId());
        if (reader != null) {
            reader.outlet().close(status);
        }
    }

    @PreDestroy
    void stop() {
        clock.shutdownNow();
    }
}
