package bellrope.core.stage;

import bellrope.core.pool.Held;
import bellrope.core.project.Project;
import bellrope.core.score.Arrival;
import bellrope.core.score.Channelled;
import bellrope.core.score.Score;
import bellrope.core.score.Writing;
import bellrope.core.score.Written;
import bellrope.core.stage.told.Account;
import bellrope.core.stage.told.Keeping;
import bellrope.core.value.Pace;
import java.nio.ByteBuffer;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;

/**
 * A score that is being played on a stage of its own, step by step. It is over when its time is, all is said and nothing plays any more, or
 * {@link Rehearsal#LONGEST_TAIL} after that.
 */
public final class Performance {
    /** Seconds by which a time stamp may be off, because it was rounded to a millisecond. */
    private static final double ROUNDED = 0.000_51;

    private final Stage stage;
    private final Pace pace;
    private final List<Arrival> arrivals;
    private final List<Written.Gone> gone;
    private final List<Channelled> channels;
    private final double[] published;
    private final List<Account> accounts = new ArrayList<>();
    // Of each arrival that was said: the number of its pull, and how many ropes answered it.
    private final int[] numbers;
    private final int[] answered;
    private final int length;
    private final int cut;
    private int next;
    private int nextGone;

    /** @param keeping what is kept of what plays */
    public Performance(Project project, Written written, Keeping keeping) {
        pace = project.settings().pace();
        arrivals = written.arrivals();
        numbers = new int[arrivals.size()];
        answered = new int[arrivals.size()];
        gone = written.gone();
        channels = written.channels().stream()
                .filter(c -> project.channel(c.channel()).isPresent())
                .toList();
        published = new double[channels.size()];
        Arrays.fill(published, Double.NaN);
        stage = new Stage(project, keeping);
        int last =
                arrivals.isEmpty() ? 0 : step(arrivals.get(arrivals.size() - 1).at());
        length = pace.stepsAt(written.seconds());
        cut = Math.max(last, length) + pace.stepsAt(Rehearsal.LONGEST_TAIL);
        say();
    }

    /** Plays pulls in the order of their times; those of one time in the order given. */
    public static Performance of(Project project, List<Rehearsal.Timed> pulls) {
        List<Arrival> arrivals = new ArrayList<>();
        for (Rehearsal.Timed timed : pulls) {
            arrivals.add(new Arrival(timed.at(), 0, arrivals.size(), timed.pull()));
        }
        arrivals.sort(Comparator.comparingDouble(Arrival::at));
        double last = arrivals.isEmpty() ? 0 : arrivals.get(arrivals.size() - 1).at();
        return new Performance(project, new Written(last, arrivals, List.of(), List.of()), Keeping.NOTHING);
    }

    /** Plays a score of the project as it stands. */
    public static Performance of(Project project, Score score) {
        return new Performance(project, Writing.of(score, project.events(), 0), Keeping.EVERYTHING);
    }

    /** Returns the first step at or after a time, half a millisecond forgiven, because that is how times are written down. */
    private int step(double at) {
        return pace.stepsAt(Math.max(0, at - ROUNDED));
    }

    public Stage stage() {
        return stage;
    }

    /** Tells whether everything is said and nothing plays any more, or has gone on for long enough. */
    public boolean over() {
        boolean said = next == arrivals.size() && nextGone == gone.size() && stage.now() >= length;
        return said && (stage.still() || stage.now() >= cut);
    }

    /** Makes a step, and says what is due on it. */
    public void step() {
        stage.step();
        say();
    }

    private void say() {
        double now = pace.seconds(stage.now());
        for (int i = 0; i < published.length; i++) {
            double value = channels.get(i).at(now);
            if (value != published[i]) {
                published[i] = value;
                stage.publish(channels.get(i).channel(), value);
            }
        }
        while (next < arrivals.size() && step(arrivals.get(next).at()) <= stage.now()) {
            Account account = stage.pullLate(
                    arrivals.get(next).pull(), now - arrivals.get(next).at());
            accounts.add(account);
            numbers[next] = account.number();
            answered[next] = account.refused().isEmpty() ? (int) account.answered() : -1;
            next++;
        }
        while (nextGone < gone.size() && step(gone.get(nextGone).at()) <= stage.now()) {
            accounts.add(stage.gone(gone.get(nextGone).subject()));
            nextGone++;
        }
        accounts.addAll(stage.unasked());
        stage.told();
    }

    /**
     * Encodes what was on the stage on a step gone by, of a performance that keeps everything.
     *
     * @return valid until the next call
     */
    public ByteBuffer frame(int step) {
        return stage.frame(step, step);
    }

    /** Returns what was held so far, of a performance that keeps it. */
    public List<Held> held() {
        return stage.held();
    }

    /** Returns the number of the pull that an arrival was; 0 while it has not been said. */
    public int number(int arrival) {
        return numbers[arrival];
    }

    /** Returns how many ropes answered an arrival; −1 where it was refused. */
    public int answered(int arrival) {
        return answered[arrival];
    }

    /** Returns how many arrivals have been said. */
    public int said() {
        return next;
    }

    /** Returns the accounts since the last call, in the order in which they came. */
    public List<Account> takeAccounts() {
        List<Account> taken = List.copyOf(accounts);
        accounts.clear();
        return taken;
    }
}
