package bellrope.core.check;

import bellrope.core.effect.End;
import bellrope.core.value.Exact;
import bellrope.core.value.Words;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Children that spawn children, a whole one each or more on average: by the branching theory they never die out. */
final class RunawayChildren implements Check {
    @Override
    public List<Finding> look(Subject s) {
        double m = s.branching().offspring();
        if (m < 1) {
            return List.of();
        }
        // A ninth below 1 leaves lines of ten particles on average.
        double factor = 0.9 / m;
        return List.of(new Finding(
                "runaway children",
                Finding.Severity.WRONG,
                "",
                "emitters",
                "runs away: a particle spawns " + Words.number(Exact.rint(m * 100) / 100)
                        + " others on average, and from 1 on they never die out. Only the limit of "
                        + s.project().settings().particleLimit() + " live particles stops it",
                Optional.of(new Finding.Remedy(
                        "Give one in " + Words.number(Math.ceil(10 / factor) / 10) + " children",
                        s.effect()
                                .withEmitters(s.effect().emitters().stream()
                                        .map(e -> e.withEnd(rarer(e.end(), factor)))
                                        .toList())))));
    }

    private static End rarer(End end, double factor) {
        List<End.Child> rarer = new ArrayList<>();
        for (End.Child c : end.children()) {
            rarer.add(new End.Child(
                    c.when(),
                    c.emitter(),
                    c.effect(),
                    c.least(),
                    c.most(),
                    c.rate(),
                    c.chance() * factor,
                    c.velocity(),
                    c.colour(),
                    c.size()));
        }
        return new End(end.collision(), rarer, end.trail());
    }
}
