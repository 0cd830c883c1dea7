/** Scores: what a game says over a stretch of time, written by hand, recorded, or by rule. */
package bellrope.core.score;
