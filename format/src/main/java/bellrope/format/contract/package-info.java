/** The contract in open formats: AsyncAPI 3 and JSON Schema 2020-12. */
package bellrope.format.contract;
