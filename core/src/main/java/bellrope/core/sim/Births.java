package bellrope.core.sim;

import bellrope.core.effect.Birth;
import bellrope.core.effect.Emitter;
import bellrope.core.effect.Shape;
import bellrope.core.random.Draws;
import bellrope.core.random.Purpose;
import bellrope.core.value.Angle;
import bellrope.core.value.Pace;
import bellrope.core.value.Rgba;
import bellrope.core.value.Turn;
import bellrope.core.value.Vec3;

/**
 * How one instance's particles come into the world: every attribute drawn by its own address, place and throw turned
 * from the effect's frame into the world.
 */
final class Births {
    private final Draws draws = new Draws();
    private final int stepsPerSecond;
    private final long key;
    private final Vec3 origin;
    // Columns of the turn from the effect's frame into the world.
    private final Vec3 right;
    private final Vec3 up;
    private final Vec3 back;
    // The particle at hand, in the effect's frame: place, then the direction it would be thrown without spread.
    private double px;
    private double py;
    private double pz;
    private double dx;
    private double dy;
    private double dz;

    Births(Pace pace, long key, Vec3 origin, Turn turn) {
        this.stepsPerSecond = pace.stepsPerSecond();
        this.key = key;
        this.origin = origin;
        this.right = turn.apply(Vec3.RIGHT);
        this.up = turn.apply(Vec3.UP);
        this.back = turn.apply(new Vec3(0, 0, 1));
    }

    int count(Emitter emitter, int burst, int cycle) {
        draws.at(key, emitter.seed(), burst + 1, cycle, -1);
        return emitter.birth().bursts().get(burst).count(draws.unit(Purpose.COUNT));
    }

    void bear(Layer layer, Emitter emitter, int source, int cycle, int first, int count, int step) {
        Birth birth = emitter.birth();
        for (int n = first; n < first + count; n++) {
            draws.at(key, emitter.seed(), source, cycle, n);
            one(layer.store(), birth, step);
        }
    }

    private void one(ParticleStore store, Birth birth, int step) {
        place(birth.shape());
        stray(
                birth.shape() instanceof Shape.Cone cone && cone.radius() == 0
                        ? Math.min(180, cone.angle() + birth.spread())
                        : birth.spread());
        double speed = birth.speed().at(draws.unit(Purpose.SPEED));
        double life = birth.lifetime().at(draws.unit(Purpose.LIFETIME)) * stepsPerSecond;
        int i = store.add(step, step + Math.max(1, (int) Math.ceil(life - 1e-9)));
        store.x0[i] = (float) (origin.x() + px * right.x() + py * up.x() + pz * back.x());
        store.y0[i] = (float) (origin.y() + px * right.y() + py * up.y() + pz * back.y());
        store.z0[i] = (float) (origin.z() + px * right.z() + py * up.z() + pz * back.z());
        store.vx[i] = (float) (speed * (dx * right.x() + dy * up.x() + dz * back.x()));
        store.vy[i] = (float) (speed * (dx * right.y() + dy * up.y() + dz * back.y()));
        store.vz[i] = (float) (speed * (dx * right.z() + dy * up.z() + dz * back.z()));
        store.x[i] = store.x0[i];
        store.y[i] = store.y0[i];
        store.z[i] = store.z0[i];
        store.pace[i] = (float) (1 / life);
        store.size[i] = (float) birth.size().at(draws.unit(Purpose.SIZE));
        store.rotation[i] = (float) (birth.rotation().at(draws.unit(Purpose.ROTATION)) / 360);
        store.spin[i] = (float) (birth.spin().at(draws.unit(Purpose.SPIN)) / 360 / stepsPerSecond);
        Rgba a = birth.colour().from();
        Rgba b = birth.colour().to();
        double mix = draws.unit(Purpose.COLOUR);
        store.red[i] = (float) mixed(a.linearRed(), b.linearRed(), mix);
        store.green[i] = (float) mixed(a.linearGreen(), b.linearGreen(), mix);
        store.blue[i] = (float) mixed(a.linearBlue(), b.linearBlue(), mix);
        store.opacity[i] =
                (float) (birth.opacity().at(draws.unit(Purpose.OPACITY)) * mixed(a.alpha(), b.alpha(), mix) / 255);
    }

    private static double mixed(double a, double b, double share) {
        return a + (b - a) * share;
    }

    private void place(Shape shape) {
        double radius = 0;
        double angle = 0;
        if (shape instanceof Shape.Disc disc) {
            radius = disc.radius();
        } else if (shape instanceof Shape.Cone cone) {
            radius = cone.radius();
            angle = cone.angle();
        }
        px = 0;
        py = 0;
        pz = 0;
        dx = 0;
        dy = 1;
        dz = 0;
        if (radius > 0) {
            // The square root makes equal areas equally likely.
            double share = Math.sqrt(draws.unit(Purpose.PLACE_RADIUS));
            double around = draws.unit(Purpose.PLACE_ANGLE);
            double cos = Angle.cos(around);
            double sin = Angle.sin(around);
            px = radius * share * cos;
            pz = radius * share * sin;
            double tilt = angle * share / 360;
            double out = Angle.sin(tilt);
            dx = out * cos;
            dy = Angle.cos(tilt);
            dz = out * sin;
        }
    }

    /** Turns the throw away from its direction, evenly over the cap of a sphere. */
    private void stray(double spread) {
        if (spread <= 0) {
            return;
        }
        double cos = 1 - draws.unit(Purpose.TILT) * (1 - Angle.cos(spread / 360));
        double sin = Math.sqrt(Math.max(0, 1 - cos * cos));
        double around = draws.unit(Purpose.HEADING);
        double x = sin * Angle.cos(around);
        double z = sin * Angle.sin(around);
        turnFromUp(x, cos, z);
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
