package bellrope.core.check;

import bellrope.core.effect.Burst;
import bellrope.core.effect.Emitter;
import bellrope.core.effect.Stream;
import bellrope.core.value.Exact;
import bellrope.core.value.Words;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/** A stream made of many small bursts in quick succession. */
final class RepeatedBurst implements Check {
    private static final int MANY = 6;
    private static final double QUICK = 0.1;
    private static final double SMALL = 3;

    @Override
    public List<Finding> look(Subject s) {
        return s.each((e, place) -> {
            List<Burst> bursts = e.birth().bursts();
            for (int i = 0; i < bursts.size(); i++) {
                Burst b = bursts.get(i);
                double each = (b.least() + b.most()) / 2.0;
                if (b.times() >= MANY
                        && b.pause() <= QUICK
                        && each <= SMALL
                        && e.birth().stream().isEmpty()) {
                    double rate = each * b.chance() / b.pause();
                    int which = i;
                    return Optional.of(new Finding(
                            "repeated burst",
                            Finding.Severity.DOUBTFUL,
                            e.name(),
                            place + "birth/bursts/" + i,
                            "bursts " + b.times() + " times, " + Words.number(each) + " at a time, every "
                                    + Words.number(b.pause()) + " s: a stream is even and takes any rate",
                            s.mend(
                                    "Make it a stream of " + Words.number(Exact.rint(rate * 10) / 10) + " a second",
                                    e,
                                    x -> stream(x, which, rate))));
                }
            }
            return Optional.empty();
        });
    }

    private static Emitter stream(Emitter emitter, int which, double rate) {
        Burst b = emitter.birth().bursts().get(which);
        return emitter.withBirth(emitter.birth().with(d -> {
            List<Burst> others = new ArrayList<>(d.bursts);
            others.remove(which);
            d.bursts = others;
            d.stream = Optional.of(new Stream(
                    Math.min(Stream.MOST, rate), b.at(), OptionalDouble.of(Math.min(60, b.times() * b.pause()))));
        }));
    }
}
