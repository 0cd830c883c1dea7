/** What a stage says: the accounts of pulls, what game code is told, what shakes and flashes. It knows nothing of how it came about. */
package bellrope.core.stage.told;
