package bellrope.server.link;

import bellrope.format.json.Bundle;
import bellrope.format.json.JsonText;
import bellrope.format.json.LinkJson.Have;
import bellrope.format.link.BundleHash;
import bellrope.format.link.Patch;
import bellrope.server.store.ProjectStore;
import bellrope.server.store.Snapshot;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;
import tools.jackson.databind.JsonNode;

/** The bundles of projects as they stood lately, for whoever has one of them and wants what changed since. */
@Component
class Bundles {
    /** Bundles kept of one project, and characters of them. */
    static final int MOST = 64;

    private static final long MOST_CHARACTERS = 16 << 20;
    /** Bundles that are kept parsed: what a game has, and what it gets. */
    private static final int MOST_PARSED = 4;

    private final ProjectStore store;
    private final Map<Long, Kept> kept = new HashMap<>();
    private final Map<Have, JsonNode> parsed = new LinkedHashMap<>(8, 0.75f, true) {
        @Override
        protected boolean removeEldestEntry(Map.Entry<Have, JsonNode> eldest) {
            return size() > MOST_PARSED;
        }
    };

    Bundles(ProjectStore store) {
        this.store = store;
    }

    /** A bundle, as it stood after a change. */
    record At(long project, Have have, String text) {}

    private static final class Kept {
        final LinkedHashMap<Long, At> byChange = new LinkedHashMap<>();
        long characters;
    }

    /** Returns the bundle of a project as it stands. */
    synchronized At now(long project) {
        Snapshot snapshot = store.get(project);
        Kept of = kept.computeIfAbsent(project, p -> new Kept());
        At known = of.byChange.get(snapshot.change());
        if (known != null) {
            return known;
        }
        String text = Bundle.write(snapshot.project());
        At at = new At(project, new Have(snapshot.change(), BundleHash.of(text)), text);
        of.byChange.put(snapshot.change(), at);
        of.characters += text.length();
        while (of.byChange.size() > MOST || of.byChange.size() > 1 && of.characters > MOST_CHARACTERS) {
            of.characters -= of.byChange
                    .remove(of.byChange.keySet().iterator().next())
                    .text()
                    .length();
        }
        return at;
    }

    /** Returns the bundle as it stood after a change; empty where it is not kept. */
    synchronized Optional<At> at(long project, long change) {
        At now = now(project);
        return Optional.ofNullable(kept.get(now.project()).byChange.get(change));
    }

    /** Returns a bundle that is kept by its hash. */
    synchronized Optional<At> found(long project, String hash) {
        now(project);
        return kept.get(project).byChange.values().stream()
                .filter(at -> at.have().hash().equals(hash))
                .reduce((one, later) -> later);
    }

    synchronized JsonNode json(At at) {
        return parsed.computeIfAbsent(at.have(), h -> JsonText.parse(at.text()).node());
    }

    /** Returns what makes of the bundle that someone has another one; empty where it is not kept. */
    Optional<JsonNode> since(Have have, At now) {
        return at(now.project(), have.change()).map(then -> Patch.between(json(then), json(now)));
    }
}
