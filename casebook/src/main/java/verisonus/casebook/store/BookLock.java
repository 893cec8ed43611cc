package verisonus.casebook.store;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.channels.OverlappingFileLockException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.Optional;

/**
 * Who may change a casebook: the opening that holds the lock beside it. The system lets go of the lock when a program dies, so a
 * kill leaves nothing to tidy up.
 */
final class BookLock implements AutoCloseable {
    /** Where a lock begins: what stands before it can be read while it is held. */
    private static final long LOCKED_AT = 1 << 20;

    private final Path file;
    private final FileChannel channel;
    private final FileLock lock;

    private BookLock(Path file, FileChannel channel, FileLock lock) {
        this.file = file;
        this.channel = channel;
        this.lock = lock;
    }

    private static Path beside(Path book) {
        return book.toAbsolutePath().resolveSibling("." + book.getFileName() + ".lock");
    }

    /** The lock; empty where another opening holds it, or where the folder cannot be written. */
    static Optional<BookLock> take(Path book) {
        Path file = beside(book);
        FileChannel channel = null;
        try {
            channel = FileChannel.open(file, StandardOpenOption.CREATE, StandardOpenOption.WRITE);
            FileLock lock = channel.tryLock(LOCKED_AT, 1, false);
            if (lock == null) {
                channel.close();
                return Optional.empty();
            }
            channel.truncate(0);
            channel.write(ByteBuffer.wrap(("process " + ProcessHandle.current().pid()).getBytes(
                    StandardCharsets.UTF_8)));
            return Optional.of(new BookLock(file, channel, lock));
        } catch (OverlappingFileLockException | IOException e) {
            closeQuietly(channel);
            return Optional.empty();
        }
    }

    private static void closeQuietly(@org.jspecify.annotations.Nullable FileChannel channel) {
        try {
            if (channel != null) channel.close();
        } catch (IOException e) {
            // There is nothing left to do with it.
            return;
        }
    }

    /** "process 4711": who holds it, where that can be told. */
    static String holder(Path book) {
        try {
            String said = Files.readString(beside(book)).strip();
            return said.startsWith("process ") && said.length() < 30 ? said : "another program";
        } catch (IOException e) {
            return "another program";
        }
    }

    @Override
    public void close() {
        try {
            lock.release();
            channel.close();
            Files.deleteIfExists(file);
        } catch (IOException e) {
            // The system lets go of it when the program ends.
            return;
        }
    }
}
