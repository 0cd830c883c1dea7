package bellrope.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestMethodOrder;

@DisplayName("While the server is away")
@TestMethodOrder(MethodOrderer.MethodName.class)
class AwayIT extends AtBench {
    private static void shape(String effect) {
        bench.open("/#/effects");
        bench.await(b -> bench.text("header").contains("connected"));
        bench.await(b -> bench.all(".list li button").stream()
                        .filter(e -> e.getText().startsWith(effect))
                        .findFirst()
                        .orElse(null))
                .click();
        bench.await(b -> field("Name of the effect").equals(effect));
        bench.await(b -> !bench.all("[data-number=births]").isEmpty());
    }

    private static String field(String label) {
        return bench.one("input[aria-label^='" + label + "']").getAttribute("value");
    }

    /** Returns a setting of an effect as the server has it, by a pattern with one group. */
    private static String saved(String effect, String setting) {
        return (String) bench.js(
                "return fetch('/api/projects/1').then(r => r.json()).then(p => JSON.stringify(p.parts.find("
                        + "e => e.kind === 'effect' && e.name === arguments[0]).body)"
                        + ".match(new RegExp(arguments[1]))[1]);",
                effect,
                setting);
    }

    @Test
    void shapingAndPullingGoOnAndTheChangeIsSavedWhenItIsBack() {
        shape("peat splat");
        bench.stopServer();
        bench.awaitText("header", "server away");
        bench.enter("Spread", "41");
        bench.awaitText("header", "server away, 1 change waits");
        bench.awaitText("[data-testid=refusal]", "waits in this browser");
        bench.clickText("nav a", "Ropes");
        bench.clickText(".events .name", "landed");
        bench.press(" ");
        bench.awaitText("[data-testid=account]", "ropes listened");
        bench.startServer();
        bench.awaitText("header", "connected");
        bench.await(b -> saved("peat splat", "\"spread\":([0-9.]+)").equals("41"));
        bench.await(b -> bench.all("[data-testid=refusal]").isEmpty());
    }

    @Test
    void theChangeOutlivesTheWindow() {
        shape("seal ring");
        bench.stopServer();
        bench.enter("Spread", "33");
        bench.awaitText("header", "1 change waits");
        bench.browser().get("about:blank");
        bench.startServer();
        shape("seal ring");
        bench.await(b -> saved("seal ring", "\"spread\":([0-9.]+)").equals("33"));
        assertThat(field("Spread")).isEqualTo("33");
        assertThat(bench.text("header")).doesNotContain("waits");
    }

    @Test
    void whatAnotherSavedMeanwhileIsAConflictAsEver() {
        shape("hail shatter");
        bench.stopServer();
        bench.enter("Spread", "22");
        bench.awaitText("header", "1 change waits");
        bench.browser().get("about:blank");
        bench.startServer();
        bench.browser().get(bench.address() + "/api/projects");
        bench.js("return fetch('/api/projects/1').then(r => r.json()).then(p => {"
                + "const e = p.parts.find(e => e.kind === 'effect' && e.name === 'hail shatter');"
                + "return fetch('/api/parts/' + e.id, {method: 'PUT', headers: {'Content-Type': 'application/json'},"
                + "body: JSON.stringify({basedOn: e.revision, body: JSON.parse(JSON.stringify(e.body).replace(/\"spread\":[0-9.]+/, '\"spread\":55'))})})"
                + "}).then(r => r.status)");
        bench.open("/#/effects");
        bench.awaitText(".el-dialog", "hail shatter");
        assertThat(bench.text("[data-testid=conflict]")).contains("22", "55");
        bench.clickText(".el-dialog button", "Go on with the saved one");
        bench.await(b -> !bench.text("header").contains("waits"));
        assertThat(saved("hail shatter", "\"spread\":([0-9.]+)")).isEqualTo("55");
    }
}
