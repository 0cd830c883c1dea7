package bellrope.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import bellrope.core.event.EventType;
import bellrope.core.event.Strength;
import bellrope.core.project.Project;
import bellrope.core.value.Refused;
import bellrope.format.answer.Answer;
import bellrope.format.answer.FitWish;
import bellrope.format.answer.Fits;
import bellrope.format.answer.LiveStage;
import bellrope.format.answer.PreviewHead;
import bellrope.format.answer.PreviewWish;
import bellrope.format.answer.Previews;
import bellrope.format.answer.Rehearsals;
import bellrope.format.answer.Responses;
import bellrope.format.answer.TakeWish;
import bellrope.format.answer.Takes;
import bellrope.format.answer.Traces;
import bellrope.format.answer.Whole;
import bellrope.format.answer.Wirings;
import bellrope.format.answer.Wrong;
import bellrope.format.json.Bundle;
import bellrope.format.json.Demo;
import bellrope.format.json.JacksonValue;
import bellrope.format.json.JsonText;
import bellrope.format.json.JsonValue;
import bellrope.format.json.PayloadJson;
import bellrope.format.json.Recipes;
import bellrope.format.report.ParameterReport;
import com.fasterxml.jackson.annotation.JsonInclude;
import java.nio.ByteBuffer;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import java.util.stream.LongStream;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * Outside check: the JVM. What the page computes is compared with what the same code comes to here, every byte of every
 * frame and every number, text and finding that is told with them.
 */
@DisplayName("The page computes what the JVM computes")
class SameInBrowserIT extends AtBench {
    /** Effects made at random, besides those of the demo and the recipes. */
    private static final int MADE = 200;

    /** Projects made at random: ropes, what they wait for and what they play. */
    private static final int PROJECTS = 500;

    private static final int AT_ONCE = 25;

    private static final JsonMapper JSON = JsonMapper.builder()
            .changeDefaultPropertyInclusion(v -> v.withValueInclusion(JsonInclude.Include.NON_NULL))
            .addModule(JacksonValue.module())
            .build();

    // A sum of each frame, so that a difference can be told by its step.
    private static final String IN_PAGE = """
            const { open } = await import('/core/core.js');
            const bytes = await (await fetch('/core/core.wasm')).arrayBuffer();
            const core = await open(bytes);
            const sum = (f) => { let h = 0; for (let i = 0; i < f.length; i++) h = (Math.imul(h, 31) + f[i]) | 0; return h };
            window.__open = (bundle) => {
              core.open(bundle.name);
              const put = (kind, bodies) => (bodies ?? []).forEach((body, place) => {
                const told = core.put({ id: ids[kind] + place, kind, place, body });
                if (told.problems) throw new Error(JSON.stringify(told.problems));
              });
              const ids = { settings: 1, sprite: 1000, event: 2000, effect: 3000, rope: 4000, channel: 5000, place: 6000, pool: 7000, score: 8000 };
              put('settings', bundle.settings && [bundle.settings]);
              put('sprite', bundle.sprites); put('event', bundle.events); put('effect', bundle.effects);
              put('rope', bundle.ropes); put('channel', bundle.channels); put('place', bundle.places);
              put('pool', bundle.pools); put('score', bundle.scores);
            };
            window.__ask = (ask, wish) => {
              const told = core[ask](wish);
              if (!told.head) return told;
              const frames = core.look({ viewing: told.viewing, from: 0, count: told.head.live.length }).frames;
              return { head: told.head, frames: frames.map(sum) };
            };
            // Messages of a live stage, each with its time: what was answered, and a sum of each frame.
            window.__live = (messages) => {
              core.startStage({ now: 0 });
              return messages.map((m) => {
                const { answer, frames, problems } = core.stage(m);
                return { answer, problems, frames: (frames ?? []).map(sum) };
              });
            };
            // A rehearsal to its end: what it came to, a sum of every so many frames, and the sizes of pools after some runs.
            window.__rehearse = (score, runs, every) => {
              core.rehearse({ score, runs });
              while (!core.rehearseOn({ steps: 500 }).answer.over);
              const head = core.rehearsed({}).head;
              const frames = [];
              for (let k = 0; k < head.live.length; k += every)
                frames.push(sum(core.rehearsedLook({ from: k, count: 1 }).frames[0]));
              for (let run = 0; run < runs; run++) core.sizeTaken(core.sizeRun({ run }).answer);
              const accounts = core.rehearsedAccounts({ step: head.live.length, most: 40 }).answer;
              return { head, frames, sized: core.sized({}).answer, accounts };
            };
            window.__frame = (ask, wish, k) => Array.from(core[ask]({ ...wish, at: k }).frames[0]);
            """;

    @BeforeAll
    static void start() {
        bring();
    }

    private static void bring() {
        bench.js("return (async () => {" + IN_PAGE + "})()");
    }

    private static JsonNode js(String script, Object... args) {
        return JSON.readTree((String) bench.js("return JSON.stringify((() => {" + script + "})())", args));
    }

    private static Whole open(Project project) {
        js("window.__open(JSON.parse(arguments[0])); return null", Bundle.write(project));
        return new Whole(
                project,
                LongStream.range(3000, 3000 + project.effects().size()).boxed().toList(),
                LongStream.range(4000, 4000 + project.ropes().size()).boxed().toList());
    }

    private static JsonNode ask(String ask, Map<String, ?> wish) {
        return js("return window.__ask(arguments[0], arguments[1])", ask, wish);
    }

    /** Compares what was told, and then frame by frame; the first difference is told with its step and its picture. */
    private static void same(String what, String ask, Map<String, ?> wish, JsonNode there, Answer<?> here) {
        JsonNode head = JSON.readTree(JSON.writeValueAsString(here.head()));
        assertThat(difference("", there.get("head"), head)).as(what).isEmpty();
        int frames = here.take().last() + 1;
        assertThat(there.get("frames").size()).as(what).isEqualTo(frames);
        for (int step = 0; step < frames; step++) {
            ByteBuffer seen = here.viewing().at(step);
            byte[] frame = Arrays.copyOfRange(seen.array(), seen.position(), seen.limit());
            if (sum(seen) != there.get("frames").get(step).intValue()) {
                JsonNode other = js("return window.__frame(arguments[0], arguments[1], arguments[2])", ask, wish, step);
                int at = 0;
                while (other.get(at).intValue() == frame[at]) {
                    at++;
                }
                assertThat(other.get(at).intValue())
                        .as("%s, step %d, picture %d, byte %d", what, step, Math.floorDiv(at - 64, 20), at)
                        .isEqualTo(frame[at]);
            }
        }
    }

    private static int sum(ByteBuffer frame) {
        int sum = 0;
        for (int i = frame.position(); i < frame.limit(); i++) {
            sum = 31 * sum + frame.get(i);
        }
        return sum;
    }

    // Numbers are compared as numbers, whoever wrote them with a point.
    private static String difference(String at, JsonNode a, JsonNode b) {
        if (a != null && b != null && a.isNumber() && b.isNumber()) {
            return same(a.doubleValue(), b.doubleValue()) ? "" : at + ": " + a + " in the page, " + b + " here";
        }
        if (a != null && b != null && a.isObject() && b.isObject()) {
            for (String key : b.propertyNames()) {
                String inner = difference(at + "/" + key, a.get(key), b.get(key));
                if (!inner.isEmpty()) {
                    return inner;
                }
            }
            for (String key : a.propertyNames()) {
                if (!b.has(key)) {
                    return at + "/" + key + ": only in the page";
                }
            }
            return "";
        }
        if (a != null && b != null && a.isArray() && b.isArray() && a.size() == b.size()) {
            for (int i = 0; i < a.size(); i++) {
                String inner = difference(at + "/" + i, a.get(i), b.get(i));
                if (!inner.isEmpty()) {
                    return inner;
                }
            }
            return "";
        }
        return a != null && a.equals(b) ? "" : at + ": " + a + " in the page, " + b + " here";
    }

    // A float is written with the digits of a float here, and as the same double there.
    private static boolean same(double there, double here) {
        return there == here || there == (float) there && (float) there == (float) here;
    }

    private static PreviewWish plain(long effect) {
        return stopped(effect, null);
    }

    private static PreviewWish stopped(long effect, Double after) {
        return new PreviewWish(effect, null, null, null, null, null, 1, after, null, null);
    }

    /** @param stopAfter seconds after which a loop is stopped; null to let it run */
    private static void previews(Project project, Double stopAfter) {
        Whole whole = open(project);
        for (int i = 0; i < project.effects().size(); i++) {
            Map<String, ?> wish = stopAfter == null
                    ? Map.of("effect", 3000 + i, "seed", 1)
                    : Map.of("effect", 3000 + i, "seed", 1, "stopAfter", stopAfter);
            same(
                    project.effects().get(i).name(),
                    "preview",
                    wish,
                    ask("preview", wish),
                    Previews.of(whole, stopped(3000 + i, stopAfter)));
        }
    }

    @Test
    void forEveryEffectOfTheDemoAndTheRecipes() {
        previews(Demo.project(), null);
        previews(Recipes.project(), null);
    }

    @Test
    void forEveryRopeOfTheDemo() {
        Project project = Demo.project();
        Whole whole = open(project);
        for (int i = 0; i < project.ropes().size(); i++) {
            Map<String, ?> wish = Map.of("rope", 4000 + i, "seed", 7);
            same(
                    project.ropes().get(i).name(),
                    "take",
                    wish,
                    ask("take", wish),
                    Takes.of(whole, new TakeWish(4000L + i, null, null, null, null, null, 7)));
        }
    }

    private static void same(String what, String ask, Map<String, ?> wish, Object here) {
        JsonNode told = ask(ask, wish);
        assertThat(told.has("answer")).as("%s: %s", what, told).isTrue();
        assertThat(difference("", told.get("answer"), JSON.readTree(JSON.writeValueAsString(here))))
                .as(what)
                .isEmpty();
    }

    @Test
    void forWhatIsToldOfRopesAndParameters() {
        Project project = Demo.project();
        Whole whole = open(project);
        Responses responses = new Responses((key, maker) -> maker.apply(key), (key, maker) -> maker.apply(key));
        same("responses", "responses", Map.of(), responses.of(whole, null));
        same("wiring", "wiring", Map.of(), Wirings.of(whole, responses, null, null));
        for (int i = 0; i < project.ropes().size(); i++) {
            long rope = 4000 + i;
            same(project.ropes().get(i).name(), "feeds", Map.of("rope", rope), Wirings.feeds(whole, rope, responses));
        }
        for (int i = 0; i < project.effects().size(); i++) {
            same(
                    project.effects().get(i).name(),
                    "parameters",
                    Map.of("effect", 3000 + i),
                    ParameterReport.of(project, project.effects().get(i)));
        }
    }

    @Test
    void forARehearsalWithItsPoolsAndTheirSizes() {
        Project project = Demo.project();
        Whole whole = open(project);
        JsonValue score = Bundle.write(project.scores().get(0));
        Rehearsals here = Rehearsals.of(whole, score, 3);
        JsonNode there =
                js("return window.__rehearse(JSON.parse(arguments[0]), 3, 97)", JSON.writeValueAsString(score));
        while (!here.on(500).over()) {
            assertThat(here.view().live()).isNotEmpty();
        }
        for (int run = 0; run < 3; run++) {
            here.take(JsonText.parse(JSON.writeValueAsString(here.run(run))).value());
            assertThat(here.sized()).isNotEmpty();
        }
        JsonNode view = JSON.readTree(JSON.writeValueAsString(here.view()));
        assertThat(difference("", there.get("head"), view)).isEmpty();
        assertThat(difference("", there.get("sized"), JSON.readTree(JSON.writeValueAsString(here.sized()))))
                .isEmpty();
        assertThat(difference(
                        "",
                        there.get("accounts"),
                        JSON.readTree(JSON.writeValueAsString(
                                here.accounts(here.view().live().length, 40)))))
                .isEmpty();
        for (int i = 0; i < there.get("frames").size(); i++) {
            assertThat(there.get("frames").get(i).intValue())
                    .as("step %d", 97 * i)
                    .isEqualTo(sum(here.frame(97 * i)));
        }
        same(
                "the worst second",
                "worstSecond",
                Map.of("name", "the worst second"),
                Rehearsals.worstSecond(project, "the worst second"));
    }

    @Test
    void forScoresThatAreWrittenAsTracesAndReadAgain() {
        Project project = Demo.project();
        open(project);
        JsonValue score = Bundle.write(project.scores().get(0));
        Map<?, ?> body = JSON.convertValue(JacksonValue.node(score), Map.class);
        same(
                "lines",
                "trace",
                Map.of("score", body, "table", false, "source", "/game"),
                Traces.lines(project, score, "/game"));
        String table = Traces.table(project, score, v -> JsonText.compact(v).replaceFirst("\\.0$", ""));
        String there = js(
                        "return window.__ask('trace', {score: JSON.parse(arguments[0]), table: true, source: ''})",
                        JsonText.compact(JacksonValue.node(score)))
                .get("answer")
                .stringValue();
        assertThat(there).isEqualTo(table);

        // One row is wrong, and one has a time of the day.
        String wrong = table.replaceFirst("\r\n3,", "\r\nnoon,") + "2026-05-04T10:00:00.25Z,courier.lnded\r\n";
        Traces here = new Traces(project, Double::parseDouble);
        here.table(wrong);
        JsonNode read = js(
                "window.__ask('traceBegun', {}); window.__ask('traceRead', {text: arguments[0]});"
                        + " return window.__ask('traceScore', {name: 'again'}).answer",
                wrong);
        assertThat(difference("", read, JSON.readTree(JSON.writeValueAsString(here.view("again")))))
                .isEmpty();
        assertThat(read.get("wrong").intValue()).isPositive();
    }

    @Test
    void forRopesThatAreBroughtToAnotherEvent() {
        Project project = Demo.project();
        open(project);
        List<JsonNode> ropes = new ArrayList<>();
        JSON.readTree(Bundle.write(project)).get("ropes").forEach(ropes::add);
        for (EventType event : project.events()) {
            same(
                    event.name(),
                    "fitted",
                    Map.of("ropes", JSON.convertValue(ropes, List.class), "event", event.name()),
                    Fits.of(
                            project,
                            new FitWish(
                                    ropes.stream().map(JacksonValue::of).toList(),
                                    event.name(),
                                    null,
                                    null,
                                    null,
                                    null)));
        }
    }

    @Test
    void andWhatIsWrongIsRefusedInTheSameWords() {
        open(Demo.project());
        assertThat(ask("preview", Map.of("effect", 3000, "seed", 1, "surface", "sea")))
                .isEqualTo(JSON.readTree("{\"problems\":[{\"place\":\"/surface\",\"given\":\"\\\"sea\\\"\","
                        + "\"allowed\":\"ground, wall or ceiling\"}]}"));
        assertThat(ask("take", Map.of("rope", 9, "seed", 1))).isEqualTo(JSON.readTree("{\"missing\":\"rope 9\"}"));
    }

    @Test
    void forEffectsMadeAtRandom() {
        SplittableRandom random = new SplittableRandom(2026);
        List<JsonNode> models = new ArrayList<>();
        for (Project project : List.of(Demo.project(), Recipes.project())) {
            JSON.readTree(Bundle.write(project)).get("effects").forEach(models::add);
        }
        ObjectNode bundle = (ObjectNode) JSON.readTree(Bundle.write(Demo.project()));
        bundle.putArray("ropes");
        // Those name effects of the demo.
        bundle.remove(List.of("pools", "scores"));
        int refused = 0;
        for (int made = 0; made < MADE; ) {
            ArrayNode effects = bundle.putArray("effects");
            for (int i = 0; i < AT_ONCE; i++) {
                ObjectNode effect =
                        (ObjectNode) models.get(random.nextInt(models.size())).deepCopy();
                effect.put("name", "made " + (made + i));
                effect.set("tries", JSON.createArrayNode());
                Stirred.stir(effect, random);
                Bundle.Read<?> alone = Bundle.readEffect(effect);
                if (alone.value().isEmpty()) {
                    // What is refused is refused in the same words there.
                    refused++;
                    JsonNode told = js(
                            "const told = []; try { window.__open({ name: 'x', effects: [JSON.parse(arguments[0])] }) }"
                                    + " catch (e) { told.push(...JSON.parse(e.message)) } return told",
                            effect.toString());
                    assertThat(difference("", told, JSON.readTree(JSON.writeValueAsString(alone.problems()))))
                            .as(effect.toString())
                            .isEmpty();
                } else {
                    effects.add(effect);
                }
            }
            Bundle.Read<Project> read = Bundle.read(bundle);
            if (read.value().isPresent()) {
                previews(read.value().get(), 0.5);
                made += effects.size();
            }
        }
        assertThat(refused).as("some of what is made at random must be wrong").isPositive();
    }

    @Test
    void forProjectsMadeAtRandom() {
        Stirred stirred = new Stirred((ObjectNode) JSON.readTree(Bundle.write(Demo.project())), 2027);
        int refused = 0;
        for (int made = 0; made < PROJECTS; ) {
            Bundle.Read<Project> read = Bundle.read(stirred.project());
            if (read.value().isEmpty()) {
                refused++;
                continue;
            }
            made++;
            Project project = read.value().get();
            Whole whole = open(project);
            Responses responses = new Responses((key, maker) -> maker.apply(key), (key, maker) -> maker.apply(key));
            same("project " + made, "responses", Map.of(), responses.of(whole, null));
            same("project " + made, "wiring", Map.of(), Wirings.of(whole, responses, null, null));
            Map<String, ?> wish = Map.of("rope", 4000, "seed", made);
            Answer<?> here = Takes.of(whole, new TakeWish(4000L, null, null, null, null, null, made));
            same("project " + made, "take", wish, ask("take", wish), here);
        }
        assertThat(refused).as("some of what is made at random must be wrong").isPositive();
    }

    /** What a hand might do in two minutes, all of it at times between frames. */
    private static List<ObjectNode> hand(Project project, int count) {
        SplittableRandom random = new SplittableRandom(4);
        List<ObjectNode> messages = new ArrayList<>();
        double now = 0;
        for (int i = 0; i < count; i++) {
            now += random.nextDouble(0.3);
            ObjectNode message = JSON.createObjectNode();
            EventType event =
                    project.events().get(random.nextInt(project.events().size()));
            switch (random.nextInt(12)) {
                case 0, 1, 2, 3 -> {
                    message.put("do", "pull").put("event", event.name()).put("seed", i);
                    message.set(
                            "payload",
                            JacksonValue.node(PayloadJson.write(Strength.values()[random.nextInt(3)].payload(event))));
                    if (event.shape() == EventType.Shape.SPAN) {
                        message.put("phase", random.nextBoolean() ? "begin" : "end");
                    } else if (event.shape() == EventType.Shape.STATE) {
                        message.put(
                                "value",
                                event.values().get(random.nextInt(event.values().size())));
                    }
                    if (random.nextBoolean()) {
                        message.put("subject", "crow " + random.nextInt(3));
                    }
                }
                case 4 -> {
                    message.put("do", "move").put("subject", "crow " + random.nextInt(3));
                    ArrayNode at = message.putArray("position");
                    at.add(random.nextDouble(-20, 20)).add(random.nextDouble(9)).add(0);
                }
                case 5 ->
                    message.put("do", "publish")
                            .put("channel", project.channels().get(0).name())
                            .put("value", random.nextDouble());
                case 6 -> message.put("do", random.nextInt(8) == 0 ? "clear" : "reset");
                case 7 -> message.put("do", "gone").put("subject", "crow " + random.nextInt(3));
                case 8 ->
                    message.put("do", "pull").put("event", "crow.scatered").put("seed", "one");
                default -> message.put("do", "tick");
            }
            messages.add(message.put("now", now));
        }
        return messages;
    }

    @Test
    void forALiveStage() {
        Project project = Demo.project();
        open(project);
        List<ObjectNode> messages = hand(project, 800);
        JsonNode there = js("return window.__live(JSON.parse(arguments[0]))", JSON.writeValueAsString(messages));
        LiveStage live = new LiveStage(project, 0);
        int frames = 0;
        for (int i = 0; i < messages.size(); i++) {
            ObjectNode here = JSON.createObjectNode();
            try {
                live.receive(
                        JacksonValue.of(messages.get(i)),
                        messages.get(i).get("now").doubleValue());
                here.set("answer", JSON.readTree(JSON.writeValueAsString(live.said())));
            } catch (Refused refused) {
                here.set(
                        "problems",
                        JSON.readTree(JSON.writeValueAsString(Wrong.of(refused).problems())));
            }
            ArrayNode sums = here.putArray("frames");
            if (here.has("answer")) {
                live.seen().ifPresent(frame -> sums.add(sum(frame)));
                frames += sums.size();
            }
            assertThat(difference("", there.get(i), here))
                    .as("message %d: %s", i, messages.get(i))
                    .isEmpty();
        }
        assertThat(frames).as("frames compared").isGreaterThan(600);
    }

    @Test
    void andNothingIsAskedOfTheServerWhileAnEffectIsShaped() {
        bench.open("/#/effects");
        bench.js("performance.clearMarks(); performance.clearResourceTimings()");
        bench.press("r");
        bench.await(
                b -> ((Number) bench.js("return performance.getEntriesByName('take shown').length")).intValue() > 0);
        List<?> asked = (List<?>)
                bench.js("return performance.getEntriesByType('resource').map((e) => new URL(e.name).pathname)");
        assertThat(asked.stream().map(Object::toString)).noneMatch(p -> p.startsWith("/api/"));
        bring();
    }

    private static void network(boolean away) {
        bench.browser().executeCdpCommand("Network.enable", Map.of());
        bench.browser()
                .executeCdpCommand(
                        "Network.emulateNetworkConditions",
                        Map.of("offline", away, "latency", 0, "downloadThroughput", -1, "uploadThroughput", -1));
    }

    @Test
    void andShapingGoesOnWhileTheServerIsAway() {
        bench.open("/#/effects");
        bench.await(b -> !bench.text("[data-number=births]").isEmpty());
        network(true);
        try {
            bench.js("performance.clearMarks()");
            String before = bench.text("[data-number=reach]");
            bench.press("r");
            bench.await(b ->
                    ((Number) bench.js("return performance.getEntriesByName('take shown').length")).intValue() > 0);
            bench.await(b -> !bench.text("[data-number=reach]").equals(before));
        } finally {
            network(false);
        }
        bring();
    }

    /** Kept so that what a take holds is known to be frames: the sums above would agree on nothing too. */
    @Test
    void andTheFramesAreNotEmpty() {
        Whole whole = open(Demo.project());
        Answer<PreviewHead> here = Previews.of(whole, plain(3000));
        assertThat(IntStream.range(0, here.head().live().length)
                        .map(step -> here.viewing().at(step).remaining())
                        .max()
                        .orElse(0))
                .isGreaterThan(64 + 20 * 30);
        JsonNode there = ask("preview", Map.of("effect", 3000, "seed", 1));
        assertThat(Arrays.stream(JSON.convertValue(there.get("frames"), int[].class))
                        .distinct()
                        .count())
                .isGreaterThan(20);
    }
}
