/**
 * Pulls as JSON Lines of CloudEvents 1.0.
 */
package bellrope.format.trace;
