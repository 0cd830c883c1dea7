package bellrope.core.project;

import bellrope.core.contract.Alias;
import bellrope.core.value.Demand;
import bellrope.core.value.Pace;
import java.util.List;

/**
 * What holds for a whole project.
 *
 * @param pace the fixed step
 * @param metresPerUnit how long one unit of the world is, 0.001 to 1,000
 * @param seed of all its randomness
 * @param particleLimit most live particles on a stage, 1 to 200,000; births beyond it are dropped and counted
 * @param screen what overdraw is measured on
 * @param comfort caps on what shakes and flashes
 * @param aliases former names that game code may still use, at most 500
 */
public record Settings(
        Pace pace,
        double metresPerUnit,
        long seed,
        int particleLimit,
        Screen screen,
        Comfort comfort,
        List<Alias> aliases) {
    public static final Settings USUAL = new Settings(Pace.SIXTY, 1, 1, 20_000);

    /**
     * The screen that the game is played on.
     *
     * @param width pixels, 64 to 16,384
     * @param height pixels, 64 to 16,384
     * @param unitsHigh how many units of the world it shows from bottom to top where effects play, above 0 to 10,000
     */
    public record Screen(int width, int height, double unitsHigh) {
        public static final Screen USUAL = new Screen(1920, 1080, 12);

        public Screen {
            Demand.within("width", width, 64, 16_384);
            Demand.within("height", height, 64, 16_384);
            Demand.above("unitsHigh", unitsHigh, 0);
            Demand.within("unitsHigh", unitsHigh, 0, 10_000);
        }

        /** Returns the square units that it shows. */
        public double area() {
            return unitsHigh * unitsHigh * width / height;
        }
    }

    /**
     * How much shaking and flashing all companions together may bring.
     *
     * @param shake most units that the camera is moved, 0 to 10
     * @param flash highest opacity of the screen's flash, 0 to 1
     */
    public record Comfort(double shake, double flash) {
        public static final Comfort USUAL = new Comfort(0.5, 0.6);

        public Comfort {
            Demand.within("shake", shake, 0, 10);
            Demand.within("flash", flash, 0, 1);
        }
    }

    /** Settings without former names. */
    public Settings(Pace pace, double metresPerUnit, long seed, int particleLimit, Screen screen, Comfort comfort) {
        this(pace, metresPerUnit, seed, particleLimit, screen, comfort, List.of());
    }

    /** Settings with the usual caps. */
    public Settings(Pace pace, double metresPerUnit, long seed, int particleLimit, Screen screen) {
        this(pace, metresPerUnit, seed, particleLimit, screen, Comfort.USUAL);
    }

    /** Settings for the usual screen. */
    public Settings(Pace pace, double metresPerUnit, long seed, int particleLimit) {
        this(pace, metresPerUnit, seed, particleLimit, Screen.USUAL);
    }

    /** Seeds stay exact in any JSON reader. */
    public static final long HIGHEST_SEED = (1L << 53) - 1;

    public Settings {
        Demand.within("metresPerUnit", metresPerUnit, 0.001, 1000);
        Demand.within("seed", seed, 0, HIGHEST_SEED);
        Demand.within("particleLimit", particleLimit, 1, 200_000);
        aliases = Demand.atMost("aliases", aliases, 500);
    }

    public Settings withAliases(List<Alias> others) {
        return new Settings(pace, metresPerUnit, seed, particleLimit, screen, comfort, others);
    }
}
