package bellrope.core.stage.told;

/** What is kept of what plays on a stage. */
public enum Keeping {
    /** Nothing that is over. */
    NOTHING,
    /** For how long instances are held, and nothing else: no particle is born, and what particles would begin does not begin. */
    HELD_ALONE,
    /** For how long instances are held, with all that particles begin. */
    HELD,
    /** The same, and what it takes to look back at any step. */
    EVERYTHING
}
