package bellrope.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestMethodOrder;
import org.openqa.selenium.Keys;
import org.openqa.selenium.WebElement;

@DisplayName("With parameters")
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
class ParametersIT extends AtBench {
    private static void effect(String name) {
        bench.open("/#/effects");
        bench.browser().navigate().refresh();
        bench.await(b -> bench.all(".list li button").stream()
                        .filter(e -> e.getText().startsWith(name))
                        .findFirst()
                        .orElse(null))
                .click();
        bench.await(b -> bench.one("input[aria-label='Name of the effect']")
                .getAttribute("value")
                .equals(name));
    }

    private static void bench(String effect) {
        effect(effect);
        bench.press("t");
        bench.awaitText("[data-testid=neutral]", "to the bit");
    }

    private static void rope(String name) {
        bench.open("/#/");
        bench.browser().navigate().refresh();
        bench.openRope(name);
    }

    private static void part(String words) {
        bench.await(b -> bench.all(".row.open .sentence .part").stream()
                        .filter(e -> e.getText().contains(words))
                        .findFirst()
                        .orElse(null))
                .click();
    }

    private static WebElement shown(String css) {
        return bench.await(b -> bench.all(css).stream()
                .filter(WebElement::isDisplayed)
                .findFirst()
                .orElse(null));
    }

    private static void turn(String label, String value) {
        bench.js(
                "const r = document.querySelector(`input[aria-label='" + label + "']`); r.value = arguments[0];"
                        + " r.dispatchEvent(new Event('input'));",
                value);
    }

    private static double reach() {
        return Double.parseDouble(bench.number("reach").split(" ")[0]);
    }

    @Test
    @Order(1)
    void theTableSaysWhatAnswersAndTheSliderShowsIt() {
        bench("kite tear");
        bench.awaitText(".bench td", "size 0.25–3 ×");
        bench.awaitText("[data-testid=proof]", "A uniform scale");
        double usual = reach();
        turn("Try size", "2");
        bench.await(b -> reach() > usual * 1.8);
        // Beyond its range it is held, and says so.
        turn("Try size", "3.5");
        bench.awaitText(".bench .held", "held at 3");
        bench.click("input[aria-label='Keep these values as']");
        bench.one("input[aria-label='Keep these values as']").sendKeys("huge" + Keys.ENTER);
        bench.await(b -> bench.all(".tries .try").size() == 3);
        bench.clickText(".tries button", "usual");
        bench.await(b -> Math.abs(reach() - usual) < 0.05);
        bench.clickText(".tries button", "near");
        bench.await(b -> reach() > usual * 1.4);
        bench.command("z", false);
        bench.await(b -> bench.all(".tries .try").size() == 2);
    }

    @Test
    @Order(2)
    void aSettingIsBoundInOneMoveAndUndoneInOne() {
        effect("kite tear");
        bench.await(b -> bench.all(".acts .name").stream()
                        .filter(e -> e.getText().equals("lifetime"))
                        .findFirst()
                        .orElse(null))
                .click();
        shown(".el-popper .sheet");
        bench.await(b -> bench.all(".el-popper .sheet p").stream()
                        .filter(e -> e.isDisplayed() && e.getText().startsWith("answer to a new parameter"))
                        .findFirst()
                        .orElse(null))
                .findElements(org.openqa.selenium.By.tagName("button"))
                .get(1)
                .click();
        bench.awaitText("aside table", "lifetime");
        bench.press("t");
        bench.await(b -> bench.all(".bench tbody tr").size() == 3);
        bench.command("z", false);
        bench.await(b -> bench.all(".bench tbody tr").size() == 2);
    }

    @Test
    @Order(3)
    void aScaleThatForgetsIsBlamedAndMendedWithOnePress() {
        bench("kite tear");
        bench.awaitText("[data-testid=proof]", "A uniform scale");
        // Remove the binding of gravity.
        String number = bench.await(b -> bench.all(".choice-of input[aria-label$=', property']").stream()
                        .map(e -> e.getAttribute("aria-label"))
                        .filter(label -> bench.chosen(label).equals("gravity"))
                        .findFirst()
                        .orElse(null))
                .replaceAll("\\D", "");
        bench.click("button[aria-label='Remove binding " + number + "']");
        bench.awaitText("[data-testid=proof]", "Not a uniform scale");
        assertThat(bench.text("[data-testid=proof]")).contains("gravity of").contains("is not bound");
        bench.awaitText("[data-check='scale forgets']", "scales with size but for its gravity");
        bench.clickText("[data-testid=proof] button", "Bind what is missing");
        bench.awaitText("[data-testid=proof]", "A uniform scale");
        bench.await(b -> bench.all("[data-check]").isEmpty());
        bench.command("z", false);
        bench.command("z", false);
        bench.awaitText("[data-testid=proof]", "A uniform scale");
    }

    @Test
    @Order(4)
    void aDefaultThatChangesTheLookIsNoticed() {
        bench("stone chips");
        bench.clickText(".bench tbody button", "amount");
        bench.await(b -> bench.one("input[aria-label='Name of the parameter']")
                .getAttribute("value")
                .equals("amount"));
        bench.enter("Default", "2");
        bench.awaitText("[data-testid=neutral]", "amount multiplies count");
        bench.awaitText("[data-check='changes the default']", "while amount is at its default");
        bench.clickText("[data-check='changes the default'] button", "Make 1 the default");
        bench.awaitText("[data-testid=neutral]", "to the bit");
    }

    @Test
    @Order(5)
    void aParameterOfAnotherTypeKeepsWhatFits() {
        bench("stone chips");
        bench.clickText("header button", "+ parameter");
        bench.await(b -> bench.all(".bench tbody tr").size() == 3);
        bench.choose("Type of the parameter", "a choice of words");
        WebElement words = bench.one("input[aria-label^='Words']");
        words.sendKeys(Keys.chord(Keys.CONTROL, "a") + "dry, damp, soaked" + Keys.TAB);
        bench.clickText(".bindings button", "+ acts on");
        bench.await(b -> bench.all(".each input").size() == 3);
        bench.enter("Binding 1, soaked", "0.5");
        bench.awaitText("[data-testid=neutral]", "to the bit");
        bench.choose("Try amount 2", "soaked");
        // The version before has no such parameter, and plays all the same.
        bench.press("b");
        bench.await(b -> bench.all("[data-testid=stage]").size() == 2);
        assertThat(bench.all("[data-testid=refusal]")).isEmpty();
        bench.press("b");
        bench.await(b -> bench.all(".tries input").size() == 1);
        bench.clickText(".bench button", "Remove amount 2");
        bench.await(b -> bench.all(".bench tbody tr").size() == 2);
    }

    @Test
    @Order(6)
    void aFeedIsDrawnWithWhatCameAndFollowsByItsOwnTimes() {
        rope("struck by hail");
        bench.press(" ");
        bench.awaitText("[data-testid=account]", "hail shatter at");
        bench.press("3");
        bench.press(" ");
        part("amount from force");
        bench.awaitText(".el-popper .sheet", "The last 2 pulls.");
        assertThat(bench.one(".el-popper .sheet .plot [role=slider]").getAttribute("aria-label"))
                .contains("becomes amount", "2 pulls");
        bench.choose("Course between", "ease-in");
        bench.awaitText(".row.open .sentence", "0.6…1.8 by a curve");
        bench.choose("Field", "chance");
        bench.awaitText(".row.open .sentence", "amount random 0.6…1.8");
        bench.choose("Field", "wind");
        bench.awaitText(".row.open .sentence", "amount from wind 0…12 u/s");
        bench.enter("amount rises over", "0.3");
        bench.awaitText(".row.open .sentence", "rising over 0.3 s, falling over 0 s");
        for (int i = 0; i < 4; i++) {
            bench.command("z", false);
        }
        bench.await(
                b -> bench.text(".row.open .sentence").contains("amount from force 10…100 → 0.6…1.8; hit-test radius"));
    }

    @Test
    @Order(7)
    void aHitTestThatFallsShortIsNoticedAndMended() {
        rope("struck by hail");
        part("hit-test radius 3.8 u");
        bench.awaitText(".el-popper .sheet", "Seen as far as");
        bench.enter("Hit test reaches", "2");
        bench.awaitText(".row.open .sentence", "hit-test radius 2 u");
        bench.awaitText(".el-popper .sheet .differs", "% apart");
        bench.press(Keys.ESCAPE);
        bench.awaitText("[data-rope='struck by hail']", "and the game hits within 2 u");
        bench.command("z", false);
        bench.awaitText(".row.open .sentence", "hit-test radius 3.8 u");
    }

    @Test
    @Order(8)
    void theContractIsHandedOverAndARenameLeavesTheFormerName() {
        bench.open("/#/handoff");
        bench.browser().navigate().refresh();
        bench.awaitText("h1", "not handed over yet");
        assertThat(bench.text("section[aria-label=Channels]")).contains("wind").contains("u/s");
        bench.one("textarea[aria-label='What is new']").sendKeys("the first");
        bench.click("form .el-button--primary");
        bench.awaitText("nav li", "the first");
        bench.awaitText("[data-testid=differences]", "Nothing differs from version 1");

        bench("straw puff");
        bench.clickText(".bench tbody button", "amount");
        WebElement name = bench.await(b -> bench.all("input[aria-label='Name of the parameter']").stream()
                .filter(e -> e.getAttribute("value").equals("amount"))
                .findFirst()
                .orElse(null));
        name.sendKeys(Keys.chord(Keys.CONTROL, "a") + "pieces" + Keys.TAB);
        bench.await(b -> bench.all(".bench tbody button").stream()
                .anyMatch(e -> e.getText().equals("pieces")));

        bench.open("/#/handoff");
        bench.awaitText("[data-testid=differences]", "1 difference from version 1; nothing breaks");
        bench.awaitText("section[aria-label=Effects]", "formerly amount");
        bench.awaitText("pre", "@deprecated called pieces now");
        bench.press("l");
        bench.awaitText("aside header", "WindrowPost.cs");
    }

    @Test
    @Order(9)
    void whatBreaksGameCodeIsSaidAndUndone() {
        bench("straw puff");
        bench.clickText(".bench tbody button", "pieces");
        bench.await(b -> bench.one("input[aria-label='Name of the parameter']")
                .getAttribute("value")
                .equals("pieces"));
        bench.clickText(".bench button", "Remove pieces");
        bench.await(b -> bench.all(".bench tbody tr").size() == 1);
        bench.open("/#/handoff");
        bench.awaitText("[data-testid=differences]", "breaks game code");
        bench.awaitText("[data-testid=differences]", "code that sets it is refused");
        bench.command("z", false);
        bench.awaitText("[data-testid=differences]", "nothing breaks");
    }

    // TypeScript's own compiler, strictly; Java and C++ are compiled in the tests of the formats.
    @Test
    @Order(10)
    void theTypeScriptCompiles() throws IOException, InterruptedException {
        HttpResponse<String> code = HttpClient.newHttpClient()
                .send(
                        HttpRequest.newBuilder(URI.create(bench.address() + "/api/projects/1/contract/code/typescript"))
                                .build(),
                        HttpResponse.BodyHandlers.ofString());
        Path file = Files.writeString(folder.resolve("WindrowPost.ts"), code.body());
        Path use = Files.writeString(folder.resolve("use.ts"), """
                import { type Bell, StrawPuffEffect, courierLanded, weather } from './WindrowPost'
                export function play(bell: Bell) {
                  courierLanded(bell, '', [0, 0, 0], [0, 1, 0], 9, 'thatch')
                  weather(bell, '', 'drizzle')
                  StrawPuffEffect.setPieces(bell, 7, StrawPuffEffect.PIECES_MOST)
                }
                """);
        assertThat(compiled(use)).isEmpty();
        Files.writeString(use, Files.readString(use).replace("'thatch'", "'glass'"));
        assertThat(compiled(use)).contains("glass");
        assertThat(Files.readString(file)).contains("@deprecated called pieces now");
    }

    private static String compiled(Path file) throws IOException, InterruptedException {
        Process process = new ProcessBuilder(
                        "node",
                        Path.of("../web/node_modules/typescript/bin/tsc").toString(),
                        "--noEmit",
                        "--strict",
                        "--ignoreConfig",
                        "--target",
                        "es2022",
                        "--module",
                        "nodenext",
                        file.toString())
                .redirectErrorStream(true)
                .start();
        String said = new String(process.getInputStream().readAllBytes());
        process.waitFor();
        return said;
    }

    @Test
    @Order(11)
    void noViewOfItHasAccessibilityViolations() throws IOException {
        bench("kite tear");
        bench.awaitText("[data-testid=proof]", "A uniform scale");
        turn("Try size", "2");
        assertThat(bench.violations()).isEmpty();
        bench.open("/#/handoff");
        bench.awaitText("pre", "WindrowPost");
        assertThat(bench.violations()).isEmpty();
        rope("struck by hail");
        part("hit-test radius 3.8 u");
        bench.awaitText(".el-popper .sheet", "Seen as far as");
        assertThat(bench.violations()).isEmpty();
    }
}
