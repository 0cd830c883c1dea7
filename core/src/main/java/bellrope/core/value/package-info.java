/**
 * Ground floor: immutable numbers, curves, colours and turns. Each checks itself when made and says what is wrong. Knows nothing above.
 */
package bellrope.core.value;
