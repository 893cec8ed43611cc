package verisonus.app;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import verisonus.casebook.exchange.UserFolder;
import verisonus.casebook.store.Casebook;
import verisonus.core.work.OutputFault;
import verisonus.demo.DemoCasebook;
import verisonus.desktop.shell.Pictures;

@Command(name = "demo", mixinStandardHelpOptions = true, description = "Starts the window on the demo casebook; without a screen, draws its views.")
final class DemoCommand implements Callable<Integer> {
    @Option(names = "--offscreen", paramLabel = "DIR", description = "draw every main view and the tone sheet into this folder instead")
    private @Nullable Path offscreen;

    @Option(names = "--fresh", description = "forget what was changed in the demo casebook")
    private boolean fresh;

    @Option(names = "--verbose", description = "say more when something fails")
    @SuppressWarnings("unused") // read from the arguments where a failure is reported
    private boolean verbose;

    @Override
    public Integer call() {
        if (offscreen != null) return draw(offscreen);
        if (Screen.isOff()) {
            System.err.println("verisonus: there is no display, so the views are drawn into files");
            return draw(UserFolder.path().resolve("demo-pictures"));
        }
        Path book = casebook();
        return Screen.show(() -> Casebook.open(book), true);
    }

    /** The player's own copy of the demo casebook: changes are kept until a fresh one is asked for. */
    private Path casebook() {
        Path file = UserFolder.path().resolve(DemoCasebook.FILE_NAME);
        if (fresh) remove(file);
        if (!Files.exists(file)) DemoCasebook.writeTo(file);
        return file;
    }

    /** Pictures show the casebook as it ships, whatever was changed in the player's copy. */
    private static int draw(Path folder) {
        try {
            Files.createDirectories(folder);
            Path work = Files.createTempDirectory("verisonus-demo");
            Path book = work.resolve(DemoCasebook.FILE_NAME);
            DemoCasebook.writeTo(book);
            List<Path> written = Pictures.draw(book, folder);
            remove(book);
            Files.deleteIfExists(work);
            System.out.println("drawn into " + folder.toAbsolutePath() + ":");
            written.forEach(f -> System.out.println("    " + f.getFileName()));
            return 0;
        } catch (IOException e) {
            throw new OutputFault(folder.toString(), "the pictures cannot be written there", "choose another folder");
        }
    }

    private static void remove(Path file) {
        try {
            for (String end : List.of("", "-wal", "-shm")) {
                Files.deleteIfExists(file.resolveSibling(file.getFileName() + end));
            }
        } catch (IOException e) {
            throw new OutputFault(file.toString(), "the old demo casebook cannot be removed",
                    "close it elsewhere first");
        }
    }
}
