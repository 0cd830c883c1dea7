package bellrope.core.effect;

import bellrope.core.value.Bounds;
import bellrope.core.value.Done;
import bellrope.core.value.Range;
import bellrope.core.value.Refused;
import bellrope.core.value.Vec3;
import bellrope.core.value.Words;
import java.util.function.Consumer;
import java.util.function.Function;

/** Which way particles are thrown, in the emitter's own frame, before the spread. */
public sealed interface Aim {
    /** A function for each kind. */
    record Cases<R>(
            Function<Outward, R> outward,
            Function<Along, R> along,
            Function<Tangent, R> tangent,
            Function<Axes, R> axes) {}

    /** Returns what the function of its kind makes of it. */
    <R> R match(Cases<R> cases);

    /** Returns what the function of its kind makes of it. */
    default <R> R match(
            Function<Outward, R> outward,
            Function<Along, R> along,
            Function<Tangent, R> tangent,
            Function<Axes, R> axes) {
        return match(new Cases<>(outward, along, tangent, axes));
    }

    /** Does what belongs to its kind. */
    default void visit(
            Consumer<Outward> outward, Consumer<Along> along, Consumer<Tangent> tangent, Consumer<Axes> axes) {
        match(Done.by(outward), Done.by(along), Done.by(tangent), Done.by(axes));
    }

    Aim UP = new Along(Vec3.UP);

    /** Away from the middle of the shape; from a point, evenly every way; from a cone, along its side. */
    record Outward() implements Aim {

        @Override
        public <R> R match(Cases<R> cases) {
            return cases.outward().apply(this);
        }
    }

    /**
     * All along one axis.
     *
     * @param axis not zero; its length does not matter
     */
    record Along(Vec3 axis) implements Aim {
        public Along {
            if (axis.length() < 1e-9) {
                throw new Refused("axis", Words.vector(axis), "a direction that is not zero");
            }
        }

        @Override
        public <R> R match(Cases<R> cases) {
            return cases.along().apply(this);
        }
    }

    /** About the facing, counter-clockwise seen from where it points. */
    record Tangent() implements Aim {

        @Override
        public <R> R match(Cases<R> cases) {
            return cases.tangent().apply(this);
        }
    }

    /**
     * A velocity drawn for each axis by itself, units a second; the speed of the birth multiplies it, and there is no spread.
     *
     * @param x each −1,000 to 1,000
     */
    record Axes(Range x, Range y, Range z) implements Aim {
        public static final Bounds X = Bounds.around(1000);
        public static final Bounds Y = Bounds.around(1000);
        public static final Bounds Z = Bounds.around(1000);

        public Axes {
            X.check("x", x);
            Y.check("y", y);
            Z.check("z", z);
        }

        @Override
        public <R> R match(Cases<R> cases) {
            return cases.axes().apply(this);
        }
    }
}
