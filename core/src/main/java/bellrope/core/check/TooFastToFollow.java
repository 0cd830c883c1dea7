package bellrope.core.check;

import bellrope.core.effect.Look;
import bellrope.core.effect.Property;
import bellrope.core.value.Exact;
import bellrope.core.value.Words;
import java.util.List;
import java.util.Optional;

/** Particles that cross the whole screen in a frame or less: nobody can follow them, and most are never drawn in sight. */
final class TooFastToFollow implements Check {
    @Override
    public List<Finding> look(Subject s) {
        double screen = s.project().settings().screen().unitsHigh();
        int rate = s.pace().stepsPerSecond();
        return s.each((e, place) -> {
            double fastest = s.counted(e).map(by -> by.fastest()).orElse(0.0);
            // One that is drawn out by its flight is a streak on purpose.
            boolean streak = e.look().posture() instanceof Look.Posture.Flight flight && flight.stretch() * rate >= 1;
            if (fastest < screen * rate || streak) {
                return Optional.empty();
            }
            double slower = screen * rate / 4 / fastest;
            return Optional.of(new Finding(
                    "leaves at once",
                    Finding.Severity.DOUBTFUL,
                    e.name(),
                    place + "birth/speed",
                    "flies " + Words.number(Exact.rint(fastest)) + " u/s, which is "
                            + Words.number(Exact.rint(fastest / rate)) + " u in a frame: more than the "
                            + Words.number(screen) + " u that the screen shows",
                    s.mend(
                            "Slow it to a quarter of the screen in a frame",
                            e,
                            x -> Property.SPEED.multiplied(x, slower))));
        });
    }
}
