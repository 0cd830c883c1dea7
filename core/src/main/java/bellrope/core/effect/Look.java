package bellrope.core.effect;

/**
 * The picture of a particle and how it is laid over what is behind it.
 *
 * @param sprite name of one of the project's sprites
 * @param blend how it covers
 * @param order which particles of the emitter lie on top
 */
public record Look(String sprite, Blend blend, Order order) {
    /** The two ways of covering: W3C Compositing's source-over, and lighter. */
    public enum Blend {
        ALPHA,
        ADDITIVE
    }

    /** Draw order within one emitter. */
    public enum Order {
        NEWEST_ON_TOP,
        OLDEST_ON_TOP
    }
}
