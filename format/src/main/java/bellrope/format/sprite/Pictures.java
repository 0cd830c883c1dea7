package bellrope.format.sprite;

import bellrope.core.effect.Sprite;
import bellrope.core.picture.Picture;
import bellrope.core.value.Problem;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.util.Base64;
import java.util.List;
import java.util.Optional;
import javax.imageio.ImageIO;

/** The pixels of sprites, in and out as PNG (ISO/IEC 15948). */
public final class Pictures {
    /** Largest PNG that is taken, in bytes. */
    public static final int MOST_BYTES = 1 << 20;
    /** Longest side of a picture that is taken, in pixels. */
    public static final int MOST_PIXELS = 2048;

    /** Most pixels of all pictures of a project together. */
    public static final long MOST_IN_ALL = 16_000_000;

    private static final byte[] SIGNATURE = {(byte) 0x89, 'P', 'N', 'G', '\r', '\n', 0x1A, '\n'};

    private Pictures() {}

    /** Returns the PNG of a sprite: its own, or the one of that name that ships; empty when there is neither. */
    public static Optional<byte[]> png(Sprite sprite) {
        return sprite.picture().map(text -> Base64.getDecoder().decode(text)).or(() -> SpriteCase.png(sprite.name()));
    }

    /** Returns the pixels of a sprite; a clear one if it has no picture. */
    public static Picture of(Sprite sprite) {
        BufferedImage image = png(sprite)
                .map(Pictures::decoded)
                .orElseGet(() -> new BufferedImage(1, 1, BufferedImage.TYPE_INT_ARGB));
        return of(image, image.getWidth() == 1 ? Sprite.Sheet.SINGLE : sprite.sheet());
    }

    /**
     * Returns what is wrong with all sprites of a project together: nothing, or that their pictures have too many pixels. Their
     * sizes are read from their headers.
     */
    public static List<Problem> problems(List<Sprite> sprites) {
        long sum = 0;
        for (Sprite sprite : sprites) {
            byte[] png = sprite.picture().map(Pictures::bytes).orElse(new byte[0]);
            sum += png.length < 33 ? 0 : Png.pixels(png);
        }
        return sum <= MOST_IN_ALL
                ? List.of()
                : List.of(new Problem(
                        "/sprites",
                        sum / 1_000_000 + " million pixels in all pictures",
                        "at most " + MOST_IN_ALL / 1_000_000 + " million"));
    }

    private static byte[] bytes(String base64) {
        try {
            return Base64.getDecoder().decode(base64);
        } catch (IllegalArgumentException e) {
            return new byte[0];
        }
    }

    private static Picture of(BufferedImage image, Sprite.Sheet sheet) {
        int w = image.getWidth();
        int h = image.getHeight();
        return Picture.of(w, h, image.getRGB(0, 0, w, h, null, 0, w), sheet);
    }

    private static BufferedImage decoded(byte[] png) {
        try {
            return ImageIO.read(new ByteArrayInputStream(png));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Returns opaque pixels as a PNG. */
    public static byte[] png(int[] pixels, int width, int height) {
        BufferedImage image = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
        image.setRGB(0, 0, width, height, pixels, 0, width);
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try {
            ImageIO.write(image, "png", out);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toByteArray();
    }

    /**
     * Returns what is wrong with the picture of a sprite; nothing when it can be used. It is judged by what it is, not by
     * its name, and its size is read before its pixels are.
     */
    public static List<Problem> problems(Sprite sprite) {
        if (sprite.picture().isEmpty()) {
            return List.of();
        }
        byte[] png;
        try {
            png = Base64.getDecoder().decode(sprite.picture().get());
        } catch (IllegalArgumentException e) {
            return wrong("a text that is no Base64", "a PNG in Base64");
        }
        if (png.length > MOST_BYTES) {
            return wrong(png.length / 1024 + " KB", "at most " + MOST_BYTES / 1024 + " KB");
        }
        if (png.length < 33 || !startsWith(png, SIGNATURE)) {
            return wrong("a file that is no PNG", "a PNG");
        }
        ByteBuffer header = ByteBuffer.wrap(png);
        int width = header.getInt(16);
        int height = header.getInt(20);
        if (width < 1 || height < 1 || width > MOST_PIXELS || height > MOST_PIXELS) {
            return wrong(width + " × " + height + " px", "at most " + MOST_PIXELS + " × " + MOST_PIXELS + " px");
        }
        if (Png.animated(png)) {
            return wrong("an animated PNG", "a PNG of one picture; put the frames side by side as a sheet");
        }
        Sprite.Sheet sheet = sprite.sheet();
        if (width % sheet.columns() != 0 || height % sheet.rows() != 0) {
            return List.of(new Problem(
                    "/sheet",
                    sheet.columns() + " × " + sheet.rows() + " frames",
                    "a grid that divides " + width + " × " + height + " px without rest"));
        }
        return Png.broken(png)
                .map(why -> wrong("a broken PNG: " + why, "a PNG that can be read"))
                .orElse(List.of());
    }

    /** Returns the mean opacity of a PNG over its whole area. */
    public static double coverage(byte[] png) {
        return Math.rint(SpriteArt.coverage(decoded(png)) * 1000) / 1000;
    }

    private static List<Problem> wrong(String given, String allowed) {
        return List.of(new Problem("/picture", given, allowed));
    }

    private static boolean startsWith(byte[] bytes, byte[] start) {
        for (int i = 0; i < start.length; i++) {
            if (bytes[i] != start[i]) {
                return false;
            }
        }
        return true;
    }
}
