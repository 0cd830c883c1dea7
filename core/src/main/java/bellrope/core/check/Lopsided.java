package bellrope.core.check;

import bellrope.core.effect.Aim;
import bellrope.core.effect.Birth;
import bellrope.core.effect.Emitter;
import bellrope.core.effect.Shape;
import bellrope.core.sim.Watch.ByEmitter;
import bellrope.core.value.Exact;
import bellrope.core.value.Words;
import java.util.List;
import java.util.Optional;

/**
 * Directions that lean to one side where a full spread was asked for. The measure is the mean resultant length in space
 * (Mardia & Jupp): about 1/√n for n even directions, and well above it for those that lean.
 */
final class Lopsided implements Check {
    private static final int ENOUGH = 12;
    private static final double LEANS = 0.3;

    @Override
    public List<Finding> look(Subject s) {
        return s.each((e, place) -> {
            Optional<ByEmitter> counted = s.counted(e);
            if (!full(e.birth()) || counted.isEmpty() || counted.get().thrown() < ENOUGH) {
                return Optional.empty();
            }
            double r = counted.get().resultantInSpace();
            if (r <= LEANS + 1.5 / Math.sqrt(counted.get().thrown())) {
                return Optional.empty();
            }
            boolean arc = e.birth().shape() instanceof Shape.Circle circle && circle.arc() < 360;
            return Optional.of(new Finding(
                    "lopsided",
                    Finding.Severity.DOUBTFUL,
                    e.name(),
                    place + (arc ? "birth/shape/arc" : "birth/inherit"),
                    "leans: a full spread was asked for, but its directions have a mean resultant length of "
                            + Words.number(Exact.rint(r * 100) / 100) + " (0 is even, 0.9 one quadrant)",
                    remedy(s, e, arc)));
        });
    }

    private static boolean full(Birth birth) {
        boolean allRound = birth.aim() instanceof Aim.Outward
                && birth.shape()
                        .match(
                                point -> true,
                                circle -> true,
                                sphere -> true,
                                cone -> false,
                                box -> true,
                                line -> false);
        return allRound || birth.spread() >= 150;
    }

    private static Optional<Finding.Remedy> remedy(Subject s, Emitter e, boolean arc) {
        if (arc && e.birth().shape() instanceof Shape.Circle c) {
            return s.mend(
                    "Use the whole circle",
                    e,
                    x -> x.withBirth(x.birth().with(d -> d.shape = new Shape.Circle(c.radius(), c.fill(), 360))));
        }
        return e.birth().inherit() != 0
                ? s.mend(
                        "Leave out the source's velocity",
                        e,
                        x -> x.withBirth(x.birth().with(d -> d.inherit = 0)))
                : Optional.empty();
    }
}
