/**
 * Frames painted as pictures, without a screen: for stills, and as the reference for whoever else draws frames.
 */
package bellrope.core.picture;
