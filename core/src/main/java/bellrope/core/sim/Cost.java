package bellrope.core.sim;

/**
 * What a particle costs a step, in nanoseconds: an estimate from benchmarks of this core on a 2.5 GHz machine (see
 * {@code docs/architecture.md}, Measured), motion, appearance and encoding together. Good for comparing effects with
 * one another, not for promising a frame time on another machine.
 */
public final class Cost {
    /** With exact motion. */
    public static final double EXACT = 48;
    /** Moved step by step. */
    public static final double WALKING = 110;

    private Cost() {}
}
