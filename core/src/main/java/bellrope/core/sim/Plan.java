package bellrope.core.sim;

import bellrope.core.effect.Birth;
import bellrope.core.effect.Burst;
import bellrope.core.effect.Course;
import bellrope.core.effect.Emitter;
import bellrope.core.effect.End;
import bellrope.core.value.Pace;
import java.util.List;

/**
 * When the emitters of an effect give birth and for how long an instance is needed: the same for all instances whose times
 * nothing they were given changes. It holds nothing of any one of them.
 */
public final class Plan {
    private final Course course;
    private final Pace pace;
    private final List<Emitter> emitters;
    private final Schedule[] schedules;
    private final int[] lives;
    private final Hold hold;

    /** @param emitters with the highest rates and longest lives that an instance may come to */
    public Plan(Course course, List<Emitter> emitters, Pace pace) {
        this.course = course;
        this.pace = pace;
        this.emitters = emitters;
        schedules = new Schedule[emitters.size()];
        lives = new int[emitters.size()];
        for (int i = 0; i < schedules.length; i++) {
            Emitter emitter = emitters.get(i);
            schedules[i] = new Schedule(emitter.birth(), course, emitter.stepsPerSecond(pace));
            lives[i] = Hold.life(emitter, pace);
        }
        hold = Hold.of(course, emitters, pace);
    }

    /** Returns the plan of other emitters of the same effect: this one, if it is theirs too. */
    public Plan of(List<Emitter> others) {
        return fits(others) ? this : new Plan(course, others, pace);
    }

    private boolean fits(List<Emitter> others) {
        for (int i = 0; i < schedules.length; i++) {
            if (!alike(emitters.get(i), others.get(i))) {
                return false;
            }
        }
        return true;
    }

    private static boolean alike(Emitter one, Emitter other) {
        if (one == other) {
            return true;
        }
        Birth a = one.birth();
        Birth b = other.birth();
        return one.playback() == other.playback()
                && a.delay() == b.delay()
                && a.lifetime().most() == b.lifetime().most()
                && a.perUnit().isPresent() == b.perUnit().isPresent()
                && a.stream().equals(b.stream())
                && together(a.bursts(), b.bursts())
                && spawnAlike(one.end().children(), other.end().children());
    }

    // How many come does not matter, when does.
    private static boolean together(List<Burst> some, List<Burst> others) {
        if (some == others) {
            return true;
        }
        for (int i = 0; i < some.size(); i++) {
            Burst a = some.get(i);
            Burst b = others.get(i);
            if (a.at() != b.at() || a.times() != b.times() || a.pause() != b.pause()) {
                return false;
            }
        }
        return some.size() == others.size();
    }

    private static boolean spawnAlike(List<End.Child> some, List<End.Child> others) {
        if (some == others) {
            return true;
        }
        for (int i = 0; i < some.size(); i++) {
            if (!some.get(i).emitter().equals(others.get(i).emitter())) {
                return false;
            }
        }
        return some.size() == others.size();
    }

    /** Returns for how long an instance is needed. */
    public Hold hold() {
        return hold;
    }

    Schedule schedule(int emitter) {
        return schedules[emitter];
    }

    /** Returns for how many steps a particle of an emitter lives at most. */
    int life(int emitter) {
        return lives[emitter];
    }

    /** Returns how many steps a second of the first emitter takes. */
    double tempo() {
        return emitters.get(0).stepsPerSecond(pace);
    }

    Course course() {
        return course;
    }

    Pace pace() {
        return pace;
    }
}
