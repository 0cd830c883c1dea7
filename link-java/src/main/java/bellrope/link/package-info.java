/**
 * The client by which a game in Java is linked with Bellrope: the JDK and Bellrope's own core and format, nothing else.
 */
package bellrope.link;
