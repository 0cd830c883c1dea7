package bellrope.link;

import bellrope.core.project.Project;
import bellrope.core.value.Refused;
import bellrope.format.json.Bundle;
import bellrope.format.json.JsonText;
import bellrope.format.json.JsonValue;
import bellrope.format.json.LinkJson;
import bellrope.format.json.LinkJson.By;
import bellrope.format.link.BundleHash;
import bellrope.format.link.Patch;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.WebSocket;
import java.time.Duration;
import java.util.ArrayDeque;
import java.util.UUID;
import java.util.concurrent.CompletionStage;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.concurrent.atomic.AtomicLong;
import java.util.concurrent.atomic.AtomicReference;
import java.util.concurrent.locks.LockSupport;
import java.util.function.Function;
import tools.jackson.databind.JsonNode;

/**
 * The thread beside the game: makes JSON of what was said, sends it in pieces, keeps it until the server has taken it, and comes
 * back when the server was away. What arrives is read on a thread of the socket.
 */
final class Link {
    /** Things said that are kept while nobody takes them; beyond them the oldest are dropped and counted. */
    static final int MOST_KEPT = 50_000;
    /** Things said that wait for the thread, and that are sent in one message. */
    private static final int MOST_WAITING = 100_000;

    private static final int MOST_AT_ONCE = 1_000;
    /** Things that a bench asked for and that the game has not come to. */
    private static final int MOST_ASKED = 100;

    private static final int MOST_CHARACTERS = 200_000;
    /** Characters of what a server sends at once. */
    private static final int MOST_RECEIVED = 48 << 20;

    private static final long LOOK_EACH = TimeUnit.MILLISECONDS.toNanos(10);
    private static final long SOONEST_AGAIN = 250;
    private static final long LATEST_AGAIN = 5_000;

    private final String game;
    private final String contract;
    private final URI server;
    private final LinkListener listener;
    private final String instance = UUID.randomUUID().toString();
    private final String source = "/games/" + instance;
    private final HttpClient client =
            HttpClient.newBuilder().connectTimeout(Duration.ofSeconds(5)).build();
    private final Thread thread = new Thread(this::run, "bellrope link");

    // From the game's thread.
    private final ConcurrentLinkedQueue<Act> waiting = new ConcurrentLinkedQueue<>();
    private final AtomicInteger waitingCount = new AtomicInteger();
    private volatile int step;
    private volatile boolean closing;
    private final CountDownLatch closed = new CountDownLatch(1);

    // To the game's thread.
    private final AtomicReference<Changed> changed = new AtomicReference<>();
    private final ConcurrentLinkedQueue<String> asked = new ConcurrentLinkedQueue<>();
    private volatile boolean linked;
    private final AtomicLong dropped = new AtomicLong();

    // Of the link's own thread; what sockets do to them they do under this lock.
    private final ArrayDeque<Entry> kept = new ArrayDeque<>();
    private long first = 1;
    private long sent;
    private volatile int stepSent = -1;
    // What is sent besides; only one thread may send.
    private final ConcurrentLinkedQueue<JsonValue> words = new ConcurrentLinkedQueue<>();

    // Of the socket's thread.
    private JsonNode json;
    private String hash;

    /** Something that the game did, and on which step. */
    private record Act(int step, Function<By, JsonValue> entry) {}

    /** The same as it is sent. */
    private record Entry(int step, String text) {}

    /** A bundle that changed, for the game to take. */
    record Changed(Project project, long change) {}

    Link(Project bundle, String game, String contract, URI server, LinkListener listener) {
        this.game = game;
        this.contract = contract;
        this.server = server;
        this.listener = listener;
        thread.setDaemon(true);
        has(Bundle.write(bundle));
    }

    private void has(String text) {
        json = JsonText.parse(text).node();
        hash = BundleHash.of(text);
    }

    void start() {
        thread.start();
    }

    // --- the game's thread

    void say(int now, Function<By, JsonValue> entry) {
        if (waitingCount.incrementAndGet() > MOST_WAITING) {
            // The thread has not come to it for a long time; what is older goes.
            if (waiting.poll() != null) {
                waitingCount.decrementAndGet();
                dropped.incrementAndGet();
            }
        }
        waiting.add(new Act(now, entry));
        LockSupport.unpark(thread);
    }

    void at(int now) {
        step = now;
    }

    Changed takeChanged() {
        return changed.get() == null ? null : changed.getAndSet(null);
    }

    /** Tells the listener what benches have asked for. */
    void tellAsked() {
        for (String what = asked.poll(); what != null; what = asked.poll()) {
            listener.asked(what);
        }
    }

    boolean linked() {
        return linked;
    }

    long dropped() {
        return dropped.get();
    }

    void close() {
        closing = true;
        LockSupport.unpark(thread);
        try {
            closed.await(1, TimeUnit.SECONDS);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    // --- the link's thread

    private void run() {
        long again = SOONEST_AGAIN;
        boolean told = false;
        try {
            while (!closing) {
                Socket socket = new Socket();
                String why;
                try {
                    WebSocket open = client.newWebSocketBuilder()
                            .connectTimeout(Duration.ofSeconds(5))
                            .buildAsync(server, socket)
                            .get(6, TimeUnit.SECONDS);
                    why = serve(open, socket);
                    open.abort();
                } catch (ExecutionException | TimeoutException e) {
                    why = "no server at " + server.getHost() + ":" + server.getPort();
                }
                if (linked) {
                    again = SOONEST_AGAIN;
                    told = false;
                }
                linked = false;
                if (!told && !closing) {
                    told = true;
                    listener.unlinked(why);
                }
                long until = System.nanoTime() + TimeUnit.MILLISECONDS.toNanos(again);
                while (!closing && System.nanoTime() < until) {
                    keep();
                    LockSupport.parkNanos(this, TimeUnit.MILLISECONDS.toNanos(50));
                }
                again = Math.min(LATEST_AGAIN, 2 * again);
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        } finally {
            closed.countDown();
        }
    }

    // Until the socket is lost; returns why.
    private String serve(WebSocket open, Socket socket) throws InterruptedException {
        keep();
        words.clear();
        synchronized (kept) {
            int from = kept.isEmpty() ? step : kept.peek().step();
            words.add(LinkJson.hello(game, instance, contract, hash, first, from, listener.can(), listener.looks()));
        }
        try {
            while (socket.over == null) {
                for (JsonValue word = words.poll(); word != null; word = words.poll()) {
                    send(open, JsonText.line(word).strip());
                }
                keep();
                if (linked) {
                    sendNews(open);
                }
                if (closing && waiting.isEmpty() && (!linked || sent == next() - 1)) {
                    open.sendClose(WebSocket.NORMAL_CLOSURE, "the game ends").get(1, TimeUnit.SECONDS);
                    return "the game ends";
                }
                LockSupport.parkNanos(this, LOOK_EACH);
            }
            return socket.over;
        } catch (ExecutionException | TimeoutException e) {
            return "the server was lost";
        }
    }

    private long next() {
        synchronized (kept) {
            return first + kept.size();
        }
    }

    // Makes JSON of what the game said.
    private void keep() {
        for (Act act = waiting.poll(); act != null; act = waiting.poll()) {
            waitingCount.decrementAndGet();
            synchronized (kept) {
                By by = new By(source, first + kept.size(), act.step());
                kept.add(new Entry(
                        act.step(), JsonText.line(act.entry().apply(by)).strip()));
                if (kept.size() > MOST_KEPT) {
                    kept.remove();
                    first++;
                    dropped.incrementAndGet();
                }
            }
        }
    }

    private void sendNews(WebSocket open) throws InterruptedException, ExecutionException, TimeoutException {
        // Whatever was said by a step is in what is sent before that step is told.
        int now = step;
        keep();
        while (true) {
            StringBuilder text = new StringBuilder("{\"is\":\"said\",\"from\":");
            int count = 0;
            boolean more = false;
            synchronized (kept) {
                sent = Math.max(sent, first - 1);
                long from = sent + 1;
                text.append(from).append(",\"entries\":[");
                int skip = (int) (from - first);
                for (Entry entry : kept) {
                    if (skip > 0) {
                        skip--;
                    } else if (count == MOST_AT_ONCE || text.length() > MOST_CHARACTERS) {
                        more = true;
                        break;
                    } else {
                        text.append(count++ == 0 ? "" : ",").append(entry.text());
                    }
                }
            }
            if (count == 0 && now == stepSent) {
                return;
            }
            text.append("],\"step\":")
                    .append(more ? Math.max(0, stepSent) : now)
                    .append('}');
            send(open, text);
            synchronized (kept) {
                sent += count;
            }
            stepSent = more ? stepSent : now;
            if (!more) {
                return;
            }
        }
    }

    private static void send(WebSocket open, CharSequence text)
            throws InterruptedException, ExecutionException, TimeoutException {
        open.sendText(text, true).get(10, TimeUnit.SECONDS);
    }

    // --- the socket's thread

    private final class Socket implements WebSocket.Listener {
        private final StringBuilder text = new StringBuilder();
        private volatile String over;

        private void end(String why) {
            over = why;
            LockSupport.unpark(thread);
        }

        @Override
        public CompletionStage<?> onText(WebSocket open, CharSequence data, boolean last) {
            text.append(data);
            if (text.length() > MOST_RECEIVED) {
                open.abort();
                end("the server sent too much at once");
                return null;
            }
            if (last) {
                String whole = text.toString();
                text.setLength(0);
                try {
                    receive(JsonText.parse(whole));
                } catch (RuntimeException e) {
                    listener.wrong("a message of the server could not be followed: " + e.getMessage());
                }
            }
            open.request(1);
            return null;
        }

        @Override
        public CompletionStage<?> onClose(WebSocket open, int code, String why) {
            end(why.isEmpty() ? "the server ended the link" : "the server ended the link: " + why);
            return null;
        }

        @Override
        public void onError(WebSocket open, Throwable error) {
            end("the server was lost");
        }
    }

    private void say(JsonValue word) {
        words.add(word);
        LockSupport.unpark(thread);
    }

    private void receive(JsonText.Parsed parsed) {
        JsonNode message = parsed.failed() ? null : parsed.node();
        String is = message == null ? "" : message.path("is").asString("");
        switch (is) {
            case "welcome" -> {
                taken(message.path("next").asLong(1));
                synchronized (kept) {
                    sent = Math.max(first, message.path("next").asLong(1)) - 1;
                }
                stepSent = -1;
                linked = true;
                listener.linked(message.path("name").asString(""));
                LockSupport.unpark(thread);
            }
            case "taken" -> taken(message.path("next").asLong(0));
            case "asked" -> {
                if (asked.size() < MOST_ASKED) {
                    asked.add(message.path("what").asString(""));
                }
            }
            case "bundle" -> bundle(message, message.path("bundle"), true);
            case "patch" -> {
                try {
                    bundle(message, Patch.apply(json, message.path("patch")), false);
                } catch (Refused refused) {
                    say(LinkJson.word("want"));
                }
            }
            case "wrong" ->
                listener.wrong("the server could not read what was said: "
                        + message.path("place").asString("") + ": "
                        + message.path("given").asString("") + "; allowed is "
                        + message.path("allowed").asString(""));
            // A later server may have more to say.
            default -> {}
        }
    }

    private void taken(long next) {
        synchronized (kept) {
            while (first < next && !kept.isEmpty()) {
                kept.remove();
                first++;
            }
        }
    }

    private void bundle(JsonNode message, JsonNode bundle, boolean whole) {
        Bundle.Read<Project> read = Bundle.read(bundle);
        String text = read.value().map(Bundle::write).orElse("");
        if (read.value().isPresent()
                && BundleHash.of(text).equals(message.path("hash").asString(""))) {
            json = bundle;
            hash = BundleHash.of(text);
            changed.set(new Changed(read.value().get(), message.path("change").asLong()));
            say(LinkJson.word("taken"));
        } else if (!whole) {
            say(LinkJson.word("want"));
        } else {
            // The game keeps what it has.
            String why = read.problems().isEmpty()
                    ? "its hash is another than was said"
                    : read.problems().get(0).place() + ": "
                            + read.problems().get(0).given() + "; allowed is "
                            + read.problems().get(0).allowed();
            listener.wrong("a bundle could not be taken: " + why);
            say(LinkJson.refused(why));
        }
    }
}
