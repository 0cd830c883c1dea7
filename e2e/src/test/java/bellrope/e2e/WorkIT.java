package bellrope.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import bellrope.format.sprite.Pictures;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.Keys;
import org.openqa.selenium.WebElement;
import org.openqa.selenium.interactions.Actions;

/** More pieces of real work, each begun in an empty project; the numbers that must appear are worked out by hand. */
@DisplayName("Real work from an empty project")
class WorkIT extends FromNothing {
    private static void choose(String start) {
        bench.clickStarting(".el-popper .choice", start);
    }

    @Test
    void aPlatformRunsWithAStartAndAStopThatComesLater() {
        event("moving");
        rope("moving", "exhaust");
        more("something to begin with");
        choose("dust puff");
        bench.awaitText(".row.open .sentence", "begin with dust puff");
        more("something to end with");
        choose("impact");
        bench.awaitText(".row.open .sentence", "end with impact");
        part("impact");
        bench.clickText(".el-popper button", "a while later, not at once");
        bench.awaitText(".row.open .sentence", "when it ends and 0.5 s more play impact");
        shut();
        // Held: the loop and its beginning; then its end half a second later, and nothing is left.
        new Actions(bench.browser()).keyDown(" ").perform();
        bench.await(b -> Integer.parseInt(bench.text("[data-testid=alive]")) > 10);
        new Actions(bench.browser()).keyUp(" ").perform();
        bench.awaitText("[data-testid=account]", "ends");
        bench.await(b -> bench.text("[data-testid=live-instances]").equals("0"));
        bench.clickText(".events .name", "moving");
        assertThat(bench.all(".row .sentence")).hasSize(1);
    }

    @Test
    void aLifeCurveIsChangedWhileItPlaysAndKeptOverAReload() {
        event("collected");
        rope("collected", "glint");
        toEffect("glint");
        String presence = bench.number("presence");
        bench.click("button[aria-label^='size lane']");
        bench.clickText(".el-dropdown-menu__item", "add a key");
        bench.one("button[aria-label^='size key at']:last-of-type").click();
        bench.enter("size key, value", "3");
        bench.await(b -> !bench.number("presence").equals(presence));
        String swollen = bench.number("presence");
        bench.browser().navigate().refresh();
        bench.await(b -> !bench.all("[data-number=presence]").isEmpty());
        bench.awaitNumber("presence", swollen);
        assertThat(value("Name of the effect")).isEqualTo("glint");
        assertThat(bench.all("button[aria-label*='size key'][aria-label*='is 3']"))
                .isNotEmpty();
    }

    @Test
    void sprayFliesBackAgainstTheBlowAndRestsAfterTenFrames() {
        event("struck");
        rope("struck", "a blank effect");
        part("up");
        choose("back against the direction");
        bench.awaitText(".row.open .sentence", "facing back against the direction");
        shut();
        toEffect("new effect");
        bench.enter("Gravity", "0");
        use("Life", "comes to rest within");
        bench.enter("Comes to rest within", "10f");
        // 150 to 180 frames of a sixtieth.
        bench.enter("Lifetime, most", "180f");
        bench.enter("Lifetime, least", "150f");
        bench.await(b -> value("Lifetime, least").equals("150f")
                || value("Lifetime, least").equals("150"));
        bench.awaitNumber("release", "3 s");
        // By drag, 3 u/s come 3/k with k = −ln(0.01) · 6: 0.109 u.
        bench.await(b -> bench.number("reach").startsWith("0.1"));
        bench.enter("Speed, most", "10");
        bench.enter("Speed, least", "10");
        bench.await(b -> bench.number("reach").startsWith("0.3"));
        toRopes();
        bench.pullUntilSeen();
        bench.await(b -> bench.text("[data-testid=live-instances]").equals("0")
                && bench.text("[data-testid=alive]").equals("0"));
    }

    @Test
    void aBurstHasAVariantAShakeThatCanGoAndOutlivesItsOwner() {
        event("hit");
        rope("hit", "a blank effect");
        more("a shake of the camera");
        bench.awaitText(".row.open .sentence", "shake the camera 0.15 u");
        bench.enter("by", "0.05");
        bench.awaitText(".row.open .sentence", "shake the camera 0.05 u");
        bench.clickText(".el-popper button", "Remove it");
        bench.await(b -> !bench.text(".row.open .sentence").contains("shake"));
        bench.command("z", false);
        bench.awaitText(".row.open .sentence", "shake the camera 0.05 u");
        more("an end with its subject");
        bench.choose("when its subject is removed", "it finishes where it is");
        bench.await(b -> !bench.text(".row.open .sentence").contains("removed"));
        shut();
        toEffect("new effect");
        bench.enter("Burst, most", "40");
        bench.enter("Burst, least", "20");
        bench.await(b -> births() >= 20 && births() <= 40);
        bench.clickText(".head .acting button", "duplicate");
        bench.await(b -> value("Name of the effect").startsWith("new effect "));
        bench.enter("Burst, least", "40");
        bench.awaitNumber("births", "40");
        bench.clickStarting(".list li button", "new effect");
        bench.await(b -> births() <= 40 && value("Burst, least").equals("20"));
    }

    @Test
    void aDeathComesInThreeBeatsAndItsPiecesBounceAtTheEdge() {
        blankEffect("died");
        use("Birth", "another burst");
        bench.enter("Burst 2 at", "300ms");
        use("Birth", "another burst");
        bench.enter("Burst 3 at", "600ms");
        // 10, 5 and 5.
        bench.awaitNumber("births", "20");
        bench.enter("Gravity", "0");
        bench.enter("Speed, most", "8");
        bench.enter("Speed, least", "8");
        bench.enter("Lifetime, least", "1");
        bench.enter("Lifetime, most", "1");
        bench.await(b -> shown("reach") > 7);
        use("End", "collision");
        bench.choose("Struck", "a box");
        assertThat(bench.chosen("Keeps particles")).isEqualTo("that keeps them in");
        bench.enter("Barrier, full size y", "4");
        // It stands 1 u above: no centre comes beyond its edge, 3 u away.
        bench.await(b -> shown("reach") <= 3);
        assertThat(births()).isEqualTo(20);
    }

    @Test
    void aHeldFlameClimbsEveryTenthOfASecondAndReachesAsFarAsItHurts() {
        event("charging");
        rope("charging", "flame stream");
        part("+ feed");
        choose("amount");
        bench.awaitText(".row.open .sentence", "amount");
        shut();
        part("amount");
        bench.choose("Field", "time held");
        bench.enter("amount sampled every", "100ms");
        shut();
        more("a hit-test radius");
        bench.awaitText(".row.open .sentence", "hit");
        shut();
        bench.awaitText(".row.open .finding", "the game hits within 2 u");
        String agrees = bench.all(".row.open .finding button").stream()
                .map(WebElement::getText)
                .filter(t -> t.startsWith("Hit within"))
                .findFirst()
                .orElseThrow();
        bench.clickText(".row.open .finding button", agrees);
        bench.await(b -> bench.all(".row.open .finding").stream()
                .noneMatch(f -> f.getText().contains("the game hits within")));
    }

    @Test
    void seventyTwoPiecesShowTheirFramesOnceInALoopOrAtRandom() throws IOException {
        blankEffect("died");
        bench.enter("Burst, most", "72");
        bench.enter("Burst, least", "72");
        bench.awaitNumber("births", "72");
        bench.choose("Sprite", "bring a picture…");
        Path sheet = folder.resolve("pieces.png");
        Files.write(sheet, Pictures.png(new int[64 * 16], 64, 16));
        bench.one("[aria-label^=Picture] input[type=file]").sendKeys(sheet.toString());
        bench.enter("Columns", "4");
        bench.clickText(".el-dialog button", "Bring it and use it here");
        bench.await(b -> bench.chosen("Sprite").equals("pieces"));
        for (String frame : List.of("all, over life", "all, again and again", "a random one")) {
            bench.choose("Frame", frame);
            bench.await(b -> bench.chosen("Frame").equals(frame));
        }
        bench.enter("Drawn in front by", "1");
        for (int one : new int[] {17, 1}) {
            bench.clickText("aside button", "+ emitter");
            bench.clickText("aside button", "a blank one");
            for (String end : one > 10 ? List.of("most", "least") : List.of("least", "most")) {
                bench.enter("Burst, " + end, String.valueOf(one));
            }
        }
        bench.awaitNumber("births", "90");
        toRopes();
        more("a hit pause");
        bench.awaitText(".row.open .sentence", "0.05 s");
        shut();
        bench.press(" ");
        bench.awaitText("[data-testid=account]", "pause");
    }

    @Test
    void fireAtFifteenASecondHasAFlashAnImpactAlongTheNormalAndAPush() {
        event("hit");
        rope("hit", "impact");
        more("a limit");
        bench.clickText(".el-popper .el-checkbox", "at most");
        bench.enter("at most, ", "15");
        bench.enter("at most once in", "0");
        bench.awaitText(".row.open .sentence", "at most 15 a second");
        more("a flash of the screen");
        bench.awaitText(".row.open .sentence", "flash");
        shut();
        assertThat(bench.text(".row.open .sentence")).contains("facing the normal");
        toEffect("impact");
        emitter("bits");
        String reach = bench.number("reach");
        use("Life", "outward push");
        bench.enter("outward push, strength", "40");
        bench.await(b -> !bench.number("reach").equals(reach));
    }

    @Test
    void aRateIsFoundOutAsAnInterval() {
        blankEffect("appeared");
        use("Birth", "stream");
        bench.enter("Duration", "1s");
        bench.enter("Rate", "every 100ms");
        // Ten a second for a second, besides the burst of ten.
        bench.awaitNumber("births", "20");
        assertThat(bench.one("input[aria-label^='Rate']").getAttribute("title")).isEqualTo("one every 100 ms");
        bench.enter("Rate", "25");
        bench.awaitNumber("births", "35");
    }

    @Test
    void exhaustIsBornOutsideAMovingBodyAndALeaningThrowIsNoticed() {
        event("moving");
        rope("moving", "exhaust");
        part("up");
        choose("as the subject stands");
        bench.awaitText(".row.open .sentence", "facing as the subject stands");
        shut();
        toEffect("exhaust");
        use("Birth", "offset");
        bench.enter("Offset, x", "-1.5");
        bench.choose("Aim", "outward");
        bench.enter("Spread", "180");
        bench.enter("Share of the source", "1");
        bench.enter("Source moves", "20");
        bench.awaitText("[data-testid=findings]", "leans");
        bench.clickText("[data-testid=findings] button", "Leave out the source's velocity");
        bench.await(b -> !bench.text("[data-testid=findings]").contains("leans"));
    }

    @Test
    void aStarBurstStandsInPlaceOfABoxInItsTurn() {
        event("flipped");
        rope("flipped", "a blank effect");
        part("up");
        choose("as the subject stands");
        bench.awaitText(".row.open .sentence", "facing as the subject stands");
        shut();
        toEffect("new effect");
        bench.choose("Shape", "circle");
        bench.choose("Where on it", "on its rim");
        use("Birth", "placed evenly");
        bench.choose("Aim", "outward");
        bench.enter("Gravity", "0");
        bench.enter("Spread", "0");
        use("Birth", "share of gravity");
        bench.await(b -> value("Share of gravity, least").equals("0.7"));
        use("Life", "between two colours");
        bench.one("section[aria-label=Life] button[aria-label^='other colour, colour at']");
        assertThat(births()).isEqualTo(10);
        // The ring lies in the plane of x and z: seen along the facing it goes nowhere, all round it does.
        bench.await(b -> shown("reach") < 0.01);
        assertThat(shown("onset")).isLessThan(20);
    }

    @Test
    void snowSplashesDoesNotRunAwayAndIsTurnedIntoRain() {
        event("appeared");
        rope("appeared", "snowfall");
        toEffect("snowfall");
        bench.clickText("aside button", "+ emitter");
        bench.clickText("aside button", "a blank one");
        bench.await(b -> value("Name of the emitter").equals("specks"));
        bench.click("button[aria-label='Remove burst 1']");
        emitter("flakes");
        use("End", "children");
        bench.choose("Child 1, what", "specks");
        bench.choose("Child 1, when", "on collision");
        // Each flake strikes once and stays: a splash of so many, and no more of those.
        bench.awaitText("section[aria-label=End]", "specks");
        bench.awaitText("aside section[aria-label=Emitters]", "from flakes");
        assertThat(bench.text("[data-testid=findings]")).doesNotContain("runs away");
        // A splash that splashes itself would: it is said before it is played.
        emitter("specks");
        use("End", "children");
        bench.choose("Child 1, what", "specks");
        bench.choose("Child 1, when", "at end");
        bench.enter("Child 1, most", "3");
        bench.enter("Child 1, least", "2");
        bench.awaitText("[data-testid=findings]", "runs away");
        bench.click("button[aria-label='Remove child 1']");
        bench.await(b -> !bench.text("[data-testid=findings]").contains("runs away"));
        // Rain is the same, quicker and straight down.
        emitter("flakes");
        bench.choose("Aim", "by axis");
        bench.enter("Velocity along y, least", "-12");
        bench.enter("Velocity along y, most", "-10");
        bench.await(b -> value("Velocity along y, least").equals("-12"));
    }

    @Test
    void tenThingsAreExposedAndARateDrivesASpeed() {
        blankEffect("landed");
        bench.clickStarting(".below label", "Parameters for");
        for (int i = 0; i < 10; i++) {
            int before = i;
            bench.clickText(".bench button", "+ parameter");
            bench.await(b -> bench.all("aside .opens").size() > before);
        }
        bench.await(b -> bench.text(".below").contains("Parameters for game code 10"));
        // The last drives speed: at twice, particles come about twice as fast.
        bench.clickText(".bindings button", "+ acts on");
        bench.choose("Binding 1, property", "speed");
        double usual = shown("reach");
        bench.type("Turn ", "2" + Keys.ENTER);
        bench.await(b -> shown("reach") > 1.5 * usual);
    }

    @Test
    void sparksAtFiveTimesTheSpeedAndADestroyVariantWithAFlash() {
        event("hit");
        event("died");
        rope("hit", "sparks");
        double slow = shown("reach");
        more("an override");
        bench.enter("speeds ×", "5");
        bench.awaitText(".row.open .sentence", "speeds × 5");
        bench.await(b -> shown("reach") > 2 * slow);
        shut();
        rope("died", "sparks");
        more("a flash of the screen");
        bench.awaitText(".row.open .sentence", "flash");
        shut();
        bench.await(b -> Math.abs(shown("reach") - slow) < 0.4 * slow);
        bench.press(" ");
        bench.awaitText("[data-testid=account]", "flash");
    }

    @Test
    void aZonePushesAsHardAsWhoIsInsideIsQuick() throws IOException {
        channel("quickness");
        event("burning");
        rope("burning", "ambient drift");
        toEffect("ambient drift");
        use("Life", "attractor");
        bench.enter("attractor, strength", "-100");
        bench.enter("repeller, radius", "250");
        bench.clickStarting(".below label", "Parameters for");
        bench.clickText("aside .opens", "amount");
        bench.enter("Most", "20");
        bench.clickText(".bindings button", "+ acts on");
        bench.choose("Binding 2, property", "force");
        toRopes();
        part("+ feed");
        choose("amount");
        bench.awaitText(".row.open .sentence", "amount from");
        part("amount from");
        bench.choose("Field", "quickness");
        bench.enter("amount sampled every", "100ms");
        shut();
        // Particles share what pushes them from their beginning; it is said, and one setting lets them follow.
        bench.awaitText(".row.open .finding", "amount also acts on force");
        toEffect("ambient drift");
        bench.clickStarting(".below label", "Settings of");
        use("Life", "forces that follow");
        bench.awaitText("section[aria-label=Life]", "follow while particles live");
        assertThat(bench.violations()).isEmpty();
        toRopes();
        bench.await(b -> bench.all(".row.open .finding").stream()
                .noneMatch(f -> f.getText().contains("also acts on force")));
    }

    @Test
    void aThingIsSwappedForAnotherPictureByAChoice() throws IOException {
        event("collected");
        rope("collected", "glint");
        toEffect("glint");
        bench.clickStarting(".below label", "Parameters for");
        bench.clickText(".bench button", "+ parameter");
        bench.await(b -> value("Name of the parameter").equals("amount 2"));
        bench.choose("Type of the parameter", "a choice of words");
        bench.clickText(".bindings button", "+ acts on");
        bench.choose("Binding 1, property", "sprite");
        // Words that were no sprites gave way to the one in use and one besides.
        bench.await(b -> bench.chosen("Default").equals("glint"));
        bench.clickText(".sprites .el-checkbox", "feather");
        bench.choose("Default", "feather");
        bench.await(b -> bench.chosen("Default").equals("feather"));
        bench.awaitText(".binding", "glint");
        assertThat(bench.violations()).isEmpty();
    }

    @Test
    void anEvenRingIsLoopedDampedColouredDrawnOnTopAndPlacedByAPress() {
        event("appeared");
        rope("appeared", "a blank effect");
        toEffect("new effect");
        bench.choose("When it plays again", "again every");
        bench.enter("Again every", "1s");
        bench.choose("Shape", "circle");
        bench.enter("Radius", "1");
        use("Birth", "placed evenly");
        bench.choose("Aim", "outward");
        bench.enter("Gravity", "0");
        bench.enter("Drag", "4");
        bench.enter("Drawn in front by", "2");
        bench.await(b -> bench.number("births").equals("10"));
        toRopes();
        String before = value("position x");
        WebElement stage = bench.one("[data-testid=stage]");
        new Actions(bench.browser()).moveToElement(stage, 120, 40).click().perform();
        bench.awaitText("[data-testid=account]", "new effect at");
        bench.await(b -> !value("position x").equals(before));
    }
}
