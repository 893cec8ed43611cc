package verisonus.desktop.trial;

import java.io.File;
import java.util.Optional;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.scene.control.ChoiceBox;
import javafx.scene.control.Label;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.VBox;
import javafx.stage.DirectoryChooser;
import verisonus.casebook.store.ListeningShelf.Kept;
import verisonus.core.trial.rate.Picking;
import verisonus.core.work.Figures;
import verisonus.desktop.theme.Choices;
import verisonus.desktop.theme.Nodes;

/** Picking among what is owned without its names. */
final class PickingPart extends VBox implements Asking {
    private final PickingModel model;
    private final Label said;

    PickingPart(PickingModel model) {
        super(8);
        this.model = model;
        said = EarNodes.said(model.said());
        model.current().subscribe(_ -> show());
        model.running().subscribe(_ -> show());
    }

    private void show() {
        getChildren().clear();
        if (model.running().get()) return;
        Optional<Kept<Picking>> now = model.current().get();
        now.filter(k -> k.value().isEnded()).ifPresent(k -> getChildren().addAll(Nodes.wrapped("You kept " + k.value()
                .words()),
                Nodes.wrapped("What you keep is taken for a likelihood that grows with each part of the sound;"
                        + " what the answers leave open is in the percentages.", "quiet", "small")));
        boolean left = now.filter(k -> !k.value().isEnded()).isPresent();
        getChildren().add(left
                ? EarNodes.row(EarNodes.first("begin-picking", "Go on picking", model::begin), EarNodes.plain(
                        "give-up-picking", "give it up", model::giveUp))
                : EarNodes.row(EarNodes.button("begin-picking", "Keep or pass, without names", this::begin),
                        Nodes.label(
                                "among", "quiet"),
                        among()));
        getChildren().add(said);
    }

    /** Calls back whenever the question must be shown anew. */
    void changed(Runnable what) {
        model.current().subscribe(_ -> what.run());
    }

    private void begin() {
        if (model.among().get() == PickingModel.Among.RESPONSES) {
            DirectoryChooser chooser = new DirectoryChooser();
            chooser.setTitle("Folder of impulse responses");
            File folder = chooser.showDialog(getScene().getWindow());
            if (folder == null) return;
            model.chooseFolder(folder.toPath());
        }
        model.begin();
    }

    private ChoiceBox<PickingModel.Among> among() {
        ChoiceBox<PickingModel.Among> out = new ChoiceBox<>();
        out.setId("pick-among");
        out.setAccessibleText("what is picked among");
        out.getItems().setAll(PickingModel.Among.values());
        out.setConverter(Choices.named(PickingModel.Among::words, PickingModel.Among.LOUDSPEAKERS));
        out.setValue(model.among().get());
        out.valueProperty().subscribe(v -> {
            if (v != null) model.among().set(v);
        });
        return out;
    }

    @Override
    public ReadOnlyBooleanProperty running() {
        return model.running();
    }

    @Override
    public String heading() {
        return model.current().get().map(k -> Figures.of("No. %d: keep it?", k.value().said().size()
                + 1)).orElse("");
    }

    @Override
    public void ask(VBox into) {
        into.getChildren().addAll(Nodes.wrapped("Your phrase goes round; each is as loud as the last."), EarNodes.row(
                EarNodes.first("pick-keep", "keep (K)", () -> model.answer(true)), EarNodes.button("pick-pass",
                        "pass (P)", () -> model.answer(false))),
                EarNodes.row(EarNodes.plain("pause-picking",
                        "leave it for later", model::pause),
                        EarNodes.plain("give-up-picking", "give it up",
                                model::giveUp)));
    }

    @Override
    public boolean key(KeyCode code) {
        if (code != KeyCode.K && code != KeyCode.P) return false;
        model.answer(code == KeyCode.K);
        return true;
    }
}
