package bellrope.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.Keys;
import org.openqa.selenium.WebElement;
import org.openqa.selenium.interactions.Actions;

@DisplayName("With ropes of every kind")
class RopesIT extends AtBench {
    @BeforeEach
    void open() {
        bench.open("/");
        bench.await(b -> bench.all(".board .row").size() > 15);
        bench.await(b -> bench.text("header").contains("connected"));
    }

    private static void event(String verb) {
        bench.clickText(".events .name", verb);
    }

    private static int playing() {
        return Integer.parseInt(bench.text("[data-testid=live-instances]"));
    }

    private static void choose(String start) {
        bench.clickStarting(".el-popper .choice", start);
    }

    private static void part(String text) {
        bench.clickText(".row.open .part", text);
    }

    @Test
    void aSpanRunsForAsLongAsItsKeyIsHeld() {
        event("reeling");
        bench.js("document.activeElement.blur()");
        new Actions(bench.browser()).keyDown(" ").perform();
        bench.awaitText("[data-testid=account]", "reel smoke at (-0.3, -0.2, 0), heat 0 from time held 0");
        bench.await(b -> playing() >= 1);
        bench.await(b -> Integer.parseInt(bench.text("[data-testid=alive]")) > 10);
        new Actions(bench.browser()).keyUp(" ").perform();
        bench.awaitText("[data-testid=account]", "with line hiss");
        bench.await(b -> playing() == 0);
    }

    @Test
    void aSpanLeftHeldEndsWithItsSubject() {
        event("turning");
        bench.click(".pull .keep");
        bench.click(".pull .el-button--primary");
        bench.await(b -> playing() == 1);
        bench.clickText(".pull button", "Whose it is, how long…");
        bench.clickText(".pull button", "Remove mill");
        bench.awaitText("[data-testid=account]", "mill chaff ends after");
        bench.await(b -> playing() == 0);
    }

    @Test
    void theWeatherChangesAndFollowsAChannel() {
        event("weather");
        bench.clickText(".pull .values button", "drizzle");
        bench.awaitText("[data-testid=account]", "drizzle at (0, 0, 0), amount 0.98 from intensity 0.6");
        bench.clickText(".pull .values button", "downpour");
        bench.awaitText("[data-testid=account]", "drizzle ends after");
        bench.await(b -> playing() == 2);
        bench.one(".pull .channel [role=slider]").sendKeys(Keys.END);
        bench.clickText(".pull .values button", "snow");
        bench.awaitText("[data-testid=account]", "amount 1.2 from intensity 1");
        bench.clickText(".pull .values button", "clear");
        bench.await(b -> playing() == 0);
    }

    @Test
    void theSentenceSaysEverythingThatIsAskedOfIt() {
        bench.openRope("a parcel collected");
        String row = "[data-rope='a parcel collected'] .sentence";
        part("+ more");
        choose("a limit");
        bench.awaitText(row, "at most once in 0.1 s");
        part("+ more");
        // It begins neutral: nothing is said before something is set.
        choose("an override");
        bench.enter("counts ×", "1.5");
        bench.awaitText(row, "with counts × 1.5");
        bench.click(".events .head");
        part("counts × 1.5");
        bench.enter("sizes ×", "2");
        bench.awaitText(row, "counts × 1.5, sizes × 2");
        bench.click(".events .head");
        part("+ more");
        choose("an effect that follows");
        bench.awaitText(row, "then after 0.4 s play no effect chosen");
        part("+ more");
        choose("a shake of the camera");
        bench.awaitText(row, "shake the camera 0.15 u for 0.4 s");
        part("the point + (0, 0.8, 0) u");
        bench.choose("at", "the camera");
        bench.awaitText(row, "about the camera");
        bench.click(".events .head");
        for (int i = 0; i < 6; i++) {
            bench.command("z", false);
        }
        bench.await(b -> bench.text(row)
                .startsWith("When parcel.collected, play parcel glint at the point + (0, 0.8, 0) u, facing up; "
                        + "worth from worth."));
    }

    @Test
    void whatARopePlaysIsMadeOnTheSpot() {
        bench.openRope("struck by a branch");
        String row = "[data-rope='struck by a branch'] .sentence";
        part("no effect chosen");
        // Searched among effects and recipes; Enter takes the first.
        bench.type("Find an effect or a recipe", "sparks");
        bench.await(b -> bench.all("[data-testid=offered]").size() == 1);
        new Actions(bench.browser()).sendKeys(Keys.ENTER).perform();
        bench.awaitText(row, "play sparks");
        bench.await(
                b -> !bench.all("[data-rope='struck by a branch'] .figures dd").isEmpty());
        part("sparks");
        bench.await(b -> bench.all(".el-popper .choice").stream()
                .anyMatch(e -> e.isDisplayed() && e.getText().contains("one-shot · 1 other rope")));
        choose("a blank effect");
        bench.awaitText(row, "play new effect");
        bench.await(
                b -> !bench.all("[data-rope='struck by a branch'] .figures dd").isEmpty());
        for (int i = 0; i < 4; i++) {
            bench.command("z", false);
        }
        bench.awaitText(row, "no effect chosen");
    }

    @Test
    void whatLastsBeginsAndEndsWithWhatIsPressed() {
        bench.openRope("the kite reels");
        String row = "[data-rope='the kite reels'] .sentence";
        bench.awaitText(row, "begin with drum puff");
        part("drum puff");
        choose("nothing");
        bench.await(b -> !bench.text(row).contains("begin with"));
        part("+ more");
        choose("something to begin with");
        choose("hard knock");
        bench.awaitText(row, "begin with hard knock");
        // What begins it can come a while later, and is then a part that follows.
        part("hard knock");
        bench.clickText(".el-popper button", "a while later, not at once");
        bench.awaitText(row, "after 0.5 s play hard knock");
        assertThat(bench.text(row)).doesNotContain("begin with");
        part("0.4 s");
        bench.enter("fades out over", "600ms");
        bench.awaitText(row, "fade 0.6 s");
        bench.click(".events .head");
        for (int i = 0; i < 4; i++) {
            bench.command("z", false);
        }
        bench.awaitText(row, "begin with drum puff");
    }

    @Test
    void aNoticeTakesValuesToGameCode() throws IOException {
        bench.openRope("a parcel collected");
        String row = "[data-rope='a parcel collected'] .sentence";
        part("+ more");
        choose("a notice to game code");
        bench.awaitText(row, "tell the game “notice”");
        // What was added is open at once.
        bench.clickText(".carried button", "Add a value");
        bench.awaitText(row, "tell the game “notice” with position");
        bench.clickText(".carried button", "Add a value");
        bench.awaitText(row, "with position and worth");
        bench.one("input[aria-label='Source of worth']").sendKeys(Keys.ARROW_DOWN);
        bench.clickText(".el-select-dropdown__item", "a number");
        bench.await(b -> !bench.all("input[aria-label^='Value of worth']").isEmpty());
        assertThat(bench.violations()).isEmpty();
        bench.enter("Value of worth", "7");
        bench.click(".events .head");
        bench.press(" ");
        bench.awaitText("[aria-label='What the game is told']", "the game is told notice · position");
        bench.awaitText("[aria-label='What the game is told']", "worth 7");
        for (int i = 0; i < 5; i++) {
            bench.command("z", false);
        }
        bench.await(b -> !bench.text(row).contains("tell the game"));
    }

    @Test
    void theSentenceIsWrittenByKeyboardAlone() {
        bench.openRope("a parcel collected");
        String row = "[data-rope='a parcel collected'] .sentence";
        bench.awaitText(".row.open .sentence", "When parcel.collected");
        bench.js("[...document.querySelectorAll('.row.open .part')].find(e => e.textContent.trim() === 'up').focus()");
        new Actions(bench.browser()).sendKeys(Keys.ENTER).perform();
        bench.await(b -> (Boolean) bench.js("return !!document.activeElement.closest('.el-popper')"));
        assertThat(bench.js("return document.activeElement.textContent.trim()")).isEqualTo("up");
        new Actions(bench.browser())
                .keyDown(Keys.SHIFT)
                .sendKeys(Keys.TAB)
                .keyUp(Keys.SHIFT)
                .sendKeys(Keys.ENTER)
                .perform();
        bench.awaitText(row, "facing the heading");
        new Actions(bench.browser()).sendKeys(Keys.ESCAPE).perform();
        bench.await(b -> (Boolean) bench.js("return document.activeElement.classList.contains('part')"));
        bench.command("z", false);
        bench.awaitText(row, "facing up");
    }

    @Test
    void anEventIsMadeRenamedAndFollowed() {
        bench.clickText(".events button", "+ event");
        bench.type("Name of the event", "lantern.lit" + Keys.ENTER);
        bench.awaitText(".events", "lantern");
        bench.await(b -> bench.all(".events .line.hollow").size() == 1);
        bench.await(b ->
                !bench.all(".el-dialog input[aria-label='Name of position']").isEmpty());
        bench.type("Name of position", "place" + Keys.TAB);
        bench.await(
                b -> !bench.all(".el-dialog input[aria-label='Name of place']").isEmpty());
        bench.type("No answer is wanted, because", "heard, not seen" + Keys.ENTER);
        bench.awaitText(".events .head", "all answered");
        bench.click(".el-dialog__headerbtn");
        bench.await(b -> bench.all(".el-overlay").stream().noneMatch(e -> e.isDisplayed()));
        bench.js("document.querySelector(\"[aria-label='Edit crow.scattered']\").click()");
        bench.await(b -> bench.all(".el-dialog input").stream()
                .anyMatch(e -> e.isDisplayed() && "crow.scattered".equals(e.getAttribute("value"))));
        bench.type("Name of this event", "crow.startled" + Keys.ENTER);
        bench.awaitText("[data-rope='a crow scattered'] .sentence", "When crow.startled");
        bench.click(".el-dialog__headerbtn");
        bench.await(b -> bench.all(".el-overlay").stream().noneMatch(e -> e.isDisplayed()));
        bench.command("z", false);
        bench.awaitText("[data-rope='a crow scattered'] .sentence", "When crow.scattered");
        bench.command("z", false);
        bench.command("z", false);
        bench.command("z", false);
        bench.await(b -> !bench.text(".events").contains("lantern"));
    }

    @Test
    void manyRopesAreChangedAtOnceAndGivenBackAtOnce() {
        bench.clickText(".board button", "several");
        bench.click("[data-rope='landing on peat'] .choose");
        bench.click("[data-rope='landing on water'] .choose");
        bench.awaitText(".bulk", "2 chosen");
        bench.clickText(".bulk button", "off");
        bench.awaitText("[data-rope='landing on water']", "switched off");
        int before = bench.all(".board .row").size();
        bench.clickText(".bulk button", "duplicate");
        bench.await(b -> bench.all(".board .row").size() == before + 2);
        bench.clickText(".bulk button", "delete");
        bench.await(b -> bench.all(".board .row").size() == before);
        bench.clickText(".bulk button", "done");
        for (int i = 0; i < 3; i++) {
            bench.command("z", false);
        }
        bench.await(b -> bench.all(".board .row.off").isEmpty());
        assertThat(bench.all(".board .row")).hasSize(before);
    }

    @Test
    void aRopeIsCopiedToOtherSurfaces() {
        bench.openRope("landing on stone");
        int before = bench.all(".board .row").size();
        bench.clickText(".row.open button", "Copy to…");
        bench.clickText(".row.open .copies button", "peat");
        bench.clickText(".row.open .copies button", "courier.struck");
        bench.clickText(".row.open .copies button", "Make 2 copies");
        bench.await(b -> bench.all(".board .row").size() == before + 2);
        bench.awaitText("[data-rope='landing on stone, peat'] .sentence", "on peat");
        bench.command("z", false);
        bench.await(b -> bench.all(".board .row").size() == before);
    }

    @Test
    void theBalanceNamesWhatStandsOutAndScalesItForThisRopeAlone() {
        bench.openRope("the courier falls");
        bench.awaitText(".row.open .sentence", "When courier.downed");
        bench.clickText(".board button", "balance");
        bench.await(b -> !bench.all(".balance canvas").isEmpty());
        assertThat(bench.text(".balance tr.open")).contains("the courier falls").contains("usual at weight 5");
        bench.enter("Counts of the courier falls", "0.5");
        bench.awaitText(".row.open .sentence", "play kite tear with counts × 0.5");
        bench.command("z", false);
        // The chart is read by keys, and leads to the rope.
        WebElement chart = bench.one(".balance [role=slider]");
        chart.sendKeys(Keys.END);
        bench.awaitText(".balance .told", "at weight 5");
        chart.sendKeys(Keys.HOME);
        bench.awaitText(".balance .told", "at weight 1");
        assertThat(chart.getAttribute("aria-valuetext")).isEqualTo(bench.text(".balance .told"));
        chart.sendKeys(Keys.ENTER);
        bench.awaitText(".balance tr.open", "at weight 1");
        bench.clickText(".board button", "sentences");
    }

    @Test
    void theAccountsAreKeptAndFound() {
        event("collected");
        bench.press(" ");
        bench.awaitText("[data-testid=account]", "1 rope listened, 1 answered");
        event("downed");
        bench.press(" ");
        bench.awaitText(".told", "hide the courier");
        bench.clickText(".account button", "All accounts");
        bench.type("Find in the accounts", "glint");
        bench.await(b -> bench.all(".account ol li").size() == 1);
        bench.click(".account ol button");
        bench.awaitText("[data-testid=account]", "parcel glint at");
        bench.clickText(".account button", "Save as lines of JSON");
        Path lines = folder.resolve("downloads/Windrow Post accounts.jsonl");
        bench.await(b -> Files.exists(lines));
        assertThat(lines).content().contains("\"event\":\"courier.downed\"").endsWith("}\n");
    }

    @Test
    void pullsRepeatAndTwoComeInOneInstant() {
        event("scattered");
        bench.clickText(".pull button", "Repeat, alternate, pair…");
        bench.choose("Pulled in the same instant", "parcel.collected");
        bench.clickText(".account button", "All accounts");
        bench.click(".pull .el-button--primary");
        bench.await(b -> pulled("crow.scattered") == 1 && pulled("parcel.collected") == 1);
        bench.click(".pull .more .el-checkbox");
        bench.await(b -> pulled("crow.scattered") >= 3 && pulled("parcel.collected") >= 3);
        bench.click(".pull .more .el-checkbox");
        bench.await(b -> playing() == 0);
    }

    private static long pulled(String event) {
        return bench.all(".account ol li").stream()
                .filter(e -> e.getText().contains(event))
                .count();
    }

    @Test
    void noViewOfItHasAccessibilityViolations() throws IOException {
        event("weather");
        assertThat(bench.violations()).isEmpty();
        bench.clickText(".board button", "balance");
        bench.await(b -> !bench.all(".balance canvas").isEmpty());
        bench.clickText(".board button", "several");
        assertThat(bench.violations()).isEmpty();
        bench.clickText(".bulk button", "done");
        bench.clickText(".board button", "sentences");
        bench.clickText(".events button", "channels, places");
        bench.await(
                b -> !bench.all(".el-dialog input[aria-label='Name of wind']").isEmpty());
        assertThat(bench.violations()).isEmpty();
        bench.click(".el-dialog__headerbtn");
        bench.await(b -> bench.all(".el-overlay").stream().noneMatch(e -> e.isDisplayed()));
        bench.js("document.querySelector(\"[aria-label='Edit courier.landed']\").click()");
        bench.await(
                b -> !bench.all(".el-dialog input[aria-label='Name of speed']").isEmpty());
        assertThat(bench.violations()).isEmpty();
    }
}
