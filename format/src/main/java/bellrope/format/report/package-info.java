/**
 * Accounts and numbers in the shape in which other programs get them.
 */
package bellrope.format.report;
