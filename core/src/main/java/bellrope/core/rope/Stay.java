package bellrope.core.rope;

import bellrope.core.value.Bounds;
import bellrope.core.value.Demand;
import bellrope.core.value.Refused;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * How long what a moment begins, or what follows, stays, and what the game is told of it. Without a time in force it stays until it ends by
 * itself, a loop as long as the scene.
 *
 * @param inForce seconds after which it ends
 * @param fadeOut seconds in which it then fades to nothing, 0 to 60; with 0 it spawns no more, and its particles live to their end
 * @param notice name by which the game is told that it begins, that it is no longer in force and that nothing of it is left;
 *     empty to say nothing
 * @param values what that notice carries, at most 8; none without a notice
 */
public record Stay(OptionalDouble inForce, double fadeOut, Optional<String> notice, List<NoticeValue> values) {
    public static final Bounds IN_FORCE = Bounds.of(0, 3600);
    public static final Bounds FADE_OUT = Bounds.of(0, 60);

    public Stay {
        demand(inForce, fadeOut, notice, values);
        values = NoticeValue.unique(values);
        if (inForce.isEmpty() && notice.isEmpty()) {
            throw new Refused("", "nothing", "a time in force, a notice, or both");
        }
    }

    static void demand(OptionalDouble inForce, double fadeOut, Optional<String> notice, List<NoticeValue> values) {
        IN_FORCE.check("inForce", inForce);
        FADE_OUT.check("fadeOut", fadeOut);
        if (fadeOut > 0 && inForce.isEmpty()) {
            throw new Refused("fadeOut", Double.toString(fadeOut), "0, or a time in force after which to fade");
        }
        notice.ifPresent(name -> Demand.name("notice", name));
        if (!values.isEmpty() && notice.isEmpty()) {
            throw new Refused("values", values.size() + " values", "none, or a notice that carries them");
        }
    }

    /** In force for so many seconds, then fading. */
    public static Stay of(double inForce, double fadeOut) {
        return new Stay(OptionalDouble.of(inForce), fadeOut, Optional.empty(), List.of());
    }

    /** Returns the same with other values for its notice. */
    public Stay carrying(List<NoticeValue> others) {
        return new Stay(inForce, fadeOut, notice, others);
    }
}
