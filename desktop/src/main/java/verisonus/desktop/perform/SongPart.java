package verisonus.desktop.perform;

import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ChoiceBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import verisonus.casebook.exchange.PerformanceJson;
import verisonus.core.perform.song.SongMap;
import verisonus.core.perform.song.SwitchWay;
import verisonus.core.work.Figures;
import verisonus.desktop.theme.Choices;
import verisonus.desktop.theme.Hint;
import verisonus.desktop.theme.Nodes;

/** The song from left to right: sections with what is played in them, between them what the feet do. */
final class SongPart extends VBox {
    private final SongModel model;
    private final FlowPane sections = new FlowPane(0, 8);
    private final VBox words = new VBox(2);
    private final CheckBox oneMove = new CheckBox("one step of a foot changes everything");
    private final CheckBox tails = new CheckBox("repeats and space ring on through a change");
    private boolean filling;

    SongPart(SongModel model) {
        super(8);
        this.model = model;
        oneMove.setId("song-one-move");
        tails.setId("song-tails");
        Hint.on(oneMove, "off: every box is stepped on by itself");
        for (CheckBox c : new CheckBox[]{oneMove, tails}) c.setOnAction(_ -> {
            if (!filling)
                model.change(new SwitchWay(oneMove.isSelected(), oneMove.isSelected() ? 20 : 0, tails
                        .isSelected()));
        });
        FlowPane ways = new FlowPane(16, 4, oneMove, tails);
        Label said = Nodes.wrapped("", "small");
        said.managedProperty().bind(said.textProperty().isNotEmpty());
        model.said().subscribe(said::setText);
        getChildren().addAll(actions(), sections, ways, words, said);
        model.song().subscribe(_ -> show());
        model.map().subscribe(_ -> show());
        model.fewer().subscribe(_ -> show());
    }

    private Node actions() {
        Button read = new Button("Read the sections from the record");
        read.setId("read-sections");
        Hint.on(read, "where harmony, colour and loudness become other ones; what is there is replaced");
        read.setOnAction(_ -> model.readSections());
        TextField name = Nodes.field("", "name of the section");
        name.setPromptText("verse");
        name.setId("section-name");
        name.setPrefColumnCount(8);
        TextField length = Nodes.field("20", "length of the section, seconds");
        length.setId("section-length");
        length.setPrefColumnCount(3);
        Button add = new Button("Add a section");
        add.setId("add-section");
        add.setOnAction(_ -> model.add(name.getText(), length.getText()));
        Button drop = Nodes.plain("take the last away");
        drop.setId("drop-section");
        drop.setOnAction(_ -> model.dropLast());
        Button fewer = new Button("Which variant could go? about 4 s");
        fewer.setId("fewer-variants");
        fewer.setOnAction(_ -> model.findFewer());
        FlowPane out = new FlowPane(8, 4, read, name, length, Nodes.label("s", "quiet"), add, drop, fewer);
        out.setAlignment(Pos.CENTER_LEFT);
        return out;
    }

    private void show() {
        filling = true;
        PerformanceJson.Song s = model.song().get();
        oneMove.setSelected(s.way().oneMove());
        tails.setSelected(s.way().tailsGoOn());
        sections.getChildren().clear();
        // A map of the song as it was a moment ago says nothing of this one.
        Optional<SongMap> map = model.map().get().filter(m -> m.parts().size() == s.parts().size());
        for (int i = 0; i < s.parts().size(); i++) {
            int before = i - 1;
            if (i > 0) map.ifPresent(m -> sections.getChildren().add(between(m.changes().get(before))));
            sections.getChildren().add(section(i, s.parts().get(i)));
        }
        words.getChildren().clear();
        for (String w : model.words()) words.getChildren().add(Nodes.wrapped(w));
        boolean any = !s.parts().isEmpty();
        oneMove.setVisible(any);
        oneMove.setManaged(any);
        tails.setVisible(any);
        tails.setManaged(any);
        filling = false;
    }

    private Node section(int at, SongMap.Part p) {
        ChoiceBox<String> played = new ChoiceBox<>();
        played.getItems().setAll(model.choices());
        if (!played.getItems().contains(p.variant())) played.getItems().add(p.variant());
        played.setConverter(Choices.named(v -> v.isEmpty() ? "the tone" : v, ""));
        played.setValue(p.variant());
        played.setId("played-" + at);
        played.setAccessibleText("what is played in " + p.section().name());
        played.valueProperty().subscribe((was, v) -> {
            if (!filling && v != null && !v.equals(was)) model.play(at, v);
        });
        Label name = Nodes.label(p.section().name(), "strong");
        Label time = Nodes.label(Figures.of("%.1f – %.1f s", p.section().fromS(), p.section().toS()),
                "small", "quiet");
        VBox box = Nodes.column(1, name, time, played);
        box.getStyleClass().add("ruled-left");
        box.setPadding(new javafx.geometry.Insets(0, 10, 0, 8));
        return box;
    }

    private static Node between(SongMap.Change c) {
        Label moves = Nodes.label(c.moves() == 0 ? "stays" : c.moves() == 1 ? "1 move" : c.moves() + " moves", "small",
                c.moves() == 0 ? "quiet" : "gap-ink");
        Hint.on(moves, c.steps().isEmpty() ? "nothing changes" : String.join(", ", c.steps()));
        HBox out = new HBox(moves);
        out.setAlignment(Pos.CENTER);
        out.setPadding(new javafx.geometry.Insets(18, 12, 0, 0));
        return out;
    }
}
