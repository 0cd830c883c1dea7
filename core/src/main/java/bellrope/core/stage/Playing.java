package bellrope.core.stage;

import bellrope.core.event.Pull;
import bellrope.core.sim.EffectRun;
import bellrope.core.value.Vec3;
import java.util.ArrayList;
import java.util.List;

/** An instance: what began it, and its run under the present settings. */
final class Playing {
    /** What it is to the rope that began it. */
    enum Role {
        /** What the rope plays. */
        MAIN,
        /** What a span or state begins with. */
        START,
        /** What a span or state ends with. */
        END,
        /** A follow-up. */
        FOLLOW,
        /** Begun by a particle of another instance; it has no memory of its own and is started again by its parent. */
        CHILD
    }

    static final int NEVER = Integer.MAX_VALUE;

    final Role role;
    /** Which follow-up. */
    final int index;

    final String rope;
    /** Null for a child. */
    final Pull pull;

    final int number;
    final String subject;
    final int weight;
    final int start;
    /** Its number among beginnings. */
    final long beginning;
    /** Key of the pull's main instance. */
    final long key;
    /** What its rope's offset is counted from; for ends and follow-ups the place itself. */
    final Vec3 anchor;
    /** Of ends and follow-ups. */
    final Vec3 facing;
    /** The instance whose particle began it, or itself. */
    Playing root = this;

    /** How many events announced one another before it. */
    int depth;

    EffectRun run;
    Driver driver;
    /** What game code set on it. */
    final List<Hand> hands = new ArrayList<>(0);

    boolean apart;
    boolean gone;
    int stopped = NEVER;
    int muted = NEVER;
    int dimSteps;
    int cutAt = NEVER;

    /**
     * @param number of the pull
     * @param weight of its event
     */
    Playing(
            Role role,
            int index,
            String rope,
            Pull pull,
            int number,
            String subject,
            int weight,
            int start,
            long beginning,
            long key,
            Vec3 anchor,
            Vec3 facing) {
        this.role = role;
        this.index = index;
        this.rope = rope;
        this.pull = pull;
        this.number = number;
        this.subject = subject;
        this.weight = weight;
        this.start = start;
        this.beginning = beginning;
        this.key = key;
        this.anchor = anchor;
        this.facing = facing;
    }

    /** Returns an instance that a particle of this one begins. */
    Playing child(int step) {
        Playing child = new Playing(
                Role.CHILD, 0, rope, null, number, subject, weight, step, beginning, key, Vec3.ZERO, Vec3.UP);
        child.root = root;
        child.apart = apart;
        return child;
    }

    /** Tells a loop to end. */
    void stop(int step) {
        stopped = Math.min(stopped, step);
        run.stop(stopped);
    }

    /** Lets it spawn no more and dim to nothing. */
    void dim(int step, int steps) {
        if (muted == NEVER) {
            muted = step;
            dimSteps = steps;
            cutAt = Math.min(cutAt, step + steps);
            dimLayers();
        }
    }

    /** Carries over to new layers what was done to the old. */
    void dimLayers() {
        if (muted != NEVER && apart) {
            for (var layer : run.layers()) {
                layer.dim(muted, dimSteps);
            }
        }
    }
}
