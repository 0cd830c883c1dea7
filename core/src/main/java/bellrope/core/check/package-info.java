/**
 * What a check noticed about an effect: one class a check, each with its reason in numbers and, where there is one, a remedy.
 */
package bellrope.core.check;
