package bellrope.core.stage;

import bellrope.core.event.Pull;
import bellrope.core.project.Project;
import bellrope.core.sim.Layer;
import bellrope.core.stage.Account.Played;
import bellrope.core.value.Pace;
import bellrope.core.value.Vec3;
import java.nio.ByteBuffer;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * One pull played from its first instant until the last particle is gone, or until a longest time, and what was seen on
 * the way. Index k of every array is the state k steps after the pull; 0 is the pull itself.
 */
public final class Take {
    /** Seconds after which a take is cut. */
    public static final double LONGEST = 10;

    private final Account account;
    private final Pace pace;
    private final int[] live;
    private final float[] presence;
    private final boolean[] visible;
    private final double reach;
    private final long births;
    private final long swallowed;
    private final boolean ended;
    private final List<byte[]> frames;

    private Take(
            Account account,
            Pace pace,
            int[] live,
            float[] presence,
            boolean[] visible,
            double reach,
            Stage stage,
            List<byte[]> frames) {
        this.account = account;
        this.pace = pace;
        this.live = live;
        this.presence = presence;
        this.visible = visible;
        this.reach = reach;
        this.births = stage.births();
        this.swallowed = stage.swallowed();
        this.ended = stage.instances() == 0;
        this.frames = List.copyOf(frames);
    }

    /**
     * Plays a pull against a project that holds the ropes to be seen, and no others.
     *
     * @param longest seconds after which to cut, at most {@link #LONGEST}
     * @param withFrames whether to keep the encoded frames
     */
    public static Take of(Project project, Pull pull, double longest, boolean withFrames) {
        Stage stage = new Stage(project);
        Account account = stage.pull(pull);
        Pace pace = project.settings().pace();
        int most = pace.stepsAt(Math.min(LONGEST, longest));
        int[] live = new int[most + 1];
        float[] presence = new float[most + 1];
        boolean[] visible = new boolean[most + 1];
        List<byte[]> frames = new ArrayList<>();
        List<Played> played = account.answers().stream()
                .filter(Played.class::isInstance)
                .map(Played.class::cast)
                .toList();
        double reach = 0;
        int k = 0;
        while (true) {
            if (withFrames) {
                ByteBuffer frame = stage.frame(k);
                frames.add(Arrays.copyOfRange(frame.array(), frame.position(), frame.limit()));
            } else {
                for (Layer layer : stage.layers()) {
                    layer.appear(stage.now());
                }
            }
            live[k] = stage.particles();
            for (Layer layer : stage.layers()) {
                presence[k] += (float) layer.presence();
                visible[k] |= layer.visible();
            }
            if (!played.isEmpty()) {
                reach = Math.max(reach, farthest(stage, played.get(0)));
            }
            if (k == most || stage.instances() == 0) {
                break;
            }
            stage.step();
            k++;
        }
        return new Take(
                account,
                pace,
                Arrays.copyOf(live, k + 1),
                Arrays.copyOf(presence, k + 1),
                Arrays.copyOf(visible, k + 1),
                reach,
                stage,
                frames);
    }

    private static double farthest(Stage stage, Played played) {
        Vec3 from = played.origin();
        double most = 0;
        for (Layer layer : stage.layers()) {
            most = Math.max(most, layer.reach(from, played.facing()));
        }
        return most;
    }

    public Account account() {
        return account;
    }

    public Pace pace() {
        return pace;
    }

    /** Returns the last index; the take is that many steps long. */
    public int last() {
        return live.length - 1;
    }

    /** Returns how many particles live at an index. */
    public int live(int index) {
        return live[index];
    }

    /** Returns ∑ opacity × area × luminance at an index, in square units. */
    public float presence(int index) {
        return presence[index];
    }

    /** Tells whether anything can be seen at an index. */
    public boolean visible(int index) {
        return visible[index];
    }

    /**
     * Returns how far the centre of any particle came from the first answer's origin along its facing, in units; 0 when
     * none went forward.
     */
    public double reach() {
        return reach;
    }

    public long births() {
        return births;
    }

    public long swallowed() {
        return swallowed;
    }

    /** Tells whether every instance was released before the take was cut. */
    public boolean ended() {
        return ended;
    }

    /** Returns the encoded frames, one an index; none if they were not kept. */
    public List<byte[]> frames() {
        return frames;
    }
}
