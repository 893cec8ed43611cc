package verisonus.desktop.derive;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import javafx.geometry.Insets;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.TextField;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import verisonus.core.simulate.LevelWalk;
import verisonus.desktop.theme.Nodes;

/** How loud it is at each point of the chain, and where the next input clips, is starved or is loaded. */
final class LevelsView {
    private final DeriveModel model;
    private final VBox body = new VBox(5);
    private final TextField volts = new TextField();

    LevelsView(DeriveModel model) {
        this.model = model;
        volts.setId("full-scale-volts");
        volts.setPromptText("unknown");
        volts.setPrefColumnCount(6);
        volts.setAccessibleText("volts at the socket that read full scale");
    }

    Node shown() {
        Button walk = new Button("walk through the levels");
        walk.setId("ask-walk");
        walk.setTooltip(new Tooltip("plays the take up to each block in turn"));
        walk.setOnAction(_ -> model.advice().askLevels(sensitivity()));
        HBox line = new HBox(8, Nodes.label("full scale is, V", "small"), volts);
        line.setAlignment(javafx.geometry.Pos.CENTER_LEFT);
        body.getChildren().setAll(walk, line);
        model.advice().levels().ifPresent(this::fill);
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
                    Nodes.label(String.format(Locale.ROOT, "peak %.1f   mean %.1f dBFS%s", p.peakDbfs(), p.rmsDbfs(),
                            p.volts().map(v -> String.format(Locale.ROOT, "   %.2f V", v)).orElse(""))
                            .replace('-', '−'), "small", "figure"));
            row.setPadding(new Insets(2, 0, 0, 0));
            body.getChildren().add(row);
            if (!p.fault().isEmpty()) body.getChildren().add(Nodes.wrapped(p.fault(), "small", "warned"));
        }
    }
}
