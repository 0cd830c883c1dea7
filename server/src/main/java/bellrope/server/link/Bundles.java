package bellrope.server.link;

import bellrope.format.json.Bundle;
import bellrope.format.json.JsonText;
import bellrope.format.json.LinkJson.Have;
import bellrope.format.link.BundleHash;
import bellrope.format.link.Patch;
import bellrope.server.store.ProjectStore;
import bellrope.server.store.Refusal;
import bellrope.server.store.Snapshot;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;
import tools.jackson.databind.JsonNode;

/**
 * The bundles of projects as games shall have them, and had them lately.
 *
 * <p>A bundle as it was saved has the number of its change; one with something in it that is not saved has a number below 0,
 * which no other has had since the server was started.
 */
@Component
class Bundles {
    /** Bundles kept of one project, and bytes of them. */
    static final int MOST = 1_000;

    private static final long MOST_BYTES = 16 << 20;
    /** Bundles that are kept parsed: what a game has, and what it gets. */
    private static final int MOST_PARSED = 4;

    private final ProjectStore store;
    private final Drafts drafts = new Drafts();
    private final Map<Long, Kept> kept = new HashMap<>();
    private final Map<Have, JsonNode> parsed = new LinkedHashMap<>(8, 0.75f, true) {
        @Override
        protected boolean removeEldestEntry(Map.Entry<Have, JsonNode> eldest) {
            return size() > MOST_PARSED;
        }
    };
    private long numbers;

    Bundles(ProjectStore store) {
        this.store = store;
    }

    /** A bundle as it stood once. */
    record At(long project, Have have, String text) {
        /** Whether something in it is not saved. */
        boolean draft() {
            return have.change() < 0;
        }
    }

    private static final class Kept {
        final LinkedHashMap<Long, Packed> byChange = new LinkedHashMap<>();
        long bytes;
        // As it is saved; and with what is not, made of what. The last with something in it that is not.
        At saved;
        At now;
        At draft;
        Map<String, Map<Long, JsonNode>> with = Map.of();
        // What of it does not fit, by the page that shows it.
        final Map<String, Refusal> refused = new HashMap<>();
    }

    /** Returns the bundle that games of a project shall have: as it is saved, with what is drafted as long as that fits. */
    synchronized At now(long project) {
        Snapshot snapshot = store.get(project);
        Kept of = kept.computeIfAbsent(project, p -> new Kept());
        Map<String, Map<Long, JsonNode>> with = drafts.of(project);
        boolean other = of.saved == null || of.saved.have().change() != snapshot.change();
        if (other) {
            String text = Bundle.write(snapshot.project());
            of.saved = new At(project, new Have(snapshot.change(), BundleHash.of(text)), text);
            of.now = of.saved;
            keep(of.saved);
        }
        if (other || !with.equals(of.with)) {
            of.with = with;
            of.refused.clear();
            of.now = with.isEmpty() ? of.saved : with(of, with);
        }
        return of.now;
    }

    // What one page shows and does not fit keeps nothing out that another shows.
    private At with(Kept of, Map<String, Map<Long, JsonNode>> shown) {
        Map<Long, JsonNode> fits = new LinkedHashMap<>();
        Snapshot drafted = store.get(of.saved.project());
        for (Map.Entry<String, Map<Long, JsonNode>> page : shown.entrySet()) {
            Map<Long, JsonNode> next = new LinkedHashMap<>(fits);
            next.putAll(page.getValue());
            try {
                drafted = store.drafted(of.saved.project(), next);
                fits = next;
            } catch (Refusal refusal) {
                of.refused.put(page.getKey(), refusal);
            }
        }
        String text = Bundle.write(drafted.project());
        if (of.saved.text().equals(text)) {
            return of.saved;
        }
        if (of.draft == null || !of.draft.text().equals(text)) {
            of.draft = new At(of.saved.project(), new Have(--numbers, BundleHash.of(text)), text);
        }
        return of.draft;
    }

    /**
     * Takes all that a page shows unsaved, in place of what it showed before; nothing, when it has gone.
     *
     * @return the bundle that games shall have now
     * @throws Refusal if it is wrong, or would leave names that disagree; then they shall have what they had
     */
    synchronized At show(String socket, long project, Map<Long, JsonNode> bodies) {
        Map<Long, JsonNode> before = drafts.show(socket, project, bodies);
        At now = now(project);
        Refusal refused = kept.get(project).refused.get(socket);
        if (refused != null) {
            drafts.show(socket, project, before);
            now(project);
            throw refused;
        }
        return now;
    }

    /** Keeps a bundle that some game has from now on. */
    synchronized void keep(At at) {
        Kept of = kept.get(at.project());
        if (of.byChange.containsKey(at.have().change())) {
            return;
        }
        Packed packed = Packed.of(at.have(), at.text());
        of.byChange.put(at.have().change(), packed);
        of.bytes += packed.bytes().length;
        while (of.byChange.size() > MOST || of.byChange.size() > 1 && of.bytes > MOST_BYTES) {
            of.bytes -=
                    of.byChange.remove(of.byChange.keySet().iterator().next()).bytes().length;
        }
    }

    /** Returns the bundle as it stood after a change; empty where it is not kept. */
    synchronized Optional<At> at(long project, long change) {
        At now = now(project);
        Kept of = kept.get(project);
        for (At known : new At[] {now, of.saved}) {
            if (known.have().change() == change) {
                return Optional.of(known);
            }
        }
        return Optional.ofNullable(of.byChange.get(change)).map(p -> new At(project, p.have(), p.text()));
    }

    /** Returns the last bundle that is kept with a hash. */
    synchronized Optional<Have> found(long project, String hash) {
        now(project);
        return kept.get(project).byChange.values().stream()
                .map(Packed::have)
                .filter(have -> have.hash().equals(hash))
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
