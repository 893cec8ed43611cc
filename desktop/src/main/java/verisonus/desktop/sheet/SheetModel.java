package verisonus.desktop.sheet;

import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.ReadOnlyStringProperty;
import javafx.beans.property.ReadOnlyStringWrapper;
import verisonus.casebook.sheet.CaseSheet;
import verisonus.casebook.sheet.SheetFormat;
import verisonus.casebook.sheet.ToneSheet;
import verisonus.casebook.store.LogEntry;
import verisonus.desktop.desk.Bench;
import verisonus.desktop.desk.Desk;
import verisonus.desktop.desk.OpenCase;
import verisonus.desktop.desk.SavedFile;

/** The open case's tone sheet; made when the bench is shown. */
public final class SheetModel {
    private final Desk desk;
    private final ReadOnlyObjectWrapper<Optional<ToneSheet>> sheet = new ReadOnlyObjectWrapper<>(Optional.empty());
    private final ReadOnlyStringWrapper said = new ReadOnlyStringWrapper("");

    public SheetModel(Desk desk) {
        this.desk = desk;
        desk.bench().subscribe(_ -> make());
        desk.open().subscribe(_ -> make());
    }

    private void make() {
        Optional<OpenCase> open = desk.open().get();
        if (desk.bench().get() != Bench.SHEET || open.isEmpty()) return;
        desk.work().run("Writing the sheet", progress -> CaseSheet.of(desk.book(), open.get().entry(), progress),
                made -> sheet.set(Optional.of(made)));
    }

    /** Writes the sheet in the format that the file's name ends in. */
    public void export(Path file) {
        Optional<ToneSheet> made = sheet.get();
        if (made.isEmpty()) return;
        SheetFormat format = SheetFormat.of(file.getFileName().toString()).orElse(SheetFormat.MARKDOWN);
        desk.work().run("Exporting the sheet", _ -> {
            SavedFile.write(file, format.write(made.get()).getBytes(StandardCharsets.UTF_8));
            return file;
        }, f -> said.set("Written to " + f));
    }

    /** All changes, newest first. */
    public List<LogEntry> logbook() {
        return desk.book().logbook();
    }

    public Desk desk() {
        return desk;
    }

    public ReadOnlyObjectProperty<Optional<ToneSheet>> sheet() {
        return sheet.getReadOnlyProperty();
    }

    /** What came of the last export. */
    public ReadOnlyStringProperty said() {
        return said.getReadOnlyProperty();
    }
}
