package verisonus.desktop.sheet;

import java.nio.file.Path;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import javafx.beans.property.BooleanProperty;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.ReadOnlyStringProperty;
import javafx.beans.property.ReadOnlyStringWrapper;
import javafx.beans.property.SimpleBooleanProperty;
import javafx.beans.property.SimpleObjectProperty;
import verisonus.casebook.sheet.CaseSheet;
import verisonus.casebook.sheet.SheetContents;
import verisonus.casebook.sheet.SheetFormat;
import verisonus.casebook.sheet.SheetPart;
import verisonus.casebook.sheet.ToneSheet;
import verisonus.casebook.sheet.page.Page;
import verisonus.casebook.sheet.write.Paper;
import verisonus.core.rig.DeviceScale;
import verisonus.desktop.desk.Bench;
import verisonus.desktop.desk.Desk;
import verisonus.desktop.desk.OpenCase;
import verisonus.desktop.desk.SavedFile;

/** The open case's tone sheet; made when the bench is shown. */
public final class SheetModel {
    private final Desk desk;
    private final ReadOnlyObjectWrapper<Optional<ToneSheet>> sheet = new ReadOnlyObjectWrapper<>(Optional.empty());
    private final ObjectProperty<Set<SheetPart>> parts = new SimpleObjectProperty<>(SheetPart.all());
    private final ObjectProperty<List<DeviceScale>> scales = new SimpleObjectProperty<>(List.of());
    private final ObjectProperty<Paper> paper = new SimpleObjectProperty<>(Paper.A4);
    private final BooleanProperty stage = new SimpleBooleanProperty();
    private final ReadOnlyObjectWrapper<Optional<Page>> page = new ReadOnlyObjectWrapper<>(Optional.empty());
    private final ReadOnlyStringWrapper said = new ReadOnlyStringWrapper("");

    public SheetModel(Desk desk) {
        this.desk = desk;
        desk.bench().subscribe(_ -> make());
        desk.open().subscribe(_ -> make());
        sheet.subscribe(this::lay);
        parts.subscribe(this::lay);
        scales.subscribe(this::lay);
        stage.subscribe(this::lay);
    }

    private void lay() {
        page.set(sheet.get()
                .map(s -> stage.get() ? s.stagePage() : s.page(new SheetContents(parts.get(), scales.get()))));
    }

    private void make() {
        Optional<OpenCase> open = desk.open().get();
        if (desk.bench().get() != Bench.SHEET || open.isEmpty()) return;
        desk.forCase("Writing the sheet", progress -> CaseSheet.of(desk.book(), open.get().entry(), progress))
                .show(made -> sheet.set(Optional.of(made)));
    }

    /** Writes the sheet in the format that the file's name ends in. */
    public void export(Path file) {
        Optional<ToneSheet> made = sheet.get();
        if (made.isEmpty()) return;
        Page shown = page.get().orElseThrow();
        SheetFormat format = SheetFormat.of(file.getFileName().toString()).orElse(SheetFormat.MARKDOWN);
        Paper on = paper.get();
        desk.forBook("Exporting the sheet", _ -> {
            SavedFile.write(file, format.write(made.get(), shown, on));
            return file;
        }).show(f -> said.set("Written to " + f));
    }

    public Desk desk() {
        return desk;
    }

    public ReadOnlyObjectProperty<Optional<ToneSheet>> sheet() {
        return sheet.getReadOnlyProperty();
    }

    /** The sheet as it will print, with what was chosen. */
    public ReadOnlyObjectProperty<Optional<Page>> page() {
        return page.getReadOnlyProperty();
    }

    /** What stands on it beside what to set. */
    public ObjectProperty<Set<SheetPart>> parts() {
        return parts;
    }

    /** On which scales each setting stands a second time. */
    public ObjectProperty<List<DeviceScale>> scales() {
        return scales;
    }

    /** Puts a scale beside the player's own, or takes it away. */
    public void choose(DeviceScale scale, boolean in) {
        scales.set(
                Arrays.stream(DeviceScale.values()).filter(s -> s == scale ? in : scales.get().contains(s)).toList());
    }

    public ObjectProperty<Paper> paper() {
        return paper;
    }

    /** Only what to set, large. */
    public BooleanProperty stage() {
        return stage;
    }

    /** Puts a part of the sheet in or leaves it out. */
    public void choose(SheetPart part, boolean in) {
        Set<SheetPart> next = EnumSet.noneOf(SheetPart.class);
        next.addAll(parts.get());
        if (in) next.add(part);
        else next.remove(part);
        parts.set(next);
    }

    /** What came of the last export. */
    public ReadOnlyStringProperty said() {
        return said.getReadOnlyProperty();
    }
}
