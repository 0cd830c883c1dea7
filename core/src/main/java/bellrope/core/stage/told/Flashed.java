package bellrope.core.stage.told;

/** What lies over the screen: a colour in linear light and how much of it, 0 to 1. */
public record Flashed(double red, double green, double blue, double opacity) {
    public static final Flashed NONE = new Flashed(0, 0, 0, 0);
}
