package verisonus.desktop.desk;

import java.io.IOException;
import java.nio.file.AtomicMoveNotSupportedException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.util.UUID;
import verisonus.core.work.OutputFault;

/**
 * A file that the player named: written beside its place under a name that nobody has, and moved there in one step. A fault leaves the old
 * one, and nothing beside it.
 */
public final class SavedFile {
    private SavedFile() {}

    /** @throws OutputFault where it cannot be written */
    public static void write(Path file, byte[] bytes) {
        Path beside = file.resolveSibling(".verisonus-" + UUID.randomUUID() + ".part");
        try {
            try {
                Files.write(beside, bytes, StandardOpenOption.CREATE_NEW);
                move(beside, file);
            } finally {
                Files.deleteIfExists(beside);
            }
        } catch (IOException e) {
            throw new OutputFault(file.toString(), "it cannot be written", "choose another folder");
        }
    }

    private static void move(Path from, Path to) throws IOException {
        try {
            Files.move(from, to, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
        } catch (AtomicMoveNotSupportedException e) {
            Files.move(from, to, StandardCopyOption.REPLACE_EXISTING);
        }
    }
}
