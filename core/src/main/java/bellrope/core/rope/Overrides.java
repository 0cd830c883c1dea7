package bellrope.core.rope;

import bellrope.core.effect.Course;
import bellrope.core.effect.Effect;
import bellrope.core.effect.Emitter;
import bellrope.core.effect.Property;
import bellrope.core.value.Demand;
import bellrope.core.value.Rgba;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;

/**
 * What a rope says otherwise than the shared effect, which it leaves untouched.
 *
 * @param count multiplies bursts and streams, 0 to 100
 * @param size multiplies sizes, 0 to 100
 * @param speed multiplies speeds of birth, 0 to 100
 * @param duration seconds that stand instead of the effect's, 0.02 to 60
 * @param colour multiplies every colour in linear light, its opacity every opacity
 * @param fadeOut seconds that stand instead of a loop's own fade-out, 0 to 60
 * @param cutAfter seconds after which the instance is taken off, whatever still lives, above 0 to 130
 * @param order how far in front it is drawn, instead of the effect's own, −100 to 100
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
        if (order.isPresent()) {
            Demand.within("order", order.getAsInt(), -100, 100);
        }
        Demand.within("count", count, 0, 100);
        Demand.within("size", size, 0, 100);
        Demand.within("speed", speed, 0, 100);
        if (duration.isPresent()) {
            Demand.within("duration", duration.getAsDouble(), 0.02, 60);
        }
        if (fadeOut.isPresent()) {
            Demand.within("fadeOut", fadeOut.getAsDouble(), 0, 60);
        }
        if (cutAfter.isPresent()) {
            Demand.above("cutAfter", cutAfter.getAsDouble(), 0);
            Demand.within("cutAfter", cutAfter.getAsDouble(), 0, 130);
        }
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
