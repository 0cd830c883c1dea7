package bellrope.e2e;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.EnabledIfSystemProperty;
import org.junit.jupiter.api.io.TempDir;

/** Takes the pictures of the docs from the demo: {@code ./bellrope pictures}. */
@EnabledIfSystemProperty(named = "bellrope.pictures", matches = "true")
class PicturesIT {
    @TempDir
    private Path folder;

    @Test
    void takesOneOfEachView() throws IOException, InterruptedException {
        Path shots = Files.createDirectories(Path.of("../docs/screenshots"));
        try (Bench bench = new Bench(folder, true)) {
            bench.await(b -> !bench.all("[data-number=births]").isEmpty());
            bench.press(" ");
            bench.awaitText("[data-testid=account]", "1 answered");
            bench.await(b -> bench.text("[data-testid=live-instances]").equals("0"));
            moment(bench, 0.24);
            Files.write(shots.resolve("ropes.png"), bench.picture());

            bench.click("[data-rope='landing on water'] .knot");
            bench.await(b -> !bench.all("[data-rope='landing on water'].open").isEmpty());
            bench.press("e");
            bench.clickText("[role=tab]", "crown drops");
            bench.press(" ");
            bench.awaitText("[data-testid=account]", "water crown at");
            bench.await(b -> bench.text("[data-testid=live-instances]").equals("0"));
            moment(bench, 0.3);
            Files.write(shots.resolve("shaping.png"), bench.picture());
        }
    }

    /** Holds the take at a time in seconds. */
    private static void moment(Bench bench, double seconds) throws InterruptedException {
        bench.js(
                "const r = document.querySelector('input[type=range]'); r.value = arguments[0];"
                        + " r.dispatchEvent(new Event('input'));",
                Math.round(seconds * 60));
        Thread.sleep(400);
    }
}
