package bellrope.core.effect;

import bellrope.core.effect.Binding.Mode;
import bellrope.core.value.Range;
import bellrope.core.value.Vec3;
import java.util.OptionalDouble;
import java.util.function.DoubleUnaryOperator;

/** A setting of an emitter that a parameter can act on. Results are held inside what the setting allows. */
public enum Property {
    COUNT {
        @Override
        Emitter changed(Emitter e, DoubleUnaryOperator f) {
            return e.withBirth(e.birth()
                    .with(d -> d.bursts = e.birth().bursts().stream()
                            .map(burst -> {
                                Range count = mapped(new Range(burst.least(), burst.most()), f, 0, Burst.MOST);
                                return burst.withCount((int) Math.rint(count.least()), (int) Math.rint(count.most()));
                            })
                            .toList()));
        }
    },
    RATE {
        @Override
        Emitter changed(Emitter e, DoubleUnaryOperator f) {
            return e.withBirth(e.birth().with(d -> {
                d.stream = d.stream.map(s -> s.withRate(held(f.applyAsDouble(s.perSecond()), 1e-6, 5000)));
                if (d.perUnit.isPresent()) {
                    d.perUnit = OptionalDouble.of(held(f.applyAsDouble(d.perUnit.getAsDouble()), 1e-6, 1000));
                }
            }));
        }
    },
    LIFETIME {
        @Override
        Emitter changed(Emitter e, DoubleUnaryOperator f) {
            return e.withBirth(e.birth().with(d -> d.lifetime = mapped(d.lifetime, f, 1e-3, Birth.LONGEST_LIFE)));
        }
    },
    SPEED {
        @Override
        Emitter changed(Emitter e, DoubleUnaryOperator f) {
            return e.withBirth(e.birth().with(d -> d.speed = mapped(d.speed, f, 0, 1000)));
        }
    },
    SPREAD {
        @Override
        Emitter changed(Emitter e, DoubleUnaryOperator f) {
            return e.withBirth(e.birth().with(d -> d.spread = held(f.applyAsDouble(d.spread), 0, 180)));
        }
    },
    SIZE {
        @Override
        Emitter changed(Emitter e, DoubleUnaryOperator f) {
            return e.withBirth(e.birth().with(d -> {
                d.size = mapped(d.size, f, 0, 1000);
                d.height = d.height.map(h -> mapped(h, f, 0, 1000));
            }));
        }
    },
    OPACITY {
        @Override
        Emitter changed(Emitter e, DoubleUnaryOperator f) {
            return e.withBirth(e.birth().with(d -> d.opacity = mapped(d.opacity, f, 0, 1)));
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
            return e.withLife(l.withGravity(gravity));
        }
    },
    DRAG {
        @Override
        Emitter changed(Emitter e, DoubleUnaryOperator f) {
            Life l = e.life();
            return e.withLife(l.withDrag(held(f.applyAsDouble(l.dragPerSecond()), 0, 100)));
        }
    },
    /** The strength of every force: multiplied; adding and replacing act on the strength of each. */
    FORCE {
        @Override
        Emitter changed(Emitter e, DoubleUnaryOperator f) {
            return e.withLife(e.life()
                    .withForces(e.life().forces().stream()
                            .map(force -> force.strength() == 0
                                    ? force
                                    : force.times(f.applyAsDouble(force.strength()) / force.strength()))
                            .toList()));
        }
    },
    BRIGHTNESS {
        @Override
        Emitter changed(Emitter e, DoubleUnaryOperator f) {
            return e.withLook(
                    e.look().withBrightness(held(f.applyAsDouble(e.look().brightness()), 0, 1000)));
        }
    };

    abstract Emitter changed(Emitter emitter, DoubleUnaryOperator change);

    /** Returns the emitter with this property multiplied. */
    public Emitter multiplied(Emitter emitter, double factor) {
        return bound(emitter, Mode.MULTIPLY, factor);
    }

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
