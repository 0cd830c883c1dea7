/** Source text that game code includes: the names of a contract as constants, its calls typed. */
package bellrope.format.code;
