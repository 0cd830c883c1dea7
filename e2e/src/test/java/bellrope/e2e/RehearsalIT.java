package bellrope.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import org.openqa.selenium.WebElement;
import org.openqa.selenium.interactions.Actions;

/** A whole stretch of the game is rehearsed from an empty project, and its pools are sized. */
@DisplayName("Rehearsal and pools")
class RehearsalIT extends FromNothing {
    private static void played() {
        bench.awaitText("[data-testid=rehearsed]", "as it is now");
    }

    private static void newRehearsal() {
        bench.clickText("nav a", "Rehearsal");
        bench.click("[data-testid=new-score]");
        bench.await(b -> !bench.all("[data-testid=score]").isEmpty());
        played();
    }

    private static void lane(String event) {
        bench.choose("Add a lane", event);
        bench.await(b -> !bench.all("section[aria-label='Lane " + event + "']").isEmpty());
    }

    /** Returns a number of the table of what is used. */
    private static double most(String what) {
        return bench.all("aside table tr").stream()
                .filter(r -> r.findElement(By.cssSelector("th")).getText().equals(what))
                .map(r -> Double.parseDouble(r.findElement(By.cssSelector("td")).getText()))
                .findFirst()
                .orElseThrow();
    }

    private static String marks(String event) {
        return bench.one("[aria-label='Marks of " + event + "']").getAttribute("aria-valuetext");
    }

    @Test
    void theWorstSecondIsOnePressAway() throws IOException {
        event("landed");
        rope("landed", "impact");
        bench.clickText("nav a", "Rehearsal");
        bench.awaitText(".empty", "Nothing to rehearse yet");
        assertThat(bench.violations()).isEmpty();
        bench.clickText(".empty button", "Begin with the worst second");
        played();
        assertThat(most("instances")).isGreaterThanOrEqualTo(2);
        assertThat(most("particles")).isGreaterThan(10);
        bench.awaitText("aside", "Who makes the peak");
        // The moment of the peak is shown, and what had come by then.
        bench.all("aside table button").get(0).click();
        bench.awaitText("[aria-label=Account]", "impact at");
        assertThat(bench.violations()).isEmpty();

        // Every mark leads to its account, by keys too.
        WebElement arrivals = bench.one("[aria-label='Marks of player.landed']");
        arrivals.sendKeys(Keys.HOME);
        bench.await(b -> marks("player.landed").contains("1 of "));
        String first = marks("player.landed");
        arrivals.sendKeys(Keys.ARROW_RIGHT);
        bench.await(b -> marks("player.landed").contains("2 of "));
        assertThat(marks("player.landed")).isNotEqualTo(first).contains("answered by 1");
        String before = bench.one("[aria-label=Account]").getText();
        arrivals.sendKeys(Keys.ENTER);
        bench.await(b -> !bench.one("[aria-label=Account]").getText().equals(before));
        bench.awaitText("[aria-label=Account]", "impact at");
    }

    @Test
    void aPoolIsSizedByWhatIsRehearsedAndUndoneInOne() throws IOException {
        event("landed");
        rope("landed", "impact");
        newRehearsal();
        lane("player.landed");
        bench.enter("Rate", "8");
        bench.await(b -> !bench.all("aside table tr").isEmpty() && most("instances") >= 3);
        played();

        bench.clickText("nav a", "Pools");
        bench.awaitText("nav", "Effects without a pool");
        bench.click("[data-testid=size]");
        bench.await(b -> bench.text("[data-testid=sizing]").contains("Size again"));
        bench.awaitText("aside", "lose at most 1 % in the worst minute");
        bench.awaitText("aside", "by theory");
        assertThat(bench.text(".why")).contains("independent");
        assertThat(bench.violations()).isEmpty();
        // What took that long to find is there again after a reload.
        bench.browser().navigate().refresh();
        bench.await(b -> bench.text("[data-testid=sizing]").contains("Size again"));
        bench.awaitText("aside", "lose at most 1 % in the worst minute");
        bench.click("[data-testid=apply-refuse]");
        bench.awaitText("aside", "delete the pool");
        bench.awaitText("aside", "as it is");
        bench.click("[data-testid=undo]");
        bench.awaitText("aside", "It has none");
        bench.click("[data-testid=redo]");
        bench.awaitText("aside", "delete the pool");

        // One is far too few: the rehearsal says so, and the account of what was refused says why.
        bench.enter("Capacity", "1");
        bench.awaitText("nav", "refused");
        bench.clickText("nav a", "Rehearsal");
        played();
        bench.awaitText("aside", "refused");
        WebElement silent = bench.one(".marks rect.silent");
        bench.js("arguments[0].dispatchEvent(new MouseEvent('click', {bubbles: true}))", silent);
        bench.awaitText("[aria-label=Account]", "all 1 of impact play; the oldest is");

        // From there to the pool, which the address keeps; and another way: what is oldest ends.
        bench.clickText("[aria-label=Account] a", "the pool");
        bench.awaitText("aside", "delete the pool");
        bench.browser().navigate().refresh();
        bench.awaitText("aside", "delete the pool");
        bench.choose("When empty", "take over the oldest");
        bench.awaitText("nav", "cut short");
    }

    @Test
    void marksAreMadeMovedAndDeletedByKeysAndByHand() throws IOException {
        event("landed");
        rope("landed", "impact");
        newRehearsal();
        lane("player.landed");
        bench.choose("When it arrives", "at marks of its own");
        bench.await(b -> marks("player.landed").startsWith("no mark"));
        WebElement hand = bench.one("[aria-label='Marks of player.landed']");
        hand.sendKeys(Keys.ENTER);
        bench.await(b -> marks("player.landed").contains("1 of 1"));
        String before = marks("player.landed");
        hand.sendKeys(Keys.chord(Keys.SHIFT, Keys.ARROW_RIGHT));
        bench.await(b -> !marks("player.landed").equals(before));
        hand.sendKeys("d");
        bench.await(b -> marks("player.landed").contains("2 of 2"));
        played();
        bench.awaitText("aside", "Who makes the peak");
        String was = bench.one(".mark").getAttribute("title");
        // What is drawn anew above may move it away from under the pointer.
        bench.await(b -> {
            new Actions(bench.browser())
                    .dragAndDropBy(bench.one(".mark"), 60, 0)
                    .perform();
            return !bench.one(".mark").getAttribute("title").equals(was);
        });
        assertThat(bench.violations()).isEmpty();
        bench.one("[aria-label='Marks of player.landed']").sendKeys(Keys.DELETE);
        bench.await(b -> marks("player.landed").contains("of 1"));
        bench.command("z", false);
        bench.await(b -> marks("player.landed").contains("of 2"));
        bench.clickText(".mute", "mute");
        bench.await(b -> bench.all(".name.muted").size() == 1);

        // All of them into another stretch of time, and again to the end.
        bench.enter("Length", "30");
        bench.enter("First mark", "2");
        bench.enter("Last mark", "6");
        bench.await(b -> marks("player.landed").matches("[26] s(, .+)?, \\d of 2"));
        bench.enter("Again every", "7");
        bench.click("[data-testid=repeat]");
        bench.await(b -> marks("player.landed").endsWith("of 8"));
    }

    @Test
    void whatAChannelCarriesIsALineThatIsBent() throws IOException {
        channel("quickness");
        event("landed");
        rope("landed", "impact");
        newRehearsal();
        bench.choose("Add a channel", "quickness");
        String points = "[aria-label='Points of quickness']";
        bench.await(b -> bench.one(points).getAttribute("aria-valuetext").endsWith("1 of 1"));
        assertThat(bench.violations()).isEmpty();
        new Actions(bench.browser()).doubleClick(bench.one(points)).perform();
        bench.await(b -> bench.one(points).getAttribute("aria-valuetext").endsWith("2 of 2"));
        String was = bench.one(points).getAttribute("aria-valuetext");
        bench.one(points).sendKeys(Keys.chord(Keys.SHIFT, Keys.ARROW_UP));
        bench.await(b -> !bench.one(points).getAttribute("aria-valuetext").equals(was));
        bench.one(points).sendKeys(Keys.DELETE);
        bench.await(b -> bench.one(points).getAttribute("aria-valuetext").endsWith("1 of 1"));
        bench.command("z", false);
        bench.await(b -> bench.one(points).getAttribute("aria-valuetext").endsWith("of 2"));
        played();
        bench.clickText(".remove", "delete");
        bench.await(b -> bench.all(points).isEmpty());
    }

    @Test
    void whatAHandDoesIsSeenAtOnceAndKeptAsARehearsal() throws IOException {
        event("landed");
        rope("landed", "impact");
        newRehearsal();
        bench.click("[data-testid=record]");
        bench.awaitText("[data-testid=record]", "Stop");
        bench.press("1");
        bench.await(b -> !bench.text("[data-testid=live-instances]").equals("0"));
        // Its subject is put elsewhere; the next comes there.
        bench.click("[data-testid=placing]");
        WebElement player = bench.one("[data-grip=player]");
        String place = player.getAttribute("aria-label");
        player.sendKeys(Keys.chord(Keys.SHIFT, Keys.ARROW_RIGHT));
        bench.await(
                b -> !bench.one("[data-grip=player]").getAttribute("aria-label").equals(place));
        assertThat(bench.violations()).isEmpty();
        bench.press("1");
        bench.click("[data-testid=record]");
        bench.awaitText("nav", "recorded");
        bench.await(b -> marks("player.landed").contains("of 2"));
        assertThat(bench.js(
                        "return fetch('/api/projects/' + location.hash.match(/project=(\\d+)/)[1]).then(r => r.json())"
                                + ".then(p => { const marks = p.parts.filter(s => s.kind === 'score')"
                                + ".find(s => s.name.startsWith('recorded')).body.lanes[0].when.marks;"
                                + "return JSON.stringify([marks[0].payload ?? null, marks[1].payload]) })"))
                .isEqualTo("[null,{\"position\":[1,0,0]}]");
        played();
        bench.await(b -> most("instances") >= 1);
        assertThat(bench.violations()).isEmpty();

        // A picture and a film of it, as files of the browser.
        bench.js("window.files = []; const make = URL.createObjectURL.bind(URL);"
                + " URL.createObjectURL = (blob) => { window.files.push(blob.type + ' ' + (blob.size > 1000));"
                + " return make(blob) }");
        bench.click("[data-testid=shot]");
        bench.await(b -> bench.js("return String(window.files)").equals("image/png true"));
        bench.click("[data-testid=film]");
        bench.awaitText("[data-testid=film]", "end the clip");
        // A browser takes a while before it films.
        long enough = System.nanoTime() + 8_000_000_000L;
        bench.await(b -> System.nanoTime() > enough);
        bench.click("[data-testid=film]");
        bench.await(b -> bench.js("return String(window.files)").toString().matches("image/png true,video/.* true"));
    }

    @Test
    void twoStatesAreComparedUnderTheSameRehearsal() throws IOException {
        event("landed");
        rope("landed", "impact");
        newRehearsal();
        lane("player.landed");
        bench.enter("Rate", "4");
        bench.await(b -> !bench.all("aside table tr").isEmpty() && most("instances") >= 2);
        played();
        double before = most("instances");
        bench.press("k");
        bench.awaitText("[data-testid=compared]", "With what was kept at");
        bench.awaitText("[data-testid=compared]", "same");

        bench.enter("Rate", "20");
        bench.await(b -> most("instances") > before);
        played();
        bench.await(b -> bench.text("[data-testid=compared]")
                .matches("(?s).*instances " + Math.round(before) + " " + Math.round(most("instances")) + " \\+.*"));
        bench.press("b");
        bench.await(b -> bench.all(".stage .stage").size() == 1);
        assertThat(bench.violations()).isEmpty();
        bench.press("h");
        bench.await(b -> bench.all(".stage .stage").isEmpty());
        bench.awaitText(".one-of", "before,");

        // What was kept is played again after a reload, as the project was then.
        double now = most("instances");
        bench.browser().navigate().refresh();
        bench.awaitText("[data-testid=compared]", "A rehearsal was kept at");
        bench.clickText("[data-testid=compared] button", "compare with it again");
        bench.await(b -> bench.text("[data-testid=compared]")
                .matches("(?s).*instances " + Math.round(before) + " " + Math.round(now) + " \\+.*"));
        bench.clickText("[data-testid=compared] button", "end it");
        bench.awaitText("[data-testid=compared]", "keep it to compare");
        bench.browser().navigate().refresh();
        bench.awaitText("[data-testid=compared]", "keep it to compare");
    }

    @Test
    void pullsComeAndGoAsFiles() throws IOException {
        event("landed");
        rope("landed", "impact");
        newRehearsal();
        lane("player.landed");
        bench.enter("Rate", "2");
        played();
        String project = bench.text("[data-testid=project]").replaceAll("\\W+$", "");
        for (String form : List.of("lines", "table")) {
            bench.clickText(".save button", form);
            Path file = folder.resolve("downloads/" + project + " " + value("Name of the rehearsal") + "."
                    + (form.equals("lines") ? "jsonl" : "csv"));
            bench.await(b -> Files.exists(file));
            List<String> lines = Files.readAllLines(file);
            int pulls = lines.size() - (form.equals("lines") ? 0 : 1);
            assertThat(pulls).isGreaterThan(20);

            // One of them is broken on its way.
            lines.set(3, lines.get(3).replace("player.landed", "player.lnded"));
            Path other =
                    Files.write(folder.resolve("from " + form + (form.equals("lines") ? ".jsonl" : ".csv")), lines);
            bench.one("[data-testid=pulls-file] input").sendKeys(other.toString());
            bench.awaitText("[data-testid=trace]", pulls - 1 + " lines can be played: 1 lane");
            bench.awaitText("[data-testid=trace]", "did you mean player.landed?");
            assertThat(bench.violations()).isEmpty();
            bench.click("[data-testid=take-trace]");
            bench.await(b -> value("Name of the rehearsal").equals("from " + form));
            played();
            bench.await(b -> marks("player.landed").contains("of " + (pulls - 1)));
        }
        // What holds nothing of use is said, and nothing is made of it.
        Path other = Files.writeString(folder.resolve("other.csv"), "when,what\n1,2\n");
        bench.one("[data-testid=pulls-file] input").sendKeys(other.toString());
        bench.awaitText("[data-testid=trace]", "no column time");
        assertThat(bench.all("[data-testid=take-trace]")).isEmpty();
    }

    @Test
    void whatCannotBeIsSaidWhereItStandsAndChangesNothing() {
        event("landed");
        rope("landed", "impact");
        newRehearsal();
        lane("player.landed");
        bench.type("Length", "0" + Keys.ENTER);
        bench.await(b -> "true".equals(bench.one("input[aria-label^='Length']").getAttribute("aria-invalid")));
        bench.one("input[aria-label^='Length']").sendKeys(Keys.ESCAPE);
        // A thousand a second over an hour is more than a score may hold.
        bench.enter("Length", "3600");
        bench.enter("Rate", "1000");
        bench.awaitText("[data-testid=refusal]", "at most 100000; lower the rates");
        bench.await(b -> !value("Rate").equals("1000"));
    }
}
