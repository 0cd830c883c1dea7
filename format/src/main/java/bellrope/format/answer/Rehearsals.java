package bellrope.format.answer;

import bellrope.core.event.Pull;
import bellrope.core.measure.Sizing;
import bellrope.core.measure.Usage;
import bellrope.core.project.Consistency;
import bellrope.core.project.Project;
import bellrope.core.project.WorstSecond;
import bellrope.core.score.Arrival;
import bellrope.core.score.Lane;
import bellrope.core.score.Score;
import bellrope.core.score.Writing;
import bellrope.core.score.Written;
import bellrope.core.sim.Layer;
import bellrope.core.stage.Performance;
import bellrope.core.stage.told.Account;
import bellrope.core.stage.told.Keeping;
import bellrope.core.value.Problem;
import bellrope.format.json.Bundle;
import bellrope.format.json.JsonValue;
import bellrope.format.report.AccountReport;
import java.nio.ByteBuffer;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * A score that is rehearsed bit by bit, so that whoever asks can show how far it has come, and stop: {@link #on} until it is
 * over, then everything else. And the sizes of pools for it, likewise.
 */
public final class Rehearsals {
    /** Most accounts of one rehearsal that are kept, the first; of later ones only how many ropes answered. */
    private static final int MOST_ACCOUNTS = 20_000;
    /** Most steps of a rehearsal, which are what a score and its longest tail can come to. */
    private static final double TAIL = 4;

    private final Project project;
    private final Written written;
    private final Score score;
    private final Performance performance;
    private final Usage usage;
    private final Sizing sizing;
    private final List<Account> accounts = new ArrayList<>();
    private final Box box = new Box();
    private boolean over;

    /**
     * Begins.
     *
     * @param body of the score
     * @param runs how often it is played for the sizes of pools
     * @throws Wrong if it is none, or names what is not there
     */
    public static Rehearsals of(Whole whole, JsonValue body, int runs) {
        return new Rehearsals(whole.project(), read(whole.project(), body), runs);
    }

    static Score read(Project project, JsonValue body) {
        Bundle.Read<Score> read = Bundle.readScore(body);
        Score score = read.value().orElseThrow(() -> new Wrong(read.problems()));
        List<Problem> problems = Consistency.problems(score, project);
        if (!problems.isEmpty()) {
            throw new Wrong(problems);
        }
        return score;
    }

    private Rehearsals(Project project, Score score, int runs) {
        this.project = project;
        this.score = score;
        this.written = Writing.of(score, project.events(), 0);
        this.performance = new Performance(project, written, Keeping.EVERYTHING);
        this.usage = new Usage(project.settings());
        this.sizing = new Sizing(project, score, Math.max(1, Math.min(1000, runs)));
        look();
    }

    /** Returns the body of the worst second that the project can expect. */
    public static JsonValue worstSecond(Project project, String name) {
        return Bundle.write(WorstSecond.of(project, name));
    }

    private void look() {
        for (Account account : performance.takeAccounts()) {
            if (accounts.size() < MOST_ACCOUNTS) {
                accounts.add(account);
            }
        }
        usage.stepped(performance.stage());
        box.look(performance.stage().layers(), performance.stage().now());
        over = performance.over();
    }

    /** Plays so many steps more. */
    public Progress on(int steps) {
        for (int i = 0; i < steps && !over; i++) {
            performance.step();
            look();
        }
        double now = project.settings().pace().seconds(performance.stage().now());
        return new Progress(now, Math.max(score.seconds() + TAIL, now), over);
    }

    /** Returns how many runs for the sizes of pools were taken in. */
    public Progress taken() {
        return new Progress(sizing.done(), sizing.runs(), sizing.done() == sizing.runs());
    }

    /**
     * Plays one run for the sizes of pools, whichever: several may be played at the same time in different places. {@link #take} takes
     * them in.
     */
    public HeldRun run(int number) {
        return HeldRun.of(number, sizing.played(number));
    }

    /**
     * Takes in the next run, wherever it was played.
     *
     * @throws Wrong if it is another one
     */
    public Progress take(JsonValue run) {
        int number = (int) run.get("run").number();
        if (number != sizing.done() || number >= sizing.runs()) {
            throw new Wrong(List.of(new Problem("/run", Integer.toString(number), "run " + sizing.done())));
        }
        sizing.take(HeldRun.read(run));
        return taken();
    }

    /** Returns what is known of the sizes of pools after the runs so far. */
    public List<SizedView> sized() {
        return sizing.result().stream().map(SizedView::of).toList();
    }

    /** Returns what it came to so far. */
    public RehearsalView view() {
        double rate = project.settings().pace().stepsPerSecond();
        List<RehearsalView.UseLine> whole = new ArrayList<>();
        for (Usage.What what : Usage.What.values()) {
            whole.add(line(usage.whole(what), rate));
        }
        return new RehearsalView(
                score.name(),
                score.seconds(),
                rate,
                usage.live(),
                box.told(),
                usage.stepsPerPoint(),
                whole,
                usage.effects().stream().map(l -> line(l, rate)).toList(),
                usage.ropes().stream().map(l -> line(l, rate)).toList(),
                usage.subjects().stream().map(l -> line(l, rate)).toList(),
                usage.makers().stream()
                        .map(m -> new RehearsalView.MakerView(m.rope(), m.instances()))
                        .toList(),
                performance.stage().pools().stream()
                        .map(RehearsalView.PoolUsed::of)
                        .toList(),
                lanes(),
                performance.stage().births(),
                performance.stage().dropped(),
                project.settings().particleLimit(),
                performance.stage().still());
    }

    private static RehearsalView.UseLine line(Usage.Line line, double rate) {
        return new RehearsalView.UseLine(line.name(), line.values(), line.peak(), line.peakStep() / rate, line.mean());
    }

    // A mark, and where its span ends.
    private record Played(Arrival begun, int place, double[] until) {}

    private List<RehearsalView.LanePlayed> lanes() {
        Map<Integer, Map<Integer, Played>> byLane = new HashMap<>();
        for (int i = 0; i < written.arrivals().size(); i++) {
            Arrival arrival = written.arrivals().get(i);
            Map<Integer, Played> lane = byLane.computeIfAbsent(arrival.lane(), l -> new LinkedHashMap<>());
            if (arrival.pull().phase() == Pull.Phase.END) {
                lane.get(arrival.number()).until()[0] = arrival.at();
            } else {
                lane.put(arrival.number(), new Played(arrival, i, new double[] {Double.NaN}));
            }
        }
        List<RehearsalView.LanePlayed> lanes = new ArrayList<>();
        for (Lane lane : score.lanes()) {
            List<Played> marks =
                    List.copyOf(byLane.getOrDefault(lane.id(), Map.of()).values());
            boolean spans = marks.stream().anyMatch(m -> !Double.isNaN(m.until()[0]));
            lanes.add(new RehearsalView.LanePlayed(
                    lane.id(),
                    marks.stream().mapToDouble(m -> m.begun().at()).toArray(),
                    spans ? marks.stream().mapToDouble(m -> m.until()[0]).toArray() : null,
                    marks.stream()
                            .mapToInt(m -> performance.answered(m.place()))
                            .toArray(),
                    marks.stream().mapToInt(m -> performance.number(m.place())).toArray()));
        }
        return lanes;
    }

    /** Returns the account of a pull; none where it is not kept. */
    public Optional<AccountReport> account(int pull) {
        return accounts.stream()
                .filter(a -> a.number() == pull)
                .findFirst()
                .map(a -> AccountReport.of(a, project.settings().pace()));
    }

    /** Returns the last accounts at or before a moment, the newest first. */
    public List<AccountReport> accounts(int step, int most) {
        List<AccountReport> found = new ArrayList<>();
        for (int i = accounts.size() - 1; i >= 0 && found.size() < most; i--) {
            if (accounts.get(i).step() <= step) {
                found.add(AccountReport.of(accounts.get(i), project.settings().pace()));
            }
        }
        return found;
    }

    /** Returns the picture of a step that was played. */
    public ByteBuffer frame(int step) {
        return performance.frame(Math.max(0, Math.min(performance.stage().now(), step)));
    }

    // Where anything can be seen.
    private static final class Box {
        private final double[] low = {Double.POSITIVE_INFINITY, Double.POSITIVE_INFINITY, Double.POSITIVE_INFINITY};
        private final double[] high = {Double.NEGATIVE_INFINITY, Double.NEGATIVE_INFINITY, Double.NEGATIVE_INFINITY};

        private void look(List<Layer> layers, int step) {
            // A few looks a second are enough to frame it.
            if (step % 6 == 0) {
                for (Layer layer : layers) {
                    layer.store().bounds(step, low, high);
                }
            }
        }

        private RehearsalView.Bounds told() {
            boolean nothing = low[0] > high[0];
            return new RehearsalView.Bounds(nothing ? new double[3] : low, nothing ? new double[3] : high);
        }
    }
}
