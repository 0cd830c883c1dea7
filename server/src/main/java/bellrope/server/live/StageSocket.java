package bellrope.server.live;

import bellrope.format.json.JsonText;
import bellrope.server.store.ProjectStore;
import bellrope.server.store.Refusal;
import jakarta.annotation.PreDestroy;
import java.io.IOException;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.annotation.Configuration;
import org.springframework.web.socket.CloseStatus;
import org.springframework.web.socket.TextMessage;
import org.springframework.web.socket.WebSocketSession;
import org.springframework.web.socket.config.annotation.EnableWebSocket;
import org.springframework.web.socket.config.annotation.WebSocketConfigurer;
import org.springframework.web.socket.config.annotation.WebSocketHandlerRegistry;
import org.springframework.web.socket.handler.ConcurrentWebSocketSessionDecorator;
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
    private static final int MOST_TEXT = 1 << 20;
    private static final int MOST_WAITING = 16 << 20;

    private final ProjectStore store;
    private final Readers readers;
    private final JsonMapper json;
    private final Map<String, LiveStage> stages = new ConcurrentHashMap<>();
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
    }

    @Override
    public void registerWebSocketHandlers(WebSocketHandlerRegistry registry) {
        // The door has looked at Origin already, against the host of the request.
        registry.addHandler(this, "/api/stage").setAllowedOriginPatterns("*");
    }

    private void tick() {
        for (LiveStage stage : readers.all()) {
            try {
                stage.tick();
            } catch (RuntimeException e) {
                LOG.error("a stage failed; it is closed", e);
                readers.leave(stage);
            }
        }
    }

    @Override
    public void afterConnectionEstablished(WebSocketSession session) throws IOException {
        session.setTextMessageSizeLimit(MOST_TEXT);
        var query = UriComponentsBuilder.fromUri(session.getUri()).build().getQueryParams();
        try {
            long project = Long.parseLong(query.getFirst("project"));
            String reader = query.getFirst("reader") == null ? "" : query.getFirst("reader");
            var quick = new ConcurrentWebSocketSessionDecorator(session, 2000, MOST_WAITING);
            LiveStage stage = new LiveStage(quick, json, reader, store.get(project));
            stages.put(session.getId(), stage);
            readers.enter(stage);
            stage.tell(new LiveStage.Word("ready"));
        } catch (NumberFormatException | Refusal e) {
            session.close(CloseStatus.BAD_DATA.withReason("project: the number of a project"));
        }
    }

    @Override
    protected void handleTextMessage(WebSocketSession session, TextMessage message) {
        LiveStage stage = stages.get(session.getId());
        if (stage == null) {
            return;
        }
        JsonText.Parsed parsed = JsonText.parse(message.getPayload());
        if (parsed.failed()) {
            stage.tell(new LiveStage.Declined("refused", "A message is JSON.", parsed.problems()));
        } else {
            stage.receive(parsed.node());
        }
    }

    @Override
    public void afterConnectionClosed(WebSocketSession session, CloseStatus status) {
        LiveStage stage = stages.remove(session.getId());
        if (stage != null) {
            readers.leave(stage);
        }
    }

    @PreDestroy
    void stop() {
        clock.shutdownNow();
    }
}
