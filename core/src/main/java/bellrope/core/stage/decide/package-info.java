/** How a rope meets a pull: from rope, pull and world to a decision; nothing changes by deciding. */
package bellrope.core.stage.decide;
