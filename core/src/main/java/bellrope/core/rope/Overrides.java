package bellrope.core.rope;

import bellrope.core.effect.Course;
import bellrope.core.effect.Effect;
import bellrope.core.effect.Emitter;
import bellrope.core.effect.Property;
import bellrope.core.value.Bounds;
import bellrope.core.value.Rgba;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;

/**
 * What a rope says otherwise than the shared effect, which it leaves untouched.
 *
 * @param count multiplies bursts and streams
 * @param size multiplies sizes
 * @param speed multiplies speeds of birth
 * @param duration seconds that stand instead of the effect's
 * @param colour multiplies every colour in linear light, its opacity every opacity
 * @param fadeOut seconds that stand instead of a loop's own fade-out
 * @param cutAfter seconds after which the instance is taken off, whatever still lives
 * @param order how far in front it is drawn, instead of the effect's own
 */
public record Overrides(
        double count,
        double size,
        double speed,
        OptionalDouble duration,
        Optional<Rgba> colour,
        OptionalDouble fadeOut,
        OptionalDouble cutAfter,
        OptionalInt order) {
    public static final Bounds ORDER = Bounds.around(100);
    public static final Bounds COUNT = Bounds.of(0, 100);
    public static final Bounds SIZE = Bounds.of(0, 100);
    public static final Bounds SPEED = Bounds.of(0, 100);
    public static final Bounds DURATION = Bounds.of(0.02, 60);
    public static final Bounds FADE_OUT = Bounds.of(0, 60);
    public static final Bounds CUT_AFTER = Bounds.above(0, 130);

    public static final Overrides NONE = new Overrides(
            1, 1, 1, OptionalDouble.empty(), Optional.empty(), OptionalDouble.empty(), OptionalDouble.empty());

    /** Overrides that leave the drawing order alone. */
    public Overrides(
            double count,
            double size,
            double speed,
            OptionalDouble duration,
            Optional<Rgba> colour,
            OptionalDouble fadeOut,
            OptionalDouble cutAfter) {
        this(count, size, speed, duration, colour, fadeOut, cutAfter, OptionalInt.empty());
    }

    public Overrides {
        ORDER.check("order", order);
        COUNT.check("count", count);
        SIZE.check("size", size);
        SPEED.check("speed", speed);
        DURATION.check("duration", duration);
        FADE_OUT.check("fadeOut", fadeOut);
        CUT_AFTER.check("cutAfter", cutAfter);
    }

    /** Only a factor on counts. */
    public static Overrides count(double factor) {
        return new Overrides(
                factor, 1, 1, OptionalDouble.empty(), Optional.empty(), OptionalDouble.empty(), OptionalDouble.empty());
    }

    public boolean none() {
        return equals(NONE);
    }

    /** Returns the effect as this rope plays it; the very same one where nothing is overridden. */
    public Effect over(Effect effect) {
        if (none()) {
            return effect;
        }
        Course course = effect.course();
        Course changed = new Course(
                course.looping(),
                duration.orElse(course.duration()),
                course.windUp(),
                course.looping() ? fadeOut.orElse(course.fadeOut()) : 0,
                course.playback());
        return effect.withCourse(changed)
                .ordered(order.orElse(effect.order()))
                .withEmitters(effect.emitters().stream().map(this::over).toList());
    }

    private Emitter over(Emitter emitter) {
        Emitter changed = emitter;
        if (count != 1) {
            changed = Property.COUNT.multiplied(Property.RATE.multiplied(changed, count), count);
        }
        if (size != 1) {
            changed = Property.SIZE.multiplied(changed, size);
        }
        if (speed != 1) {
            changed = Property.SPEED.multiplied(changed, speed);
        }
        if (colour.isPresent()) {
            Rgba tint = colour.get();
            Emitter plain = changed;
            changed = plain.withBirth(
                    plain.birth().with(d -> d.colour = plain.birth().colour().times(tint)));
        }
        return changed;
    }
}
