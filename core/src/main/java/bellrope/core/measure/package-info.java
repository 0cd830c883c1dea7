/**
 * A response as numbers: onset, peak, release, reach, presence.
 */
package bellrope.core.measure;
