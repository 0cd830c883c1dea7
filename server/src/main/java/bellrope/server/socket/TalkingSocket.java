package bellrope.server.socket;

import java.util.Optional;
import java.util.function.Supplier;
import org.springframework.util.MultiValueMap;
import org.springframework.web.socket.CloseStatus;
import org.springframework.web.socket.PongMessage;
import org.springframework.web.socket.TextMessage;
import org.springframework.web.socket.WebSocketSession;
import org.springframework.web.socket.config.annotation.WebSocketConfigurer;
import org.springframework.web.socket.config.annotation.WebSocketHandlerRegistry;
import org.springframework.web.socket.handler.TextWebSocketHandler;
import org.springframework.web.util.UriComponentsBuilder;

/** A kind of socket on which the other side speaks too: in texts, each whole and up to a bound. */
public abstract class TalkingSocket extends TextWebSocketHandler implements WebSocketConfigurer {
    private final SignsOfLife life;
    private final String path;
    private final int mostBytes;

    /** @param mostBytes of one text */
    protected TalkingSocket(SignsOfLife life, String path, int mostBytes) {
        this.life = life;
        this.path = path;
        this.mostBytes = mostBytes;
    }

    /**
     * Lets a socket in.
     *
     * @param query of its address, as it came
     * @param outlet makes what goes down it, for one that is let in
     * @return why it is closed at once; empty where it was let in
     */
    protected abstract Optional<CloseStatus> admit(
            String socket, MultiValueMap<String, String> query, Supplier<Outlet> outlet);

    /** Takes a text of a socket that was let in, or is closing. */
    protected abstract void said(String socket, String text);

    /** Forgets a socket. */
    protected abstract void left(String socket);

    @Override
    public void registerWebSocketHandlers(WebSocketHandlerRegistry registry) {
        // The door has looked at Origin already, against the host of the request.
        registry.addHandler(this, path).setAllowedOriginPatterns("*");
    }

    @Override
    public void afterConnectionEstablished(WebSocketSession session) throws Exception {
        session.setTextMessageSizeLimit(mostBytes);
        MultiValueMap<String, String> query =
                UriComponentsBuilder.fromUri(session.getUri()).build().getQueryParams();
        Optional<CloseStatus> why = admit(session.getId(), query, () -> life.enter(session));
        if (why.isPresent()) {
            session.close(why.get());
        }
    }

    @Override
    protected void handlePongMessage(WebSocketSession session, PongMessage message) {
        life.heard(session);
    }

    @Override
    protected void handleTextMessage(WebSocketSession session, TextMessage message) {
        life.heard(session);
        said(session.getId(), message.getPayload());
    }

    @Override
    public void afterConnectionClosed(WebSocketSession session, CloseStatus status) {
        left(session.getId());
        life.leave(session, status);
    }
}
