package bellrope.core.stage;

import bellrope.core.event.Pull;
import bellrope.core.project.Project;
import bellrope.core.project.Settings;
import bellrope.core.rope.Trial;
import bellrope.core.sim.FrameEncoder;
import bellrope.core.sim.Layer;
import bellrope.core.sim.Watch;
import bellrope.core.stage.told.Account;
import bellrope.core.stage.told.Account.Played;
import bellrope.core.value.Exact;
import bellrope.core.value.Pace;
import bellrope.core.value.Vec3;
import bellrope.core.value.Words;
import java.nio.ByteBuffer;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * One pull played from its first instant until the last particle is gone, or until a longest time, and what was seen on
 * the way. Index k of every array is the state k steps after the pull; 0 is the pull itself.
 */
public final class Take {
    /** Seconds after which a take is cut. */
    public static final double LONGEST = 10;

    /** Most bytes of all frames of a take that keeps them; it is cut before there are more. */
    public static final int MOST_BYTES = 64_000_000;

    private final Account account;
    private final Settings settings;
    private final Watch watch;
    private final long births;
    private final long dropped;
    private final long[] byGeneration;
    private final boolean ended;
    private final List<byte[]> frames;
    private final Optional<String> cut;

    /**
     * How long a take goes on.
     *
     * @param longest seconds after which to cut, at most {@link #LONGEST}
     * @param stopAfter seconds after which spans and states end, and what loops is stopped
     */
    public record Length(double longest, OptionalDouble stopAfter) {
        public static final Length USUAL = new Length(LONGEST, OptionalDouble.empty());
    }

    private Take(Account account, Settings settings, Watch watch, Stage stage, Keeping keeping) {
        this.account = account;
        this.settings = settings;
        this.watch = watch;
        this.births = stage.births();
        this.dropped = stage.dropped();
        this.byGeneration = stage.byGeneration();
        this.ended = stage.still();
        this.frames = List.copyOf(keeping.kept());
        this.cut = stage.still() ? Optional.empty() : keeping.full();
    }

    public static Take of(Project project, Pull pull, double longest, boolean withFrames) {
        return of(project, pull, new Length(longest, OptionalDouble.empty()), withFrames);
    }

    /**
     * Plays a pull against a project that holds the ropes to be seen, and no others.
     *
     * @param withFrames whether to keep the encoded frames
     */
    public static Take of(Project project, Pull pull, Length length, boolean withFrames) {
        return of(project, Trial.of(pull), length, withFrames);
    }

    /**
     * Plays a pull with what must be so around it.
     *
     * @param withFrames whether to keep the encoded frames; then it is cut when they come to {@link #MOST_BYTES}, see {@link
     *     #cut}
     */
    public static Take of(Project project, Trial trial, Length length, boolean withFrames) {
        return new Playing(project, trial, length).play(withFrames ? new All() : new None());
    }

    /**
     * Plays a pull and keeps one frame: that of the step which is worth most.
     *
     * @param worth of what has been seen up to a step
     */
    public static Take best(Project project, Pull pull, Length length, Worth worth) {
        return new Playing(project, Trial.of(pull), length).play(new Best(worth));
    }

    /** What the frame of a step is worth. */
    public interface Worth {
        double of(Watch watch, int step);
    }

    /** Which frames are kept. */
    private sealed interface Keeping {
        void look(Stage stage, Watch watch, int step, int most);

        List<byte[]> kept();

        /** Returns why no more can be kept; empty while there is room. */
        default Optional<String> full() {
            return Optional.empty();
        }
    }

    private static final class None implements Keeping {
        @Override
        public void look(Stage stage, Watch watch, int step, int most) {
            // None is kept.
        }

        @Override
        public List<byte[]> kept() {
            return List.of();
        }
    }

    private static final class All implements Keeping {
        private final List<byte[]> frames = new ArrayList<>();
        private long bytes;
        private String full;

        @Override
        public void look(Stage stage, Watch watch, int step, int most) {
            byte[] frame = encoded(stage, step);
            bytes += frame.length;
            frames.add(frame);
            // Another as large would not fit.
            if (bytes + frame.length > MOST_BYTES && step < most) {
                double second = stage.project().settings().pace().seconds(step);
                long pictures = (frame.length - FrameEncoder.HEADER) / FrameEncoder.STRIDE;
                full = "cut after " + Words.number(Exact.rint(second * 100) / 100) + " s: " + pictures + " pictures × "
                        + FrameEncoder.STRIDE + " bytes × up to " + (most + 1) + " frames would be "
                        + pictures * FrameEncoder.STRIDE * (most + 1) / 1_000_000 + " MB, and a take holds "
                        + MOST_BYTES / 1_000_000 + " MB";
            }
        }

        @Override
        public List<byte[]> kept() {
            return frames;
        }

        @Override
        public Optional<String> full() {
            return Optional.ofNullable(full);
        }
    }

    private static final class Best implements Keeping {
        private final Worth worth;
        private double most = Double.NEGATIVE_INFINITY;
        private byte[] best;

        private Best(Worth worth) {
            this.worth = worth;
        }

        @Override
        public void look(Stage stage, Watch watch, int step, int last) {
            double now = worth.of(watch, step);
            if (now > most) {
                most = now;
                best = encoded(stage, step);
            }
        }

        @Override
        public List<byte[]> kept() {
            return List.of(best);
        }
    }

    private static byte[] encoded(Stage stage, int step) {
        ByteBuffer frame = stage.frame(step);
        return Arrays.copyOfRange(frame.array(), frame.position(), frame.limit());
    }

    /** A take while it is played. */
    static final class Playing {
        private final Project project;
        private final Stage stage;
        private final Account account;
        private final Watch watch;
        private final int most;
        private final int stopAt;

        Playing(Project project, Trial trial, Length length) {
            this.project = project;
            stage = new Stage(project);
            trial.channels().forEach((name, value) -> {
                if (project.channel(name).isPresent()) {
                    stage.publish(name, value);
                }
            });
            trial.since().forEach(stage::came);
            account = stage.pull(trial.pull());
            Pace pace = project.settings().pace();
            most = pace.stepsAt(Math.min(LONGEST, length.longest()));
            stopAt = length.stopAfter().isPresent()
                    ? pace.stepsAt(length.stopAfter().getAsDouble())
                    : -1;
            Played first = (Played) account.answers().stream()
                    .filter(Played.class::isInstance)
                    .findFirst()
                    .orElse(null);
            watch = first == null ? new Watch(Vec3.ZERO, Vec3.UP) : new Watch(first.origin(), first.facing());
        }

        private Take play(Keeping keeping) {
            while (true) {
                int k = watch.steps();
                // Whoever keeps every frame has it drawn first, which works out how all looks.
                if (keeping instanceof All) {
                    keeping.look(stage, watch, k, most);
                } else {
                    for (Layer layer : stage.layers()) {
                        layer.appear(stage.now());
                    }
                }
                watch.look(stage.layers(), stage.departed(), stage.now());
                if (!(keeping instanceof All)) {
                    keeping.look(stage, watch, k, most);
                }
                if (k == most || stage.still() || keeping.full().isPresent()) {
                    return new Take(account, project.settings(), watch, stage, keeping);
                }
                step(k);
            }
        }

        /** Makes the step after one. */
        void step(int k) {
            if (k == stopAt) {
                stage.stop();
            }
            stage.step();
        }

        Stage stage() {
            return stage;
        }
    }

    public Account account() {
        return account;
    }

    public Pace pace() {
        return settings.pace();
    }

    public Settings settings() {
        return settings;
    }

    /** Returns what was counted on the way. */
    public Watch watch() {
        return watch;
    }

    /** Returns the last index; the take is that many steps long. */
    public int last() {
        return watch.steps() - 1;
    }

    /** Returns how many particles live at an index. */
    public int live(int index) {
        return watch.live(index);
    }

    /** Returns ∑ opacity × area × luminance at an index, in square units. */
    public float presence(int index) {
        return watch.presence(index);
    }

    /** Tells whether anything can be seen at an index. */
    public boolean visible(int index) {
        return watch.visible(index);
    }

    /**
     * Returns how far the centre of any particle came from the first answer's origin along its facing, in units; 0 when
     * none went forward.
     */
    public double reach() {
        return watch.reach();
    }

    public long births() {
        return births;
    }

    public long dropped() {
        return dropped;
    }

    /** Returns how many were born of each generation, children's children apart. */
    public long[] byGeneration() {
        return byGeneration.clone();
    }

    /** Returns why it was cut before its time, because its frames were too large, with the sum; empty where it was not. */
    public Optional<String> cut() {
        return cut;
    }

    /** Tells whether every instance was released before the take was cut. */
    public boolean ended() {
        return ended;
    }

    /** Returns the encoded frames, one an index; none if they were not kept, one if only the best was. */
    public List<byte[]> frames() {
        return frames;
    }
}
