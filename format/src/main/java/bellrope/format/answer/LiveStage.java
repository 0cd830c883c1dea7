package bellrope.format.answer;

import bellrope.core.event.Pull;
import bellrope.core.project.Project;
import bellrope.core.stage.Stage;
import bellrope.core.stage.told.Account;
import bellrope.core.stage.told.Flashed;
import bellrope.core.stage.told.Shaken;
import bellrope.core.stage.told.Told;
import bellrope.core.value.Datum;
import bellrope.core.value.Demand;
import bellrope.core.value.Refused;
import bellrope.core.value.Vec3;
import bellrope.format.json.JsonValue;
import bellrope.format.json.PayloadJson;
import bellrope.format.json.Problems;
import bellrope.format.json.PullJson;
import bellrope.format.report.AccountReport;
import java.nio.ByteBuffer;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/**
 * A stage that is kept in step with a clock, and told by messages what a hand does: {@code docs/format/frames.md}.
 *
 * <p>Whoever drives it says what time it is with each message, asks {@link #said} for what there is to say and {@link #seen}
 * for what there is to see, as often as it can show it. A pull is decided, and its first particles are born, in the call that
 * brings it: waiting for the next picture would cost up to a frame.
 */
public final class LiveStage {
    /** Longest time caught up in one call, seconds; a page that was hidden does not play through what it missed. */
    private static final double MOST_CATCH_UP = 0.25;
    /** Longest time that a still stage lets pass, seconds. */
    private static final double MOST_REST = 3600;

    private final Stage stage;
    private final List<AccountReport> accounts = new ArrayList<>();
    private double last;
    private int taken;
    private boolean shown = true;
    private boolean uncomfortable;

    /** @param now seconds on the clock of whoever drives it */
    public LiveStage(Project project, double now) {
        stage = new Stage(project);
        last = now;
    }

    /**
     * Does what a message says.
     *
     * @throws Refused if it cannot be followed; then nothing is done
     * @throws Wrong likewise
     */
    public void receive(JsonValue message, double now) {
        switch (text(message, "do")) {
            case "tick" -> catchUp(now);
            case "pull" -> pull(message, now);
            case "move" -> move(message, now);
            case "gone" -> {
                String subject = text(message, "subject");
                catchUp(now);
                answered(stage.gone(subject));
            }
            case "publish" -> {
                String channel = text(message, "channel");
                double value = number(message, "value");
                catchUp(now);
                stage.publish(channel, value);
            }
            case "camera" -> {
                Vec3 position = vector(message, "position");
                catchUp(now);
                stage.camera(position);
            }
            case "comfort" -> stage.less(flag(message, "lessShake"), flag(message, "lessFlash"));
            case "reset" -> stage.reset();
            case "clear" -> {
                stage.clear();
                shown = false;
            }
            default ->
                throw new Refused(
                        "do",
                        message.get("do").shown(),
                        "tick, pull, move, gone, publish, camera, comfort, reset or clear");
        }
    }

    /** Lets what plays bend to a changed project. */
    public void retune(Project next, double now) {
        catchUp(now);
        stage.retune(next);
    }

    /** Returns what there is to say since the last look. */
    public StageReply said() {
        stage.unasked().forEach(account -> accounts.add(report(account)));
        double rate = stage.project().settings().pace().stepsPerSecond();
        List<StageReply.Notice> told =
                stage.told().stream().map(t -> notice(t, rate)).toList();
        StageReply said = new StageReply(List.copyOf(accounts), told, comfort(), stage.still());
        accounts.clear();
        return said;
    }

    /** Returns a picture if it can differ from the one before; the last of what plays is an empty one. */
    public Optional<ByteBuffer> seen() {
        if (shown) {
            return Optional.empty();
        }
        shown = stage.still();
        return Optional.of(stage.frame(++taken));
    }

    /** Returns the newest accounts in which all the words occur, the newest first. */
    public List<AccountReport> accounts(String words, int most) {
        return stage.ledger().search(words, most).stream().map(this::report).toList();
    }

    /** Returns all accounts that are kept, the oldest first. */
    public List<AccountReport> accounts() {
        return stage.ledger().all().stream().map(this::report).toList();
    }

    private void pull(JsonValue message, double now) {
        Problems problems = new Problems();
        String event = text(message, "event");
        JsonValue phase = message.get("phase");
        JsonValue given = message.get("payload");
        boolean bare =
                given == null && phase != null && phase.isText() && phase.text().equals("end");
        Map<String, Datum> payload = bare ? Map.of() : PayloadJson.read(given, "/payload", problems);
        long seed = (long) number(message, "seed");
        Pull pull = PullJson.read(message, "", event, payload, seed, problems);
        if (!problems.none()) {
            throw new Wrong(problems.list());
        }
        catchUp(now);
        answered(stage.pull(pull));
    }

    private void move(JsonValue message, double now) {
        Vec3 position = vector(message, "position");
        Vec3 heading = has(message, "heading") ? vector(message, "heading") : Vec3.ZERO;
        Vec3 velocity = has(message, "velocity") ? vector(message, "velocity") : null;
        String subject = text(message, "subject");
        Demand.name("subject", subject);
        catchUp(now);
        stage.move(subject, position, heading, velocity);
    }

    private void answered(Account account) {
        accounts.add(report(account));
        if (account.answered() > 0) {
            shown = false;
        }
    }

    // While nothing plays, time is only counted, for limits and for the time since an event.
    private void catchUp(double now) {
        double passed = Math.max(0, now - last);
        stage.advance(Math.min(passed, stage.still() ? MOST_REST : MOST_CATCH_UP));
        last = Math.max(last, now);
        if (!stage.still()) {
            shown = false;
        }
    }

    private AccountReport report(Account account) {
        return AccountReport.of(account, stage.project().settings().pace());
    }

    private static StageReply.Notice notice(Told t, double rate) {
        return new StageReply.Notice(
                t.name(),
                t.what().name().toLowerCase(Locale.ROOT),
                t.rope(),
                t.pull(),
                t.step() / rate,
                PayloadJson.write(t.values()));
    }

    // Once more when all is over, so that nothing stays moved.
    private StageReply.Comfort comfort() {
        Shaken shaken = stage.shaken();
        Flashed flashed = stage.flashed();
        boolean moved = shaken.x() != 0 || shaken.y() != 0 || flashed.opacity() > 0 || stage.paused() > 0;
        boolean told = moved || uncomfortable;
        uncomfortable = moved;
        return told
                ? new StageReply.Comfort(
                        new double[] {shaken.x(), shaken.y()},
                        new double[] {flashed.red(), flashed.green(), flashed.blue(), flashed.opacity()},
                        stage.paused())
                : null;
    }

    private static boolean has(JsonValue message, String key) {
        return message.get(key) != null && !message.get(key).isNull();
    }

    private static Refused other(JsonValue message, String key, String allowed) {
        JsonValue value = message.get(key);
        return new Refused(key, value == null ? "missing" : value.shown(), allowed);
    }

    private static String text(JsonValue message, String key) {
        if (!message.isObject()) {
            throw new Refused("", message.shown(), "an object that says what to do");
        }
        if (!has(message, key) || !message.get(key).isText()) {
            throw other(message, key, "a text");
        }
        return message.get(key).text();
    }

    private static double number(JsonValue message, String key) {
        if (!has(message, key)
                || !message.get(key).isNumber()
                || !Double.isFinite(message.get(key).number())) {
            throw other(message, key, "a finite number");
        }
        return message.get(key).number();
    }

    private static boolean flag(JsonValue message, String key) {
        if (!has(message, key) || !message.get(key).isFlag()) {
            throw other(message, key, "true or false");
        }
        return message.get(key).flag();
    }

    private static Vec3 vector(JsonValue message, String key) {
        Vec3 vector = PullJson.vector(message.get(key));
        if (vector == null) {
            throw other(message, key, "three finite numbers: x, y, z");
        }
        return vector;
    }
}
