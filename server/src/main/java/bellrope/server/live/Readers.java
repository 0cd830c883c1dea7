package bellrope.server.live;

import bellrope.server.store.Refusal;
import bellrope.server.store.Snapshot;
import bellrope.server.view.Views.Saved;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.stereotype.Component;

/** Everyone who has a stage socket open. */
@Component
public class Readers {
    private final Set<LiveStage> open = ConcurrentHashMap.newKeySet();

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
     * Passes on a change: every stage of the project takes it, and everyone but its author is told.
     *
     * @param author the reader who saved; null if unknown
     */
    public void changed(Snapshot after, Saved saved, String author) {
        for (LiveStage stage : open) {
            if (stage.project() == after.id()) {
                stage.retune(after);
                if (!stage.reader().equals(author)) {
                    stage.tell(new LiveStage.Changed("changed", saved));
                }
            }
        }
    }

    /** Passes on that a whole project has been replaced. */
    public void replaced(Snapshot after) {
        for (LiveStage stage : open) {
            if (stage.project() == after.id()) {
                stage.retune(after);
                stage.tell(new LiveStage.Word("replaced"));
            }
        }
    }
}
