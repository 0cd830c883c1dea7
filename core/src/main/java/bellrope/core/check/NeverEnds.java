package bellrope.core.check;

import bellrope.core.effect.Course;
import bellrope.core.event.EventType;
import bellrope.core.rope.Rope;
import java.util.List;
import java.util.Optional;

/** A loop played by something that only happens once and never tells it to end. */
final class NeverEnds implements Check {
    @Override
    public List<Finding> look(Subject s) {
        Optional<Rope> rope = s.ropes().stream()
                .filter(r -> r.overrides().cutAfter().isEmpty())
                .filter(r -> s.project()
                        .event(r.event())
                        .map(e -> e.shape() == EventType.Shape.MOMENT)
                        .orElse(false))
                .findFirst();
        if (!s.effect().looping() || rope.isEmpty()) {
            return List.of();
        }
        return List.of(new Finding(
                "never ends",
                Finding.Severity.WRONG,
                "",
                "course/kind",
                "never ends: it loops, and " + rope.get().event() + ", which starts it, is a moment that nothing ends",
                Optional.of(new Finding.Remedy(
                        "Play it once",
                        s.effect().withCourse(Course.once(s.effect().course().duration()))))));
    }
}
