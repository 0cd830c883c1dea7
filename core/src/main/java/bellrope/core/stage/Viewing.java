package bellrope.core.stage;

import bellrope.core.project.Project;
import bellrope.core.rope.Trial;
import java.nio.ByteBuffer;

/**
 * A take that is looked at moment by moment. Nothing of it is kept but the stage that plays it: what lies ahead is played up
 * to, what lies behind is played again from the beginning.
 */
public final class Viewing {
    private final Project project;
    private final Trial trial;
    private final Take.Length length;
    private Take.Playing playing;
    private int now;

    public Viewing(Project project, Trial trial, Take.Length length) {
        this.project = project;
        this.trial = trial;
        this.length = length;
    }

    /** Returns the frame of a step between position and limit, the same as a take would have kept; valid until the next call. */
    public ByteBuffer at(int step) {
        if (playing == null || step < now) {
            playing = new Take.Playing(project, trial, length);
            now = 0;
        }
        while (now < step) {
            playing.step(now++);
        }
        return playing.stage().frame(step);
    }
}
