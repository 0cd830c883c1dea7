/**
 * The stage socket: a running stage for each reader, and word of changes.
 */
package bellrope.server.live;
