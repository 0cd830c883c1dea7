package bellrope.core.sim;

import bellrope.core.effect.End.Child;
import java.util.List;

/** When the particles of one emitter spawn children: each method notes the occasions of one moment of their lives. */
final class Bearing {
    /** Share of a way or a life within which a birth counts as being at its very end, and so does not count. */
    private static final double AT_THE_END = 1e-6;

    private final List<Child> children;
    private final int emitter;
    private final double dt;

    /**
     * @param emitter index of the emitter whose particles spawn
     * @param dt seconds a step
     */
    Bearing(List<Child> children, int emitter, double dt) {
        this.children = children;
        this.emitter = emitter;
        this.dt = dt;
    }

    boolean none() {
        return children.isEmpty();
    }

    /** Tells whether any is spawned on the way, between birth and end. */
    boolean onTheWay() {
        for (Child child : children) {
            if (child.when() == Child.When.PER_SECOND || child.when() == Child.When.PER_UNIT) {
                return true;
            }
        }
        return false;
    }

    /**
     * Notes what a particle spawns on a stretch of its way, from so many units travelled to so many.
     *
     * @param age at the end of the stretch, steps
     * @param steps that the stretch takes
     * @param ago steps from the end of the stretch to the end of the step
     * @param ending whether its life is over at the end of the stretch; a birth at exactly that moment does not count
     */
    void along(
            ParticleStore store,
            int i,
            int step,
            float before,
            float after,
            float fromX,
            float fromY,
            float fromZ,
            double age,
            double steps,
            double ago,
            boolean ending,
            Occasions occasions,
            Layer layer) {
        for (int c = 0; c < children.size(); c++) {
            Child child = children.get(c);
            boolean timed = child.when() == Child.When.PER_SECOND;
            if (!timed && child.when() != Child.When.PER_UNIT) {
                continue;
            }
            double rate = timed ? child.rate() * dt : child.rate();
            double from = timed ? age - steps : before;
            double to = timed ? age : after;
            double last = to * rate;
            int was = (int) Math.floor(from * rate + 1e-9);
            int is = ending ? (int) Math.ceil(last - last * AT_THE_END - 1e-9) - 1 : (int) Math.floor(last + 1e-9);
            for (int k = was + 1; k <= is; k++) {
                layer.countOccasion(c);
                // Each lies where the way reached it, so that fast ones leave no gaps.
                double share = Math.max(0, Math.min(1, (k / rate - from) / Math.max(1e-9, to - from)));
                occasions.add(
                        store,
                        i,
                        emitter,
                        c,
                        k,
                        -1,
                        (float) (fromX + (store.x[i] - fromX) * share),
                        (float) (fromY + (store.y[i] - fromY) * share),
                        (float) (fromZ + (store.z[i] - fromZ) * share),
                        layer.shade.sizeAt(i, step),
                        ago + (1 - share) * steps);
            }
        }
    }

    /** Notes what a particle spawns where it struck something, for as long as that step counts. */
    void struck(
            ParticleStore store,
            int i,
            int step,
            int face,
            float x,
            float y,
            float z,
            double ago,
            Occasions occasions,
            Layer layer) {
        for (int c = 0; c < children.size(); c++) {
            if (children.get(c).when() == Child.When.ON_COLLISION) {
                occasions.add(
                        store,
                        i,
                        emitter,
                        c,
                        store.integrated.hits[i],
                        face,
                        x,
                        y,
                        z,
                        layer.shade.sizeAt(i, step),
                        ago);
            }
        }
    }

    /** Notes what a particle spawns where it is now: at its birth, or at its end. */
    void once(Child.When when, ParticleStore store, int i, int step, double ago, Occasions occasions, Layer layer) {
        for (int c = 0; c < children.size(); c++) {
            if (children.get(c).when() == when) {
                occasions.add(
                        store,
                        i,
                        emitter,
                        c,
                        0,
                        -1,
                        store.x[i],
                        store.y[i],
                        store.z[i],
                        layer.shade.sizeAt(i, step),
                        ago);
            }
        }
    }
}
