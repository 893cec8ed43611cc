package verisonus.desktop.measure;

import java.util.List;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.ChoiceBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import verisonus.core.evidence.words.Trait;
import verisonus.core.evidence.words.Word;
import verisonus.core.work.Figures;
import verisonus.desktop.theme.Choices;
import verisonus.desktop.theme.Hint;
import verisonus.desktop.theme.Nodes;

/** Words for sounds: which fit, what each rests on, limits to change, and new ones to teach by two examples. */
final class WordsView extends VBox {
    private final MeasureModel model;
    private final Label said = Nodes.wrapped("", "quiet", "small");

    WordsView(MeasureModel model) {
        super(8);
        this.model = model;
        setPadding(new Insets(6, 22, 10, 22));
        List<Word.Fit> fits = model.words();
        getChildren().add(Nodes.label(fits.isEmpty() ? "No word fits yet" : "Words that fit", "strong"));
        for (Word.Fit f : fits) getChildren().add(line(f.word(), true));
        getChildren().add(teach());
        getChildren().add(said);
        getChildren().add(Nodes.label("The other words", "strong"));
        for (Word w : model.desk().book().judgements().vocabulary()) {
            if (fits.stream().noneMatch(f -> f.word().equals(w))) getChildren().add(line(w, false));
        }
    }

    private HBox line(Word w, boolean fits) {
        Label name = Nodes.label((fits ? "● " : "") + w.name(), fits ? "reference-ink" : "label");
        name.setMinWidth(96);
        HBox out = new HBox(8, name);
        out.setAlignment(Pos.CENTER_LEFT);
        for (Word.Condition c : w.conditions()) {
            TextField limit = Nodes.field(figure(c.limit(), c.trait()), w.name() + ", limit of " + c.trait().words());
            limit.setPrefColumnCount(4);
            Hint.on(limit, "change the limit and press Enter");
            limit.setOnAction(_ -> change(w, c, limit));
            out.getChildren().addAll(
                    Nodes.label(c.trait().words() + (c.above() ? " over" : " under"), "quiet", "small"),
                    limit, Nodes.label(c.trait().unit(), "quiet", "small"));
        }
        Button forget = Nodes.plain("take out");
        forget.setOnAction(_ -> model.forget(w));
        Hint.on(forget, "takes the word out of the vocabulary; Ctrl+Z brings it back");
        out.getChildren().addAll(Nodes.label(w.taught() ? "taught by you" : "", "mine-ink", "small"), forget);
        return out;
    }

    private void change(Word w, Word.Condition c, TextField field) {
        try {
            double v = Double.parseDouble(field.getText().strip().replace(',', '.').replace('−', '-'));
            model.change(w, c, new Word.Condition(c.trait(), c.above(), v));
        } catch (NumberFormatException e) {
            field.setText(figure(c.limit(), c.trait()));
        }
    }

    private static String figure(double v, Trait t) {
        return Figures.read(t.step() < 0.5 ? "%.2f" : "%.1f", v);
    }

    private HBox teach() {
        List<MeasureModel.Measured> others = model.measured().stream().filter(m -> model.desk().open().get()
                .flatMap(o -> o.region()).filter(r -> r.id() == m.region().id()).isEmpty()).toList();
        TextField name = Nodes.field("", "the new word");
        name.setId("new-word");
        name.setPrefColumnCount(9);
        ChoiceBox<MeasureModel.Measured> without = new ChoiceBox<>();
        without.getItems().setAll(others);
        without.setAccessibleText("the example without it");
        Button teach = new Button("Teach");
        teach.setDisable(others.isEmpty());
        HBox out = new HBox(8, Nodes.label("teach", "quiet"), name,
                Nodes.label("this region has it,", "quiet", "small"),
                without, Nodes.label("has not", "quiet", "small"), teach);
        out.setAlignment(Pos.CENTER_LEFT);
        if (others.isEmpty()) {
            said.setText("A new word is taught by two measured regions, one with it and one without.");
        } else {
            without.setConverter(Choices.named(MeasureModel.Measured::words, others.get(0)));
            without.setValue(others.get(0));
        }
        teach.setOnAction(_ -> said.setText(model.teach(name.getText(), Word.About.COLOUR, without.getValue())));
        return out;
    }
}
