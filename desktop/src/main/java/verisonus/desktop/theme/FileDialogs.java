package verisonus.desktop.theme;

import java.io.File;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicReference;
import java.util.stream.Stream;
import javafx.stage.FileChooser;
import javafx.stage.Window;
import verisonus.core.sound.codec.SoundReader;

/** The system's file dialogs; all of them open where the last one ended. */
public final class FileDialogs {
    /** Files of sound, in small and large letters. */
    public static final FileChooser.ExtensionFilter RECORDINGS = new FileChooser.ExtensionFilter("Recordings",
            SoundReader.ENDINGS.stream().flatMap(e -> Stream.of("*" + e, "*" + e.toUpperCase(Locale.ROOT))).toList());
    private static final AtomicReference<Optional<File>> FOLDER = new AtomicReference<>(Optional.empty());

    private FileDialogs() {}

    /** Recordings to add; none where the player turns away. */
    public static List<Path> recordings(Window over) {
        FileChooser chooser = chooser("Add recordings");
        chooser.getExtensionFilters().setAll(RECORDINGS, new FileChooser.ExtensionFilter("All files", "*"));
        List<File> chosen = Optional.ofNullable(chooser.showOpenMultipleDialog(over)).orElse(List.of());
        chosen.stream().findFirst().ifPresent(FileDialogs::remember);
        return chosen.stream().map(File::toPath).toList();
    }

    /** One file to read. */
    public static Optional<Path> open(Window over, String title, FileChooser.ExtensionFilter... filters) {
        FileChooser chooser = chooser(title);
        chooser.getExtensionFilters().setAll(filters);
        return remembered(chooser.showOpenDialog(over));
    }

    /** A place to write to. */
    public static Optional<Path> save(Window over, String title, String name, FileChooser.ExtensionFilter... filters) {
        FileChooser chooser = chooser(title);
        chooser.setInitialFileName(name);
        chooser.getExtensionFilters().setAll(filters);
        return remembered(chooser.showSaveDialog(over));
    }

    private static FileChooser chooser(String title) {
        FileChooser chooser = new FileChooser();
        chooser.setTitle(title);
        FOLDER.get().filter(File::isDirectory).ifPresent(chooser::setInitialDirectory);
        return chooser;
    }

    private static Optional<Path> remembered(@org.jspecify.annotations.Nullable File chosen) {
        Optional<File> file = Optional.ofNullable(chosen);
        file.ifPresent(FileDialogs::remember);
        return file.map(File::toPath);
    }

    private static void remember(File chosen) {
        FOLDER.set(Optional.ofNullable(chosen.getAbsoluteFile().getParentFile()));
    }
}
