/**
 * What is wrong or doubtful with how events are wired to effects, each kind with a name, a place and, where there is one, a
 * remedy.
 */
package bellrope.core.check.wiring;
