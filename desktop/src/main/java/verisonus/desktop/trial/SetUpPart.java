package verisonus.desktop.trial;

import java.util.List;
import java.util.Optional;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;
import verisonus.core.trial.setup.SetUpWalk;
import verisonus.desktop.theme.FileDialogs;
import verisonus.desktop.theme.Hint;
import verisonus.desktop.theme.Nodes;

/** One control at a time on the real rig, ticked off; then what a recording of it says. */
final class SetUpPart extends VBox {
    private final SetUpModel model;
    private final VBox now = new VBox(4);
    private final FlowPane all = new FlowPane(16, 4);
    private final VBox turns = new VBox(3);
    private boolean whole;

    SetUpPart(SetUpModel model) {
        super(8);
        this.model = model;
        Button compare = EarNodes.button("compare-rig", "Hold a recording of the real rig against it…", this::compare);
        Hint.on(compare, "your take sent through the rig, or its phrase played again; about 10 s");
        getChildren().addAll(now, all, EarNodes.row(compare), turns, EarNodes.said(model.said()));
        model.steps().subscribe(_ -> show());
        model.ticked().subscribe(_ -> show());
        model.nudge().subscribe(_ -> turns());
    }

    private void compare() {
        FileDialogs.open(getScene().getWindow(), "A recording of the real rig", FileDialogs.RECORDINGS)
                .ifPresent(model::compare);
    }

    private void turns() {
        turns.getChildren().clear();
        for (String s : model.turns()) turns.getChildren().add(Nodes.wrapped(s, "strong"));
    }

    private void show() {
        now.getChildren().clear();
        List<SetUpWalk.Step> steps = model.steps().get();
        Optional<SetUpWalk.Step> next = model.next();
        if (steps.isEmpty()) {
            all.getChildren().clear();
            return;
        }
        if (next.isPresent()) {
            CheckBox box = box(next.get());
            box.setId("walk-next");
            box.getStyleClass().add("strong");
            now.getChildren().addAll(
                    Nodes.label("Step " + (model.done() + 1) + " of " + steps.size(), "quiet", "small"),
                    box);
            if (!next.get().listen().isEmpty()) now.getChildren().add(Nodes.wrapped(next.get().listen(), "aside"));
        } else {
            now.getChildren().add(Nodes.wrapped("Everything is set. Record it and hold it against the tone."));
        }
        Button more = EarNodes.plain("walk-all", whole ? "only the next one" : "all " + steps.size() + " steps", () -> {
            whole = !whole;
            show();
        });
        now.getChildren().add(more);
        all.getChildren().clear();
        all.setVisible(whole);
        all.setManaged(whole);
        if (whole) for (SetUpWalk.Step s : steps) all.getChildren().add(box(s));
    }

    private CheckBox box(SetUpWalk.Step s) {
        CheckBox out = new CheckBox(s.words());
        out.setSelected(model.isTicked(s));
        out.setMinWidth(280);
        out.setOnAction(_ -> model.tick(s, out.isSelected()));
        return out;
    }
}
