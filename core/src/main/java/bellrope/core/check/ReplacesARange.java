package bellrope.core.check;

import bellrope.core.effect.Emitter;
import bellrope.core.effect.Life;
import bellrope.core.effect.Life.Lane;
import bellrope.core.effect.Tint;
import bellrope.core.value.Curve;
import bellrope.core.value.Range;
import bellrope.core.value.Words;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;

/** A curve that replaces what particles were born with, where that differs from one to the next: the range does nothing. */
final class ReplacesARange implements Check {
    @Override
    public List<Finding> look(Subject s) {
        return s.each((e, place) -> {
            for (Lane lane : e.life().replaces()) {
                String ranged = ranged(e, lane);
                if (ranged != null) {
                    String name = lane.name().toLowerCase(Locale.ROOT);
                    return Optional.of(new Finding(
                            "replaces a range",
                            Finding.Severity.DOUBTFUL,
                            e.name(),
                            place + "life/" + name,
                            "draws its " + name + " from " + ranged + ", but the curve replaces it: all are alike",
                            s.mend("Multiply instead", e, x -> multiplying(x, lane))));
                }
            }
            return Optional.empty();
        });
    }

    private static Range range(Emitter e, Lane lane) {
        return switch (lane) {
            case SIZE -> e.birth().size();
            case OPACITY -> e.birth().opacity();
            case SPEED -> e.birth().speed();
            case SPIN -> e.birth().spin();
            case COLOUR -> null;
        };
    }

    private static String ranged(Emitter e, Lane lane) {
        if (lane == Lane.COLOUR) {
            return e.birth().colour() instanceof Tint.Between b && b.from().equals(b.to()) ? null : "several colours";
        }
        Range range = range(e, lane);
        return range.least() == range.most() ? null : Words.number(range.least()) + " to " + Words.number(range.most());
    }

    // The curve is divided by the middle of the range, so that the look on average stays.
    private static Emitter multiplying(Emitter e, Lane lane) {
        Set<Lane> left = EnumSet.noneOf(Lane.class);
        left.addAll(e.life().replaces());
        left.remove(lane);
        Life life = e.life().replacing(left);
        double middle = lane == Lane.COLOUR ? 1 : range(e, lane).middle();
        if (middle == 0) {
            return e.withLife(life);
        }
        return e.withLife(
                switch (lane) {
                    case SIZE -> life.withSize(divided(life.size(), middle, 1000));
                    case OPACITY -> life.withOpacity(divided(life.opacity(), middle, 1));
                    case SPEED -> life.withSpeed(divided(life.speed(), middle, 1000));
                    case SPIN -> life.withSpin(divided(life.spin(), middle, 36_000));
                    case COLOUR -> life;
                });
    }

    private static Curve divided(Curve curve, double by, double most) {
        return new Curve(curve.keys().stream()
                .map(k -> new Curve.Key(k.at(), Math.max(-most, Math.min(most, k.value() / by)), k.ease()))
                .toList());
    }
}
