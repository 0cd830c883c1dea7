package bellrope.server.live;

import bellrope.core.event.Pull;
import bellrope.core.project.Project;
import bellrope.core.stage.Stage;
import bellrope.core.stage.told.Account;
import bellrope.core.stage.told.Flashed;
import bellrope.core.stage.told.Shaken;
import bellrope.core.stage.told.Told;
import bellrope.core.value.Datum;
import bellrope.core.value.Demand;
import bellrope.core.value.Problem;
import bellrope.core.value.Refused;
import bellrope.core.value.Vec3;
import bellrope.format.json.JacksonValue;
import bellrope.format.json.PayloadJson;
import bellrope.format.json.Problems;
import bellrope.format.json.PullJson;
import bellrope.format.report.AccountReport;
import bellrope.server.store.Refusal;
import bellrope.server.store.Snapshot;
import bellrope.server.view.Views.Draft;
import java.nio.ByteBuffer;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Function;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * One reader's stage, kept in step with the wall clock while anything plays.
 *
 * <p>A pull is decided and its first frame made in the thread that received it: waiting for the next tick would cost up to
 * a frame. After that the clock makes the newest frame whenever the reader has acknowledged the ones before; a slow reader
 * skips frames and never falls behind, and one that never acknowledges gets {@value #MOST_UNSEEN}, whatever it pulls. A still
 * stage sends one last, empty frame and then nothing.
 *
 * <p>A stage that fails is given up and says so, once, with the reason; the reader can have it started again, and so does the
 * next change of the project. No other stage takes notice.
 */
public final class LiveStage {
    private static final Logger LOG = LoggerFactory.getLogger(LiveStage.class);
    /** Frames on their way that have not been acknowledged. */
    private static final int MOST_UNSEEN = 2;
    /** Longest time caught up in one tick; a server that was suspended does not play through its sleep. */
    private static final double MOST_CATCH_UP = 0.25;

    /** Longest time that a still stage lets pass, seconds. */
    private static final double MOST_REST = 3600;

    private final Outlet outlet;
    private final JsonMapper json;
    private final String reader;
    private final long project;
    private final Function<Project, Stage> stages;
    // Null after a failure.
    private Stage stage;
    private Snapshot snapshot;
    private final Object pending = new Object();
    private Snapshot next;
    private List<Draft> drafts = List.of();
    private long last = System.nanoTime();
    private int sent;
    private int seen;
    private boolean still = true;
    private boolean uncomfortable;
    // Whether the reader lacks the newest frame, because it has not acknowledged the ones before.
    private boolean owed;

    /** @param stages makes the stage of a project */
    LiveStage(Outlet outlet, JsonMapper json, String reader, Snapshot snapshot, Function<Project, Stage> stages) {
        this.outlet = outlet;
        this.json = json;
        this.reader = reader;
        this.project = snapshot.id();
        this.snapshot = snapshot;
        this.stages = stages;
        this.stage = stages.apply(snapshot.project());
    }

    long project() {
        return project;
    }

    String reader() {
        return reader;
    }

    Outlet outlet() {
        return outlet;
    }

    /** Does what a message says. */
    synchronized void receive(JsonNode message) {
        if (stage == null) {
            if (message.path("do").asString("").equals("restart")) {
                restart();
            }
            return;
        }
        guarded(() -> {
            try {
                act(message);
            } catch (Refused refused) {
                tell(new Message.MessageRefused(
                        "refused",
                        "The message was refused.",
                        List.of(new Problem("/" + refused.place(), refused.given(), refused.allowed()))));
            } catch (JacksonException e) {
                tell(new Message.MessageRefused(
                        "refused",
                        "The message was refused.",
                        List.of(new Problem(
                                "", "a number that is too large", "numbers within what JSON readers keep"))));
            }
        });
    }

    // Whatever goes wrong in a stage ends that stage and nothing else; deep recursion and want of memory are no
    // exception.
    private void guarded(Runnable work) {
        try {
            work.run();
        } catch (RuntimeException | VirtualMachineError e) {
            stage = null;
            still = true;
            owed = false;
            LOG.error("the stage of a reader of project {} failed and was given up", project, e);
            tell(new Message.StageFailed("failed", "The stage stopped: " + reason(e)));
        }
    }

    private static String reason(Throwable e) {
        if (e instanceof StackOverflowError) {
            return "something in the project calls itself without end.";
        }
        if (e instanceof OutOfMemoryError) {
            return "it needed more memory than the server has.";
        }
        return e.getClass().getSimpleName() + (e.getMessage() == null ? "" : ": " + e.getMessage()) + ".";
    }

    private void restart() {
        guarded(() -> {
            Project present;
            try {
                present = Drafts.over(snapshot, drafts);
            } catch (Refusal refusal) {
                drafts = List.of();
                present = snapshot.project();
            }
            stage = stages.apply(present);
            last = System.nanoTime();
            tell(new Message.Word("ready"));
            send();
        });
    }

    private void act(JsonNode message) {
        switch (message.path("do").asString("")) {
            case "pull" -> pull(message);
            case "seen" -> {
                seen = Math.max(seen, Math.min(sent, message.path("sequence").asInt(0)));
                if (owed) {
                    catchUp();
                    send();
                }
            }
            case "restart" -> restart();
            case "draft" -> draft(message);
            case "move" -> move(message);
            case "gone" -> {
                catchUp();
                answer(stage.gone(message.path("subject").asString("")));
            }
            case "publish" -> {
                catchUp();
                stage.publish(
                        message.path("channel").asString(""),
                        message.path("value").asDouble(Double.NaN));
            }
            case "camera" -> {
                catchUp();
                stage.camera(vector(message, "position"));
            }
            case "comfort" ->
                stage.less(
                        message.path("lessShake").asBoolean(false),
                        message.path("lessFlash").asBoolean(false));
            case "reset" -> stage.reset();
            case "clear" -> {
                stage.clear();
                send();
            }
            default ->
                tell(new Message.MessageRefused(
                        "refused",
                        "A message says what to do.",
                        List.of(new Problem(
                                "/do",
                                message.path("do").toString(),
                                "pull, move, gone, publish, camera, comfort, reset, seen, draft, clear or restart"))));
        }
    }

    private static Vec3 vector(JsonNode message, String key) {
        Vec3 vector = PullJson.vector(JacksonValue.of(message.get(key)));
        if (vector == null) {
            throw new Refused(key, message.path(key).toString(), "three finite numbers: x, y, z");
        }
        return vector;
    }

    private void move(JsonNode message) {
        Vec3 position = vector(message, "position");
        Vec3 heading = message.has("heading") ? vector(message, "heading") : Vec3.ZERO;
        Vec3 velocity = message.has("velocity") ? vector(message, "velocity") : null;
        String subject = message.path("subject").asString("");
        Demand.name("subject", subject);
        catchUp();
        stage.move(subject, position, heading, velocity);
    }

    private void pull(JsonNode message) {
        Problems problems = new Problems();
        boolean bare = message.get("payload") == null
                && "end".equals(message.path("phase").asString(""));
        Map<String, Datum> payload =
                bare ? Map.of() : PayloadJson.read(JacksonValue.of(message.get("payload")), "/payload", problems);
        String event = message.path("event").asString("");
        Pull pull = PullJson.read(
                JacksonValue.of(message),
                "",
                event,
                payload,
                message.path("seed").asLong(0),
                problems);
        if (!problems.none()) {
            tell(new Message.MessageRefused("refused", "The pull of " + event + " was refused.", problems.list()));
            return;
        }
        catchUp();
        answer(stage.pull(pull));
    }

    private void answer(Account account) {
        if (account.answered() > 0 || !stage.still()) {
            send();
        }
        tell(new Message.PullAnswered("account", report(account)));
        happened();
    }

    private AccountReport report(Account account) {
        return AccountReport.of(account, stage.project().settings().pace());
    }

    // What came by itself since the last look.
    private void happened() {
        stage.unasked().forEach(account -> tell(new Message.PullAnswered("account", report(account))));
        List<Told> told = stage.told();
        if (!told.isEmpty()) {
            double rate = stage.project().settings().pace().stepsPerSecond();
            tell(new Message.NoticesSent(
                    "told",
                    told.stream()
                            .map(t -> new Message.Notice(
                                    t.name(),
                                    t.what().name().toLowerCase(Locale.ROOT),
                                    t.rope(),
                                    t.pull(),
                                    t.step() / rate,
                                    PayloadJson.write(t.values())))
                            .toList()));
        }
        comfort();
    }

    private void comfort() {
        Shaken shaken = stage.shaken();
        Flashed flashed = stage.flashed();
        boolean moved = shaken.x() != 0 || shaken.y() != 0 || flashed.opacity() > 0 || stage.paused() > 0;
        if (moved || uncomfortable) {
            tell(new Message.ComfortChanged(
                    "comfort",
                    new double[] {shaken.x(), shaken.y()},
                    new double[] {flashed.red(), flashed.green(), flashed.blue(), flashed.opacity()},
                    stage.paused()));
        }
        uncomfortable = moved;
    }

    /** Returns the newest accounts in which all the words occur, the newest first. */
    public synchronized List<AccountReport> accounts(String words, int most) {
        return stage == null
                ? List.of()
                : stage.ledger().search(words, most).stream().map(this::report).toList();
    }

    /** Returns all accounts, one a line in JSON, the oldest first. */
    public synchronized String accountLines() {
        StringBuilder lines = new StringBuilder();
        if (stage == null) {
            return "";
        }
        stage.ledger()
                .all()
                .forEach(account ->
                        lines.append(json.writeValueAsString(report(account))).append('\n'));
        return lines.toString();
    }

    private void draft(JsonNode message) {
        List<Draft> next = new ArrayList<>();
        for (JsonNode part : message.path("parts")) {
            next.add(new Draft(part.path("part").asLong(0), part.path("body")));
        }
        try {
            Project drafted = Drafts.over(snapshot, next);
            drafts = next;
            take(drafted);
        } catch (Refusal refusal) {
            tell(new Message.MessageRefused("refused", refusal.getMessage(), refusal.problems()));
        }
    }

    /** Notes a saved change, to be taken by {@link #retune}: nobody who saves waits for a stage. */
    void changes(Snapshot after) {
        synchronized (pending) {
            if (next == null || next.change() < after.change()) {
                next = after;
            }
        }
    }

    /** Takes the newest change that was noted; this reader's drafts still stand over it where they can. */
    synchronized void retune() {
        Snapshot after;
        synchronized (pending) {
            after = next;
            next = null;
        }
        if (after == null) {
            return;
        }
        snapshot = after;
        if (stage == null) {
            restart();
            return;
        }
        guarded(() -> {
            try {
                take(Drafts.over(after, drafts));
            } catch (Refusal refusal) {
                drafts = List.of();
                take(after.project());
            }
        });
    }

    private void take(Project next) {
        catchUp();
        stage.retune(next);
        if (!stage.still()) {
            send();
        }
    }

    /** Brings the stage up to now and sends the newest frame if the reader keeps up. */
    synchronized void tick() {
        if (still || stage == null) {
            return;
        }
        guarded(() -> {
            catchUp();
            send();
            happened();
        });
    }

    private void catchUp() {
        long now = System.nanoTime();
        double passed = (now - last) / 1e9;
        // While nothing plays, time is only counted, for limits and for the time since an event.
        stage.advance(still ? Math.min(MOST_REST, passed) : Math.min(MOST_CATCH_UP, passed));
        last = now;
    }

    // Sends the newest frame, or owes it until the reader has acknowledged those before.
    private void send() {
        still = stage.still();
        owed = sent - seen >= MOST_UNSEEN;
        if (owed) {
            return;
        }
        sent++;
        ByteBuffer frame = stage.frame(sent);
        byte[] copy = new byte[frame.remaining()];
        frame.get(copy);
        outlet.frame(copy);
    }

    /** Sends a message in JSON. */
    void tell(Message message) {
        outlet.text(json.writeValueAsString(message));
    }
}
