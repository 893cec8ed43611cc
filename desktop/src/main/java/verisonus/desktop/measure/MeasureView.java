package verisonus.desktop.measure;

import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Supplier;
import javafx.beans.binding.Bindings;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.stage.FileChooser;
import verisonus.casebook.store.Judgement;
import verisonus.casebook.words.EvidenceSentences;
import verisonus.core.evidence.signs.Presence;
import verisonus.core.work.Figures;
import verisonus.core.work.Sentence;
import verisonus.desktop.desk.OpenCase;
import verisonus.desktop.theme.FileDialogs;
import verisonus.desktop.theme.Hint;
import verisonus.desktop.theme.Nodes;
import verisonus.desktop.theme.Places;
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
    private final VerdictBar verdict;
    private final SpectrogramView spectrogram;
    private final ToggleButton drawn = new ToggleButton("spectrogram");
    private final ScrollPane scroll = new ScrollPane();
    private final VBox right;
    private final Map<Lens, Supplier<Node>> lenses = new EnumMap<>(Lens.class);
    private final Places<Lens> lens = new Places<>(List.of(Lens.values()), l -> l.words, l -> l.about);

    /** Ways to look at what was found. */
    enum Lens {
        FINDINGS("findings", "each with its reason"),
        BESIDE("side by side",
                "two measured regions or recordings"),
        WORDS("words",
                "the words that fit, what they rest on, and new ones"),
        CLAIMS("claims",
                "what is said about the gear, and what the evidence says to it"),
        SIGNATURE("signature",
                "what the references have in common");

        private final String words;
        private final String about;

        Lens(String words, String about) {
            this.words = words;
            this.about = about;
        }
    }

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
        Button export = new Button("Export…");
        export.setMinWidth(Region.USE_PREF_SIZE);
        Hint.on(export, "every finding as a table (.csv) or as one document (.json)");
        export.setOnAction(_ -> export());
        export.disableProperty().bind(Bindings.createBooleanBinding(() -> model.findings().isEmpty(),
                model.desk().open()));
        HBox head = new HBox(8, Nodes.column(2, heading, summary), space, export, measure);
        head.setAlignment(Pos.TOP_LEFT);
        VBox top = Nodes.padded(Nodes.column(4, head, lens), 14, 22, 6, 22);
        scroll.setFitToWidth(true);
        list.setPadding(new Insets(0, 22, 10, 22));
        BorderPane left = new BorderPane(scroll);
        left.setTop(top);
        setCenter(left);
        verdict = new VerdictBar(model);
        spectrogram = new SpectrogramView(model, theme);
        drawn.getStyleClass().add("plain");
        drawn.setId("spectrogram");
        Hint.on(drawn, "the region's spectrogram in one ink");
        spectrogram.visibleProperty().bind(drawn.selectedProperty());
        spectrogram.managedProperty().bind(drawn.selectedProperty());
        spectrogram.setPrefHeight(190);
        drawn.selectedProperty().subscribe(on -> {
            if (on) spectrogram.show();
        });
        right = Nodes.column(8, why, title, plot, reason, verdict, drawn, spectrogram);
        right.getStyleClass().add("ruled-left");
        right.setPadding(new Insets(14, 22, 10, 22));
        right.setPrefWidth(400);
        setRight(right);
        lenses.put(Lens.FINDINGS, () -> list);
        lenses.put(Lens.BESIDE, () -> new SideBySide(model));
        lenses.put(Lens.WORDS, () -> new WordsView(model));
        lenses.put(Lens.CLAIMS, () -> new ClaimsView(model));
        lenses.put(Lens.SIGNATURE, () -> new SignatureView(model));
        lens.at().subscribe(this::show);
        model.desk().open().subscribe(this::show);
        model.desk().sounds().subscribe(this::show);
        model.selected().subscribe(this::show);
        show();
    }

    private void export() {
        FileDialogs.save(getScene().getWindow(), "Export the findings", "findings.csv",
                new FileChooser.ExtensionFilter("Table", "*.csv"),
                new FileChooser.ExtensionFilter("Document", "*.json")).ifPresent(model::export);
    }

    private void show() {
        scroll.setContent(lenses.getOrDefault(lens.at().get(), () -> list).get());
        right.setVisible(lens.at().get() == Lens.FINDINGS);
        right.setManaged(lens.at().get() == Lens.FINDINGS);
        if (drawn.isSelected()) spectrogram.show();
        List<EvidenceSentences> findings = model.findings();
        measure.setDisable(!model.canMeasure());
        boolean marked = model.desk().open().get().flatMap(OpenCase::region).isPresent();
        measure.setText(
                !findings.isEmpty() ? "Measure again" : marked ? "Measure this region" : "Measure the best passage");
        if (findings.isEmpty()) {
            heading.setText("Not measured yet");
            summary.setText(!model.canMeasure()
                    ? "Add a recording with the wanted sound first."
                    : marked
                            ? "The region on the Listen bench is ready to be measured."
                            : "No passage is marked yet: the best one is found by itself.");
        } else {
            heading.setText("What the recording shows");
            summary.setText(model.summary());
        }
        list.getChildren().clear();
        for (int i = 0; i < findings.size(); i++) list.getChildren().add(row(findings.get(i), i));
        showReason(model.chosen());
        verdict.show();
    }

    private HBox row(EvidenceSentences f, int index) {
        boolean open = f.presence() == Presence.UNKNOWN;
        Optional<Judgement> said = model.verdict(f.topic());
        boolean aside = said.filter(v -> v.state() == Judgement.State.SET_ASIDE).isPresent();
        Label mark = Nodes.label(open || aside ? "○" : "●", "reference-ink");
        mark.setMinWidth(15);
        Label topic = Nodes.label(f.topic(), "strong");
        topic.setMinWidth(86);
        Label sentence = Nodes.wrapped(f.sentence(), open || aside ? "quiet" : "finding");
        Label remark = Nodes.wrapped(f.remark(), "aside");
        VBox words = Nodes.column(1, sentence, remark);
        said.ifPresent(v -> words.getChildren().add(1, Nodes.label(switch (v.state()) {
            case ACCEPTED -> "◇ accepted by you";
            case CORRECTED -> "◇ corrected by you: " + v.figureWords();
            case SET_ASIDE -> "◇ set aside by you";
        }, "mine-ink", "small")));
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
        Label figure = Nodes.label(Figures.of("%.0f %%", 100 * share), "small");
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
        reason.setText(f.map(s -> s.reason().isEmpty() ? s.remark() : Sentence.begun(s.reason()) + ".").orElse(""));
    }
}
