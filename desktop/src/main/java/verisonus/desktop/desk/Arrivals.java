package verisonus.desktop.desk;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import javafx.beans.property.ReadOnlyStringProperty;
import javafx.beans.property.ReadOnlyStringWrapper;
import verisonus.casebook.arrival.ArrivedFile;
import verisonus.casebook.store.Medium;
import verisonus.core.sound.codec.SoundReader;
import verisonus.core.take.StandInTake;
import verisonus.core.work.InputFault;

/** Files that were dropped, pasted or chosen: what each most likely is is said, recordings join the open case, the rest goes where it belongs. */
public final class Arrivals {
    private final Desk desk;
    private final Takers takers;
    private final ReadOnlyStringWrapper said = new ReadOnlyStringWrapper("");
    private Optional<Long> last = Optional.empty();

    /** Who takes what is no recording. */
    public interface Takers {
        void take(ArrivedFile file);
    }

    /** A file that was told, and what is in it where it is a recording. */
    private record Added(ArrivedFile what, byte[] recording) {}

    public Arrivals(Desk desk, Takers takers) {
        this.desk = desk;
        this.takers = takers;
    }

    /** What the last files were taken for, and the key that changes it. */
    public ReadOnlyStringProperty said() {
        return said.getReadOnlyProperty();
    }

    /** On the window's thread. A first recording makes a case where there is none. */
    public void add(List<Path> files) {
        if (desk.open().get().isEmpty() && files.stream().anyMatch(Arrivals::isNamedAsSound)) desk.addCase("New case");
        Optional<Long> into = desk.open().get().map(o -> o.entry().id());
        Set<String> shared = ArrivedFile.sharedWords(files);
        for (Path file : files) {
            desk.forCase("Adding " + file.getFileName(), progress -> {
                progress.step(0.1, "reading it");
                return told(file, into, shared);
            }).keep(added -> {
                if (added.what.kind().isRecording()) last = into.map(c -> keep(c, added));
            }).show(this::arrived);
        }
    }

    private static boolean isNamedAsSound(Path file) {
        String name = String.valueOf(file.getFileName()).toLowerCase(Locale.ROOT);
        return SoundReader.ENDINGS.stream().anyMatch(name::endsWith);
    }

    private Added told(Path file, Optional<Long> into, Set<String> shared) {
        List<Medium> there = into.map(c -> desk.book().recordings().media(c)).orElse(List.of());
        ArrivedFile what = ArrivedFile.of(file, new ArrivedFile.Present(holds(there, Medium.Role.REFERENCE),
                holds(there, Medium.Role.DI), shared));
        if (what.kind().isRecording() && into.isEmpty()) {
            throw new InputFault(file.toString(), "there is no case to put it in", "make one with + new case");
        }
        return new Added(what, what.kind().isRecording() ? bytes(what.file()) : new byte[0]);
    }

    private long keep(long caseId, Added a) {
        return desk.book().recordings().addMedium(caseId, role(a.what.kind()),
                String.valueOf(a.what.file().getFileName()), a.recording);
    }

    private void arrived(Added added) {
        ArrivedFile what = added.what;
        if (!what.kind().isRecording()) {
            say(what, "");
            takers.take(what);
            return;
        }
        say(what, " Ctrl+R if it is something else.");
    }

    /** Said again even where it is the same as before. */
    private void say(String text) {
        said.set("");
        said.set(text);
    }

    private void say(ArrivedFile what, String how) {
        say(what.file().getFileName() + " is taken as " + what.kind().words() + ": " + what.why() + "." + how);
    }

    /** Takes the recording that came last for the next thing that it could be. */
    public void changeLast() {
        Optional<Medium> medium = desk.open().get().stream().flatMap(o -> o.media().stream())
                .filter(m -> last.equals(Optional.of(m.id()))).findFirst();
        if (medium.isEmpty()) {
            say("No recording has come in lately. What a recording is can be set on Listen.");
            return;
        }
        Medium.Role next = switch (medium.get().role()) {
            case REFERENCE -> Medium.Role.DI;
            case DI -> Medium.Role.BACKING;
            default -> Medium.Role.REFERENCE;
        };
        desk.changeRole(medium.get(), next);
        say(medium.get().title() + " is taken as " + switch (next) {
            case REFERENCE -> ArrivedFile.Kind.REFERENCE.words();
            case DI -> ArrivedFile.Kind.TAKE.words();
            default -> ArrivedFile.Kind.BACKING.words();
        } + " now. Ctrl+R for the next.");
    }

    private static boolean holds(List<Medium> there, Medium.Role role) {
        return there.stream().anyMatch(m -> m.role() == role && !m.title().equals(StandInTake.NAME));
    }

    private static Medium.Role role(ArrivedFile.Kind kind) {
        return switch (kind) {
            case TAKE -> Medium.Role.DI;
            case BACKING -> Medium.Role.BACKING;
            default -> Medium.Role.REFERENCE;
        };
    }

    private static byte[] bytes(Path file) {
        try {
            return Files.readAllBytes(file);
        } catch (IOException e) {
            throw new InputFault(file.toString(), "it cannot be read", "check the file", e);
        }
    }
}
