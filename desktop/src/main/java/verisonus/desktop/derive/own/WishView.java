package verisonus.desktop.derive.own;

import java.util.List;
import javafx.beans.property.DoubleProperty;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.Slider;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import verisonus.core.perform.wish.Granted;
import verisonus.core.rig.Block;
import verisonus.core.rig.Control;
import verisonus.core.rig.ControlNames;
import verisonus.core.work.Figures;
import verisonus.desktop.theme.Hint;
import verisonus.desktop.theme.Nodes;

/** How should it sound? Words and two scales; then what was met, what was turned for it and what moved along. */
public final class WishView {
    private static final List<String> USUAL = List.of("brighter", "darker", "warmer", "less harsh", "less boxy",
            "more cut");

    /** The peak that a wish may take, see {@link verisonus.core.perform.wish.WishSolver}. */
    private static final int FREE_PEAK = 4;

    private final WishModel model;
    private final VBox body = new VBox(8);
    private final TextField words = new TextField();
    private final HBox dirt;
    private final HBox loudness;
    private final Label said = Nodes.wrapped("", "small", "said");

    public WishView(WishModel model) {
        this.model = model;
        words.setId("wish-words");
        words.setPromptText("brighter, less boxy …");
        words.setAccessibleText("what the tone shall be");
        words.textProperty().bindBidirectional(model.words());
        words.setOnAction(_ -> model.grant());
        dirt = scale("wish-dirt", "cleaner", "dirtier", 0.3, model.dirtBy());
        loudness = scale("wish-loudness", "softer", "louder", 6, model.louderLu());
        said.setId("wish-said");
        said.textProperty().bind(model.said());
        said.visibleProperty().bind(said.textProperty().isNotEmpty());
        said.managedProperty().bind(said.visibleProperty());
    }

    private static HBox scale(String id, String less, String more, double most, DoubleProperty value) {
        Slider slider = new Slider(-most, most, 0);
        slider.setId(id);
        slider.setAccessibleText(less + " or " + more);
        slider.setBlockIncrement(most / 10);
        slider.valueProperty().bindBidirectional(value);
        HBox.setHgrow(slider, Priority.ALWAYS);
        Label left = Nodes.label(less, "small");
        left.setMinWidth(48);
        HBox out = new HBox(8, left, slider, Nodes.label(more, "small"));
        out.setAlignment(Pos.CENTER_LEFT);
        return out;
    }

    /** The question with its answer, as they stand now. */
    public Node shown() {
        FlowPane usual = new FlowPane(10, 2);
        for (String w : USUAL) {
            Button b = Nodes.plain(w);
            b.getStyleClass().add("small");
            b.setOnAction(_ -> model.grant(w));
            usual.getChildren().add(b);
        }
        Button grant = new Button("Change it");
        grant.setId("grant");
        grant.getStyleClass().add("first");
        Hint.on(grant, "tries what helps most and harms least on your take, at the same loudness; takes some seconds");
        grant.setOnAction(_ -> model.grant());
        body.getChildren().setAll(words, usual, dirt, loudness, grant, said);
        model.standing().ifPresent(this::answer);
        return body;
    }

    private void answer(WishModel.Answer a) {
        for (Granted.Part p : a.granted().parts())
            body.getChildren().add(Nodes.wrapped(p.met()
                    ? "Done: " + p.wish() + "."
                    : Figures.read("Only part of the way (%.0f %%): ", 100 * p.reached() / p.wanted()) + p.wish() + ".",
                    p.met() ? "strong" : "gap-ink"));
        for (Granted.Change c : a.granted().changed())
            if (!isPlaceOfAFilter(a, c)) body.getChildren().add(Nodes.wrapped(changed(a, c), "small"));
        for (String s : a.granted().against()) body.getChildren().add(Nodes.wrapped(s + ".", "quiet", "small"));
        Button back = Nodes.plain("take it back");
        back.setId("wish-back");
        Hint.on(back, "Ctrl+Z");
        back.setOnAction(_ -> model.takeBack());
        body.getChildren().add(back);
    }

    /** A filter that was put in is named by its frequency already. */
    private static boolean isPlaceOfAFilter(WishModel.Answer a, Granted.Change c) {
        boolean added = a.tone().find(c.place().block()).isEmpty();
        return added && c.place().control().equals(ControlNames.peakFrequency(FREE_PEAK));
    }

    private String changed(WishModel.Answer a, Granted.Change c) {
        Block b = a.granted().tone().find(c.place().block()).orElseThrow();
        Control control = b.model().control(c.place().control());
        boolean added = a.tone().find(b.id()).isEmpty();
        var rig = model.session().rig();
        return b.model().name() + " " + rig.label(b, control.name()) + " "
                + (added ? "" : rig.display(b.model(), control, c.from()) + " → ")
                + rig.display(b.model(), control, c.to());
    }
}
