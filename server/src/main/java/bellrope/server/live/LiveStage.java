package bellrope.server.live;

import bellrope.core.event.Pull;
import bellrope.core.project.Project;
import bellrope.core.stage.Account;
import bellrope.core.stage.Stage;
import bellrope.core.stage.Told;
import bellrope.core.value.Datum;
import bellrope.core.value.Demand;
import bellrope.core.value.Problem;
import bellrope.core.value.Refused;
import bellrope.core.value.Vec3;
import bellrope.format.json.PayloadJson;
import bellrope.format.json.Problems;
import bellrope.format.json.PullJson;
import bellrope.format.report.AccountReport;
import bellrope.server.store.Refusal;
import bellrope.server.store.Snapshot;
import bellrope.server.view.Views.Draft;
import bellrope.server.view.Views.Saved;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.web.socket.BinaryMessage;
import org.springframework.web.socket.TextMessage;
import org.springframework.web.socket.WebSocketSession;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * One reader's stage, kept in step with the wall clock while anything plays.
 *
 * <p>A pull is decided and its first frame sent in the thread that received it: waiting for the next tick would cost up to
 * a frame. After that the clock sends the newest frame whenever the reader has acknowledged the ones before; a slow reader
 * skips frames and never falls behind. A still stage sends one last, empty frame and then nothing.
 */
public final class LiveStage {
    private static final Logger LOG = LoggerFactory.getLogger(LiveStage.class);
    /** Frames on their way that have not been acknowledged. */
    private static final int MOST_UNSEEN = 2;
    /** Longest time caught up in one tick; a server that was suspended does not play through its sleep. */
    private static final double MOST_CATCH_UP = 0.25;

    /** Longest time that a still stage lets pass, seconds. */
    private static final double MOST_REST = 3600;

    private final WebSocketSession session;
    private final JsonMapper json;
    private final String reader;
    private final long project;
    private final Stage stage;
    private Snapshot snapshot;
    private List<Draft> drafts = List.of();
    private long last = System.nanoTime();
    private int sent;
    private int seen;
    private boolean still = true;
    private boolean uncomfortable;

    /** A word without more to say. */
    record Word(String is) {}

    /** Word of a change by someone else. */
    record Changed(String is, Saved saved) {}

    /** The account of a pull that this reader made. */
    record Reckoned(String is, AccountReport account) {}

    /** What game code would be told. */
    record Heard(String is, List<ToldLine> told) {}

    /**
     * Something told.
     *
     * @param what notice, begins, ends or gone
     */
    record ToldLine(String name, String what, String rope, int pull, double at) {}

    /**
     * What the player's comfort is about.
     *
     * @param shake units to the right and up by which the camera is moved
     * @param flash red, green and blue in linear light, and how much of it lies over the screen
     * @param paused seconds for which the game still holds its breath
     */
    record ComfortNow(String is, double[] shake, double[] flash, double paused) {}

    /** A message that could not be done. */
    record Declined(String is, String detail, List<Problem> problems) {}

    LiveStage(WebSocketSession session, JsonMapper json, String reader, Snapshot snapshot) {
        this.session = session;
        this.json = json;
        this.reader = reader;
        this.project = snapshot.id();
        this.snapshot = snapshot;
        this.stage = new Stage(snapshot.project());
    }

    long project() {
        return project;
    }

    String reader() {
        return reader;
    }

    /** Does what a message says. */
    synchronized void receive(JsonNode message) {
        try {
            act(message);
        } catch (Refused refused) {
            tell(new Declined(
                    "refused",
                    "The message was refused.",
                    List.of(new Problem("/" + refused.place(), refused.given(), refused.allowed()))));
        }
    }

    private void act(JsonNode message) {
        switch (message.path("do").asString("")) {
            case "pull" -> pull(message);
            case "seen" -> seen = Math.max(seen, message.path("sequence").asInt(0));
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
                tell(new Declined(
                        "refused",
                        "A message says what to do.",
                        List.of(new Problem(
                                "/do",
                                message.path("do").toString(),
                                "pull, move, gone, publish, camera, comfort, reset, seen, draft or clear"))));
        }
    }

    private static Vec3 vector(JsonNode message, String key) {
        Vec3 vector = PullJson.vector(message.get(key));
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
        Map<String, Datum> payload = bare ? Map.of() : PayloadJson.read(message.get("payload"), "/payload", problems);
        String event = message.path("event").asString("");
        Pull pull =
                PullJson.read(message, "", event, payload, message.path("seed").asLong(0), problems);
        if (!problems.none()) {
            tell(new Declined("refused", "The pull of " + event + " was refused.", problems.list()));
            return;
        }
        catchUp();
        answer(stage.pull(pull));
    }

    private void answer(Account account) {
        if (account.answered() > 0 || !stage.still()) {
            send();
        }
        tell(new Reckoned("account", report(account)));
        happened();
    }

    private AccountReport report(Account account) {
        return AccountReport.of(account, stage.project().settings().pace());
    }

    // What came by itself since the last look.
    private void happened() {
        stage.unasked().forEach(account -> tell(new Reckoned("account", report(account))));
        List<Told> told = stage.told();
        if (!told.isEmpty()) {
            double rate = stage.project().settings().pace().stepsPerSecond();
            tell(new Heard(
                    "told",
                    told.stream()
                            .map(t -> new ToldLine(
                                    t.name(),
                                    t.what().name().toLowerCase(Locale.ROOT),
                                    t.rope(),
                                    t.pull(),
                                    t.step() / rate))
                            .toList()));
        }
        comfort();
    }

    private void comfort() {
        Stage.Shaken shaken = stage.shaken();
        Stage.Flashed flashed = stage.flashed();
        boolean moved = shaken.x() != 0 || shaken.y() != 0 || flashed.opacity() > 0 || stage.paused() > 0;
        if (moved || uncomfortable) {
            tell(new ComfortNow(
                    "comfort",
                    new double[] {shaken.x(), shaken.y()},
                    new double[] {flashed.red(), flashed.green(), flashed.blue(), flashed.opacity()},
                    stage.paused()));
        }
        uncomfortable = moved;
    }

    /** Returns the newest accounts in which all the words occur, the newest first. */
    public synchronized List<AccountReport> accounts(String words, int most) {
        return stage.ledger().search(words, most).stream().map(this::report).toList();
    }

    /** Returns all accounts, one a line in JSON, the oldest first. */
    public synchronized String accountLines() {
        StringBuilder lines = new StringBuilder();
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
            tell(new Declined("refused", refusal.getMessage(), refusal.problems()));
        }
    }

    /** Takes a saved change; this reader's drafts still stand over it where they can. */
    synchronized void retune(Snapshot after) {
        snapshot = after;
        try {
            take(Drafts.over(after, drafts));
        } catch (Refusal refusal) {
            drafts = List.of();
            take(after.project());
        }
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
        if (still) {
            return;
        }
        catchUp();
        if (sent - seen < MOST_UNSEEN) {
            send();
        }
        happened();
    }

    private void catchUp() {
        long now = System.nanoTime();
        double passed = (now - last) / 1e9;
        // While nothing plays, time is only counted, for limits and for the time since an event.
        stage.advance(still ? Math.min(MOST_REST, passed) : Math.min(MOST_CATCH_UP, passed));
        last = now;
    }

    private void send() {
        still = stage.still();
        sent++;
        ByteBuffer frame = stage.frame(sent);
        byte[] copy = new byte[frame.remaining()];
        frame.get(copy);
        try {
            session.sendMessage(new BinaryMessage(copy));
        } catch (IOException | IllegalStateException e) {
            LOG.debug("a reader left in the middle of a frame", e);
        }
    }

    /** Sends a message in JSON. */
    void tell(Object message) {
        try {
            session.sendMessage(new TextMessage(json.writeValueAsString(message)));
        } catch (IOException | IllegalStateException e) {
            LOG.debug("a reader left in the middle of a message", e);
        }
    }
}
