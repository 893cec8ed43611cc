package verisonus.app;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import verisonus.casebook.exchange.UserFolder;
import verisonus.casebook.store.Casebook;

@Command(name = "open", mixinStandardHelpOptions = true, description = "Starts the window on a casebook; a new name makes a new one.")
final class OpenCommand implements Callable<Integer> {
    private static final String OWN = "my-tones.casebook";

    @Parameters(arity = "0..1", paramLabel = "CASEBOOK", description = "a .casebook file (default: your own)")
    private @Nullable Path casebook;

    @Option(names = "--verbose", description = "say more when something fails")
    @SuppressWarnings("unused") // read from the arguments where a failure is reported
    private boolean verbose;

    @Override
    public Integer call() {
        Path file = casebook == null ? UserFolder.path().resolve(OWN) : casebook;
        if (Screen.isOff()) {
            // A bad file is one line here too.
            opened(file).close();
            System.err.println("verisonus: there is no display to show the window on; every command works without one");
            return 0;
        }
        return Screen.show(() -> opened(file), false);
    }

    private static Casebook opened(Path file) {
        return Files.exists(file) ? Casebook.open(file) : Casebook.create(file);
    }
}
