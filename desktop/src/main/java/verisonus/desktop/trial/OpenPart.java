package verisonus.desktop.trial;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ChoiceBox;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;
import verisonus.core.trial.MatchedSounds;
import verisonus.desktop.theme.Choices;
import verisonus.desktop.theme.FileDialogs;
import verisonus.desktop.theme.Hint;
import verisonus.desktop.theme.Nodes;

/** Open comparison: what is chosen, laid side by side and switched by letters. */
final class OpenPart extends VBox {
    private final OpenModel model;
    private final FlowPane choices = new FlowPane(16, 6);
    private final VBox laid = new VBox(8);
    private final ChoiceBox<Around> around = new ChoiceBox<>();

    OpenPart(OpenModel model) {
        super(8);
        this.model = model;
        around.setId("trial-around");
        around.setAccessibleText("what stands round the guitar");
        around.setConverter(Choices.named(Around::words, Around.ALONE));
        around.valueProperty().subscribe(v -> {
            if (v != null) model.around().set(v);
        });
        Button lay = EarNodes.first("lay-open", "Lay them side by side", model::lay);
        Hint.on(lay, "as loud as each other over just the marked region; switched where the music stands");
        Button bring = EarNodes.plain("bring-candidate", "bring a recording of your own…", this::bring);
        Hint.on(bring, "of your own amp, say; it must begin with your take");
        getChildren().addAll(choices, EarNodes.row(lay, around, bring), laid, EarNodes.said(model.said()));
        model.candidates().all().subscribe(_ -> choose());
        model.laid().subscribe(_ -> show());
        model.marks().subscribe(_ -> show());
        model.desk().player().source().subscribe(_ -> show());
        model.desk().changes().subscribe(_ -> surroundings());
        model.desk().sounds().subscribe(_ -> surroundings());
    }

    private void surroundings() {
        Around was = Optional.ofNullable(around.getValue()).orElse(Around.ALONE);
        List<Around> can = new ArrayList<>();
        for (Around a : Around.values()) if (model.can(a)) can.add(a);
        around.getItems().setAll(can);
        around.setValue(can.contains(was) ? was : Around.ALONE);
        around.setVisible(can.size() > 1);
        around.setManaged(can.size() > 1);
    }

    private void bring() {
        FileDialogs
                .open(getScene().getWindow(), "A recording that begins with your take", FileDialogs.RECORDINGS)
                .ifPresent(model.candidates()::bring);
    }

    private void choose() {
        choices.getChildren().clear();
        for (Candidates.Offer o : model.candidates().all().get()) {
            CheckBox box = new CheckBox(o.name());
            box.setId("open-" + o.name().replace(' ', '-'));
            box.setSelected(model.isChosen(o.name()));
            box.setOnAction(_ -> model.choose(o.name(), box.isSelected()));
            choices.getChildren().add(box);
        }
    }

    private void show() {
        laid.getChildren().clear();
        Optional<MatchedSounds> m = model.laid().get();
        if (m.isEmpty()) return;
        List<Node> buttons = new ArrayList<>();
        for (int i = 0; i < m.get().candidates().size(); i++) {
            int place = i;
            buttons.add(
                    EarNodes.sound("hear-open-" + i, m.get().candidates().get(i).name() + " (" + letter(i) + ")", model
                            .heard() == i, () -> model.hear(place)));
        }
        Button only = EarNodes.button("only-difference", model.onlyWhatDiffers().get()
                ? "everything again (O)"
                : "only what differs (O)", model::toggleOnlyDifference);
        Button mark = EarNodes.button("mark-moment", "mark this moment (K)", model::mark);
        Hint.on(mark, "says what differs most there");
        Button where = EarNodes.button("largest-moments", "where do they differ most?", model::largest);
        laid.getChildren().addAll(EarNodes.row(buttons), EarNodes.row(only, mark, where, EarNodes.plain("leave-open",
                "take them away", model::leave)));
        for (String s : model.marks().get()) laid.getChildren().add(Nodes.wrapped(s));
    }

    private static String letter(int place) {
        return String.valueOf((char) ('A' + place));
    }

    /** Letters choose, K marks, O leaves only what differs. */
    boolean key(KeyCode code) {
        if (model.laid().get().isEmpty()) return false;
        int place = code.getName().length() == 1 ? code.getName().charAt(0) - 'A' : -1;
        if (code == KeyCode.K) model.mark();
        else if (code == KeyCode.O) model.toggleOnlyDifference();
        else if (place >= 0 && place < model.laid().get().get().candidates().size()) model.hear(place);
        else return false;
        return true;
    }
}
