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

    /** Returns what all pages of a project show unsaved, by part. */
    Map<Long, JsonNode> of(long project) {
        Map<Long, JsonNode> all = new LinkedHashMap<>();
        for (Shown one : shown.values()) {
            if (one.project() == project) {
                all.putAll(one.bodies());
            }
        }
        return all;
    }
}
