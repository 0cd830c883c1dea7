package bellrope.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.Keys;

/** The one loop: pull, see, read, change, pull again. */
@DisplayName("At the bench")
class LoopIT extends AtBench {
    @BeforeEach
    void fresh() {
        bench.open("/");
        bench.awaitText("[data-number=births]", "");
    }

    /** Opens the menu of projects and waits until it has come to rest. */
    private static void openMenu() {
        bench.click("[data-testid=project]");
        bench.await(b ->
                (Boolean) bench.js("const p = document.querySelector('[data-testid=import]').closest('.el-popper');"
                        + "return p.getClientRects().length > 0 && getComputedStyle(p).opacity === '1'"));
    }

    private static void shape(String rope) {
        bench.openRope(rope);
        bench.press("e");
        bench.one("[data-testid=bench]");
    }

    @Test
    void eventsAreListedAndAllAreAnswered() {
        assertThat(bench.all(".events .line")).hasSize(10);
        assertThat(bench.all(".events .line.hollow")).isEmpty();
        assertThat(bench.text(".events .head")).contains("all answered");
        assertThat(bench.all(".board .row").size()).isGreaterThanOrEqualTo(8);
        assertThat(bench.text("[data-rope='landing on thatch'] .sentence"))
                .startsWith("When courier.landed on thatch with speed over 4 u/s, play straw puff at the point, "
                        + "facing the normal; size from speed 4…14 → 0.6…1.8; at most once in 0.05 s.");
    }

    @Test
    void aPullPlaysAndTheAccountSaysWhoAnsweredAndWhyTheOthersDidNot() {
        bench.press("3");
        bench.press(" ");
        bench.awaitText("[data-testid=account]", "5 ropes listened, 2 answered");
        assertThat(bench.text("[data-testid=account]"))
                .contains("straw puff at (0, 0, 0), size 1.68 from speed 13")
                .contains("hard knock at (0, 0, 0)")
                .contains("stone chips silent: surface was thatch, wants stone");
        bench.press("1");
        bench.press(" ");
        bench.awaitText("[data-testid=account]", "straw puff silent: speed was 1.8 u/s, wants over 4");
    }

    @Test
    void aLineOfTheAccountLeadsToThePartThatDecidedIt() {
        bench.press(" ");
        bench.awaitText("[data-testid=account]", "stone chips silent");
        bench.clickText("[data-testid=account] button", "stone chips silent: surface was thatch, wants stone");
        bench.await(
                b -> bench.all(".part.lit").stream().anyMatch(e -> e.getText().equals("stone")));
    }

    @Test
    void twentyQuickPullsFillTheirPoolAndFallBackToZero() {
        bench.clickText(".events .name", "scattered");
        // In the page, so that they are quick however slow the way of a key from here to there is.
        bench.js("for (let i = 0; i < 20; i++) window.dispatchEvent(new KeyboardEvent('keydown', {key: ' '}))");
        // The pool of the flock holds no more.
        bench.await(b -> bench.text("[data-testid=live-instances]").equals("11"));
        bench.await(b -> bench.text("[data-testid=live-instances]").equals("0"));
    }

    @Test
    void aPullFromAHandleOpensTheRopeThatAnswers() {
        bench.click("button[aria-label='Pull parcel.collected']");
        bench.awaitText("[data-testid=account]", "1 rope listened, 1 answered");
        bench.await(b -> !bench.all("[data-rope='a parcel collected'].open").isEmpty());
    }

    @Test
    void aChangedNumberChangesStripNumbersAndStageWithoutAPullAndCanBeUndone() {
        shape("landing on peat");
        String births = bench.number("births");
        String figures = bench.text("[data-rope='landing on peat'] .figures");
        bench.enter("Burst, most", "400");
        bench.await(b -> !bench.number("births").equals(births));
        bench.enter("Burst, least", "300");
        bench.await(b -> !bench.number("births").equals(births) && Integer.parseInt(bench.number("births")) > 300);
        bench.await(b -> !bench.text("[data-rope='landing on peat'] .figures").equals(figures));
        bench.command("z", false);
        bench.command("z", false);
        bench.awaitNumber("births", births);
        bench.awaitText(
                "[data-rope='landing on peat'] .figures",
                figures.lines().toList().get(1));
        bench.command("z", true);
        bench.command("z", true);
        bench.await(b -> Integer.parseInt(bench.number("births")) > 300);
        bench.open("/");
        shape("landing on peat");
        bench.await(b -> Integer.parseInt(bench.number("births")) > 300);
        assertThat(bench.one("input[aria-label^='Burst, least']").getDomProperty("value"))
                .isEqualTo("300");
    }

    @Test
    void everyNumberOfTheEffectCanBeTurnedInPlace() {
        shape("landing on water");
        bench.clickText(".bench .one-of label", "mist");
        for (String[] field : new String[][] {
            {"Rate", "120"},
            {"Duration", "0.4"},
            {"Lifetime, most", "1.4"},
            {"Speed, most", "5"},
            {"Spread", "75"},
            {"Size, most", "2"},
            {"Gravity", "-3"},
            {"Drag", "0.5"}
        }) {
            String before = bench.text("[data-testid=numbers]");
            bench.enter(field[0], field[1]);
            if (!field[0].equals("Drag") && !field[0].equals("Gravity") && !field[0].equals("Spread")) {
                bench.await(b -> !bench.text("[data-testid=numbers]").equals(before));
            }
        }
        bench.open("/");
        shape("landing on water");
        bench.clickText(".bench .one-of label", "mist");
        assertThat(bench.one("input[aria-label^='Rate']").getDomProperty("value"))
                .isEqualTo("120");
        assertThat(bench.one("input[aria-label^='Drag']").getDomProperty("value"))
                .isEqualTo("0.5");
    }

    @Test
    void aCurveIsEditedByKeyAndByExactNumber() {
        shape("landing on peat");
        String presence = bench.number("presence");
        bench.one("button[aria-label^='opacity key at 0 %']").sendKeys(Keys.chord(Keys.SHIFT, Keys.ARROW_DOWN));
        bench.await(b -> !bench.number("presence").equals(presence));
        bench.enter("opacity key, value", "0.5");
        bench.await(b ->
                !bench.all("button[aria-label^='opacity key at 0 % is 0.5']").isEmpty());
    }

    @Test
    void timesTakeMillisecondsAndFramesAndSums() {
        shape("landing on stone");
        bench.clickText(".bench .one-of label", "chips");
        bench.enter("Lifetime, most", "1500ms");
        bench.awaitNumber("hold", "1.5 s");
        bench.enter("Lifetime, most", "60f*2");
        bench.awaitNumber("hold", "2 s");
        // Times go on in the unit that was typed.
        assertThat(bench.one("input[aria-label='Lifetime, most, frames']").getDomProperty("value"))
                .isEqualTo("120");
        bench.enter("Lifetime, most", "2s");
        bench.one("input[aria-label='Lifetime, most, s']");
    }

    @Test
    void aWrongNumberIsRefusedInWordsAndNothingChanges() {
        shape("a parcel collected");
        String births = bench.number("births");
        bench.type("Burst, least", "-3");
        bench.awaitText("[role=alert]", "from 0 to 10000");
        bench.press(Keys.TAB);
        assertThat(bench.number("births")).isEqualTo(births);
        bench.type("Lifetime, least", "0");
        bench.awaitText("[role=alert]", "from 0.001 to 60");
        bench.type("Speed, least", "fast");
        bench.awaitText("[role=alert]", "a number, or a sum such as 0.3*2");
    }

    @Test
    void theSentenceIsEditedWhereItStands() {
        bench.openRope("landing hard");
        bench.clickText(".row.open .part", "speed over 11 u/s");
        bench.enter("Bound", "5");
        bench.awaitText("[data-rope='landing hard'] .sentence", "speed over 5 u/s");
        bench.click(".events .head");
        bench.openRope("struck by a branch");
        bench.clickText(".row.open .part", "no effect chosen");
        bench.clickStarting(".el-popper .choice", "hail shatter");
        bench.awaitText("[data-rope='struck by a branch'] .sentence", "play hail shatter");
        bench.await(
                b -> !bench.all("[data-rope='struck by a branch'] .figures dd").isEmpty());
        bench.command("z", false);
        bench.awaitText("[data-rope='struck by a branch'] .sentence", "no effect chosen");
        bench.command("z", false);
        bench.awaitText("[data-rope='landing hard'] .sentence", "speed over 11 u/s");
    }

    @Test
    void aRopeCanBeAddedAndTakenAwayAndBothUndone() {
        int before = bench.all(".board .row").size();
        bench.clickText(".events .name", "delivered");
        bench.clickText(".board button", "+ rope");
        bench.await(b -> bench.all(".board .row").size() == before + 1);
        bench.await(
                b -> !bench.all("[data-rope='parcel.delivered 1'].open.broken").isEmpty());
        bench.command("z", false);
        bench.await(b -> bench.all(".board .row").size() == before);
        bench.command("z", true);
        bench.await(b -> bench.all(".board .row").size() == before + 1);
        bench.openRope("parcel.delivered 1");
        bench.clickText(".row.open button", "Delete this rope");
        bench.await(b -> bench.all(".board .row").size() == before);
    }

    @Test
    void theOtherWindowIsToldAndAnOutdatedSaveIsRefusedWithBothVersions() {
        String first = bench.browser().getWindowHandle();
        shape("the courier falls");
        String second = bench.secondWindow();
        shape("the courier falls");
        bench.to(first);
        bench.type("Spread", "28");
        bench.one("input[aria-label^='Spread']").sendKeys(Keys.ARROW_UP);
        bench.to(second);
        bench.enter("Spread", "44");
        bench.await(b -> !bench.all("[data-testid=undo]:enabled").isEmpty());
        bench.to(first);
        bench.awaitText("[data-testid=notice]", "“kite tear” was changed in another window");
        bench.one("input[aria-label^='Spread']").sendKeys(Keys.ENTER);
        bench.awaitText("[data-testid=conflict]", "spread");
        assertThat(bench.text("[data-testid=conflict]")).contains("33").contains("44");
        bench.clickText(".el-dialog button", "Save yours on top");
        bench.to(second);
        bench.await(b -> "33".equals(bench.one("input[aria-label^='Spread']").getDomProperty("value")));
        bench.browser().close();
        bench.to(first);
    }

    @Test
    void aBundleGoesOutAndIntoAnEmptyProjectAndComesOutTheSame() throws IOException {
        String path = (String) bench.js("return fetch('/api/projects/1/bundle').then(r => r.text())");
        Path file = Files.writeString(folder.resolve("out.bellrope.json"), path);
        bench.click("[data-testid=project]");
        bench.one("input[aria-label='Name of a new project']").sendKeys("Empty moor" + Keys.ENTER);
        bench.awaitText(".events .empty", "Events are what the game announces");
        openMenu();
        bench.one("[data-testid=import] input").sendKeys(file.toString());
        bench.await(b -> bench.all(".board .row").size() >= 8);
        String again = (String)
                bench.js(
                        "return fetch(document.querySelector('[data-testid=export]').getAttribute('href')).then(r => r.text())");
        assertThat(again).isEqualTo(path);
    }

    @Test
    void aBrokenBundleIsRefusedWithItsPlaces() throws IOException {
        String text = (String) bench.js("return fetch('/api/projects/1/bundle').then(r => r.text())");
        Path file = Files.writeString(
                folder.resolve("wrong.bellrope.json"),
                text.replace("\"weight\" : 3", "\"weight\" : 33")
                        .replace("\"blend\" : \"alpha\"", "\"blend\" : \"alfa\""));
        openMenu();
        bench.one("[data-testid=import] input").sendKeys(file.toString());
        bench.awaitText(".refused", "/events/0/weight 33: a whole number from 1 to 5");
        assertThat(bench.text(".refused")).contains("did you mean alpha?").contains("and ");
    }

    // 64 sockets are all that this server takes; the one too many is told why, and comes in when another has gone.
    @Test
    void aWindowTooManyIsToldWhyAndComesInWhenAnotherIsClosed() {
        String first = bench.browser().getWindowHandle();
        bench.js("window.many = Array.from({length: 80}, (_, i) => new WebSocket("
                + "`ws://${location.host}/api/news?project=1&reader=many-${i}`))");
        bench.await(b -> (Boolean) bench.js("return window.many.every(s => s.readyState !== 0)"));
        String second = bench.secondWindow();
        bench.awaitText(
                "[role=alert]", "The server closed the connection: 64 windows are open already; close one of them.");
        bench.to(first);
        bench.js("window.many.forEach(s => s.close())");
        bench.to(second);
        bench.await(b -> bench.text("header").contains("connected"));
        bench.browser().close();
        bench.to(first);
    }

    // axe-core 4.14.1 with the rules of WCAG 2.2 A and AA.
    @Test
    void theViewHasNoAccessibilityViolations() throws IOException {
        shape("landing on thatch");
        bench.press(" ");
        bench.awaitText("[data-testid=account]", "ropes listened");
        assertThat(bench.violations()).isEmpty();
    }
}
