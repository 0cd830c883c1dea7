package bellrope.browser;

import bellrope.core.event.Pull;
import bellrope.core.stage.Knob;
import bellrope.core.stage.Stage;
import bellrope.core.stage.told.Account;
import bellrope.core.value.Datum;
import bellrope.core.value.Refused;
import bellrope.format.answer.StageMessages;
import bellrope.format.answer.StageReply;
import bellrope.format.answer.Wrong;
import bellrope.format.json.JsonValue;
import bellrope.format.json.PayloadJson;
import bellrope.format.json.Problems;
import bellrope.format.link.LinkedStage;
import bellrope.format.report.AccountReport;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import org.teavm.jso.JSObject;

/** The stage of a web game, opened from a bundle; {@link Page} exports it, {@code bellrope.ts} wraps it. */
final class Game {
    /** Accounts whose instances can still be turned; older ones have long ended, or are held by a knob. */
    private static final int MOST_ACCOUNTS = 4_096;

    private static final Map<Integer, Account> ANSWERED = new LinkedHashMap<>() {
        @Override
        protected boolean removeEldestEntry(Map.Entry<Integer, Account> eldest) {
            return size() > MOST_ACCOUNTS;
        }
    };
    private static final Map<Turned, Knob> KNOBS = new LinkedHashMap<>(16, 0.75f, true) {
        @Override
        protected boolean removeEldestEntry(Map.Entry<Turned, Knob> eldest) {
            return size() > MOST_ACCOUNTS;
        }
    };

    private static Stage stage;
    private static int frames;

    /** A parameter of an instance. */
    private record Turned(int account, String rope, String parameter) {}

    private Game() {}

    /** Begins with a bundle. */
    static JSObject open(JSObject bundle) {
        return Told.by(() -> {
            stage = new Stage(Parts.bundle(JsValue.of(bundle)));
            stage.prewarm();
            ANSWERED.clear();
            KNOBS.clear();
            return Js.object();
        });
    }

    /** Lets what plays bend to a changed bundle. */
    static JSObject retune(JSObject bundle) {
        return Told.by(() -> {
            stage.retune(Parts.bundle(JsValue.of(bundle)));
            return Js.object();
        });
    }

    /** Tells the stage something, see {@link StageMessages}: {@code {answer}} with the account, where there is one. */
    static JSObject tell(JSObject message) {
        return Told.by(() -> {
            JSObject told = Js.object();
            Optional<Account> account = StageMessages.follow(stage, JsValue.of(message));
            account.ifPresent(a -> {
                if (a.pull().phase() != Pull.Phase.END && a.answered() > 0) {
                    ANSWERED.put(a.number(), a);
                }
                Js.set(
                        told,
                        "answer",
                        Answers.of(
                                AccountReport.of(a, stage.project().settings().pace())));
            });
            return told;
        });
    }

    /** Turns a parameter of an instance that a rope began: {@code {answer}}, whether it still plays. */
    static JSObject turn(double account, String rope, String parameter, JSObject value) {
        return Told.by(() -> {
            Turned turned = new Turned((int) account, rope, parameter);
            Knob knob = KNOBS.get(turned);
            if (knob == null) {
                Account of = ANSWERED.get(turned.account());
                if (of == null) {
                    throw new Refused(
                            "account", Integer.toString(turned.account()), "the number of a pull that was answered");
                }
                knob = stage.knob(of, rope, parameter);
                KNOBS.put(turned, knob);
            }
            JSObject told = Js.object();
            Js.set(told, "answer", Js.value(knob.set(datum(parameter, JsValue.of(value)))));
            return told;
        });
    }

    private static Datum datum(String parameter, JsonValue value) {
        Problems problems = new Problems();
        Datum datum = PayloadJson.datum(value, "/" + parameter, problems);
        if (datum == null) {
            throw new Wrong(problems.list());
        }
        return datum;
    }

    /** Advances by the whole steps in the seconds that passed; returns how many. */
    static int advance(double seconds) {
        return stage.advance(seconds);
    }

    /** Returns how many steps the stage has made. */
    static int now() {
        return stage.now();
    }

    /** Returns the checksum of what is shown, see {@link LinkedStage#sum}. */
    static String sum() {
        return LinkedStage.sum(stage);
    }

    /** Returns what is on the stage, as {@code docs/format/frames.md} says. */
    static JSObject frame() {
        return Js.bytes(stage.frame(++frames));
    }

    /** Returns what the game is told since the last call. */
    static JSObject told() {
        double rate = stage.project().settings().pace().stepsPerSecond();
        return Js.list(stage.told(), t -> Answers.of(StageReply.Notice.of(t, rate)));
    }

    /** Returns what shakes, flashes and holds still: two numbers, four numbers and four for the edges, seconds. */
    static JSObject comfort() {
        return Answers.of(StageReply.Comfort.of(stage));
    }
}
