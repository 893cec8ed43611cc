package verisonus.desktop.travel;

import java.util.List;
import java.util.Optional;
import javafx.geometry.HPos;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.ColumnConstraints;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import verisonus.core.travel.BandChange;
import verisonus.core.travel.GapHeard;
import verisonus.core.travel.Travelled;
import verisonus.core.travel.system.PlaybackSystem;
import verisonus.core.work.Figures;
import verisonus.desktop.theme.Hint;
import verisonus.desktop.theme.Nodes;

/** Versions of the tone side by side on the system looked at: what becomes of each band, of loudness, and what still differs there. */
final class VersionsView extends VBox {
    private static final double MARKED_DB = 3;
    private static final int NAME_WIDTH = 150;
    private static final int WIDTH = 58;

    private final TravelModel travel;
    private final VersionsModel model;
    private final GridPane table = new GridPane();
    private final Label about = Nodes.wrapped("", "quiet", "small");

    VersionsView(TravelModel travel, VersionsModel model) {
        super(4);
        this.travel = travel;
        this.model = model;
        setPadding(new Insets(10, 0, 0, 0));
        Button compare = new Button("Put its versions side by side");
        compare.setId("travel-versions");
        Hint.on(compare, "the record, mine, what is prepared for tonight, and up to three tones of before:"
                + " some seconds each");
        compare.setOnAction(_ -> model.compare());
        HBox head = new HBox(12, Nodes.label("Its versions there", "strong"), compare);
        head.setAlignment(Pos.BASELINE_LEFT);
        table.setHgap(8);
        table.setId("versions");
        table.getColumnConstraints().add(new ColumnConstraints(NAME_WIDTH));
        getChildren().addAll(head, table, about);
        model.all().subscribe(_ -> show());
    }

    /** The same versions on the system that is looked at now. */
    void show() {
        table.getChildren().clear();
        Optional<PlaybackSystem> system = travel.shown().map(Travelled::system);
        List<VersionsModel.OnSystems> all = model.all().get();
        boolean any = system.isPresent() && !all.isEmpty();
        table.setVisible(any);
        table.setManaged(any);
        about.setManaged(any);
        about.setText(any
                ? "On the " + system.get().name()
                        + ": each against itself where it was made, dB at one loudness; last, how much of"
                        + " what it lacks of the record is still heard there."
                : "");
        if (!any) return;
        int line = 1;
        for (VersionsModel.OnSystems v : all) {
            Optional<Travelled> t = v.on(system.get());
            if (t.isEmpty()) continue;
            if (line == 1) head(t.get());
            row(v.name(), t.get(), line++);
        }
    }

    private void head(Travelled t) {
        int column = 1;
        for (BandChange b : t.bands()) add(Nodes.label(b.name(), "small"), column++, 0);
        add(Nodes.label("loudness", "small", "quiet"), column++, 0);
        add(Nodes.label("to the record", "small", "quiet"), column, 0);
    }

    private void row(String name, Travelled t, int line) {
        table.add(Nodes.label(name), 0, line);
        int column = 1;
        for (BandChange b : t.bands()) {
            boolean marked = Math.abs(b.changeDb()) >= MARKED_DB;
            add(Nodes.label(Figures.read("%+.1f", b.changeDb()), marked ? "gap-ink" : "ink", marked ? "strong" : "ink"),
                    column++, line);
        }
        add(Nodes.label(Figures.read("%+.1f", t.loudnessChangeDb()), "quiet"), column++, line);
        long heard = t.gaps().stream().filter(GapHeard::heard).count();
        add(Nodes.label(t.gaps().isEmpty() ? "" : heard == 0 ? "alike" : heard == 1 ? "1 differs" : heard + " differ",
                "quiet"),
                column, line);
    }

    private void add(Label label, int column, int line) {
        label.setMinWidth(WIDTH);
        label.setAlignment(Pos.CENTER_RIGHT);
        GridPane.setHalignment(label, HPos.RIGHT);
        table.add(label, column, line);
    }
}
