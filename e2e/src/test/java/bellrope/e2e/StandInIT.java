package bellrope.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import bellrope.cli.Commands;
import bellrope.format.json.Demo;
import bellrope.format.json.JsonText;
import java.io.IOException;
import java.io.PrintWriter;
import java.io.StringWriter;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.function.BooleanSupplier;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestMethodOrder;
import org.openqa.selenium.By;
import org.openqa.selenium.WebElement;
import org.openqa.selenium.chrome.ChromeDriver;
import picocli.CommandLine;
import tools.jackson.databind.JsonNode;

/** Windrow Post, which plays itself in a browser of its own, and the bench: whatever happens there is seen here. */
@DisplayName("Windrow Post and the bench")
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
class StandInIT extends AtBench {
    private ChromeDriver other;

    private void play(String more) {
        other = Bench.browser(folder);
        other.get(bench.address() + "/standin.html?project=1" + more);
        await(() -> game("return !!window.windrow") == Boolean.TRUE);
    }

    private Object game(String script, Object... args) {
        return other.executeScript(script, args);
    }

    private static void await(BooleanSupplier condition) {
        bench.await(b -> condition.getAsBoolean());
    }

    private void awaitLink(String words) {
        await(() -> other.findElement(By.cssSelector("[data-testid=link]"))
                .getText()
                .startsWith(words));
    }

    private static void awaitState(String state) {
        bench.await(b -> bench.all("[data-testid=game-state]").stream()
                .anyMatch(e -> e.getText().endsWith(state)));
    }

    /** From here on only {@link #run} lets time pass. */
    private void pause() {
        game("document.querySelector('aside .row button').click()");
    }

    // Time passes quicker than software draws.
    private void run(int steps) {
        game("window.windrow.step(arguments[0])", steps);
    }

    private static int agreed() {
        Matcher told = Pattern.compile("to the bit, (\\d+) times").matcher(bench.text("[data-testid=game-facts]"));
        return told.find() ? Integer.parseInt(told.group(1)) : 0;
    }

    private static boolean ticked(String type, String words) {
        for (WebElement line : bench.all("[data-testid=ticker] li")) {
            String text = line.getText();
            if (text.contains(type) && text.contains(words)) {
                return true;
            }
        }
        return false;
    }

    private static JsonNode ask(String method, String path, String body) {
        try {
            HttpResponse<String> answer = HttpClient.newHttpClient()
                    .send(
                            HttpRequest.newBuilder(URI.create(bench.address() + path))
                                    .method(
                                            method,
                                            body == null
                                                    ? HttpRequest.BodyPublishers.noBody()
                                                    : HttpRequest.BodyPublishers.ofString(body))
                                    .header("Content-Type", "application/json")
                                    .build(),
                            HttpResponse.BodyHandlers.ofString());
            assertThat(answer.statusCode()).isLessThan(300);
            return answer.body().isEmpty()
                    ? null
                    : JsonText.parse(answer.body()).node();
        } catch (IOException e) {
            throw new AssertionError(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new AssertionError(e);
        }
    }

    private static JsonNode part(String kind, String name) {
        for (JsonNode part : ask("GET", "/api/projects/1", null).get("parts")) {
            if (part.get("kind").asString().equals(kind)
                    && part.get("name").asString().equals(name)) {
                return part;
            }
        }
        throw new AssertionError("no " + kind + " " + name);
    }

    @AfterEach
    void quit() {
        if (other != null) {
            other.quit();
        }
    }

    @Test
    @Order(1)
    void itIsPlayedByOnePressAndEverythingItDoesIsSeenToTheBit() throws IOException {
        bench.open("/#/game");
        assertThat(bench.one(".empty a").getAttribute("href")).isEqualTo(bench.address() + "/standin.html?project=1");
        play("&seed=7");
        awaitLink("linked with Windrow Post");
        awaitState("linked");
        pause();
        run(600);
        await(() -> ticked("courier.landed", "landing on") || ticked("courier.landed", "puff"));
        await(() -> agreed() > 2);
        assertThat(bench.one("[data-testid=figures]").getAttribute("aria-label"))
                .contains("courier");
        assertThat(bench.text("[data-testid=game-counts]")).doesNotContain("wrong");

        // Made to happen from here.
        bench.clickText("[data-testid=can] button", "the courier falls");
        run(5);
        await(() -> ticked("courier.downed", "kite tear"));
        run(20);
        assertThat(game("return window.windrow.world.courier.way")).isIn("falls", "lies");
        assertThat(game("return window.windrow.world.hidden")).isEqualTo(true);
        int before = agreed();
        run(300);
        await(() -> agreed() > before);
        assertThat(bench.violations()).isEmpty();
    }

    @Test
    @Order(2)
    void whatGameCodeDoesWrongIsTold() {
        bench.open("/#/game");
        play("&seed=7");
        awaitLink("linked");
        for (WebElement box : other.findElements(By.cssSelector("aside .el-checkbox"))) {
            if (!box.getText().contains("never ends")) {
                box.click();
            }
        }
        for (int n = 0; n < 10; n++) {
            run(120);
        }
        await(() -> ticked("parcel.colected", "did you mean parcel.collected?"));
        bench.clickStarting("[data-testid=game-kinds] button", "parcel.colected");
        bench.awaitText("[data-testid=game-account]", "Nothing plays for it");
        bench.clickStarting("[data-testid=game-kinds] button", "courier.landed");
        bench.awaitText("[data-testid=game-account]", "surface");
        // An owner that goes as soon as its span begins ends it.
        await(() -> ticked("subject.gone", "the kite reels") || ticked("subject.gone", "courier"));
    }

    @Test
    @Order(3)
    void whatNobodyAnswersIsWiredAndAChangedNumberIsInTheGameWhilePlaying() {
        JsonNode rope = part("rope", "a crow scattered");
        ask(
                "DELETE",
                "/api/parts/" + rope.get("id").asLong() + "?basedOn="
                        + rope.get("revision").asLong(),
                null);
        bench.open("/#/game");
        play("&seed=7");
        awaitLink("linked");
        // It came with the bundle that it was built with, and has the present one.
        await(() -> ropes() == 18);
        game("window.windrow.world.ask('a crow flees')");
        run(240);
        await(() -> ticked("crow.scattered", "no rope listens"));
        bench.clickStarting("[data-testid=game-kinds] button", "crow.scattered");
        bench.clickText("[data-testid=game-account] button", "Wire it");
        bench.awaitText(".board, main", "crow.scattered");
        await(() -> ropes() == 19);

        JsonNode puff = part("effect", "straw puff");
        String body = puff.get("body").toString().replaceFirst("\"drag\":[0-9.]+", "\"drag\":0.77");
        ask(
                "PUT",
                "/api/parts/" + puff.get("id").asLong(),
                "{\"basedOn\":" + puff.get("revision").asLong() + ",\"body\":" + body + "}");
        await(() ->
                game("return JSON.stringify(window.windrow.stage.bundle).includes('\"drag\":0.77')") == Boolean.TRUE);
        long now = ((Number) game("return window.windrow.world.now")).longValue();
        run(30);
        assertThat(((Number) game("return window.windrow.world.now")).longValue())
                .isGreaterThan(now);
        bench.open("/#/game");
        run(300);
        await(() -> agreed() > 0);
        assertThat(bench.text("[data-testid=game-counts]")).doesNotContain("wrong");
        assertThat(bench.text("[data-testid=bent]")).matches("[1-9]\\d* play on as changed");

        // What plays of a rope that is deleted cannot bend, and that is said.
        JsonNode mill = part("rope", "a mill turns");
        ask(
                "DELETE",
                "/api/parts/" + mill.get("id").asLong() + "?basedOn="
                        + mill.get("revision").asLong(),
                null);
        await(() -> ropes() == 18);
        run(10);
        bench.awaitText("[data-testid=bent]", "could not, and ended: a mill turns (5)");
    }

    private int ropes() {
        return ((Number) game("return window.windrow.stage.bundle.ropes.length")).intValue();
    }

    @Test
    @Order(4)
    void serverAndGameGoAndComeBack() {
        bench.open("/#/game");
        play("&seed=9");
        awaitLink("linked");
        run(300);
        await(() -> agreed() > 0);
        bench.stopServer();
        awaitLink("unlinked: the server was lost");
        long now = ((Number) game("return window.windrow.world.now")).longValue();
        run(120);
        await(() -> ((Number) game("return window.windrow.world.now")).longValue() > now + 120);
        bench.startServer();
        awaitLink("linked with Windrow Post");
        awaitState("linked");
        run(300);
        // What began before the server did is not known there; nothing is said to differ for that.
        bench.awaitText("[data-testid=middle]", "from the middle on");
        await(() -> bench.all("[data-testid=ticker] li").size() > 2);
        assertThat(bench.text("[data-testid=game-counts]")).doesNotContain("wrong");
        assertThat(game("return window.windrow.stage.dropped")).isEqualTo(0L);

        other.quit();
        awaitState("lost");
        play("&seed=9");
        awaitLink("linked");
        awaitState("linked");
        run(300);
        await(() -> agreed() > 0);
    }

    @Test
    @Order(5)
    void theSameSeedIsTheSameRunLinkedOrNot() {
        bench.browser().get("about:blank");
        // Of the bundle that it was built with: what is changed on the bench changes what is seen.
        long project = ask("POST", "/api/bundles", new String(Demo.bytes(), StandardCharsets.UTF_8))
                .get("id")
                .asLong();
        other = Bench.browser(folder);
        other.get(bench.address() + "/standin.html?seed=11&project=" + project);
        await(() -> game("return !!window.windrow") == Boolean.TRUE);
        awaitLink("linked");
        Object linked = summed();
        other.get(bench.address() + "/standin.html?seed=11&link="
                + bench.address().replace("http", "ws") + "/nobody");
        await(() -> game("return !!window.windrow") == Boolean.TRUE);
        awaitLink("unlinked");
        assertThat(summed()).isEqualTo(linked);
        // How much of a frame, drawing aside, is the link's: told, never asserted. The quicker quarter of the rounds,
        // since server and browser share two cores here.
        System.out.println("A linked frame of Windrow Post against one that is not: " + ratio());
    }

    @Test
    @Order(6)
    void itIsServedByACommandAndLinksFromThere() throws Exception {
        StringWriter out = new StringWriter();
        Thread command = new Thread(() -> new CommandLine(new Commands())
                .setOut(new PrintWriter(out))
                .execute(
                        "game",
                        "--port",
                        "0",
                        "--seed",
                        "3",
                        "--link",
                        bench.address().replace("http", "ws") + "/link?project=1"));
        command.setDaemon(true);
        command.start();
        await(() -> out.toString().contains("http://"));
        other = Bench.browser(folder);
        other.get(out.toString().substring(out.toString().indexOf("http://")).strip());
        await(() -> game("return !!window.windrow") == Boolean.TRUE);
        awaitLink("linked with Windrow Post");
        run(60);
        assertThat(((Number) game("return window.windrow.stage.frame().length")).intValue())
                .isGreaterThan(64 + 20 * 3);
        command.interrupt();
    }

    // Checksums of frames of a game that nothing but this moves.
    private Object summed() {
        pause();
        return other.executeAsyncScript("""
                const done = arguments[0]
                const { world, stage, step } = window.windrow
                while (world.now < 600) step(1)
                const sums = []
                for (let i = 0; i < 20; i++) { step(30); sums.push(stage.sum()) }
                done([world.now, ...sums])
                """);
    }

    // In turns, so that whatever slows the machine slows both.
    private String ratio() {
        other.get(bench.address() + "/standin.html?seed=11&project=1");
        awaitLink("linked");
        pause();
        return String.valueOf(other.executeAsyncScript("""
                const done = arguments[0]
                const { stage, step } = window.windrow
                const link = stage.link
                const times = { linked: [], alone: [] }
                step(600)
                const say = link.say, at = link.at
                let turn = 0
                const round = () => {
                  const alone = turn % 2 === 1
                  link.say = alone ? () => {} : say
                  link.at = alone ? () => {} : at
                  const before = performance.now()
                  for (let i = 0; i < 20; i++) { step(1); stage.frame() }
                  times[alone ? 'alone' : 'linked'].push(performance.now() - before)
                  if (++turn < 160) setTimeout(round, 5)
                  else {
                    const quick = (t) => t.sort((a, b) => a - b)[t.length >> 2]
                    done((quick(times.linked) / quick(times.alone)).toFixed(3)
                      + ' (' + (quick(times.linked) / 20).toFixed(3) + ' ms a frame)')
                  }
                }
                round()
                """));
    }
}
