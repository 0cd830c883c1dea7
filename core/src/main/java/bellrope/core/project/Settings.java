package bellrope.core.project;

import bellrope.core.contract.Alias;
import bellrope.core.value.Bounds;
import bellrope.core.value.Demand;
import bellrope.core.value.Pace;
import java.util.List;

/**
 * What holds for a whole project.
 *
 * @param pace the fixed step
 * @param metresPerUnit how long one unit of the world is
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
    public static final int MOST_ALIASES = 500;

    public static final Bounds METRES_PER_UNIT = Bounds.of(0.001, 1000);
    public static final Bounds SEED = Bounds.of(0, Settings.HIGHEST_SEED);
    public static final Bounds PARTICLE_LIMIT = Bounds.of(1, 200_000);

    public static final Settings USUAL = new Settings(Pace.SIXTY, 1, 1, 20_000);

    /**
     * The screen that the game is played on.
     *
     * @param width pixels
     * @param height pixels
     * @param unitsHigh how many units of the world it shows from bottom to top where effects play
     */
    public record Screen(int width, int height, double unitsHigh) {
        public static final Bounds WIDTH = Bounds.of(64, 16_384);
        public static final Bounds HEIGHT = Bounds.of(64, 16_384);
        public static final Bounds UNITS_HIGH = Bounds.above(0, 10_000);

        public static final Screen USUAL = new Screen(1920, 1080, 12);

        public Screen {
            WIDTH.check("width", width);
            HEIGHT.check("height", height);
            UNITS_HIGH.check("unitsHigh", unitsHigh);
        }

        /** Returns the square units that it shows. */
        public double area() {
            return unitsHigh * unitsHigh * width / height;
        }
    }

    /**
     * How much shaking and flashing all companions together may bring.
     *
     * @param shake most units that the camera is moved
     * @param flash highest opacity of the screen's flash
     */
    public record Comfort(double shake, double flash) {
        public static final Bounds SHAKE = Bounds.of(0, 10);
        public static final Bounds FLASH = Bounds.of(0, 1);

        public static final Comfort USUAL = new Comfort(0.5, 0.6);

        public Comfort {
            SHAKE.check("shake", shake);
            FLASH.check("flash", flash);
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
        METRES_PER_UNIT.check("metresPerUnit", metresPerUnit);
        SEED.check("seed", seed);
        PARTICLE_LIMIT.check("particleLimit", particleLimit);
        aliases = Demand.atMost("aliases", aliases, MOST_ALIASES);
    }

    public Settings withAliases(List<Alias> others) {
        return new Settings(pace, metresPerUnit, seed, particleLimit, screen, comfort, others);
    }
}
