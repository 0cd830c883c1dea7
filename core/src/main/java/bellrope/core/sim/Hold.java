package bellrope.core.sim;

import bellrope.core.effect.Course;
import bellrope.core.effect.Emitter;
import bellrope.core.effect.End.Child;
import bellrope.core.value.Pace;
import java.util.List;
import java.util.OptionalInt;

/**
 * How long an instance is needed, whatever the dice say.
 *
 * @param steps last birth plus longest possible life, that of its line of children included; empty for a loop, and where
 *     a line of children has no bound
 * @param lastBirth step of the last birth that is not a child's; 0 for a loop
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
        for (int i = 0; i < emitters.size(); i++) {
            Emitter emitter = emitters.get(i);
            int line = line(emitters, i, new boolean[emitters.size()], pace);
            bounded &= line >= 0;
            longest = Math.max(longest, Math.max(line, life(emitter, pace)));
            if (emitter.birth().byItself()) {
                int birth =
                        new Schedule(emitter.birth(), course, pace).lastBirth().orElse(0);
                last = Math.max(last, birth);
                end = Math.max(end, birth + line);
            }
        }
        return new Hold(
                course.looping() || !bounded ? OptionalInt.empty() : OptionalInt.of(Math.max(1, end)),
                last,
                longest,
                bounded);
    }

    static int life(Emitter emitter, Pace pace) {
        return Math.max(1, pace.stepsAt(emitter.birth().lifetime().most()));
    }

    // −1 where the line comes back to an emitter that is already in it.
    private static int line(List<Emitter> emitters, int i, boolean[] above, Pace pace) {
        if (above[i]) {
            return -1;
        }
        above[i] = true;
        int longest = 0;
        for (Child child : emitters.get(i).end().children()) {
            for (int e = 0; e < emitters.size(); e++) {
                if (child.emitter().isPresent()
                        && child.emitter().get().equals(emitters.get(e).name())) {
                    int below = line(emitters, e, above, pace);
                    longest = below < 0 || longest < 0 ? -1 : Math.max(longest, below);
                }
            }
        }
        above[i] = false;
        return longest < 0 ? -1 : life(emitters.get(i), pace) + longest;
    }
}
