package bellrope.core.sim;

import bellrope.core.effect.Birth;
import bellrope.core.effect.Emitter;
import bellrope.core.random.Draws;
import bellrope.core.random.Purpose;
import bellrope.core.value.Pace;
import bellrope.core.value.Vec3;
import java.util.Optional;

/**
 * How one instance's particles come into the world: every attribute drawn by its own address, place and throw turned
 * from the emitter's frame into the world.
 */
final class Births {
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
    // How many may still be born, how many were asked for, how many were born.
    int room;
    int asked;
    int born;

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
    void drop(Layer layer, long count) {
        int many = (int) Math.min(Integer.MAX_VALUE - asked, count);
        asked += many;
        layer.refuse(many);
    }

    /** Tells whether another particle could still be born into a layer. */
    boolean roomIn(Layer layer) {
        return room > 0 && layer.admits();
    }

    /** Returns a launch for one emitter, which is kept: a new one for each step would be garbage. */
    Launch launch() {
        return new Launch(draws);
    }

    /** Spawns the particles of a batch into a layer. */
    void spawn(Layer layer, Emitter emitter, Launch launch, Orientation frame, Batch batch) {
        launch.by(emitter.birth());
        for (int n = batch.first; n < batch.first + batch.count; n++) {
            draws.at(batch.key, emitter.seed(), batch.source, batch.cycle, n);
            if (batch.share < 1 && draws.unit(Purpose.RAMP) >= batch.share) {
                continue;
            }
            asked++;
            boolean admitted = room > 0 && layer.admits();
            layer.count(admitted);
            if (admitted) {
                room--;
                born++;
                int i = one(layer, emitter, launch, frame, n, batch.of, batch.step);
                if (layer.integrated()) {
                    Integrated integrated = layer.store().integrated;
                    integrated.generation[i] = generation;
                    if (layer.hasChildren()) {
                        long line = draws.lineKey();
                        integrated.lineLow[i] = (int) line;
                        integrated.lineHigh[i] = (int) (line >>> 32);
                    }
                }
            }
        }
    }

    private int one(Layer layer, Emitter emitter, Launch launch, Orientation frame, int n, int of, int step) {
        Birth birth = emitter.birth();
        ParticleStore store = layer.store();
        launch.particle(n, of);
        double speed = birth.speed().at(draws.unit(Purpose.SPEED));
        double tempo = stepsPerSecond / emitter.playback();
        double life = birth.lifetime().at(draws.unit(Purpose.LIFETIME)) * tempo;
        int i = store.add(step, life, lag);
        Vec3 right = frame.right();
        Vec3 up = frame.up();
        Vec3 back = frame.back();
        Vec3 offset = frame.offset();
        store.x0[i] = (float) (ox + offset.x() + launch.px * right.x() + launch.py * up.x() + launch.pz * back.x());
        store.y0[i] = (float) (oy + offset.y() + launch.px * right.y() + launch.py * up.y() + launch.pz * back.y());
        store.z0[i] = (float) (oz + offset.z() + launch.px * right.z() + launch.py * up.z() + launch.pz * back.z());
        store.vx[i] = (float) (carryX + speed * (launch.dx * right.x() + launch.dy * up.x() + launch.dz * back.x()));
        store.vy[i] = (float) (carryY + speed * (launch.dx * right.y() + launch.dy * up.y() + launch.dz * back.y()));
        store.vz[i] = (float) (carryZ + speed * (launch.dx * right.z() + launch.dy * up.z() + launch.dz * back.z()));
        if (store.fall != null) {
            store.fall[i] = (float) birth.gravity().at(draws.unit(Purpose.GRAVITY));
        }
        if (store.lane != null) {
            store.lane[i] = (float) draws.unit(Purpose.LANE);
        }
        if (lag > 0 && !layer.integrated()) {
            layer.carry(i, lag);
        }
        store.x[i] = store.x0[i];
        store.y[i] = store.y0[i];
        store.z[i] = store.z0[i];
        double across = birth.sizeAt(draws.unit(Purpose.SIZE));
        store.size[i] = (float) across * scale;
        Optional<bellrope.core.value.Range> height = birth.height();
        store.aspect[i] =
                height.isPresent() && across > 0 ? (float) (height.get().at(draws.unit(Purpose.HEIGHT)) / across) : 1;
        store.rotation[i] = (float) (birth.rotation().at(draws.unit(Purpose.ROTATION)) / 360);
        store.spin[i] = (float) (birth.spin().at(draws.unit(Purpose.SPIN)) / 360 / tempo);
        store.face[i] = frame.face();
        store.pick[i] = layer.picks() ? (float) draws.unit(Purpose.FRAME) : 0;
        birth.colour().write(mixed, draws.unit(Purpose.COLOUR));
        float bright = (float) emitter.look().brightness();
        store.red[i] = mixed[0] * red * bright;
        store.green[i] = mixed[1] * green * bright;
        store.blue[i] = mixed[2] * blue * bright;
        store.opacity[i] = (float) birth.opacity().at(draws.unit(Purpose.OPACITY)) * mixed[3];
        if (store.integrated != null) {
            store.integrated.begin(i, store.x[i], store.y[i], store.z[i], store.vx[i], store.vy[i], store.vz[i]);
        }
        return i;
    }
}
