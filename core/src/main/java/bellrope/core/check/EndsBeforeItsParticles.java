package bellrope.core.check;

import bellrope.core.effect.Course;
import bellrope.core.effect.Effect;
import bellrope.core.effect.Emitter;
import bellrope.core.effect.Stream;
import bellrope.core.sim.Schedule;
import bellrope.core.value.Words;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/** A one-shot that goes on giving birth after its duration is over: whoever waits for the duration cuts it off. */
final class EndsBeforeItsParticles implements Check {
    @Override
    public List<Finding> look(Subject s) {
        Effect effect = s.effect();
        if (effect.looping()) {
            return List.of();
        }
        double last = 0;
        for (Emitter emitter : effect.emitters()) {
            if (emitter.birth().byItself()) {
                last = Math.max(
                        last,
                        new Schedule(emitter.birth(), effect.course(), s.pace())
                                        .lastBirth()
                                        .orElse(0)
                                / s.pace().stepsPerSecond());
            }
        }
        double duration = effect.course().duration();
        if (last <= duration + 0.5 / s.pace().stepsPerSecond() || last > 60) {
            return List.of();
        }
        double needed = Math.ceil(last * 100) / 100;
        return List.of(new Finding(
                "ends early",
                Finding.Severity.DOUBTFUL,
                "",
                "course/duration",
                "says it lasts " + Words.number(duration) + " s, but goes on giving birth until " + Words.number(needed)
                        + " s",
                Optional.of(new Finding.Remedy(
                        "Make it " + Words.number(needed) + " s",
                        stretched(effect, duration)
                                .withCourse(Course.once(needed)
                                        .played(effect.course().playback()))))));
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
