package verisonus.desktop.trial;

import java.util.List;
import java.util.Optional;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.scene.control.ChoiceBox;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.VBox;
import verisonus.core.rig.ControlPlace;
import verisonus.core.trial.step.StepSearch;
import verisonus.core.work.Figures;
import verisonus.desktop.theme.Choices;
import verisonus.desktop.theme.Hint;
import verisonus.desktop.theme.Nodes;

/** How small a change this player hears, and what that makes of the gap. */
final class StepPart extends VBox implements Asking {
    private final StepModel model;
    private final ChoiceBox<ControlPlace> place = new ChoiceBox<>();
    private final VBox found = new VBox(3);

    StepPart(StepModel model) {
        super(8);
        this.model = model;
        place.setId("step-place");
        place.setAccessibleText("control whose step is searched");
        place.setConverter(Choices.named(p -> p.block() + " " + p.control(), new ControlPlace("", "")));
        var begin = EarNodes.button("begin-step", "What is my step for it?", () -> Optional.ofNullable(place.getValue())
                .ifPresent(model::begin));
        Hint.on(begin, "twenty to sixty pairs: which has more of it? It can be left and gone on with");
        getChildren().addAll(EarNodes.row(place, begin), found, EarNodes.said(model.said()));
        model.places().subscribe(_ -> places());
        model.current().subscribe(_ -> show());
        model.own().subscribe(_ -> show());
        model.running().subscribe(_ -> show());
    }

    private void places() {
        List<ControlPlace> all = model.places().get();
        place.getItems().setAll(all);
        all.stream().filter(p -> p.control().equals("gain")).findFirst().or(() -> all.stream().findFirst()).ifPresent(
                place::setValue);
    }

    private void show() {
        found.getChildren().clear();
        for (String s : model.found()) found.getChildren().add(Nodes.wrapped(s));
        List<String> rows = model.rows();
        if (rows.isEmpty()) return;
        found.getChildren().add(Nodes.label("What your blind trials say of your ears", "strong"));
        for (String s : rows) found.getChildren().add(Nodes.wrapped(s));
    }

    /** Calls back whenever the question must be shown anew. */
    void changed(Runnable what) {
        model.current().subscribe(_ -> what.run());
        model.said().subscribe(_ -> what.run());
    }

    @Override
    public ReadOnlyBooleanProperty running() {
        return model.running();
    }

    @Override
    public String heading() {
        return model.current().get().map(k -> Figures.of("No. %d of %d at most: which has more %s?", k
                .value().search().answers().size() + 1, StepSearch.MOST, k.value().what().replace('/', ' ')))
                .orElse("");
    }

    @Override
    public void ask(VBox into) {
        int heard = model.heardPlace();
        into.getChildren()
                .addAll(EarNodes.row(EarNodes.sound("hear-step-0", "first (A)", heard == 0, () -> model.hear(0)),
                        EarNodes.sound("hear-step-1", "second (B)", heard == 1, () -> model.hear(1))),
                        Nodes.label("Answer",
                                "strong"),
                        EarNodes.row(EarNodes.button("step-first", "the first has more (Y)", () -> model.answer(
                                true)), EarNodes.button("step-second", "the second has more (N)",
                                        () -> model.answer(
                                                false))),
                        EarNodes.saying(model.said()), EarNodes.row(EarNodes.plain("pause-step",
                                "leave it for later", model::pause)));
    }

    @Override
    public boolean key(KeyCode code) {
        switch (code) {
            case A -> model.hear(0);
            case B -> model.hear(1);
            case Y -> model.answer(true);
            case N -> model.answer(false);
            default -> {
                return false;
            }
        }
        return true;
    }
}
