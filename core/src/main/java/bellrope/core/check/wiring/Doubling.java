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
                }
            }
        }
        hidden(w);
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
        if (a.when().match() != When.Match.ALL || b.when().match() != When.Match.ALL) {
            return true;
        }
        for (Condition one : a.conditions()) {
            for (Condition other : b.conditions()) {
                if (Deciding.apart(one, other) || Deciding.apart(other, one)) {
                    return false;
                }
            }
        }
        return true;
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
