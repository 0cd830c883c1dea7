package bellrope.core.check;

import bellrope.core.effect.Emitter;
import bellrope.core.effect.Life;
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
            double last = lastSeen(e);
            return Optional.of(new Finding(
                    "unseen",
                    Finding.Severity.DOUBTFUL,
                    e.name(),
                    place + "birth/lifetime",
                    "is alive but not seen for " + Math.round(unseen * 100) + " % of its life",
                    last >= 0.95
                            ? Optional.empty()
                            : s.mend(
                                    "End it after " + Math.round(last * 100) + " % of its life",
                                    e,
                                    x -> ended(x, last))));
        });
    }

    private static double lastSeen(Emitter e) {
        for (int i = 100; i > 5; i--) {
            double f = i / 100.0;
            if (e.life().opacity().at(f) * e.birth().opacity().most() >= 0.02
                    && e.life().size().at(f) * e.birth().size().most() >= 0.01) {
                return Math.min(1, f + 0.02);
            }
        }
        return 1;
    }

    // All lanes are stretched by as much as the life is shortened, so that what is seen stays.
    private static Emitter ended(Emitter e, double at) {
        Life life = e.life()
                .withSize(e.life().size().upTo(at))
                .withOpacity(e.life().opacity().upTo(at))
                .withSpeed(e.life().speed().upTo(at))
                .withSpin(e.life().spin().upTo(at));
        return e.withLife(life).withBirth(e.birth().with(d -> d.lifetime = d.lifetime.times(at)));
    }
}
