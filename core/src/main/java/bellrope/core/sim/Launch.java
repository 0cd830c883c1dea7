package bellrope.core.sim;

import bellrope.core.effect.Aim;
import bellrope.core.effect.Birth;
import bellrope.core.effect.Shape;
import bellrope.core.random.Draws;
import bellrope.core.random.Purpose;
import bellrope.core.value.Angle;
import bellrope.core.value.Exact;
import bellrope.core.value.Vec3;

/** Where in its emitter's shape a particle is born and which way it goes, in the emitter's frame. */
final class Launch {
    /** Steps of the lattices by which particles are placed evenly: powers of the golden ratio and of the plastic number. */
    private static final double GOLDEN = 0.6180339887498949;

    private static final double PLASTIC = 0.7548776662466927;

    private final Draws draws;
    private Birth birth;
    private Runnable place;
    private Runnable aim;
    private double spread;
    private boolean evenly;
    // The particle at hand: its number, how many are born with it, and three even shares.
    private int of;
    private double first;
    private double golden;
    private double third;
    double px;
    double py;
    double pz;
    // Which way it goes, of length 1; drawn by axes, its velocity.
    double dx;
    double dy;
    double dz;

    Launch(Draws draws) {
        this.draws = draws;
    }

    /** Places the particles that follow as a birth says. */
    void by(Birth next) {
        if (next == birth) {
            return;
        }
        birth = next;
        evenly = next.placing() == Shape.Placing.EVENLY;
        place = next.shape()
                .match(
                        point -> () -> {},
                        circle -> () -> in(circle),
                        sphere -> () -> in(sphere),
                        cone -> () -> in(cone),
                        box -> () -> in(box),
                        line -> () ->
                                px = ((evenly ? (of > 0 ? first : golden) : draws.unit(Purpose.PLACE_ANGLE)) - 0.5)
                                        * line.length());
        aim = next.aim()
                .match(
                        outward -> outward(next.shape()),
                        along -> () -> along(along.axis()),
                        tangent -> this::tangent,
                        axes -> () -> drawn(axes));
        // At the tip of a cone no place says which way is out, so the spread covers its whole angle.
        // Of a velocity that is drawn by axes nothing is turned.
        boolean turns = next.aim().match(outward -> true, along -> true, tangent -> true, axes -> false);
        spread = !turns
                ? 0
                : next.aim() instanceof Aim.Outward && next.shape() instanceof Shape.Cone cone && cone.radius() == 0
                        ? Math.min(180, cone.angle() + next.spread())
                        : next.spread();
    }

    /**
     * Writes place and direction of a particle.
     *
     * @param n its number
     * @param together how many are born at once, for even placing; 0 if they come one by one
     */
    void particle(int n, int together) {
        of = together;
        first = of > 0 ? (n + 0.5) / of : (0.5 + (n + 1) * PLASTIC) % 1;
        golden = (0.5 + n * GOLDEN) % 1;
        third = (0.5 + n * PLASTIC * PLASTIC) % 1;
        px = 0;
        py = 0;
        pz = 0;
        place.run();
        dx = 0;
        dy = 1;
        dz = 0;
        aim.run();
        spread();
    }

    private void in(Shape.Circle circle) {
        boolean rim = circle.fill() == Shape.Fill.EDGE;
        double turn = evenly ? (rim && of > 0 ? first : golden) : draws.unit(Purpose.PLACE_ANGLE);
        double share = rim ? 1 : Math.sqrt(evenly ? first : draws.unit(Purpose.PLACE_RADIUS));
        round(circle.radius() * share, turn * circle.arc() / 360);
    }

    private void in(Shape.Cone cone) {
        if (cone.radius() > 0) {
            double share = Math.sqrt(evenly ? first : draws.unit(Purpose.PLACE_RADIUS));
            round(cone.radius() * share, evenly ? golden : draws.unit(Purpose.PLACE_ANGLE));
        }
    }

    private void in(Shape.Sphere sphere) {
        double height = 1 - 2 * (evenly ? first : draws.unit(Purpose.PLACE_DEPTH));
        double r = sphere.radius();
        if (sphere.fill() == Shape.Fill.INSIDE) {
            r *= Exact.cbrt(evenly ? third : draws.unit(Purpose.PLACE_RADIUS));
        }
        round(r * Math.sqrt(1 - height * height), evenly ? golden : draws.unit(Purpose.PLACE_ANGLE));
        py = r * height;
    }

    private void in(Shape.Box box) {
        px = ((evenly ? first : draws.unit(Purpose.PLACE_ANGLE)) - 0.5)
                * box.size().x();
        py = ((evenly ? golden : draws.unit(Purpose.PLACE_RADIUS)) - 0.5)
                * box.size().y();
        pz = ((evenly ? third : draws.unit(Purpose.PLACE_DEPTH)) - 0.5)
                * box.size().z();
    }

    private void round(double radius, double turn) {
        px = radius * Angle.cos(turn);
        pz = radius * Angle.sin(turn);
    }

    private void along(Vec3 axis) {
        double length = axis.length();
        dx = axis.x() / length;
        dy = axis.y() / length;
        dz = axis.z() / length;
    }

    private void drawn(Aim.Axes axes) {
        dx = axes.x().at(draws.unit(Purpose.VELOCITY_X));
        dy = axes.y().at(draws.unit(Purpose.VELOCITY_Y));
        dz = axes.z().at(draws.unit(Purpose.VELOCITY_Z));
    }

    private void tangent() {
        double flat = Math.sqrt(px * px + pz * pz);
        dy = 0;
        if (flat < 1e-9) {
            double around = draws.unit(Purpose.PLACE_ANGLE);
            dx = Angle.cos(around);
            dz = Angle.sin(around);
        } else {
            dx = pz / flat;
            dz = -px / flat;
        }
    }

    private Runnable outward(Shape shape) {
        return shape.match(
                point -> this::anyWay,
                circle -> this::fromTheMiddle,
                sphere -> this::fromTheMiddle,
                cone -> () -> fromTheTip(cone),
                box -> this::fromTheMiddle,
                line -> this::fromTheMiddle);
    }

    private void anyWay() {
        dy = 1 - 2 * draws.unit(Purpose.PLACE_DEPTH);
        double out = Math.sqrt(1 - dy * dy);
        double around = draws.unit(Purpose.PLACE_ANGLE);
        dx = out * Angle.cos(around);
        dz = out * Angle.sin(around);
    }

    private void fromTheMiddle() {
        double flat = Math.sqrt(px * px + pz * pz);
        double length = Math.sqrt(flat * flat + py * py);
        if (length > 1e-9) {
            dx = px / length;
            dy = py / length;
            dz = pz / length;
        }
    }

    private void fromTheTip(Shape.Cone cone) {
        double flat = Math.sqrt(px * px + pz * pz);
        if (cone.radius() > 0 && flat > 0) {
            double tilt = cone.angle() * flat / cone.radius() / 360;
            double out = Angle.sin(tilt);
            dx = out * px / flat;
            dy = Angle.cos(tilt);
            dz = out * pz / flat;
        }
    }

    /** Turns the direction away, evenly over the cap of a sphere. */
    private void spread() {
        if (spread <= 0) {
            return;
        }
        double cos = 1 - draws.unit(Purpose.TILT) * (1 - Angle.cos(spread / 360));
        double sin = Math.sqrt(Math.max(0, 1 - cos * cos));
        double around = draws.unit(Purpose.HEADING);
        turnFromUp(sin * Angle.cos(around), cos, sin * Angle.sin(around));
    }

    // Rodrigues' rotation by the shortest arc from +y to d, applied to (x, y, z); for d = −y, half a turn about x.
    private void turnFromUp(double x, double y, double z) {
        if (dy < -1 + 1e-12) {
            dx = x;
            dy = -y;
            dz = -z;
            return;
        }
        double kx = dz;
        double kz = -dx;
        double along = (kx * x + kz * z) / (1 + dy);
        double c = dy;
        double nx = x * c - kz * y + kx * along;
        double ny = y * c + kz * x - kx * z;
        double nz = z * c + kx * y + kz * along;
        dx = nx;
        dy = ny;
        dz = nz;
    }
}
