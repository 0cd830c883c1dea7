package bellrope.core.stage;

/**
 * Something that game code is told.
 *
 * @param step on which it comes
 * @param name that both sides know
 * @param rope by which it was wired
 * @param pull number of the pull that led to it
 */
public record Told(int step, String name, What what, String rope, int pull) {
    /** What is told. */
    public enum What {
        /** A notice of its own. */
        NOTICE,
        /** A follow-up begins. */
        BEGINS,
        /** A follow-up is no longer in force; what it began fades. */
        ENDS,
        /** Nothing of a follow-up is left. */
        GONE
    }
}
