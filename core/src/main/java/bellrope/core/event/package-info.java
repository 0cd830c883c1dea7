/**
 * What the game announces: kinds of events with typed fields, and one arrival of them, the pull.
 */
package bellrope.core.event;
