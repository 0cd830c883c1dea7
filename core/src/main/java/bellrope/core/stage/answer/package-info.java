/** What follows from a decision: answers, delays, spans and states, follow-ups, companions. */
package bellrope.core.stage.answer;
