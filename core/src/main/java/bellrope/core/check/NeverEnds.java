package bellrope.core.check;

import bellrope.core.effect.Course;
import java.util.List;
import java.util.Optional;

/** A loop played by something that only happens once and never tells it to end. */
final class NeverEnds implements Check {
    @Override
    public List<Finding> look(Subject s) {
        if (!s.effect().looping() || s.ropes().isEmpty()) {
            return List.of();
        }
        return List.of(new Finding(
                "never ends",
                Finding.Severity.WRONG,
                "",
                "course/kind",
                "never ends: it loops, and " + s.ropes().get(0).event()
                        + ", which starts it, is a moment that nothing ends",
                Optional.of(new Finding.Remedy(
                        "Play it once",
                        s.effect().withCourse(Course.once(s.effect().course().duration()))))));
    }
}
