/**
 * Everything of one game together, and the check that its names agree.
 */
package bellrope.core.project;
