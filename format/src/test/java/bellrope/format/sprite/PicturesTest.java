package bellrope.format.sprite;

import static org.assertj.core.api.Assertions.assertThat;

import bellrope.core.effect.Sprite;
import bellrope.core.effect.Sprite.Sheet;
import bellrope.core.picture.Picture;
import bellrope.core.value.Problem;
import java.io.ByteArrayOutputStream;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.Base64;
import java.util.List;
import java.util.Optional;
import java.util.zip.CRC32;
import org.junit.jupiter.api.Test;

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
                .containsExactly("/picture: a broken PNG: a PNG that can be read");
    }

    @Test
    void everySpriteThatShipsHasPixels() {
        List<Picture> pictures = Pictures.of(List.of(new Sprite("puff", 0.2), new Sprite("no such", 1)));
        assertThat(pictures.get(0).width()).isEqualTo(64);
        assertThat(pictures.get(1).light()).containsOnly(0f);
    }
}
