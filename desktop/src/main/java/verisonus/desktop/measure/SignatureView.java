package verisonus.desktop.measure;

import java.util.List;
import java.util.Optional;
import javafx.geometry.HPos;
import javafx.geometry.Insets;
import javafx.scene.control.Label;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.VBox;
import verisonus.core.evidence.words.Signature;
import verisonus.core.evidence.words.Trait;
import verisonus.core.work.Figures;
import verisonus.desktop.theme.Nodes;

/** What the case's references have in common: what stays is the signature, what differs belongs to one recording. */
final class SignatureView extends VBox {
    SignatureView(MeasureModel model) {
        super(10);
        setPadding(new Insets(6, 22, 10, 22));
        Optional<Signature> found = model.signature();
        if (found.isEmpty()) {
            getChildren()
                    .add(Nodes.wrapped("Two references, each with a measured region, show what is constant and what"
                            + " belongs to one recording.", "quiet"));
            return;
        }
        Signature s = found.get();
        List<MeasureModel.Measured> of = model.firstOfEach();
        getChildren().add(Nodes.wrapped(Figures.of("Follow “%s”: it lies nearest to what all have in common,"
                + " %.1f steps that are clearly heard, in the mean.",
                of.get(s.follow()).medium().title(),
                s.distance()[s.follow()]), "heading"));
        GridPane grid = new GridPane(18, 5);
        String[] heads = {"", "in common", "from least to most", ""};
        for (int i = 0; i < heads.length; i++) grid.add(Nodes.label(heads[i], "quiet", "small"), i, 0);
        for (int i = 0; i < of.size(); i++) {
            grid.add(Nodes.label(of.get(i).medium().title(), "quiet", "small"), 4 + i, 0);
        }
        int row = 1;
        for (Signature.Row r : s.rows()) {
            grid.add(Nodes.label(r.trait().words(), "strong"), 0, row);
            grid.add(right(figure(r.common(), r.trait()) + " " + r.trait().unit()), 1, row);
            grid.add(right(figure(r.spread(), r.trait())), 2, row);
            grid.add(
                    Nodes.label(r.isConstant() ? "● constant" : "○ differs",
                            r.isConstant() ? "reference-ink" : "quiet"),
                    3, row);
            for (int i = 0; i < r.values().length; i++) grid.add(right(figure(r.values()[i], r.trait())), 4 + i, row);
            row++;
        }
        getChildren().add(grid);
    }

    private static Label right(String text) {
        Label out = Nodes.label(text);
        GridPane.setHalignment(out, HPos.RIGHT);
        return out;
    }

    private static String figure(double v, Trait t) {
        if (Double.isNaN(v)) return "–";
        return Figures.read(t.step() < 0.5 ? "%.2f" : "%.1f", v);
    }
}
