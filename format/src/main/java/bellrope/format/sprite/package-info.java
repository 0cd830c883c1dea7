/**
 * The sprites that ship with Bellrope, drawn by formula.
 */
package bellrope.format.sprite;
