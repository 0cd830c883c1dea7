package bellrope.server.web;

import bellrope.core.event.Channel;
import bellrope.core.event.EventType;
import bellrope.core.event.Strength;
import bellrope.core.rope.Rope;
import bellrope.core.rope.Sentence;
import bellrope.format.json.PayloadJson;
import bellrope.server.store.Kind;
import bellrope.server.store.ProjectStore;
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
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

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
                s.parts(Kind.ROPE).size(),
                null);
    }

    static ProjectLine line(ProjectStore.Listed listed) {
        return listed.snapshot()
                .map(ViewMaker::line)
                .orElseGet(() -> new ProjectLine(listed.id(), listed.name(), 0, 0, 0, 0, listed.broken()));
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
        Set<Long> changed = new HashSet<>();
        Set<String> events = new HashSet<>();
        boolean everywhere = false;
        for (Part part : change.parts()) {
            changed.add(part.id());
            everywhere |= part.kind() == Kind.CHANNEL;
            if (part.kind() == Kind.EVENT) {
                events.add(part.name());
            }
        }
        boolean all = everywhere;
        List<Part> ropes = after.parts(Kind.ROPE).stream()
                .filter(p -> all || changed.contains(p.id()) || events.contains(((Rope) p.value()).event()))
                .toList();
        return new Saved(
                change.parts().stream().map(ViewMaker::part).toList(),
                after.change(),
                sentences(after, ropes),
                change.parts().stream()
                        .filter(p -> p.kind() == Kind.EVENT && !p.deleted())
                        .map(ViewMaker::strengths)
                        .toList());
    }

    private static List<SentenceView> sentences(Snapshot s, List<Part> ropes) {
        Map<String, EventType> events = new HashMap<>();
        s.parts(Kind.EVENT).forEach(p -> events.put(p.name(), (EventType) p.value()));
        Map<String, Channel> channels = new HashMap<>();
        s.parts(Kind.CHANNEL).forEach(p -> channels.put(p.name(), (Channel) p.value()));
        return ropes.stream()
                .map(p -> {
                    Rope rope = (Rope) p.value();
                    return sentence(p.id(), rope, Optional.ofNullable(events.get(rope.event())), channels);
                })
                .toList();
    }

    private static SentenceView sentence(long id, Rope rope, Optional<EventType> event, Map<String, Channel> channels) {
        return new SentenceView(
                id,
                Sentence.of(rope, event, name -> Optional.ofNullable(channels.get(name))).parts().stream()
                        .map(w -> new Words(
                                w.text(),
                                w.slot().name().toLowerCase(Locale.ROOT).replace('_', ' '),
                                w.index()))
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
