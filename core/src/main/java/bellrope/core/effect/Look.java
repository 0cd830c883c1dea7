package bellrope.core.effect;

import bellrope.core.value.Bounds;
import bellrope.core.value.Done;
import bellrope.core.value.Vec3;
import java.util.function.Consumer;
import java.util.function.Function;

/**
 * The picture of a particle and how it is laid over what is behind it.
 *
 * @param sprite name of one of the project's sprites
 * @param blend how it covers
 * @param order which particles of the emitter lie on top
 * @param frame which frame of a sprite sheet is shown
 * @param posture which way the picture is turned
 * @param brightness multiplies the colour in linear light, 0 to 1,000; above the point where a component reaches 1 it
 *     only bleaches, see {@link Emitter#saturation}
 */
public record Look(String sprite, Blend blend, Order order, Frame frame, Posture posture, double brightness) {
    public static final Bounds BRIGHTNESS = Bounds.of(0, 1000);

    /** Ways of covering, by their names in W3C Compositing and Blending Level 1; additive is its lighter. */
    public enum Blend {
        ALPHA,
        ADDITIVE,
        SCREEN,
        MULTIPLY
    }

    /** Draw order within one emitter. */
    public enum Order {
        NEWEST_ON_TOP,
        OLDEST_ON_TOP
    }

    public Look {
        BRIGHTNESS.check("brightness", brightness);
    }

    /** A look of one frame that faces the camera, as bright as its colour. */
    public Look(String sprite, Blend blend, Order order) {
        this(sprite, blend, order, new Frame.First(0), Posture.CAMERA, 1);
    }

    /** Which frame of a sprite sheet a particle shows. */
    public sealed interface Frame {
        /** A function for each kind. */
        record Cases<R>(
                Function<First, R> first,
                Function<Random, R> random,
                Function<OverLife, R> overLife,
                Function<Looping, R> looping) {}

        /** Returns what the function of its kind makes of it. */
        <R> R match(Cases<R> cases);

        /** Returns what the function of its kind makes of it. */
        default <R> R match(
                Function<First, R> first,
                Function<Random, R> random,
                Function<OverLife, R> overLife,
                Function<Looping, R> looping) {
            return match(new Cases<>(first, random, overLife, looping));
        }

        /** Does what belongs to its kind. */
        default void visit(
                Consumer<First> first,
                Consumer<Random> random,
                Consumer<OverLife> overLife,
                Consumer<Looping> looping) {
            match(Done.by(first), Done.by(random), Done.by(overLife), Done.by(looping));
        }

        /** @param number the same for all, from 0 */
        record First(int number) implements Frame {
            public static final Bounds NUMBER = Bounds.of(0, 255);

            public First {
                NUMBER.check("number", number);
            }

            @Override
            public <R> R match(Cases<R> cases) {
                return cases.first().apply(this);
            }
        }

        /** One for each particle, each frame equally likely. */
        record Random() implements Frame {

            @Override
            public <R> R match(Cases<R> cases) {
                return cases.random().apply(this);
            }
        }

        /** All frames once, from birth to end. */
        record OverLife() implements Frame {

            @Override
            public <R> R match(Cases<R> cases) {
                return cases.overLife().apply(this);
            }
        }

        /**
         * All frames again and again.
         *
         * @param perSecond above 0 to 240; empty for the sheet's own
         */
        record Looping(java.util.OptionalDouble perSecond) implements Frame {
            public static final Bounds PER_SECOND = Bounds.above(0, 240);

            public Looping {
                PER_SECOND.check("perSecond", perSecond);
            }

            @Override
            public <R> R match(Cases<R> cases) {
                return cases.looping().apply(this);
            }
        }
    }

    /** Which way the picture is turned. */
    public sealed interface Posture {
        /** A function for each kind. */
        record Cases<R>(
                Function<Camera, R> camera,
                Function<Flight, R> flight,
                Function<Surface, R> surface,
                Function<Fixed, R> fixed) {}

        /** Returns what the function of its kind makes of it. */
        <R> R match(Cases<R> cases);

        /** Returns what the function of its kind makes of it. */
        default <R> R match(
                Function<Camera, R> camera,
                Function<Flight, R> flight,
                Function<Surface, R> surface,
                Function<Fixed, R> fixed) {
            return match(new Cases<>(camera, flight, surface, fixed));
        }

        /** Does what belongs to its kind. */
        default void visit(
                Consumer<Camera> camera, Consumer<Flight> flight, Consumer<Surface> surface, Consumer<Fixed> fixed) {
            match(Done.by(camera), Done.by(flight), Done.by(surface), Done.by(fixed));
        }

        Posture CAMERA = new Camera();

        /** Square to the viewer. */
        record Camera() implements Posture {

            @Override
            public <R> R match(Cases<R> cases) {
                return cases.camera().apply(this);
            }
        }

        /**
         * Along the way it flies: the picture's x axis along the velocity, seen from the camera.
         *
         * @param stretch seconds of flight by which it is longer than its size
         */
        record Flight(double stretch) implements Posture {
            public static final Bounds STRETCH = Bounds.of(0, 10);

            public Flight {
                STRETCH.check("stretch", stretch);
            }

            @Override
            public <R> R match(Cases<R> cases) {
                return cases.flight().apply(this);
            }
        }

        /** Flat on the surface: square to the facing of the effect, or to what its parent struck. */
        record Surface() implements Posture {

            @Override
            public <R> R match(Cases<R> cases) {
                return cases.surface().apply(this);
            }
        }

        /**
         * Square to a direction that stays.
         *
         * @param normal in the effect's frame, not zero
         */
        record Fixed(Vec3 normal) implements Posture {
            public Fixed {
                new Aim.Along(normal);
            }

            @Override
            public <R> R match(Cases<R> cases) {
                return cases.fixed().apply(this);
            }
        }
    }

    Look withSprite(String other) {
        return new Look(other, blend, order, frame, posture, brightness);
    }

    Look withBrightness(double other) {
        return new Look(sprite, blend, order, frame, posture, other);
    }
}
