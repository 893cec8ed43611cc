package verisonus.casebook.exchange;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Locale;
import verisonus.core.work.OutputFault;

/** Where the player's own files are kept when no other place is named: VERISONUS_DATA, or the system's usual folder. */
public final class UserFolder {
    private UserFolder() {}

    /** @throws OutputFault where it cannot be made */
    public static Path path() {
        String named = System.getenv("VERISONUS_DATA");
        Path folder = named != null && !named.isBlank() ? Path.of(named) : usual().resolve("verisonus");
        try {
            return Files.createDirectories(folder);
        } catch (IOException e) {
            throw new OutputFault(folder.toString(), "the folder cannot be made",
                    "set VERISONUS_DATA to a folder that can be written");
        }
    }

    private static Path usual() {
        Path home = Path.of(System.getProperty("user.home"));
        String system = System.getProperty("os.name").toLowerCase(Locale.ROOT);
        if (system.contains("mac")) return home.resolve("Library/Application Support");
        String roaming = System.getenv("APPDATA");
        if (system.contains("win") && roaming != null) return Path.of(roaming);
        String xdg = System.getenv("XDG_DATA_HOME");
        return xdg != null && !xdg.isBlank() ? Path.of(xdg) : home.resolve(".local/share");
    }
}
