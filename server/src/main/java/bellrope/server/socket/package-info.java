/**
 * What all sockets share: how they send without holding anybody up, and whether the other side is still there.
 */
package bellrope.server.socket;
