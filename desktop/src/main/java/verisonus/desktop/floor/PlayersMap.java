package verisonus.desktop.floor;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.Optional;
import verisonus.casebook.exchange.MidiMapCsv;
import verisonus.casebook.exchange.UserFolder;
import verisonus.core.plan.MidiMap;
import verisonus.core.work.OutputFault;

/** The map of control changes that the player has entered; kept with the player's other things. */
public final class PlayersMap {
    private static final String FILE = "control-map.csv";

    private PlayersMap() {}

    private static Path file() {
        return UserFolder.path().resolve(FILE);
    }

    /** The map, once one was chosen. */
    public static Optional<MidiMap> read() {
        return Files.exists(file()) ? Optional.of(MidiMapCsv.read(file())) : Optional.empty();
    }

    /** Takes a map over. @throws verisonus.core.work.InputFault where it cannot be used; the old one then stays */
    public static MidiMap choose(Path chosen) {
        MidiMap map = MidiMapCsv.read(chosen);
        try {
            Files.copy(chosen, file(), StandardCopyOption.REPLACE_EXISTING);
        } catch (IOException e) {
            throw new OutputFault(file().toString(), "the map cannot be kept", "check the folder");
        }
        return map;
    }
}
