/** Pools: how many instances of an effect may be held, what happens beyond that, and what theory says is lost. */
package bellrope.core.pool;
