package bellrope.server.socket;

import jakarta.annotation.PreDestroy;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.Executor;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import org.springframework.stereotype.Component;
import org.springframework.web.socket.CloseStatus;
import org.springframework.web.socket.WebSocketSession;

/** Every socket that is open: each is asked whether its other side is still there, and given up when it does not answer. */
@Component
public class SignsOfLife {
    /** Seconds between two questions whether the other side is still there, and without a sign of it until it is given up. */
    private static final int ASKED_EACH = 10;

    private static final int LOST_AFTER = 30;
    static final CloseStatus LOST = CloseStatus.GOING_AWAY.withReason("no sign of life for " + LOST_AFTER + " s");

    private final Map<String, Sign> signs = new ConcurrentHashMap<>();
    private final ScheduledExecutorService clock =
            Executors.newSingleThreadScheduledExecutor(work -> daemon(work, "signs of life"));
    private final ExecutorService senders = Executors.newCachedThreadPool(work -> daemon(work, "sender"));

    /** When a socket last gave a sign of life. */
    private record Sign(Outlet outlet, long at) {}

    SignsOfLife() {
        clock.scheduleAtFixedRate(this::ask, ASKED_EACH, ASKED_EACH, TimeUnit.SECONDS);
    }

    private static Thread daemon(Runnable work, String name) {
        Thread thread = new Thread(work, name);
        thread.setDaemon(true);
        return thread;
    }

    private void ask() {
        long now = System.nanoTime();
        for (Sign one : signs.values()) {
            if (now - one.at() > TimeUnit.SECONDS.toNanos(LOST_AFTER)) {
                one.outlet().close(LOST);
            } else {
                one.outlet().ping();
            }
        }
    }

    /** Lets a socket in: returns what goes down it. */
    public Outlet enter(WebSocketSession session) {
        Outlet outlet = new Outlet(session, senders);
        signs.put(session.getId(), new Sign(outlet, System.nanoTime()));
        return outlet;
    }

    /** Notes that a socket said something. */
    public void heard(WebSocketSession session) {
        signs.computeIfPresent(session.getId(), (id, before) -> new Sign(before.outlet(), System.nanoTime()));
    }

    /** Forgets a socket that was closed. */
    public void leave(WebSocketSession session, CloseStatus status) {
        Sign gone = signs.remove(session.getId());
        if (gone != null) {
            gone.outlet().close(status);
        }
    }

    /** Returns threads for what need not be waited for; as many as there are sockets to hold them up. */
    public Executor threads() {
        return senders;
    }

    @PreDestroy
    void stop() {
        clock.shutdownNow();
        senders.shutdownNow();
    }
}
