package bellrope.core.check;

import bellrope.core.value.Words;
import java.util.List;
import java.util.Optional;

/**
 * Brightness far above the point where the first component reaches 1. A little above it makes a hot core; from three times
 * on, turning it further only bleaches.
 */
final class PastSaturation implements Check {
    private static final double FAR = 3;

    @Override
    public List<Finding> look(Subject s) {
        return s.each((e, place) -> {
            double full = e.saturation();
            double brightness = e.look().brightness();
            if (brightness <= full * FAR) {
                return Optional.empty();
            }
            double useful = Math.ceil(full * 100) / 100;
            return Optional.of(new Finding(
                    "past saturation",
                    Finding.Severity.DOUBTFUL,
                    e.name(),
                    place + "look/brightness",
                    "is " + Words.number(brightness) + " × bright, but its colour is at its brightest from "
                            + Words.number(useful) + " × on and only bleaches above",
                    s.mend(
                            "Set it to " + Words.number(useful) + " ×",
                            e,
                            x -> x.withLook(new bellrope.core.effect.Look(
                                    x.look().sprite(),
                                    x.look().blend(),
                                    x.look().order(),
                                    x.look().frame(),
                                    x.look().posture(),
                                    useful)))));
        });
    }
}
