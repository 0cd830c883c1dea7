/**
 * Running games: what they are sent, what they say, and the benches that follow them. Nothing is computed here but patches.
 */
package bellrope.server.link;
