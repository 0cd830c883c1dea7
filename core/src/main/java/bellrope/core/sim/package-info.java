/**
 * Particles in arrays: births, exact motion, appearance over life, deaths, and the encoded frame. Knows effects, not events.
 */
package bellrope.core.sim;
