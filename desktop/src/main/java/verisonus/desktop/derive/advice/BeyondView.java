package verisonus.desktop.derive.advice;

import java.util.Map;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.layout.VBox;
import verisonus.core.advise.PlayingShare;
import verisonus.core.advise.Reach;
import verisonus.core.compare.GapAttribute;
import verisonus.core.work.Figures;
import verisonus.core.work.Sentence;
import verisonus.desktop.theme.Hint;
import verisonus.desktop.theme.Nodes;

/** What the rig cannot reach and which gear would, and what the hand makes rather than the gear. */
public final class BeyondView {
    private final AdviceModel model;
    private final VBox body = new VBox(6);

    public BeyondView(AdviceModel model) {
        this.model = model;
    }

    public Node shown() {
        Button reach = new Button("ask what the rig cannot reach (" + model.price(AdviceModel.Asked.REACH) + ")");
        reach.setId("ask-unreached");
        Hint.on(reach, "tries gear that you have not got on what still differs");
        reach.setOnAction(_ -> model.askReach());
        body.getChildren().setAll(reach);
        model.unreached().ifPresent(found -> {
            if (found.isEmpty()) {
                body.getChildren().add(Nodes.wrapped("Everything that would be heard is within reach.", "small"));
            }
            for (Reach.Unreached u : found)
                body.getChildren().add(Nodes.wrapped(Sentence.begun(u.words()) + ".", "small"));
        });
        Button playing = new Button("compare your takes (" + model.price(AdviceModel.Asked.PLAYING) + ")");
        playing.setId("ask-playing");
        Hint.on(playing, "plays two or more takes through this tone: how far they lie apart is yours");
        playing.setOnAction(_ -> model.askPlaying());
        VBox part = Nodes.padded(Nodes.column(6, Nodes.label("The playing's share", "heading"), playing), 14, 0, 0, 0);
        body.getChildren().add(part);
        String said = model.said().get();
        if (!said.isEmpty()) part.getChildren().add(Nodes.wrapped(said, "small", "said"));
        model.playing().ifPresent(s -> fill(part, s));
        return body;
    }

    private static void fill(VBox part, PlayingShare s) {
        part.getChildren().add(Nodes.wrapped("Through the same settings your takes lie apart by:", "quiet", "small"));
        s.floorJnd().entrySet().stream().sorted(Map.Entry.<GapAttribute, Double>comparingByValue().reversed()).limit(6)
                .forEach(e -> part.getChildren().add(Nodes.label(
                        Figures.of("%.1f JND   %s", e.getValue(), e.getKey().words()), "small",
                        "figure")));
        for (String d : s.differences()) part.getChildren().add(Nodes.wrapped(Sentence.begun(d) + ".", "small"));
    }
}
