package verisonus.desktop.perform;

import java.util.List;
import java.util.stream.Collectors;
import javafx.geometry.HPos;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.ColumnConstraints;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import javafx.stage.FileChooser;
import verisonus.core.perform.device.Build;
import verisonus.core.perform.device.Translation;
import verisonus.core.rig.Block;
import verisonus.core.rig.Rig;
import verisonus.core.work.Figures;
import verisonus.desktop.theme.FileDialogs;
import verisonus.desktop.theme.Hint;
import verisonus.desktop.theme.Nodes;

/** Fewer parts, each build with what it costs the ear, and the tone on another device. */
final class ElsewherePart extends VBox {
    private static final FileChooser.ExtensionFilter RIGS = new FileChooser.ExtensionFilter("Gear lists", "*.json",
            "*.JSON");

    private final ElsewhereModel model;
    private final GridPane table = new GridPane();
    private final VBox remarks = new VBox(2);
    private final VBox device = new VBox(2);
    private final VBox pedals = new VBox(2);

    ElsewherePart(ElsewhereModel model) {
        super(8);
        this.model = model;
        Button builds = new Button("With how few parts? about 8 s");
        builds.setId("find-builds");
        Hint.on(builds, "takes away what is missed least, again and again, and turns the rest; also tells"
                + " what is there twice");
        builds.setOnAction(_ -> model.findBuilds());
        Button other = new Button("On another device, about 8 s");
        other.setId("translate-tone");
        Hint.on(other, "a gear list (JSON) of what that device holds, its limits and scales");
        other.setOnAction(_ -> FileDialogs.open(getScene().getWindow(), "What the device holds", RIGS)
                .ifPresent(model::translate));
        Button amps = new Button("Its pedal on my other amps, about 6 s");
        amps.setId("pedal-on-amps");
        Hint.on(amps, "how the pedal must be turned so that the tone is as dirty and as loud on each amp");
        amps.setOnAction(_ -> model.onOtherAmps());
        Button one = new Button("One amp for all my pedals, about 20 s");
        one.setId("one-amp");
        Hint.on(one, "the amp setting under which the worst of your tones with a pedal stays nearest to"
                + " itself");
        one.setOnAction(_ -> model.oneAmp());
        FlowPane first = new FlowPane(8, 4, builds, other, amps, one);
        first.setAlignment(Pos.CENTER_LEFT);
        table.setHgap(14);
        table.setVgap(2);
        for (int i = 0; i < 7; i++) {
            ColumnConstraints c = new ColumnConstraints();
            c.setHalignment(i == 0 || i == 6 ? HPos.LEFT : HPos.RIGHT);
            if (i < 6) c.setMinWidth(USE_PREF_SIZE);
            table.getColumnConstraints().add(c);
        }
        Label said = Nodes.wrapped("", "small");
        said.managedProperty().bind(said.textProperty().isNotEmpty());
        model.said().subscribe(said::setText);
        getChildren().addAll(first, table, remarks, pedals, device, said);
        model.builds().subscribe(_ -> show());
        model.remarks().subscribe(_ -> show());
        model.device().subscribe(_ -> show());
        model.pedals().subscribe(this::pedals);
    }

    private void pedals(List<ElsewhereModel.Line> lines) {
        pedals.getChildren().clear();
        int n = 0;
        for (ElsewhereModel.Line l : lines) {
            if (l.tone().isEmpty()) {
                pedals.getChildren().add(Nodes.wrapped(l.words(), "strong"));
                continue;
            }
            Button hear = Nodes.plain("hear");
            hear.setId("hear-pedal-" + ++n);
            hear.setMinWidth(USE_PREF_SIZE);
            hear.setOnAction(_ -> model.hear(l.tone().orElseThrow()));
            Label words = Nodes.wrapped(l.words());
            HBox.setHgrow(words, Priority.ALWAYS);
            HBox line = new HBox(8, hear, words);
            line.setAlignment(Pos.BASELINE_LEFT);
            pedals.getChildren().add(line);
        }
    }

    private void show() {
        table.getChildren().clear();
        int line = 0;
        for (Build b : model.builds().get()) {
            if (line == 0) head();
            row(b, ++line);
        }
        remarks.getChildren().clear();
        for (String r : model.remarks().get()) remarks.getChildren().add(Nodes.wrapped(r));
        device.getChildren().clear();
        model.device().get().ifPresent(this::device);
    }

    private void head() {
        String[] words = {"", "gap, JND", "parts", "cables", "weight", "minutes", "in this order"};
        boolean weighed = model.builds().get().stream().anyMatch(b -> b.check().weightKg() > 0);
        boolean timed = model.builds().get().stream().anyMatch(b -> b.check().setupMinutes() > 0);
        for (int i = 0; i < words.length; i++)
            if (i != 4 && i != 5 || (i == 4 ? weighed : timed)) cell(words[i], i, 0, "small", "quiet");
    }

    private void row(Build b, int line) {
        Button hear = Nodes.plain(b.without().isEmpty() ? "all of it" : "without the " + b.without());
        hear.setId("build-" + line);
        Hint.on(hear, "hear it as mine");
        hear.setOnAction(_ -> model.hear(b.tone()));
        hear.setMinWidth(USE_PREF_SIZE);
        table.add(hear, 0, line);
        cell(Figures.of("%.1f", b.gapJnd()), 1, line, b.gapJnd() >= 1 ? "gap-ink" : "ink");
        cell(String.valueOf(b.order().size()), 2, line);
        cell(String.valueOf(b.cables()), 3, line);
        cell(known(b.check().weightKg(), "%.1f kg"), 4, line, "quiet");
        cell(known(b.check().setupMinutes(), "%.0f"), 5, line, "quiet");
        String order = String.join(" → ", b.order());
        Label parts = Nodes.label(order, "small", "quiet");
        Hint.on(parts, order);
        table.add(parts, 6, line);
    }

    private void cell(String text, int column, int line, String... styles) {
        Label l = Nodes.label(text, styles);
        l.setMinWidth(USE_PREF_SIZE);
        table.add(l, column, line);
    }

    private static String known(double v, String form) {
        return v > 0 ? Figures.of(form, v) : "";
    }

    private void device(ElsewhereModel.Device d) {
        Translation t = d.translation();
        device.getChildren().add(Nodes.wrapped(Figures.of(
                "On %s it comes to %.1f JND from the tone; with the settings only carried over it would be %.1f.",
                d.name(), t.gapJnd(), t.merelyJnd())));
        for (Translation.Change c : t.changes())
            device.getChildren().add(Nodes.wrapped(Figures.of("%s (%.1f JND by then)", c.words(), c
                    .priceJnd()), "quiet"));
        for (Block b : t.tone().blocks())
            device.getChildren().add(Nodes.wrapped(b.model().name() + ": " + settings(b, d.rig())));
        Button hear = Nodes.plain("hear it there");
        hear.setId("hear-device");
        hear.setOnAction(_ -> model.hear(t.tone()));
        device.getChildren().add(hear);
    }

    private static String settings(Block b, Rig rig) {
        String out = b.model().turnable().stream().filter(c -> !c.rare() || b.settings().containsKey(c.name()))
                .map(c -> rig.label(b, c.name()) + " " + rig.display(b.model(), c, b.get(c.name())))
                .collect(Collectors.joining(", "));
        return out.isEmpty() ? "as it stands" : out;
    }
}
