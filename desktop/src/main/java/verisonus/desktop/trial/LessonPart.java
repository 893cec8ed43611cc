package verisonus.desktop.trial;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.scene.Node;
import javafx.scene.control.CheckBox;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.VBox;
import verisonus.core.trial.train.Exercise;
import verisonus.core.trial.train.Score;
import verisonus.core.trial.train.Skill;
import verisonus.desktop.theme.Nodes;
import verisonus.desktop.theme.Theme;
import verisonus.desktop.trial.drawn.ScoreDrawing;

/** Training: what to train, the questions, and how it went over time. */
final class LessonPart extends VBox implements Asking {
    /** Beside each other on the keyboard, away from those that play. */
    private static final KeyCode[] KEYS = {KeyCode.U, KeyCode.I, KeyCode.O, KeyCode.P};

    private final LessonModel model;
    private final ScoreDrawing drawing;
    private final VBox standings = new VBox(2);

    LessonPart(LessonModel model, Theme theme) {
        super(8);
        this.model = model;
        drawing = new ScoreDrawing(theme);
        List<Node> boxes = new ArrayList<>();
        for (Skill s : Skill.values()) {
            CheckBox box = new CheckBox(s.question());
            box.setId("train-" + s.name().toLowerCase(Locale.ROOT));
            box.setSelected(model.trains(s));
            box.setOnAction(_ -> model.train(s, box.isSelected()));
            boxes.add(box);
        }
        getChildren().addAll(EarNodes.row(boxes), EarNodes.row(EarNodes.button("begin-training", "Train on this tone",
                model::begin)), drawing, standings, EarNodes.said(model.said()));
        model.scores().subscribe(_ -> show());
    }

    private void show() {
        List<Score> all = model.scores().get();
        drawing.show(all);
        standings.getChildren().clear();
        Score.standings(all).forEach((skill, list) -> {
            standings.getChildren().add(Nodes.label(skill.question(), "strong"));
            for (Score.Standing s : list)
                standings.getChildren().add(Nodes.wrapped(s.words(skill == Skill.BAND).replace('/', ' ')));
        });
    }

    /** Calls back whenever the question must be shown anew. */
    void changed(Runnable what) {
        model.exercise().subscribe(_ -> what.run());
        model.verdict().subscribe(_ -> what.run());
    }

    @Override
    public ReadOnlyBooleanProperty running() {
        return model.running();
    }

    @Override
    public String heading() {
        return model.exercise().get().map(Exercise::question).orElse("The first question is being played.");
    }

    @Override
    public void ask(VBox into) {
        model.exercise().get().ifPresent(e -> {
            int heard = model.heardPlace();
            into.getChildren()
                    .add(EarNodes.row(EarNodes.sound("hear-before", "before (B)", heard == 0, () -> model.hear(
                            0)), EarNodes.sound("hear-after", "after (A)", heard == 1, () -> model.hear(1))));
            List<Node> choices = new ArrayList<>();
            for (int i = 0; i < e.choices().size(); i++) {
                int choice = i;
                choices.add(EarNodes.button("exercise-" + i, e.choices().get(i).replace('/', ' ') + " (" + KEYS[i]
                        .getName() + ")", () -> model.answer(choice)));
            }
            into.getChildren().addAll(Nodes.label("What was it?", "strong"), EarNodes.row(choices));
        });
        into.getChildren().addAll(EarNodes.saying(model.verdict()), EarNodes.row(EarNodes.plain("end-training",
                "enough for today", model::end)));
    }

    @Override
    public boolean key(KeyCode code) {
        if (code == KeyCode.B) model.hear(0);
        else if (code == KeyCode.A) model.hear(1);
        else {
            int choice = List.of(KEYS).indexOf(code);
            if (choice < 0) return false;
            model.answer(choice);
        }
        return true;
    }
}
