package bellrope.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.Keys;
import org.openqa.selenium.WebElement;
import org.openqa.selenium.interactions.Actions;

@DisplayName("In the view of effects")
class EffectsIT extends AtBench {
    @BeforeEach
    void fresh() {
        bench.open("/#/effects");
        bench.browser().navigate().refresh();
        bench.one(".list li button");
    }

    private static void open(String effect) {
        bench.clickText(
                ".list li button",
                bench.all(".list li button").stream()
                        .map(WebElement::getText)
                        .filter(t -> t.startsWith(effect))
                        .findFirst()
                        .orElseThrow());
        bench.await(b -> bench.one("input[aria-label='Name of the effect']")
                .getAttribute("value")
                .equals(effect));
        bench.await(b -> !bench.all("[data-number=births]").isEmpty());
    }

    private static void emitter(String name) {
        if (!bench.one("input[aria-label='Name of the emitter']")
                .getAttribute("value")
                .equals(name)) {
            bench.await(b -> bench.all("aside .choose").stream()
                            .filter(e -> e.getText().startsWith(name))
                            .findFirst()
                            .orElse(null))
                    .click();
        }
        bench.awaitText(".acts section[aria-label=Birth] h3", name);
    }

    private static void choose(String label, String option) {
        bench.choose(label, option);
    }

    private static String value(String label) {
        return bench.one("input[aria-label^='" + label + "']").getAttribute("value");
    }

    private static List<String> checks() {
        return bench.all("[data-check]").stream()
                .map(e -> e.getAttribute("data-check"))
                .toList();
    }

    private static String bytesOfStage() {
        return (String) bench.js("return document.querySelector('[data-testid=stage]').toDataURL().slice(-4000)");
    }

    @Test
    void anEffectBeginsFromARecipe() {
        int before = bench.all(".list li").size();
        bench.press("n");
        bench.await(b -> bench.all("[data-testid=recipe]").size() >= 16);
        bench.await(b -> bench.all("[data-testid=recipe] img").stream().limit(9).allMatch(i ->
                (Boolean) bench.js("return arguments[0].naturalWidth > 0", i)));
        bench.one("input[aria-label='Find a recipe']").sendKeys("skip");
        bench.await(b -> bench.all("[data-testid=recipe]").size() == 1);
        bench.click("[data-testid=recipe]");
        bench.await(b -> bench.all(".list li").size() == before + 1);
        bench.await(b -> value("Name of the effect").equals("sparks"));
        bench.await(b -> Integer.parseInt(bench.number("births")) > 15);
        bench.command("z", false);
        bench.await(b -> bench.all(".list li").size() == before);
    }

    @Test
    void aChangedValueShowsTheOneBeforeAndOneKeyGivesItBack() {
        open("peat splat");
        emitter("clods");
        String births = bench.number("births");
        String range = value("Burst, least") + "–" + value("Burst, most");
        bench.enter("Burst, most", "70");
        bench.await(b -> !bench.number("births").equals(births));
        bench.awaitText("[data-setting='birth.bursts.0'] .ghost", range);
        bench.enter("Speed, most", "9");
        bench.awaitText("[data-setting='birth.speed'] .ghost", "2.4–5");
        bench.one("input[aria-label^='Speed, most']").sendKeys(Keys.F2);
        bench.await(b -> value("Speed, most").equals("5"));
        bench.await(b -> bench.all("[data-setting='birth.speed'] .ghost").isEmpty());
        bench.command("z", false);
        bench.command("z", false);
        bench.command("z", false);
        bench.await(b -> bench.number("births").equals(births));
    }

    @Test
    void aNumberTakesEffectWhenItIsMeantAndTouchesNothingElse() throws InterruptedException {
        open("seal ring");
        String least = value("Size, least");
        String presence = bench.number("presence");
        bench.type("Size, most", "3");
        Thread.sleep(400);
        assertThat(bench.number("presence")).as("half typed").isEqualTo(presence);
        bench.type("Size, most", "3.5" + Keys.ENTER);
        bench.await(b -> !bench.number("presence").equals(presence));
        assertThat(value("Size, least")).isEqualTo(least);

        bench.type("Size, most", "9" + Keys.ESCAPE);
        assertThat(value("Size, most")).isEqualTo("3.5");
        bench.type("Size, most", "1e9" + Keys.TAB);
        bench.awaitText(".why", "from");
        assertThat(value("Size, most")).isEqualTo("1e9");
        bench.type("Size, most", "" + Keys.ESCAPE);
        bench.type("Size, least", "5" + Keys.ENTER);
        bench.awaitText(".why", "above the most");
        bench.clickText(".why button", "swap");
        bench.await(
                b -> value("Size, least").equals("3.5") && value("Size, most").equals("5"));
        bench.await(b -> bench.all(".why").isEmpty());
    }

    @Test
    void aViewOpensWhereItWasLeftAndBackLeadsBack() {
        open("seal ring");
        bench.clickText("nav a", "Ropes");
        bench.await(b -> bench.all(".board .row").size() > 15);
        bench.clickText("nav a", "Effects");
        bench.await(b -> value("Name of the effect").equals("seal ring"));
        bench.browser().navigate().refresh();
        bench.await(b -> value("Name of the effect").equals("seal ring"));
        open("hail shatter");
        bench.browser().navigate().back();
        bench.await(b -> value("Name of the effect").equals("seal ring"));
    }

    @Test
    void theAddressNamesEmitterAndParameterSoThatALinkLeadsThere() {
        open("kite tear");
        emitter("cloth");
        bench.await(b -> b.getCurrentUrl().contains("emitter=cloth"));
        bench.clickStarting(".below label", "Parameters for");
        bench.clickText("aside .opens", "amount");
        bench.await(b -> b.getCurrentUrl().contains("parameter=amount"));
        bench.browser().navigate().refresh();
        bench.await(b -> value("Name of the parameter").equals("amount"));
        assertThat(bench.text(".below")).contains("Settings of cloth");
        bench.clickStarting(".below label", "Settings of");
        bench.awaitText(".acts section[aria-label=Birth] h3", "cloth");
        emitter("burst");
        bench.await(b ->
                !b.getCurrentUrl().contains("emitter=") && !b.getCurrentUrl().contains("below="));
    }

    @Test
    void theVersionBeforePlaysBesideTheNewOne() {
        open("seal ring");
        bench.enter("Size, most", "4");
        bench.press("b");
        bench.await(b -> bench.all("[data-testid=stage]").size() == 2);
        bench.awaitText(".numbers .was", "u²");
        bench.press("k");
        bench.await(b -> bench.all(".numbers .was").isEmpty());
        bench.press("b");
        bench.await(b -> bench.all("[data-testid=stage]").size() == 1);
        bench.command("z", false);
    }

    @Test
    void whatPlaysBendsToTheNewValueAndDoesNotRestart() {
        open("kite tear");
        bench.press("p");
        for (int i = 0; i < 30; i++) {
            bench.press(".");
        }
        String moment = bench.one("input[aria-label='Moment of the take']").getAttribute("value");
        assertThat(Integer.parseInt(moment)).isGreaterThanOrEqualTo(30);
        String picture = bytesOfStage();
        emitter("cloth");
        bench.enter("Size, most", "1.4");
        bench.await(b -> !bytesOfStage().equals(picture));
        assertThat(bench.one("input[aria-label='Moment of the take']").getAttribute("value"))
                .isEqualTo(moment);
        bench.command("z", false);
        bench.await(b -> value("Size, most").equals("0.5"));
    }

    @Test
    void aFindingIsReadBesideItsEmitterAndItsRemedyIsOnePressAway() {
        open("straw puff");
        emitter("straws");
        assertThat(checks()).isEmpty();
        bench.click(".lane .key:last-of-type");
        bench.one("button[aria-label^='opacity key at 100 %']").click();
        bench.enter("opacity key, value", "0.4");
        bench.await(b -> checks().contains("pops"));
        assertThat(bench.text("[data-check=pops]")).contains("straws").contains("ends at opacity 0.4 and pops");
        bench.clickText("[data-check=pops] button", "Fade to 0");
        bench.await(b -> checks().isEmpty());
        bench.command("z", false);
        bench.await(b -> checks().contains("pops"));
        bench.command("z", false);
        bench.await(b -> checks().isEmpty());
    }

    @Test
    void childrenThatNeverDieOutAreFoundBeforeTheyRun() {
        open("peat splat");
        emitter("spray");
        bench.clickText("section[aria-label=End] .unused button", "children");
        choose("Child 1, when", "at end");
        choose("Child 1, what", "spray");
        bench.await(b -> checks().contains("runaway children"));
        bench.awaitText("section[aria-label=End] .expected", "they never die out");
        bench.enter("Child 1, chance", "0.3");
        bench.await(b -> !checks().contains("runaway children"));
        bench.awaitText("section[aria-label=End] .expected", "0.45 children a particle on average; 1.82 born in all");
        bench.click("button[aria-label='Remove child 1']");
        bench.await(b -> bench.all("section[aria-label=End] .expected").isEmpty());
    }

    @Test
    void thePreviewPlaysOnAWallFromTheRightAndWithThePayloadOfARope() {
        open("straw puff");
        String reach = bench.number("reach");
        choose("Played as by", "as by “landing on thatch”");
        bench.clickText(".played .one-of label", "hard");
        bench.await(b -> !bench.number("reach").equals(reach));
        assertThat(value("Payload, speed")).isEqualTo("13");
        bench.clickText(".chips label", "wall");
        bench.clickText(".chips label", "top");
        bench.click(".chips button[aria-label^=Backdrop]");
        bench.clickText(".el-dropdown-menu__item", "snow");
        choose("How fast time passes", "0.25 ×");
        choose("When it plays again", "again every");
        bench.enter("Again every", "500ms");
        assertThat(bench.all("[role=alert]")).isEmpty();
    }

    @Test
    void aLaneGetsKeysAndIsPastedIntoAnother() {
        open("feather burst");
        emitter("down");
        int keys = bench.all("button[aria-label^='size key']").size();
        bench.click("button[aria-label^='size lane']");
        bench.clickText(".el-dropdown-menu__item", "add a key");
        bench.await(b -> bench.all("button[aria-label^='size key']").size() == keys + 1);
        bench.click("button[aria-label^='size lane']");
        bench.clickText(".el-dropdown-menu__item", "copy this lane");
        bench.click("button[aria-label^='opacity lane']");
        bench.clickText(".el-dropdown-menu__item", "paste the copied lane");
        bench.await(b -> bench.all("button[aria-label^='opacity key']").size() == keys + 1);
        bench.command("z", false);
        bench.command("z", false);
        bench.await(b -> bench.all("button[aria-label^='size key']").size() == keys);
    }

    @Test
    void theColoursOfOneEmitterArePastedIntoAnother() {
        open("feather burst");
        emitter("down");
        bench.click("button[aria-label^='colour lane']");
        bench.clickText(".el-dropdown-menu__item", "add a colour");
        bench.one("button[aria-label^='colour, colour at 50 %']");
        bench.click("button[aria-label^='colour lane']");
        bench.clickText(".el-dropdown-menu__item", "copy this lane");
        emitter("feathers");
        bench.click("button[aria-label^='colour lane']");
        bench.clickText(".el-dropdown-menu__item", "paste the copied lane");
        bench.one("button[aria-label^='colour, colour at 50 %']");
        bench.command("z", false);
        bench.command("z", false);
    }

    @Test
    void settingsExplainThemselvesAndARateIsToldAsAnInterval() throws IOException {
        open("water crown");
        emitter("mist");
        bench.one("input[aria-label^='Spread']").click();
        bench.awaitText(".explained", "Largest angle between a throw and its aim");
        // Whoever does not see it hears it.
        assertThat((String) bench.js("const f = document.querySelector(\"input[aria-label^='Spread']\");"
                        + "return document.getElementById(f.getAttribute('aria-describedby')).textContent"))
                .startsWith("Largest angle between a throw and its aim");
        assertThat(bench.violations()).isEmpty();
        bench.enter("Rate", "every 100ms");
        bench.await(b -> value("Rate").equals("10"));
        assertThat(bench.one("input[aria-label^='Rate']").getAttribute("title")).isEqualTo("one every 100 ms");
        bench.command("z", false);
        bench.await(b -> value("Rate").equals("60"));
    }

    @Test
    void lettersThatAreTypedBeforeASheetIsUpAreNoKeys() {
        open("water crown");
        bench.press("nbb");
        bench.await(b -> bench.all("[data-testid=recipe]").size() >= 16);
        assertThat(bench.all("[data-testid=stage]")).hasSize(1);
        // What is sought is found in the field that has the focus, and Enter takes the first.
        bench.await(b ->
                (Boolean) bench.js("return document.activeElement.getAttribute('aria-label') === 'Find a recipe'"));
        int before = bench.all(".list li").size();
        new Actions(bench.browser()).sendKeys("muzzle" + Keys.ENTER).perform();
        bench.await(b -> bench.all(".list li").size() == before + 1);
        bench.awaitText(".list .selected", "muzzle flash");
        bench.await(b -> bench.all(".el-overlay").stream().noneMatch(e -> e.isDisplayed()));
        bench.command("z", false);
        bench.await(b -> bench.all(".list li").size() == before);
    }

    @Test
    void aKeyGetsSlopesAndAColourIsAddedToTheGradient() {
        open("feather burst");
        emitter("down");
        bench.one("button[aria-label^='opacity key at 0 %']").click();
        choose("opacity key, ease", "slopes");
        bench.one("input[aria-label^='opacity key, slope out']");
        bench.enter("opacity key, slope out", "-2");
        bench.await(b -> value("opacity key, slope out").equals("-2"));
        WebElement bar = bench.one("section[aria-label=Life] .lane .bar");
        new org.openqa.selenium.interactions.Actions(bench.browser())
                .doubleClick(bar)
                .perform();
        bench.one("button[aria-label^='colour, colour at 50 %']");
        bench.command("z", false);
        bench.command("z", false);
        bench.command("z", false);
    }

    @Test
    void aSheetIsSeenCutAndWhatIsNoSheetIsRefused() throws IOException {
        open("parcel glint");
        emitter("halo");
        choose("Sprite", "bring a picture…");
        Path text = folder.resolve("not a picture.png");
        Files.writeString(text, "This is a text, whatever its name says; it is long enough to be looked at.");
        bench.one("[aria-label^=Picture] input[type=file]").sendKeys(text.toString());
        bench.clickText(".el-dialog button", "Bring it and use it here");
        bench.awaitText(".el-dialog .bad", "picture: a file that is no PNG: a PNG");
        Path sheet = folder.resolve("flare.png");
        Files.write(sheet, bellrope.format.sprite.Pictures.png(new int[64 * 32], 64, 32));
        bench.one("[aria-label^=Picture] input[type=file]").sendKeys(sheet.toString());
        bench.enter("Columns", "3");
        bench.clickText(".el-dialog button", "Bring it and use it here");
        bench.awaitText(".el-dialog .bad", "a grid that divides 64 × 32 px without rest");
        bench.enter("Columns", "4");
        bench.enter("Rows", "2");
        bench.type("Name of the sprite", "flare");
        bench.clickText(".el-dialog button", "Bring it and use it here");
        choose("Frame", "all, over life");
        assertThat(bench.chosen("Sprite")).isEqualTo("flare");
        bench.command("z", false);
        bench.command("z", false);
    }

    @Test
    void everySaveIsARevisionToCompareAndGoBackTo() {
        open("crow scatter");
        bench.enter("Spread", "50");
        bench.enter("Spread", "60");
        bench.press("v");
        bench.await(b -> bench.all(".el-dialog [type=radio]").size() >= 3);
        bench.awaitText(".el-dialog table", "feathers › birth › spread");
        List<WebElement> radios = bench.all(".el-dialog .el-radio");
        radios.get(radios.size() - 1).click();
        bench.awaitText(".el-dialog table", "35");
        bench.clickText(".el-dialog button", "Go back to revision 1");
        bench.await(b -> value("Spread").equals("35"));
        bench.press(Keys.ESCAPE);
    }

    @Test
    void emittersAreTakenFromElsewhereRenamedMovedAndTakenAway() {
        open("hail shatter");
        bench.clickText("aside button", "+ emitter");
        choose("Copy an emitter from", "comets");
        bench.await(b -> value("Name of the emitter").equals("comets"));
        WebElement name = bench.one("input[aria-label='Name of the emitter']");
        name.clear();
        name.sendKeys("shooting ice" + Keys.ENTER);
        bench.await(
                b -> bench.all(".acts h3").stream().anyMatch(e -> e.getText().contains("shooting ice")));
        bench.clickText("aside button", "earlier");
        bench.await(b -> bench.all("aside li").get(1).getText().contains("6–10")
                || bench.all("aside li")
                                .get(1)
                                .findElements(org.openqa.selenium.By.tagName("input"))
                                .size()
                        == 1);
        bench.clickText("aside .acting button", "remove");
    }

    @Test
    void badInputSaysWhatIsAllowedAndChangesNothing() {
        open("hail shatter");
        emitter("ice");
        bench.clickText("section[aria-label=Birth] .unused button", "cap");
        bench.type("Cap", "0");
        bench.awaitText(".why", "from 1 to 100000");
        bench.one("input[aria-label^=Cap]").sendKeys(Keys.ESCAPE);
        bench.await(b -> value("Cap").equals("100"));
        bench.click("button[aria-label='Leave out Cap']");
        // An effect cannot begin an effect that begins it.
        bench.clickText("section[aria-label=End] .unused button", "children");
        choose("Child 1, what", "kite tear");
        bench.await(b -> bench.all("[data-testid=refusal]").isEmpty());
        open("kite tear");
        emitter("splinters");
        choose("Child 1, what", "hail shatter");
        bench.awaitText("[data-testid=refusal]", "children that do not lead back to the effect itself");
    }

    @Test
    void isAccessible() throws IOException {
        for (String view : List.of("now", "recipes", "revisions")) {
            open("water crown");
            if (view.equals("recipes")) {
                bench.press("n");
                bench.one("[data-testid=recipe]");
            } else if (view.equals("revisions")) {
                bench.press("v");
                bench.one(".el-dialog [type=radio]");
            }
            assertThat(bench.violations()).as(view).isEmpty();
            bench.press(Keys.ESCAPE);
            bench.browser().navigate().refresh();
            bench.one(".list li button");
        }
    }
}
