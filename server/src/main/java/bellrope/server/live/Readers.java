package bellrope.server.live;

import bellrope.server.store.Refusal;
import bellrope.server.store.Snapshot;
import bellrope.server.view.Views.Saved;
import jakarta.annotation.PreDestroy;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.Executor;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.RejectedExecutionException;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/** Everyone who has a stage socket open. */
@Component
public class Readers {
    private static final Logger LOG = LoggerFactory.getLogger(Readers.class);

    private final Set<LiveStage> open = ConcurrentHashMap.newKeySet();
    private final ExecutorService pool = Executors.newCachedThreadPool(work -> {
        Thread thread = new Thread(work, "reader");
        thread.setDaemon(true);
        return thread;
    });

    void enter(LiveStage stage) {
        open.add(stage);
    }

    void leave(LiveStage stage) {
        open.remove(stage);
    }

    Set<LiveStage> all() {
        return open;
    }

    /**
     * Returns a reader's stage.
     *
     * @throws Refusal if that reader has none open
     */
    public LiveStage of(long project, String reader) {
        for (LiveStage stage : open) {
            if (stage.project() == project && stage.reader().equals(reader)) {
                return stage;
            }
        }
        throw Refusal.notThere("open stage of that reader");
    }

    /**
     * Passes on a change: everyone but its author is told, and every stage of the project takes it, each in its own time.
     *
     * @param author the reader who saved; null if unknown
     */
    public void changed(Snapshot after, Saved saved, String author) {
        for (LiveStage stage : open) {
            if (stage.project() == after.id()) {
                if (!stage.reader().equals(author)) {
                    stage.tell(new Message.RevisionSaved("changed", saved));
                }
                take(stage, after);
            }
        }
    }

    /** Passes on that a whole project has been replaced. */
    public void replaced(Snapshot after) {
        for (LiveStage stage : open) {
            if (stage.project() == after.id()) {
                stage.tell(new Message.Word("replaced"));
                take(stage, after);
            }
        }
    }

    private void take(LiveStage stage, Snapshot after) {
        stage.changes(after);
        try {
            pool.execute(stage::retune);
        } catch (RejectedExecutionException e) {
            LOG.debug("the server is closing", e);
        }
    }

    /** Returns the threads that send, and that let stages take changes; as many as there are sockets to hold them up. */
    Executor pool() {
        return pool;
    }

    @PreDestroy
    void stop() {
        pool.shutdownNow();
    }
}
