package bellrope.server.web;

/** Something could be done, but not now; nothing has changed. */
final class Busy extends RuntimeException {
    Busy(String message) {
        super(message);
    }
}
