package bellrope.core.effect;

import bellrope.core.value.Bounds;
import bellrope.core.value.Done;
import bellrope.core.value.Vec3;
import java.util.function.Consumer;
import java.util.function.DoubleUnaryOperator;
import java.util.function.Function;

/** Where particles are born, in the emitter's own frame, whose y axis is the facing. */
public sealed interface Shape {
    /** A function for each kind. */
    record Cases<R>(
            Function<Point, R> point,
            Function<Circle, R> circle,
            Function<Sphere, R> sphere,
            Function<Cone, R> cone,
            Function<Box, R> box,
            Function<Line, R> line) {}

    /** Returns what the function of its kind makes of it. */
    <R> R match(Cases<R> cases);

    /** Returns what the function of its kind makes of it. */
    default <R> R match(
            Function<Point, R> point,
            Function<Circle, R> circle,
            Function<Sphere, R> sphere,
            Function<Cone, R> cone,
            Function<Box, R> box,
            Function<Line, R> line) {
        return match(new Cases<>(point, circle, sphere, cone, box, line));
    }

    /** Does what belongs to its kind. */
    default void visit(
            Consumer<Point> point,
            Consumer<Circle> circle,
            Consumer<Sphere> sphere,
            Consumer<Cone> cone,
            Consumer<Box> box,
            Consumer<Line> line) {
        match(Done.by(point), Done.by(circle), Done.by(sphere), Done.by(cone), Done.by(box), Done.by(line));
    }

    /** Returns this shape with every length changed, held inside what it allows. */
    Shape sized(DoubleUnaryOperator change);

    /** All at one point. */
    record Point() implements Shape {
        @Override
        public Shape sized(DoubleUnaryOperator change) {
            return this;
        }

        @Override
        public <R> R match(Cases<R> cases) {
            return cases.point().apply(this);
        }
    }

    /**
     * A circle square to the facing.
     *
     * @param radius units
     * @param fill on its rim or evenly over its area
     * @param arc degrees of it, from x towards z about the facing
     */
    record Circle(double radius, Fill fill, double arc) implements Shape {
        public static final Bounds RADIUS = Bounds.above(0, 1000);
        public static final Bounds ARC = Bounds.above(0, 360);

        public Circle {
            RADIUS.check("radius", radius);
            ARC.check("arc", arc);
        }

        @Override
        public Shape sized(DoubleUnaryOperator change) {
            return new Circle(RADIUS.held(change.applyAsDouble(radius)), fill, arc);
        }

        @Override
        public <R> R match(Cases<R> cases) {
            return cases.circle().apply(this);
        }
    }

    /**
     * A sphere.
     *
     * @param radius units
     * @param fill on its shell or evenly through its volume
     */
    record Sphere(double radius, Fill fill) implements Shape {
        public static final Bounds RADIUS = Bounds.above(0, 1000);

        public Sphere {
            RADIUS.check("radius", radius);
        }

        @Override
        public Shape sized(DoubleUnaryOperator change) {
            return new Sphere(RADIUS.held(change.applyAsDouble(radius)), fill);
        }

        @Override
        public <R> R match(Cases<R> cases) {
            return cases.sphere().apply(this);
        }
    }

    /**
     * A cone opening along the facing: evenly over a disc; outward is along the facing in the middle and tilted by
     * {@code angle} at the rim. With a radius of 0, all from the tip and outward is evenly over the cap of that half-angle.
     *
     * @param radius units
     * @param angle degrees from the facing to the side of the cone
     */
    record Cone(double radius, double angle) implements Shape {
        public static final Bounds RADIUS = Bounds.of(0, 1000);
        public static final Bounds ANGLE = Bounds.of(0, 180);

        public Cone {
            RADIUS.check("radius", radius);
            ANGLE.check("angle", angle);
        }

        @Override
        public Shape sized(DoubleUnaryOperator change) {
            return new Cone(RADIUS.held(change.applyAsDouble(radius)), angle);
        }

        @Override
        public <R> R match(Cases<R> cases) {
            return cases.cone().apply(this);
        }
    }

    /**
     * A box about the origin, evenly through its volume.
     *
     * @param size its full width, height and depth in units
     */
    record Box(Vec3 size) implements Shape {
        public static final Bounds SIZE = Bounds.of(0, 2000);

        public Box {
            SIZE.check("size", size);
        }

        @Override
        public Shape sized(DoubleUnaryOperator change) {
            return new Box(new Vec3(
                    SIZE.held(change.applyAsDouble(size.x())),
                    SIZE.held(change.applyAsDouble(size.y())),
                    SIZE.held(change.applyAsDouble(size.z()))));
        }

        @Override
        public <R> R match(Cases<R> cases) {
            return cases.box().apply(this);
        }
    }

    /**
     * A line along x with its middle at the origin.
     *
     * @param length units
     */
    record Line(double length) implements Shape {
        public static final Bounds LENGTH = Bounds.above(0, 2000);

        public Line {
            LENGTH.check("length", length);
        }

        @Override
        public Shape sized(DoubleUnaryOperator change) {
            return new Line(LENGTH.held(change.applyAsDouble(length)));
        }

        @Override
        public <R> R match(Cases<R> cases) {
            return cases.line().apply(this);
        }
    }

    /** Whether a circle or sphere is hollow. */
    enum Fill {
        /** On the rim of a circle, the shell of a sphere. */
        EDGE,
        /** Over the area of a circle, through the volume of a sphere. */
        INSIDE
    }

    /** How particles share out a shape. */
    enum Placing {
        AT_RANDOM,
        /** At even distances; what is born later goes on between (golden-ratio lattices). */
        EVENLY
    }
}
