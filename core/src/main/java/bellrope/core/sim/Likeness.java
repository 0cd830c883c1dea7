package bellrope.core.sim;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * How far one stage is from being another enlarged, step by step: every particle's place and size on the one, multiplied,
 * against those of the particle in the same slot on the other. What is told apart is told by emitter.
 */
public final class Likeness {
    private final double scale;
    private final Map<String, OfEmitter> emitters = new LinkedHashMap<>();

    /** What was found about one emitter. */
    public static final class OfEmitter {
        private double worst;
        private double largest;
        private boolean others;

        /** Returns the greatest distance between a particle and its enlarged counterpart, or of their sizes, units. */
        public double worst() {
            return worst;
        }

        /** Returns the greatest distance from the origin, or size, that was met on the enlarged side, units. */
        public double largest() {
            return largest;
        }

        /** Tells whether at some step not the same particles lived on both sides. */
        public boolean others() {
            return others;
        }

        /** Returns the greatest difference as a share of the largest length; 1 where other particles live. */
        public double difference() {
            return others ? 1 : largest == 0 ? 0 : Math.min(1, worst / largest);
        }
    }

    /** @param scale by which the other stage should be larger */
    public Likeness(double scale) {
        this.scale = scale;
    }

    /**
     * Takes in a step of both; effects must play at the origin.
     *
     * @param one as authored
     * @param enlarged meant to be {@code scale} times as large
     */
    public void look(List<Layer> one, List<Layer> enlarged, int step) {
        for (Layer layer : one) {
            layer.appear(step);
        }
        for (Layer layer : enlarged) {
            layer.appear(step);
        }
        int pairs = Math.min(one.size(), enlarged.size());
        for (int i = 0; i < pairs; i++) {
            compare(one.get(i), enlarged.get(i), step);
        }
        for (int i = pairs; i < Math.max(one.size(), enlarged.size()); i++) {
            Layer alone = (one.size() > i ? one : enlarged).get(i);
            of(alone).others |= alone.store().count() > 0;
        }
    }

    private OfEmitter of(Layer layer) {
        return emitters.computeIfAbsent(layer.emitter().name(), n -> new OfEmitter());
    }

    private void compare(Layer a, Layer b, int step) {
        OfEmitter of = of(a);
        ParticleStore p = a.store();
        ParticleStore q = b.store();
        if (p.count() != q.count() || p.slots() != q.slots()) {
            of.others = true;
            return;
        }
        float[] small = a.shade.sizes();
        float[] large = b.shade.sizes();
        for (int i = 0; i < p.slots(); i++) {
            if (p.gone[i] <= step && q.gone[i] <= step) {
                continue;
            }
            if (p.gone[i] <= step || q.gone[i] <= step || p.born[i] != q.born[i]) {
                of.others = true;
                return;
            }
            double x = scale * p.x[i] - q.x[i];
            double y = scale * p.y[i] - q.y[i];
            double z = scale * p.z[i] - q.z[i];
            of.worst = Math.max(of.worst, Math.sqrt(x * x + y * y + z * z));
            of.worst = Math.max(of.worst, Math.abs(scale * small[i] - large[i]));
            double far = Math.sqrt((double) q.x[i] * q.x[i] + (double) q.y[i] * q.y[i] + (double) q.z[i] * q.z[i]);
            double wanted =
                    scale * Math.sqrt((double) p.x[i] * p.x[i] + (double) p.y[i] * p.y[i] + (double) p.z[i] * p.z[i]);
            of.largest = Math.max(of.largest, Math.max(far, wanted));
            of.largest = Math.max(of.largest, Math.max(large[i], scale * small[i]));
        }
    }

    /** Returns what was found by the name of the emitter, in draw order of their first appearance. */
    public Map<String, OfEmitter> emitters() {
        return emitters;
    }

    /** Returns the greatest difference of any emitter, as a share. */
    public double difference() {
        double most = 0;
        for (OfEmitter of : emitters.values()) {
            most = Math.max(most, of.difference());
        }
        return most;
    }
}
