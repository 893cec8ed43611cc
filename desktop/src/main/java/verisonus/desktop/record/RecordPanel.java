package verisonus.desktop.record;

import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ChoiceBox;
import javafx.scene.control.Label;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import verisonus.desktop.theme.Hint;
import verisonus.desktop.theme.Nodes;

/** Checks the input, records takes along with the region and offers them, the best first. */
public final class RecordPanel extends VBox {
    private final RecordModel model;
    private final VBox takes = new VBox(4);

    /** @param close puts the panel away */
    public RecordPanel(RecordModel model, Runnable close) {
        this.model = model;
        setSpacing(7);
        setPadding(new Insets(8, 0, 0, 0));
        Button check = button("check-input", "check the input", "listens for four seconds: play hard, then rest",
                model::check);
        Button latency = button("measure-latency", "measure latency",
                "join output and input by a cable, turn the level down, then press", model::measureLatency);
        ChoiceBox<Integer> wanted = new ChoiceBox<>();
        wanted.getItems().setAll(1, 2, 3, 4, 5);
        wanted.setValue(model.wanted().get());
        wanted.setOnAction(_ -> model.wanted().set(wanted.getValue()));
        wanted.setAccessibleText("how many takes in a row");
        CheckBox doubling = new CheckBox("to double the first take");
        Hint.on(doubling, "the kept take is heard on the left while you play its double");
        doubling.selectedProperty().bindBidirectional(model.doubling());
        Button record = button("record", "record", "four clicks, then the region; as many times as chosen",
                model::record);
        record.getStyleClass().add("first");
        Button live = button("play-live", "play live",
                "what comes in is heard through the tone of this case; the level starts low", model::toggleLive);
        model.playingLive().subscribe(on -> live.setText(on ? "stop playing live" : "play live"));
        Button done = Nodes.plain("done");
        done.setId("record-done");
        done.setOnAction(_ -> close.run());
        FlowPane line = new FlowPane(8, 6, check, latency, wanted, Nodes.label("takes", "quiet"), record, doubling,
                live, done);
        line.setAlignment(Pos.CENTER_LEFT);
        Label said = Nodes.wrapped("", "small");
        said.setId("record-said");
        said.textProperty().bind(model.checked());
        said.visibleProperty().bind(model.checked().isNotEmpty());
        said.managedProperty().bind(said.visibleProperty());
        Label caution = Nodes.wrapped("Listen on headphones: an open input and loudspeakers can howl. Start soft.",
                "quiet",
                "small");
        getChildren().addAll(Nodes.label("Record the dry take, along with the region", "strong"), line, said, takes,
                caution);
        model.desk().work().busy().subscribe(_ -> record.setDisable(model.desk().work().busy().get()));
        model.takes().subscribe(this::show);
        show();
    }

    private static Button button(String id, String words, String about, Runnable action) {
        Button out = new Button(words);
        out.setId(id);
        Hint.on(out, about);
        out.setOnAction(_ -> action.run());
        return out;
    }

    private void show() {
        takes.getChildren().clear();
        for (RecordModel.Take t : model.takes().get()) {
            Button keep = Nodes.plain("keep");
            Hint.on(keep, "puts it into the case as a dry take");
            keep.setOnAction(_ -> model.keep(t));
            Label name = Nodes.label((t.best() ? "◇ " : "") + "take " + (t.judged().index() + 1),
                    t.best() ? "mine-ink" : "label");
            name.setMinWidth(Region.USE_PREF_SIZE);
            HBox row = new HBox(8, name, keep, Nodes.wrapped(t.judged().words(), "quiet", "small"));
            row.setAlignment(Pos.CENTER_LEFT);
            takes.getChildren().add(row);
        }
    }
}
