package bellrope.core.stage.told;

/** What is kept of what plays on a stage. */
public enum Keeping {
    /** Nothing that is over. */
    NOTHING,
    /** Only for how long instances are held: no particle is born, and what particles would begin does not begin. */
    HELD_ALONE,
    /** How long instances are held, and what it takes to look back at any step. */
    EVERYTHING
}
