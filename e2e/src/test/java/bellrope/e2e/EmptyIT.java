package bellrope.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Path;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.openqa.selenium.Keys;

/** The story of the README, from nothing: an event, an effect, a rope, a pull, a changed number, the handoff. */
@DisplayName("From an empty project")
class EmptyIT {
    @TempDir
    Path folder;

    private Bench bench;

    private void choose(String start) {
        bench.clickStarting(".el-popper .choice", start);
    }

    @Test
    void anEventIsAnsweredTunedAndHandedOver() throws IOException {
        try (Bench fresh = new Bench(folder, false)) {
            bench = fresh;
            bench.await(b -> bench.text("header").contains("connected"));
            assertThat(bench.text(".events")).contains("Events are what the game announces");
            assertThat(bench.violations()).isEmpty();

            bench.clickText(".events button", "+ event");
            bench.type("Name of the event", "lantern.lit" + Keys.ENTER);
            bench.awaitText(".events", "lantern");
            bench.click(".el-dialog__headerbtn");
            bench.await(b -> bench.all(".el-overlay").stream().noneMatch(e -> e.isDisplayed()));
            bench.awaitText(".events .head", "1 unanswered");

            bench.open("/#/effects");
            bench.press("n");
            bench.one("input[aria-label='Find a recipe']").sendKeys("skip");
            bench.await(b -> bench.all("[data-testid=recipe]").size() == 1);
            bench.click("[data-testid=recipe]");
            bench.await(b -> Integer.parseInt(bench.number("births")) > 15);

            bench.open("/");
            bench.clickText(".events .name", "lit");
            bench.clickText("button", "Answer it with a rope");
            bench.awaitText(".row.open .sentence", "no effect chosen");
            bench.clickText(".row.open .part", "no effect chosen");
            choose("sparks");
            bench.awaitText(".row.open .sentence", "play sparks");
            bench.awaitText(".events .head", "all answered");

            bench.pullUntilSeen();
            bench.pullUntilTold("sparks at");
            String births = bench.number("births");

            bench.press("e");
            bench.await(b -> !bench.all("input[aria-label^='Burst']").isEmpty());
            bench.enter("Burst, most", "60");
            bench.enter("Burst, least", "60");
            bench.await(b -> !bench.number("births").equals(births));
            bench.press(" ");
            bench.awaitText("[data-testid=account]", "sparks at");

            bench.open("/#/handoff");
            bench.awaitText("pre", "lanternLit");
            bench.clickText("button", "Hand over 1");
            bench.awaitText("body", "take back");
        }
    }

    @Test
    void theFirstTunedResponseTakesFewPresses() {
        try (Bench fresh = new Bench(folder, false)) {
            bench = fresh;
            bench.await(b -> bench.text("header").contains("connected"));
            bench.js("window.presses = 0; for (const kind of ['pointerdown', 'keydown'])"
                    + " window.addEventListener(kind, () => window.presses++, true)");
            bench.clickText(".board button", "+ event");
            bench.clickStarting(".el-dialog .commons button", "landed");
            bench.awaitText(".events", "landed");
            bench.click(".el-dialog__headerbtn");
            bench.await(b -> bench.all(".el-overlay").stream().noneMatch(e -> e.isDisplayed()));
            bench.clickText(".board .empty button", "+ rope");
            bench.clickText(".row.open .part", "no effect chosen");
            bench.clickStarting("[data-testid=offered]", "impact");
            bench.awaitText(".row.open .sentence", "play impact");
            bench.await(b -> !bench.all("[data-number=births]").isEmpty());
            bench.press(" ");
            bench.awaitText("[data-testid=account]", "impact at");
            String reach = bench.number("reach");
            bench.press("e");
            bench.enter("Speed, most", "9");
            bench.await(b -> !bench.number("reach").equals(reach));
            bench.press(" ");
            bench.awaitText("[data-testid=account]", "impact at");
            assertThat((Long) bench.js("return window.presses")).isBetween(10L, 20L);
        }
    }
}
