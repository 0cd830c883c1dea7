package bellrope.core.value;

/**
 * The fixed step of a project: so many a second.
 *
 * <p>Times become whole steps by rounding up, so nothing happens before its time; a billionth of a step is forgiven, so
 * that 0.05 s at 60 a second is step 3 and not 4.
 *
 * @param stepsPerSecond 10 to 240
 */
public record Pace(int stepsPerSecond) {
    public static final Bounds STEPS_PER_SECOND = Bounds.of(10, 240);

    public static final Pace SIXTY = new Pace(60);

    public Pace {
        STEPS_PER_SECOND.check("stepsPerSecond", stepsPerSecond);
    }

    /** Returns the first step at or after a time in seconds. */
    public int stepsAt(double seconds) {
        return (int) Math.min(Integer.MAX_VALUE / 2, Math.ceil(seconds * stepsPerSecond - 1e-9));
    }

    /** Returns the time of a step in seconds. */
    public double seconds(long step) {
        return (double) step / stepsPerSecond;
    }
}
