package bellrope.core.picture;

import bellrope.core.effect.Sprite;
import bellrope.core.value.Rgba;

/**
 * A sprite's pixels, ready for painting: linear light, multiplied by their opacity.
 *
 * @param width pixels
 * @param height pixels
 * @param light red, green, blue, opacity of each pixel, from the upper left, row by row
 * @param sheet how it is cut
 */
public record Picture(int width, int height, float[] light, Sprite.Sheet sheet) {
    /** Returns the picture of pixels as sRGB with straight opacity, {@code 0xAARRGGBB}. */
    public static Picture of(int width, int height, int[] argb, Sprite.Sheet sheet) {
        float[] light = new float[argb.length * 4];
        for (int i = 0; i < argb.length; i++) {
            Rgba c = new Rgba(argb[i] >> 16 & 0xFF, argb[i] >> 8 & 0xFF, argb[i] & 0xFF, argb[i] >>> 24);
            float a = c.alpha() / 255f;
            light[4 * i] = (float) c.linearRed() * a;
            light[4 * i + 1] = (float) c.linearGreen() * a;
            light[4 * i + 2] = (float) c.linearBlue() * a;
            light[4 * i + 3] = a;
        }
        return new Picture(width, height, light, sheet);
    }

    /**
     * Writes the light at a point of a frame, bilinear between pixels.
     *
     * @param u from 0 at the left to 1 at the right of the frame
     * @param v from 0 at the top to 1 at the bottom
     */
    void at(int frame, double u, double v, float[] out) {
        int across = width / sheet.columns();
        int down = height / sheet.rows();
        boolean byRows = sheet.order() == Sprite.Sheet.Order.BY_ROWS;
        int column = byRows ? frame % sheet.columns() : frame / sheet.rows();
        int row = byRows ? frame / sheet.columns() : frame % sheet.rows();
        double x = Math.min(across - 1.0, Math.max(0, u * across - 0.5));
        double y = Math.min(down - 1.0, Math.max(0, v * down - 0.5));
        int x0 = (int) x;
        int y0 = (int) y;
        float fx = (float) (x - x0);
        float fy = (float) (y - y0);
        int x1 = Math.min(across - 1, x0 + 1);
        int y1 = Math.min(down - 1, y0 + 1);
        int left = column * across;
        int top = row * down;
        int a = 4 * ((top + y0) * width + left + x0);
        int b = 4 * ((top + y0) * width + left + x1);
        int c = 4 * ((top + y1) * width + left + x0);
        int d = 4 * ((top + y1) * width + left + x1);
        for (int k = 0; k < 4; k++) {
            float upper = light[a + k] + (light[b + k] - light[a + k]) * fx;
            float lower = light[c + k] + (light[d + k] - light[c + k]) * fx;
            out[k] = upper + (lower - upper) * fy;
        }
    }
}
