package bellrope.core.check;

import bellrope.core.effect.Emitter;
import bellrope.core.effect.Life;
import bellrope.core.effect.Look;
import bellrope.core.effect.Sprite;
import bellrope.core.effect.Tint;
import bellrope.core.value.Curve;
import bellrope.core.value.Gradient;
import bellrope.core.value.Range;
import bellrope.core.value.Rgba;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** Particles that nobody ever sees, because of their opacity, size, colour or picture. */
final class InvisibleFromBirth implements Check {
    @Override
    public List<Finding> look(Subject s) {
        return s.each((e, place) -> {
            boolean unlit = e.look().blend() != Look.Blend.ALPHA
                    && e.look().blend() != Look.Blend.MULTIPLY
                    && Double.isInfinite(e.saturation());
            boolean empty = s.sprite(e).map(Sprite::coverage).orElse(1.0) <= 0;
            if (s.counted(e).isEmpty() || s.counted(e).get().seen() && !unlit && !empty) {
                return Optional.empty();
            }
            if (empty) {
                return found(
                        e,
                        place + "look/sprite",
                        "its sprite \"" + e.look().sprite() + "\" is empty",
                        Optional.empty());
            }
            if (unlit) {
                return found(
                        e,
                        place + "birth/colour",
                        "black adds no light; with this blend mode it leaves no trace",
                        s.mend("Make it white", e, InvisibleFromBirth::white));
            }
            double most = e.life().size().keys().stream()
                    .mapToDouble(Curve.Key::value)
                    .max()
                    .orElse(0);
            boolean small = (e.life().replaces(Life.Lane.SIZE)
                            ? most
                            : most * e.birth().size().most())
                    < 0.01;
            if (small) {
                return found(
                        e,
                        place + "birth/size",
                        "it is smaller than 0.01 u all its life",
                        s.mend(
                                "Make it 0.2 u",
                                e,
                                x -> x.withBirth(x.birth().with(d -> d.size = Range.of(0.2)))
                                        .withLife(most > 0 ? x.life() : x.life().withSize(Curve.ONE))));
            }
            return found(
                    e,
                    place + "birth/opacity",
                    "its opacity stays below 0.02 all its life",
                    s.mend(
                            "Make it opaque and let it fade",
                            e,
                            x -> white(x).withBirth(white(x).birth().with(d -> d.opacity = Range.ONE))
                                    .withLife(x.life().withOpacity(Curve.through(0, 1, 0.7, 1, 1, 0)))));
        });
    }

    private static Emitter white(Emitter e) {
        boolean replaced = e.life().replaces(Life.Lane.COLOUR);
        Life life = replaced ? e.life().replacing(Set.of()) : e.life();
        Life lit = life.withColour(Gradient.WHITE);
        return e.withBirth(e.birth().with(d -> d.colour = new Tint.Between(Rgba.WHITE, Rgba.WHITE)))
                .withLife(lit);
    }

    private static Optional<Finding> found(Emitter e, String place, String words, Optional<Finding.Remedy> remedy) {
        return Optional.of(
                new Finding("invisible", Finding.Severity.WRONG, e.name(), place, "is never seen: " + words, remedy));
    }
}
