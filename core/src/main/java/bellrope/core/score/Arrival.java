package bellrope.core.score;

import bellrope.core.event.Pull;

/**
 * A pull of a score at its time.
 *
 * @param at seconds from the beginning
 * @param lane whose it is; 0 for none
 * @param number within its lane, from 0; the end of a span has that of its beginning
 */
public record Arrival(double at, int lane, int number, Pull pull) {}
