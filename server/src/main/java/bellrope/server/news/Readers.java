package bellrope.server.news;

import bellrope.server.view.Views.Saved;
import jakarta.annotation.PreDestroy;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.Executor;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/** Every window that hears of changes, by its socket. */
@Component
public class Readers {
    private final JsonMapper json;
    private final Map<String, Reader> open = new ConcurrentHashMap<>();
    private final ExecutorService pool = Executors.newCachedThreadPool(work -> {
        Thread thread = new Thread(work, "news");
        thread.setDaemon(true);
        return thread;
    });

    Readers(JsonMapper json) {
        this.json = json;
    }

    void enter(String socket, Reader reader) {
        open.put(socket, reader);
        tell(reader, new Message.Word("ready"));
    }

    /** Returns whom the socket belonged to; null if it never got in. */
    Reader leave(String socket) {
        return open.remove(socket);
    }

    int count() {
        return open.size();
    }

    /**
     * Passes on a change to everyone but its author. Nobody who saves waits for a socket.
     *
     * @param author the reader who saved; null if unknown
     */
    public void changed(long project, Saved saved, String author) {
        Message message = new Message.RevisionSaved("changed", saved);
        for (Reader reader : open.values()) {
            if (reader.project() == project && !reader.name().equals(author)) {
                tell(reader, message);
            }
        }
    }

    /** Passes on that a whole project has been replaced. */
    public void replaced(long project) {
        for (Reader reader : open.values()) {
            if (reader.project() == project) {
                tell(reader, new Message.Word("replaced"));
            }
        }
    }

    private void tell(Reader reader, Message message) {
        reader.outlet().text(json.writeValueAsString(message));
    }

    /** Returns the threads that send; as many as there are sockets to hold them up. */
    Executor pool() {
        return pool;
    }

    @PreDestroy
    void stop() {
        pool.shutdownNow();
    }
}
