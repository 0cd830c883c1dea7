package bellrope.core.check;

import bellrope.core.effect.Emitter;
import bellrope.core.effect.Life;
import bellrope.core.effect.Look;
import bellrope.core.value.Curve;
import bellrope.core.value.Ease;
import bellrope.core.value.Exact;
import bellrope.core.value.Gradient;
import bellrope.core.value.Words;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Particles that vanish while they can still be seen. */
final class Pops implements Check {
    private static final double SEEN = 0.05;
    private static final double SMALL = 0.01;

    @Override
    public List<Finding> look(Subject s) {
        return s.each((e, place) -> {
            double life = e.birth().lifetime().least();
            // Of two lanes of colours, the one that ends the more seen.
            double end = e.life().along(Life.Lane.COLOUR, 1, life);
            double colour = Math.max(
                    seen(e, e.life().colour(), end),
                    e.life().otherColour().map(other -> seen(e, other, end)).orElse(0.0));
            double lane = e.life().opacity().at(e.life().along(Life.Lane.OPACITY, 1, life));
            double last = (e.life().replaces(Life.Lane.OPACITY)
                            ? lane
                            : lane * e.birth().opacity().most())
                    * colour;
            double size = e.life().size().at(e.life().along(Life.Lane.SIZE, 1, life))
                    * (e.life().replaces(Life.Lane.SIZE) ? 1 : e.birth().size().most());
            if (last <= SEEN || size <= SMALL || s.counted(e).isEmpty()) {
                return Optional.empty();
            }
            return Optional.of(new Finding(
                    "pops",
                    Finding.Severity.DOUBTFUL,
                    e.name(),
                    place + "life/opacity",
                    "ends at opacity " + Words.number(Exact.rint(last * 100) / 100) + " and pops",
                    s.mend("Fade to 0", e, Pops::faded)));
        });
    }

    private static double seen(Emitter e, Gradient lane, double at) {
        float[] colour = new float[4];
        lane.write(colour, 0, at);
        return colour[3] * light(e, colour);
    }

    // How much of a colour is seen: light that is added is nothing where it is black.
    private static double light(Emitter e, float[] colour) {
        boolean adds = e.look().blend() == Look.Blend.ADDITIVE || e.look().blend() == Look.Blend.SCREEN;
        double bright =
                Math.max(colour[0], Math.max(colour[1], colour[2])) * e.look().brightness();
        return adds ? Math.min(1, bright) : 1;
    }

    private static Emitter faded(Emitter emitter) {
        List<Curve.Key> keys = new ArrayList<>(emitter.life().opacity().keys());
        Curve.Key last = keys.get(keys.size() - 1);
        if (last.at() >= 1) {
            keys.remove(keys.size() - 1);
        }
        if (keys.isEmpty() || keys.get(keys.size() - 1).at() < 0.7) {
            keys.add(new Curve.Key(0.7, emitter.life().opacity().at(0.7), Ease.LINEAR));
        }
        keys.add(new Curve.Key(1, 0, Ease.LINEAR));
        return emitter.withLife(emitter.life().withOpacity(new Curve(keys)));
    }
}
