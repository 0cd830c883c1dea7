package bellrope.core.check.wiring;

import bellrope.core.check.Finding.Severity;
import bellrope.core.effect.Effect;
import bellrope.core.event.EventType;
import bellrope.core.event.EventType.Shape;
import bellrope.core.rope.FollowUp;
import bellrope.core.rope.Overrides;
import bellrope.core.rope.Rope;
import bellrope.core.rope.Run;
import bellrope.core.rope.Sentence.Slot;
import bellrope.core.rope.Stay;
import bellrope.core.sim.Hold;
import bellrope.core.value.Pace;
import bellrope.core.value.Words;
import java.util.HashSet;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Set;

/** What ends too early, too late or never. */
final class Endings {
    /** Verbs after which there is no subject left. */
    private static final Set<String> DEATHS = Set.of(
            "died",
            "dies",
            "dying",
            "killed",
            "destroyed",
            "gone",
            "vanished",
            "burst",
            "sank",
            "felled",
            "broken",
            "broke",
            "lost",
            "ended",
            "despawned");

    private static final double USUAL_LONGEST = 30;

    private Endings() {}

    static void look(Wiring w) {
        w.each((rope, event) -> {
            w.played(rope).ifPresent(effect -> {
                moment(w, rope, event, effect);
                span(w, rope, event, effect);
                cleanUp(w, rope, effect);
            });
            if (event.shape() != Shape.MOMENT && rope.stay().isPresent()) {
                w.rope(
                        "time in force without use",
                        Severity.WRONG,
                        rope,
                        Slot.EVENT,
                        "it has a time in force or a notice of it, which only a moment can have; " + event.name()
                                + " says itself when it ends",
                        "Leave it out",
                        d -> d.stay = Optional.empty());
            }
            owner(w, rope, event);
            followUps(w, rope);
        });
    }

    private static void moment(Wiring w, Rope rope, EventType event, Effect effect) {
        if (event.shape() == Shape.MOMENT
                && effect.looping()
                && rope.overrides().cutAfter().isEmpty()
                && rope.stay().filter(s -> s.inForce().isPresent()).isEmpty()) {
            w.rope(
                    "never ends",
                    Severity.WRONG,
                    rope,
                    Slot.EFFECT,
                    effect.name() + " loops, and " + event.name() + " is a moment that nothing ends",
                    "End it after 2 s",
                    d -> d.stay = Optional.of(
                            d.stay.map(s -> new Stay(OptionalDouble.of(2), s.fadeOut(), s.notice(), s.values()))
                                    .orElseGet(() -> Stay.of(2, 0))));
        }
    }

    private static void span(Wiring w, Rope rope, EventType event, Effect effect) {
        if (event.shape() == Shape.MOMENT || effect.looping()) {
            return;
        }
        OptionalInt steps =
                Hold.of(effect.course(), effect.playing().emitters(), pace(w)).steps();
        double hold = steps.isPresent() ? pace(w).seconds(steps.getAsInt()) : Double.POSITIVE_INFINITY;
        OptionalDouble longest = rope.run().longest();
        if (longest.isEmpty() || longest.getAsDouble() > hold) {
            w.rope(
                    "falls silent",
                    Severity.DOUBTFUL,
                    rope,
                    Slot.EFFECT,
                    effect.name() + " plays once and is over after " + Words.number(hold) + " s, while " + event.name()
                            + " may go on");
        }
    }

    private static void cleanUp(Wiring w, Rope rope, Effect effect) {
        OptionalDouble gone = rope.overrides().cutAfter();
        OptionalInt steps =
                Hold.of(effect.course(), effect.playing().emitters(), pace(w)).steps();
        if (gone.isPresent() && steps.isPresent() && gone.getAsDouble() < pace(w).seconds(steps.getAsInt())) {
            double hold = pace(w).seconds(steps.getAsInt());
            w.rope(
                    "cut off",
                    Severity.DOUBTFUL,
                    rope,
                    Slot.OVERRIDES,
                    "it is taken off after " + Words.number(gone.getAsDouble())
                            + " s, while its particles may live until " + Words.number(hold) + " s",
                    "Let it end by itself",
                    d -> d.overrides = new Overrides(
                            d.overrides.count(),
                            d.overrides.size(),
                            d.overrides.speed(),
                            d.overrides.duration(),
                            d.overrides.colour(),
                            d.overrides.fadeOut(),
                            OptionalDouble.empty(),
                            d.overrides.order()));
        }
    }

    private static void owner(Wiring w, Rope rope, EventType event) {
        if (event.shape() != Shape.SPAN || rope.run().longest().isPresent()) {
            return;
        }
        for (EventType other : w.project().events()) {
            String verb = other.name().substring(other.name().indexOf('.') + 1).toLowerCase(Locale.ROOT);
            if (other.subject().equals(event.subject()) && DEATHS.contains(verb)) {
                w.rope(
                        "may outlive its subject",
                        Severity.DOUBTFUL,
                        rope,
                        Slot.LONGEST,
                        "after " + other.name() + " nothing may be left to end " + event.name()
                                + ", and it has no longest time",
                        "End it after " + Words.number(USUAL_LONGEST) + " s",
                        d -> d.run = longest(d.run, USUAL_LONGEST));
                return;
            }
        }
    }

    private static void followUps(Wiring w, Rope rope) {
        for (int i = 0; i < rope.followUps().size(); i++) {
            FollowUp follow = rope.followUps().get(i);
            boolean loops =
                    follow.play().flatMap(w::effect).map(Effect::looping).orElse(false);
            if (loops && follow.inForce().isEmpty()) {
                w.rope(
                        "outlives its purpose",
                        Severity.WRONG,
                        rope,
                        Slot.FOLLOW_UP,
                        "what follows, " + follow.play().get() + ", loops and has no time in force: it never ends");
            }
            if (follow.announce().isPresent() && returns(w, follow.announce().get(), rope.event(), new HashSet<>())) {
                w.rope(
                        "loops back",
                        Severity.WRONG,
                        rope,
                        Slot.FOLLOW_UP,
                        "it announces " + follow.announce().get() + ", which leads back to " + rope.event());
            }
        }
    }

    private static boolean returns(Wiring w, String event, String wanted, Set<String> seen) {
        if (event.equals(wanted)) {
            return true;
        }
        return seen.add(event)
                && w.ropesOf(event).stream()
                        .flatMap(r -> r.followUps().stream())
                        .flatMap(f -> f.announce().stream())
                        .anyMatch(next -> returns(w, next, wanted, seen));
    }

    private static Pace pace(Wiring w) {
        return w.project().settings().pace();
    }

    private static Run longest(Run r, double seconds) {
        return new Run(r.start(), r.end(), r.fadeIn(), r.fadeOut(), OptionalDouble.of(seconds), r.again(), r.order());
    }
}
