package bellrope.format.answer;

import bellrope.core.project.Project;
import bellrope.core.stage.told.Account;
import bellrope.format.json.JsonValue;
import bellrope.format.link.LinkedStage;
import bellrope.format.report.AccountReport;
import java.nio.ByteBuffer;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.List;

/** A running game as a page follows it: its stage, and what is told of what it said. */
public final class FollowedGame {
    /** Lines that are told at once. */
    private static final int MOST_LINES = 400;

    private final LinkedStage linked;
    private final Deque<GameReply.Happening> lines = new ArrayDeque<>();
    private int left;
    private int taken;

    /**
     * @param project that the game began with
     * @param step on which it begins to be followed
     */
    public FollowedGame(Project project, int step) {
        linked = new LinkedStage(project);
        linked.reach(step);
    }

    /** Lets what plays bend to a bundle on the step on which the game took it. */
    public void take(Project next, int step) {
        linked.take(next, step);
    }

    /**
     * Does what the game did.
     *
     * @param from number of the first entry
     * @param step that the game had reached by then
     */
    public GameReply said(JsonValue entries, long from, int step) {
        for (int i = 0; i < entries.size(); i++) {
            JsonValue entry = entries.get(i);
            LinkedStage.Followed followed = linked.follow(entry);
            JsonValue type = entry.isObject() ? entry.get("type") : null;
            if (followed.account().isPresent() || !followed.problems().isEmpty()) {
                add(new GameReply.Happening(
                        from + i,
                        type != null && type.isText() ? type.text() : "",
                        followed.account().map(this::report).orElse(null),
                        followed.problems()));
            }
            unasked();
        }
        linked.reach(step);
        unasked();
        List<GameReply.Happening> told = List.copyOf(lines);
        lines.clear();
        int out = left;
        left = 0;
        return new GameReply(
                linked.stage().now(),
                linked.stage().project().settings().pace().stepsPerSecond(),
                linked.stage().instances(),
                linked.stage().particles(),
                linked.agreed(),
                told,
                out);
    }

    /** Returns what is on the stage now. */
    public ByteBuffer seen() {
        return linked.stage().frame(++taken);
    }

    // What was announced, or ended by itself.
    private void unasked() {
        for (Account account : linked.stage().unasked()) {
            add(new GameReply.Happening(0, account.pull().event(), report(account), List.of()));
        }
        linked.stage().told();
    }

    private void add(GameReply.Happening line) {
        lines.add(line);
        if (lines.size() > MOST_LINES) {
            lines.remove();
            left++;
        }
    }

    private AccountReport report(Account account) {
        return AccountReport.of(account, linked.stage().project().settings().pace());
    }
}
