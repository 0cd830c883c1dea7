/**
 * The server: starts, guards its door, holds the configuration.
 */
package bellrope.server;
