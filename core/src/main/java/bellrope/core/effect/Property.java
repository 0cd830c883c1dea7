package bellrope.core.effect;

import bellrope.core.effect.Binding.Mode;
import bellrope.core.value.Bounds;
import bellrope.core.value.Curve;
import bellrope.core.value.Exact;
import bellrope.core.value.Range;
import bellrope.core.value.Rgba;
import bellrope.core.value.Vec3;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.DoubleUnaryOperator;

/** A setting of an emitter that a parameter can act on. Results are held inside what the setting allows. */
public enum Property {
    COUNT("", 0) {
        @Override
        Emitter changed(Emitter e, DoubleUnaryOperator f) {
            return e.withBirth(e.birth()
                    .with(d -> d.bursts = e.birth().bursts().stream()
                            .map(burst -> {
                                Range count = mapped(new Range(burst.least(), burst.most()), f, 0, Burst.MOST);
                                return burst.withCount((int) Exact.rint(count.least()), (int) Exact.rint(count.most()));
                            })
                            .toList()));
        }
    },
    /** What is born over time and by the way that the source travels. */
    RATE("1/s", 0) {
        @Override
        Emitter changed(Emitter e, DoubleUnaryOperator f) {
            return e.withBirth(e.birth().with(d -> {
                d.stream = d.stream.map(s -> s.withRate(Stream.PER_SECOND.held(f.applyAsDouble(s.perSecond()))));
                if (d.perUnit.isPresent()) {
                    d.perUnit = OptionalDouble.of(Birth.PER_UNIT.held(f.applyAsDouble(d.perUnit.getAsDouble())));
                }
            }));
        }
    },
    LIFETIME("s", 0) {
        @Override
        Emitter changed(Emitter e, DoubleUnaryOperator f) {
            return e.withBirth(e.birth().with(d -> d.lifetime = mapped(d.lifetime, f, 1e-3, Birth.LIFETIME.most())));
        }
    },
    /** The speed they are born with, and the one drawn over life where that stands instead of it. */
    SPEED("u/s", 1) {
        @Override
        Emitter changed(Emitter e, DoubleUnaryOperator f) {
            Emitter born = e.withBirth(e.birth().with(d -> d.speed = mapped(d.speed, f, Birth.SPEED)));
            return e.life().replaces(Life.Lane.SPEED)
                    ? born.withLife(e.life().withSpeed(lane(e.life().speed(), f, Life.SPEED)))
                    : born;
        }
    },
    SPREAD("°", 0) {
        @Override
        Emitter changed(Emitter e, DoubleUnaryOperator f) {
            return e.withBirth(e.birth().with(d -> d.spread = Birth.SPREAD.held(f.applyAsDouble(d.spread))));
        }
    },
    /** The size they are born with, and the one drawn over life where that stands instead of it. */
    SIZE("u", 1) {
        @Override
        Emitter changed(Emitter e, DoubleUnaryOperator f) {
            Emitter born = e.withBirth(e.birth().with(d -> {
                d.size = mapped(d.size, f, Birth.SIZE);
                d.sizes = d.sizes.stream()
                        .map(s -> new Birth.Pick(Birth.Pick.SIZE.held(f.applyAsDouble(s.size())), s.weight()))
                        .toList();
                d.height = d.height.map(h -> mapped(h, f, Birth.HEIGHT));
            }));
            return e.life().replaces(Life.Lane.SIZE)
                    ? born.withLife(e.life().withSize(lane(e.life().size(), f, Life.SIZE)))
                    : born;
        }
    },
    OPACITY("", 0) {
        @Override
        Emitter changed(Emitter e, DoubleUnaryOperator f) {
            return e.withBirth(e.birth().with(d -> d.opacity = mapped(d.opacity, f, Birth.OPACITY)));
        }
    },
    /** The strength of gravity; its direction stays. Adding acts on the strength. */
    GRAVITY("u/s²", 1) {
        @Override
        Emitter changed(Emitter e, DoubleUnaryOperator f) {
            Vec3 g = e.life().gravity();
            double strength = Life.GRAVITY.held(f.applyAsDouble(g.length()));
            return e.withLife(
                    e.life().withGravity(g.directionOr(Vec3.UP.times(-1)).times(strength)));
        }

        @Override
        Emitter moved(Emitter e, Mode mode, Vec3 by) {
            Vec3 g = mode == Mode.ADD ? e.life().gravity().plus(by) : by;
            return e.withLife(e.life().withGravity(inside(g, 1000)));
        }
    },
    DRAG("1/s", 0) {
        @Override
        Emitter changed(Emitter e, DoubleUnaryOperator f) {
            Life l = e.life();
            return e.withLife(l.withDrag(Life.DRAG.held(f.applyAsDouble(l.dragPerSecond()))));
        }
    },
    /** The strength of every force: multiplied; adding and replacing act on the strength of each. */
    FORCE("u/s²", 1) {
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
    BRIGHTNESS("", 0) {
        @Override
        Emitter changed(Emitter e, DoubleUnaryOperator f) {
            return e.withLook(e.look()
                    .withBrightness(
                            Look.BRIGHTNESS.held(f.applyAsDouble(e.look().brightness()))));
        }
    },
    /** Every length of the shape that particles are born in; a vector acts on the sides of a box. */
    SHAPE("u", 1) {
        @Override
        Emitter changed(Emitter e, DoubleUnaryOperator f) {
            return e.withBirth(e.birth().with(d -> d.shape = d.shape.sized(f)));
        }

        @Override
        Emitter moved(Emitter e, Mode mode, Vec3 by) {
            if (!(e.birth().shape() instanceof Shape.Box box)) {
                return e;
            }
            Vec3 size = mode == Mode.ADD ? box.size().plus(by) : by;
            return e.withBirth(e.birth()
                    .with(d -> d.shape = new Shape.Box(new Vec3(
                            Shape.Box.SIZE.held(size.x()),
                            Shape.Box.SIZE.held(size.y()),
                            Shape.Box.SIZE.held(size.z())))));
        }
    },
    /** How far the emitter is from the effect's place; a number acts on the distance, a vector on the place. */
    OFFSET("u", 1) {
        @Override
        Emitter changed(Emitter e, DoubleUnaryOperator f) {
            return e.withBirth(e.birth().with(d -> d.offset = stretched(d.offset, f)));
        }

        @Override
        Emitter moved(Emitter e, Mode mode, Vec3 by) {
            Vec3 offset = mode == Mode.ADD ? e.birth().offset().plus(by) : by;
            return e.withBirth(e.birth().with(d -> d.offset = inside(offset, 10_000)));
        }
    },
    /** How far forces reach: the radius of attractors and swirls, the size of turbulence. */
    FORCE_REACH("u", 1) {
        @Override
        Emitter changed(Emitter e, DoubleUnaryOperator f) {
            return e.withLife(e.life()
                    .withForces(e.life().forces().stream()
                            .map(force -> force.reaching(f))
                            .toList()));
        }
    },
    /** How far the places of attractors and swirls are from the effect's; a vector acts on the places. */
    FORCE_PLACE("u", 1) {
        @Override
        Emitter changed(Emitter e, DoubleUnaryOperator f) {
            return e.withLife(e.life()
                    .withForces(e.life().forces().stream()
                            .map(force -> force.placed(f))
                            .toList()));
        }

        @Override
        Emitter moved(Emitter e, Mode mode, Vec3 by) {
            return e.withLife(e.life()
                    .withForces(e.life().forces().stream()
                            .map(force -> force.at(place -> inside(mode == Mode.ADD ? place.plus(by) : by, 10_000)))
                            .toList()));
        }
    },
    /** The length of the ribbon behind each particle, in seconds or in units. */
    TRAIL("u", 1) {
        @Override
        Emitter changed(Emitter e, DoubleUnaryOperator f) {
            return e.withEnd(e.end().withTrail(e.end().trail().map(t -> t.withLength(f.applyAsDouble(t.length())))));
        }

        @Override
        boolean scales(Emitter e) {
            return e.end().trail().map(t -> t.by() == End.Trail.By.UNITS).orElse(false);
        }
    },
    /** How far what particles strike is from the effect's place, and how large it is. */
    BARRIER("u", 1) {
        @Override
        Emitter changed(Emitter e, DoubleUnaryOperator f) {
            return e.withEnd(e.end()
                    .withCollision(e.end().collision().map(c -> c.with(c.with().sized(f)))));
        }
    },
    BOUNCE("", 0) {
        @Override
        Emitter changed(Emitter e, DoubleUnaryOperator f) {
            return e.withEnd(e.end()
                    .withCollision(e.end()
                            .collision()
                            .map(c -> c.bouncing(End.Collision.BOUNCE.held(f.applyAsDouble(c.bounce()))))));
        }
    },
    /** What is born for each unit travelled, by the source or by particles. */
    PER_UNIT("1/u", -1) {
        @Override
        Emitter changed(Emitter e, DoubleUnaryOperator f) {
            Emitter born = e.birth().perUnit().isEmpty()
                    ? e
                    : e.withBirth(e.birth()
                            .with(d -> d.perUnit =
                                    OptionalDouble.of(Birth.PER_UNIT.held(f.applyAsDouble(d.perUnit.getAsDouble())))));
            return e.end().children().stream().noneMatch(End.Child::perUnit)
                    ? born
                    : born.withEnd(e.end()
                            .withChildren(e.end().children().stream()
                                    .map(c -> c.perUnit()
                                            ? c.withRate(End.Child.RATE.held(f.applyAsDouble(c.rate())))
                                            : c)
                                    .toList()));
        }
    },
    PLAYBACK("×", 0) {
        @Override
        Emitter changed(Emitter e, DoubleUnaryOperator f) {
            return e.withPlayback(Course.PLAYBACK.held(f.applyAsDouble(e.playback())));
        }
    },
    DELAY("s", 0) {
        @Override
        Emitter changed(Emitter e, DoubleUnaryOperator f) {
            return e.withBirth(e.birth().with(d -> d.delay = Birth.DELAY.held(f.applyAsDouble(d.delay))));
        }
    },
    ROTATION("°", 0) {
        @Override
        Emitter changed(Emitter e, DoubleUnaryOperator f) {
            return e.withBirth(e.birth().with(d -> d.rotation = mapped(d.rotation, f, Birth.ROTATION)));
        }
    },
    SPIN("°/s", 0) {
        @Override
        Emitter changed(Emitter e, DoubleUnaryOperator f) {
            return e.withBirth(e.birth().with(d -> d.spin = mapped(d.spin, f, Birth.SPIN)));
        }
    },
    /** The picture and its sheet; only for a choice whose words are names of sprites. */
    SPRITE("", 0) {
        @Override
        Emitter changed(Emitter e, DoubleUnaryOperator f) {
            return e;
        }
    },
    /** The colours they are born with; only for parameters that are colours. */
    COLOUR("", 0) {
        @Override
        Emitter changed(Emitter e, DoubleUnaryOperator f) {
            return e;
        }
    };

    private final String unit;
    private final int scaling;

    /** @param scaling the power of the scale with which it grows when an effect is scaled uniformly (dynamic similarity) */
    Property(String unit, int scaling) {
        this.unit = unit;
        this.scaling = scaling;
    }

    abstract Emitter changed(Emitter emitter, DoubleUnaryOperator change);

    /** Returns its unit; empty where it has none. */
    public String unit() {
        return unit;
    }

    /**
     * Returns the power of the scale with which it must grow when an effect is scaled uniformly: 1 for lengths, speeds and
     * accelerations, −1 for what comes per unit of length, 0 for times, angles and shares. That way every length is
     * multiplied and every time stays, which leaves the equations of motion as they are (dimensional analysis, dynamic
     * similarity).
     */
    public int scaling() {
        return scaling;
    }

    /** Returns what multiplies it under a uniform scale. */
    public Mode scalingMode() {
        return scaling < 0 ? Mode.DIVIDE : Mode.MULTIPLY;
    }

    /** Tells whether a true scale must reach this property of an emitter. */
    public boolean mustScale(Emitter emitter) {
        return scaling != 0 && scales(emitter) && numbers(emitter).stream().anyMatch(n -> n != 0);
    }

    boolean scales(Emitter emitter) {
        return true;
    }

    /** Tells whether it says how many are born, or for how long they live. */
    public boolean births() {
        return this == COUNT || this == RATE || this == PER_UNIT || this == LIFETIME;
    }

    /** Tells whether it says when they are born, or for how long they live at most. */
    public boolean times() {
        return this == RATE || this == LIFETIME || this == PLAYBACK || this == DELAY;
    }

    /**
     * Tells whether all particles of an instance share it from its beginning, so that it cannot change while it plays; what is
     * {@link #motion} can where a life is live.
     */
    public boolean lasting() {
        return motion()
                || this == BARRIER
                || this == BOUNCE
                || this == TRAIL
                || this == BRIGHTNESS
                || this == PLAYBACK
                || this == SPRITE
                || this == DELAY;
    }

    /** Tells whether it acts on particles on their way. */
    public boolean motion() {
        return this == GRAVITY || this == DRAG || this == FORCE || this == FORCE_REACH || this == FORCE_PLACE;
    }

    /** Tells whether a vector can act on it. */
    public boolean vector() {
        return this == OFFSET || this == GRAVITY || this == SHAPE || this == FORCE_PLACE;
    }

    /** Returns every number of an emitter that this property covers, as authored; none where there is nothing to act on. */
    public List<Double> numbers(Emitter emitter) {
        List<Double> found = new ArrayList<>();
        changed(emitter, n -> {
            found.add(n);
            return n;
        });
        return found;
    }

    /** Returns the least and the most of an emitter's {@link #numbers}. */
    public Optional<Range> base(Emitter emitter) {
        List<Double> found = numbers(emitter);
        return found.isEmpty()
                ? Optional.empty()
                : Optional.of(new Range(
                        found.stream().mapToDouble(n -> n).min().getAsDouble(),
                        found.stream().mapToDouble(n -> n).max().getAsDouble()));
    }

    /** Returns the emitter with this property multiplied. */
    public Emitter multiplied(Emitter emitter, double factor) {
        return bound(emitter, Mode.MULTIPLY, factor);
    }

    /** Returns the emitter with this property changed by a number; the very same where the number is neutral. */
    Emitter bound(Emitter emitter, Mode mode, double value) {
        if (value == mode.neutral()) {
            return emitter;
        }
        return changed(
                emitter,
                switch (mode) {
                    case MULTIPLY -> authored -> authored * value;
                    case DIVIDE -> authored -> authored == 0 ? 0 : authored / value;
                    case ADD -> authored -> authored + value;
                    case REPLACE -> authored -> value;
                });
    }

    /** Returns the emitter with this property changed by a vector. */
    Emitter moved(Emitter emitter, Mode mode, Vec3 by) {
        return emitter;
    }

    /** Returns the emitter drawn with the sprite of that name. */
    Emitter drawn(Emitter emitter, String sprite) {
        return emitter.look().sprite().equals(sprite)
                ? emitter
                : emitter.withLook(emitter.look().withSprite(sprite));
    }

    /** Returns the emitter with its colours multiplied by, or all the same as, another. */
    Emitter tinted(Emitter emitter, Mode mode, Rgba colour) {
        if (mode == Mode.MULTIPLY && colour.equals(Rgba.WHITE)) {
            return emitter;
        }
        Tint tint = mode == Mode.MULTIPLY ? emitter.birth().colour().times(colour) : new Tint.Between(colour, colour);
        return emitter.withBirth(emitter.birth().with(d -> d.colour = tint));
    }

    static Range mapped(Range r, DoubleUnaryOperator f, Bounds bounds) {
        double a = bounds.held(f.applyAsDouble(r.least()));
        double b = bounds.held(f.applyAsDouble(r.most()));
        return new Range(Math.min(a, b), Math.max(a, b));
    }

    static Range mapped(Range r, DoubleUnaryOperator f, double lowest, double highest) {
        double a = held(f.applyAsDouble(r.least()), lowest, highest);
        double b = held(f.applyAsDouble(r.most()), lowest, highest);
        return new Range(Math.min(a, b), Math.max(a, b));
    }

    private static Curve lane(Curve curve, DoubleUnaryOperator f, Bounds bounds) {
        return new Curve(curve.keys().stream()
                .map(k -> new Curve.Key(k.at(), bounds.held(f.applyAsDouble(k.value())), k.ease()))
                .toList());
    }

    /** Returns a vector with its length changed; one without a length stays. */
    static Vec3 stretched(Vec3 v, DoubleUnaryOperator f) {
        double length = v.length();
        return length == 0 ? v : inside(v.times(held(f.applyAsDouble(length), -40_000, 40_000) / length), 10_000);
    }

    private static Vec3 inside(Vec3 v, double most) {
        return new Vec3(held(v.x(), -most, most), held(v.y(), -most, most), held(v.z(), -most, most));
    }

    static double held(double value, double lowest, double highest) {
        return Math.min(highest, Math.max(lowest, value));
    }
}
