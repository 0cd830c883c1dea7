package bellrope.e2e;

import bellrope.server.BellropeApplication;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.BooleanSupplier;
import java.util.function.Function;
import org.openqa.selenium.By;
import org.openqa.selenium.ElementClickInterceptedException;
import org.openqa.selenium.JavascriptExecutor;
import org.openqa.selenium.Keys;
import org.openqa.selenium.OutputType;
import org.openqa.selenium.StaleElementReferenceException;
import org.openqa.selenium.WebElement;
import org.openqa.selenium.WindowType;
import org.openqa.selenium.chrome.ChromeDriver;
import org.openqa.selenium.chrome.ChromeDriverService;
import org.openqa.selenium.chrome.ChromeOptions;
import org.openqa.selenium.interactions.Actions;
import org.openqa.selenium.support.ui.WebDriverWait;
import org.springframework.boot.web.server.context.WebServerApplicationContext;
import org.springframework.context.ConfigurableApplicationContext;

/** The real server with the demo, and a real browser before it, at 1280 × 800. */
final class Bench implements AutoCloseable {
    /** Stories may wait so long for what they expect; whoever writes one has less patience. */
    private static final Duration PATIENCE =
            Duration.ofSeconds(Long.parseLong(System.getenv().getOrDefault("BELLROPE_PATIENCE", "60")));

    private final Path data;
    private final boolean demo;
    private final ChromeDriver browser;
    private final int port;
    private ConfigurableApplicationContext context;

    Bench(Path folder, boolean demo) {
        data = folder.resolve("e2e.db");
        this.demo = demo;
        context = server(0, demo);
        port = ((WebServerApplicationContext) context).getWebServer().getPort();
        browser = browser(folder);
        open("/");
    }

    private ConfigurableApplicationContext server(int port, boolean demo) {
        return BellropeApplication.application()
                .run(
                        "--server.port=" + port,
                        "--bellrope.data=" + data,
                        "--bellrope.demo=" + demo,
                        "--bellrope.windows=64");
    }

    /** Stops the server; the page stays open. */
    void stopServer() {
        context.close();
    }

    /** Starts it again with the same data, at the same address. */
    void startServer() {
        context = server(port, false);
    }

    static ChromeDriver browser(Path folder) {
        ChromeOptions options = new ChromeOptions();
        options.setBinary("/usr/bin/chromium");
        options.addArguments(
                "--headless=new",
                "--no-sandbox",
                "--disable-quic",
                "--no-first-run",
                "--disable-background-networking",
                "--disable-component-update",
                "--disable-sync",
                "--disable-dev-shm-usage",
                "--use-angle=swiftshader",
                "--enable-unsafe-swiftshader",
                "--user-data-dir=" + folder.resolve("chromium-" + System.nanoTime()));
        options.setExperimentalOption(
                "prefs",
                Map.of("download.default_directory", folder.resolve("downloads").toString()));
        ChromeDriverService service = new ChromeDriverService.Builder()
                .usingDriverExecutable(new java.io.File("/usr/bin/chromedriver"))
                .usingAnyFreePort()
                .build();
        ChromeDriver driver = new ChromeDriver(service, options);
        size(driver, 1280, 800);
        return driver;
    }

    static void size(ChromeDriver driver, int width, int height) {
        driver.executeCdpCommand(
                "Emulation.setDeviceMetricsOverride",
                Map.of("width", width, "height", height, "deviceScaleFactor", 1, "mobile", false));
    }

    ChromeDriver browser() {
        return browser;
    }

    String address() {
        return "http://localhost:" + port;
    }

    void open(String path) {
        browser.get(address() + path);
        await(b -> !all("[data-testid=project]").isEmpty());
        if (demo && path.equals("/")) {
            // The first rope has been opened and written into the address: it is all there.
            await(b -> (Boolean) js("return location.hash.includes('rope=')"));
        }
        js("return document.fonts.ready.then(() => 1)");
    }

    /** Opens a second window on the same bench and returns its handle; the first stays. */
    String secondWindow() {
        browser.switchTo().newWindow(WindowType.TAB);
        size(browser, 1280, 800);
        open("/");
        return browser.getWindowHandle();
    }

    void to(String window) {
        browser.switchTo().window(window);
    }

    Object js(String script, Object... args) {
        return ((JavascriptExecutor) browser).executeScript(script, args);
    }

    List<WebElement> all(String css) {
        return browser.findElements(By.cssSelector(css));
    }

    WebElement one(String css) {
        return await(b -> all(css).stream().findFirst().orElse(null));
    }

    String text(String css) {
        return one(css).getText();
    }

    void click(String css) {
        click(b -> all(css).stream().findFirst().orElse(null));
    }

    // What moves while it is clicked, or lies at an edge, is scrolled to and clicked again, as a hand would.
    private void click(Function<ChromeDriver, WebElement> found) {
        await(b -> {
            WebElement element = found.apply(b);
            if (element == null) {
                return false;
            }
            try {
                element.click();
                return true;
            } catch (ElementClickInterceptedException e) {
                js("arguments[0].scrollIntoView({block: 'center'})", element);
                return false;
            }
        });
    }

    /** Opens a rope on the board. Rows that are still growing move it away from under a hand: it is pressed again. */
    void openRope(String name) {
        String row = "[data-rope='" + name + "']";
        await(b -> {
            if (!all(row + ".open").isEmpty()) {
                return true;
            }
            click(row + " .knot");
            return false;
        });
    }

    /** Clicks the first element of a kind that says exactly this. */
    void clickText(String css, String text) {
        click(b -> all(css).stream()
                .filter(e -> e.isDisplayed() && e.getText().strip().equals(text))
                .findFirst()
                .orElse(null));
    }

    /** Clicks the first element of a kind that begins with this. */
    void clickStarting(String css, String text) {
        click(b -> all(css).stream()
                .filter(e -> e.isDisplayed() && e.getText().strip().startsWith(text))
                .findFirst()
                .orElse(null));
    }

    /** Begins to note whatever an element says from now on, for {@link #said}: what is over quickly is not missed. */
    void note(String css) {
        one(css);
        js(
                "const said = window.__said = []; const e = document.querySelector(arguments[0]);"
                        + " new MutationObserver(() => said.push(e.textContent.trim()))"
                        + ".observe(e, {characterData: true, childList: true, subtree: true})",
                css);
    }

    @SuppressWarnings("unchecked")
    List<String> said() {
        return (List<String>) js("return window.__said");
    }

    /** Types keys at the page, not into a field. */
    void press(CharSequence... keys) {
        js("document.activeElement && document.activeElement.blur()");
        new Actions(browser).sendKeys(keys).perform();
    }

    /** Pulls until a moment's instances are seen to play; on a busy machine one pull may be over before its picture. */
    void pullUntilSeen() {
        note("[data-testid=live-instances]");
        pullUntil(() -> said().stream().anyMatch(n -> !n.equals("0")));
    }

    /** Pulls until the account of the last pull says so: one that came again too soon is told as silent. */
    void pullUntilTold(String words) {
        pullUntil(() -> text("[data-testid=account]").contains(words));
    }

    private void pullUntil(BooleanSupplier there) {
        long[] again = {0};
        await(b -> {
            if (there.getAsBoolean()) {
                return true;
            }
            if (System.nanoTime() > again[0]) {
                press(" ");
                again[0] = System.nanoTime() + 3_000_000_000L;
            }
            return false;
        });
    }

    /** Presses a key with Control held, and Shift if wanted. */
    void command(String key, boolean shift) {
        js("document.activeElement && document.activeElement.blur()");
        Actions actions = new Actions(browser).keyDown(Keys.CONTROL);
        if (shift) {
            actions.keyDown(Keys.SHIFT);
        }
        actions.sendKeys(key);
        if (shift) {
            actions.keyUp(Keys.SHIFT);
        }
        actions.keyUp(Keys.CONTROL).perform();
    }

    /** Types a value into the number field of that label and rests there. */
    void enter(String label, String value) {
        type(label, value + Keys.ENTER);
    }

    void type(String label, String value) {
        WebElement field = await(b -> all("input[aria-label^='" + label + "']").stream()
                .filter(WebElement::isDisplayed)
                .findFirst()
                .orElse(null));
        field.click();
        field.sendKeys(Keys.chord(Keys.CONTROL, "a") + value);
    }

    /** Chooses an option of the select of that label. */
    void choose(String label, String option) {
        click(b -> choice(label));
        await(b -> all(".el-select-dropdown__item").stream().anyMatch(WebElement::isDisplayed));
        // The list may still be drawn anew while it is read.
        boolean there = await(b -> Optional.of(option(option) != null)).orElseThrow();
        if (!there) {
            // A long list is searched.
            choice(label).findElement(By.cssSelector("input")).sendKeys(option);
        }
        click(b -> option(option));
    }

    private WebElement option(String words) {
        return all(".el-select-dropdown__item").stream()
                .filter(e -> e.isDisplayed() && e.getText().strip().equals(words))
                .findFirst()
                .orElse(null);
    }

    /** Returns what is chosen in the select of that label. */
    String chosen(String label) {
        return await(b -> choice(label)).getText().strip();
    }

    private WebElement choice(String label) {
        return all(".choice-of:has(input[aria-label='" + label + "'])").stream()
                .filter(WebElement::isDisplayed)
                .findFirst()
                .orElse(null);
    }

    <T> T await(Function<ChromeDriver, T> condition) {
        return new WebDriverWait(browser, PATIENCE, Duration.ofMillis(60))
                .ignoring(StaleElementReferenceException.class)
                .until(b -> condition.apply(browser));
    }

    void awaitText(String css, String part) {
        await(b -> all(css).stream().anyMatch(e -> e.getText().contains(part)));
    }

    /** Returns a number of the open rope, such as {@code births}. */
    String number(String name) {
        return text("[data-number=" + name + "]");
    }

    void awaitNumber(String name, String value) {
        await(b -> all("[data-number=" + name + "]").stream()
                .anyMatch(e -> e.getText().equals(value)));
    }

    /**
     * Returns what axe-core 4.14.1 finds against the rules of WCAG 2.2 A and AA, with the first places of each. It waits
     * for what is fading in: half shown, everything has too little contrast.
     */
    @SuppressWarnings("unchecked")
    List<String> violations() throws IOException {
        await(b -> (Boolean) js("return document.getAnimations().every(a =>"
                + " a.effect.getComputedTiming().iterations === Infinity || a.playState !== 'running')"
                + " && !document.querySelector('[class*=-enter-active], [class*=-leave-active]')"));
        js(Files.readString(Path.of("../web/node_modules/axe-core/axe.min.js")));
        Map<String, Object> result = (Map<String, Object>)
                js("return axe.run({runOnly: ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa']})");
        return ((List<Map<String, Object>>) result.get("violations"))
                .stream()
                        .map(v -> v.get("id") + ": "
                                + ((List<Map<String, Object>>) v.get("nodes"))
                                        .stream()
                                                .map(n -> n.get("html"))
                                                .limit(3)
                                                .toList())
                        .toList();
    }

    byte[] picture() {
        return browser.getScreenshotAs(OutputType.BYTES);
    }

    @Override
    public void close() {
        browser.quit();
        context.close();
    }
}
