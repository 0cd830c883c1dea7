package bellrope.format.sprite;

import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.Optional;
import java.util.zip.CRC32;
import java.util.zip.DataFormatException;
import java.util.zip.Inflater;

/**
 * Looks over a PNG (ISO/IEC 15948) without making a picture of it: chunk by chunk, and its pixels only as far as to see that
 * they are all there. So a picture of many pixels in few bytes costs no memory, and little time.
 */
final class Png {
    private static final int IHDR = 0x49484452;
    private static final int PLTE = 0x504C5445;
    private static final int IDAT = 0x49444154;
    private static final int IEND = 0x49454E44;
    private static final int ACTL = 0x6163544C;

    private Png() {}

    /** Returns how many pixels the header of a PNG tells of; at least 33 bytes must be there. */
    static long pixels(byte[] png) {
        ByteBuffer header = ByteBuffer.wrap(png);
        return (header.getInt(16) & 0xFFFFFFFFL) * (header.getInt(20) & 0xFFFFFFFFL);
    }

    // The chunk acTL stands before the picture's own (PNG, third edition).
    static boolean animated(byte[] png) {
        ByteBuffer in = ByteBuffer.wrap(png);
        for (int at = 8; at + 8 <= png.length; ) {
            int length = in.getInt(at);
            int type = in.getInt(at + 4);
            if (type == ACTL) {
                return true;
            }
            if (type == IDAT || length < 0 || length > png.length - at - 12) {
                return false;
            }
            at += 12 + length;
        }
        return false;
    }

    /** Returns why a PNG cannot be read; empty if it can. */
    static Optional<String> broken(byte[] png) {
        ByteBuffer in = ByteBuffer.wrap(png);
        if (in.getInt(8) != 13 || in.getInt(12) != IHDR) {
            return Optional.of("it has no header");
        }
        long size = size(in);
        if (size < 0) {
            return Optional.of("its kind of colour is unknown");
        }
        boolean palette = false;
        boolean ended = false;
        Inflater inflater = new Inflater();
        try {
            long there = 0;
            for (int at = 8; at < png.length && !ended; ) {
                if (png.length - at < 12) {
                    return Optional.of("it is cut off");
                }
                int length = in.getInt(at);
                int type = in.getInt(at + 4);
                if (length < 0 || length > png.length - at - 12) {
                    return Optional.of("a chunk is longer than the file");
                }
                CRC32 sum = new CRC32();
                sum.update(png, at + 4, length + 4);
                if ((int) sum.getValue() != in.getInt(at + 8 + length)) {
                    return Optional.of("the checksum of " + name(png, at + 4) + " is wrong");
                }
                palette |= type == PLTE;
                if (type == IDAT) {
                    inflater.setInput(png, at + 8, length);
                    there += inflated(inflater, size - there);
                }
                ended = type == IEND;
                at += 12 + length;
            }
            if (!ended || there < size) {
                return Optional.of("it is cut off");
            }
            return png[25] == 3 && !palette ? Optional.of("its palette is missing") : Optional.empty();
        } catch (DataFormatException e) {
            return Optional.of("its pixels cannot be unpacked");
        } finally {
            inflater.end();
        }
    }

    private static String name(byte[] png, int at) {
        return new String(png, at, 4, StandardCharsets.US_ASCII).replaceAll("[^A-Za-z]", "?");
    }

    private static long inflated(Inflater inflater, long wanted) throws DataFormatException {
        byte[] scratch = new byte[1 << 14];
        long sum = 0;
        while (sum < wanted && !inflater.needsInput() && !inflater.finished()) {
            int n = inflater.inflate(scratch);
            if (n == 0 && inflater.needsDictionary()) {
                throw new DataFormatException("a dictionary");
            }
            sum += n;
        }
        return sum;
    }

    // Bytes of all lines with their filters; −1 for a kind that there is not.
    private static long size(ByteBuffer in) {
        int width = in.getInt(16);
        int height = in.getInt(20);
        int depth = in.get(24);
        int samples = switch (in.get(25)) {
            case 0, 3 -> 1;
            case 2 -> 3;
            case 4 -> 2;
            case 6 -> 4;
            default -> -1;
        };
        boolean depths = depth == 8 || depth == 16 || samples == 1 && (depth == 1 || depth == 2 || depth == 4);
        if (samples < 0 || !depths || in.get(26) != 0 || in.get(27) != 0 || in.get(28) < 0 || in.get(28) > 1) {
            return -1;
        }
        long bits = (long) samples * depth;
        if (in.get(28) == 0) {
            return lines(width, height, bits);
        }
        // Adam7: seven pictures of every so many pixels.
        int[] x = {0, 4, 0, 2, 0, 1, 0};
        int[] y = {0, 0, 4, 0, 2, 0, 1};
        int[] dx = {8, 8, 4, 4, 2, 2, 1};
        int[] dy = {8, 8, 8, 4, 4, 2, 2};
        long sum = 0;
        for (int pass = 0; pass < 7; pass++) {
            int w = (width - x[pass] + dx[pass] - 1) / dx[pass];
            int h = (height - y[pass] + dy[pass] - 1) / dy[pass];
            sum += w > 0 && h > 0 ? lines(w, h, bits) : 0;
        }
        return sum;
    }

    private static long lines(long width, long height, long bits) {
        return height * (1 + (width * bits + 7) / 8);
    }
}
