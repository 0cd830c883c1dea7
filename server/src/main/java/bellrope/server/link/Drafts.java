package bellrope.server.link;

import java.util.LinkedHashMap;
import java.util.Map;
import tools.jackson.databind.JsonNode;

/** What is not saved yet and goes to games all the same: bodies of parts, by the socket of the page that shows them. */
final class Drafts {
    private final Map<String, Shown> shown = new LinkedHashMap<>();

    private record Shown(long project, Map<Long, JsonNode> bodies) {}

    /** Takes all that a page shows unsaved, in place of what it showed before, which it returns. */
    Map<Long, JsonNode> show(String socket, long project, Map<Long, JsonNode> bodies) {
        // What was shown last goes over what others show of the same part.
        Shown before = shown.remove(socket);
        if (!bodies.isEmpty()) {
            shown.put(socket, new Shown(project, bodies));
        }
        return before == null ? Map.of() : before.bodies();
    }

    /** Returns what each page of a project shows unsaved, by its socket; what was shown last is the last. */
    Map<String, Map<Long, JsonNode>> of(long project) {
        Map<String, Map<Long, JsonNode>> all = new LinkedHashMap<>();
        shown.forEach((socket, one) -> {
            if (one.project() == project) {
                all.put(socket, one.bodies());
            }
        });
        return all;
    }
}
