/**
 * Bundles as JSON, read with every error at once and written in a stable order.
 */
package bellrope.format.json;
