package bellrope.format.answer;

import bellrope.core.check.wiring.Wiring;
import bellrope.core.measure.Balance;
import bellrope.core.measure.Reaches;
import bellrope.core.project.Project;
import bellrope.core.rope.Rope;
import bellrope.format.json.Bundle;
import bellrope.format.report.FeedReport;
import bellrope.format.report.FeedReport.ReachReport;
import bellrope.format.report.NumbersReport;
import bellrope.format.report.OfferReport;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.OptionalDouble;
import org.jspecify.annotations.Nullable;

/** How ropes are wired: the feeds of one, and what is to be noticed of all. */
public final class Wirings {
    private Wirings() {}

    /** Draws the feeds of a rope, and how far its response reaches where it names a hit test. */
    public static FeedsView feeds(Whole whole, long number, Responses responses) {
        Project project = whole.project();
        Rope rope = whole.rope(number);
        return new FeedsView(
                FeedReport.of(project, rope),
                rope.hit().isPresent() && project.event(rope.event()).isPresent()
                        ? ReachReport.of(responses.reaches(project, rope))
                        : null,
                OfferReport.of(project, rope),
                OfferReport.units(project, rope));
    }

    /** Looks at how everything is wired: what the checks notice, and the balance of all responses. */
    public static WiringView of(
            Whole whole, Responses responses, @Nullable List<Recorded> recorded, @Nullable List<Pulled> pulled) {
        Project project = whole.project();
        Map<String, Wiring.Seen> seen = new HashMap<>();
        Map<String, Long> numbers = new HashMap<>();
        List<ResponseView> all = responses.of(whole, null);
        for (int i = 0; i < all.size(); i++) {
            String name = project.ropes().get(i).name();
            numbers.put(name, whole.ropes().get(i));
            NumbersReport told = all.get(i).numbers();
            if (told != null) {
                OptionalDouble onset =
                        told.onset() == null ? OptionalDouble.empty() : OptionalDouble.of(told.onset() / 1000);
                seen.put(name, new Wiring.Seen(onset, told.presenceTotal()));
            }
        }
        Map<String, Reaches> far = new HashMap<>();
        project.ropes().stream()
                .filter(r -> r.hit().isPresent() && project.event(r.event()).isPresent())
                .forEach(r -> far.put(r.name(), responses.reaches(project, r)));
        Balance balance = Wiring.balance(project, seen);
        Wiring.Known known = new Wiring.Known(seen, far, recorded(recorded), pulled(pulled));
        return new WiringView(
                Wiring.look(project, known).stream()
                        .map(n -> noticed(n, numbers))
                        .toList(),
                balance.slope().isPresent() ? balance.slope().getAsDouble() : null,
                balance.intercept(),
                balance.lines().stream()
                        .map(l -> new BalanceLine(
                                numbers.get(l.response().rope()),
                                l.response().event(),
                                l.response().weight(),
                                l.response().presence(),
                                l.usual(),
                                l.ratio(),
                                l.verdict().name().toLowerCase(Locale.ROOT),
                                l.outdoes().isEmpty() ? null : l.outdoes()))
                        .toList());
    }

    private static Map<String, Map<String, List<Double>>> recorded(@Nullable List<Recorded> given) {
        Map<String, Map<String, List<Double>>> recorded = new HashMap<>();
        if (given != null) {
            given.forEach(r -> recorded.computeIfAbsent(r.rope(), n -> new HashMap<>())
                    .put(r.parameter(), Arrays.stream(r.given()).boxed().toList()));
        }
        return recorded;
    }

    private static Map<String, Wiring.Pulled> pulled(@Nullable List<Pulled> given) {
        Map<String, Wiring.Pulled> pulled = new HashMap<>();
        if (given != null) {
            given.forEach(p -> pulled.put(
                    p.event(), new Wiring.Pulled(Arrays.stream(p.at()).boxed().toList(), p.named())));
        }
        return pulled;
    }

    private static NoticedView noticed(Wiring.Noticed n, Map<String, Long> parts) {
        return new NoticedView(
                n.check(),
                n.severity().name().toLowerCase(Locale.ROOT),
                parts.get(n.rope()),
                n.event(),
                n.slot().name().toLowerCase(Locale.ROOT).replace('_', ' '),
                n.words(),
                n.remedy()
                        .map(r -> new RemedyView(r.words(), Bundle.write(r.rope())))
                        .orElse(null));
    }
}
