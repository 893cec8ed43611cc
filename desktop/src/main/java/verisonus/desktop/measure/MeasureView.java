package verisonus.desktop.measure;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import verisonus.casebook.words.EvidenceSentences;
import verisonus.core.evidence.Presence;
import verisonus.desktop.theme.Nodes;
import verisonus.desktop.theme.Theme;

/** The measure bench: findings in sentences, and the reason of the one that is chosen. */
public final class MeasureView extends BorderPane {
    private final MeasureModel model;
    private final Label summary = Nodes.wrapped("", "quiet");
    private final Label heading = Nodes.label("What the recording shows", "heading");
    private final Button measure = new Button("Measure this region");
    private final VBox list = new VBox();
    private final Label why = Nodes.wrapped("", "heading");
    private final Label title = Nodes.wrapped("", "quiet", "small");
    private final Label reason = Nodes.wrapped("");
    private final PlotView plot;

    public MeasureView(MeasureModel model, Theme theme) {
        this.model = model;
        getStyleClass().add("measure");
        plot = new PlotView(theme);
        plot.setPrefHeight(230);
        measure.setId("measure");
        measure.setMinWidth(Region.USE_PREF_SIZE);
        measure.setOnAction(_ -> model.measure());
        Region space = new Region();
        HBox.setHgrow(space, Priority.ALWAYS);
        HBox head = new HBox(8, Nodes.column(2, heading, summary), space, measure);
        head.setAlignment(Pos.TOP_LEFT);
        head.setPadding(new Insets(14, 22, 8, 22));
        ScrollPane scroll = new ScrollPane(list);
        scroll.setFitToWidth(true);
        list.setPadding(new Insets(0, 22, 10, 22));
        BorderPane left = new BorderPane(scroll);
        left.setTop(head);
        setCenter(left);
        VBox right = Nodes.column(8, why, title, plot, reason);
        right.getStyleClass().add("ruled-left");
        right.setPadding(new Insets(14, 22, 10, 22));
        right.setPrefWidth(400);
        setRight(right);
        model.desk().open().subscribe(this::show);
        model.desk().sounds().subscribe(this::show);
        model.selected().subscribe(this::show);
        show();
    }

    private void show() {
        List<EvidenceSentences> findings = model.findings();
        measure.setDisable(!model.canMeasure());
        measure.setText(findings.isEmpty() ? "Measure this region" : "Measure again");
        if (findings.isEmpty()) {
            heading.setText("Not measured yet");
            summary.setText(model.canMeasure()
                    ? "The region on the Listen bench is ready to be measured."
                    : "Mark a region on the Listen bench first.");
        } else {
            heading.setText("What the recording shows");
            summary.setText(model.summary());
        }
        list.getChildren().clear();
        for (int i = 0; i < findings.size(); i++) list.getChildren().add(row(findings.get(i), i));
        showReason(model.chosen());
    }

    private HBox row(EvidenceSentences f, int index) {
        boolean open = f.presence() == Presence.UNKNOWN;
        Label mark = Nodes.label(open ? "○" : "●", "reference-ink");
        mark.setMinWidth(15);
        Label topic = Nodes.label(f.topic(), "strong");
        topic.setMinWidth(86);
        Label sentence = Nodes.wrapped(f.sentence(), open ? "quiet" : "finding");
        Label remark = Nodes.wrapped(f.remark(), "aside");
        VBox words = Nodes.column(1, sentence, remark);
        HBox.setHgrow(words, Priority.ALWAYS);
        HBox row = new HBox(4, mark, topic, words, confidence(f));
        row.getStyleClass().addAll("finding-row", "ruled-below");
        if (index == Math.min(model.selected().get(), model.findings().size() - 1)) row.getStyleClass().add("chosen");
        row.setFocusTraversable(true);
        row.setAccessibleText(f.topic() + ": " + f.sentence());
        row.setOnMouseClicked(_ -> model.selected().set(index));
        row.setOnKeyPressed(e -> {
            if (e.getCode() == KeyCode.ENTER) model.selected().set(index);
        });
        row.setId("finding-" + f.topic().toLowerCase(Locale.ROOT));
        return row;
    }

    private static HBox confidence(EvidenceSentences f) {
        HBox box = new HBox(6);
        box.setMinWidth(112);
        box.setAlignment(Pos.TOP_RIGHT);
        if (f.confidence().isEmpty()) return box;
        double share = f.confidence().getAsDouble();
        Region filled = new Region();
        filled.getStyleClass().add("confidence");
        filled.setMinSize(60 * share, 4);
        filled.setMaxSize(60 * share, 4);
        Region track = new Region();
        track.getStyleClass().add("confidence-rest");
        track.setMinSize(60 * (1 - share), 4);
        track.setMaxSize(60 * (1 - share), 4);
        HBox bar = new HBox(filled, track);
        bar.setAlignment(Pos.CENTER_LEFT);
        bar.setMaxHeight(16);
        bar.setMinHeight(16);
        Label figure = Nodes.label(String.format(Locale.ROOT, "%.0f %%", 100 * share), "small");
        figure.setMinWidth(38);
        figure.setAlignment(Pos.CENTER_RIGHT);
        box.getChildren().addAll(bar, figure);
        return box;
    }

    private void showReason(Optional<EvidenceSentences> f) {
        why.setText(f.map(s -> s.topic() + ": why").orElse(""));
        boolean drawn = f.flatMap(EvidenceSentences::plot).isPresent();
        plot.setVisible(drawn);
        plot.setManaged(drawn);
        plot.show(f.flatMap(EvidenceSentences::plot));
        title.setText(f.flatMap(EvidenceSentences::plot).map(p -> p.title()).orElse(""));
        title.setManaged(drawn);
        reason.setText(f.map(s -> s.reason().isEmpty() ? s.remark() : capital(s.reason()) + ".").orElse(""));
    }

    private static String capital(String s) {
        return Character.toUpperCase(s.charAt(0)) + s.substring(1);
    }
}
