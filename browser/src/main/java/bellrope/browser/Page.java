package bellrope.browser;

import bellrope.core.measure.Reaches;
import bellrope.core.stage.Viewing;
import bellrope.format.answer.Answer;
import bellrope.format.answer.FeedWish;
import bellrope.format.answer.FitWish;
import bellrope.format.answer.Fits;
import bellrope.format.answer.FollowedGame;
import bellrope.format.answer.LiveStage;
import bellrope.format.answer.NotThere;
import bellrope.format.answer.PreviewHead;
import bellrope.format.answer.PreviewWish;
import bellrope.format.answer.Previews;
import bellrope.format.answer.Pulled;
import bellrope.format.answer.Recorded;
import bellrope.format.answer.Rehearsals;
import bellrope.format.answer.ResponseView;
import bellrope.format.answer.Responses;
import bellrope.format.answer.Responses.Alone;
import bellrope.format.answer.TakeHead;
import bellrope.format.answer.TakeWish;
import bellrope.format.answer.Takes;
import bellrope.format.answer.TraceView;
import bellrope.format.answer.Traces;
import bellrope.format.answer.Whole;
import bellrope.format.answer.Wirings;
import bellrope.format.json.JsonValue;
import bellrope.format.report.ParameterReport;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import org.teavm.jso.JSExport;
import org.teavm.jso.JSObject;

/**
 * What a page can ask for. The project is told part by part; each question may bring drafts. What cannot be answered comes
 * back as {@code problems}, or as {@code missing}.
 */
public final class Page {
    private static final Parts PARTS = new Parts();
    private static final Viewed VIEWED = new Viewed();
    private static final Kept<Alone, ResponseView> RESPONDED =
            new Kept<>(32 << 20, (key, view) -> key.weight() + 4 * view.strip().length + 600);
    private static final Kept<Alone, Reaches> REACHED = new Kept<>(8 << 20, (key, reaches) -> key.weight() + 2_000);
    private static final Responses RESPONSES = new Responses(RESPONDED::get, REACHED::get);

    // Null until they are begun.
    private static LiveStage live;
    // What is being played, and what was played last and can be looked at.
    private static Rehearsals rehearsing;
    private static Rehearsals rehearsed;
    // What was kept to compare others with.
    private static Rehearsals before;
    // A running game that is followed.
    private static FollowedGame game;
    // A trace that is being read.
    private static Traces traces;

    private Page() {}

    /** Nothing happens until something is asked. */
    public static void main(String[] args) {}

    /** Takes what the core needs of JavaScript; comes first. */
    @JSExport
    public static void begin(JSObject hand) {
        Js.begin((Hand) hand);
    }

    /** Begins with a project that has no parts yet. */
    @JSExport
    public static void open(String name) {
        PARTS.open(name);
        RESPONDED.clear();
        REACHED.clear();
        rehearsing = null;
        rehearsed = null;
        before = null;
        game = null;
        traces = null;
    }

    /** Takes a part as it is saved. */
    @JSExport
    public static JSObject put(JSObject part) {
        return Told.by(() -> {
            JsonValue p = JsValue.of(part);
            PARTS.put(
                    (long) p.get("id").number(),
                    p.get("kind").text(),
                    p.get("place").number(),
                    p.get("body"));
            return Js.object();
        });
    }

    @JSExport
    public static void drop(double id) {
        PARTS.drop((long) id);
    }

    /** Plays an effect for its own sake: {@code {head, viewing, from, frames}}. */
    @JSExport
    public static JSObject preview(JSObject asked) {
        return Told.by(() -> {
            JsonValue wish = JsValue.of(asked);
            Answer<PreviewHead> answer = Previews.of(
                    whole(wish),
                    new PreviewWish(
                            (long) wish.get("effect").number(),
                            number(wish, "rope"),
                            wish.get("payload"),
                            text(wish, "surface"),
                            text(wish, "side"),
                            numbers(wish.get("velocity")),
                            (long) wish.get("seed").number(),
                            decimal(wish, "stopAfter"),
                            text(wish, "alone"),
                            wish.get("set")));
            return taken(wish, Answers.of(answer.head()), answer);
        });
    }

    /** Plays a pull: {@code {head, viewing, from, frames}}. */
    @JSExport
    public static JSObject take(JSObject asked) {
        return Told.by(() -> {
            JsonValue wish = JsValue.of(asked);
            Answer<TakeHead> answer = Takes.of(
                    whole(wish),
                    new TakeWish(
                            number(wish, "rope"),
                            text(wish, "event"),
                            wish.get("payload"),
                            text(wish, "value"),
                            decimal(wish, "held"),
                            decimals(wish.get("channels")),
                            (long) wish.get("seed").number()));
            return taken(wish, Answers.of(answer.head()), answer);
        });
    }

    /** Returns the responses of some ropes, or of all: {@code {answer}}. */
    @JSExport
    public static JSObject responses(JSObject asked) {
        return Told.by(() -> {
            JsonValue wish = JsValue.of(asked);
            return answer(Js.list(
                    RESPONSES.of(whole(wish), each(wish.get("ropes"), n -> (long) n.number())), Answers::of));
        });
    }

    /** Draws the feeds of a rope. */
    @JSExport
    public static JSObject feeds(JSObject asked) {
        return Told.by(() -> {
            JsonValue wish = JsValue.of(asked);
            return answer(Answers.of(
                    Wirings.feeds(whole(wish), (long) wish.get("rope").number(), RESPONSES)));
        });
    }

    /** Looks at how everything is wired. */
    @JSExport
    public static JSObject wiring(JSObject asked) {
        return Told.by(() -> {
            JsonValue wish = JsValue.of(asked);
            return answer(Answers.of(Wirings.of(
                    whole(wish),
                    RESPONSES,
                    each(
                            wish.get("recorded"),
                            r -> new Recorded(
                                    r.get("rope").text(), r.get("parameter").text(), numbers(r.get("given")))),
                    each(
                            wish.get("pulled"),
                            p -> new Pulled(
                                    p.get("event").text(),
                                    numbers(p.get("at")),
                                    p.get("named").flag())))));
        });
    }

    /** Computes what answers to the parameters of an effect, and the proofs of its defaults and scales. */
    @JSExport
    public static JSObject parameters(JSObject asked) {
        return Told.by(() -> {
            JsonValue wish = JsValue.of(asked);
            Whole whole = whole(wish);
            return answer(Answers.of(ParameterReport.of(
                    whole.project(), whole.effect((long) wish.get("effect").number()))));
        });
    }

    /** Brings ropes to fit something; nothing is saved. */
    @JSExport
    public static JSObject fitted(JSObject asked) {
        return Told.by(() -> {
            JsonValue wish = JsValue.of(asked);
            JsonValue feed = wish.get("feed");
            Double index = feed == null ? null : decimal(feed, "index");
            return answer(Answers.of(Fits.of(
                    whole(wish).project(),
                    new FitWish(
                            each(wish.get("ropes"), rope -> rope),
                            text(wish, "event"),
                            text(wish, "effect"),
                            feed == null
                                    ? null
                                    : new FeedWish(
                                            index == null ? null : index.intValue(),
                                            feed.get("parameter").text(),
                                            feed.get("source")),
                            text(wish, "field"),
                            text(wish, "channel")))));
        });
    }

    /** Begins a live stage with the project as it stands, in place of the one before: {@code {now}}. */
    @JSExport
    public static JSObject startStage(JSObject asked) {
        return Told.by(() -> {
            JsonValue wish = JsValue.of(asked);
            live = new LiveStage(whole(wish).project(), wish.get("now").number());
            return shown();
        });
    }

    /** Lets what plays bend to the project as it stands: {@code {now}}. */
    @JSExport
    public static JSObject retuneStage(JSObject asked) {
        return Told.by(() -> {
            JsonValue wish = JsValue.of(asked);
            live().retune(whole(wish).project(), wish.get("now").number());
            return shown();
        });
    }

    /** Tells the live stage what a hand does: {@code {answer, frames}}, the newest picture if it can be another. */
    @JSExport
    public static JSObject stage(JSObject asked) {
        return Told.by(() -> {
            JsonValue wish = JsValue.of(asked);
            live().receive(wish, wish.get("now").number());
            return shown();
        });
    }

    /** Finds accounts of the live stage by their words, the newest first; all, the oldest first, without words. */
    @JSExport
    public static JSObject accounts(JSObject asked) {
        return Told.by(() -> {
            JsonValue wish = JsValue.of(asked);
            String words = text(wish, "words");
            return answer(Js.list(
                    words == null
                            ? live().accounts()
                            : live().accounts(words, (int) wish.get("most").number()),
                    Answers::of));
        });
    }

    /** Begins to follow a running game, from a step on: {@code {bundle, step, whole}}. */
    @JSExport
    public static JSObject gameBegun(JSObject asked) {
        return Told.by(() -> {
            JsonValue wish = JsValue.of(asked);
            game = new FollowedGame(
                    Parts.bundle(wish.get("bundle")),
                    (int) wish.get("step").number(),
                    wish.get("whole").flag());
            return answer(Js.object());
        });
    }

    /** The game took a changed bundle on a step: {@code {bundle, step}}. */
    @JSExport
    public static JSObject gameTook(JSObject asked) {
        return Told.by(() -> {
            JsonValue wish = JsValue.of(asked);
            following().take(Parts.bundle(wish.get("bundle")), (int)
                    wish.get("step").number());
            return answer(Js.object());
        });
    }

    /** Does what the game did: {@code {entries, from, step}}, the first one's number and what it had reached; tells of it, and the picture then. */
    @JSExport
    public static JSObject gameSaid(JSObject asked) {
        return Told.by(() -> {
            JsonValue wish = JsValue.of(asked);
            JSObject told = answer(Answers.of(following()
                    .said(wish.get("entries"), (long) wish.get("from").number(), (int)
                            wish.get("step").number())));
            JSObject frames = Js.list();
            Js.add(frames, Js.bytes(game.seen()));
            Js.set(told, "frames", frames);
            return told;
        });
    }

    private static FollowedGame following() {
        if (game == null) {
            throw new NotThere("game that is followed");
        }
        return game;
    }

    /**
     * Begins a rehearsal: {@code {score, runs}}, the score's body; plays nothing yet. The one before can be looked at until
     * {@link #rehearsed} is asked for.
     */
    @JSExport
    public static JSObject rehearse(JSObject asked) {
        return Told.by(() -> {
            JsonValue wish = JsValue.of(asked);
            rehearsing = Rehearsals.of(
                    whole(wish), wish.get("score"), (int) wish.get("runs").number());
            return answer(Answers.of(rehearsing.on(0)));
        });
    }

    /** Plays on for so many steps: {@code {steps}}. */
    @JSExport
    public static JSObject rehearseOn(JSObject asked) {
        return Told.by(() -> answer(Answers.of(
                there(rehearsing).on((int) JsValue.of(asked).get("steps").number()))));
    }

    /**
     * Plays one run for the sizes of pools, of the rehearsal that was begun last: {@code {run}}. Workers can share the runs; one of
     * them takes all in by {@link #sizeTaken}.
     */
    @JSExport
    public static JSObject sizeRun(JSObject asked) {
        return Told.by(() -> answer(Answers.of(
                there(rehearsing).run((int) JsValue.of(asked).get("run").number()))));
    }

    /** Returns how many runs were taken in. */
    @JSExport
    public static JSObject sizeBegun(JSObject asked) {
        return Told.by(() -> answer(Answers.of(there(rehearsed).taken())));
    }

    /** Takes in the next run, as {@link #sizeRun} gave it. */
    @JSExport
    public static JSObject sizeTaken(JSObject asked) {
        return Told.by(() -> answer(Answers.of(there(rehearsed).take(JsValue.of(asked)))));
    }

    /** Returns what the rehearsal came to, and its first picture: {@code {head, viewing, from, frames}}. */
    @JSExport
    public static JSObject rehearsed(JSObject asked) {
        return Told.by(() -> {
            rehearsed = there(rehearsing);
            JSObject told = Js.object();
            Js.set(told, "head", Answers.of(there(rehearsed).view()));
            Js.set(told, "viewing", Js.value(0));
            Js.set(told, "from", Js.value(0));
            Js.set(told, "frames", frames(rehearsed, 0, 1));
            return told;
        });
    }

    /** Keeps the rehearsal as it is, to compare others with it: its pictures can go on to be looked at. */
    @JSExport
    public static JSObject rehearsedKept(JSObject asked) {
        return Told.by(() -> {
            before = there(rehearsed);
            return answer(Js.object());
        });
    }

    /** Returns some pictures of the rehearsal, or of the one that was kept: {@code {from, count, before}}. */
    @JSExport
    public static JSObject rehearsedLook(JSObject asked) {
        return Told.by(() -> {
            JsonValue wish = JsValue.of(asked);
            int from = (int) wish.get("from").number();
            JSObject looked = Js.object();
            Js.set(looked, "from", Js.value(from));
            boolean kept = given(wish, "before") && wish.get("before").flag();
            Js.set(looked, "frames", frames(there(kept ? before : rehearsed), from, (int)
                    wish.get("count").number()));
            return looked;
        });
    }

    private static JSObject frames(Rehearsals of, int from, int count) {
        JSObject frames = Js.list();
        for (int step = from; step < from + count; step++) {
            Js.add(frames, Js.bytes(of.frame(step)));
        }
        return frames;
    }

    /** Returns what is known of the sizes of pools. */
    @JSExport
    public static JSObject sized(JSObject asked) {
        return Told.by(() -> answer(Js.list(there(rehearsed).sized(), Answers::of)));
    }

    /** Returns accounts of the rehearsal: that of one pull, or the last ones up to a step: {@code {pull}} or {@code {step, most}}. */
    @JSExport
    public static JSObject rehearsedAccounts(JSObject asked) {
        return Told.by(() -> {
            JsonValue wish = JsValue.of(asked);
            return answer(Js.list(
                    given(wish, "pull")
                            ? there(rehearsed).account((int) wish.get("pull").number()).stream()
                                    .toList()
                            : there(rehearsed).accounts((int) wish.get("step").number(), (int)
                                    wish.get("most").number()),
                    Answers::of));
        });
    }

    /** Writes the score of the worst second: {@code {name}}. */
    @JSExport
    public static JSObject worstSecond(JSObject asked) {
        return Told.by(() -> {
            JsonValue wish = JsValue.of(asked);
            return answer(Js.json(Rehearsals.worstSecond(
                    whole(wish).project(), wish.get("name").text())));
        });
    }

    /** Begins to read a trace, in place of the one before: {@code {}}. */
    @JSExport
    public static JSObject traceBegun(JSObject asked) {
        return Told.by(() -> {
            traces = new Traces(
                    whole(JsValue.of(asked)).project(), text -> Js.hand().read(text));
            return answer(Js.object());
        });
    }

    /** Reads on: {@code {text}} of a table, or {@code {lines}} of JSON, each {@code {line, node}}; without a node where it is no JSON. */
    @JSExport
    public static JSObject traceRead(JSObject asked) {
        return Told.by(() -> {
            JsonValue wish = JsValue.of(asked);
            if (given(wish, "text")) {
                traces().table(wish.get("text").text());
            } else {
                JsonValue lines = wish.get("lines");
                for (int i = 0; i < lines.size(); i++) {
                    JsonValue line = lines.get(i);
                    traces().line((int) line.get("line").number(), line.get("node"));
                }
            }
            return answer(Js.value(traces().read()));
        });
    }

    /** Returns the trace that was read as a score: {@code {name}}. */
    @JSExport
    public static JSObject traceScore(JSObject asked) {
        return Told.by(() -> {
            TraceView view = traces().view(JsValue.of(asked).get("name").text());
            traces = null;
            return answer(Answers.of(view));
        });
    }

    /** Returns a score as a trace: {@code {score, source, table}}, a text for a table and otherwise lines to be written. */
    @JSExport
    public static JSObject trace(JSObject asked) {
        return Told.by(() -> {
            JsonValue wish = JsValue.of(asked);
            Whole whole = whole(wish);
            return answer(
                    wish.get("table").flag()
                            ? Js.value(Traces.table(
                                    whole.project(),
                                    wish.get("score"),
                                    v -> Js.hand().written(Js.value((double) v))))
                            : Js.list(
                                    Traces.lines(
                                            whole.project(),
                                            wish.get("score"),
                                            wish.get("source").text()),
                                    Js::json));
        });
    }

    private static Traces traces() {
        if (traces == null) {
            throw new NotThere("trace");
        }
        return traces;
    }

    private static Rehearsals there(Rehearsals one) {
        if (one == null) {
            throw new NotThere("rehearsal");
        }
        return one;
    }

    private static LiveStage live() {
        if (live == null) {
            throw new NotThere("live stage");
        }
        return live;
    }

    private static JSObject shown() {
        JSObject shown = answer(Answers.of(live.said()));
        JSObject frames = Js.list();
        live.seen().ifPresent(frame -> Js.add(frames, Js.bytes(frame)));
        Js.set(shown, "frames", frames);
        return shown;
    }

    /** Begins the stage of a web game with a bundle, and the rest of its calls: see {@link Game}. */
    @JSExport
    public static JSObject gameOpen(JSObject bundle) {
        return Game.open(bundle);
    }

    @JSExport
    public static JSObject gameRetune(JSObject bundle) {
        return Game.retune(bundle);
    }

    @JSExport
    public static JSObject gameTell(JSObject message) {
        return Game.tell(message);
    }

    @JSExport
    public static JSObject gameTurn(double account, String rope, String parameter, JSObject value) {
        return Game.turn(account, rope, parameter, value);
    }

    @JSExport
    public static int gameAdvance(double seconds) {
        return Game.advance(seconds);
    }

    @JSExport
    public static int gameNow() {
        return Game.now();
    }

    @JSExport
    public static String gameSum() {
        return Game.sum();
    }

    @JSExport
    public static JSObject gameFrame() {
        return Game.frame();
    }

    @JSExport
    public static JSObject gameTold() {
        return Game.told();
    }

    @JSExport
    public static JSObject gameComfort() {
        return Game.comfort();
    }

    private static JSObject answer(JSObject answer) {
        JSObject told = Js.object();
        Js.set(told, "answer", answer);
        return told;
    }

    // With the frame of the moment that is looked at.
    private static JSObject taken(JsonValue wish, JSObject head, Answer<?> answer) {
        String window = text(wish, "window");
        int number = VIEWED.put(window == null ? "" : window, answer.viewing());
        Double at = decimal(wish, "at");
        int step = at == null ? 0 : (int) Math.max(0, Math.min(answer.take().last(), at));
        JSObject taken = Js.object();
        Js.set(taken, "head", head);
        Js.set(taken, "viewing", Js.value(number));
        Js.set(taken, "from", Js.value(step));
        Js.set(taken, "frames", frames(answer.viewing(), step, 1));
        return taken;
    }

    /** Returns some frames of a take, or a preview, that was answered lately: {@code {from, frames}}. */
    @JSExport
    public static JSObject look(JSObject asked) {
        return Told.by(() -> {
            JsonValue wish = JsValue.of(asked);
            int from = (int) wish.get("from").number();
            JSObject looked = Js.object();
            Js.set(looked, "from", Js.value(from));
            Js.set(looked, "frames", frames(VIEWED.get((int) wish.get("viewing").number()), from, (int)
                    wish.get("count").number()));
            return looked;
        });
    }

    private static JSObject frames(Viewing viewing, int from, int count) {
        JSObject frames = Js.list();
        for (int step = from; step < from + count; step++) {
            Js.add(frames, Js.bytes(viewing.at(step)));
        }
        return frames;
    }

    private static Whole whole(JsonValue asked) {
        Map<Long, JsonValue> drafts = new LinkedHashMap<>();
        JsonValue given = asked.get("drafts");
        for (int i = 0; given != null && i < given.size(); i++) {
            drafts.put((long) given.get(i).get("part").number(), given.get(i).get("body"));
        }
        return PARTS.whole(drafts);
    }

    private static <T> List<T> each(JsonValue given, Function<JsonValue, T> reader) {
        if (given == null || given.isNull()) {
            return null;
        }
        List<T> all = new ArrayList<>();
        for (int i = 0; i < given.size(); i++) {
            all.add(reader.apply(given.get(i)));
        }
        return all;
    }

    private static boolean given(JsonValue asked, String key) {
        return asked.get(key) != null && !asked.get(key).isNull();
    }

    private static Long number(JsonValue asked, String key) {
        return given(asked, key) ? (long) asked.get(key).number() : null;
    }

    private static Double decimal(JsonValue asked, String key) {
        return given(asked, key) ? asked.get(key).number() : null;
    }

    private static String text(JsonValue asked, String key) {
        return given(asked, key) ? asked.get(key).text() : null;
    }

    private static double[] numbers(JsonValue given) {
        if (given == null || given.isNull()) {
            return null;
        }
        double[] numbers = new double[given.size()];
        for (int i = 0; i < numbers.length; i++) {
            numbers[i] = given.get(i).number();
        }
        return numbers;
    }

    private static Map<String, Double> decimals(JsonValue given) {
        if (given == null || given.isNull()) {
            return null;
        }
        Map<String, Double> decimals = new HashMap<>();
        given.keys().forEach(key -> decimals.put(key, given.get(key).number()));
        return decimals;
    }
}
