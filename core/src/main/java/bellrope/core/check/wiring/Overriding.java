package bellrope.core.check.wiring;

import bellrope.core.check.Finding.Severity;
import bellrope.core.effect.Course;
import bellrope.core.effect.Effect;
import bellrope.core.rope.Overrides;
import bellrope.core.rope.Rope;
import bellrope.core.rope.Sentence.Slot;
import bellrope.core.value.Rgba;
import bellrope.core.value.Words;
import java.util.Optional;
import java.util.OptionalDouble;

/** Overrides that say what the effect says anyway: the next change of the effect would silently not reach this rope. */
final class Overriding {
    private Overriding() {}

    static void look(Wiring w) {
        w.each((rope, event) -> rope.play().flatMap(w::effect).ifPresent(effect -> same(w, rope, effect)));
    }

    private static void same(Wiring w, Rope rope, Effect effect) {
        Overrides o = rope.overrides();
        Course course = effect.course();
        boolean duration = equal(o.duration(), course.duration());
        boolean fadeOut = equal(o.fadeOut(), course.fadeOut());
        boolean colour = o.colour().equals(Optional.of(Rgba.WHITE));
        if (!duration && !fadeOut && !colour) {
            return;
        }
        String what = duration
                ? "a duration of " + Words.number(course.duration()) + " s"
                : fadeOut ? "a fade-out of " + Words.number(course.fadeOut()) + " s" : "colours × white";
        w.rope(
                "overrides nothing",
                Severity.DOUBTFUL,
                rope,
                Slot.OVERRIDES,
                what + " is what " + effect.name() + " has anyway; if that changes, this rope will not follow",
                "Leave it to the effect",
                d -> d.overrides = new Overrides(
                        o.count(),
                        o.size(),
                        o.speed(),
                        duration ? OptionalDouble.empty() : o.duration(),
                        colour ? Optional.empty() : o.colour(),
                        fadeOut ? OptionalDouble.empty() : o.fadeOut(),
                        o.cutAfter(),
                        o.order()));
    }

    private static boolean equal(OptionalDouble given, double shared) {
        return given.isPresent() && given.getAsDouble() == shared;
    }
}
