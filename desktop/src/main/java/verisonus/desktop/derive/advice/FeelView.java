package verisonus.desktop.derive.advice;

import java.util.Optional;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import verisonus.core.compare.GapRow;
import verisonus.core.feel.SaturationShift;
import verisonus.core.simulate.StageSaturation;
import verisonus.core.work.Figures;
import verisonus.core.work.Sentence;
import verisonus.desktop.derive.gap.GapRows;
import verisonus.desktop.theme.Hint;
import verisonus.desktop.theme.Nodes;
import verisonus.desktop.theme.Theme;

/** The touch curve, the feel against the reference, where the dirt is made and how to make it elsewhere. */
public final class FeelView {
    private final AdviceModel model;
    private final Theme theme;
    private final VBox body = new VBox(6);

    public FeelView(AdviceModel model, Theme theme) {
        this.model = model;
        this.theme = theme;
    }

    public Node shown() {
        Optional<AdviceModel.Fingers> found = model.fingers();
        Button ask = new Button((found.isPresent() ? "feel it out again (" : "feel it out (")
                + model.price(AdviceModel.Asked.FEEL) + ")");
        ask.setId("ask-fingers");
        Hint.on(ask, "plays the tone from soft to hard and compares it with the reference");
        ask.setOnAction(_ -> model.askFeel());
        body.getChildren().setAll(ask);
        found.ifPresent(this::fill);
        return body;
    }

    private void fill(AdviceModel.Fingers f) {
        TouchView touch = new TouchView(theme, f.feel().touch());
        touch.setPrefHeight(120);
        touch.setMinHeight(120);
        body.getChildren().addAll(Nodes.label("soft to hard: ◇ level out   ▪ dirt", "quiet", "small"), touch,
                Nodes.wrapped(Sentence.begun(f.feel().touch().words()) + ".", "small"));
        Button like = Nodes.plain("this is how I like it");
        like.setId("like-this");
        like.getStyleClass().add("small");
        Hint.on(like, "keeps this feel; later tones are held against it");
        like.setOnAction(_ -> model.likeThis());
        body.getChildren().add(like);
        for (String a : model.againstLiking())
            body.getChildren().add(Nodes.wrapped("It " + a + ".", "small",
                    "said"));
        if (!f.feel().uncompared().isEmpty())
            body.getChildren()
                    .add(Nodes.wrapped("Not compared with the recording: " + f.feel().uncompared() + ".", "small",
                            "said"));
        for (GapRow r : f.feel().rows()) body.getChildren().add(row(r));
        title("Where the dirt is made");
        for (int i = 0; i < f.hard().stages().size(); i++) {
            StageSaturation.Stage hard = f.hard().stages().get(i);
            StageSaturation.Stage soft = f.soft().stages().get(i);
            body.getChildren().add(pair(hard.block().equals("drive") ? "drive" : hard.block() + ", " + hard.name(),
                    Figures.of("soft %.0f %%   hard %.0f %%", 100 * soft.share(), 100 * hard.share())));
        }
        if (f.shifts().isEmpty()) return;
        title("The same dirt elsewhere");
        int n = 0;
        for (SaturationShift.Shift s : f.shifts()) {
            Button show = Nodes.plain("show me");
            show.setId("shift-" + ++n);
            show.getStyleClass().add("small");
            show.setMinWidth(Region.USE_PREF_SIZE);
            show.setOnAction(_ -> model.shift(s));
            Label words = Nodes.wrapped(s.words(), "small");
            HBox.setHgrow(words, Priority.ALWAYS);
            words.setMaxWidth(Double.MAX_VALUE);
            HBox line = new HBox(8, words, show);
            line.setAlignment(Pos.TOP_LEFT);
            body.getChildren().add(line);
        }
    }

    private void title(String words) {
        body.getChildren().add(Nodes.padded(Nodes.label(words, "strong", "small"), 8, 0, 0, 0));
    }

    private VBox row(GapRow r) {
        boolean heard = r.audibility() >= 1;
        VBox out = new VBox(pair(r.attribute().words(), Figures.of("%.1f JND", r.audibility())),
                Nodes.label(Figures.of("%s → %s %s", GapRows.figure(r.reference(), r.unit()),
                        GapRows.figure(r.candidate(), r.unit()), r.unit()), "quiet", "small", "figure"));
        if (heard) out.getChildren().add(Nodes.wrapped(r.advice(), "small", "said"));
        return out;
    }

    private static HBox pair(String what, String figures) {
        Region space = new Region();
        HBox.setHgrow(space, Priority.ALWAYS);
        Label right = Nodes.label(figures, "small", "figure");
        right.setMinWidth(Region.USE_PREF_SIZE);
        Label left = Nodes.label(what, "small");
        left.setMinWidth(Region.USE_PREF_SIZE);
        HBox out = new HBox(8, left, space, right);
        out.setPadding(new Insets(1, 0, 1, 0));
        return out;
    }
}
