package bellrope.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import bellrope.core.event.Pull;
import bellrope.core.project.Project;
import bellrope.core.value.Datum;
import bellrope.core.value.Vec3;
import bellrope.format.json.Demo;
import bellrope.link.LinkListener;
import bellrope.link.LinkedGame;
import java.net.URI;
import java.util.Map;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.Keys;
import org.openqa.selenium.WebElement;

/** A running game and the bench: the client for Java, a real server, a page. */
@DisplayName("A running game")
class GameIT extends AtBench {
    private Playing game;

    /** A game on a thread of its own, at its own pace; what it is to do it does there. */
    private static final class Playing implements AutoCloseable {
        private final BlockingQueue<Pull> pulls = new LinkedBlockingQueue<>();
        private final LinkedGame linked;
        private final Thread thread = new Thread(this::play, "game");
        private volatile boolean over;
        private volatile int particles;
        private volatile long births;
        private volatile Project project;
        private final AtomicInteger unlinked = new AtomicInteger();

        Playing(String address, String contract) {
            linked = LinkedGame.open(
                    Demo.project(),
                    "Windrow Post",
                    contract,
                    URI.create(address.replace("http", "ws") + "/link"),
                    new LinkListener() {
                        @Override
                        public void unlinked(String why) {
                            unlinked.incrementAndGet();
                        }
                    });
            thread.start();
        }

        private void play() {
            long before = System.nanoTime();
            double time = 0;
            int frames = 0;
            while (!over) {
                for (Pull pull = pulls.poll(); pull != null; pull = pulls.poll()) {
                    linked.pull(pull);
                }
                linked.move("kite", new Vec3(Math.sin(time), 2, 0), Vec3.RIGHT, null);
                long now = System.nanoTime();
                time += (now - before) / 1e9;
                linked.advance((now - before) / 1e9);
                if (++frames % 20 == 0) {
                    linked.check();
                }
                particles = linked.stage().particles();
                births = linked.stage().births();
                project = linked.stage().project();
                before = now;
                try {
                    TimeUnit.MILLISECONDS.sleep(10);
                } catch (InterruptedException e) {
                    return;
                }
            }
            linked.close();
        }

        @Override
        public void close() throws InterruptedException {
            over = true;
            thread.join();
        }
    }

    @BeforeEach
    void link() {
        bench.open("/#/game");
        game = new Playing(bench.address(), "");
        bench.await(b -> bench.all("[data-testid=game-state]").stream()
                .anyMatch(e -> e.getText().endsWith("linked")));
        bench.await(
                b -> game.project != null && bench.all("[data-testid=game-now]").size() == 1);
    }

    @AfterEach
    void end() throws InterruptedException {
        game.close();
    }

    // How often every byte of the game's frame was the same in the page.
    private static int agreed() {
        Matcher told = Pattern.compile("to the bit, (\\d+) times").matcher(bench.text("[data-testid=game-facts]"));
        return told.find() ? Integer.parseInt(told.group(1)) : 0;
    }

    private static Pull landed(String surface, double speed, long seed) {
        return new Pull(
                "courier.landed",
                Map.of(
                        "position", new Datum.Vec(Vec3.ZERO),
                        "normal", new Datum.Vec(Vec3.UP),
                        "speed", new Datum.Num(speed),
                        "surface", new Datum.Word(surface)),
                seed);
    }

    @Test
    void whatTheGameShowsIsShownAndToldHere() throws Exception {
        game.pulls.add(landed("thatch", 9, 4));
        bench.awaitText("[data-testid=game-account]", "landing on thatch");
        assertThat(bench.text("[data-testid=ticker]")).contains("courier.landed", "straw puff");
        bench.awaitText("header", "connected, 1 game");
        // What is told is worked out anew, and is the same.
        bench.browser().navigate().refresh();
        bench.awaitText("[data-testid=game-account]", "landing on thatch");
        bench.awaitText("[data-testid=game-counts]", "1 answered");
        // A span that never ends, so that both have something to show for as long as it takes to compare them.
        game.pulls.add(Pull.begin(
                "kite.reeling",
                Map.of("position", new Datum.Vec(new Vec3(0, 2, 0)), "heading", new Datum.Vec(Vec3.RIGHT)),
                2));
        bench.await(b -> game.particles > 20);
        int agreed = agreed();
        bench.await(b -> agreed() > agreed + 5);
        assertThat(bench.text("[data-testid=game-kinds]")).doesNotContain("frame.checked");
        bench.await(b -> Math.abs(Integer.parseInt(bench.text("[data-testid=game-particles]")) - game.particles) < 8);
        bench.await(b -> Integer.parseInt(bench.text("[data-testid=alive]")) > 10);
        assertThat(bench.violations()).isEmpty();
    }

    @Test
    void whatNobodyAnswersIsDeclaredWiredAndThenAnswered() {
        Pull snapped =
                new Pull("line.snapped", Map.of("position", new Datum.Vec(Vec3.ZERO), "tension", new Datum.Num(37)), 1);
        game.pulls.add(snapped);
        bench.awaitText("[data-testid=game-kinds]", "line.snapped");
        bench.clickText("[data-testid=game-kinds] button", "line.snapped");
        bench.awaitText("[data-testid=game-account]", "the project has no such event");
        bench.clickText("[data-testid=game-account] button", "Declare it from what came");
        bench.await(b -> game.project.event("line.snapped").isPresent());
        game.pulls.add(snapped);
        bench.await(b -> bench.all("[data-testid=game-kinds] .unwired").size() == 1);
        bench.clickText("[data-testid=game-kinds] button", "line.snapped");
        bench.clickText("[data-testid=game-account] button", "Wire it");
        String row = "[data-rope='line.snapped 1']";
        bench.awaitText(row, "When line.snapped");
        bench.clickText(row + " .part", "no effect chosen");
        bench.clickStarting(".el-popper .choice", "hard knock");
        // Without a restart: the game has the rope as soon as it is saved.
        bench.await(b -> game.project.ropes().stream()
                .anyMatch(r -> r.name().equals("line.snapped 1") && r.play().isPresent()));
        bench.open("/#/game");
        game.pulls.add(snapped);
        bench.awaitText("[data-testid=ticker]", "hard knock");
        bench.await(b -> game.births > 0);
    }

    private double spread() {
        return game.project
                .effect("peat splat")
                .orElseThrow()
                .emitters()
                .get(0)
                .birth()
                .spread();
    }

    @Test
    void whatIsTriedInAFieldIsInTheGameAtOnceWhereThatIsWantedAndGoesWithIt() {
        bench.click("[data-testid=sharing]");
        bench.awaitText("header", "1 game with drafts");
        bench.clickText("nav a", "Effects");
        bench.clickStarting(".list li button", "peat splat");
        WebElement field = bench.one("input[aria-label^='Spread']");
        bench.await(b -> "12".equals(field.getDomProperty("value")));
        field.sendKeys(Keys.ARROW_UP);
        // Neither Enter nor leaving: it is not saved.
        bench.await(b -> spread() > 12);
        assertThat(bench.js("return fetch('/api/projects/1/bundle').then(r => r.json()).then(p =>"
                        + "p.effects.find(e => e.name === 'peat splat').emitters[0].birth.spread)"))
                .isEqualTo(12L);
        field.sendKeys(Keys.ESCAPE);
        bench.await(b -> spread() == 12);
        field.sendKeys(Keys.ARROW_UP);
        bench.await(b -> spread() > 12);
        field.sendKeys(Keys.ENTER);
        bench.await(b -> !bench.all("[data-testid=undo]:enabled").isEmpty());
        bench.clickText("nav a", "Game");
        bench.click("[data-testid=sharing]");
        bench.await(b -> bench.all("[data-testid=plays-drafts]").isEmpty());
        assertThat(spread()).isGreaterThan(12);
        assertThat(bench.text("header")).doesNotContain("with drafts");
    }

    @Test
    void whatHasBrokenAGameSinceItWasBuiltIsSaid() throws Exception {
        bench.clickText("nav a", "Handoff");
        bench.clickText("nav form button", "Hand over 1");
        bench.awaitText("[data-testid=differences]", "Nothing differs from version 1");
        bench.clickText("nav a", "Game");
        game.close();
        game = new Playing(bench.address(), "1");
        bench.awaitText("[data-testid=built-against]", "1: as it is now");
        Object added = bench.js("return fetch('/api/projects/1').then(r => r.json()).then(p => {"
                + "const e = p.parts.find(e => e.kind === 'event' && e.name === 'parcel.delivered');"
                + "const body = {...e.body, fields: [...e.body.fields, {name: 'weight', type: 'number', range: [0, 9]}]};"
                + "return fetch('/api/parts/' + e.id, {method: 'PUT', headers: {'Content-Type': 'application/json'},"
                + "body: JSON.stringify({basedOn: e.revision, body})}).then(r => r.text())})");
        assertThat(String.valueOf(added)).contains("weight").doesNotContain("problems");
        bench.clickText("[data-testid=built-against] a", "1 thing differs now, 1 breaks game code");
        bench.awaitText("[data-testid=differences]", "weight");
        game.close();
        game = new Playing(bench.address(), "last year's");
        bench.clickText("nav a", "Game");
        bench.awaitText("[data-testid=built-against]", "last year's: no version of that name was handed over");
    }

    @Test
    void whatCameIsKeptAsARehearsal() {
        game.pulls.add(landed("thatch", 9, 4));
        bench.awaitText("[data-testid=game-account]", "landing on thatch");
        game.pulls.add(landed("stone", 11, 5));
        bench.awaitText("[data-testid=game-account]", "landing on stone");
        bench.click("[data-testid=keep-game]");
        bench.awaitText("[data-testid=trace]", "2 lines can be played");
        bench.click("[data-testid=take-trace]");
        bench.awaitText(".rehearsal nav", "Windrow Post, as it ran");
        bench.awaitText("[data-testid=rehearsed]", "as it is now");
        assertThat(bench.text("[data-testid=score]")).contains("courier.landed");
    }

    @Test
    void aGameWhoseServerGoesPlaysOnSaysSoOnceAndIsThereAgain() {
        game.pulls.add(landed("stone", 9, 4));
        bench.awaitText("[data-testid=game-account]", "landing on stone");
        long births = game.births;
        bench.stopServer();
        bench.await(b -> game.unlinked.get() == 1);
        game.pulls.add(landed("thatch", 9, 5));
        bench.await(b -> game.births > births);
        bench.awaitText(".game nav", "The server is away");
        bench.startServer();
        // What it did meanwhile is said now: the bench begins there, and shows that it does.
        bench.awaitText("[data-testid=ticker]", "straw puff");
        bench.awaitText("[data-testid=middle]", "from the middle on");
        assertThat(game.unlinked.get()).isEqualTo(1);
        assertThat(bench.text("[data-testid=game-counts]")).doesNotContain("wrong");
        game.pulls.add(landed("water", 9, 6));
        bench.awaitText("[data-testid=ticker]", "water crown");
    }

    @Test
    void aGameThatEndsIsSaidToBeLostAndOneThatComesIsFollowed() throws Exception {
        game.pulls.add(landed("stone", 9, 4));
        bench.awaitText("[data-testid=game-account]", "landing on stone");
        game.close();
        bench.awaitText("[data-testid=game-state]", "lost");
        assertThat(game.unlinked.get()).isZero();
        game = new Playing(bench.address(), "");
        bench.await(b -> bench.all("[data-testid=game-state]").stream()
                .anyMatch(e -> e.getText().endsWith("linked")));
        game.pulls.add(landed("water", 9, 4));
        bench.awaitText("[data-testid=game-account]", "landing on water");
    }
}
