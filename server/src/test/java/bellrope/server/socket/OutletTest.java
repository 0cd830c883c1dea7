package bellrope.server.socket;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.doAnswer;
import static org.mockito.Mockito.doThrow;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.never;
import static org.mockito.Mockito.timeout;
import static org.mockito.Mockito.verify;

import java.io.IOException;
import java.util.List;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.springframework.web.socket.CloseStatus;
import org.springframework.web.socket.TextMessage;
import org.springframework.web.socket.WebSocketMessage;
import org.springframework.web.socket.WebSocketSession;

class OutletTest {
    private final ExecutorService pool = Executors.newCachedThreadPool();
    private final List<WebSocketMessage<?>> sent = new CopyOnWriteArrayList<>();
    private final CountDownLatch entered = new CountDownLatch(1);
    private final Semaphore arrived = new Semaphore(0);

    @AfterEach
    void stop() {
        pool.shutdownNow();
    }

    private WebSocketSession taking(CountDownLatch gate) throws IOException {
        WebSocketSession session = mock(WebSocketSession.class);
        doAnswer(call -> {
                    entered.countDown();
                    gate.await(10, TimeUnit.SECONDS);
                    sent.add(call.getArgument(0));
                    arrived.release();
                    return null;
                })
                .when(session)
                .sendMessage(any());
        return session;
    }

    @Test
    void aReaderThatTakesNothingHoldsUpNobodyAndGetsEverythingInOrder() throws Exception {
        CountDownLatch gate = new CountDownLatch(1);
        Outlet outlet = new Outlet(taking(gate), pool);
        outlet.text("first");
        assertThat(entered.await(10, TimeUnit.SECONDS))
                .as("the first is on its way")
                .isTrue();
        // Returns at once, though nothing is taken: a hundred times, in the thread of whoever saves.
        for (int i = 0; i < 100; i++) {
            outlet.text("change " + i);
        }
        gate.countDown();
        assertThat(arrived.tryAcquire(101, 10, TimeUnit.SECONDS)).isTrue();
        assertThat(sent).extracting(m -> ((TextMessage) m).getPayload()).startsWith("first", "change 0", "change 1");
        assertThat(sent).hasSize(101);
    }

    @Test
    void oneForWhomTooMuchWaitsIsDisconnected() throws Exception {
        CountDownLatch gate = new CountDownLatch(1);
        WebSocketSession session = taking(gate);
        Outlet outlet = new Outlet(session, pool);
        for (int i = 0; i <= Outlet.MOST_TEXTS + 1; i++) {
            outlet.text("x");
        }
        assertThat(outlet.closed()).isTrue();
        verify(session, timeout(5000)).close(Outlet.TOO_SLOW);
        gate.countDown();
        outlet.text("nobody hears this");
        assertThat(sent).doesNotContain(new TextMessage("nobody hears this"));
    }

    @Test
    void aBoundByWeightHoldsToo() throws Exception {
        WebSocketSession session = taking(new CountDownLatch(1));
        Outlet outlet = new Outlet(session, pool);
        String large = "y".repeat(1 << 20);
        for (int i = 0; i < 12; i++) {
            outlet.text(large);
        }
        verify(session, timeout(5000)).close(Outlet.TOO_SLOW);
    }

    @Test
    void aSocketThatThrowsIsClosedOnceAndTheSenderNeverKnows() throws Exception {
        for (Exception failure : List.of(new IOException("gone"), new IllegalStateException("closed"))) {
            WebSocketSession session = mock(WebSocketSession.class);
            doThrow(failure).when(session).sendMessage(any());
            doThrow(new IOException("gone already")).when(session).close(any());
            Outlet outlet = new Outlet(session, pool);
            outlet.text("a");
            verify(session, timeout(5000)).close(CloseStatus.SESSION_NOT_RELIABLE);
            outlet.text("b");
            outlet.close(CloseStatus.NORMAL);
            assertThat(outlet.closed()).isTrue();
            verify(session, never()).close(CloseStatus.NORMAL);
        }
    }

    @Test
    void aPoolThatIsShutDownIsNoError() throws Exception {
        pool.shutdownNow();
        Outlet outlet = new Outlet(taking(new CountDownLatch(0)), pool);
        outlet.text("late");
        outlet.close(CloseStatus.GOING_AWAY);
        assertThat(sent).isEmpty();
    }
}
