package bellrope.core.sim;

import bellrope.core.effect.Emitter;
import bellrope.core.effect.End;
import bellrope.core.effect.Force;
import bellrope.core.effect.Life;
import bellrope.core.value.Exact;
import bellrope.core.value.Pace;
import bellrope.core.value.Rotation;
import java.util.List;

/**
 * Motion step by step, for what has no exact solution: forces that depend on the place, a speed drawn over life,
 * collisions; and the moments at which a particle spawns others.
 *
 * <p>Between forces it takes the exact step of linear drag under constant acceleration; with forces the classical
 * Runge–Kutta method of fourth order, in as many parts as the drag and the pace ask for. Turbulence is held over a step. It is deterministic, but unlike
 * {@link Flight} its error depends on the step: below 1e-4 u over two seconds for the attractors and swirls of the tests,
 * against Dormand–Prince 8(5,3). Where a field jumps (a fall-off of none, at its radius), it is only first order there.
 */
final class Mover {
    /** Most collisions of one particle in one step; then it waits for the next. */
    private static final int MOST_HITS = 4;

    /** How often a second the friction of a collision acts on a particle that lies on a surface. */
    private static final double RUBS = 10;

    private final Emitter emitter;
    private Wall wall;
    private final double dt;
    // What acts on particles; it changes where the emitter's life is live.
    private Field field;
    private double drag;
    private double gx;
    private double gy;
    private double gz;
    private double stepBySpeed;
    private double stepByAcceleration;
    private double stepLeft;
    private int parts;
    // Steps in which it slows evenly to nothing; 0 where it does not.
    private double restSteps;
    private final double stepRub;
    private final boolean live;
    // Share of the lane for each step of age, where that runs over seconds; 0 where it runs over life.
    private final float lanePace;
    private final float[] speedOver;
    private final boolean speedReplaces;
    private final int trailEvery;
    private final double trailUnits;
    private final Bearing bearing;
    private final boolean local;
    // Whether nothing but gravity, drag and a collision changes how it flies, and nothing is left on its way.
    private boolean calm;
    private final boolean plain;
    // Slots whose step is not calm.
    private int[] others = new int[0];
    // The effect's place now, and how far it moved in the last step.
    private double ox;
    private double oy;
    private double oz;
    private double shiftX;
    private double shiftY;
    private double shiftZ;
    // The stretch at hand: its share of a step and its seconds, what they come to, and the steps from its end to the
    // step's.
    private double spanShare = Double.NaN;
    private double span;
    private double carriedBySpeed;
    private double carriedByAcceleration;
    private double left;
    private double rub;
    private double ago;
    // The particle at hand.
    private double x;
    private double y;
    private double z;
    private double ux;
    private double uy;
    private double uz;
    private double wayX;
    private double wayY;
    private double wayZ;
    private double fall;
    // Gravity and turbulence, which stay the same over a step.
    private double bx;
    private double by;
    private double bz;

    /** @param index of the emitter in its effect */
    Mover(Emitter emitter, Lanes lanes, int index, Pace pace) {
        this.emitter = emitter;
        Life life = emitter.life();
        live = life.live();
        dt = 1.0 / emitter.stepsPerSecond(pace);
        Double timed = life.timed().get(Life.Lane.SPEED);
        lanePace = timed == null ? 0 : (float) (dt / timed);
        speedOver = lanes.speed;
        speedReplaces = life.replaces(Life.Lane.SPEED);
        stepRub = emitter.end()
                .collision()
                .map(c -> Exact.pow(1 - c.friction(), RUBS * dt))
                .orElse(1.0);
        bearing = new Bearing(emitter.end().children(), index, dt);
        local = emitter.birth().space() == bellrope.core.effect.Birth.Space.LOCAL;
        End.Trail trail = emitter.end().trail().orElse(null);
        if (trail == null) {
            trailEvery = 0;
            trailUnits = 0;
        } else if (trail.by() == End.Trail.By.SECONDS) {
            trailEvery = Math.max(1, (int) Math.ceil(trail.length() / dt / (Integrated.POINTS - 1) - 1e-9));
            trailUnits = 0;
        } else if (trail.by() == End.Trail.By.POINTS) {
            trailEvery = (int) Math.ceil(trail.length() / (Integrated.POINTS - 1));
            trailUnits = 0;
        } else {
            trailEvery = 0;
            trailUnits = trail.length() / (Integrated.POINTS - 2);
        }
        plain = speedOver == null && trail == null && !bearing.onTheWay();
    }

    /** Makes it ready for particles of an instance that is turned so. */
    void begin(Rotation turn) {
        wall = emitter.end().collision().map(c -> Wall.of(c.with(), turn)).orElse(null);
        follow(emitter.life(), turn);
    }

    /** Sets gravity, drag and forces, for a life that is live; how it is turned says where forces are. */
    void follow(Life now, Rotation turn) {
        moves(now, turn);
        spanShare = Double.NaN;
    }

    private void moves(Life life, Rotation turn) {
        List<Force> forces = life.forces();
        field = new Field(forces, turn, emitter.seed());
        restSteps = life.evenRest().isPresent() ? life.evenRest().getAsDouble() / dt : 0;
        drag = life.dragPerSecond();
        gx = life.gravity().x();
        gy = life.gravity().y();
        gz = life.gravity().z();
        stepBySpeed = Flight.carriedBySpeed(drag, dt);
        stepByAcceleration = Flight.carriedByAcceleration(drag, dt);
        stepLeft = Exact.exp(-drag * dt);
        parts = (int) Math.max(1, Math.ceil(drag * dt * 4));
        calm = plain && field.none() && restSteps == 0;
    }

    Bearing bearing() {
        return bearing;
    }

    Wall wall() {
        return wall;
    }

    /** Says where the effect is now and where it was a step ago. */
    void effectAt(double nowX, double nowY, double nowZ, double wasX, double wasY, double wasZ) {
        ox = nowX;
        oy = nowY;
        oz = nowZ;
        shiftX = nowX - wasX;
        shiftY = nowY - wasY;
        shiftZ = nowZ - wasZ;
    }

    /**
     * Moves every particle that was there before by one step, to {@code step}, and notes what it spawns on the way. A particle
     * whose life ends within the step is moved to its true end; it and those that die on the way are gone, not buried.
     */
    void integrate(ParticleStore store, int step, double local, Occasions occasions, Layer layer) {
        layer.noEnds();
        int n = calm ? calm(store, step) : store.slots();
        for (int j = 0; j < n; j++) {
            int i = calm ? others[j] : j;
            if (store.gone[i] < step || store.born[i] >= step) {
                continue;
            }
            double share = store.gone[i] == step ? Math.max(0, Math.min(1, 1 + store.left(i, step))) : 1;
            stretch(store, i, step, local, 0, share, occasions, layer);
        }
    }

    /**
     * Moves what lives through the whole step and meets nothing, in one loop; the same numbers as {@link #one} comes to.
     *
     * @return how many slots are left, see {@link #others}
     */
    private int calm(ParticleStore store, int step) {
        int n = store.slots();
        if (others.length < n) {
            others = new int[store.capacity()];
        }
        int[] rest = others;
        int[] gone = store.gone;
        int[] born = store.born;
        int[] stuck = store.integrated.stuck;
        float[] xs = store.x;
        float[] ys = store.y;
        float[] zs = store.z;
        float[] us = store.integrated.ux;
        float[] vs = store.integrated.uy;
        float[] ws = store.integrated.uz;
        double bySpeed = stepBySpeed;
        double keeps = stepLeft;
        float[] falls = store.fall;
        double fallX = gx * stepByAcceleration;
        double fallY = gy * stepByAcceleration;
        double fallZ = gz * stepByAcceleration;
        double gainX = gx * stepBySpeed;
        double gainY = gy * stepBySpeed;
        double gainZ = gz * stepBySpeed;
        double cx = ox;
        double cy = oy;
        double cz = oz;
        double sx = local ? shiftX : 0;
        double sy = local ? shiftY : 0;
        double sz = local ? shiftZ : 0;
        int left = 0;
        for (int i = 0; i < n; i++) {
            if (gone[i] <= step || born[i] >= step || stuck[i] != 0) {
                rest[left++] = i;
                continue;
            }
            double px = xs[i] - cx + sx;
            double py = ys[i] - cy + sy;
            double pz = zs[i] - cz + sz;
            double u = us[i];
            double v = vs[i];
            double w = ws[i];
            double fall = falls == null ? 1 : falls[i];
            double dx = u * bySpeed + fallX * fall;
            double dy = v * bySpeed + fallY * fall;
            double dz = w * bySpeed + fallZ * fall;
            if (wall != null && wall.near(px, py, pz, dx, dy, dz)) {
                rest[left++] = i;
                continue;
            }
            xs[i] = (float) (px + dx + cx);
            ys[i] = (float) (py + dy + cy);
            zs[i] = (float) (pz + dz + cz);
            us[i] = (float) (u * keeps + gainX * fall);
            vs[i] = (float) (v * keeps + gainY * fall);
            ws[i] = (float) (w * keeps + gainZ * fall);
        }
        return left;
    }

    /** Notes what a newborn spawns at its birth, and moves it from there to the end of the step. */
    void begin(ParticleStore store, int i, int step, double local, Occasions occasions, Layer layer) {
        double lag = store.lag[i];
        bearing.once(End.Child.When.AT_BIRTH, store, i, step, lag, occasions, layer);
        if (lag > 0) {
            double share = store.gone[i] == step ? Math.max(0, Math.min(lag, lag + store.left(i, step))) : lag;
            stretch(store, i, step, local, 1 - lag, share, occasions, layer);
        }
    }

    // Over a share of the step, from a share of it on.
    private void stretch(
            ParticleStore store,
            int i,
            int step,
            double local,
            double from,
            double share,
            Occasions occasions,
            Layer layer) {
        Integrated integrated = store.integrated;
        float fromX = store.x[i];
        float fromY = store.y[i];
        float fromZ = store.z[i];
        ago = Math.max(0, 1 - from - share);
        if (integrated.stuck[i] == 0) {
            span(share);
            one(store, i, step, (local - 1 + from) * dt, from, occasions, layer);
        } else if (this.local) {
            store.x[i] += (float) shiftX;
            store.y[i] += (float) shiftY;
            store.z[i] += (float) shiftZ;
        }
        float wx = store.x[i] - fromX;
        float wy = store.y[i] - fromY;
        float wz = store.z[i] - fromZ;
        float before = integrated.travelled[i];
        float after = before + (float) Math.sqrt(wx * wx + wy * wy + wz * wz);
        integrated.travelled[i] = after;
        trail(store, i, step, before, after, from > 0);
        if (store.gone[i] <= step) {
            layer.ended(i);
        }
        if (!bearing.none()) {
            boolean ending = store.gone[i] <= step;
            double age = store.age(i, step) - ago;
            bearing.along(
                    store, i, step, before, after, fromX, fromY, fromZ, age, share, ago, ending, occasions, layer);
            if (ending) {
                bearing.once(End.Child.When.AT_END, store, i, step, ago, occasions, layer);
            }
        }
    }

    // Sets how long the stretch at hand takes, as a share of a step.
    private void span(double share) {
        if (share == spanShare) {
            return;
        }
        spanShare = share;
        span = share * dt;
        boolean whole = share == 1;
        carriedBySpeed = whole ? stepBySpeed : Flight.carriedBySpeed(drag, span);
        carriedByAcceleration = whole ? stepByAcceleration : Flight.carriedByAcceleration(drag, span);
        left = whole ? stepLeft : Exact.exp(-drag * span);
        rub = whole ? stepRub : Exact.pow(stepRub, share);
    }

    private void trail(ParticleStore store, int i, int step, float before, float after, boolean newborn) {
        boolean mark = trailEvery > 0
                ? !newborn && (step - store.born[i]) % trailEvery == 0
                : trailUnits > 0 && (int) (after / trailUnits) > (int) (before / trailUnits);
        if (mark) {
            store.integrated.mark(i, store.x[i], store.y[i], store.z[i]);
        }
    }

    private void one(ParticleStore store, int i, int step, double time, double from, Occasions occasions, Layer layer) {
        Integrated integrated = store.integrated;
        fall = store.fall(i);
        x = store.x[i] - ox;
        y = store.y[i] - oy;
        z = store.z[i] - oz;
        if (local && from == 0) {
            // One that goes with the effect was placed by where that was; forces go with the effect in any case.
            x += shiftX;
            y += shiftY;
            z += shiftZ;
        }
        ux = integrated.ux[i];
        uy = integrated.uy[i];
        uz = integrated.uz[i];
        double startX = ux;
        double startY = uy;
        double startZ = uz;
        free(time, from);
        double pace = 1;
        double startPace = 1;
        if (speedOver != null || restSteps > 0) {
            float age = store.age(i, step);
            double first = age - 1 + from;
            double last = age - ago;
            startPace = rest(first, first);
            pace = rest(first, last);
            if (speedOver != null) {
                float by = lanePace > 0 ? lanePace : store.pace[i];
                double lane = over((float) first * by);
                pace *= (lane + 4 * over((float) ((first + last) / 2) * by) + over((float) last * by)) / 6;
                startPace *= lane;
            }
            integrated.slowed[i] = (float) rest(last, last)
                    * (speedOver == null ? 1 : (float) over((float) last * (lanePace > 0 ? lanePace : store.pace[i])));
            if (speedReplaces) {
                double now = Math.sqrt(ux * ux + uy * uy + uz * uz);
                integrated.slowed[i] = now > 1e-9 ? (float) (integrated.slowed[i] / now) : 0;
                double mx = startX + ux;
                double my = startY + uy;
                double mz = startZ + uz;
                double length = Math.sqrt(mx * mx + my * my + mz * mz);
                double k = length > 1e-9 ? pace * span / length : 0;
                wayX = mx * k;
                wayY = my * k;
                wayZ = mz * k;
            } else {
                wayX *= pace;
                wayY *= pace;
                wayZ *= pace;
            }
        }
        if (wall != null) {
            strike(store, i, step, startX, startY, startZ, speedReplaces ? Double.NaN : startPace, occasions, layer);
        } else {
            x += wayX;
            y += wayY;
            z += wayZ;
        }
        store.x[i] = (float) (x + ox);
        store.y[i] = (float) (y + oy);
        store.z[i] = (float) (z + oz);
        integrated.ux[i] = (float) ux;
        integrated.uy[i] = (float) uy;
        integrated.uz[i] = (float) uz;
    }

    // The mean of 1 − t/T, and nothing after T, between two ages in steps; exact.
    private double rest(double first, double last) {
        if (restSteps == 0) {
            return 1;
        }
        double a = Math.min(first, restSteps);
        double b = Math.min(last, restSteps);
        return last - first < 1e-9 ? 1 - a / restSteps : (b - a) * (1 - (a + b) / 2 / restSteps) / (last - first);
    }

    private double over(float fraction) {
        float at = Math.min(1, Math.max(0, fraction)) * Shade.CELLS;
        int cell = Math.min(Shade.CELLS - 1, (int) at);
        return speedOver[cell] + (speedOver[cell + 1] - speedOver[cell]) * (at - cell);
    }

    /** Works out the way of a stretch that meets nothing, and the velocity after it. */
    private void free(double time, double from) {
        if (field.none()) {
            drift(gx * fall, gy * fall, gz * fall);
            return;
        }
        field.gust(x, y, z, time);
        bx = gx * fall + field.ax;
        by = gy * fall + field.ay;
        bz = gz * fall + field.az;
        if (!field.smooth()) {
            drift(bx, by, bz);
            return;
        }
        wayX = 0;
        wayY = 0;
        wayZ = 0;
        double h = span / parts;
        for (int part = 0; part < parts; part++) {
            // Where forces are live their place goes along evenly over the step.
            boolean goes = live && !local;
            rungeKutta(h, goes ? 1 - from - part * h / dt : 0, goes ? h / dt / 2 : 0);
        }
    }

    // The exact step under an acceleration that stays the same over it.
    private void drift(double ax, double ay, double az) {
        wayX = ux * carriedBySpeed + ax * carriedByAcceleration;
        wayY = uy * carriedBySpeed + ay * carriedByAcceleration;
        wayZ = uz * carriedBySpeed + az * carriedByAcceleration;
        ux = ux * left + ax * carriedBySpeed;
        uy = uy * left + ay * carriedBySpeed;
        uz = uz * left + az * carriedBySpeed;
    }

    // until: share of the step until the place of forces is where it will be at its end; half: of half this part.
    private void rungeKutta(double h, double until, double half) {
        double px = x + wayX + until * shiftX;
        double py = y + wayY + until * shiftY;
        double pz = z + wayZ + until * shiftZ;
        double goneX = half * shiftX;
        double goneY = half * shiftY;
        double goneZ = half * shiftZ;
        field.at(px, py, pz);
        double a1x = bx + field.ax - drag * ux;
        double a1y = by + field.ay - drag * uy;
        double a1z = bz + field.az - drag * uz;
        double v2x = ux + a1x * h / 2;
        double v2y = uy + a1y * h / 2;
        double v2z = uz + a1z * h / 2;
        field.at(px + ux * h / 2 - goneX, py + uy * h / 2 - goneY, pz + uz * h / 2 - goneZ);
        double a2x = bx + field.ax - drag * v2x;
        double a2y = by + field.ay - drag * v2y;
        double a2z = bz + field.az - drag * v2z;
        double v3x = ux + a2x * h / 2;
        double v3y = uy + a2y * h / 2;
        double v3z = uz + a2z * h / 2;
        field.at(px + v2x * h / 2 - goneX, py + v2y * h / 2 - goneY, pz + v2z * h / 2 - goneZ);
        double a3x = bx + field.ax - drag * v3x;
        double a3y = by + field.ay - drag * v3y;
        double a3z = bz + field.az - drag * v3z;
        double v4x = ux + a3x * h;
        double v4y = uy + a3y * h;
        double v4z = uz + a3z * h;
        field.at(px + v3x * h - 2 * goneX, py + v3y * h - 2 * goneY, pz + v3z * h - 2 * goneZ);
        double a4x = bx + field.ax - drag * v4x;
        double a4y = by + field.ay - drag * v4y;
        double a4z = bz + field.az - drag * v4z;
        wayX += h / 6 * (ux + 2 * v2x + 2 * v3x + v4x);
        wayY += h / 6 * (uy + 2 * v2y + 2 * v3y + v4y);
        wayZ += h / 6 * (uz + 2 * v2z + 2 * v3z + v4z);
        ux += h / 6 * (a1x + 2 * a2x + 2 * a3x + a4x);
        uy += h / 6 * (a1y + 2 * a2y + 2 * a3y + a4y);
        uz += h / 6 * (a1z + 2 * a2z + 2 * a3z + a4z);
    }

    // v0: the velocity at the start of the step; paced: by what a speed lane multiplies it, NaN where it replaces it.
    private void strike(
            ParticleStore store,
            int i,
            int step,
            double v0x,
            double v0y,
            double v0z,
            double paced,
            Occasions occasions,
            Layer layer) {
        End.Collision collision = emitter.end().collision().orElseThrow();
        double rest = span;
        for (int hit = 0; hit < MOST_HITS; hit++) {
            double fromX = Double.isNaN(paced) ? wayX : v0x * paced * rest;
            double fromY = Double.isNaN(paced) ? wayY : v0y * paced * rest;
            double fromZ = Double.isNaN(paced) ? wayZ : v0z * paced * rest;
            if (!wall.met(x, y, z, fromX, fromY, fromZ, wayX, wayY, wayZ)) {
                x += wayX;
                y += wayY;
                z += wayZ;
                return;
            }
            double t = wall.at;
            double k = t * t;
            x += fromX * t + (wayX - fromX) * k;
            y += fromY * t + (wayY - fromY) * k;
            z += fromZ * t + (wayZ - fromZ) * k;
            // What accelerated it over the step goes on doing so after the collision.
            double ax = (ux - v0x) / rest;
            double ay = (uy - v0y) / rest;
            double az = (uz - v0z) / rest;
            double vx = v0x + ax * t * rest;
            double vy = v0y + ay * t * rest;
            double vz = v0z + az * t * rest;
            double nx = wall.nx;
            double ny = wall.ny;
            double nz = wall.nz;
            double into = vx * nx + vy * ny + vz * nz;
            double pull = ax * nx + ay * ny + az * nz;
            boolean lies = -into <= Math.max(1e-6, 1.5 * Math.abs(Math.min(0, pull)) * dt);
            double keep = lies ? rub : 1 - collision.friction();
            double up = lies ? 0 : -into * collision.bounce();
            v0x = (vx - into * nx) * keep + up * nx;
            v0y = (vy - into * ny) * keep + up * ny;
            v0z = (vz - into * nz) * keep + up * nz;
            ux = v0x;
            uy = v0y;
            uz = v0z;
            if (!lies || store.integrated.hits[i] == 0) {
                struck(store, i, step, collision, ago + rest * (1 - t) / dt, occasions, layer);
                if (store.gone[i] <= step || store.integrated.stuck[i] == 1) {
                    return;
                }
            }
            rest *= 1 - t;
            if (lies) {
                // It lies: what pulls it into the surface is born by the surface.
                ax -= Math.min(0, pull) * nx;
                ay -= Math.min(0, pull) * ny;
                az -= Math.min(0, pull) * nz;
            }
            if (rest < 1e-9) {
                return;
            }
            double s = Double.isNaN(paced) ? 1 : paced;
            wayX = s * (v0x * rest + ax * rest * rest / 2);
            wayY = s * (v0y * rest + ay * rest * rest / 2);
            wayZ = s * (v0z * rest + az * rest * rest / 2);
            ux = v0x + ax * rest;
            uy = v0y + ay * rest;
            uz = v0z + az * rest;
        }
    }

    // since: steps from the collision to the end of the step.
    private void struck(
            ParticleStore store,
            int i,
            int step,
            End.Collision collision,
            double since,
            Occasions occasions,
            Layer layer) {
        store.integrated.hits[i]++;
        layer.countHit();
        bearing.struck(
                store,
                i,
                step,
                wall.face,
                (float) (x + ox),
                (float) (y + oy),
                (float) (z + oz),
                since,
                occasions,
                layer);
        if (collision.then() == End.Outcome.DIES) {
            store.sooner(i, step);
            ago = since;
            return;
        }
        if (collision.then() == End.Outcome.STICKS) {
            store.integrated.stuck[i] = 1;
            ux = 0;
            uy = 0;
            uz = 0;
        }
        double lost = (store.left(i, step) + since) * collision.lifeLost();
        if (lost > 0) {
            store.lag[i] += (float) lost;
            store.sooner(i, step + (int) Math.max(0, Math.ceil(store.left(i, step) - 1e-6)));
        }
    }
}
