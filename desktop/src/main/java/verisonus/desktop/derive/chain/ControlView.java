package verisonus.desktop.derive.chain;

import java.util.List;
import javafx.geometry.HPos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.ColumnConstraints;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import verisonus.core.feel.ControlStudy;
import verisonus.core.rig.Control;
import verisonus.core.work.Figures;
import verisonus.desktop.theme.Hint;
import verisonus.desktop.theme.Nodes;

/** What one control does on this tone: a small table from its least to its most, and a slow turn to hear. */
public final class ControlView {
    private static final int MOST = 8;

    private final ChainModel model;
    private final VBox body = new VBox(6);

    public ControlView(ChainModel model) {
        this.model = model;
    }

    public Node shown() {
        body.getChildren().clear();
        model.studied().get().ifPresentOrElse(this::fill, () -> body.getChildren().add(Nodes.wrapped(
                "Press the name of a setting in the chain: it is put to some places between its ends, and what is heard"
                        + " to change stands here.",
                "quiet")));
        return body;
    }

    private void fill(ChainModel.Studied s) {
        Control c = s.row().control();
        body.getChildren()
                .add(Nodes.wrapped(s.row().block().model().name() + ", " + c.name() + ". " + s.study().words(),
                        "strong"));
        if (!model.session().isStill(s.tone())) {
            body.getChildren().add(Nodes.wrapped("Asked of the tone as it was; press the name again for now.", "quiet",
                    "small"));
        }
        if (!s.study().lines().isEmpty()) body.getChildren().add(table(s));
        body.getChildren().add(Nodes.wrapped(loudness(s.study()), "quiet", "small"));
        traded(s).forEach(t -> body.getChildren().add(Nodes.wrapped(t, "small")));
        if (!c.isChoice()) body.getChildren().add(byEar());
    }

    private FlowPane byEar() {
        Button sweep = new Button("turn it slowly, at one loudness");
        sweep.setId("sweep-control");
        Hint.on(sweep, "your take from the control's least to its most, as loud all the way");
        sweep.setOnAction(_ -> model.sweep());
        Button here = new Button("here (K)");
        here.setId("sweep-here");
        Hint.on(here, "sets the control to where it stands while you hear it");
        here.setDisable(!model.isSwept());
        here.setOnAction(_ -> model.here());
        return new FlowPane(8, 4, sweep, here);
    }

    /** Rows by what changes, columns by where the control stands; what would not be heard is quiet. */
    private GridPane table(ChainModel.Studied s) {
        GridPane grid = new GridPane();
        grid.setHgap(6);
        grid.setVgap(2);
        ColumnConstraints names = new ColumnConstraints();
        names.setHgrow(Priority.ALWAYS);
        grid.getColumnConstraints().add(names);
        List<Double> values = s.study().values();
        for (int i = 0; i < values.size(); i++) {
            Label head = Nodes.label(model.session().rig().display(s.row().block().model(), s.row().control(),
                    values.get(i)), "quiet", "small");
            GridPane.setHalignment(head, HPos.RIGHT);
            grid.add(head, i + 1, 0);
        }
        List<ControlStudy.Line> lines = s.study().lines();
        for (int l = 0; l < Math.min(MOST, lines.size()); l++) {
            ControlStudy.Line line = lines.get(l);
            grid.add(Nodes.wrapped(line.attribute().playersWords(), "small"), 0, l + 1);
            for (int i = 0; i < values.size(); i++) {
                boolean heard = Math.abs(line.jnd().get(i)) >= 1;
                Label cell = Nodes.label(
                        Figures.read(line.unit().equals("dB") ? "%+.1f" : "%+.2f", line.change().get(i)),
                        "small", "figure", heard ? "strong" : "quiet");
                Hint.on(cell, Figures.read("%.1f just-noticeable differences", Math.abs(line.jnd().get(i))));
                GridPane.setHalignment(cell, HPos.RIGHT);
                grid.add(cell, i + 1, l + 1);
            }
        }
        return grid;
    }

    private static String loudness(ControlStudy study) {
        double least = study.loudnessLu().stream().mapToDouble(v -> v).min().orElse(0);
        double most = study.loudnessLu().stream().mapToDouble(v -> v).max().orElse(0);
        return Figures.read(
                "Against the tone as it is, levels matched. As it comes the loudness goes from %+.1f to %+.1f LU.",
                least, most);
    }

    /** With which other control this one can be traded, as the search found. */
    private List<String> traded(ChainModel.Studied s) {
        String name = s.row().control().name();
        return model.session().tone().stream().flatMap(t -> t.remarks().ties().stream()).map(t -> t.words())
                .filter(w -> w.contains(name)).map(w -> "Trades with: " + w).toList();
    }
}
