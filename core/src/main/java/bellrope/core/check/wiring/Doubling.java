package bellrope.core.check.wiring;

import bellrope.core.check.Finding.Severity;
import bellrope.core.effect.Effect;
import bellrope.core.effect.Look;
import bellrope.core.event.EventType;
import bellrope.core.rope.Condition;
import bellrope.core.rope.Rope;
import bellrope.core.rope.Sentence.Slot;
import bellrope.core.rope.When;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** Two answers in each other's way: the same twice, or a grand one behind a faint one. */
final class Doubling {
    private Doubling() {}

    static void look(Wiring w) {
        for (EventType event : w.project().events()) {
            List<Rope> ropes = w.ropesOf(event.name()).stream()
                    .filter(r -> !r.note().off())
                    .toList();
            for (int i = 0; i < ropes.size(); i++) {
                for (int j = i + 1; j < ropes.size(); j++) {
                    twice(w, ropes.get(i), ropes.get(j));
                    sameLook(w, ropes.get(i), ropes.get(j));
                }
            }
        }
        hidden(w);
    }

    // Two names for one look: whoever changes the one wonders why the other stays.
    private static void sameLook(Wiring w, Rope first, Rope second) {
        Effect one = first.play().flatMap(w::effect).orElse(null);
        Effect other = second.play().flatMap(w::effect).orElse(null);
        boolean same = one != null
                && other != null
                && !one.name().equals(other.name())
                && one.emitters().equals(other.emitters())
                && one.course().equals(other.course())
                && first.overrides().equals(second.overrides());
        if (same) {
            w.rope(
                    "same look twice",
                    Severity.DOUBTFUL,
                    second,
                    Slot.EFFECT,
                    other.name() + " looks the same as " + one.name() + ", which " + first.name()
                            + " plays at the same event: a change of one will not reach the other");
        }
    }

    private static void twice(Wiring w, Rope first, Rope second) {
        if (first.play().isPresent() && first.play().equals(second.play()) && together(first, second)) {
            w.rope(
                    "answered twice",
                    Severity.DOUBTFUL,
                    second,
                    Slot.EFFECT,
                    first.name() + " plays " + first.play().get() + " at the same pull: it counts twice");
        }
    }

    private static boolean together(Rope a, Rope b) {
        if (!a.when().value().equals(b.when().value())) {
            return false;
        }
        return !a.conditions().isEmpty() && !b.conditions().isEmpty() ? !exclude(a.when(), b.when()) : true;
    }

    /** Tells whether no pull can fulfil both, as far as their conditions say. */
    static boolean exclude(When a, When b) {
        List<Condition> all = a.conditions();
        List<Condition> others = b.conditions();
        return switch (a.match()) {
            case ALL ->
                switch (b.match()) {
                    case ALL -> all.stream().anyMatch(x -> others.stream().anyMatch(y -> x.excludes(y)));
                    case ANY -> others.stream().allMatch(y -> all.stream().anyMatch(x -> x.excludes(y)));
                    case NONE -> all.stream().anyMatch(x -> others.stream().anyMatch(y -> x.implies(y)));
                };
            case ANY ->
                switch (b.match()) {
                    case ANY -> all.stream().allMatch(x -> others.stream().allMatch(y -> x.excludes(y)));
                    case NONE -> all.stream().allMatch(x -> others.stream().anyMatch(y -> x.implies(y)));
                    case ALL -> exclude(b, a);
                };
            case NONE -> b.match() != When.Match.NONE && exclude(b, a);
        };
    }

    // Effects are drawn first to last, so a later one lies over an earlier.
    private static void hidden(Wiring w) {
        Map<String, Integer> order = new HashMap<>();
        for (int i = 0; i < w.project().effects().size(); i++) {
            order.put(w.project().effects().get(i).name(), i);
        }
        w.each((rope, event) -> {
            if (rope.play().isEmpty() || !order.containsKey(rope.play().get())) {
                return;
            }
            for (Rope other : w.project().ropes()) {
                EventType lighter = w.event(other.event()).orElse(null);
                Effect over = other.play().flatMap(w::effect).orElse(null);
                boolean covers = lighter != null
                        && over != null
                        && lighter.weight() + 2 <= event.weight()
                        && lighter.subject().equals(event.subject())
                        && order.get(over.name()) > order.get(rope.play().get())
                        && over.emitters().stream().anyMatch(e -> e.look().blend() == Look.Blend.ALPHA);
                if (covers) {
                    w.rope(
                            "hidden",
                            Severity.DOUBTFUL,
                            rope,
                            Slot.EFFECT,
                            rope.play().get() + " is drawn behind " + over.name() + ", though " + event.name()
                                    + " weighs " + event.weight() + " and " + lighter.name() + " only "
                                    + lighter.weight());
                    return;
                }
            }
        });
    }
}
