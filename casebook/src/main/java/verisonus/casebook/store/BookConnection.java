package verisonus.casebook.store;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.Optional;
import org.sqlite.SQLiteConfig;
import verisonus.core.work.InputFault;

/**
 * A casebook's file, opened: to be changed where no other opening holds it and it can be written, else to be read.
 *
 * @param lock held as long as it may be changed
 */
record BookConnection(Connection connection, Optional<BookLock> lock) {
    private static final int BUSY_MS = 5000;

    boolean isReadOnly() { return lock.isEmpty(); }

    /** @throws InputFault where it is no casebook, newer than this program, damaged or means harm */
    static BookConnection open(Path file) {
        requireDatabase(file);
        Optional<BookLock> lock = BookLock.take(file);
        boolean mayChange = lock.isPresent() && (!Files.exists(file) || Files.isWritable(file));
        try {
            Connection connection = mayChange ? writing(file) : reading(file);
            try {
                if (mayChange) Migrations.apply(file.toString(), connection);
                BookSchema.check(file.toString(), connection);
                return new BookConnection(connection, mayChange ? lock : Optional.empty());
            } catch (SQLException | RuntimeException e) {
                connection.close();
                throw e;
            } finally {
                if (!mayChange) lock.ifPresent(BookLock::close);
            }
        } catch (SQLException e) {
            lock.ifPresent(BookLock::close);
            throw opening(file, e);
        } catch (RuntimeException e) {
            lock.ifPresent(BookLock::close);
            throw e;
        }
    }

    /** A casebook that could not be made leaves no empty one. */
    static void tidy(Path file) {
        for (String end : new String[]{"", "-wal", "-shm", "-journal"}) {
            try {
                Files.deleteIfExists(file.resolveSibling(file.getFileName() + end));
            } catch (IOException e) {
                // What cannot be deleted could not be written either.
                return;
            }
        }
    }

    private static RuntimeException opening(Path file, SQLException e) {
        RuntimeException fault = StoreFault.of(file.toString(), e);
        return fault instanceof StoreFault
                ? new InputFault(file.toString(), "it cannot be opened as a casebook (" + e.getMessage() + ")",
                        "check the file and the folder's permissions", e)
                : fault;
    }

    private static Connection writing(Path file) throws SQLException {
        SQLiteConfig config = careful();
        config.setJournalMode(SQLiteConfig.JournalMode.WAL);
        config.setSynchronous(SQLiteConfig.SynchronousMode.FULL);
        // A change takes its turn before it begins, so that it never fails half way for another's lock.
        config.setTransactionMode(SQLiteConfig.TransactionMode.IMMEDIATE);
        return config.createConnection("jdbc:sqlite:" + file.toAbsolutePath());
    }

    /** Beside another opening, or from where nothing can be written. */
    private static Connection reading(Path file) throws SQLException {
        SQLiteConfig config = careful();
        config.setReadOnly(true);
        boolean still = !Files.isWritable(file.toAbsolutePath().getParent());
        String name = still
                ? "file:" + file.toAbsolutePath().toUri().getRawPath() + "?immutable=1"
                : file.toAbsolutePath().toString();
        return config.createConnection("jdbc:sqlite:" + name);
    }

    private static SQLiteConfig careful() {
        SQLiteConfig config = new SQLiteConfig();
        config.enforceForeignKeys(true);
        config.setBusyTimeout(BUSY_MS);
        config.setPragma(SQLiteConfig.Pragma.CACHE_SIZE, "-16000");
        return config;
    }

    private static void requireDatabase(Path file) {
        if (!Files.exists(file)) return;
        try (var in = Files.newInputStream(file)) {
            byte[] head = in.readNBytes(15);
            if (head.length > 0 && !new String(head, StandardCharsets.ISO_8859_1)
                    .equals("SQLite format 3")) {
                throw new InputFault(file.toString(), "it is no casebook", "choose a file that ends in .casebook");
            }
        } catch (IOException e) {
            throw new InputFault(file.toString(), "it cannot be read", "check its permissions", e);
        }
    }

    void close(Path file) {
        try (Statement s = connection.createStatement()) {
            if (!isReadOnly()) s.execute("PRAGMA wal_checkpoint(TRUNCATE)");
        } catch (SQLException e) {
            throw StoreFault.of(file.toString(), e);
        } finally {
            try {
                connection.close();
            } catch (SQLException e) {
                throw StoreFault.of(file.toString(), e);
            } finally {
                lock.ifPresent(BookLock::close);
            }
        }
    }
}
