package verisonus.desktop.perform;

import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;
import verisonus.desktop.theme.Hint;
import verisonus.desktop.theme.Nodes;

/** How loud may it be there, and how near is each sound to a part of the record? */
final class RoomPart extends VBox {
    RoomPart(RoomModel model) {
        super(8);
        TextField measured = field("room-measured", "what a meter read while the tone was played, dB(A)");
        TextField allowed = field("room-allowed", "what the room allows there, dB(A)");
        Button ask = new Button("Which is too loud?");
        ask.setId("room-ask");
        Hint.on(ask, "what each sound comes to there, and how far all must come down");
        ask.setOnAction(_ -> model.ceiling(measured.getText(), allowed.getText()));
        allowed.setOnAction(_ -> model.ceiling(measured.getText(), allowed.getText()));
        Button near = new Button("How near is each to the marked region?");
        near.setId("variant-near");
        Hint.on(near, "the tone and every variant against what is marked in Listen; about a second each");
        near.setOnAction(_ -> model.nearness());
        FlowPane line = new FlowPane(6, 4, Nodes.label("a meter reads, with the tone,", "quiet"), measured,
                Nodes.label("dB(A); the room allows", "quiet"), allowed, Nodes.label("dB(A)", "quiet"), ask);
        line.setAlignment(Pos.CENTER_LEFT);
        Label said = Nodes.wrapped("", "small");
        said.setId("room-said");
        said.managedProperty().bind(said.textProperty().isNotEmpty());
        model.said().subscribe(said::setText);
        getChildren().addAll(line, new FlowPane(near), said);
    }

    private static TextField field(String id, String accessible) {
        TextField out = Nodes.field("", accessible);
        out.setId(id);
        out.setPrefColumnCount(4);
        return out;
    }
}
