package verisonus.desktop.derive.advice;

import java.util.List;
import java.util.Optional;
import javafx.geometry.Insets;
import javafx.scene.Node;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import verisonus.core.rig.Tone;
import verisonus.core.simulate.LevelWalk;
import verisonus.core.work.Figures;
import verisonus.desktop.theme.Nodes;

/** How loud it is at each point of the chain, and where the next input clips, is starved or is loaded. */
public final class LevelsView {
    private final AdviceModel model;
    private final VBox body = new VBox(5);
    /** The tone that was walked through of itself: one that failed or was cancelled is not begun again. */
    private Optional<Tone> asked = Optional.empty();
    private final TextField volts = new TextField();

    public LevelsView(AdviceModel model) {
        this.model = model;
        volts.setId("full-scale-volts");
        volts.setPromptText("unknown");
        volts.setPrefColumnCount(6);
        volts.setAccessibleText("volts at the socket that read full scale");
        volts.setOnAction(_ -> model.askLevels(sensitivity()));
    }

    /** The levels are asked at once: they cost little. With a sensitivity typed they are asked again, in volts. */
    public Node shown() {
        Optional<Tone> now = model.session().settings();
        boolean waits = model.levels().isEmpty() && !asked.equals(now) && !model.session().desk().work().busy().get();
        if (waits) {
            asked = now;
            model.askLevels(sensitivity());
        }
        HBox line = new HBox(8, Nodes.label("full scale is, V", "small"), volts);
        line.setAlignment(javafx.geometry.Pos.CENTER_LEFT);
        body.getChildren().setAll(line);
        model.levels().ifPresent(this::fill);
        return body;
    }

    /** Volts as typed; empty where nothing usable stands there. */
    private Optional<Double> sensitivity() {
        String said = volts.getText().strip().replace(',', '.');
        return said.matches("\\d*\\.?\\d+") && Double.parseDouble(said) > 0
                ? Optional.of(Double.parseDouble(said))
                : Optional.empty();
    }

    private void fill(List<LevelWalk.Point> points) {
        for (LevelWalk.Point p : points) {
            Region space = new Region();
            HBox.setHgrow(space, Priority.ALWAYS);
            HBox row = new HBox(8, Nodes.label(p.block().isEmpty() ? "dry take" : p.block(), "small"), space,
                    Nodes.label(Figures.read("peak %.1f   mean %.1f dBFS%s", p.peakDbfs(), p.rmsDbfs(),
                            p.volts().map(v -> Figures.of("   %.2f V", v)).orElse("")), "small", "figure"));
            row.setPadding(new Insets(2, 0, 0, 0));
            body.getChildren().add(row);
            if (!p.fault().isEmpty()) body.getChildren().add(Nodes.wrapped(p.fault(), "small", "warned"));
        }
    }
}
