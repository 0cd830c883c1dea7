/** Answers to what a page asks about a project: previews, takes, responses. Whoever asks, a server or the page itself, gets the same. */
package bellrope.format.answer;
