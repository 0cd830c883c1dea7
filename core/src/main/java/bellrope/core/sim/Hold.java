package bellrope.core.sim;

import bellrope.core.effect.Course;
import bellrope.core.effect.Emitter;
import bellrope.core.effect.End.Child;
import bellrope.core.value.Pace;
import java.util.List;
import java.util.OptionalInt;

/**
 * How long an instance is needed, whatever is drawn.
 *
 * @param steps last birth plus longest possible life, that of its line of children included; empty for a loop, and where
 *     a line of children has no bound
 * @param lastBirth first step at or after the last birth that is not a child's; 0 for a loop
 * @param longestLine most steps from a birth until the last of its line is gone; where that has no bound, the longest
 *     single life
 * @param bounded whether every line has an end
 */
public record Hold(OptionalInt steps, int lastBirth, int longestLine, boolean bounded) {
    public static Hold of(Course course, List<Emitter> emitters, Pace pace) {
        int last = 0;
        int end = 0;
        int longest = 0;
        boolean bounded = true;
        double[] lines = new double[emitters.size()];
        for (int i = 0; i < emitters.size(); i++) {
            Emitter emitter = emitters.get(i);
            double line = line(emitters, i, lines, pace);
            bounded &= line >= 0;
            longest = Math.max(longest, Math.max((int) Math.ceil(line - 1e-9), life(emitter, pace)));
            if (emitter.birth().byItself()) {
                double birth = new Schedule(emitter.birth(), course, emitter.stepsPerSecond(pace))
                        .lastBirth()
                        .orElse(0);
                last = Math.max(last, (int) Math.ceil(birth - 1e-9));
                end = Math.max(end, Math.max(1, (int) Math.ceil(birth + line - 1e-9)));
            }
        }
        return new Hold(
                course.looping() || !bounded ? OptionalInt.empty() : OptionalInt.of(Math.max(1, end)),
                last,
                longest,
                bounded);
    }

    public static int life(Emitter emitter, Pace pace) {
        return Math.max(1, pace.stepsAt(emitter.birth().lifetime().most() / emitter.playback()));
    }

    // In steps; −1 where the line comes back to an emitter that is already in it. Each emitter is worked out once:
    // known
    // holds 0 where it has not been yet, and −1 while it is being worked out.
    private static double line(List<Emitter> emitters, int i, double[] known, Pace pace) {
        if (known[i] != 0) {
            return known[i];
        }
        known[i] = -1;
        double longest = 0;
        for (Child child : emitters.get(i).end().children()) {
            for (int e = 0; e < emitters.size() && longest >= 0; e++) {
                if (child.emitter().isPresent()
                        && child.emitter().get().equals(emitters.get(e).name())) {
                    double below = line(emitters, e, known, pace);
                    longest = below < 0 ? -1 : Math.max(longest, below);
                }
            }
        }
        if (longest >= 0) {
            known[i] =
                    emitters.get(i).birth().lifetime().most() * emitters.get(i).stepsPerSecond(pace) + longest;
        }
        return known[i];
    }
}
