package bellrope.server.news;

import bellrope.server.socket.Outlet;

/**
 * One window that hears of changes.
 *
 * @param name by which it tells itself from others, when it saves too
 */
record Reader(long project, String name, Outlet outlet) {}
