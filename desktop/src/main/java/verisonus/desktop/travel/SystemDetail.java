package verisonus.desktop.travel;

import java.util.Optional;
import javafx.geometry.Pos;
import javafx.geometry.VPos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import verisonus.core.rig.Tone;
import verisonus.core.travel.TravelFinding;
import verisonus.core.travel.Travelled;
import verisonus.core.travel.system.PlaybackSystem;
import verisonus.core.travel.system.SystemSound;
import verisonus.core.travel.trim.CabinetCheck;
import verisonus.core.travel.trim.Trim;
import verisonus.core.travel.trim.TrimWords;
import verisonus.core.work.Figures;
import verisonus.desktop.desk.HeardOn;
import verisonus.desktop.theme.FileDialogs;
import verisonus.desktop.theme.Hint;
import verisonus.desktop.theme.Nodes;
import verisonus.desktop.theme.Theme;

/** One system closely: what arrives there, what becomes of the tone, what to turn, what was heard. */
final class SystemDetail extends HBox {
    private static final int MOST_SENTENCES = 6;

    private final TravelModel model;
    private final ResponsePlot plot;
    private final Label name = Nodes.label("", "heading");
    private final VBox sentences = new VBox(2);
    private final Label trim = Nodes.wrapped("");
    private final Label cabinet = Nodes.wrapped("", "small", "gap-ink");
    private final Label limits = Nodes.wrapped("", "small", "quiet");
    private final ToggleButton hear = new ToggleButton("hear it there");
    private final ToggleButton hearTrimmed = new ToggleButton("hear it turned");
    private final Button find = new Button("Find what to turn");
    private final Button remove = Nodes.plain("remove it");
    private final Button drop = Nodes.plain("drop it");
    private final TextField note = new TextField();

    SystemDetail(TravelModel model, Theme theme) {
        super(26);
        this.model = model;
        plot = new ResponsePlot(theme);
        hear.setId("hear-there");
        hear.getStyleClass().add("plain");
        Hint.on(hear,
                "everything is heard as this system plays it; once more: as it is. It starts low and never jumps");
        hearTrimmed.setId("hear-turned");
        hearTrimmed.getStyleClass().add("plain");
        Hint.on(hearTrimmed, "mine with what is turned for this system");
        find.setId("find-trim");
        Hint.on(find, "tries amp, microphone and a few filters; each has to earn its place; rendered and measured");
        drop.setId("drop-trim");
        note.setId("travel-note");
        note.setPromptText("what is heard there, in your words");
        note.setAccessibleText("what is heard on this system");
        hear.setOnAction(_ -> shown().ifPresent(s -> model.hear(hear.isSelected() ? Optional.of(s) : Optional.empty(),
                false)));
        hearTrimmed.setOnAction(_ -> shown().ifPresent(s -> model.hear(Optional.of(s), hearTrimmed.isSelected())));
        find.setOnAction(_ -> shown().ifPresent(model::findTrim));
        drop.setOnAction(_ -> shown().ifPresent(model::dropTrim));
        note.setOnAction(_ -> keepNote());
        note.focusedProperty().subscribe(focused -> {
            if (!focused) keepNote();
        });
        Button export = Nodes.plain("export its response");
        export.setId("export-system");
        export.setOnAction(_ -> shown().ifPresent(this::export));
        remove.setId("remove-system");
        remove.setOnAction(_ -> shown().ifPresent(model::remove));
        FlowPane head = new FlowPane(14, 2, name, hear, export, remove);
        head.setRowValignment(VPos.BASELINE);
        HBox turning = new HBox(10, find, hearTrimmed, drop);
        turning.setAlignment(Pos.CENTER_LEFT);
        VBox words = Nodes.column(8, head, limits, sentences, cabinet,
                Nodes.column(4, Nodes.label("What to turn", "strong"), trim, turning),
                Nodes.column(4, Nodes.label("Heard there", "strong"), note));
        HBox.setHgrow(words, Priority.ALWAYS);
        getChildren().addAll(plot, words);
        model.desk().heardOn().subscribe(this::showHeard);
        model.trims().subscribe(this::show);
        model.notes().subscribe(this::show);
    }

    private Optional<PlaybackSystem> shown() {
        return model.shown().map(Travelled::system);
    }

    private void export(PlaybackSystem s) {
        FileDialogs.save(getScene().getWindow(), "Export the response", s.id() + ".csv")
                .ifPresent(f -> model.export(s, f));
    }

    private void keepNote() {
        shown().ifPresent(s -> model.note(s, note.getText()));
    }

    void show() {
        Optional<Travelled> t = model.shown();
        setVisible(t.isPresent());
        plot.show(t);
        sentences.getChildren().clear();
        if (t.isEmpty()) return;
        PlaybackSystem s = t.get().system();
        name.setText(s.name());
        t.get().details().stream().limit(MOST_SENTENCES).forEach(f -> sentences.getChildren().add(sentence(f)));
        if (t.get().details().isEmpty()) sentences.getChildren().add(Nodes.wrapped("The tone stays as it was made."));
        Optional<Tone> tone = model.desk().open().get().flatMap(o -> o.tone()).map(d -> d.tone());
        String check = tone.map(x -> CabinetCheck.of(x, s).words()).orElse("");
        shown(cabinet, check);
        shown(limits, s.notes());
        Optional<Trim> kept = model.trim(s);
        trim.setText(kept.map(k -> TrimWords.of(k, model.desk().rig().get())
                + (model.isCurrent(k) ? "" : " (found for the tone as it was before: find it again)"))
                .orElse(t.get().advice().isEmpty()
                        ? "nothing"
                        : "by rule of thumb: " + String.join("; ",
                                t.get().advice())));
        remove.setVisible(model.isOwn(s));
        drop.setVisible(kept.isPresent());
        hearTrimmed.setVisible(kept.filter(k -> !k.isEmpty()).isPresent());
        find.setText(kept.isPresent() ? "Find it again" : "Find what to turn");
        if (!note.isFocused()) note.setText(model.notes().get().getOrDefault(s.id(), ""));
        showHeard();
    }

    private static void shown(Label label, String text) {
        label.setText(text);
        label.setVisible(!text.isEmpty());
        label.setManaged(!text.isEmpty());
    }

    private static HBox sentence(TravelFinding f) {
        Label jnd = Nodes.label(Figures.of("%.0f JND", f.jnd()), "quiet", "small");
        jnd.setMinWidth(52);
        jnd.setAlignment(Pos.TOP_RIGHT);
        Label words = Nodes.wrapped(f.sentence(), f.kind() == TravelFinding.Kind.GAP ? "quiet" : "ink");
        HBox.setHgrow(words, Priority.ALWAYS);
        return new HBox(10, jnd, words);
    }

    private void showHeard() {
        Optional<HeardOn> on = model.desk().heardOn().get();
        boolean here = on.isPresent() && shown().filter(s -> s.id().equals(on.get().system().id())).isPresent();
        hear.setSelected(here);
        hearTrimmed.setSelected(here && on.get().trim().isPresent());
        if (here && on.get().listenedOn().isPresent()) {
            int limited = SystemSound.limitedHz(on.get().listenedOn().get()).size();
            if (limited > 0)
                shown(limits, Figures.of(
                        "%d narrow bands lie beyond what can be taken out of the %s safely: there it sounds as that does",
                        limited, on.get().listenedOn().get().name()));
        }
    }
}
