/**
 * Randomness addressed by what it is for, never by when it is asked for. No state that a caller could disturb.
 */
package bellrope.core.random;
