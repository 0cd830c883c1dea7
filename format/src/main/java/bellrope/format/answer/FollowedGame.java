package bellrope.format.answer;

import bellrope.core.event.Declared;
import bellrope.core.project.Project;
import bellrope.core.stage.told.Account;
import bellrope.core.stage.told.Bent;
import bellrope.core.value.Problem;
import bellrope.format.answer.GameReply.HappenedKind;
import bellrope.format.answer.GameReply.Happening;
import bellrope.format.answer.GameReply.Outcome;
import bellrope.format.answer.GameReply.Outcomes;
import bellrope.format.json.Bundle;
import bellrope.format.json.JsonValue;
import bellrope.format.json.TraceJson;
import bellrope.format.link.LinkedStage;
import bellrope.format.report.AccountReport;
import java.nio.ByteBuffer;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;

/** A running game as a page follows it: its stage, and what is told of what it said. */
public final class FollowedGame {
    /** Lines that are told at once. */
    private static final int MOST_LINES = 400;
    /** Kinds that are counted; a game that says ever new ones must not fill the page. */
    private static final int MOST_KINDS = 300;

    private final LinkedStage linked;
    private final Deque<Happening> lines = new ArrayDeque<>();
    private final Count all = new Count();
    private final Map<String, Count> kinds = new LinkedHashMap<>();
    private final Set<String> changed = new LinkedHashSet<>();
    private int frames;
    // Null until a bundle was taken.
    private Bent bent;

    /** What happened of one kind, or of all. */
    private static final class Count {
        private final int[] outcomes = new int[Outcome.values().length];
        private int came;
        private Happening last;

        void add(Happening one, Outcome outcome) {
            outcomes[outcome.ordinal()]++;
            came++;
            last = one;
        }

        private int of(Outcome outcome) {
            return outcomes[outcome.ordinal()];
        }

        Outcomes outcomes() {
            return new Outcomes(
                    of(Outcome.ANSWERED),
                    of(Outcome.SILENT),
                    of(Outcome.UNWIRED),
                    of(Outcome.UNKNOWN),
                    of(Outcome.WRONG));
        }
    }

    /**
     * @param project that the game began with
     * @param step on which it begins to be followed
     * @param whole whether that is its beginning
     */
    public FollowedGame(Project project, int step, boolean whole) {
        linked = new LinkedStage(project, step, whole);
    }

    /** Lets what plays bend to a bundle on the step on which the game took it. */
    public void take(Project next, int step) {
        bent = linked.take(next, step);
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
            String type = type(entry);
            if (!followed.problems().isEmpty()) {
                unreadable(from + i, type, followed.problems());
            } else {
                long number = from + i;
                followed.account().ifPresent(account -> happened(number, type, account));
            }
            unasked();
        }
        linked.reach(step).ifPresent(problem -> unreadable(0, "", List.of(problem)));
        unasked();
        List<HappenedKind> news = new ArrayList<>();
        for (String type : changed) {
            Count kind = kinds.get(type);
            news.add(new HappenedKind(type, kind.came, kind.outcomes(), kind.last));
        }
        GameReply reply = new GameReply(
                linked.stage().now(),
                seconds(),
                linked.stage().project().settings().pace().stepsPerSecond(),
                linked.stage().instances(),
                linked.stage().particles(),
                linked.agreed(),
                List.copyOf(lines),
                all.outcomes(),
                news,
                bent,
                linked.figures().camera().orElse(null),
                linked.figures()
                        .at(
                                linked.stage().now(),
                                linked.stage().project().settings().pace().stepsPerSecond()));
        lines.clear();
        changed.clear();
        return reply;
    }

    /** Returns what is on the stage now. */
    public ByteBuffer seen() {
        return linked.stage().frame(++frames);
    }

    private static String type(JsonValue entry) {
        JsonValue type = entry.isObject() ? entry.get("type") : null;
        return type != null && type.isText() ? type.text() : "";
    }

    private double seconds() {
        return linked.stage().project().settings().pace().seconds(linked.stage().now());
    }

    // What was announced, or ended by itself.
    private void unasked() {
        linked.stage().unasked().forEach(account -> happened(0, account.pull().event(), account));
        linked.stage().told();
    }

    private void unreadable(long number, String type, List<Problem> problems) {
        add(
                new Happening(number, type, seconds(), "", Outcome.WRONG.word(), words(problems), null, problems, null),
                Outcome.WRONG);
    }

    private void happened(long number, String type, Account account) {
        boolean gone = type.equals(TraceJson.GONE)
                && linked.stage().project().event(type).isEmpty();
        if (gone && account.answers().isEmpty() && account.notes().isEmpty()) {
            // Nothing hung on the subject; that is as it should be.
            return;
        }
        Project project = linked.stage().project();
        String event = account.pull().event();
        boolean known = gone || project.event(event).isPresent();
        AccountReport report = AccountReport.of(account, project.settings().pace());
        Outcome outcome;
        String words;
        if (!account.refused().isEmpty()) {
            outcome = known ? Outcome.WRONG : Outcome.UNKNOWN;
            words = words(account.refused());
        } else if (account.answered() > 0) {
            outcome = Outcome.ANSWERED;
            words = report.answers().stream()
                    .filter(AccountReport.Line::answered)
                    .map(AccountReport.Line::name)
                    .collect(Collectors.joining(", "));
        } else if (!gone && project.ropes().stream().noneMatch(r -> r.event().equals(event))) {
            outcome = Outcome.UNWIRED;
            words = "no rope listens";
        } else {
            outcome = Outcome.SILENT;
            words = report.answers().isEmpty()
                    ? String.join("; ", report.notes().isEmpty() ? List.of(report.summary()) : report.notes())
                    : report.answers().stream().map(AccountReport.Line::words).collect(Collectors.joining("; "));
        }
        JsonValue declared = outcome == Outcome.UNKNOWN
                ? Declared.from(account.pull()).map(Bundle::write).orElse(null)
                : null;
        add(
                new Happening(
                        number,
                        type,
                        report.at(),
                        report.subject(),
                        outcome.word(),
                        words,
                        report,
                        List.of(),
                        declared),
                outcome);
    }

    private static String words(List<Problem> problems) {
        return problems.stream().map(Problem::toString).collect(Collectors.joining("; "));
    }

    private void add(Happening one, Outcome outcome) {
        lines.add(one);
        if (lines.size() > MOST_LINES) {
            lines.remove();
        }
        all.add(one, outcome);
        Count kind =
                kinds.size() < MOST_KINDS ? kinds.computeIfAbsent(one.type(), t -> new Count()) : kinds.get(one.type());
        if (kind != null) {
            kind.add(one, outcome);
            changed.add(one.type());
        }
    }
}
