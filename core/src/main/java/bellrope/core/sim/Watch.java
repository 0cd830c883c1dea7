package bellrope.core.sim;

import bellrope.core.effect.End;
import bellrope.core.value.Exact;
import bellrope.core.value.Rotation;
import bellrope.core.value.Vec3;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * What is seen of a stage over a number of steps: one number a step for the whole, and a few for each emitter. Directions
 * are counted in the frame of one placement, whose y axis is its facing, as seen from the side: along x and y.
 */
public final class Watch {
    /** Sectors of the rose, from +x counter-clockwise. */
    public static final int SECTORS = 16;

    /** Slower than this, in units a second, nothing counts as thrown. */
    private static final double THROWN = 0.05;

    /** Births of which the share-out is kept. */
    private static final int SAMPLES = 400;

    private final Vec3 from;
    private final Vec3 facing;
    private final Vec3 right;
    private final Vec3 up;
    private final Vec3 back;
    private final Map<Of, ByEmitter> emitters = new LinkedHashMap<>();
    private final double[] place = new double[3];
    private final float[] low = {Float.POSITIVE_INFINITY, Float.POSITIVE_INFINITY, Float.POSITIVE_INFINITY};
    private final float[] high = {Float.NEGATIVE_INFINITY, Float.NEGATIVE_INFINITY, Float.NEGATIVE_INFINITY};
    private final float[] velocity = new float[3];
    private final Tally tally = new Tally();
    private int[] live = new int[64];
    private float[] presence = new float[64];
    private float[] painted = new float[64];
    private boolean[] visible = new boolean[64];
    private int steps;
    private double reach;
    private int drawCalls;
    private double peakCost;

    /** An emitter, by its effect's name and its own. */
    public record Of(String effect, String emitter) {}

    /** Everything counted about one emitter. */
    public static final class ByEmitter {
        private long births;
        private int live;
        private int peak;
        private final long[] occasions = new long[End.MOST_CHILDREN];
        private long refused;
        private long hits;
        private long lived;
        private long unseen;
        private long into;
        private long thrown;
        private double sumX;
        private double sumY;
        private double sumX3;
        private double sumY3;
        private double sumZ3;
        private double fastest;
        private double sumSize;
        private double sumSpeed;
        private double reach;
        private double presence;
        private final int[] rose = new int[SECTORS];
        // Of the first births: speed, lifetime, size, opacity.
        private final float[] samples = new float[4 * SAMPLES];
        private int sampled;

        /**
         * Returns how the first births share out between the least and the most of something they were born with.
         *
         * @param what 0 speed in units a second, 1 lifetime in seconds, 2 size in units, 3 opacity
         * @param bins how many parts of equal width, above 0
         */
        public int[] spread(int what, int bins) {
            float least = Float.MAX_VALUE;
            float most = -Float.MAX_VALUE;
            for (int i = 0; i < sampled; i++) {
                least = Math.min(least, samples[4 * i + what]);
                most = Math.max(most, samples[4 * i + what]);
            }
            int[] counts = new int[bins];
            for (int i = 0; i < sampled; i++) {
                float share = most > least ? (samples[4 * i + what] - least) / (most - least) : 0;
                counts[Math.min(bins - 1, (int) (share * bins))]++;
            }
            return counts;
        }

        public long births() {
            return births;
        }

        /** Returns how often its particles gave birth on their way to a kind of child. */
        public long occasions(int kind) {
            return occasions[kind];
        }

        /** Returns how many of it lived at once at most. */
        public int peak() {
            return peak;
        }

        /** Returns how many births a cap or the particle limit dropped. */
        public long refused() {
            return refused;
        }

        /** Returns how often its particles struck something. */
        public long hits() {
            return hits;
        }

        /** Returns for how much of all its particles' steps they could not be seen, 0 to 1. */
        public double unseenShare() {
            return lived == 0 ? 0 : (double) unseen / lived;
        }

        /** Returns how many particle steps were counted. */
        public long lived() {
            return lived;
        }

        /** Tells whether anything of it was ever seen. */
        public boolean seen() {
            return unseen < lived;
        }

        /** Returns how much of what was thrown went against the facing, by more than a tenth of its speed; 0 to 1. */
        public double intoShare() {
            return thrown == 0 ? 0 : (double) into / thrown;
        }

        /** Returns how many were born with a speed worth the name. */
        public long thrown() {
            return thrown;
        }

        /** Returns the mean resultant length of the directions seen from the side, 0 to 1 (Mardia & Jupp). */
        public double resultant() {
            return thrown == 0 ? 0 : Math.sqrt(sumX * sumX + sumY * sumY) / thrown;
        }

        /** Returns the mean resultant length of the directions in space, 0 to 1. */
        public double resultantInSpace() {
            return thrown == 0 ? 0 : Math.sqrt(sumX3 * sumX3 + sumY3 * sumY3 + sumZ3 * sumZ3) / thrown;
        }

        /** Returns the mean direction seen from the side, degrees counter-clockwise from right. */
        public double meanDirection() {
            return Exact.degrees(Exact.atan2(sumY, sumX));
        }

        /** Returns how many were thrown into each sector. */
        public int[] rose() {
            return rose.clone();
        }

        /** Returns the mean size they were born with, units; 0 when nothing was born. */
        public double meanSize() {
            return sampled == 0 ? 0 : sumSize / sampled;
        }

        /** Returns the mean speed they were born with, units a second; 0 when nothing was born. */
        public double meanSpeed() {
            return sampled == 0 ? 0 : sumSpeed / sampled;
        }

        /** Returns the greatest distance of the centre of one that could be seen from where the effect began, units. */
        public double reach() {
            return reach;
        }

        /** Returns the presence of all steps added up, square units × steps. */
        public double presence() {
            return presence;
        }

        /** Returns the greatest speed it was seen at, units a second. */
        public double fastest() {
            return fastest;
        }
    }

    public Watch(Vec3 from, Vec3 facing) {
        this.from = from;
        this.facing = facing;
        Rotation turn = Rotation.between(Vec3.UP, facing);
        right = turn.apply(Vec3.RIGHT);
        up = turn.apply(Vec3.UP);
        back = turn.apply(new Vec3(0, 0, 1));
    }

    /**
     * Takes in a step; the layers must have been moved to it and asked to appear.
     *
     * @param departed layers that went in this step, of which only what happened in it is counted
     */
    public void look(List<Layer> layers, List<Layer> departed, int step) {
        if (steps == live.length) {
            int length = steps * 2;
            live = Arrays.copyOf(live, length);
            presence = Arrays.copyOf(presence, length);
            painted = Arrays.copyOf(painted, length);
            visible = Arrays.copyOf(visible, length);
        }
        for (ByEmitter by : emitters.values()) {
            by.live = 0;
        }
        tally.of(layers);
        live[steps] = tally.live();
        presence[steps] = tally.presence();
        painted[steps] = tally.painted();
        visible[steps] = tally.visible();
        for (Layer layer : layers) {
            emitter(layer, step);
        }
        for (Layer layer : departed) {
            happened(layer);
        }
        drawCalls = Math.max(drawCalls, tally.drawCalls());
        peakCost = Math.max(peakCost, tally.cost());
        steps++;
    }

    private void emitter(Layer layer, int step) {
        ByEmitter by = happened(layer);
        by.live += layer.store().count();
        by.peak = Math.max(by.peak, by.live);
        by.presence += layer.presence();
        ParticleStore store = layer.store();
        float[] sizes = layer.shade.sizes();
        float[] alphas = layer.shade.alphas();
        for (int i = 0; i < store.slots(); i++) {
            if (store.gone[i] <= step) {
                continue;
            }
            place[0] = store.x[i];
            place[1] = store.y[i];
            place[2] = store.z[i];
            come();
            by.lived++;
            // The frame of birth is not held against one that grows or fades in.
            if (alphas[i] < Shade.VISIBLE_OPACITY || sizes[i] < Shade.VISIBLE_SIZE) {
                by.unseen++;
            } else {
                by.reach = Math.max(by.reach, away());
            }
            if (store.gone[i] == step + 1 && !layer.integrated()) {
                // It ends before it is read again: at its very end it has come farthest.
                layer.after(i, step, Math.max(0, Math.min(1, store.left(i, step))), place);
                come();
                if (layer.shade.seenAtEnd(i)) {
                    by.reach = Math.max(by.reach, away());
                }
            }
            layer.velocity(i, step, velocity);
            double speed = Math.sqrt(velocity[0] * velocity[0] + velocity[1] * velocity[1] + velocity[2] * velocity[2]);
            by.fastest = Math.max(by.fastest, speed);
            if (store.born[i] == step) {
                if (by.sampled < SAMPLES) {
                    by.sumSize += store.size[i];
                    by.sumSpeed += speed;
                    int at = 4 * by.sampled++;
                    by.samples[at] = (float) speed;
                    by.samples[at + 1] = 1 / (store.pace[i] * layer.stepsPerSecond());
                    by.samples[at + 2] = store.size[i];
                    by.samples[at + 3] = store.opacity[i];
                }
                if (speed > THROWN) {
                    thrown(by, speed);
                }
            }
        }
    }

    // What came about since the last look, whether or not anything of it is left.
    private ByEmitter happened(Layer layer) {
        ByEmitter by =
                emitters.computeIfAbsent(new Of(layer.effect(), layer.emitter().name()), n -> new ByEmitter());
        by.births += layer.takeBorn();
        by.refused += layer.takeRefused();
        by.hits += layer.takeHits();
        layer.takeOccasions(by.occasions);
        for (int i = 0; i < layer.ends(); i += 4) {
            place[0] = layer.endings()[i];
            place[1] = layer.endings()[i + 1];
            place[2] = layer.endings()[i + 2];
            come();
            if (layer.endings()[i + 3] > 0) {
                by.reach = Math.max(by.reach, away());
            }
        }
        return by;
    }

    private double away() {
        double x = place[0] - from.x();
        double y = place[1] - from.y();
        double z = place[2] - from.z();
        return Math.sqrt(x * x + y * y + z * z);
    }

    private void come() {
        for (int axis = 0; axis < 3; axis++) {
            low[axis] = Math.min(low[axis], (float) place[axis]);
            high[axis] = Math.max(high[axis], (float) place[axis]);
        }
        double along = (place[0] - from.x()) * facing.x()
                + (place[1] - from.y()) * facing.y()
                + (place[2] - from.z()) * facing.z();
        reach = Math.max(reach, along);
    }

    private void thrown(ByEmitter by, double speed) {
        double x = (velocity[0] * right.x() + velocity[1] * right.y() + velocity[2] * right.z()) / speed;
        double y = (velocity[0] * up.x() + velocity[1] * up.y() + velocity[2] * up.z()) / speed;
        double z = (velocity[0] * back.x() + velocity[1] * back.y() + velocity[2] * back.z()) / speed;
        by.thrown++;
        by.sumX3 += x;
        by.sumY3 += y;
        by.sumZ3 += z;
        if (y < -0.1) {
            by.into++;
        }
        double flat = Math.sqrt(x * x + y * y);
        if (flat > 1e-6) {
            by.sumX += x / flat;
            by.sumY += y / flat;
            double turns = Exact.atan2(y, x) / (2 * Math.PI);
            by.rose[(int) Math.floor((turns + 1) * SECTORS + 1e-9) % SECTORS]++;
        }
    }

    /** Returns how many steps were taken in. */
    public int steps() {
        return steps;
    }

    public int live(int index) {
        return live[index];
    }

    public float presence(int index) {
        return presence[index];
    }

    /** Returns the area of all pictures, square units. */
    public float painted(int index) {
        return painted[index];
    }

    public boolean visible(int index) {
        return visible[index];
    }

    /** Returns how far the centre of any particle came along the facing, units; 0 when none went forward. */
    public double reach() {
        return reach;
    }

    /** Returns the greatest distance of the centre of any particle that could be seen from where the effect began, units. */
    public double extent() {
        double most = 0;
        for (ByEmitter by : emitters.values()) {
            most = Math.max(most, by.reach);
        }
        return most;
    }

    /** Returns the least corner of all places that particles' centres came to; zero when there were none. */
    public Vec3 low() {
        return low[0] > high[0] ? Vec3.ZERO : new Vec3(low[0], low[1], low[2]);
    }

    public Vec3 high() {
        return low[0] > high[0] ? Vec3.ZERO : new Vec3(high[0], high[1], high[2]);
    }

    /** Returns the most runs of one sprite and blend mode in draw order. */
    public int drawCalls() {
        return drawCalls;
    }

    /** Returns what the costliest step costs, in nanoseconds, by {@link Cost}. */
    public double peakCost() {
        return peakCost;
    }

    /** Returns what was counted of an emitter; empty when nothing was ever asked of it. */
    public Optional<ByEmitter> emitter(String effect, String emitter) {
        return Optional.ofNullable(emitters.get(new Of(effect, emitter)));
    }

    /** Returns all emitters' throws together. */
    public ByEmitter together() {
        ByEmitter sum = new ByEmitter();
        for (ByEmitter by : new ArrayList<>(emitters.values())) {
            sum.births += by.births;
            sum.refused += by.refused;
            sum.hits += by.hits;
            sum.lived += by.lived;
            sum.unseen += by.unseen;
            sum.into += by.into;
            sum.thrown += by.thrown;
            sum.sumX += by.sumX;
            sum.sumY += by.sumY;
            sum.sumX3 += by.sumX3;
            sum.sumY3 += by.sumY3;
            sum.sumZ3 += by.sumZ3;
            sum.fastest = Math.max(sum.fastest, by.fastest);
            for (int i = 0; i < SECTORS; i++) {
                sum.rose[i] += by.rose[i];
            }
        }
        return sum;
    }
}
