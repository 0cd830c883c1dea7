/**
 * One wiring of an event to an effect: conditions, placement, facing, feeds; and the English sentence that it reads as.
 */
package bellrope.core.rope;
