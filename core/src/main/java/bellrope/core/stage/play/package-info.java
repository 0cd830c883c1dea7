/** What plays: instances with what began them, their layers, what drives them, and how they are played again. */
package bellrope.core.stage.play;
