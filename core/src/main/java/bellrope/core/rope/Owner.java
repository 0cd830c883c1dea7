package bellrope.core.rope;

import bellrope.core.value.Bounds;
import bellrope.core.value.Refused;

/**
 * What becomes of an instance when its subject is gone.
 *
 * @param over seconds of a fade, above 0 to 60; 0 for the others
 */
public record Owner(AtEnd end, double over) {
    public static final Bounds OVER = Bounds.of(0, 60);

    /** What becomes of it. */
    public enum AtEnd {
        /** It stays where it is; a loop is stopped, and everything finishes. */
        FINISH,
        /** It is gone at once. */
        VANISH,
        /** It spawns no more and dims to nothing. */
        FADE
    }

    public static final Owner FINISH = new Owner(AtEnd.FINISH, 0);

    public Owner {
        OVER.check("over", over);
        if (end == AtEnd.FADE != over > 0) {
            throw new Refused(
                    "over",
                    Double.toString(over),
                    end == AtEnd.FADE ? "a time above 0 s" : "0; only a fade takes time");
        }
    }
}
