package bellrope.core.check;

import bellrope.core.effect.Emitter;
import bellrope.core.effect.Life;
import bellrope.core.effect.Look;
import bellrope.core.value.Curve;
import bellrope.core.value.Ease;
import bellrope.core.value.Words;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Something like smoke that is at its full size on its first frame; a short grow-in looks right (common practice). */
final class FullSizeAtOnce implements Check {
    private static final double GROWN_IN = 0.15;

    @Override
    public List<Finding> look(Subject s) {
        return s.each((e, place) -> !smokeLike(s, e) || !fullAtOnce(e)
                ? Optional.empty()
                : Optional.of(new Finding(
                        "full size at once",
                        Finding.Severity.DOUBTFUL,
                        e.name(),
                        place + "life/size",
                        "is at full size on its first frame",
                        s.mend("Grow in over " + Words.number(GROWN_IN) + " s", e, FullSizeAtOnce::grown))));
    }

    /** Soft, slow, light, and there for a while. */
    private static boolean smokeLike(Subject s, Emitter e) {
        return e.look().blend() == Look.Blend.ALPHA
                && e.look().posture() instanceof Look.Posture.Camera
                && e.birth().lifetime().middle() >= 0.5
                && e.birth().size().middle() >= 0.25
                && e.birth().speed().middle() <= 2.5
                && e.life().gravity().y() >= -0.8
                && s.sprite(e).map(sprite -> sprite.coverage() < 0.3).orElse(false);
    }

    private static boolean fullAtOnce(Emitter e) {
        Curve size = e.life().size();
        double middle = e.birth().lifetime().middle();
        double soon = e.life().along(Life.Lane.SIZE, Math.min(1, GROWN_IN / middle), middle);
        double first = size.at(0);
        double grown = Math.max(size.at(soon), size.at(soon / 2));
        boolean shrinks = first >= grown * 0.85;
        return shrinks && e.life().opacity().at(0) > 0.3 && !e.life().replaces(Life.Lane.SIZE);
    }

    private static Emitter grown(Emitter e) {
        double middle = e.birth().lifetime().middle();
        double until = Math.min(0.5, e.life().along(Life.Lane.SIZE, Math.min(1, GROWN_IN / middle), middle));
        Curve size = e.life().size();
        List<Curve.Key> keys = new ArrayList<>();
        keys.add(new Curve.Key(0, size.at(0) * 0.2, Ease.EASE_OUT));
        keys.add(new Curve.Key(until, size.at(until), Ease.LINEAR));
        size.keys().stream().filter(k -> k.at() > until).forEach(keys::add);
        return e.withLife(e.life().withSize(new Curve(keys)));
    }
}
