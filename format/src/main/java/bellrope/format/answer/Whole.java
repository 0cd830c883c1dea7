package bellrope.format.answer;

import bellrope.core.effect.Effect;
import bellrope.core.project.Project;
import bellrope.core.rope.Rope;
import java.util.List;

/**
 * A project with the numbers that its effects and ropes go by outside.
 *
 * @param effects numbers of its effects, in their order
 * @param ropes numbers of its ropes, in their order
 */
public record Whole(Project project, List<Long> effects, List<Long> ropes) {
    public Effect effect(long number) {
        return project.effects().get(place(effects, number, "effect"));
    }

    Rope rope(long number) {
        return project.ropes().get(place(ropes, number, "rope"));
    }

    private static int place(List<Long> numbers, long number, String what) {
        int place = numbers.indexOf(number);
        if (place < 0) {
            throw new NotThere(what + " " + number);
        }
        return place;
    }
}
