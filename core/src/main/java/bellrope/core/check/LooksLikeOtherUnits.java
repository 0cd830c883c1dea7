package bellrope.core.check;

import bellrope.core.effect.Emitter;
import bellrope.core.value.Exact;
import bellrope.core.value.Range;
import bellrope.core.value.Words;
import java.util.List;
import java.util.Optional;

/** Times of a one-shot that make sense as frames or milliseconds, and hardly as seconds. */
final class LooksLikeOtherUnits implements Check {
    /** Nothing that answers a moment of play is meant to be there for so many seconds. */
    private static final double LONG = 12;

    @Override
    public List<Finding> look(Subject s) {
        return s.effect().looping() ? List.of() : s.each((e, place) -> lifetime(s, e, place));
    }

    private static Optional<Finding> lifetime(Subject s, Emitter e, String place) {
        Range life = e.birth().lifetime();
        if (life.most() <= LONG) {
            return Optional.empty();
        }
        double steps = s.pace().stepsPerSecond();
        Range meant = new Range(Math.max(0.01, life.least() / steps), life.most() / steps);
        return Optional.of(new Finding(
                "units",
                Finding.Severity.DOUBTFUL,
                e.name(),
                place + "birth/lifetime",
                "lives up to " + Words.number(life.most()) + " s. If that was meant as frames, it is "
                        + Words.number(Exact.rint(meant.most() * 1000) / 1000) + " s",
                s.mend("Take it as frames", e, x -> x.withBirth(x.birth().with(d -> d.lifetime = meant)))));
    }
}
