package bellrope.core.check;

import bellrope.core.effect.Aim;
import bellrope.core.effect.Emitter;
import bellrope.core.sim.Watch.ByEmitter;
import bellrope.core.value.Exact;
import bellrope.core.value.Vec3;
import java.util.List;
import java.util.Optional;

/** An effect square to a surface that throws into it, with nothing there to bounce off. */
final class ThrowsIntoTheSurface implements Check {
    private static final double SOME = 0.15;

    @Override
    public List<Finding> look(Subject s) {
        if (!s.facesASurface()) {
            return List.of();
        }
        return s.each((e, place) -> {
            double into = s.counted(e).map(ByEmitter::intoShare).orElse(0.0);
            if (into <= SOME || !e.birth().byItself() || e.end().collision().isPresent()) {
                return Optional.empty();
            }
            return Optional.of(new Finding(
                    "into the surface",
                    Finding.Severity.DOUBTFUL,
                    e.name(),
                    place + "birth/aim",
                    "throws " + Exact.round(into * 100) + " % of its particles into the surface it faces away from",
                    remedy(s, e)));
        });
    }

    private static Optional<Finding.Remedy> remedy(Subject s, Emitter e) {
        if (e.birth().aim() instanceof Aim.Along along && along.axis().y() < 0) {
            Vec3 up = new Vec3(along.axis().x(), -along.axis().y(), along.axis().z());
            return s.mend("Rotation it over", e, x -> x.withBirth(x.birth().with(d -> d.aim = new Aim.Along(up))));
        }
        return e.birth().spread() > 80
                ? s.mend(
                        "Narrow the spread to 80°",
                        e,
                        x -> x.withBirth(x.birth().with(d -> d.spread = 80)))
                : s.mend("Throw along the facing", e, x -> x.withBirth(x.birth().with(d -> d.aim = Aim.UP)));
    }
}
