package bellrope.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.util.List;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.Keys;
import org.openqa.selenium.WebElement;
import org.openqa.selenium.interactions.Actions;

/** Pieces of real work, each begun in an empty project; the numbers that must appear are worked out by hand. */
@DisplayName("From an empty project")
class MovesIT extends FromNothing {
    @Test
    void aMuzzleFlashOfThreeEmittersIsHalvedByOneNumber() {
        event("hit");
        rope("hit", "muzzle flash");
        // 3 to 4 wisps, 5 to 7 flashes, 1 core.
        assertThat(births()).isBetween(9, 12);
        more("an override");
        bench.enter("counts ×", "0.5");
        bench.awaitText(".row.open .sentence", "counts × 0.5");
        // Halves of each: 1.5 to 2, 2.5 to 3.5 and 0.5, rounded.
        bench.await(b -> births() >= 4 && births() <= 7);
        shut();
        toEffect("muzzle flash");
        // The effect itself is as it was.
        assertThat(births()).isBetween(9, 12);
    }

    @Test
    void emittersAreSwitchedOffShownAloneAddedBlankAndDragged() throws IOException {
        event("hit");
        rope("hit", "muzzle flash");
        toEffect("muzzle flash");
        emitter("core");
        bench.clickText(".acting button", "switch off");
        bench.awaitText("aside li.selected", "off");
        bench.await(b -> births() >= 8 && births() <= 11);
        bench.clickText(".acting button", "switch on");
        bench.await(b -> births() >= 9);
        bench.clickText(".acting button", "alone");
        bench.await(b -> births() == 1);
        bench.press("a");
        bench.await(b -> births() >= 9);

        bench.clickText("aside button", "+ emitter");
        bench.clickText("aside button", "a blank one");
        // Ten specks more.
        bench.await(b -> births() >= 19 && births() <= 22);
        bench.clickText(".acting button", "alone");
        bench.await(b -> births() == 10);
        bench.clickText(".acting button", "show all");
        bench.await(b -> births() >= 19);

        WebElement handle = bench.all("aside .handle").get(3);
        WebElement first = bench.all("aside .handle").get(0);
        new Actions(bench.browser())
                .moveToElement(handle)
                .clickAndHold()
                .moveToElement(first)
                .release()
                .perform();
        bench.await(b -> bench.all("aside section[aria-label=Emitters] li")
                .get(0)
                .getAttribute("class")
                .contains("selected"));
        assertThat(value("Name of the emitter")).isEqualTo("specks");
        assertThat(bench.violations()).isEmpty();
    }

    @Test
    void aDeathGoesInTenTicks() {
        blankEffect("died");
        bench.enter("Burst, least", "1");
        bench.enter("Burst, most", "1");
        bench.await(b -> births() == 1);
        // Twenty per cent more with each tick: from 1 to 2.8 in ten.
        bench.click("button[aria-label^='size lane']");
        bench.clickText(".el-dropdown-menu__item", "add a key");
        bench.one("button[aria-label^='size key at 50 %']").click();
        bench.enter("size key, at", "100");
        bench.enter("size key, value", "2.8");
        bench.one("button[aria-label^='size key at 100 % is 2.8']");
        bench.click("button[aria-label^='size lane']");
        bench.clickText(".el-dropdown-menu__item", "hold it in steps…");
        bench.enter("size lane, steps", "10");
        bench.await(b -> bench.all("button[aria-label^='size key']").size() == 10);
        List<WebElement> sizes = bench.all("button[aria-label^='size key']");
        assertThat(sizes.get(1).getAttribute("aria-label")).startsWith("size key at 10 % is 1.2;");
        assertThat(sizes.get(9).getAttribute("aria-label")).startsWith("size key at 90 % is 2.8;");
        bench.click("button[aria-label^='opacity lane']");
        bench.clickText(".el-dropdown-menu__item", "hold it in steps…");
        bench.enter("opacity lane, steps", "10");
        bench.await(b -> bench.all("button[aria-label^='opacity key']").size() == 10);
        // From 1 to 0: the fifth is 1 − 4/9, the tenth is gone.
        List<WebElement> ticks = bench.all("button[aria-label^='opacity key']");
        assertThat(ticks.get(4).getAttribute("aria-label")).startsWith("opacity key at 40 % is 0.5555");
        assertThat(ticks.get(9).getAttribute("aria-label")).startsWith("opacity key at 90 % is 0;");
        bench.command("z", false);
        bench.await(b -> bench.all("button[aria-label^='opacity key']").size() == 2);
        // Or by the ease of a key, which stays what it is.
        bench.one("button[aria-label^='opacity key at 0 %']").click();
        bench.choose("opacity key, ease", "steps");
        bench.await(b -> value("opacity key, steps").equals("10"));
        bench.enter("opacity key, steps", "1");
        bench.awaitText("[role=alert], .wrong, .el-popper", "2");
    }

    @Test
    void smokeLingersFiveSecondsFadesTwoAndTheGameIsToldWhenItHarmsNoMore() {
        event("died");
        rope("died", "exhaust");
        more("a time in force");
        bench.awaitText(".row.open .sentence", "play exhaust for 5 s and fade 2 s");
        // What was added is open at once.
        bench.enter("in force for", "1s");
        bench.enter("then fades over", "500ms");
        bench.type("tell the game", "harm" + Keys.ENTER);
        bench.awaitText(".row.open .sentence", "for 1 s and fade 0.5 s, telling the game “harm”");
        shut();
        // In force for 1 s, then half a second of fading.
        bench.awaitText("[data-number=release], [data-number=hold]", "1.5 s");
        bench.press(" ");
        bench.awaitText(".told", "is told of the beginning of harm");
        bench.awaitText(".told", "is told of the end of harm");
        bench.awaitText(".told", "is told that nothing is left of harm");
        bench.await(b -> bench.text("[data-testid=live-instances]").equals("0"));
    }

    @Test
    void threeHitsInOneInstantAreCountedOnce() throws IOException {
        event("hit");
        rope("hit", "sparks");
        more("a limit");
        bench.awaitText(".row.open .sentence", "at most once in 0.1 s");
        shut();
        bench.clickText(".pull button", "Repeat, alternate, pair…");
        bench.enter("Pulls in one instant", "3");
        bench.press(" ");
        bench.await(b -> bench.all(".together li").size() == 3);
        assertThat(bench.all(".together li"))
                .extracting(WebElement::getText)
                .satisfiesExactly(
                        first -> assertThat(first).contains("1 of 3", "1 answered"),
                        second -> assertThat(second).contains("2 of 3", "0 answered"),
                        third -> assertThat(third).contains("3 of 3", "0 answered"));
        bench.awaitText("[data-testid=account]", "cooldown");
        bench.click(".together li:first-child button");
        bench.awaitText("[data-testid=account]", "sparks at");
        assertThat(bench.violations()).isEmpty();
    }

    @Test
    void fallingBodiesDrawTwoRibbons() {
        blankEffect("landed");
        String one = bench.number("overdraw");
        bench.clickText("section[aria-label=End] button", "trail");
        bench.await(b -> !bench.number("overdraw").equals(one));
        String ribbon = bench.number("cost");
        bench.clickText("section[aria-label=End] button", "+ a ribbon over it");
        bench.await(b -> !bench.number("cost").equals(ribbon));
        bench.choose("Trail, measured in", "points");
        // 0.3 s are 18 steps of a sixtieth.
        bench.await(b -> value("Trail, length").equals("18"));
        bench.enter("Trail, length", "1");
        bench.await(b -> bench.text("section[aria-label=End]").contains("2"));
        bench.click("button[aria-label='Remove ribbon 2']");
        bench.await(b -> bench.all("button[aria-label='Remove ribbon 2']").isEmpty());
    }

    @Test
    void everyInteractionOfASubjectIsDeclaredAtOnce() throws IOException {
        bench.clickText(".events button", "+ event");
        for (String verb : List.of("landed", "jumped", "died", "collected")) {
            bench.click(".el-dialog .common:has([aria-label='" + verb + ", with others']) .el-checkbox__inner");
        }
        assertThat(bench.violations()).isEmpty();
        bench.clickText(".el-dialog button", "Make these 4 events");
        bench.awaitText(".events", "collected");
        bench.click(".el-dialog__headerbtn");
        bench.await(b -> bench.all(".el-overlay").stream().noneMatch(WebElement::isDisplayed));
        assertThat(bench.text(".events")).contains("landed", "jumped", "died").contains("4 unanswered");
        bench.command("z", false);
        bench.awaitText(".events", "Events are what the game announces");
    }

    @Test
    void aBlowDarkensTheEdgesOfTheScreenForAWhile() {
        event("struck");
        rope("struck", "sparks");
        more("a tint of the screen");
        bench.awaitText(".row.open .sentence", "tint the edges of the screen #7A0F1C for 1.2 s");
        shut();
        bench.press(" ");
        bench.await(b -> !bench.all("[data-testid=edges]").isEmpty());
        bench.await(b -> bench.all("[data-testid=edges]").isEmpty());
    }

    @Test
    void aParameterWithoutBoundsGoesBeyondItsSlider() {
        event("hit");
        rope("hit", "sparks");
        toEffect("sparks");
        bench.clickStarting(".below label", "Parameters for");
        bench.clickText("aside .opens", "size");
        bench.await(b -> value("Name of the parameter").equals("size"));
        double most = Double.parseDouble(value("Most"));
        bench.enter("Turn size, exactly", String.valueOf(most * 2));
        bench.awaitText(".turn .held, .held", "held at");
        String held = bench.number("reach");
        bench.clickText(".el-checkbox", "values beyond are taken too");
        bench.await(b -> bench.all(".held").isEmpty());
        bench.await(b -> !bench.number("reach").equals(held));
    }

    @Test
    void snowIsThrownByARangeForEachAxis() {
        blankEffect("appeared");
        bench.enter("Gravity", "0");
        bench.choose("Aim", "by axis");
        bench.enter("Velocity along x, least", "0");
        bench.enter("Velocity along x, most", "0");
        bench.enter("Velocity along y, most", "4");
        bench.enter("Velocity along y, least", "4");
        bench.enter("Lifetime, most", "1");
        bench.enter("Lifetime, least", "1");
        // Up 4 u in a second, and half of its picture.
        bench.await(b -> bench.number("reach").startsWith("4"));
        assertThat(bench.all("input[aria-label^='Spread']")).isEmpty();
    }

    @Test
    void aColourComesThreeTimesAsOftenAndSizesAreOneOfTwo() {
        blankEffect("hit");
        bench.choose("How colours are chosen", "one of");
        bench.clickText("section[aria-label=Birth] button", "weights");
        bench.enter("Weight of colour 1", "3");
        bench.await(b -> value("Weight of colour 1").equals("3"));
        // And of two sizes each particle takes one.
        bench.clickText("section[aria-label=Birth] button", "one of some sizes");
        bench.enter("Size 1", "0.5");
        bench.enter("Size 2", "1");
        bench.enter("Weight of size 2", "2");
        bench.await(b -> value("Weight of size 2").equals("2"));
        bench.clickText("section[aria-label=Birth] button", "any between");
        bench.await(
                b -> value("Size, least").equals("0.5") && value("Size, most").equals("1"));
        bench.enter("Weight of colour 2", "0");
        // Refused where it stands, with the nearest that is allowed.
        bench.await(b -> bench.text("section[aria-label=Birth]").contains("0.001"));
    }
}
