package verisonus.desktop.measure;

import java.util.List;
import java.util.Optional;
import javafx.geometry.Insets;
import javafx.scene.control.ChoiceBox;
import javafx.scene.control.Label;
import javafx.scene.layout.ColumnConstraints;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.VBox;
import verisonus.casebook.words.EvidenceSentences;
import verisonus.desktop.theme.Choices;
import verisonus.desktop.theme.Nodes;

/** Findings of two measured regions or recordings, topic by topic. */
final class SideBySide extends VBox {
    private final GridPane grid = new GridPane(18, 8);

    SideBySide(MeasureModel model) {
        super(10);
        setPadding(new Insets(6, 22, 10, 22));
        List<MeasureModel.Measured> all = model.measured();
        if (all.size() < 2) {
            getChildren()
                    .add(Nodes.wrapped("Measure a second region, of this reference or another one, to set it beside.",
                            "quiet"));
            return;
        }
        ChoiceBox<MeasureModel.Measured> left = choice(all, 0, "left side");
        ChoiceBox<MeasureModel.Measured> right = choice(all, 1, "right side");
        left.setOnAction(_ -> fill(left.getValue(), right.getValue()));
        right.setOnAction(_ -> fill(left.getValue(), right.getValue()));
        ColumnConstraints topic = new ColumnConstraints(86);
        ColumnConstraints half = new ColumnConstraints();
        half.setPercentWidth(44);
        grid.getColumnConstraints().addAll(topic, half, half);
        grid.add(left, 1, 0);
        grid.add(right, 2, 0);
        getChildren().add(grid);
        fill(left.getValue(), right.getValue());
    }

    private static ChoiceBox<MeasureModel.Measured> choice(List<MeasureModel.Measured> all, int first, String about) {
        ChoiceBox<MeasureModel.Measured> box = new ChoiceBox<>();
        box.getItems().setAll(all);
        box.setConverter(Choices.named(MeasureModel.Measured::words, all.get(0)));
        box.setValue(all.get(first));
        box.setAccessibleText(about);
        return box;
    }

    private void fill(MeasureModel.Measured left, MeasureModel.Measured right) {
        grid.getChildren().removeIf(n -> GridPane.getRowIndex(n) > 0);
        int row = 1;
        for (EvidenceSentences f : left.measurement().findings()) {
            Optional<EvidenceSentences> other = right.measurement().findings().stream()
                    .filter(o -> o.topic().equals(f.topic())).findFirst();
            Label topic = Nodes.label(f.topic(), "strong");
            grid.add(topic, 0, row);
            grid.add(Nodes.wrapped(f.sentence()), 1, row);
            String said = other.map(EvidenceSentences::sentence).orElse("–");
            grid.add(Nodes.wrapped(said.equals(f.sentence()) ? "the same" : said,
                    said.equals(f.sentence()) ? "quiet" : "label"), 2, row);
            row++;
        }
    }
}
