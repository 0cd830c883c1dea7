/** What a stage knows of the game around it: subjects and their ways, the camera, channels, places, when events came. */
package bellrope.core.stage.world;
