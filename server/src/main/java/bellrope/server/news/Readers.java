package bellrope.server.news;

import bellrope.server.view.Views.Saved;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.function.LongConsumer;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/** Every window that hears of changes, by its socket. */
@Component
public class Readers {
    private final JsonMapper json;
    private final Map<String, Reader> open = new ConcurrentHashMap<>();
    private final Map<Long, Integer> linked = new ConcurrentHashMap<>();
    private final List<LongConsumer> listeners = new CopyOnWriteArrayList<>();

    Readers(JsonMapper json) {
        this.json = json;
    }

    void enter(String socket, Reader reader) {
        open.put(socket, reader);
        tell(reader, new Message.Word("ready"));
        int games = linked.getOrDefault(reader.project(), 0);
        if (games > 0) {
            tell(reader, new Message.GamesLinked("games", games));
        }
    }

    /** Returns whom a socket belongs to; null if it never got in. */
    Reader of(String socket) {
        return open.get(socket);
    }

    void leave(String socket) {
        open.remove(socket);
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
        listeners.forEach(l -> l.accept(project));
    }

    /** Passes on that a whole project has been replaced. */
    public void replaced(long project) {
        toAll(project, new Message.Word("replaced"));
        listeners.forEach(l -> l.accept(project));
    }

    private void tell(Reader reader, Message message) {
        reader.outlet().text(json.writeValueAsString(message));
    }

    /** Passes on how many running games are linked with a project. */
    public void gamesLinked(long project, int games) {
        linked.put(project, games);
        toAll(project, new Message.GamesLinked("games", games));
    }

    private void toAll(long project, Message message) {
        for (Reader reader : open.values()) {
            if (reader.project() == project) {
                tell(reader, message);
            }
        }
    }

    /** Has someone told of each project that changes; whoever saves waits for it. */
    public void whenChanged(LongConsumer listener) {
        listeners.add(listener);
    }
}
