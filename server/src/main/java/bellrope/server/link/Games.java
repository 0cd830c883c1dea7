package bellrope.server.link;

import bellrope.format.json.JsonText;
import bellrope.format.json.LinkJson.Have;
import bellrope.format.json.LinkJson.Look;
import bellrope.server.news.Readers;
import bellrope.server.socket.Outlet;
import bellrope.server.socket.SignsOfLife;
import bellrope.server.store.Refusal;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.ConcurrentSkipListSet;
import java.util.concurrent.Executor;
import java.util.concurrent.TimeUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;
import tools.jackson.databind.JsonNode;

/** Every running game, and every bench that follows games. */
@Component
class Games {
    /** Games that are linked at once. */
    static final int MOST = 16;
    /** Games that are remembered, and for how many minutes after they were lost. */
    private static final int MOST_REMEMBERED = 32;

    private static final long REMEMBERED_MINUTES = 30;
    private static final Logger LOG = LoggerFactory.getLogger(Games.class);

    private final Bundles bundles;
    private final Executor threads;
    private final Readers readers;
    private final Map<String, Running> games = new ConcurrentHashMap<>();
    private final Map<String, Bench> benches = new ConcurrentHashMap<>();
    // Projects whose games have to be sent what changed.
    private final Set<Long> changed = new ConcurrentSkipListSet<>();

    Games(Bundles bundles, Readers readers, SignsOfLife life) {
        this.bundles = bundles;
        this.readers = readers;
        this.threads = life.threads();
        readers.whenChanged(this::changed);
    }

    private void changed(long project) {
        if (changed.add(project)) {
            threads.execute(() -> passOn(project));
        }
    }

    /** A window that follows the games of a project. What it wants and cannot have yet waits here. */
    record Bench(long project, Outlet outlet, ConcurrentLinkedQueue<Want> wants) {
        void text(Object message) {
            outlet.text(JsonText.compact(message));
        }
    }

    /** @param step to which the bench has followed */
    record Want(String instance, long from, int step) {}

    /** What a bench is told of a game. */
    record GameNews(String is, Running.Standing game) {}

    /**
     * What can be asked of a game, and how its subjects look.
     *
     * @param game its instance
     */
    record GameShows(String is, String game, List<String> can, List<Look> looks) {}

    /** A game was asked for something that it cannot do, or is not linked. */
    record NotAsked(String is, String game, String what) {}

    /** @param game its instance */
    record GameGone(String is, String game) {}

    /** @param first number from which on it can be followed */
    record Lost(String is, String game, long first) {}

    /** What a game is sent. */
    record Welcome(String is, long project, String name, long change, String hash, long next) {}

    record WholeBundle(String is, long change, String hash, JsonNode bundle) {}

    record Patched(String is, long from, long change, String hash, JsonNode patch) {}

    record Taken(String is, long next) {}

    record Asked(String is, String what) {}

    // --- games

    /**
     * Lets a game in, or back in.
     *
     * @return null if there are too many
     */
    Running come(String instance, long project, Hello hello, Outlet outlet) {
        forget();
        Have has = bundles.found(project, hello.hash()).orElse(null);
        Running running = games.get(instance);
        if (running != null && running.project() != project) {
            // The same game with another project: what it said was of the other.
            running.unlink();
            forget(running);
            running = null;
        }
        if (running == null) {
            if (games.values().stream().filter(Running::linked).count() >= MOST) {
                return null;
            }
            running = new Running(instance, project, hello.first(), hello.step(), has == null ? 0 : has.change());
            games.put(instance, running);
        }
        Outlet before = running.come(hello.who(), outlet, has, System.nanoTime());
        if (before != null) {
            before.close(LinkSocket.REPLACED);
        }
        Bundles.At now = bundles.now(project);
        running.send(JsonText.compact(new Welcome(
                "welcome",
                project,
                bundles.json(now).path("name").asString(),
                now.have().change(),
                now.have().hash(),
                running.next())));
        bring(running);
        tell(running);
        GameShows shows = shows(running);
        benches.values().stream().filter(b -> b.project() == project).forEach(b -> b.text(shows));
        return running;
    }

    private static GameShows shows(Running running) {
        return new GameShows(
                "shows", running.instance(), running.who().can(), running.who().looks());
    }

    /** Brings a game to the present bundle; to one with drafts not before it has taken the one before. */
    private void bring(Running running) {
        synchronized (running) {
            Bundles.At now = bundles.now(running.project());
            Have has = running.has();
            if (now.have().equals(has) || now.draft() && running.takes(System.nanoTime())) {
                return;
            }
            String text = (has == null ? Optional.<JsonNode>empty() : bundles.since(has, now))
                    .map(patch -> JsonText.compact(new Patched(
                            "patch",
                            has.change(),
                            now.have().change(),
                            now.have().hash(),
                            patch)))
                    .orElseGet(() -> whole(now));
            send(running, text, now);
        }
    }

    private void send(Running running, String text, Bundles.At now) {
        bundles.keep(now);
        running.send(text, now.have(), System.nanoTime());
    }

    private String whole(Bundles.At now) {
        return JsonText.compact(
                new WholeBundle("bundle", now.have().change(), now.have().hash(), bundles.json(now)));
    }

    /** Sends a game the whole bundle, because what it was sent did not fit what it has. */
    void sendWhole(Running running) {
        synchronized (running) {
            Bundles.At now = bundles.now(running.project());
            send(running, whole(now), now);
        }
    }

    private void passOn(long project) {
        changed.remove(project);
        for (Running running : games.values()) {
            if (running.project() == project && running.linked()) {
                try {
                    bring(running);
                    tell(running);
                } catch (Refusal refusal) {
                    LOG.debug("a project went while a game had it", refusal);
                }
            }
        }
    }

    /** Takes what a game said, and passes it on. */
    void said(Running running, long from, int step, List<Running.Entry> entries) {
        running.take(from, step, entries);
        running.send(JsonText.compact(new Taken("taken", running.next())));
        for (Bench bench : benches.values()) {
            if (bench.project() == running.project()) {
                answer(bench);
            }
        }
    }

    /** Notes what a game could not take; empty when it could. What came meanwhile it is sent now. */
    void refused(Running running, String why) {
        running.refused(why);
        bring(running);
        tell(running);
    }

    void leave(Running running, Outlet outlet) {
        if (running.leave(outlet, System.nanoTime())) {
            tell(running);
        }
    }

    private void forget() {
        long now = System.nanoTime();
        games.values().stream()
                .filter(g -> !g.linked() && now - g.lastSign() > TimeUnit.MINUTES.toNanos(REMEMBERED_MINUTES))
                .forEach(this::forget);
        while (games.size() >= MOST_REMEMBERED) {
            Running oldest = games.values().stream()
                    .filter(g -> !g.linked())
                    .min((a, b) -> Long.compare(a.lastSign() - now, b.lastSign() - now))
                    .orElse(null);
            if (oldest == null) {
                return;
            }
            forget(oldest);
        }
    }

    private void forget(Running game) {
        games.remove(game.instance());
        benches.values().stream()
                .filter(b -> b.project() == game.project())
                .forEach(b -> b.text(new GameGone("forgotten", game.instance())));
    }

    // --- benches

    void enter(String socket, Bench bench) {
        benches.put(socket, bench);
        for (Running game : new ArrayList<>(games.values())) {
            if (game.project() == bench.project()) {
                bench.text(new GameNews("game", game.standing()));
                bench.text(shows(game));
            }
        }
    }

    /** Asks a game for something that it said it can do. */
    void ask(Bench bench, String instance, String what) {
        Running game = games.get(instance);
        if (game == null
                || game.project() != bench.project()
                || !game.linked()
                || !game.who().can().contains(what)) {
            bench.text(new NotAsked("not asked", instance, what));
        } else {
            game.send(JsonText.compact(new Asked("asked", what)));
        }
    }

    /**
     * Lets games have all that a page shows unsaved; nothing, when it has gone.
     *
     * @return number of the bundle that they get
     * @throws Refusal if it is wrong, or would leave names that disagree; then they keep what they have
     */
    long show(String socket, long project, Map<Long, JsonNode> bodies) {
        long change = bundles.show(socket, project, bodies).have().change();
        changed(project);
        return change;
    }

    Bench bench(String socket) {
        return benches.get(socket);
    }

    int benches() {
        return benches.size();
    }

    void leaveBench(String socket) {
        benches.remove(socket);
    }

    /** Answers a bench with what a game said from a number on; at once, or when there is something. */
    void want(Bench bench, Want want) {
        bench.wants().removeIf(w -> w.instance().equals(want.instance()));
        bench.wants().add(want);
        answer(bench);
    }

    private void answer(Bench bench) {
        for (Want want : bench.wants()) {
            Running game = games.get(want.instance());
            if (game == null) {
                bench.wants().remove(want);
                continue;
            }
            Said said = game.from(want.from());
            // Whoever takes it away answers it.
            if (said == null && bench.wants().remove(want)) {
                bench.text(new GameNews("game", game.standing()));
                bench.text(new Lost("lost", want.instance(), game.standing().first()));
            } else if (said != null
                    && (!said.entries().isEmpty() || said.step() > want.step())
                    && bench.wants().remove(want)) {
                bench.outlet()
                        .text("{\"is\":\"said\",\"game\":" + JsonText.compact(want.instance()) + ",\"from\":"
                                + said.from() + ",\"step\":" + said.step() + ",\"entries\":["
                                + String.join(",", said.entries()) + "]}");
            }
        }
    }

    private void tell(Running running) {
        GameNews news = new GameNews("game", running.standing());
        benches.values().stream().filter(b -> b.project() == running.project()).forEach(b -> b.text(news));
        // One after the other, so that the last number told is the last that was true.
        synchronized (readers) {
            long linked = games.values().stream()
                    .filter(g -> g.project() == running.project() && g.linked())
                    .count();
            readers.gamesLinked(running.project(), (int) linked);
        }
    }
}
