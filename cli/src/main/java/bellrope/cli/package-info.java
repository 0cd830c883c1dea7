/**
 * The command line: the same core without a server.
 */
package bellrope.cli;
