/**
 * What the server says, as shapes that its OpenAPI document describes.
 */
package bellrope.server.view;
