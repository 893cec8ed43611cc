package verisonus.desktop.trial;

import java.util.List;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import verisonus.core.travel.MonoLoss;
import verisonus.core.travel.NamedBand;
import verisonus.core.trial.layers.LayerMasking;
import verisonus.core.trial.layers.SecondChain;
import verisonus.core.work.Figures;
import verisonus.desktop.theme.FileDialogs;
import verisonus.desktop.theme.Hint;
import verisonus.desktop.theme.Nodes;
import verisonus.desktop.theme.Theme;

/** Mine among the other parts, and a second chain for the other side. */
final class LayersPart extends VBox {
    private final LayersModel model;
    private final MaskingDrawing drawing;
    private final VBox found = new VBox(4);
    private final VBox chains = new VBox(4);

    LayersPart(LayersModel model, Theme theme) {
        super(8);
        this.model = model;
        drawing = new MaskingDrawing(theme);
        Button lay = EarNodes.button("find-layers", "Who hides whom?", model::find);
        Button bring = EarNodes.plain("bring-part", "bring a part: bass, keys, a voice…", this::bring);
        Button second = EarNodes.button("find-second-chain", "A second chain for the other side, about 10 s",
                model::findChain);
        Hint.on(second, "another cabinet, microphone or place: 1.5 to 4 dB of colour away, no band losing"
                + " more than 3 dB in mono by it");
        getChildren().addAll(EarNodes.row(lay, bring, second), drawing, found, chains, EarNodes.said(model.said()));
        model.found().subscribe(_ -> show());
        model.parts().subscribe(_ -> show());
        model.chains().subscribe(_ -> chains());
    }

    private void bring() {
        FileDialogs.open(getScene().getWindow(), "A part that begins with the record", FileDialogs.RECORDINGS)
                .ifPresent(model::bring);
    }

    private void show() {
        found.getChildren().clear();
        boolean any = model.found().get().filter(f -> !f.hidden().isEmpty()).isPresent();
        drawing.setVisible(any);
        drawing.setManaged(any);
        if (model.found().get().isEmpty()) {
            if (!model.parts().get().isEmpty())
                found.getChildren().add(Nodes.wrapped("Parts: " + String.join(", ", model.parts().get()) + ".", "quiet",
                        "small"));
            return;
        }
        LayersModel.Found f = model.found().get().get();
        drawing.show(f);
        if (f.hidden().isEmpty()) found.getChildren().add(Nodes.wrapped("Each can be heard beside the others."));
        for (LayerMasking m : f.hidden().subList(0, Math.min(4, f.hidden().size())))
            found.getChildren().add(Nodes.wrapped(m
                    .words() + "."));
        f.takes().ifPresent(t -> found.getChildren().add(Nodes.wrapped("Your two takes: " + t.words() + ".")));
        worst(f.mono()).forEach(w -> found.getChildren().add(Nodes.wrapped(w)));
    }

    private static List<String> worst(List<MonoLoss> mono) {
        return mono.stream().filter(m -> m.band() != NamedBand.SUB).sorted(java.util.Comparator.comparingDouble(
                MonoLoss::changeDb)).limit(1)
                .map(m -> Figures.of("In mono the %s lose %.1f dB at most: %s.", m.band().words(), -m.changeDb(),
                        m.cause().words()))
                .toList();
    }

    private void chains() {
        chains.getChildren().clear();
        List<SecondChain> all = model.chains().get();
        for (int i = 0; i < all.size(); i++) {
            SecondChain s = all.get(i);
            Button hear = EarNodes.plain("second-chain-" + i, "hear it at the right", () -> model.hear(s));
            hear.setMinWidth(USE_PREF_SIZE);
            Label words = Nodes.wrapped(s.words());
            HBox.setHgrow(words, Priority.ALWAYS);
            HBox line = new HBox(8, hear, words);
            line.setAlignment(javafx.geometry.Pos.CENTER_LEFT);
            chains.getChildren().add(line);
        }
    }
}
