/**
 * What an artist shapes: effects of emitters, in the acts Birth and Life, with the parameters that ropes may turn. Describes; never computes a frame.
 */
package bellrope.core.effect;
