package bellrope.core.stage.answer;

import bellrope.core.stage.decide.Cause;
import bellrope.core.stage.play.Instance;
import bellrope.core.value.Vec3;

/** A span or state of one subject that lasts, as one rope answers it. */
final class Holding {
    private final String rope;
    private final Cause cause;
    private final int since;
    private final int until;
    // Where and which way it began; the main instance goes on from there.
    private final Vec3 origin;
    private final Vec3 facing;
    private Instance main;
    private boolean over;

    /**
     * @param since step
     * @param until step on which it ends by itself
     */
    Holding(String rope, Cause cause, int since, int until, Vec3 origin, Vec3 facing) {
        this.rope = rope;
        this.cause = cause;
        this.since = since;
        this.until = until;
        this.origin = origin;
        this.facing = facing;
    }

    String rope() {
        return rope;
    }

    Cause cause() {
        return cause;
    }

    int since() {
        return since;
    }

    int until() {
        return until;
    }

    Vec3 origin() {
        return origin;
    }

    /** Returns which way it pointed at its beginning. */
    Vec3 beginning() {
        return facing;
    }

    /** Returns where it is on a step. */
    Vec3 place(int step) {
        return main == null ? origin : main.place(step);
    }

    Vec3 facing() {
        return main == null ? facing : main.facing();
    }

    /** Returns what plays for it; null until it is due, and where the rope plays nothing. */
    Instance main() {
        return main;
    }

    void plays(Instance instance) {
        main = instance;
    }

    /** Ends it: what plays for it fades. */
    void end(int step) {
        over = true;
        if (main != null && !main.gone()) {
            main.stop(step);
        }
    }

    boolean over() {
        return over;
    }
}
