package verisonus.desktop.derive.advice;

import java.util.List;
import java.util.Optional;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.geometry.VPos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import verisonus.casebook.store.DerivedTone;
import verisonus.casebook.store.Remarks;
import verisonus.core.advise.Move;
import verisonus.core.search.ControlTrade;
import verisonus.core.work.Figures;
import verisonus.desktop.theme.Hint;
import verisonus.desktop.theme.Nodes;

/** The moves that bring the tone nearer, or that a word asks for; each can be made, measured and taken back. */
public final class NextView {
    private static final int MOST = 7;
    private static final double UNHEARD_JND = 0.5;

    private final AdviceModel model;
    private final VBox body = new VBox(6);
    private final TextField word = new TextField();

    public NextView(AdviceModel model) {
        this.model = model;
        word.setId("word");
        word.setPromptText("too boxy, needs air …");
        word.setAccessibleText("say what is wrong with the tone");
        word.setOnAction(_ -> model.findMoves(word.getText()));
    }

    public Node shown() {
        Button find = new Button("find the next move (" + model.price(AdviceModel.Asked.MOVES) + ")");
        find.setId("find-moves");
        Hint.on(find, "tries every control a little, on the take (G)");
        find.setOnAction(_ -> model.findMoves());
        find.setMinWidth(Region.USE_PREF_SIZE);
        Label together = Nodes.label(
                model.session().tone().filter(t -> t.gap().isMeasured())
                        .map(t -> Figures.of("all together %.1f JND", t.gap().distanceJnd())).orElse(""),
                "quiet", "small");
        FlowPane ask = new FlowPane(10, 2, find, together);
        ask.setRowValignment(VPos.CENTER);
        HBox say = new HBox(8, Nodes.label("or say it:", "small"), word);
        HBox.setHgrow(word, Priority.ALWAYS);
        say.setAlignment(Pos.CENTER_LEFT);
        body.getChildren().setAll(ask, say);
        String said = model.said().get();
        if (!said.isEmpty()) {
            Label answer = Nodes.wrapped(said, "small", "said");
            answer.setId("move-said");
            body.getChildren().add(answer);
        }
        Optional<List<Move>> moves = model.moves();
        moves.ifPresent(this::list);
        model.session().tone().map(DerivedTone::remarks).ifPresent(this::remarks);
        return body;
    }

    private void list(List<Move> moves) {
        if (moves.isEmpty()) {
            body.getChildren().add(Nodes.wrapped("No single move would bring it nearer.", "quiet"));
        } else if (moves.get(0).gainJnd() < UNHEARD_JND) {
            body.getChildren().add(Nodes.wrapped("None of these would be heard in a blind test.", "small", "said"));
        }
        int n = 0;
        for (Move m : moves.subList(0, Math.min(MOST, moves.size()))) body.getChildren().add(line(m, ++n));
    }

    private VBox line(Move m, int number) {
        Label gain = Nodes.label(Figures.read("%+.1f JND", -m.gainJnd()), "strong");
        gain.setMinWidth(Region.USE_PREF_SIZE);
        Hint.on(gain, "how all differences together would change");
        Label what = Nodes.wrapped(m.words(model.session().rig()), "small");
        HBox.setHgrow(what, Priority.ALWAYS);
        what.setMaxWidth(Double.MAX_VALUE);
        Button show = Nodes.plain("show me");
        show.setId("show-" + number);
        show.getStyleClass().add("small");
        show.setMinWidth(Region.USE_PREF_SIZE);
        Hint.on(show, "makes the move and measures it; Ctrl+Z takes it back");
        show.setOnAction(_ -> model.show(m));
        HBox top = new HBox(8, gain, what, show);
        top.setAlignment(Pos.BASELINE_LEFT);
        VBox out = Nodes.column(0, top);
        out.getStyleClass().add("ruled-below");
        out.setPadding(new Insets(3, 0, 3, 0));
        return out;
    }

    private void remarks(Remarks r) {
        if (!r.enough().isEmpty()) part("When to stop", List.of(r.enough()));
        if (!r.ties().isEmpty()) part("Can be traded", r.ties().stream().map(ControlTrade::words).toList());
        if (!r.start().isEmpty()) {
            part("Nearest known tone: " + r.start(), r.changed().isEmpty()
                    ? List.of("nothing changed from it")
                    : List.of(String.join(", ", r.changed())));
        }
    }

    private void part(String title, List<String> lines) {
        body.getChildren().add(Nodes.padded(Nodes.wrapped(title, "strong", "small"), 8, 0, 0, 0));
        for (String l : lines) body.getChildren().add(Nodes.wrapped(l, "quiet", "small"));
    }
}
