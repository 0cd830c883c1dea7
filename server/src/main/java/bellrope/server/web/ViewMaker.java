package bellrope.server.web;

import bellrope.core.event.EventType;
import bellrope.core.event.Strength;
import bellrope.core.rope.Rope;
import bellrope.core.rope.Sentence;
import bellrope.format.json.PayloadJson;
import bellrope.server.store.Kind;
import bellrope.server.store.ProjectStore.Change;
import bellrope.server.store.Snapshot;
import bellrope.server.store.Snapshot.Part;
import bellrope.server.view.Views.PartView;
import bellrope.server.view.Views.ProjectLine;
import bellrope.server.view.Views.ProjectView;
import bellrope.server.view.Views.Saved;
import bellrope.server.view.Views.SentenceView;
import bellrope.server.view.Views.StrengthsView;
import bellrope.server.view.Views.Words;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/** Turns what is stored into what is said. */
public final class ViewMaker {
    private ViewMaker() {}

    public static PartView part(Part part) {
        return new PartView(
                part.id(),
                part.kind().word(),
                part.name(),
                part.place(),
                part.revision(),
                part.deleted(),
                part.body(),
                part.savedAt());
    }

    static ProjectLine line(Snapshot s) {
        return new ProjectLine(
                s.id(),
                s.name(),
                s.change(),
                s.parts(Kind.EVENT).size(),
                s.parts(Kind.EFFECT).size(),
                s.parts(Kind.ROPE).size());
    }

    static ProjectView project(Snapshot s) {
        return new ProjectView(
                s.id(),
                s.name(),
                s.change(),
                s.parts().stream().map(ViewMaker::part).toList(),
                sentences(s, s.parts(Kind.ROPE)),
                s.parts(Kind.EVENT).stream().map(ViewMaker::strengths).toList());
    }

    /** Returns a change with every sentence and payload that it may have altered. */
    public static Saved saved(Change change) {
        Snapshot after = change.after();
        Part part = change.part();
        boolean event = part.kind() == Kind.EVENT;
        List<Part> ropes = after.parts(Kind.ROPE).stream()
                .filter(p -> p.id() == part.id()
                        || event && ((Rope) p.value()).event().equals(part.name()))
                .toList();
        return new Saved(
                part(part),
                after.change(),
                sentences(after, ropes),
                event && !part.deleted() ? List.of(strengths(part)) : List.of());
    }

    private static List<SentenceView> sentences(Snapshot s, List<Part> ropes) {
        Map<String, EventType> events = new HashMap<>();
        s.parts(Kind.EVENT).forEach(p -> events.put(p.name(), (EventType) p.value()));
        return ropes.stream()
                .map(p -> {
                    Rope rope = (Rope) p.value();
                    return sentence(p.id(), rope, Optional.ofNullable(events.get(rope.event())));
                })
                .toList();
    }

    private static SentenceView sentence(long id, Rope rope, Optional<EventType> event) {
        return new SentenceView(
                id,
                Sentence.of(rope, event).parts().stream()
                        .map(w -> new Words(w.text(), w.slot().name().toLowerCase(Locale.ROOT), w.index()))
                        .toList());
    }

    private static StrengthsView strengths(Part event) {
        EventType type = (EventType) event.value();
        return new StrengthsView(
                event.id(),
                PayloadJson.write(Strength.SOFT.payload(type)),
                PayloadJson.write(Strength.USUAL.payload(type)),
                PayloadJson.write(Strength.HARD.payload(type)));
    }
}
