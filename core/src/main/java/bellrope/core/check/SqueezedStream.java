package bellrope.core.check;

import bellrope.core.effect.Burst;
import bellrope.core.effect.Emitter;
import bellrope.core.effect.Stream;
import bellrope.core.value.Exact;
import bellrope.core.value.Words;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * A burst made by squeezing a stream. A stream over a tenth of a second is nearly a burst (common practice), but it spreads
 * the first impression over several frames.
 */
final class SqueezedStream implements Check {
    private static final double SQUEEZED = 0.15;

    @Override
    public List<Finding> look(Subject s) {
        return s.each((e, place) -> {
            Optional<Stream> stream = e.birth().stream();
            double duration = s.effect().course().duration();
            double lasting = stream.map(x -> x.lasting().orElse(s.effect().looping() ? 60 : duration))
                    .orElse(60.0);
            int count =
                    (int) Exact.round(lasting * stream.map(Stream::perSecond).orElse(0.0));
            if (lasting > SQUEEZED || count < 4) {
                return Optional.empty();
            }
            return Optional.of(new Finding(
                    "squeezed stream",
                    Finding.Severity.DOUBTFUL,
                    e.name(),
                    place + "birth/stream",
                    "is a stream of " + Words.number(lasting) + " s, born over "
                            + s.pace().stepsAt(lasting) + " frames; as a burst its " + count + " come at once",
                    s.mend(
                            "Make it a burst of " + count,
                            e,
                            x -> burst(x, stream.get().from(), count))));
        });
    }

    private static Emitter burst(Emitter emitter, double at, int count) {
        return emitter.withBirth(emitter.birth().with(d -> {
            List<Burst> bursts = new ArrayList<>(d.bursts);
            bursts.add(new Burst(at, count, count));
            d.bursts = bursts;
            d.stream = Optional.empty();
        }));
    }
}
