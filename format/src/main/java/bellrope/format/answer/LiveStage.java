package bellrope.format.answer;

import bellrope.core.project.Project;
import bellrope.core.stage.Stage;
import bellrope.core.stage.told.Account;
import bellrope.core.value.Refused;
import bellrope.format.json.JsonValue;
import bellrope.format.report.AccountReport;
import java.nio.ByteBuffer;
import java.util.ArrayList;
import java.util.List;
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
     * Does what a message says; {@code tick} lets time pass and no more.
     *
     * @throws Refused if it cannot be followed; then nothing but time has passed
     * @throws Wrong likewise
     */
    public void receive(JsonValue message, double now) {
        catchUp(now);
        if (!StageMessages.word(message).equals("tick")) {
            StageMessages.follow(stage, message).ifPresent(account -> accounts.add(report(account)));
            shown &= stage.still();
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
                stage.told().stream().map(t -> StageReply.Notice.of(t, rate)).toList();
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

    // While nothing plays, time is only counted, for limits and for the time since an event.
    private void catchUp(double now) {
        double passed = Math.max(0, now - last);
        stage.advance(Math.min(passed, stage.still() ? MOST_REST : MOST_CATCH_UP));
        last = Math.max(last, now);
        shown &= stage.still();
    }

    private AccountReport report(Account account) {
        return AccountReport.of(account, stage.project().settings().pace());
    }

    // Once more when all is over, so that nothing stays moved.
    private StageReply.Comfort comfort() {
        StageReply.Comfort comfort = StageReply.Comfort.of(stage);
        boolean told = comfort.felt() || uncomfortable;
        uncomfortable = comfort.felt();
        return told ? comfort : null;
    }
}
