/**
 * Requests: resources under /api, refusals as problem details.
 */
package bellrope.server.web;
