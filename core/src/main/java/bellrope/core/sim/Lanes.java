package bellrope.core.sim;

import bellrope.core.effect.Life;
import bellrope.core.value.Curve;

/**
 * The tables of what changes over life, in {@value #CELLS} cells: worked out once for a life and shared by every layer and
 * mover that lives by it.
 */
final class Lanes {
    static final int CELLS = 256;

    final float[] size;
    final float[] opacity;
    /** Linear red, green, blue and opacity. */
    final float[] colour;
    /** The second lane of colours, that each particle's lie between; null where there is none. */
    final float[] otherColour;
    /** Whether the colour stays as it was at birth. */
    final boolean plainColour;
    /** The integral of the spin up to each fraction; null where spin is even. */
    final float[] spin;

    final float lastSpin;
    /** Null where the speed is left alone. */
    final float[] speed;

    Lanes(Life life) {
        size = held(life.size().table(CELLS), 0, Float.MAX_VALUE);
        opacity = held(life.opacity().table(CELLS), 0, 1);
        colour = life.colour().table(CELLS);
        otherColour = life.otherColour().map(g -> g.table(CELLS)).orElse(null);
        plainColour = otherColour == null && !life.replaces(Life.Lane.COLOUR) && allOnes(colour);
        spin = left(life.spin(), life, Life.Lane.SPIN)
                ? null
                : integral(life.spin().table(CELLS));
        lastSpin = (float) life.spin().at(1);
        speed = left(life.speed(), life, Life.Lane.SPEED) ? null : life.speed().table(CELLS);
    }

    private static boolean left(Curve curve, Life life, Life.Lane lane) {
        return curve.equals(Curve.ONE) && !life.replaces(lane);
    }

    private static float[] held(float[] table, float least, float most) {
        for (int i = 0; i < table.length; i++) {
            table[i] = Math.min(most, Math.max(least, table[i]));
        }
        return table;
    }

    // By the trapezium rule.
    private static float[] integral(float[] lane) {
        float[] sum = new float[CELLS + 1];
        for (int i = 0; i < CELLS; i++) {
            sum[i + 1] = sum[i] + (lane[i] + lane[i + 1]) / 2 / CELLS;
        }
        return sum;
    }

    private static boolean allOnes(float[] table) {
        for (float value : table) {
            if (value != 1f) {
                return false;
            }
        }
        return true;
    }
}
