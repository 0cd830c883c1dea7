package bellrope.core.value;

/**
 * A colour as written in files and on screen: sRGB, straight alpha, 0 to 255 each.
 */
public record Rgba(int red, int green, int blue, int alpha) {
    public static final Bounds RED = Bounds.of(0, 255);
    public static final Bounds GREEN = Bounds.of(0, 255);
    public static final Bounds BLUE = Bounds.of(0, 255);
    public static final Bounds ALPHA = Bounds.of(0, 255);

    public static final Rgba WHITE = new Rgba(255, 255, 255, 255);

    private static final double[] LINEAR = new double[256];

    static {
        for (int i = 0; i < LINEAR.length; i++) {
            LINEAR[i] = toLinear(i / 255.0);
        }
    }

    public Rgba {
        RED.check("red", red);
        GREEN.check("green", green);
        BLUE.check("blue", blue);
        ALPHA.check("alpha", alpha);
    }

    /**
     * Returns the colour written as {@code #RRGGBB} or {@code #RRGGBBAA}.
     *
     * @throws Refused if the text is anything else
     */
    public static Rgba parse(String text) {
        if (!text.matches("#[0-9a-fA-F]{6}([0-9a-fA-F]{2})?")) {
            throw new Refused("", '"' + text + '"', "a colour as #RRGGBB or #RRGGBBAA");
        }
        long bits = Long.parseLong(text.substring(1), 16);
        if (text.length() == 7) {
            bits = bits << 8 | 0xFF;
        }
        return new Rgba(
                (int) (bits >> 24) & 0xFF, (int) (bits >> 16) & 0xFF, (int) (bits >> 8) & 0xFF, (int) bits & 0xFF);
    }

    @Override
    public String toString() {
        return String.format("#%02X%02X%02X%02X", red, green, blue, alpha);
    }

    public double linearRed() {
        return LINEAR[red];
    }

    public double linearGreen() {
        return LINEAR[green];
    }

    public double linearBlue() {
        return LINEAR[blue];
    }

    /** Returns this colour multiplied by another in linear light, the opacities multiplied; to the nearest of 256. */
    public Rgba times(Rgba other) {
        return new Rgba(
                toByte(linearRed() * other.linearRed()),
                toByte(linearGreen() * other.linearGreen()),
                toByte(linearBlue() * other.linearBlue()),
                (int) Exact.rint(alpha * other.alpha / 255.0));
    }

    private static int toByte(double linear) {
        return (int) Exact.rint(toSrgb(linear) * 255);
    }

    /** Returns linear light for an sRGB component from 0 to 1 (IEC 61966-2-1). */
    public static double toLinear(double c) {
        return c <= 0.04045 ? c / 12.92 : Exact.pow((c + 0.055) / 1.055, 2.4);
    }

    /** Returns the sRGB component from 0 to 1 for linear light from 0 to 1 (IEC 61966-2-1). */
    public static double toSrgb(double l) {
        return l <= 0.0031308 ? l * 12.92 : 1.055 * Exact.pow(l, 1 / 2.4) - 0.055;
    }

    /** Returns the relative luminance of linear components (WCAG 2.2). */
    public static double luminance(double red, double green, double blue) {
        return 0.2126 * red + 0.7152 * green + 0.0722 * blue;
    }
}
