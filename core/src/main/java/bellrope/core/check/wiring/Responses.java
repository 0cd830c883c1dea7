package bellrope.core.check.wiring;

import bellrope.core.check.Finding.Severity;
import bellrope.core.event.EventType;
import bellrope.core.measure.Balance;
import bellrope.core.project.Settings;
import bellrope.core.rope.Companion;
import bellrope.core.rope.Rope;
import bellrope.core.rope.Sentence.Slot;
import bellrope.core.value.Exact;
import bellrope.core.value.Words;
import java.math.BigDecimal;
import java.math.MathContext;
import java.util.HashMap;
import java.util.Map;

/** What is seen too late, weighs wrong, or goes past what is comfortable. */
final class Responses {
    /** Longest time from a pull to something that can be seen, seconds: beyond it, cause and answer come apart. */
    private static final double AT_ONCE = 0.1;

    private Responses() {}

    static void look(Wiring w) {
        w.each((rope, event) -> {
            // What lasts may wind up; what happens must be seen at once.
            if (event.shape() == EventType.Shape.MOMENT) {
                late(w, rope);
            }
            comfort(w, rope);
            seen(w, rope, event);
        });
        balance(w);
    }

    private static void seen(Wiring w, Rope rope, EventType event) {
        boolean nothing = rope.play().isPresent()
                && w.seen(rope).filter(n -> n.onset().isEmpty()).isPresent();
        if (nothing) {
            w.rope(
                    "never seen",
                    Severity.WRONG,
                    rope,
                    Slot.EFFECT,
                    "nothing of " + rope.play().get() + " can ever be seen at a usual pull of " + event.name()
                            + ": no particle is opaque and large enough");
        }
    }

    private static void late(Wiring w, Rope rope) {
        double onset = w.seen(rope).map(n -> n.onset().orElse(0)).orElse(0.0);
        if (onset > AT_ONCE + 1e-9) {
            w.rope(
                    "late",
                    Severity.DOUBTFUL,
                    rope,
                    rope.timing().delay() > 0 ? Slot.TIMING : Slot.EFFECT,
                    "nothing can be seen until " + Words.number(Exact.rint(onset * 1000) / 1000)
                            + " s after the pull; beyond 0.1 s a player no longer takes it for an answer");
        }
    }

    private static void comfort(Wiring w, Rope rope) {
        Settings.Comfort caps = w.project().settings().comfort();
        for (Companion companion : rope.companions()) {
            String over = companion.match(
                    shake -> shake.size() > caps.shake()
                            ? "a shake of " + Words.number(shake.size()) + " u is cut to the project's "
                                    + Words.number(caps.shake()) + " u"
                            : "",
                    flash -> flash.opacity() > caps.flash()
                            ? "a flash of opacity " + Words.number(flash.opacity()) + " is cut to the project's "
                                    + Words.number(caps.flash())
                            : "",
                    tint -> tint.opacity() > caps.flash()
                            ? "a tint of opacity " + Words.number(tint.opacity()) + " is cut to the project's "
                                    + Words.number(caps.flash())
                            : "",
                    pause -> "",
                    notice -> "");
            if (!over.isEmpty()) {
                w.rope("over the cap", Severity.DOUBTFUL, rope, Slot.COMPANION, over);
            }
        }
    }

    private static String two(double value) {
        return new BigDecimal(value).round(new MathContext(2)).toPlainString();
    }

    private static void balance(Wiring w) {
        Map<String, Rope> ropes = new HashMap<>();
        w.project().ropes().forEach(r -> ropes.put(r.name(), r));
        for (Balance.Line line : Wiring.balance(w.project(), w.allSeen()).lines()) {
            if (!line.outdoes().isEmpty()) {
                w.rope(
                        "outdoes a heavier event",
                        Severity.DOUBTFUL,
                        ropes.get(line.response().rope()),
                        Slot.EFFECT,
                        "presence " + two(line.response().presence()) + " u²s, and " + line.outdoes()
                                + ", which weighs more than " + line.response().event() + ", usually has "
                                + two(line.outdone()));
            }
        }
    }
}
