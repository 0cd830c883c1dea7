/**
 * Measurements, each with its baseline in the same run. Figures are ratios; nothing depends on this.
 */
package bellrope.bench;
