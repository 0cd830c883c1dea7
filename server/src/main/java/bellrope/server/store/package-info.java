/**
 * Projects in SQLite: every save a revision, nothing overwritten.
 */
package bellrope.server.store;
