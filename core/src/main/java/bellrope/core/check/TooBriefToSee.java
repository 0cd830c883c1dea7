package bellrope.core.check;

import bellrope.core.value.Exact;
import bellrope.core.value.Range;
import bellrope.core.value.Words;
import java.util.List;
import java.util.Optional;

/** A lifetime so short that hardly a frame shows it. */
final class TooBriefToSee implements Check {
    @Override
    public List<Finding> look(Subject s) {
        double frame = 1.0 / s.pace().stepsPerSecond();
        return s.each((e, place) -> e.birth().lifetime().most() >= 2 * frame
                ? Optional.empty()
                : Optional.of(new Finding(
                        "too brief",
                        Finding.Severity.DOUBTFUL,
                        e.name(),
                        place + "birth/lifetime",
                        "lives " + Words.number(Exact.rint(e.birth().lifetime().most() * 10000) / 10)
                                + " ms, less than two frames of " + Words.number(Exact.rint(frame * 10000) / 10)
                                + " ms",
                        s.mend(
                                "Let it live 0.1 s",
                                e,
                                x -> x.withBirth(x.birth().with(d -> d.lifetime = Range.of(0.1)))))));
    }
}
