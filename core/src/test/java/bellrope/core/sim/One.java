package bellrope.core.sim;

import bellrope.core.Sample;
import bellrope.core.effect.Birth;
import bellrope.core.effect.Course;
import bellrope.core.effect.Emitter;
import bellrope.core.effect.Life;
import bellrope.core.effect.Sprite;
import bellrope.core.value.Pace;
import bellrope.core.value.Vec3;
import java.util.List;
import java.util.function.Consumer;

/** A particle, and the run that moves it. */
final class One {
    final Layer layer;
    final EffectRun run;
    private final Emitter emitter;
    int step;

    One(Emitter emitter, Vec3 origin, Vec3 velocity) {
        this.emitter = emitter;
        layer = new Layer(emitter, 60, 0, new Sprite("dot", 1));
        run = new EffectRun(
                new Plan(Sample.effect("e", emitter).withCourse(Course.once(5)).course(), List.of(emitter), Pace.SIXTY),
                List.of(emitter),
                new Layer[] {layer},
                7,
                0,
                new EffectRun.Placement(origin, Vec3.UP, velocity),
                EffectRun.Descent.NONE);
        run.open(1000);
        run.spawn(0);
    }

    static One of(Birth birth, Life life, Vec3 velocity) {
        return new One(Sample.emitter("e", 1, birth, life), Vec3.ZERO, velocity);
    }

    void step() {
        step++;
        run.open(1000);
        run.integrate(step);
        layer.advance(step);
        run.spawn(step);
    }

    /** @param before each of them */
    One steps(int n, Consumer<One> before) {
        for (int i = 0; i < n; i++) {
            before.accept(this);
            step();
        }
        return this;
    }

    /** Drives it by the same emitter with another life. */
    void driven(Life life) {
        run.drive(List.of(emitter.withLife(life)));
    }

    Vec3 place() {
        ParticleStore s = layer.store();
        return new Vec3(s.x[0], s.y[0], s.z[0]);
    }
}
