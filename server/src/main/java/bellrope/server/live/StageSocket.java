package bellrope.server.live;

import bellrope.core.stage.Stage;
import bellrope.core.value.Problem;
import bellrope.format.json.JsonText;
import bellrope.server.store.ProjectStore;
import bellrope.server.store.Refusal;
import jakarta.annotation.PreDestroy;
import java.io.IOException;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.annotation.Configuration;
import org.springframework.web.socket.CloseStatus;
import org.springframework.web.socket.PongMessage;
import org.springframework.web.socket.TextMessage;
import org.springframework.web.socket.WebSocketSession;
import org.springframework.web.socket.config.annotation.EnableWebSocket;
import org.springframework.web.socket.config.annotation.WebSocketConfigurer;
import org.springframework.web.socket.config.annotation.WebSocketHandlerRegistry;
import org.springframework.web.socket.handler.TextWebSocketHandler;
import org.springframework.web.util.UriComponentsBuilder;
import tools.jackson.databind.json.JsonMapper;

/**
 * The stage socket, {@code /api/stage?project=1&reader=…}: JSON upstream, binary frames and JSON downstream. Described in
 * {@code docs/format/frames.md}.
 */
@Configuration
@EnableWebSocket
class StageSocket extends TextWebSocketHandler implements WebSocketConfigurer {
    private static final Logger LOG = LoggerFactory.getLogger(StageSocket.class);
    /** Characters of one message. */
    private static final int MOST_TEXT = 1 << 20;
    /** Sockets at once. */
    static final int MOST_SOCKETS = 64;

    /** Seconds between two questions whether the other side is still there, and without a sign of it until it is given up. */
    private static final int ASKED_EACH = 10;

    private static final int LOST_AFTER = 30;
    static final CloseStatus TOO_MANY =
            CloseStatus.SERVICE_OVERLOAD.withReason(MOST_SOCKETS + " windows are open already; close one of them");
    static final CloseStatus LOST = CloseStatus.GOING_AWAY.withReason("no sign of life for " + LOST_AFTER + " s");

    private final ProjectStore store;
    private final Readers readers;
    private final JsonMapper json;
    private final Map<String, Open> sockets = new ConcurrentHashMap<>();

    /** One socket: its stage, what has come of a message that is not whole yet, and when it was last heard of. */
    private static final class Open {
        private final LiveStage stage;
        private final StringBuilder partial = new StringBuilder();
        private boolean tooLong;
        private volatile long heard = System.nanoTime();

        private Open(LiveStage stage) {
            this.stage = stage;
        }
    }

    private final ScheduledExecutorService clock = Executors.newSingleThreadScheduledExecutor(work -> {
        Thread thread = new Thread(work, "stage clock");
        thread.setDaemon(true);
        return thread;
    });

    StageSocket(ProjectStore store, Readers readers, JsonMapper json) {
        this.store = store;
        this.readers = readers;
        this.json = json;
        clock.scheduleAtFixedRate(this::tick, 0, 1_000_000 / 60, TimeUnit.MICROSECONDS);
        clock.scheduleAtFixedRate(this::ask, ASKED_EACH, ASKED_EACH, TimeUnit.SECONDS);
    }

    /** Messages come in pieces of a few KB, so that an idle socket costs no more than that. */
    @Override
    public boolean supportsPartialMessages() {
        return true;
    }

    @Override
    public void registerWebSocketHandlers(WebSocketHandlerRegistry registry) {
        // The door has looked at Origin already, against the host of the request.
        registry.addHandler(this, "/api/stage").setAllowedOriginPatterns("*");
    }

    // An error that gets here would stop the clock for everyone, and none may.
    private void tick() {
        for (LiveStage stage : readers.all()) {
            try {
                stage.tick();
            } catch (RuntimeException | Error e) {
                LOG.error("the clock failed for one stage", e);
            }
        }
    }

    private void ask() {
        long now = System.nanoTime();
        for (Open open : sockets.values()) {
            if (now - open.heard > TimeUnit.SECONDS.toNanos(LOST_AFTER)) {
                open.stage.outlet().close(LOST);
            } else {
                open.stage.outlet().ping();
            }
        }
    }

    @Override
    public void afterConnectionEstablished(WebSocketSession session) throws IOException {
        var query = UriComponentsBuilder.fromUri(session.getUri()).build().getQueryParams();
        if (sockets.size() >= MOST_SOCKETS) {
            session.close(TOO_MANY);
            return;
        }
        try {
            long project = Long.parseLong(query.getFirst("project"));
            String reader = query.getFirst("reader") == null ? "" : query.getFirst("reader");
            Outlet outlet = new Outlet(session, readers.pool());
            LiveStage stage = new LiveStage(outlet, json, reader, store.get(project), Stage::new);
            sockets.put(session.getId(), new Open(stage));
            readers.enter(stage);
            stage.tell(new Message.Word("ready"));
        } catch (NumberFormatException | Refusal e) {
            session.close(CloseStatus.BAD_DATA.withReason("project: the number of a project"));
        }
    }

    @Override
    protected void handlePongMessage(WebSocketSession session, PongMessage message) {
        Open open = sockets.get(session.getId());
        if (open != null) {
            open.heard = System.nanoTime();
        }
    }

    @Override
    protected void handleTextMessage(WebSocketSession session, TextMessage message) {
        Open open = sockets.get(session.getId());
        if (open == null) {
            return;
        }
        open.heard = System.nanoTime();
        open.tooLong |= open.partial.length() + message.getPayloadLength() > MOST_TEXT;
        if (!open.tooLong) {
            open.partial.append(message.getPayload());
        }
        if (!message.isLast()) {
            return;
        }
        String whole = open.partial.toString();
        boolean tooLong = open.tooLong;
        open.partial.setLength(0);
        if (whole.length() > 1 << 16) {
            open.partial.trimToSize();
        }
        open.tooLong = false;
        if (tooLong) {
            open.stage.tell(new Message.MessageRefused(
                    "refused",
                    "The message is too long.",
                    List.of(new Problem("", "more than " + MOST_TEXT + " characters", "at most " + MOST_TEXT))));
            return;
        }
        JsonText.Parsed parsed = JsonText.parse(whole);
        if (parsed.failed()) {
            open.stage.tell(new Message.MessageRefused("refused", "A message is JSON.", parsed.problems()));
        } else {
            open.stage.receive(parsed.node());
        }
    }

    @Override
    public void afterConnectionClosed(WebSocketSession session, CloseStatus status) {
        Open open = sockets.remove(session.getId());
        if (open != null) {
            readers.leave(open.stage);
            open.stage.outlet().close(status);
        }
    }

    @PreDestroy
    void stop() {
        clock.shutdownNow();
    }
}
