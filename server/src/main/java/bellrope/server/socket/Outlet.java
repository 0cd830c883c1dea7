package bellrope.server.socket;

import java.io.IOException;
import java.util.ArrayDeque;
import java.util.concurrent.Executor;
import java.util.concurrent.RejectedExecutionException;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.web.socket.CloseStatus;
import org.springframework.web.socket.PingMessage;
import org.springframework.web.socket.TextMessage;
import org.springframework.web.socket.WebSocketMessage;
import org.springframework.web.socket.WebSocketSession;

/**
 * What goes down one socket. Whoever has something to send leaves it here and goes on; a thread of the pool sends it, one at a
 * time for each socket. So a reader that takes nothing holds up nobody but its own thread.
 *
 * <p>Texts wait in order, up to a bound; a reader that lets more pile up is disconnected, because it would get a wrong picture
 * of what happened.
 */
public final class Outlet {
    /** A reader was disconnected because it did not read. */
    public static final CloseStatus TOO_SLOW = new CloseStatus(4408, "this reader does not take what it is sent");

    static final int MOST_TEXTS = 2_000;
    /** Characters that wait at most. */
    static final int MOST_WAITING = 8 << 20;

    private static final Logger LOG = LoggerFactory.getLogger(Outlet.class);

    private final WebSocketSession session;
    private final Executor pool;
    private final ArrayDeque<WebSocketMessage<?>> texts = new ArrayDeque<>();
    private int waiting;
    private boolean sending;
    private boolean closed;

    Outlet(WebSocketSession session, Executor pool) {
        this.session = session;
        this.pool = pool;
    }

    /** Sends a text after those that wait. */
    public void text(String text) {
        put(new TextMessage(text), text.length());
    }

    /** Asks the other side for a sign of life. */
    void ping() {
        put(new PingMessage(), 0);
    }

    private void put(WebSocketMessage<?> message, int length) {
        boolean slow;
        synchronized (this) {
            if (closed) {
                return;
            }
            slow = texts.size() >= MOST_TEXTS || waiting + length > MOST_WAITING;
            if (!slow) {
                texts.add(message);
                waiting += length;
            }
        }
        if (slow) {
            close(TOO_SLOW);
        } else {
            wake();
        }
    }

    private void wake() {
        synchronized (this) {
            if (sending || closed) {
                return;
            }
            sending = true;
        }
        try {
            pool.execute(this::send);
        } catch (RejectedExecutionException e) {
            synchronized (this) {
                sending = false;
            }
            LOG.debug("the server is closing", e);
        }
    }

    private void send() {
        while (true) {
            WebSocketMessage<?> next;
            synchronized (this) {
                if (closed || texts.isEmpty()) {
                    sending = false;
                    return;
                }
                next = texts.poll();
                waiting -= next.getPayloadLength();
            }
            try {
                session.sendMessage(next);
            } catch (IOException | RuntimeException e) {
                LOG.debug("a reader left in the middle of a message", e);
                close(CloseStatus.SESSION_NOT_RELIABLE);
            }
        }
    }

    /** Ends the socket and forgets what waits. The socket itself is closed by the pool, since that may take its time. */
    public void close(CloseStatus status) {
        synchronized (this) {
            if (closed) {
                return;
            }
            closed = true;
            texts.clear();
            waiting = 0;
        }
        try {
            pool.execute(() -> {
                try {
                    session.close(status);
                } catch (IOException | RuntimeException e) {
                    LOG.debug("a socket was gone before it was closed", e);
                }
            });
        } catch (RejectedExecutionException e) {
            LOG.debug("the server is closing", e);
        }
    }

    public synchronized boolean closed() {
        return closed;
    }
}
