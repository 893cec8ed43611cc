package verisonus.cli.files;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.AtomicMoveNotSupportedException;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import verisonus.core.work.OutputFault;

/** A result on its way to disk: written beside its final name and moved into place in one step. */
public record OutputFile(Path path, boolean force) {
    /** Refuses early, before long work, what could not be written at its end. */
    public void check() {
        if (Files.isDirectory(path)) throw new OutputFault(path.toString(), "it is a folder", "name a file");
        if (Files.exists(path) && !force)
            throw new OutputFault(path.toString(), "it exists already", "choose another name or add --force");
        Path parent = folder();
        if (!Files.isDirectory(parent))
            throw new OutputFault(path.toString(), "there is no folder " + parent, "make the folder first");
        if (!Files.isWritable(parent))
            throw new OutputFault(path.toString(), "the folder " + parent + " may not be written",
                    "choose another folder");
    }

    private Path folder() {
        Path parent = path.toAbsolutePath().getParent();
        return parent == null ? path.toAbsolutePath() : parent;
    }

    public void write(String text) {
        write(text.getBytes(StandardCharsets.UTF_8));
    }

    public void write(byte[] bytes) {
        check();
        try {
            Path temporary = Files.createTempFile(folder(), ".verisonus", ".part");
            try {
                Files.write(temporary, bytes);
                move(temporary);
            } finally {
                Files.deleteIfExists(temporary);
            }
        } catch (FileAlreadyExistsException e) {
            throw new OutputFault(path.toString(), "it exists already", "choose another name or add --force");
        } catch (IOException e) {
            throw new OutputFault(path.toString(), "it cannot be written (" + e.getMessage() + ")",
                    "check the disk and the folder's permissions");
        }
    }

    private void move(Path temporary) throws IOException {
        try {
            Files.move(temporary, path, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
        } catch (AtomicMoveNotSupportedException e) {
            Files.move(temporary, path, StandardCopyOption.REPLACE_EXISTING);
        }
    }
}
