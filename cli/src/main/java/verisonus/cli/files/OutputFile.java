package verisonus.cli.files;

import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.AtomicMoveNotSupportedException;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.AtomicBoolean;
import org.jspecify.annotations.Nullable;
import verisonus.core.work.OutputFault;

/**
 * A result on its way to disk: written beside its final name and moved into place in one step. A link is followed, so that what it
 * names is replaced and the link stays; what is no regular file is never replaced.
 */
public record OutputFile(Path path, boolean force) {
    /** Files under way; a program that is ended takes them with it. */
    private static final Set<Path> UNDER_WAY = ConcurrentHashMap.newKeySet();

    /** Whether anything was put in its place since the program began. */
    private static final AtomicBoolean WRITTEN = new AtomicBoolean();

    /** What is said where the program is ended before its time. */
    public static String cancelledWords() {
        return WRITTEN.get() ? "cancelled; what was written stays" : "cancelled; nothing was written";
    }

    /** Refuses early, before long work, what could not be written at its end. */
    public void check() {
        if (Files.isDirectory(path)) throw new OutputFault(path.toString(), "it is a folder", "name a file");
        boolean there = Files.exists(path);
        if (there && !Files.isRegularFile(path))
            throw new OutputFault(path.toString(), "it is no regular file and is never replaced", "name another");
        if (there && !force)
            throw new OutputFault(path.toString(), "it exists already", "choose another name or add --force");
        Path parent = folder();
        if (!Files.isDirectory(parent))
            throw new OutputFault(path.toString(), "there is no folder " + parent, "make the folder first");
        if (!Files.isWritable(parent))
            throw new OutputFault(path.toString(), "the folder " + parent + " may not be written",
                    "choose another folder");
    }

    /** Refuses a result that would take the place of what it is made from. */
    public OutputFile besides(@Nullable Path... inputs) {
        for (Path input : inputs) {
            try {
                if (input != null && Files.exists(path) && Files.exists(input) && Files.isSameFile(path, input))
                    throw new OutputFault(path.toString(), "it is what the result is made from", "name another file");
            } catch (IOException e) {
                // What cannot be looked at is refused when it is read or written.
                return this;
            }
        }
        return this;
    }

    /** Where the bytes really go. */
    private Path target() {
        try {
            return Files.exists(path) ? path.toRealPath() : path.toAbsolutePath();
        } catch (IOException e) {
            return path.toAbsolutePath();
        }
    }

    private Path folder() {
        Path target = target();
        Path parent = target.getParent();
        return parent == null ? target : parent;
    }

    public void write(String text) {
        write(text.getBytes(StandardCharsets.UTF_8));
    }

    public void write(byte[] bytes) {
        write(out -> out.write(bytes));
    }

    /** What goes into a file piece by piece. */
    public interface Pieces {
        void into(OutputStream out) throws IOException;
    }

    /** The same of what is too long to be held at once. */
    public void write(Pieces pieces) {
        check();
        try {
            Path temporary = free();
            UNDER_WAY.add(temporary);
            try {
                // A file of one's own has the rights that the player's other new files have.
                try (OutputStream out = Files.newOutputStream(temporary, StandardOpenOption.CREATE_NEW,
                        StandardOpenOption.WRITE)) {
                    pieces.into(out);
                }
                move(temporary, target());
                WRITTEN.set(true);
            } finally {
                Files.deleteIfExists(temporary);
                UNDER_WAY.remove(temporary);
            }
        } catch (FileAlreadyExistsException e) {
            throw new OutputFault(path.toString(), "it exists already", "choose another name or add --force");
        } catch (IOException e) {
            String said = String.valueOf(e.getMessage());
            throw new OutputFault(path.toString(), said.contains("No space left")
                    ? "the disk is full"
                    : "it cannot be written (" + said + ")", "check the disk and the folder's permissions");
        }
    }

    private Path free() {
        Path folder = folder();
        int n = 0;
        Path out = folder.resolve(".verisonus-" + ProcessHandle.current().pid() + ".part");
        while (Files.exists(out))
            out = folder.resolve(".verisonus-" + ProcessHandle.current().pid() + "-" + ++n + ".part");
        return out;
    }

    private static void move(Path temporary, Path target) throws IOException {
        try {
            Files.move(temporary, target, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
        } catch (AtomicMoveNotSupportedException e) {
            Files.move(temporary, target, StandardCopyOption.REPLACE_EXISTING);
        }
    }

    /** Takes away what is half written; for a program that is being ended. */
    public static void abandonAll() {
        for (Path p : UNDER_WAY) {
            try {
                Files.deleteIfExists(p);
            } catch (IOException e) {
                // The program is ending: nobody is left to be told.
                return;
            }
        }
    }
}
