package bellrope.core.pool;

/**
 * An instance that was asked for, as it is held where nothing is refused.
 *
 * @param rope that began it
 * @param weight of its event
 * @param start step on which it begins
 * @param end step on which its place is free again; above the start
 * @param distance units from the camera when it began
 */
public record Held(String effect, String rope, int weight, int start, int end, double distance) {}
