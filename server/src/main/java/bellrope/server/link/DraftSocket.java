package bellrope.server.link;

import bellrope.format.json.JsonText;
import bellrope.server.socket.Outlet;
import bellrope.server.socket.SignsOfLife;
import bellrope.server.store.ProjectStore;
import bellrope.server.store.Refusal;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.annotation.Configuration;
import org.springframework.web.socket.CloseStatus;
import tools.jackson.databind.JsonNode;

/**
 * The socket by which a page lets running games have what is not saved yet, {@code /api/drafts?project=1}:
 * {@code docs/format/link.md}.
 */
@Configuration
class DraftSocket extends PageSocket {
    private static final Logger LOG = LoggerFactory.getLogger(DraftSocket.class);
    /** Bytes of all that a page shows unsaved, and parts. */
    static final int MOST_BYTES = 1 << 20;

    static final int MOST_PARTS = 100;
    private static final CloseStatus UNKNOWN = CloseStatus.NOT_ACCEPTABLE.withReason(
            "drafts of at most " + MOST_PARTS + " parts are said here, see docs/format/link.md");

    private final Games games;
    private final Map<String, Page> pages = new ConcurrentHashMap<>();

    private record Page(long project, Outlet outlet) {}

    /** What was shown is what games get from now on. */
    record Drafted(String is, long change) {}

    /** What was shown does not go to games, which keep what they have. */
    record NotDrafted(String is, String why) {}

    DraftSocket(ProjectStore store, Games games, SignsOfLife life) {
        super(store, life, "/api/drafts", MOST_BYTES, "send drafts");
        this.games = games;
    }

    @Override
    int open() {
        return pages.size();
    }

    @Override
    void enter(String socket, long project, Outlet outlet) {
        pages.put(socket, new Page(project, outlet));
    }

    @Override
    protected void said(String socket, String text) {
        Page page = pages.get(socket);
        if (page == null) {
            return;
        }
        Optional<Map<Long, JsonNode>> bodies = bodies(JsonText.parse(text));
        if (bodies.isEmpty()) {
            page.outlet().close(UNKNOWN);
            return;
        }
        try {
            long change = games.show(socket, page.project(), bodies.get());
            page.outlet().text(JsonText.compact(new Drafted("drafted", change)));
        } catch (Refusal refusal) {
            page.outlet().text(JsonText.compact(new NotDrafted("not drafted", refusal.getMessage())));
        }
    }

    // Whether a part is one, and its body is right, is looked at with the project.
    private static Optional<Map<Long, JsonNode>> bodies(JsonText.Parsed parsed) {
        JsonNode said = parsed.node();
        if (parsed.failed() || !said.path("is").asString("").equals("drafts")) {
            return Optional.empty();
        }
        JsonNode drafts = said.path("drafts");
        if (!drafts.isArray() || drafts.size() > MOST_PARTS) {
            return Optional.empty();
        }
        Map<Long, JsonNode> bodies = new LinkedHashMap<>();
        for (JsonNode draft : drafts) {
            if (!draft.path("part").canConvertToLong() || !draft.path("body").isObject()) {
                return Optional.empty();
            }
            bodies.put(draft.get("part").longValue(), draft.get("body"));
        }
        return Optional.of(bodies);
    }

    @Override
    protected void left(String socket) {
        Page gone = pages.remove(socket);
        if (gone != null) {
            try {
                games.show(socket, gone.project(), Map.of());
            } catch (Refusal refusal) {
                LOG.debug("a project went before a page that showed it", refusal);
            }
        }
    }
}
