package verisonus.desktop.sheet;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import javafx.beans.property.BooleanProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.SimpleBooleanProperty;
import javafx.beans.property.SimpleStringProperty;
import javafx.beans.property.StringProperty;
import verisonus.casebook.sheet.WorkDone;
import verisonus.casebook.store.DerivedTone;
import verisonus.casebook.store.LogEntry;
import verisonus.core.rig.Block;
import verisonus.core.rig.Control;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Tone;
import verisonus.core.work.Figures;
import verisonus.desktop.desk.Desk;

/** The logbook: searched, kept to one case, gone back in, branched from, two of its moments side by side. */
public final class LogbookModel {
    private final Desk desk;
    private final StringProperty wanted = new SimpleStringProperty("");
    private final BooleanProperty thisCase = new SimpleBooleanProperty();
    private final ReadOnlyObjectWrapper<List<LogEntry>> shown = new ReadOnlyObjectWrapper<>(List.of());
    private final ReadOnlyObjectWrapper<Optional<LogEntry>> held = new ReadOnlyObjectWrapper<>(Optional.empty());
    private final ReadOnlyObjectWrapper<List<String>> said = new ReadOnlyObjectWrapper<>(List.of());

    public LogbookModel(Desk desk) {
        this.desk = desk;
        desk.open().subscribe(_ -> read());
        wanted.subscribe(_ -> read());
        thisCase.subscribe(_ -> read());
    }

    private void read() {
        Optional<Long> open = desk.open().get().map(o -> o.entry().id());
        String words = wanted.get().strip().toLowerCase(Locale.ROOT);
        List<LogEntry> all = desk.book().logbook();
        List<LogEntry> kept = all.stream()
                .filter(e -> !thisCase.get() || open.isPresent() && e.caseId().orElse(-1) == open.get())
                .filter(e -> (e.text() + " " + e.note()).toLowerCase(Locale.ROOT).contains(words)).toList();
        shown.set(kept);
        said.set(WorkDone.of(thisCase.get() ? kept : all).words());
    }

    /** Takes back everything after a moment; each change can be made again with redo. */
    public void goBackTo(LogEntry e) {
        int n = desk.book().moments().backTo(e);
        desk.refresh();
        read();
        said.set(List.of(n == 1
                ? "1 change taken back; redo makes it again."
                : n + " changes taken back; redo makes them again one by one."));
    }

    /** A new case that goes on from a moment. */
    public void branch(LogEntry e) {
        Optional<String> name = desk.book().cases().stream().filter(c -> e.caseId().orElse(-1) == c.id())
                .map(c -> c.name() + ", from " + e.at().toString().substring(11, 16)).findFirst();
        if (name.isEmpty()) return;
        desk.book().moments().branch(e, name.get());
        desk.refresh();
        read();
        said.set(List.of("Branched: " + name.get() + "."));
    }

    public void note(LogEntry e, String text) {
        if (text.strip().equals(e.note())) return;
        desk.book().moments().note(e, text);
        read();
    }

    /** Holds a moment to lay another beside it; the second shows what differs. */
    public void compare(LogEntry e) {
        if (held.get().isEmpty() || held.get().get().id() == e.id()) {
            held.set(held.get().isPresent() ? Optional.empty() : Optional.of(e));
            said.set(held.get().isPresent()
                    ? List.of("Held: " + e.text() + ". Choose another moment to compare.")
                    : List.of());
            return;
        }
        LogEntry first = held.get().get().id() < e.id() ? held.get().get() : e;
        LogEntry second = first == e ? held.get().get() : e;
        said.set(differences(first, second));
        held.set(Optional.empty());
    }

    private List<String> differences(LogEntry first, LogEntry second) {
        Optional<DerivedTone> a = desk.book().moments().tone(first);
        Optional<DerivedTone> b = desk.book().moments().tone(second);
        if (a.isEmpty() || b.isEmpty()) return List.of("Only moments that changed a tone can be compared.");
        List<String> out = new ArrayList<>();
        if (a.get().gap().isMeasured() && b.get().gap().isMeasured())
            out.add(Figures.of("Gap %.1f → %.1f JND.", a.get().gap().scoreJnd(), b.get().gap().scoreJnd()));
        out.addAll(settings(a.get().tone(), b.get().tone(), desk.rig().get()));
        if (out.stream().allMatch(w -> w.startsWith("Gap"))) out.add("The settings are the same.");
        return out;
    }

    /** What was turned from one tone to another. */
    static List<String> settings(Tone a, Tone b, Rig rig) {
        List<String> out = new ArrayList<>();
        for (Block now : b.blocks()) {
            Optional<Block> was = a.find(now.id()).filter(o -> o.model().equals(now.model()));
            if (was.isEmpty()) {
                out.add(now.model().name() + a.find(now.id()).map(o -> " in place of " + o.model().name())
                        .orElse(" added"));
                continue;
            }
            if (was.get().on() != now.on()) out.add(now.id() + (now.on() ? " on" : " off"));
            for (Control c : now.model().turnable()) {
                if (Math.abs(was.get().get(c.name()) - now.get(c.name())) < 1e-9) continue;
                out.add(now.id() + " " + now.label(c.name()) + " "
                        + rig.display(now.model(), c, was.get().get(c.name()))
                        + " → " + rig.display(now.model(), c, now.get(c.name())));
            }
        }
        a.blocks().stream().filter(o -> b.find(o.id()).isEmpty())
                .forEach(o -> out.add(o.model().name() + " taken out"));
        return out;
    }

    /** Words that entries must hold. */
    public StringProperty wanted() {
        return wanted;
    }

    public BooleanProperty thisCase() {
        return thisCase;
    }

    public ReadOnlyObjectProperty<List<LogEntry>> shown() {
        return shown.getReadOnlyProperty();
    }

    /** The moment that waits for another beside it. */
    public ReadOnlyObjectProperty<Optional<LogEntry>> held() {
        return held.getReadOnlyProperty();
    }

    /** Time spent and what gained most, or what the last thing asked for came to. */
    public ReadOnlyObjectProperty<List<String>> said() {
        return said.getReadOnlyProperty();
    }
}
