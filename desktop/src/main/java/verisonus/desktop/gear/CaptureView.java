package verisonus.desktop.gear;

import java.io.File;
import java.nio.file.Path;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Collectors;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import verisonus.core.work.Figures;
import verisonus.desktop.theme.FileDialogs;
import verisonus.desktop.theme.Hint;
import verisonus.desktop.theme.Nodes;

/** Captures a real amp in three steps: the signal out, recordings in, the nearest voicing. */
final class CaptureView extends VBox {
    private final CaptureModel model;
    private final VBox recordings = new VBox(2);
    private final TextField positions = new TextField();
    private final TextField name = new TextField();

    CaptureView(CaptureModel model) {
        super(6);
        this.model = model;
        Button signal = button("capture-signal", "save the test signal…", "twelve seconds of notes from soft to hard",
                () -> saved().ifPresent(f -> model.saveSignal(f.toPath())));
        Button own = button("capture-own", "or your own take…", "dry playing that went into the amp instead",
                () -> opened().ifPresent(f -> model.play(f.toPath())));
        positions.setId("capture-positions");
        positions.setPromptText("gain=3, treble=5");
        positions.setAccessibleText("where the amp's controls stood");
        positions.setPrefColumnCount(9);
        Button add = button("capture-add", "add a recording…",
                "what the amp made of it, by microphone or direct output, with its controls as written",
                () -> opened().ifPresent(f -> model.add(f.toPath(), positions.getText())));
        add.setMinWidth(USE_PREF_SIZE);
        Button find = button("capture-find", "find the nearest", "tries every voicing: about half a minute",
                model::find);
        name.setId("capture-name");
        name.setPromptText("what you call it");
        name.setAccessibleText("a name of your own for the amp");
        name.setPrefColumnCount(9);
        Button learn = button("capture-learn", "learn how it turns",
                "a minute or two: each control that was moved is followed, and your amp stands in the list of gear",
                () -> model.learn(name.getText()));
        learn.setMinWidth(USE_PREF_SIZE);
        HBox third = new HBox(6, name, learn);
        third.setAlignment(Pos.CENTER_LEFT);
        HBox second = new HBox(6, positions, add);
        second.setAlignment(Pos.CENTER_LEFT);
        Label said = Nodes.wrapped("", "small", "said");
        said.textProperty().bind(model.said());
        said.visibleProperty().bind(model.said().isNotEmpty());
        said.managedProperty().bind(said.visibleProperty());
        getChildren().addAll(Nodes.label("Learn my amp", "strong"), new FlowPane(6, 4, signal, own), second,
                recordings, find, third, said);
        model.taken().subscribe(this::show);
        show();
    }

    private static Button button(String id, String words, String about, Runnable action) {
        Button out = new Button(words);
        out.setId(id);
        out.getStyleClass().add("small");
        Hint.on(out, about);
        out.setOnAction(_ -> action.run());
        return out;
    }

    private Optional<File> opened() {
        return FileDialogs.open(getScene().getWindow(), "A recording of the amp").map(Path::toFile);
    }

    private Optional<File> saved() {
        return FileDialogs.save(getScene().getWindow(), "Write the test signal", "test-signal.wav").map(Path::toFile);
    }

    private void show() {
        recordings.getChildren().clear();
        for (CaptureModel.Taken t : model.taken().get()) {
            String at = new TreeMap<>(t.positions()).entrySet().stream()
                    .map(e -> Figures.of("%s %.1f", e.getKey(), e.getValue()))
                    .collect(Collectors.joining(", "));
            Button away = Nodes.plain("remove");
            away.getStyleClass().add("small");
            away.setOnAction(_ -> model.remove(t));
            HBox row = new HBox(6, Nodes.label(t.name() + (at.isEmpty() ? "" : ": " + at), "small"), away);
            row.setAlignment(Pos.CENTER_LEFT);
            recordings.getChildren().add(row);
        }
    }
}
