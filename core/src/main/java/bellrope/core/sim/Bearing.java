package bellrope.core.sim;

import bellrope.core.effect.End.Child;
import java.util.List;

/** When the particles of one emitter bear children: each method notes the occasions of one moment of their lives. */
final class Bearing {
    private final List<Child> children;
    private final double dt;

    /** @param dt seconds a step */
    Bearing(List<Child> children, double dt) {
        this.children = children;
        this.dt = dt;
    }

    /** Notes what a particle bears on the way of one step, from so many units travelled to so many. */
    void along(
            ParticleStore store,
            int i,
            int step,
            float before,
            float after,
            float fromX,
            float fromY,
            float fromZ,
            Occasions occasions,
            Layer layer) {
        int age = step - store.born[i];
        for (int c = 0; c < children.size(); c++) {
            Child child = children.get(c);
            int was;
            int is;
            if (child.when() == Child.When.PER_SECOND) {
                was = (int) Math.floor((age - 1) * dt * child.rate() + 1e-9);
                is = (int) Math.floor(age * dt * child.rate() + 1e-9);
            } else if (child.when() == Child.When.PER_UNIT) {
                was = (int) (before * child.rate());
                is = (int) (after * child.rate());
            } else {
                continue;
            }
            for (int k = was + 1; k <= is; k++) {
                // Per unit, each lies where the way reached it, so that fast ones leave no gaps.
                float share = child.when() == Child.When.PER_UNIT
                        ? (float) ((k / child.rate() - before) / Math.max(1e-9, after - before))
                        : 1;
                occasions.add(
                        store,
                        i,
                        c,
                        k,
                        -1,
                        fromX + (store.x[i] - fromX) * share,
                        fromY + (store.y[i] - fromY) * share,
                        fromZ + (store.z[i] - fromZ) * share,
                        layer.shade.sizeAt(i, step));
            }
        }
    }

    /** Notes what a particle bears where it struck something, for the time that its walk counts. */
    void struck(
            ParticleStore store,
            int i,
            int step,
            int face,
            float x,
            float y,
            float z,
            Occasions occasions,
            Layer layer) {
        for (int c = 0; c < children.size(); c++) {
            if (children.get(c).when() == Child.When.ON_COLLISION) {
                occasions.add(store, i, c, store.walk.hits[i], face, x, y, z, layer.shade.sizeAt(i, step));
            }
        }
    }

    /** Notes what the particles bear that are gone on {@code step} and were not a step ago. */
    void ends(ParticleStore store, int step, Occasions occasions, Layer layer) {
        for (int c = 0; c < children.size(); c++) {
            if (children.get(c).when() != Child.When.AT_END) {
                continue;
            }
            int n = store.slots();
            for (int i = 0; i < n; i++) {
                if (store.gone[i] == step) {
                    occasions.add(store, i, c, 0, -1, store.x[i], store.y[i], store.z[i], layer.shade.sizeAt(i, step));
                }
            }
        }
    }

    /** Notes what the particles bear that were born from slot {@code first} on. */
    void births(ParticleStore store, int first, int step, Occasions occasions, Layer layer) {
        for (int c = 0; c < children.size(); c++) {
            if (children.get(c).when() != Child.When.AT_BIRTH) {
                continue;
            }
            int n = store.slots();
            for (int i = first; i < n; i++) {
                occasions.add(store, i, c, 0, -1, store.x[i], store.y[i], store.z[i], layer.shade.sizeAt(i, step));
            }
        }
    }
}
