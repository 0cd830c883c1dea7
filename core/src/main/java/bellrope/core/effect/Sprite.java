package bellrope.core.effect;

import bellrope.core.value.Bounds;
import bellrope.core.value.Demand;
import bellrope.core.value.Refused;
import java.util.Optional;

/**
 * A picture for particles, or a sheet of them.
 *
 * @param coverage its mean opacity over the whole square, 0 to 1, by which presence is measured
 * @param sheet how the picture is cut
 * @param picture the PNG in Base64; empty for a sprite that ships with Bellrope
 */
public record Sprite(String name, double coverage, Sheet sheet, Optional<String> picture) {
    public static final Bounds COVERAGE = Bounds.of(0, 1);

    /**
     * How a picture is cut into frames of equal size.
     *
     * @param columns 1 to 64
     * @param rows 1 to 64
     * @param frames how many are used, 1 to {@code columns × rows} and at most 256
     * @param order which way they follow one another, from the upper left
     * @param perSecond frames a second when played
     */
    public record Sheet(int columns, int rows, int frames, Order order, double perSecond) {
        public static final int MOST_FRAMES = 256;
        public static final Bounds COLUMNS = Bounds.of(1, 64);
        public static final Bounds ROWS = Bounds.of(1, 64);
        public static final Bounds PER_SECOND = Bounds.above(0, 240);

        public static final Sheet SINGLE = new Sheet(1, 1, 1, Order.BY_ROWS, 12);

        /** Which way frames follow one another. */
        public enum Order {
            BY_ROWS,
            BY_COLUMNS
        }

        public Sheet {
            COLUMNS.check("columns", columns);
            ROWS.check("rows", rows);
            if (frames < 1 || frames > Math.min(MOST_FRAMES, columns * rows)) {
                throw new Refused(
                        "frames",
                        Integer.toString(frames),
                        "a whole number from 1 to " + Math.min(MOST_FRAMES, columns * rows)
                                + ", as many as the grid has");
            }
            PER_SECOND.check("perSecond", perSecond);
        }
    }

    public Sprite {
        Demand.name("name", name);
        COVERAGE.check("coverage", coverage);
    }

    /** A single picture that ships with Bellrope. */
    public Sprite(String name, double coverage) {
        this(name, coverage, Sheet.SINGLE, Optional.empty());
    }
}
