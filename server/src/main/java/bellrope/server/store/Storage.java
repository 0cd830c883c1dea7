package bellrope.server.store;

import java.sql.SQLException;
import org.sqlite.SQLiteErrorCode;
import org.sqlite.SQLiteException;

/** What SQLite says when it cannot read or write, in one sentence that tells what to do. */
final class Storage {
    private Storage() {}

    /** Returns the words for a failure, whatever it is wrapped in. */
    static String words(Throwable failure) {
        for (Throwable cause = failure; cause != null; cause = cause.getCause()) {
            if (cause instanceof SQLiteException sqlite) {
                return words(sqlite.getResultCode());
            }
        }
        for (Throwable cause = failure; cause != null; cause = cause.getCause()) {
            if (cause instanceof SQLException sql) {
                return "Nothing was saved: " + sql.getMessage() + ".";
            }
        }
        return "Nothing was saved: " + failure.getMessage() + ".";
    }

    private static String words(SQLiteErrorCode code) {
        // Extended codes carry the plain one in their last eight bits.
        return switch (code.code & 0xFF) {
            case 13 -> "Nothing was saved: the disk is full. Make room on it and save again.";
            case 8 ->
                "Nothing was saved: the data file, or its folder, may only be read. Give the right to write and save again.";
            case 5, 6 -> "Nothing was saved: another program holds the data file. Close it there and save again.";
            case 11, 26 ->
                "Nothing was saved: a page of the data file is broken. Stop Bellrope, keep a copy of the file, and start with"
                        + " a sound one.";
            case 10, 14 -> "Nothing was saved: the data file cannot be reached. Look at its disk and save again.";
            default -> "Nothing was saved: the data file answered " + code.name() + ".";
        };
    }
}
