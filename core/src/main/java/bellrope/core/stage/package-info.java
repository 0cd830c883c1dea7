/**
 * The running whole: ropes and live instances, advanced step by step; the account of every pull; takes.
 */
package bellrope.core.stage;
