package bellrope.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.Keys;
import org.openqa.selenium.WebElement;
import org.openqa.selenium.interactions.Actions;

/** The stage as the place where the work is seen and taken hold of. */
@DisplayName("The stage")
class StageIT extends AtBench {
    private static double height(String css) {
        return ((Number) bench.js("return document.querySelector(arguments[0]).getBoundingClientRect().height", css))
                .doubleValue();
    }

    private static double top(String css) {
        return ((Number) bench.js("return document.querySelector(arguments[0]).getBoundingClientRect().top", css))
                .doubleValue();
    }

    private static void openEffect(String name) {
        bench.open("/#/effects");
        bench.await(b -> bench.all(".list li button").stream()
                        .filter(e -> e.getText().startsWith(name))
                        .findFirst()
                        .orElse(null))
                .click();
        bench.awaitText(".list .selected", name);
        bench.await(b -> !bench.all("[data-number=births]").isEmpty());
    }

    private static String value(String label) {
        return bench.one("input[aria-label^='" + label + "']").getAttribute("value");
    }

    /** Where something of a payload stands in its field. */
    private static double field(String label) {
        return Double.parseDouble(value(label));
    }

    private static void drag(WebElement from, int byX, int byY) {
        new Actions(bench.browser())
                .moveToElement(from)
                .clickAndHold()
                .moveByOffset(byX / 2, byY / 2)
                .moveByOffset(byX - byX / 2, byY - byY / 2)
                .release()
                .perform();
    }

    @Test
    void staysInSightWhateverIsEdited() {
        for (int[] size : new int[][] {{1280, 800}, {1920, 1080}, {1024, 700}}) {
            Bench.size(bench.browser(), size[0], size[1]);
            openEffect("water crown");
            bench.await(b -> height("[data-testid=stage]") >= 0.45 * size[1]);
            bench.js("const r = document.querySelector('.room .rest'); r.scrollTop = r.scrollHeight");
            assertThat(top("[data-testid=stage]")).isBetween(0.0, 60.0);
            // Nothing is cut at the side: what does not fit stands below.
            assertThat(bench.js(
                            "const r = document.querySelector('.room .rest'); return r.scrollWidth - r.clientWidth"))
                    .isEqualTo(0L);
            bench.open("/");
            bench.await(b -> height("[data-testid=stage]") > 250);
            bench.js("const r = document.querySelector('.room .rest'); r.scrollTop = r.scrollHeight");
            assertThat(top("[data-testid=stage]")).isBetween(0.0, 60.0);
        }
        Bench.size(bench.browser(), 1280, 800);
    }

    @Test
    void isMadeLargerAndAlone() {
        openEffect("water crown");
        bench.await(b -> height("[data-testid=stage]") >= 360);
        double before = height("[data-testid=stage]");
        WebElement divider = bench.one("[role=separator][aria-label='Height of the stage']");
        divider.sendKeys(Keys.ARROW_DOWN, Keys.ARROW_DOWN);
        bench.await(b -> height("[data-testid=stage]") > before + 40);
        drag(divider, 0, 60);
        bench.await(b -> height("[data-testid=stage]") > before + 90);
        // It is kept.
        bench.browser().navigate().refresh();
        bench.await(b -> !bench.all("[data-testid=stage]").isEmpty() && height("[data-testid=stage]") > before + 90);
        bench.one("[role=separator][aria-label='Height of the stage']").sendKeys(Keys.HOME);
        bench.await(b -> height("[data-testid=stage]") < before + 2);

        bench.press("f");
        bench.await(b -> height("[data-testid=stage]") > 650);
        assertThat(bench.one(".on-stage [data-number=births]").isDisplayed()).isTrue();
        bench.press(Keys.ESCAPE);
        bench.await(b -> height("[data-testid=stage]") < before + 2);
    }

    @Test
    void aGripSetsTheNumberThatItStandsFor() throws Exception {
        openEffect("water crown");
        bench.await(b -> bench.all("aside .choose").stream()
                        .filter(e -> e.getText().startsWith("mist"))
                        .findFirst()
                        .orElse(null))
                .click();
        WebElement grip = bench.one("[data-grip='birth.shape.radius']");
        assertThat(grip.getAttribute("aria-valuetext")).isEqualTo("0.5 u");
        drag(grip, 40, 0);
        bench.await(b -> Double.parseDouble(value("Radius")) > 0.6);
        bench.command("z", false);
        bench.await(b -> value("Radius").equals("0.5"));
        // By keyboard: a step of the field.
        bench.one("[data-grip='birth.shape.radius']").sendKeys(Keys.ARROW_RIGHT);
        bench.await(b -> value("Radius").equals("0.55"));
        bench.command("z", false);
        bench.await(b -> value("Radius").equals("0.5"));

        drag(bench.one("[data-grip='birth.offset']"), 0, -50);
        bench.await(
                b -> Double.parseDouble(bench.one("[data-grip='birth.spread']").getAttribute("aria-valuenow")) == 30
                        && bench.one("[data-grip='birth.offset']")
                                .getAttribute("aria-label")
                                .matches(".* 0, 0\\.[1-9].*"));
        bench.command("z", false);
        assertThat(bench.violations()).isEmpty();
    }

    @Test
    void aPressPullsThereAndADragSaysWhichWay() {
        bench.open("/");
        bench.await(b -> !bench.all("[data-number=births]").isEmpty());
        WebElement stage = bench.one("[data-testid=stage]");
        new Actions(bench.browser()).moveToElement(stage, 100, 110).click().perform();
        bench.await(b -> field("position x") > 0.3 && field("position y") < -0.1);
        bench.awaitText("[data-testid=account]", "straw puff at (" + value("position x"));

        bench.openRope("struck by hail");
        bench.await(b -> !bench.all("input[aria-label^='direction x']").isEmpty());
        new Actions(bench.browser())
                .moveToElement(stage, -60, 0)
                .clickAndHold()
                .moveByOffset(-60, -60)
                .moveByOffset(-60, -60)
                .release()
                .perform();
        // Up and to the left, half the picture far.
        bench.await(b -> field("direction x") == -0.707 && field("direction y") == 0.707);
        assertThat(field("force")).isBetween(60.0, 100.0);
        bench.awaitText("[data-testid=account]", "hail shatter at (" + value("position x"));
    }

    @Test
    void liveIsToldFromPreviewAndSeenToEnd() {
        bench.open("/");
        bench.openRope("landing on stone");
        bench.await(b -> bench.text(".which").equals("preview"));
        bench.note(".which");
        bench.press(" ");
        bench.awaitText("[data-testid=account]", "stone chips at");
        bench.await(b -> bench.text("[data-testid=live-instances]").equals("0"));
        bench.await(b -> bench.text(".which").equals("preview"));
        assertThat(bench.said()).containsSequence(List.of("live", "preview"));
    }

    @Test
    void theTakeSaysWhenTheBoardShowsAnotherPull() {
        bench.open("/");
        bench.openRope("landing on stone");
        bench.await(b -> value("speed").equals("9"));
        assertThat(bench.all("[data-testid=other-pull]")).isEmpty();
        bench.press("3");
        bench.awaitText("[data-testid=other-pull]", "The board shows it with speed 9 u/s instead.");
        bench.clickText("[data-testid=other-pull] button", "Pull that");
        bench.await(b -> bench.all("[data-testid=other-pull]").isEmpty());
        assertThat(value("speed")).isEqualTo("9");
    }
}
