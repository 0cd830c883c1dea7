/**
 * The link to a running game: what a game says of what it told its stage, a stage that follows it, and how a bundle changes.
 */
package bellrope.format.link;
