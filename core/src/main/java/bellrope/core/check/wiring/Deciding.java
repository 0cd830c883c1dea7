package bellrope.core.check.wiring;

import bellrope.core.check.Finding.Severity;
import bellrope.core.effect.Effect;
import bellrope.core.event.EventType;
import bellrope.core.event.Field;
import bellrope.core.rope.Condition;
import bellrope.core.rope.Condition.Compare;
import bellrope.core.rope.Limits;
import bellrope.core.rope.Rope;
import bellrope.core.rope.Sentence.Slot;
import bellrope.core.rope.When;
import bellrope.core.rope.Where;
import bellrope.core.sim.Hold;
import bellrope.core.value.Exact;
import bellrope.core.value.Range;
import bellrope.core.value.Words;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;

/** Conditions that never hold, limits that never matter or always do, collisions without a guard. */
final class Deciding {
    /** Seconds within which several contacts are one to the player. */
    private static final double ONE_INSTANT = 0.05;

    /** Pulls from which on what is usual can be told. */
    private static final int ENOUGH = 6;

    private Deciding() {}

    static void look(Wiring w) {
        w.each((rope, event) -> {
            conditions(w, rope, event);
            limits(w, rope);
            guard(w, rope, event);
            cooldown(w, rope, event);
            once(w, rope, event);
        });
    }

    private static void conditions(Wiring w, Rope rope, EventType event) {
        for (Condition condition : rope.conditions()) {
            if (condition instanceof Compare compare) {
                Optional<Range> range = w.values(event).told(compare.source()).map(Field.Number::range);
                boolean never = range.isPresent() && !meets(compare, range.get());
                if (never && rope.when().match() != When.Match.NONE) {
                    w.rope(
                            "never holds",
                            Severity.WRONG,
                            rope,
                            Slot.CONDITION,
                            condition.about() + " " + condition.wanted() + " never holds: it runs from "
                                    + Words.number(range.get().least()) + " to "
                                    + Words.number(range.get().most()));
                    return;
                }
            }
        }
        if (rope.when().match() == When.Match.ALL) {
            for (Condition one : rope.conditions()) {
                for (Condition other : rope.conditions()) {
                    if (one.excludes(other)) {
                        w.rope(
                                "never holds",
                                Severity.WRONG,
                                rope,
                                Slot.CONDITION,
                                one.about() + " " + one.wanted() + " and " + other.wanted() + " cannot both hold");
                        return;
                    }
                }
            }
        }
    }

    private static boolean meets(Compare c, Range range) {
        return switch (c.relation()) {
            case OVER -> range.most() > c.bound();
            case AT_LEAST -> range.most() >= c.bound();
            case UNDER -> range.least() < c.bound();
            case AT_MOST -> range.least() <= c.bound();
        };
    }

    private static void limits(Wiring w, Rope rope) {
        Limits limits = rope.limits();
        int rate = w.project().settings().pace().stepsPerSecond();
        if (limits.pause() > 0 && limits.pause() <= 1.0 / rate) {
            w.rope(
                    "limit never bites",
                    Severity.DOUBTFUL,
                    rope,
                    Slot.LIMITS,
                    "a pause of " + Words.number(limits.pause()) + " s is no longer than a step of "
                            + Words.number(1.0 / rate) + " s");
        }
        Where.Anchor anchor = rope.where().anchor();
        if (limits.distance() > 0 && (anchor == Where.Anchor.PLACE || anchor == Where.Anchor.SCREEN)) {
            w.rope(
                    "limit never met",
                    Severity.WRONG,
                    rope,
                    Slot.LIMITS,
                    "it always plays in the same place, so after the first time it is always nearer than "
                            + Words.number(limits.distance()) + " u to the last");
        }
        Optional<Effect> effect = w.played(rope);
        if (limits.alive().isPresent() && limits.pause() > 0 && effect.isPresent() && !limits.together()) {
            OptionalInt hold = Hold.of(
                            effect.get().course(),
                            effect.get().playing().emitters(),
                            w.project().settings().pace())
                    .steps();
            double seconds = hold.isPresent() ? (double) hold.getAsInt() / rate : Double.POSITIVE_INFINITY;
            if (Math.ceil(seconds / limits.pause()) < limits.alive().getAsInt()) {
                w.rope(
                        "limit never bites",
                        Severity.DOUBTFUL,
                        rope,
                        Slot.LIMITS,
                        "no more than " + Words.number(Math.ceil(seconds / limits.pause()))
                                + " can be alive at once, for it answers once in " + Words.number(limits.pause())
                                + " s and is over after " + Words.number(seconds) + " s");
            }
        }
    }

    // Whatever meets a surface may meet it in several points of one instant; said where that has happened.
    private static void guard(Wiring w, Rope rope, EventType event) {
        Limits limits = rope.limits();
        boolean guarded = limits.pause() > 0
                || limits.distance() > 0
                || limits.once()
                || limits.alive().isPresent()
                || limits.chance() < 1;
        List<Double> at = w.pulled(event.name()).at();
        int crowded = 0;
        for (int i = 1; i < at.size(); i++) {
            crowded += at.get(i) - at.get(i - 1) < ONE_INSTANT ? 1 : 0;
        }
        if (event.shape() == EventType.Shape.MOMENT && !guarded && crowded > 0) {
            w.rope(
                    "no guard",
                    Severity.DOUBTFUL,
                    rope,
                    Slot.LIMITS,
                    crowded + " of the last " + at.size() + " pulls of " + event.name() + " came within "
                            + Words.number(ONE_INSTANT) + " s of the one before, and each played its own "
                            + rope.play().orElse("answer"),
                    "Answer at most once in " + Words.number(ONE_INSTANT) + " s",
                    d -> d.limits = Limits.cooldown(ONE_INSTANT));
        }
    }

    // A cooldown longer than pulls usually come leaves most of them without an answer.
    private static void cooldown(Wiring w, Rope rope, EventType event) {
        List<Double> at = w.pulled(event.name()).at();
        double pause = rope.limits().pause();
        if (at.size() < ENOUGH || pause <= 0) {
            return;
        }
        double[] gaps = new double[at.size() - 1];
        for (int i = 1; i < at.size(); i++) {
            gaps[i - 1] = at.get(i) - at.get(i - 1);
        }
        Arrays.sort(gaps);
        double usual = gaps[gaps.length / 2];
        // Several in one instant are what a guard is for.
        if (usual > ONE_INSTANT && pause > usual) {
            w.rope(
                    "cooldown outlasts the pulls",
                    Severity.DOUBTFUL,
                    rope,
                    Slot.LIMITS,
                    event.name() + " usually comes every " + Words.number(Exact.rint(usual * 100) / 100)
                            + " s, and after each answer this stays silent for " + Words.number(pause)
                            + " s: most pulls get none");
        }
    }

    private static void once(Wiring w, Rope rope, EventType event) {
        Wiring.Pulled pulled = w.pulled(event.name());
        boolean forAll = rope.limits().once() && rope.limits().until().isEmpty();
        if (forAll && pulled.at().size() >= 2 && !pulled.named()) {
            w.rope(
                    "once for all",
                    Severity.DOUBTFUL,
                    rope,
                    Slot.LIMITS,
                    "it answers each subject once, and none of the last "
                            + pulled.at().size() + " pulls of " + event.name()
                            + " named one: after the first it stays silent for good");
        }
    }
}
