package bellrope.core.effect;

import bellrope.core.effect.Binding.Mode;
import bellrope.core.value.Range;
import bellrope.core.value.Vec3;
import java.util.function.DoubleUnaryOperator;

/** A setting of an emitter that a parameter can act on. Results are held inside what the setting allows. */
public enum Property {
    COUNT {
        @Override
        Emitter changed(Emitter e, DoubleUnaryOperator f) {
            return e.withBirth(e.birth()
                    .withBursts(e.birth().bursts().stream()
                            .map(burst -> {
                                Range count = mapped(new Range(burst.least(), burst.most()), f, 0, Burst.MOST);
                                return new Burst(
                                        burst.at(), (int) Math.rint(count.least()), (int) Math.rint(count.most()));
                            })
                            .toList()));
        }
    },
    RATE {
        @Override
        Emitter changed(Emitter e, DoubleUnaryOperator f) {
            return e.withBirth(e.birth()
                    .withStream(e.birth().stream()
                            .map(s -> new Stream(
                                    held(f.applyAsDouble(s.perSecond()), 1e-6, 5000), s.from(), s.lasting()))));
        }
    },
    LIFETIME {
        @Override
        Emitter changed(Emitter e, DoubleUnaryOperator f) {
            return e.withBirth(e.birth().withLifetime(mapped(e.birth().lifetime(), f, 1e-3, Birth.LONGEST_LIFE)));
        }
    },
    SPEED {
        @Override
        Emitter changed(Emitter e, DoubleUnaryOperator f) {
            return e.withBirth(e.birth().withSpeed(mapped(e.birth().speed(), f, 0, 1000)));
        }
    },
    SPREAD {
        @Override
        Emitter changed(Emitter e, DoubleUnaryOperator f) {
            return e.withBirth(
                    e.birth().withSpread(held(f.applyAsDouble(e.birth().spread()), 0, 180)));
        }
    },
    SIZE {
        @Override
        Emitter changed(Emitter e, DoubleUnaryOperator f) {
            return e.withBirth(e.birth().withSize(mapped(e.birth().size(), f, 0, 1000)));
        }
    },
    OPACITY {
        @Override
        Emitter changed(Emitter e, DoubleUnaryOperator f) {
            return e.withBirth(e.birth().withOpacity(mapped(e.birth().opacity(), f, 0, 1)));
        }
    },
    /** The strength of gravity; its direction stays. Adding acts on the strength. */
    GRAVITY {
        @Override
        Emitter changed(Emitter e, DoubleUnaryOperator f) {
            Life l = e.life();
            double strength = l.gravity().length();
            Vec3 direction = l.gravity().directionOr(Vec3.UP.times(-1));
            Vec3 gravity = direction.times(held(f.applyAsDouble(strength), -1000, 1000));
            return e.withLife(new Life(gravity, l.drag(), l.size(), l.opacity(), l.colour()));
        }
    },
    DRAG {
        @Override
        Emitter changed(Emitter e, DoubleUnaryOperator f) {
            Life l = e.life();
            double drag = held(f.applyAsDouble(l.drag()), 0, 100);
            return e.withLife(new Life(l.gravity(), drag, l.size(), l.opacity(), l.colour()));
        }
    };

    abstract Emitter changed(Emitter emitter, DoubleUnaryOperator change);

    /** Returns the emitter with this property changed by a parameter's value. */
    Emitter bound(Emitter emitter, Mode mode, double value) {
        return changed(
                emitter,
                switch (mode) {
                    case MULTIPLY -> authored -> authored * value;
                    case ADD -> authored -> authored + value;
                    case REPLACE -> authored -> value;
                });
    }

    private static Range mapped(Range r, DoubleUnaryOperator f, double lowest, double highest) {
        double a = held(f.applyAsDouble(r.least()), lowest, highest);
        double b = held(f.applyAsDouble(r.most()), lowest, highest);
        return new Range(Math.min(a, b), Math.max(a, b));
    }

    private static double held(double value, double lowest, double highest) {
        return Math.min(highest, Math.max(lowest, value));
    }
}
