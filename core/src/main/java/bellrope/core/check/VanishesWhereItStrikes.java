package bellrope.core.check;

import bellrope.core.effect.Emitter;
import bellrope.core.effect.End;
import bellrope.core.effect.Life;
import bellrope.core.value.Exact;
import bellrope.core.value.Words;
import java.util.List;
import java.util.Optional;

/** Particles that die where they strike, in plain sight, and leave nothing behind: they pop. */
final class VanishesWhereItStrikes implements Check {
    private static final double SEEN = 0.3;
    /** Opacity times size times how much of the picture is opaque: below it, it goes unnoticed. */
    private static final double NOTICED = 0.03;

    @Override
    public List<Finding> look(Subject s) {
        return s.each((e, place) -> {
            boolean dies = e.end()
                    .collision()
                    .filter(c -> c.then() == End.Outcome.DIES)
                    .isPresent();
            boolean leaves = e.end().children().stream()
                    .anyMatch(c -> c.when() == End.Child.When.ON_COLLISION || c.when() == End.Child.When.AT_END);
            boolean struck = s.counted(e).map(by -> by.hits() > 0).orElse(false);
            if (!dies || leaves || !struck) {
                return Optional.empty();
            }
            double life = e.birth().lifetime().middle();
            double lane = e.life().opacity().at(e.life().along(Life.Lane.OPACITY, 0.5, life));
            double opacity = e.life().replaces(Life.Lane.OPACITY)
                    ? lane
                    : lane * e.birth().opacity().middle();
            double size = e.life().size().at(e.life().along(Life.Lane.SIZE, 0.5, life))
                    * (e.life().replaces(Life.Lane.SIZE) ? 1 : e.birth().size().middle());
            double solid = s.sprite(e).map(sprite -> sprite.coverage()).orElse(1.0);
            if (opacity < SEEN || opacity * size * solid < NOTICED) {
                return Optional.empty();
            }
            return Optional.of(new Finding(
                    "vanishes",
                    Finding.Severity.DOUBTFUL,
                    e.name(),
                    place + "end/collision",
                    "dies where it strikes at about opacity " + Words.number(Exact.rint(opacity * 100) / 100)
                            + " and leaves nothing behind",
                    s.mend("Let it stick until its end", e, VanishesWhereItStrikes::sticking)));
        });
    }

    private static Emitter sticking(Emitter e) {
        End end = e.end();
        return e.withEnd(new End(
                end.collision()
                        .map(c -> new End.Collision(
                                c.with(), c.bounce(), c.friction(), c.lifeLost(), End.Outcome.STICKS)),
                end.children(),
                end.trail()));
    }
}
