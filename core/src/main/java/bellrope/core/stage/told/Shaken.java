package bellrope.core.stage.told;

/** How far the camera is moved, units to the right and up. */
public record Shaken(double x, double y) {}
