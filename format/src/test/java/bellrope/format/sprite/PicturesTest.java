package bellrope.format.sprite;

import static org.assertj.core.api.Assertions.assertThat;

import bellrope.core.effect.Sprite;
import bellrope.core.effect.Sprite.Sheet;
import bellrope.core.value.Problem;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.Base64;
import java.util.List;
import java.util.Optional;
import java.util.zip.CRC32;
import javax.imageio.IIOImage;
import javax.imageio.ImageIO;
import javax.imageio.ImageWriteParam;
import javax.imageio.ImageWriter;
import javax.imageio.stream.ImageOutputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class PicturesTest {
    private static final byte[] SHEET = Pictures.png(new int[64 * 32], 64, 32);

    private static List<String> problems(byte[] bytes, Sheet sheet) {
        return Pictures.problems(new Sprite(
                        "own", 1, sheet, Optional.of(Base64.getEncoder().encodeToString(bytes))))
                .stream()
                .map(Problem::toString)
                .toList();
    }

    private static Sheet grid(int columns, int rows) {
        return new Sheet(columns, rows, columns * rows, Sheet.Order.BY_ROWS, 12);
    }

    @Test
    void aSheetThatFitsItsGridIsTaken() {
        assertThat(problems(SHEET, grid(4, 2))).isEmpty();
    }

    @Test
    void aGridThatLeavesARestIsRefused() {
        assertThat(problems(SHEET, grid(5, 2)))
                .containsExactly("/sheet: 5 × 2 frames: a grid that divides 64 × 32 px without rest");
    }

    @Test
    void aTextNamedPngIsNoPng() {
        assertThat(problems(
                        "not a picture at all, whatever its name says".getBytes(StandardCharsets.UTF_8), grid(1, 1)))
                .containsExactly("/picture: a file that is no PNG: a PNG");
    }

    @Test
    void aPngTwentyThousandPixelsWideIsRefusedBeforeItIsDecoded() {
        byte[] wide = SHEET.clone();
        ByteBuffer.wrap(wide).putInt(16, 20_000);
        assertThat(problems(wide, grid(1, 1))).containsExactly("/picture: 20000 × 32 px: at most 2048 × 2048 px");
    }

    @Test
    void anAnimatedPngIsRefused() {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        out.write(SHEET, 0, 33);
        byte[] chunk = "acTL\0\0\0\2\0\0\0\0".getBytes(StandardCharsets.ISO_8859_1);
        CRC32 crc = new CRC32();
        crc.update(chunk);
        out.writeBytes(ByteBuffer.allocate(4).putInt(8).array());
        out.writeBytes(chunk);
        out.writeBytes(ByteBuffer.allocate(4).putInt((int) crc.getValue()).array());
        out.write(SHEET, 33, SHEET.length - 33);
        assertThat(problems(out.toByteArray(), grid(1, 1)))
                .containsExactly(
                        "/picture: an animated PNG: a PNG of one picture; put the frames side by side as a sheet");
    }

    @Test
    void aPngCutOffIsRefused() {
        assertThat(problems(java.util.Arrays.copyOf(SHEET, 60), grid(1, 1)))
                .containsExactly("/picture: a broken PNG: a chunk is longer than the file: a PNG that can be read");
    }

    @Test
    void everySpriteThatShipsHasPixels() {
        assertThat(Pictures.of(new Sprite("puff", 0.2)).width()).isEqualTo(64);
        assertThat(Pictures.of(new Sprite("no such", 1)).light()).containsOnly(0f);
    }

    // One colour of 2048 x 2048 px packs into a few KB: sixty of them are 250 million pixels.
    @Test
    void manyPixelsInFewBytesAreRefusedForAllTogetherBeforeAnyIsUnpacked() {
        byte[] huge = Pictures.png(new int[2048 * 2048], 2048, 2048);
        assertThat(huge.length).isLessThan(60_000);
        assertThat(problems(huge, grid(1, 1))).isEmpty();
        Sprite one =
                new Sprite("own", 1, grid(1, 1), Optional.of(Base64.getEncoder().encodeToString(huge)));
        assertThat(Pictures.problems(java.util.Collections.nCopies(3, one))).isEmpty();
        assertThat(Pictures.problems(java.util.Collections.nCopies(60, one)))
                .extracting(Problem::toString)
                .containsExactly("/sprites: 251 million pixels in all pictures: at most 16 million");
    }

    @Test
    void aChunkOfTheGreatestLengthIsRefused() {
        byte[] bad = SHEET.clone();
        ByteBuffer.wrap(bad).putInt(33, 0x7FFFFFFF);
        assertThat(problems(bad, grid(1, 1)))
                .containsExactly("/picture: a broken PNG: a chunk is longer than the file: a PNG that can be read");
        ByteBuffer.wrap(bad).putInt(33, -1);
        assertThat(problems(bad, grid(1, 1))).hasSize(1);
    }

    @ParameterizedTest
    @ValueSource(ints = {24, 25, 26, 28, 29, 40, 45, 60})
    void aFlippedByteIsNoticed(int at) {
        byte[] bad = SHEET.clone();
        bad[at] ^= 0x5A;
        assertThat(problems(bad, grid(1, 1))).hasSize(1);
    }

    // Every kind of colour that the standard has, written by the platform's own encoder.
    @ParameterizedTest
    @ValueSource(
            ints = {
                BufferedImage.TYPE_INT_ARGB,
                BufferedImage.TYPE_INT_RGB,
                BufferedImage.TYPE_BYTE_GRAY,
                BufferedImage.TYPE_USHORT_GRAY,
                BufferedImage.TYPE_BYTE_BINARY,
                BufferedImage.TYPE_BYTE_INDEXED
            })
    void everyKindOfColourIsTaken(int kind) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(new BufferedImage(37, 21, kind), "png", out);
        assertThat(problems(out.toByteArray(), grid(1, 1))).isEmpty();
    }

    @Test
    void anInterlacedOneIsTaken() throws IOException {
        ImageWriter writer = ImageIO.getImageWritersByFormatName("png").next();
        ImageWriteParam how = writer.getDefaultWriteParam();
        how.setProgressiveMode(ImageWriteParam.MODE_DEFAULT);
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ImageOutputStream to = ImageIO.createImageOutputStream(out)) {
            writer.setOutput(to);
            writer.write(null, new IIOImage(new BufferedImage(37, 21, BufferedImage.TYPE_INT_ARGB), null, null), how);
        }
        assertThat(out.toByteArray()[28]).as("Adam7").isEqualTo((byte) 1);
        assertThat(problems(out.toByteArray(), grid(1, 1))).isEmpty();
        assertThat(problems(java.util.Arrays.copyOf(out.toByteArray(), out.size() - 30), grid(1, 1)))
                .hasSize(1);
    }
}
