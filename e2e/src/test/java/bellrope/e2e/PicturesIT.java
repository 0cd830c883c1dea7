package bellrope.e2e;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.EnabledIfSystemProperty;
import org.junit.jupiter.api.io.TempDir;
import org.openqa.selenium.By;
import org.openqa.selenium.OutputType;
import org.openqa.selenium.chrome.ChromeDriver;

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
            bench.await(b -> bench.text(".which").equals("preview"));
            moment(bench, 0.24);
            Files.write(shots.resolve("ropes.png"), bench.picture());

            bench.clickText(".events .name", "weather");
            bench.clickText(".pull .values button", "downpour");
            bench.awaitText("[data-testid=account]", "downpour at");
            Thread.sleep(3500);
            Files.write(shots.resolve("weather.png"), bench.picture());
            bench.clickText(".pull .values button", "clear");
            bench.await(b -> bench.text("[data-testid=live-instances]").equals("0"));

            bench.openRope("the courier falls");
            bench.clickText(".board button", "balance");
            bench.await(b -> !bench.all(".balance canvas").isEmpty());
            Files.write(shots.resolve("balance.png"), bench.picture());
            bench.clickText(".board button", "sentences");

            bench.openRope("landing on water");
            bench.await(b -> !bench.all("[data-rope='landing on water'].open").isEmpty());
            bench.press("e");
            bench.clickText(".bench .one-of label", "crown drops");
            bench.press(" ");
            bench.awaitText("[data-testid=account]", "water crown at");
            bench.await(b -> bench.text(".which").equals("preview"));
            moment(bench, 0.3);
            Files.write(shots.resolve("shaping.png"), bench.picture());

            bench.open("/#/effects");
            bench.browser().navigate().refresh();
            bench.await(b -> bench.all(".list li button").stream()
                            .filter(e -> e.getText().startsWith("water crown"))
                            .findFirst()
                            .orElse(null))
                    .click();
            bench.await(b -> bench.all("aside .choose").stream()
                            .filter(e -> e.getText().startsWith("mist"))
                            .findFirst()
                            .orElse(null))
                    .click();
            // A range that was changed, and a finding: the size lane begins full.
            bench.enter("Size, most", "1.3");
            bench.one("button[aria-label^='size key at 0 %']").click();
            bench.enter("size key, value", "1");
            bench.one("button[aria-label^='opacity key at 0 %']").click();
            bench.enter("opacity key, value", "0.8");
            bench.await(b -> !bench.all("[data-check]").isEmpty());
            bench.press("p");
            moment(bench, 0.3);
            bench.js("document.querySelector('.middle').scrollTop = 0");
            Thread.sleep(300);
            Files.write(shots.resolve("effects.png"), bench.picture());
            bench.press("b");
            bench.await(b -> bench.all("[data-testid=stage]").size() == 2);
            Thread.sleep(1200);
            Files.write(shots.resolve("beside.png"), bench.picture());
            bench.press("b");
            parameters(bench, shots);
            rehearsal(bench, shots);
            game(bench, folder, shots);
            handoff(bench, shots);
            bench.open("/#/effects");
            bench.browser().navigate().refresh();
            bench.one(".list li button");
            bench.press("n");
            bench.await(b -> bench.all("[data-testid=recipe] img").stream()
                    .limit(12)
                    .allMatch(i -> (Boolean) bench.js("return arguments[0].naturalWidth > 0", i)));
            Thread.sleep(400);
            Files.write(shots.resolve("recipes.png"), bench.picture());
        }
    }

    private static void game(Bench bench, Path folder, Path shots) throws IOException, InterruptedException {
        bench.open("/#/game");
        ChromeDriver other = Bench.browser(folder);
        try {
            other.get(bench.address() + "/standin.html?project=1&seed=7");
            bench.await(b -> other.executeScript("return !!window.windrow") == Boolean.TRUE);
            bench.await(b -> !bench.all("[data-testid=can] button").isEmpty());
            // Paused: from here on time passes in the steps below alone.
            other.executeScript("document.querySelector('aside .row button').click()");
            other.executeScript("[...document.querySelectorAll('aside .el-checkbox input')][0].click()");
            other.executeScript("for (let i = 0; i < 12; i++) windrow.step(100); windrow.world.ask('land on thatch')");
            // What has been is caught up with; then as time passes, to the next landing on a roof and a little after.
            bench.browser().navigate().refresh();
            bench.await(b -> !bench.all("[data-testid=can] button").isEmpty());
            Thread.sleep(3_000);
            String on = "const { courier, moor } = windrow.world; windrow.step(2);"
                    + "return courier.way === 'stands' && moor.patch(courier.motion.x)?.surface === 'thatch'";
            for (int n = 0; n < 3_000 && other.executeScript(on) != Boolean.TRUE; n++) {
                Thread.sleep(33);
            }
            other.executeScript("windrow.step(9)");
            bench.await(b -> bench.text("[data-testid=game-particles]")
                    .equals(other.findElement(By.cssSelector("[data-testid=particles]"))
                            .getText()));
            Thread.sleep(800);
            Files.write(shots.resolve("game.png"), bench.picture());
            Files.write(shots.resolve("windrow-post.png"), other.getScreenshotAs(OutputType.BYTES));
        } finally {
            other.quit();
        }
    }

    private static void parameters(Bench bench, Path shots) throws IOException, InterruptedException {
        bench.await(b -> bench.all(".list li button").stream()
                        .filter(e -> e.getText().startsWith("kite tear"))
                        .findFirst()
                        .orElse(null))
                .click();
        bench.press("t");
        bench.awaitText("[data-testid=proof]", "A uniform scale");
        bench.clickText(".tries button", "near");
        bench.await(b -> !bench.all(".tries .away").isEmpty());
        bench.press("p");
        moment(bench, 0.25);
        bench.js("document.querySelector('.middle').scrollTop = 300");
        Thread.sleep(500);
        Files.write(shots.resolve("parameters.png"), bench.picture());
    }

    private static void rehearsal(Bench bench, Path shots) throws IOException, InterruptedException {
        bench.open("/#/rehearsal");
        bench.browser().navigate().refresh();
        bench.awaitText("[data-testid=rehearsed]", "as it is now");
        bench.press("p");
        moment(bench, 62.2);
        Thread.sleep(1500);
        Files.write(shots.resolve("rehearsal.png"), bench.picture());
        bench.clickText("nav a", "Pools");
        bench.click("[data-testid=size]");
        bench.await(b -> bench.text("[data-testid=sizing]").contains("Size again"));
        bench.clickText(".line .name", "hail shatter");
        Thread.sleep(800);
        Files.write(shots.resolve("pools.png"), bench.picture());
    }

    private static void handoff(Bench bench, Path shots) throws IOException, InterruptedException {
        bench.open("/#/handoff");
        bench.awaitText("h1", "not handed over yet");
        bench.one("textarea[aria-label='What is new']").sendKeys("the first, for the landing slice");
        bench.click("form .el-button--primary");
        bench.awaitText("[data-testid=differences]", "Nothing differs");
        rename(bench, "{\"what\":\"event\",\"from\":\"courier.landed\",\"to\":\"courier.touched\"}");
        rename(
                bench,
                "{\"what\":\"option\",\"within\":\"courier.struck\",\"field\":\"by\",\"from\":\"branch\",\"to\":\"bough\"}");
        rename(bench, "{\"what\":\"parameter\",\"within\":\"straw puff\",\"from\":\"amount\",\"to\":\"pieces\"}");
        bench.awaitText("[data-testid=differences]", "breaks game code");
        bench.js("document.querySelector('[data-testid=notice] .shut')?.click()");
        Thread.sleep(600);
        Files.write(shots.resolve("handoff.png"), bench.picture());
    }

    private static void rename(Bench bench, String what) {
        bench.js(
                "return fetch('/api/projects/1/renames', {method: 'POST',"
                        + " headers: {'Content-Type': 'application/json'}, body: arguments[0]}).then(() => 1)",
                what);
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
