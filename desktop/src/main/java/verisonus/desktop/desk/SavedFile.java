package verisonus.desktop.desk;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import verisonus.core.work.OutputFault;

/** A file that the player named: written beside its place and moved there in one step, so that a fault leaves the old one. */
public final class SavedFile {
    private SavedFile() {}

    /** @throws OutputFault where it cannot be written */
    public static void write(Path file, byte[] bytes) {
        Path beside = file.resolveSibling(file.getFileName() + ".part");
        try {
            Files.write(beside, bytes);
            Files.move(beside, file, StandardCopyOption.REPLACE_EXISTING);
        } catch (IOException e) {
            throw new OutputFault(file.toString(), "it cannot be written", "choose another folder");
        }
    }
}
