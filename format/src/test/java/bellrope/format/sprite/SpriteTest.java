package bellrope.format.sprite;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import bellrope.core.effect.Sprite;
import bellrope.format.json.Demo;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;

class SpriteTest {
    @Test
    void everyFileIsWhatItsFormulaDraws() throws IOException {
        for (var entry : SpriteArt.FORMULAS.entrySet()) {
            BufferedImage drawn = SpriteArt.draw(entry.getValue());
            BufferedImage file = ImageIO.read(
                    new ByteArrayInputStream(SpriteCase.png(entry.getKey()).orElseThrow()));
            int worst = 0;
            for (int i = 0; i < SpriteArt.PIXELS * SpriteArt.PIXELS; i++) {
                int x = i % SpriteArt.PIXELS;
                int y = i / SpriteArt.PIXELS;
                worst = Math.max(worst, Math.abs((drawn.getRGB(x, y) >>> 24) - (file.getRGB(x, y) >>> 24)));
            }
            assertThat(worst).as(entry.getKey()).isLessThanOrEqualTo(1);
        }
    }

    @Test
    void theDemoStatesTheCoverageOfTheFiles() throws IOException {
        for (Sprite sprite : Demo.project().sprites()) {
            BufferedImage file = ImageIO.read(
                    new ByteArrayInputStream(SpriteCase.png(sprite.name()).orElseThrow()));
            assertThat(sprite.coverage()).as(sprite.name()).isCloseTo(SpriteArt.coverage(file), within(0.001));
        }
    }

    @Test
    void aNameIsNoWayToOtherFiles() {
        assertThat(SpriteCase.png("../windrow.bellrope")).isEmpty();
        assertThat(SpriteCase.png("no such")).isEmpty();
    }
}
