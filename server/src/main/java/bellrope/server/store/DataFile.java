package bellrope.server.store;

import java.io.IOException;
import java.io.RandomAccessFile;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.channels.OverlappingFileLockException;
import java.nio.charset.StandardCharsets;
import java.nio.file.AccessDeniedException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.Arrays;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.sqlite.SQLiteConfig;

/**
 * The file that all data is kept in, looked over before anything is done with it: whether it can be made or written, whether it
 * is one of Bellrope's and of a version that this one knows, and that no other process has it. What does not fit is left
 * untouched, and said in one sentence.
 */
public final class DataFile implements AutoCloseable {
    /** The newest form of the database that this version knows: the number of its last migration. */
    public static final int NEWEST = 3;

    private static final Logger LOG = LoggerFactory.getLogger(DataFile.class);
    private static final byte[] SQLITE = "SQLite format 3\0".getBytes(StandardCharsets.US_ASCII);

    private final FileChannel channel;

    /** Something about the data file that keeps the server from starting. */
    public static final class Unusable extends RuntimeException {
        Unusable(String message) {
            super(message);
        }
    }

    private DataFile(FileChannel channel) {
        this.channel = channel;
    }

    /**
     * Takes the file for this process.
     *
     * @throws Unusable if it cannot be used, with what to do
     */
    public static DataFile open(Path file) {
        Path folder = file.toAbsolutePath().getParent();
        try {
            Files.createDirectories(folder);
        } catch (IOException e) {
            throw new Unusable("The folder of " + file + " cannot be made. Name another file with --data.");
        }
        if (Files.isDirectory(file)) {
            throw new Unusable(file + " is a folder. Name a file with --data.");
        }
        DataFile taken = lock(file);
        try {
            if (Files.exists(file) && Files.size(file) > 0) {
                look(file);
            } else if (!Files.isWritable(folder)) {
                throw readOnly(file);
            }
            return taken;
        } catch (IOException e) {
            taken.close();
            throw new Unusable(file + " cannot be read. Give the right to read it, or name another file with --data.");
        } catch (RuntimeException e) {
            taken.close();
            throw e;
        }
    }

    private static DataFile lock(Path file) {
        Path beside = file.resolveSibling(file.getFileName() + ".lock");
        try {
            FileChannel channel = FileChannel.open(
                    beside, StandardOpenOption.CREATE, StandardOpenOption.READ, StandardOpenOption.WRITE);
            FileLock lock = tried(channel);
            if (lock == null) {
                channel.close();
                throw new Unusable(
                        file + " is in use by another Bellrope. Stop that one, or name another file with --data.");
            }
            return new DataFile(channel);
        } catch (AccessDeniedException e) {
            throw readOnly(file);
        } catch (IOException e) {
            throw new Unusable("Nothing can be written beside " + file + " (" + e.getMessage()
                    + "). Make room or give the right to write, or name another file with --data.");
        }
    }

    private static FileLock tried(FileChannel channel) throws IOException {
        try {
            return channel.tryLock();
        } catch (OverlappingFileLockException e) {
            return null;
        }
    }

    private static Unusable readOnly(Path file) {
        return new Unusable(
                file + " or its folder may only be read. Give the right to write, or name another file with --data.");
    }

    private static void look(Path file) throws IOException {
        byte[] start = new byte[SQLITE.length];
        try (RandomAccessFile in = new RandomAccessFile(file.toFile(), "r")) {
            int n = in.read(start);
            if (n < start.length || !Arrays.equals(start, SQLITE)) {
                throw new Unusable(
                        file + " is no Bellrope data file. It was left as it is; name another file with --data.");
            }
        }
        if (!Files.isWritable(file)) {
            throw readOnly(file);
        }
        SQLiteConfig config = new SQLiteConfig();
        config.setReadOnly(true);
        try (Connection db =
                        DriverManager.getConnection("jdbc:sqlite:" + file.toAbsolutePath(), config.toProperties());
                Statement statement = db.createStatement()) {
            version(file, statement);
            sound(file, statement);
        } catch (SQLException e) {
            throw new Unusable(broken(file));
        }
    }

    private static void version(Path file, Statement statement) throws SQLException {
        boolean ours;
        try (ResultSet tables = statement.executeQuery(
                "select count(*) from sqlite_master where name in ('flyway_schema_history', 'part_revision')")) {
            ours = tables.next() && tables.getInt(1) == 2;
        }
        if (!ours) {
            try (ResultSet any = statement.executeQuery("select count(*) from sqlite_master")) {
                if (any.next() && any.getInt(1) > 0) {
                    throw new Unusable(
                            file
                                    + " is a database of another program. It was left as it is; name another file with --data.");
                }
                return;
            }
        }
        try (ResultSet newest = statement.executeQuery(
                "select max(cast(version as integer)) from flyway_schema_history where success = 1")) {
            if (newest.next() && newest.getInt(1) > NEWEST) {
                throw new Unusable(file + " was written by a newer Bellrope (form " + newest.getInt(1)
                        + "; this one knows " + NEWEST
                        + "). It was left as it is; start that version, or name another file with --data.");
            }
        }
    }

    private static void sound(Path file, Statement statement) throws SQLException {
        try (ResultSet check = statement.executeQuery("pragma quick_check(1)")) {
            if (check.next() && !"ok".equals(check.getString(1))) {
                throw new Unusable(broken(file));
            }
        }
    }

    private static String broken(Path file) {
        return file + " is broken. It was left as it is; start from a copy, or name another file with --data.";
    }

    /** Lets another process have the file. */
    @Override
    public void close() {
        try {
            channel.close();
        } catch (IOException e) {
            LOG.debug("the lock beside the data file could not be closed", e);
        }
    }
}
