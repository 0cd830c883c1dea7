package bellrope.core.sim;

import bellrope.core.effect.End;

/** The look of a trail along its length, and how far back it goes. */
final class Ribbon {
    final int steps;
    final float units;
    private final float[] width;
    private final float[] colour;

    Ribbon(End.Trail trail, int stepsPerSecond) {
        boolean timed = trail.by() == End.Trail.By.SECONDS;
        steps = timed ? (int) Math.max(1, Math.round(trail.length() * stepsPerSecond)) : Integer.MAX_VALUE;
        units = timed ? Float.MAX_VALUE : (float) trail.length();
        width = trail.width().table(Shade.CELLS);
        colour = trail.colour().table(Shade.CELLS);
    }

    /** Returns the points of a trail that are kept at even times: one each so many steps; 0 when kept by way. */
    int every() {
        return steps == Integer.MAX_VALUE ? 0 : Math.max(1, (steps + Walk.POINTS - 2) / (Walk.POINTS - 1));
    }

    float width(float share) {
        return Math.max(0, width[cell(share)]);
    }

    /** Returns linear red, green, blue or opacity (0 to 3) at a share of the length. */
    float colour(float share, int component) {
        return colour[4 * cell(share) + component];
    }

    private static int cell(float share) {
        return (int) (Math.min(1, Math.max(0, share)) * Shade.CELLS);
    }
}
