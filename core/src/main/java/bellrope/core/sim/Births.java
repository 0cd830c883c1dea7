package bellrope.core.sim;

import bellrope.core.effect.Aim;
import bellrope.core.effect.Birth;
import bellrope.core.effect.Emitter;
import bellrope.core.effect.Shape;
import bellrope.core.effect.Tint;
import bellrope.core.random.Draws;
import bellrope.core.random.Purpose;
import bellrope.core.value.Angle;
import bellrope.core.value.Pace;
import bellrope.core.value.Rgba;
import bellrope.core.value.Vec3;
import java.util.Optional;

/**
 * How one instance's particles come into the world: every attribute drawn by its own address, place and throw turned
 * from the emitter's frame into the world.
 */
final class Births {
    /** Steps of the lattices by which particles are placed evenly: powers of the golden ratio and of the plastic number. */
    private static final double GOLDEN = 0.6180339887498949;

    private static final double PLASTIC = 0.7548776662466927;

    private final Draws draws = new Draws();
    private final float[] mixed = new float[4];
    private final int stepsPerSecond;
    // Where the source is, and what a parent hands on.
    double ox;
    double oy;
    double oz;
    double carryX;
    double carryY;
    double carryZ;
    float red = 1;
    float green = 1;
    float blue = 1;
    float scale = 1;
    int generation;
    // Steps from the birth to the end of the step, 0 to 1.
    double lag;
    // How many may still be born, how many were asked for, how many were borne.
    int room;
    int asked;
    int borne;
    // The particle at hand, in the emitter's frame: place, then the direction it would be thrown without spread.
    private double px;
    private double py;
    private double pz;
    private double dx;
    private double dy;
    private double dz;

    Births(Pace pace) {
        this.stepsPerSecond = pace.stepsPerSecond();
    }

    /** Forgets a parent: births are the source's own again, of its generation. */
    void orphan(int own) {
        red = 1;
        green = 1;
        blue = 1;
        scale = 1;
        generation = own;
    }

    /** Draws for something that is not a particle: number −1 of a source and cycle. */
    Draws occasion(long key, Emitter emitter, int source, int cycle) {
        return draws.at(key, emitter.seed(), source, cycle, -1);
    }

    /** Counts births that are asked for without a look at each, because none of them can come true any more. */
    void swallow(Layer layer, long count) {
        int many = (int) Math.min(Integer.MAX_VALUE - asked, count);
        asked += many;
        layer.refuse(many);
    }

    /** Tells whether another particle could still be born into a layer. */
    boolean roomIn(Layer layer) {
        return room > 0 && layer.admits();
    }

    /**
     * Bears particles {@code first} to {@code first + count − 1} of a source.
     *
     * @param of how many the source bears at once, for even placing; 0 if they come one by one
     * @param ramp share of them that come true
     */
    void bear(
            Layer layer,
            Emitter emitter,
            Frame frame,
            long key,
            int source,
            int cycle,
            int first,
            int count,
            int of,
            int step,
            double ramp) {
        for (int n = first; n < first + count; n++) {
            draws.at(key, emitter.seed(), source, cycle, n);
            if (ramp < 1 && draws.unit(Purpose.RAMP) >= ramp) {
                continue;
            }
            asked++;
            boolean admitted = room > 0 && layer.admits();
            layer.count(admitted);
            if (admitted) {
                room--;
                borne++;
                int i = one(layer, emitter, frame, n, of, step);
                if (layer.walks()) {
                    Walk walk = layer.store().walk;
                    walk.generation[i] = generation;
                    if (layer.bears()) {
                        long line = draws.lineKey();
                        walk.lineLow[i] = (int) line;
                        walk.lineHigh[i] = (int) (line >>> 32);
                    }
                }
            }
        }
    }

    private int one(Layer layer, Emitter emitter, Frame frame, int n, int of, int step) {
        Birth birth = emitter.birth();
        ParticleStore store = layer.store();
        place(birth, n, of);
        boolean tip =
                birth.shape() instanceof Shape.Cone cone && cone.radius() == 0 && birth.aim() instanceof Aim.Outward;
        stray(tip ? Math.min(180, ((Shape.Cone) birth.shape()).angle() + birth.spread()) : birth.spread());
        double speed = birth.speed().at(draws.unit(Purpose.SPEED));
        double tempo = stepsPerSecond / emitter.playback();
        double life = birth.lifetime().at(draws.unit(Purpose.LIFETIME)) * tempo;
        int i = store.add(step, life, lag);
        Vec3 right = frame.right();
        Vec3 up = frame.up();
        Vec3 back = frame.back();
        Vec3 offset = frame.offset();
        store.x0[i] = (float) (ox + offset.x() + px * right.x() + py * up.x() + pz * back.x());
        store.y0[i] = (float) (oy + offset.y() + px * right.y() + py * up.y() + pz * back.y());
        store.z0[i] = (float) (oz + offset.z() + px * right.z() + py * up.z() + pz * back.z());
        store.vx[i] = (float) (carryX + speed * (dx * right.x() + dy * up.x() + dz * back.x()));
        store.vy[i] = (float) (carryY + speed * (dx * right.y() + dy * up.y() + dz * back.y()));
        store.vz[i] = (float) (carryZ + speed * (dx * right.z() + dy * up.z() + dz * back.z()));
        if (lag > 0 && !layer.walks()) {
            layer.carry(i, lag);
        }
        store.x[i] = store.x0[i];
        store.y[i] = store.y0[i];
        store.z[i] = store.z0[i];
        double across = birth.size().at(draws.unit(Purpose.SIZE));
        store.size[i] = (float) across * scale;
        Optional<bellrope.core.value.Range> height = birth.height();
        store.aspect[i] =
                height.isPresent() && across > 0 ? (float) (height.get().at(draws.unit(Purpose.HEIGHT)) / across) : 1;
        store.rotation[i] = (float) (birth.rotation().at(draws.unit(Purpose.ROTATION)) / 360);
        store.spin[i] = (float) (birth.spin().at(draws.unit(Purpose.SPIN)) / 360 / tempo);
        store.face[i] = frame.face();
        store.pick[i] = layer.picks() ? (float) draws.unit(Purpose.FRAME) : 0;
        tint(birth.colour(), draws.unit(Purpose.COLOUR));
        float bright = (float) emitter.look().brightness();
        store.red[i] = mixed[0] * red * bright;
        store.green[i] = mixed[1] * green * bright;
        store.blue[i] = mixed[2] * blue * bright;
        store.opacity[i] = (float) birth.opacity().at(draws.unit(Purpose.OPACITY)) * mixed[3];
        if (store.walk != null) {
            store.walk.begin(i, store.x[i], store.y[i], store.z[i], store.vx[i], store.vy[i], store.vz[i]);
        }
        return i;
    }

    private void tint(Tint tint, double share) {
        if (tint instanceof Tint.Between between) {
            Rgba a = between.from();
            Rgba b = between.to();
            mixed[0] = (float) mixed(a.linearRed(), b.linearRed(), share);
            mixed[1] = (float) mixed(a.linearGreen(), b.linearGreen(), share);
            mixed[2] = (float) mixed(a.linearBlue(), b.linearBlue(), share);
            mixed[3] = (float) (mixed(a.alpha(), b.alpha(), share) / 255);
        } else if (tint instanceof Tint.OneOf oneOf) {
            Rgba c = oneOf.colours().get((int) (share * oneOf.colours().size()));
            mixed[0] = (float) c.linearRed();
            mixed[1] = (float) c.linearGreen();
            mixed[2] = (float) c.linearBlue();
            mixed[3] = (float) (c.alpha() / 255.0);
        } else if (tint instanceof Tint.From from) {
            from.gradient().write(mixed, 0, share);
        }
    }

    private static double mixed(double a, double b, double share) {
        return a + (b - a) * share;
    }

    // u, v, w: three numbers from 0 to 1 that say where in the shape.
    private void place(Birth birth, int n, int of) {
        boolean evenly = birth.placing() == Shape.Placing.EVENLY;
        double first = of > 0 ? (n + 0.5) / of : (0.5 + (n + 1) * PLASTIC) % 1;
        double golden = (0.5 + n * GOLDEN) % 1;
        Shape shape = birth.shape();
        px = 0;
        py = 0;
        pz = 0;
        if (shape instanceof Shape.Circle circle) {
            boolean rim = circle.fill() == Shape.Fill.EDGE;
            double turn = evenly ? (rim && of > 0 ? first : golden) : draws.unit(Purpose.PLACE_ANGLE);
            double share = rim ? 1 : Math.sqrt(evenly ? first : draws.unit(Purpose.PLACE_RADIUS));
            round(circle.radius() * share, turn * circle.arc() / 360);
        } else if (shape instanceof Shape.Cone cone && cone.radius() > 0) {
            double share = Math.sqrt(evenly ? first : draws.unit(Purpose.PLACE_RADIUS));
            round(cone.radius() * share, evenly ? golden : draws.unit(Purpose.PLACE_ANGLE));
        } else if (shape instanceof Shape.Sphere sphere) {
            double height = 1 - 2 * (evenly ? first : draws.unit(Purpose.PLACE_DEPTH));
            double r = sphere.radius();
            if (sphere.fill() == Shape.Fill.INSIDE) {
                r *= StrictMath.cbrt(evenly ? (0.5 + n * PLASTIC * PLASTIC) % 1 : draws.unit(Purpose.PLACE_RADIUS));
            }
            round(r * Math.sqrt(1 - height * height), evenly ? golden : draws.unit(Purpose.PLACE_ANGLE));
            py = r * height;
        } else if (shape instanceof Shape.Box box) {
            px = ((evenly ? first : draws.unit(Purpose.PLACE_ANGLE)) - 0.5)
                    * box.size().x();
            py = ((evenly ? golden : draws.unit(Purpose.PLACE_RADIUS)) - 0.5)
                    * box.size().y();
            pz = ((evenly ? (0.5 + n * PLASTIC * PLASTIC) % 1 : draws.unit(Purpose.PLACE_DEPTH)) - 0.5)
                    * box.size().z();
        } else if (shape instanceof Shape.Line line) {
            px = ((evenly ? (of > 0 ? first : golden) : draws.unit(Purpose.PLACE_ANGLE)) - 0.5) * line.length();
        }
        aim(birth.aim(), shape);
    }

    private void round(double radius, double turn) {
        px = radius * Angle.cos(turn);
        pz = radius * Angle.sin(turn);
    }

    private void aim(Aim aim, Shape shape) {
        dx = 0;
        dy = 1;
        dz = 0;
        double flat = Math.sqrt(px * px + pz * pz);
        if (aim instanceof Aim.Along along) {
            double length = along.axis().length();
            dx = along.axis().x() / length;
            dy = along.axis().y() / length;
            dz = along.axis().z() / length;
        } else if (aim instanceof Aim.Tangent) {
            if (flat < 1e-9) {
                double around = draws.unit(Purpose.PLACE_ANGLE);
                dx = Angle.cos(around);
                dz = Angle.sin(around);
            } else {
                dx = pz / flat;
                dz = -px / flat;
            }
            dy = 0;
        } else if (shape instanceof Shape.Cone cone) {
            if (cone.radius() > 0 && flat > 0) {
                double tilt = cone.angle() * flat / cone.radius() / 360;
                double out = Angle.sin(tilt);
                dx = out * px / flat;
                dy = Angle.cos(tilt);
                dz = out * pz / flat;
            }
        } else {
            double length = Math.sqrt(flat * flat + py * py);
            if (length > 1e-9) {
                dx = px / length;
                dy = py / length;
                dz = pz / length;
            } else if (shape instanceof Shape.Point) {
                dy = 1 - 2 * draws.unit(Purpose.PLACE_DEPTH);
                double out = Math.sqrt(1 - dy * dy);
                double around = draws.unit(Purpose.PLACE_ANGLE);
                dx = out * Angle.cos(around);
                dz = out * Angle.sin(around);
            }
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
