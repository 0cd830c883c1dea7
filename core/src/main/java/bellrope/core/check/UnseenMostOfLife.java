package bellrope.core.check;

import bellrope.core.value.Range;
import bellrope.core.value.Words;
import java.util.List;
import java.util.Optional;

/** Particles that are alive, and paid for, but cannot be seen for more than half their life. */
final class UnseenMostOfLife implements Check {
    @Override
    public List<Finding> look(Subject s) {
        return s.each((e, place) -> {
            double unseen = s.counted(e).map(by -> by.unseenShare()).orElse(0.0);
            if (unseen <= 0.5 || !s.counted(e).get().seen()) {
                return Optional.empty();
            }
            Range life = e.birth().lifetime();
            double kept = Math.max(0.05, 1 - unseen);
            return Optional.of(new Finding(
                    "unseen",
                    Finding.Severity.DOUBTFUL,
                    e.name(),
                    place + "birth/lifetime",
                    "is alive but not seen for " + Math.round(unseen * 100) + " % of its life",
                    s.mend(
                            "Shorten its life to " + Words.number(Math.rint(life.most() * kept * 100) / 100) + " s",
                            e,
                            x -> x.withBirth(x.birth().with(d -> d.lifetime = d.lifetime.times(kept))))));
        });
    }
}
