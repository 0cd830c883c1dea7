package bellrope.core.check;

import bellrope.core.sim.Watch.ByEmitter;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;

/** Births that a cap or the project's particle limit refused. */
final class BirthsDropped implements Check {
    @Override
    public List<Finding> look(Subject s) {
        return s.each((e, place) -> {
            long refused = s.take()
                    .watch()
                    .emitter(s.effect().name(), e.name())
                    .map(ByEmitter::refused)
                    .orElse(0L);
            if (refused == 0) {
                return Optional.empty();
            }
            OptionalInt cap = e.birth().cap();
            if (cap.isEmpty()) {
                return Optional.of(new Finding(
                        "dropped",
                        Finding.Severity.WRONG,
                        e.name(),
                        place + "birth/bursts",
                        "loses " + refused + " births to the project's limit of "
                                + s.project().settings().particleLimit() + " live particles",
                        Optional.empty()));
            }
            int needed = (int) Math.min(100_000, cap.getAsInt() + refused);
            return Optional.of(new Finding(
                    "dropped",
                    Finding.Severity.DOUBTFUL,
                    e.name(),
                    place + "birth/cap",
                    "loses " + refused + " births to its cap of " + cap.getAsInt() + " at once",
                    s.mend(
                            "Raise the cap to " + needed,
                            e,
                            x -> x.withBirth(x.birth().with(d -> d.cap = OptionalInt.of(needed))))));
        });
    }
}
