/**
 * What game code may rely on, the versions of it that were handed over, and what a change of it breaks.
 */
package bellrope.core.contract;
