package bellrope.core.check;

import bellrope.core.effect.Course;
import bellrope.core.effect.Effect;
import bellrope.core.effect.Stream;
import bellrope.core.sim.Hold;
import bellrope.core.value.Words;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/** A one-shot whose duration is over while its particles still live: whoever waits for the duration cuts them off. */
final class EndsBeforeItsParticles implements Check {
    @Override
    public List<Finding> look(Subject s) {
        Effect effect = s.effect();
        var steps = Hold.of(effect.course(), effect.emitters(), s.pace()).steps();
        if (effect.looping() || steps.isEmpty()) {
            return List.of();
        }
        double hold = s.pace().seconds(steps.getAsInt());
        double duration = effect.course().duration();
        if (hold <= duration + 0.5 / s.pace().stepsPerSecond() || hold > 60) {
            return List.of();
        }
        double needed = Math.ceil(hold * 100) / 100;
        return List.of(new Finding(
                "ends early",
                Finding.Severity.DOUBTFUL,
                "",
                "course/duration",
                "says it lasts " + Words.number(duration) + " s, but its particles may live until "
                        + Words.number(needed) + " s: clean-up by the duration would cut them off",
                Optional.of(new Finding.Remedy(
                        "Make it " + Words.number(needed) + " s",
                        stretched(effect, duration).withCourse(Course.once(needed))))));
    }

    // A stream without a time of its own lasted as long as the effect; it keeps that time.
    private static Effect stretched(Effect effect, double duration) {
        return effect.withEmitters(effect.emitters().stream()
                .map(e -> e.withBirth(e.birth()
                        .with(d -> d.stream = d.stream.map(x -> x.lasting().isPresent()
                                ? x
                                : new Stream(
                                        x.perSecond(),
                                        x.over(),
                                        x.from(),
                                        OptionalDouble.of(Math.max(0.01, duration - x.from())))))))
                .toList());
    }
}
