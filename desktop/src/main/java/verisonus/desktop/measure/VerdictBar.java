package verisonus.desktop.measure;

import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import verisonus.casebook.store.Judgement;
import verisonus.casebook.words.EvidenceSentences;
import verisonus.core.evidence.Correction;
import verisonus.desktop.theme.Hint;
import verisonus.desktop.theme.Nodes;

/** What the player says of the chosen finding: accepted, corrected by a figure, set aside. */
final class VerdictBar extends VBox {
    private final MeasureModel model;
    private final Button accept = Nodes.plain("accept");
    private final Button aside = Nodes.plain("set aside");
    private final TextField figure = Nodes.field("", "the right figure");
    private final Label unit = Nodes.label("", "quiet");
    private final HBox correction = new HBox(6, Nodes.label("it is", "quiet"), figure, unit);
    private final Label fault = Nodes.label("", "warned", "small");

    VerdictBar(MeasureModel model) {
        super(4);
        this.model = model;
        accept.setId("accept");
        Hint.on(accept, "I hear it too; pressed again, takes that back");
        accept.setOnAction(_ -> model.accept());
        aside.setId("set-aside");
        Hint.on(aside, "nothing shall rest on it; pressed again, takes that back");
        aside.setOnAction(_ -> model.setAside());
        figure.setId("right-figure");
        Hint.on(figure, "type the right figure and press Enter; a tone is then derived from yours");
        figure.setOnAction(_ -> typed());
        correction.setAlignment(Pos.CENTER_LEFT);
        HBox line = new HBox(8, accept, aside, correction);
        line.setAlignment(Pos.CENTER_LEFT);
        getChildren().addAll(line, fault);
    }

    private void typed() {
        double v;
        try {
            v = Double.parseDouble(figure.getText().strip().replace(',', '.'));
        } catch (NumberFormatException e) {
            v = Double.NaN;
        }
        fault.setText(model.correct(v) ? "" : "a figure that can be meant, please");
    }

    void show() {
        Optional<EvidenceSentences> f = model.chosen();
        setVisible(f.isPresent());
        Optional<Correction.Topic> topic = f.flatMap(s -> Correction.Topic.of(s.topic()));
        correction.setVisible(topic.isPresent());
        unit.setText(topic.map(Correction.Topic::unit).orElse(""));
        Optional<Judgement> said = f.flatMap(s -> model.verdict(s.topic()));
        accept.setText(said.filter(v -> v.state() == Judgement.State.ACCEPTED).isPresent() ? "accepted ◇" : "accept");
        aside.setText(
                said.filter(v -> v.state() == Judgement.State.SET_ASIDE).isPresent() ? "set aside ◇" : "set aside");
        figure.setText(said.filter(v -> v.figure().isPresent())
                .map(v -> String.valueOf(v.figure().getAsDouble())).orElse(""));
        fault.setText("");
    }
}
