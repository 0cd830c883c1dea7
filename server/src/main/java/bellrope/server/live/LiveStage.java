package bellrope.server.live;

import bellrope.core.event.Datum;
import bellrope.core.event.Pull;
import bellrope.core.project.Project;
import bellrope.core.stage.Account;
import bellrope.core.stage.Stage;
import bellrope.core.value.Problem;
import bellrope.format.json.PayloadJson;
import bellrope.format.json.Problems;
import bellrope.format.report.AccountReport;
import bellrope.server.store.Refusal;
import bellrope.server.store.Snapshot;
import bellrope.server.view.Views.Draft;
import bellrope.server.view.Views.Saved;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.util.ArrayList;
import java.util.List;
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
final class LiveStage {
    private static final Logger LOG = LoggerFactory.getLogger(LiveStage.class);
    /** Frames on their way that have not been acknowledged. */
    private static final int MOST_UNSEEN = 2;
    /** Longest time caught up in one tick; a server that was suspended does not play through its sleep. */
    private static final double MOST_CATCH_UP = 0.25;

    private final WebSocketSession session;
    private final JsonMapper json;
    private final String reader;
    private final long project;
    private final Stage stage;
    private Snapshot snapshot;
    private List<Draft> drafts = List.of();
    private long last;
    private int sent;
    private int seen;
    private boolean still = true;

    /** A word without more to say. */
    record Word(String is) {}

    /** Word of a change by someone else. */
    record Changed(String is, Saved saved) {}

    /** The account of a pull that this reader made. */
    record Told(String is, AccountReport account) {}

    /** A message that could not be done. */
    record Refused(String is, String detail, List<Problem> problems) {}

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
        switch (message.path("do").asString("")) {
            case "pull" -> pull(message);
            case "seen" -> seen = Math.max(seen, message.path("sequence").asInt(0));
            case "draft" -> draft(message);
            case "clear" -> {
                stage.clear();
                send();
            }
            default ->
                tell(new Refused(
                        "refused",
                        "A message says what to do.",
                        List.of(new Problem("/do", message.path("do").toString(), "pull, seen, draft or clear"))));
        }
    }

    private void pull(JsonNode message) {
        Problems problems = new Problems();
        Map<String, Datum> payload = PayloadJson.read(message.get("payload"), "/payload", problems);
        String event = message.path("event").asString("");
        Pull pull = new Pull(event, payload, message.path("seed").asLong(0));
        if (!problems.none()) {
            tell(new Refused("refused", "The pull of " + event + " was refused.", problems.list()));
            return;
        }
        catchUp();
        Account account = stage.pull(pull);
        if (account.answered() > 0) {
            send();
        }
        tell(new Told(
                "account", AccountReport.of(account, stage.project().settings().pace())));
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
            tell(new Refused("refused", refusal.getMessage(), refusal.problems()));
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
        if (stage.instances() > 0) {
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
    }

    private void catchUp() {
        long now = System.nanoTime();
        if (!still) {
            stage.advance(Math.min(MOST_CATCH_UP, (now - last) / 1e9));
        }
        last = now;
    }

    private void send() {
        still = stage.instances() == 0;
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
