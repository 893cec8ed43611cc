package verisonus.casebook.store;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.channels.OverlappingFileLockException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.Optional;
import java.util.UUID;

/**
 * Who may change a casebook: the opening that holds the lock beside it. The system lets go of the lock when a program dies, so a
 * kill leaves nothing to tidy up.
 */
final class BookLock implements AutoCloseable {
    /** Where a lock begins: what stands before it can be read while it is held. */
    private static final long LOCKED_AT = 1 << 20;

    /** Openings that end one after another while this one begins; more than a few means harm. */
    private static final int MOST_TRIES = 20;

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
        return take(book, () -> {});
    }

    /** @param opened runs between the opening of the lock's file and its locking, where another opening may end */
    static Optional<BookLock> take(Path book, Runnable opened) {
        Path file = beside(book);
        for (int i = 0; i < MOST_TRIES; i++) {
            FileChannel channel = null;
            try {
                channel = FileChannel.open(file, StandardOpenOption.CREATE, StandardOpenOption.WRITE);
                opened.run();
                FileLock lock = channel.tryLock(LOCKED_AT, 1, false);
                if (lock == null) {
                    channel.close();
                    return Optional.empty();
                }
                if (isNamed(file, channel)) return Optional.of(new BookLock(file, channel, lock));
                channel.close();
            } catch (OverlappingFileLockException | IOException e) {
                closeQuietly(channel);
                return Optional.empty();
            }
        }
        return Optional.empty();
    }

    /**
     * Whether the locked file still bears the lock's name: the opening that held it before may have taken it away after it was
     * opened here, and a lock on a file without a name keeps nobody out.
     */
    private static boolean isNamed(Path file, FileChannel channel) throws IOException {
        String mine = "process " + ProcessHandle.current().pid() + "\n" + UUID.randomUUID();
        channel.truncate(0);
        channel.write(ByteBuffer.wrap(mine.getBytes(StandardCharsets.UTF_8)), 0);
        try {
            return Files.readString(file).equals(mine);
        } catch (NoSuchFileException e) {
            return false;
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
            String said = Files.readString(beside(book)).lines().findFirst().orElse("").strip();
            return said.startsWith("process ") && said.length() < 30 ? said : "another program";
        } catch (IOException e) {
            return "another program";
        }
    }

    @Override
    public void close() {
        if (!channel.isOpen()) return;
        try {
            // Taken away while it is held: whoever opened it before finds that it has no name any more, see isNamed.
            Files.deleteIfExists(file);
            lock.release();
            channel.close();
        } catch (IOException e) {
            // The system lets go of it when the program ends.
            return;
        }
    }
}
