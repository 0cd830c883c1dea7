package bellrope.e2e;

import java.nio.file.Path;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.TestInfo;
import org.junit.jupiter.api.io.TempDir;
import org.openqa.selenium.Keys;
import org.openqa.selenium.WebElement;

/** What stories that begin in an empty project have in common: the first steps of any work. */
abstract class FromNothing {
    @TempDir
    static Path folder;

    static Bench bench;

    @BeforeAll
    static void begin() {
        bench = new Bench(folder, false);
        bench.await(b -> bench.text("header").contains("connected"));
    }

    @AfterAll
    static void end() {
        bench.close();
    }

    @BeforeEach
    void emptyProject(TestInfo test) {
        String name = test.getTestMethod().orElseThrow().getName();
        bench.open("/");
        bench.click("[data-testid=project]");
        bench.await(b ->
                bench.all("input[aria-label='Name of a new project']").stream().anyMatch(WebElement::isDisplayed));
        bench.type("Name of a new project", name + Keys.ENTER);
        bench.awaitText("[data-testid=project]", name);
        bench.awaitText(".events", "Events are what the game announces");
        bench.js("window.presses = 0; if (!window.counting) for (const kind of ['pointerdown', 'keydown'])"
                + " window.addEventListener(kind, e => { window.counting = true;"
                + " if (!e.key || e.key.length > 1 && e.key !== 'Control') window.presses++ }, true)");
    }

    /** Tells how many presses a piece of work took; what is typed into a field counts as the key that ends it. */
    @AfterEach
    void presses(TestInfo test) {
        System.out.printf(
                "  %s: %s presses%n", test.getTestMethod().orElseThrow().getName(), bench.js("return window.presses"));
    }

    static void event(String verb) {
        bench.clickText(".events button", "+ event");
        bench.clickStarting(".el-dialog .commons button", verb);
        bench.awaitText(".events", verb);
        shutSheet();
    }

    /** Declares a channel, with the range and the usual value that it begins with. */
    static void channel(String name) {
        bench.clickText(".events button", "channels, places");
        bench.clickText(".el-dialog button", "+ channel");
        bench.type("Name of channel", name + Keys.ENTER);
        bench.await(b -> !bench.all("input[aria-label='Name of " + name + "']").isEmpty());
        shutSheet();
    }

    private static void shutSheet() {
        bench.click(".el-dialog__headerbtn");
        bench.await(b -> bench.all(".el-overlay").stream().noneMatch(WebElement::isDisplayed));
    }

    static void rope(String verb, String effect) {
        bench.clickText(".events .name", verb);
        bench.clickText("button", "Answer it with a rope");
        bench.clickText(".row.open .part", "no effect chosen");
        bench.clickStarting(".el-popper .choice", effect);
        bench.awaitText(".row.open .sentence", " " + (effect.startsWith("a blank") ? "new effect" : effect));
        bench.await(b -> !bench.all("[data-number=births]").isEmpty());
    }

    static void more(String addition) {
        part("+ more");
        bench.clickStarting(".el-popper .choice", addition);
    }

    static void part(String text) {
        WebElement part = bench.await(b -> bench.all(".row.open .part").stream()
                .filter(e -> e.isDisplayed() && e.getText().strip().startsWith(text))
                .findFirst()
                .orElse(null));
        // What was just added is open already.
        if (!"true".equals(part.getAttribute("aria-expanded"))) {
            bench.clickStarting(".row.open .part", text);
        }
        bench.await(b -> bench.all(".el-popper .sheet").stream().anyMatch(WebElement::isDisplayed));
    }

    static void shut() {
        bench.click(".events .head");
        bench.await(b -> bench.all(".el-popper .sheet").stream().noneMatch(WebElement::isDisplayed));
    }

    static int births() {
        return Integer.parseInt(bench.number("births"));
    }

    static String value(String label) {
        return bench.one("input[aria-label^='" + label + "']").getAttribute("value");
    }

    /** Opens the effect of the open rope in the view of effects. */
    static void toEffect(String name) {
        bench.clickText("nav a", "Effects");
        bench.clickStarting(".list li button", name);
        bench.await(b -> value("Name of the effect").equals(name));
        bench.await(b -> !bench.all("[data-number=births]").isEmpty());
    }

    /** Answers an event by a blank effect, ten specks, and opens it. */
    static void blankEffect(String verb) {
        event(verb);
        rope(verb, "a blank effect");
        toEffect("new effect");
    }

    static void emitter(String name) {
        bench.clickStarting("aside .choose", name);
        bench.awaitText(".acts section[aria-label=Birth] h3", name);
    }

    /** Uses a setting of an act that is not used yet. */
    static void use(String act, String setting) {
        bench.clickText("section[aria-label=" + act + "] .unused button", setting);
    }

    /** Goes to the ropes; the open one is still open. */
    static void toRopes() {
        bench.clickText("nav a", "Ropes");
        bench.await(b -> !bench.all(".row.open .sentence").isEmpty());
    }

    /** Returns a number without its unit. */
    static double shown(String name) {
        return Double.parseDouble(bench.number(name).replaceAll("[^0-9.]+.*", ""));
    }
}
