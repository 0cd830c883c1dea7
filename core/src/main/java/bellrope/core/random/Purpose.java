package bellrope.core.random;

/**
 * What a random draw is for. The ordinal is part of the address of every draw: new purposes go at the end, and none is
 * ever moved or removed.
 */
public enum Purpose {
    HEADING,
    TILT,
    SPEED,
    LIFETIME,
    PLACE_ANGLE,
    PLACE_RADIUS,
    PLACE_DEPTH,
    SIZE,
    ROTATION,
    SPIN,
    COLOUR,
    OPACITY,
    COUNT,
    CHANCE,
    HEIGHT,
    FRAME,
    RAMP,
    JITTER,
    FACING_TILT,
    FACING_AROUND,
    /** What chance feeds into a parameter. */
    FEED,
    /** A velocity drawn for each axis. */
    VELOCITY_X,
    VELOCITY_Y,
    VELOCITY_Z,
    /** Which share of gravity a particle feels. */
    GRAVITY,
    /** Where its colours lie between two lanes. */
    LANE,
    /** When an arrival of a score comes. */
    ARRIVAL,
    /** How long a span of a score lasts. */
    LENGTH,
    /** A field of an arrival. */
    SAID,
    SAID_Y,
    SAID_Z
}
