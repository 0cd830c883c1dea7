/**
 * Word of changes for every window that has a project open.
 */
package bellrope.server.news;
