package bellrope.core.sim;

import bellrope.core.effect.Emitter;
import bellrope.core.effect.Force;

/**
 * What a particle costs a step, in nanoseconds: an estimate from benchmarks of this core on a 2.5 GHz machine ({@code
 * ForceBench}, {@code RehearsalBench}; see {@code docs/architecture.md}, Measured), motion, appearance and encoding
 * together. Good for comparing effects with one another, not for promising a frame time on another machine.
 */
public final class Cost {
    private static final double SHOWN = 45;
    private static final double EXACT = 3;
    private static final double INTEGRATED = 80;
    private static final double SMOOTH_FORCE = 140;
    private static final double TURBULENCE = 500;
    private static final double COLLISION = 65;
    private static final double TRAIL = 900;

    private Cost() {}

    /** Returns the cost of one particle of an emitter in one step. */
    public static double of(Emitter emitter) {
        double cost = SHOWN + (Layer.integrates(emitter) ? INTEGRATED : EXACT);
        for (Force force : emitter.life().forces()) {
            cost += force instanceof Force.Turbulence ? TURBULENCE : SMOOTH_FORCE;
        }
        cost += emitter.end().collision().isPresent() ? COLLISION : 0;
        cost += emitter.end().trail().map(t -> TRAIL * (1 + t.over().size())).orElse(0.0);
        return cost;
    }
}
