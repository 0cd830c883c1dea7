package bellrope.server.link;

import bellrope.server.socket.Outlet;
import bellrope.server.socket.SignsOfLife;
import bellrope.server.socket.TalkingSocket;
import bellrope.server.store.ProjectStore;
import bellrope.server.store.Refusal;
import java.util.Optional;
import java.util.function.Supplier;
import org.springframework.util.MultiValueMap;
import org.springframework.web.socket.CloseStatus;

/** A kind of socket by which pages speak of one project, {@code ?project=1}; of so many at once. */
abstract class PageSocket extends TalkingSocket {
    private static final int MOST = 64;
    private static final CloseStatus NO_PROJECT = CloseStatus.BAD_DATA.withReason("project: the number of a project");

    private final ProjectStore store;
    private final CloseStatus full;

    /** @param what its pages do, such as {@code send drafts} */
    PageSocket(ProjectStore store, SignsOfLife life, String path, int mostBytes, String what) {
        super(life, path, mostBytes);
        this.store = store;
        this.full = CloseStatus.SERVICE_OVERLOAD.withReason(MOST + " pages " + what + " already; close one of them");
    }

    /** Returns how many there are. */
    abstract int open();

    /** Lets a page in. */
    abstract void enter(String socket, long project, Outlet outlet);

    @Override
    protected Optional<CloseStatus> admit(String socket, MultiValueMap<String, String> query, Supplier<Outlet> outlet) {
        if (open() >= MOST) {
            return Optional.of(full);
        }
        try {
            long project = Long.parseLong(query.getFirst("project"));
            store.get(project);
            enter(socket, project, outlet.get());
            return Optional.empty();
        } catch (NumberFormatException | Refusal e) {
            return Optional.of(NO_PROJECT);
        }
    }
}
