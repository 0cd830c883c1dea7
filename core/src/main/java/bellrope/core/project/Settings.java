package bellrope.core.project;

import bellrope.core.value.Demand;
import bellrope.core.value.Pace;

/**
 * What holds for a whole project.
 *
 * @param pace the fixed step
 * @param metresPerUnit how long one unit of the world is, 0.001 to 1,000
 * @param seed of all its randomness
 * @param particleLimit most live particles on a stage, 1 to 200,000; births beyond it are swallowed and counted
 */
public record Settings(Pace pace, double metresPerUnit, long seed, int particleLimit) {
    public static final Settings USUAL = new Settings(Pace.SIXTY, 1, 1, 20_000);
    /** Seeds stay exact in any JSON reader. */
    public static final long HIGHEST_SEED = (1L << 53) - 1;

    public Settings {
        Demand.within("metresPerUnit", metresPerUnit, 0.001, 1000);
        Demand.within("seed", seed, 0, HIGHEST_SEED);
        Demand.within("particleLimit", particleLimit, 1, 200_000);
    }
}
