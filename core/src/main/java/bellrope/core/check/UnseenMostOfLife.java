package bellrope.core.check;

import bellrope.core.effect.Emitter;
import bellrope.core.effect.Life;
import bellrope.core.value.Curve;
import bellrope.core.value.Exact;
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
                    "is alive but not seen for " + Exact.round(unseen * 100) + " % of its life",
                    last >= 0.95
                            ? Optional.empty()
                            : s.mend(
                                    "End it after " + Exact.round(last * 100) + " % of its life",
                                    e,
                                    x -> ended(x, last))));
        });
    }

    private static double lastSeen(Emitter e) {
        double life = e.birth().lifetime().middle();
        for (int i = 100; i > 5; i--) {
            double f = i / 100.0;
            double opacity = e.life().opacity().at(e.life().along(Life.Lane.OPACITY, f, life));
            double size = e.life().size().at(e.life().along(Life.Lane.SIZE, f, life));
            if (opacity * e.birth().opacity().most() >= 0.02
                    && size * e.birth().size().most() >= 0.01) {
                return Math.min(1, f + 0.02);
            }
        }
        return 1;
    }

    // Lanes that run over life are stretched by as much as it is shortened, so that what is seen stays.
    private static Emitter ended(Emitter e, double at) {
        Life life = e.life();
        Life cut = life.withSize(cut(life, Life.Lane.SIZE, life.size(), at))
                .withOpacity(cut(life, Life.Lane.OPACITY, life.opacity(), at))
                .withSpeed(cut(life, Life.Lane.SPEED, life.speed(), at))
                .withSpin(cut(life, Life.Lane.SPIN, life.spin(), at));
        return e.withLife(cut).withBirth(e.birth().with(d -> d.lifetime = d.lifetime.times(at)));
    }

    private static Curve cut(Life life, Life.Lane lane, Curve curve, double at) {
        return life.timed().containsKey(lane) ? curve : curve.upTo(at);
    }
}
