package bellrope.format.sprite;

import java.awt.image.BufferedImage;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.Map;
import javax.imageio.ImageIO;

/**
 * The sprites that ship with Bellrope: each is a formula for opacity over a square from −1 to 1, drawn white so that a
 * particle's colour is what is seen, with some shade where a form needs it.
 *
 * <p>The PNG files in the resources were written by {@link #main}; a test holds them to the formulas.
 */
public final class SpriteArt {
    public static final int PIXELS = 64;
    private static final int SAMPLES = 4;

    private SpriteArt() {}

    /** Opacity and shade, 0 to 1, at a point of the square; y up. */
    interface Formula {
        double opacity(double x, double y);

        default double shade(double x, double y) {
            return 1;
        }
    }

    /** A formula with a shade of its own. */
    private record Shaded(Formula form, Formula tone) implements Formula {
        @Override
        public double opacity(double x, double y) {
            return form.opacity(x, y);
        }

        @Override
        public double shade(double x, double y) {
            return tone.opacity(x, y);
        }
    }

    static final Map<String, Formula> FORMULAS = new LinkedHashMap<>();

    static {
        FORMULAS.put("soft dot", (x, y) -> Math.pow(Math.max(0, 1 - Math.hypot(x, y)), 1.6));
        FORMULAS.put("disc", (x, y) -> edge(0.94 - Math.hypot(x, y), 0.05));
        FORMULAS.put(
                "straw",
                new Shaded(
                        (x, y) -> edge(0.1 + 0.02 * Math.cos(5 * x) - Math.abs(y - 0.06 * x * x), 0.05)
                                * edge(0.95 - Math.abs(x), 0.05),
                        (x, y) -> 0.8 + 0.2 * edge(y, 0.05)));
        FORMULAS.put(
                "chip",
                new Shaded(
                        (x, y) -> edge(
                                Math.min(
                                        Math.min(0.72 - (0.9 * x + 0.35 * y), 0.66 + (0.8 * x - 0.5 * y)),
                                        Math.min(0.6 - (y - 0.3 * x), 0.7 + (y + 0.15 * x))),
                                0.04),
                        (x, y) -> y > 0.25 * x ? 1 : 0.66));
        FORMULAS.put(
                "drop",
                new Shaded(
                        (x, y) -> {
                            double t = (y + 0.9) / 1.8;
                            double half = 0.5 * Math.sqrt(Math.max(0, t)) * Math.pow(Math.max(0, 1 - t), 0.62) * 1.55;
                            return t < 0 || t > 1 ? 0 : edge(half - Math.abs(x), 0.05);
                        },
                        (x, y) -> 0.75 + 0.25 * edge(0.16 - Math.hypot(x + 0.12, y + 0.4), 0.2)));
        FORMULAS.put("ring", (x, y) -> Math.exp(-Math.pow((Math.hypot(x, y) - 0.8) / 0.08, 2)));
        FORMULAS.put(
                "feather",
                new Shaded(
                        (x, y) -> {
                            double bend = y - 0.22 * x * x + 0.08;
                            double half = 0.3 * Math.sqrt(Math.max(0, 1 - Math.pow((x + 0.1) / 0.85, 2)));
                            double barbs = 0.82 + 0.18 * Math.cos(34 * (x + Math.abs(bend)));
                            double vane = edge(half - Math.abs(bend), 0.06) * barbs;
                            double quill = edge(0.035 - Math.abs(bend), 0.03) * edge(0.96 - Math.abs(x), 0.03);
                            return Math.max(vane, quill);
                        },
                        (x, y) -> 0.72 + 0.28 * edge(Math.abs(y - 0.22 * x * x + 0.08) - 0.05, 0.05)));
        FORMULAS.put("flake", (x, y) -> {
            double r = Math.hypot(x, y);
            double sector = Math.PI / 3;
            double turn = Math.abs(((Math.atan2(y, x) + 4 * Math.PI) % sector) - sector / 2);
            double along = r * Math.cos(sector / 2 - turn);
            double aside = r * Math.sin(sector / 2 - turn);
            double arm = edge(0.055 - aside, 0.05) * edge(0.92 - along, 0.04);
            double twig = edge(0.05 - Math.abs(aside - 0.9 * Math.abs(along - 0.52)), 0.05)
                    * edge(0.22 - aside, 0.04)
                    * (along > 0.52 ? 1 : 0);
            return Math.max(Math.max(arm, twig), edge(0.16 - r, 0.06));
        });
        FORMULAS.put("puff", (x, y) -> {
            double sum = 0;
            double[][] lobes = {
                {0, 0, 0.62},
                {0.34, 0.1, 0.42},
                {-0.3, 0.16, 0.44},
                {0.06, 0.36, 0.4},
                {-0.1, -0.32, 0.42},
                {0.3, -0.26, 0.36}
            };
            for (double[] lobe : lobes) {
                double d = Math.hypot(x - lobe[0], y - lobe[1]) / lobe[2];
                sum += d < 1 ? Math.pow(1 - d * d, 2) : 0;
            }
            return Math.min(1, 0.62 * sum) * edge(0.98 - Math.hypot(x, y), 0.2);
        });
        FORMULAS.put("spark", (x, y) -> {
            double core = Math.exp(-Math.pow(y / 0.07, 2)) * Math.pow(Math.max(0, 1 - Math.abs(x)), 1.4);
            double glow = 0.35 * Math.pow(Math.max(0, 1 - Math.hypot(x, 2.2 * y)), 2);
            return Math.min(1, core + glow);
        });
        FORMULAS.put("glint", (x, y) -> {
            double across = Math.exp(-Math.abs(y) / 0.05) * Math.pow(Math.max(0, 1 - Math.abs(x)), 2);
            double upright = Math.exp(-Math.abs(x) / 0.05) * Math.pow(Math.max(0, 1 - Math.abs(y)), 2);
            double heart = Math.pow(Math.max(0, 1 - Math.hypot(x, y) / 0.4), 2);
            return Math.min(1, across + upright + heart);
        });
        FORMULAS.put(
                "clod",
                new Shaded(
                        (x, y) -> {
                            double a = Math.atan2(y, x);
                            double rim = 0.7 + 0.1 * Math.cos(3 * a + 1) + 0.06 * Math.cos(7 * a);
                            return edge(rim - Math.hypot(x, y), 0.07);
                        },
                        (x, y) -> 0.7 + 0.3 * edge(y - x * 0.4, 0.5)));
    }

    private static double edge(double inside, double softness) {
        double t = Math.min(1, Math.max(0, inside / softness + 0.5));
        return t * t * (3 - 2 * t);
    }

    static BufferedImage draw(Formula formula) {
        BufferedImage image = new BufferedImage(PIXELS, PIXELS, BufferedImage.TYPE_INT_ARGB);
        for (int row = 0; row < PIXELS; row++) {
            for (int column = 0; column < PIXELS; column++) {
                double opacity = 0;
                double light = 0;
                for (int s = 0; s < SAMPLES * SAMPLES; s++) {
                    double x = (column + (s % SAMPLES + 0.5) / SAMPLES) * 2 / PIXELS - 1;
                    double y = 1 - (row + (s / SAMPLES + 0.5) / SAMPLES) * 2 / PIXELS;
                    double o = formula.opacity(x, y);
                    opacity += o;
                    light += o * formula.shade(x, y);
                }
                int grey = opacity > 0 ? (int) Math.round(255 * light / opacity) : 255;
                int alpha = (int) Math.round(255 * opacity / (SAMPLES * SAMPLES));
                image.setRGB(column, row, alpha << 24 | grey << 16 | grey << 8 | grey);
            }
        }
        return image;
    }

    /** Returns the mean opacity of an image over its whole square. */
    static double coverage(BufferedImage image) {
        long sum = 0;
        for (int y = 0; y < image.getHeight(); y++) {
            for (int x = 0; x < image.getWidth(); x++) {
                sum += image.getRGB(x, y) >>> 24;
            }
        }
        return sum / 255.0 / image.getWidth() / image.getHeight();
    }

    /** Writes all sprites into a folder: {@code SpriteArt format/src/main/resources/bellrope/sprites}. */
    public static void main(String[] args) {
        FORMULAS.forEach((name, formula) -> {
            try {
                Path file = Path.of(args[0], SpriteCase.file(name));
                Files.createDirectories(file.getParent());
                BufferedImage image = draw(formula);
                ImageIO.write(image, "png", file.toFile());
                System.out.printf("%s %.4f%n", name, coverage(image));
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        });
    }
}
