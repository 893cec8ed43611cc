package verisonus.desktop.trial;

import java.util.List;
import javafx.scene.control.ChoiceBox;
import javafx.scene.control.Label;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.VBox;
import verisonus.core.rig.GearKind;
import verisonus.core.work.Figures;
import verisonus.desktop.theme.Hint;
import verisonus.desktop.theme.Nodes;

/** Rigs in a table: what each costs, weighs and takes, and what ears and fingers said of it. */
final class RigsPart extends VBox {
    private static final List<String> FEEL = List.of("–", "1", "2", "3", "4", "5");

    private final RigsModel model;
    private final GridPane table = new GridPane();

    RigsPart(RigsModel model) {
        super(8);
        this.model = model;
        table.setHgap(18);
        table.setVgap(3);
        var find = EarNodes.button("find-rigs", "What would do with less? about 8 s", model::find);
        Hint.on(find, "each rig can then be chosen above: heard beside the record, tried blind, rated");
        getChildren().addAll(EarNodes.row(find), table, EarNodes.said(model.said()));
        model.rows().subscribe(_ -> show());
    }

    private void show() {
        table.getChildren().clear();
        List<RigsModel.Row> rows = model.rows().get();
        if (rows.isEmpty()) return;
        String[] heads = {"", "gap to the whole, JND", "blind", "rated", "price", "weight", "cables", "minutes",
                "feel"};
        for (int i = 0; i < heads.length; i++) cell(heads[i], i, 0, "small", "quiet");
        for (int line = 1; line <= rows.size(); line++) row(rows.get(line - 1), line);
    }

    private void row(RigsModel.Row r, int line) {
        Label name = Nodes.label(r.name());
        Hint.on(name, String.join(" → ", r.build().order()));
        name.setMaxWidth(330);
        table.add(name, 0, line);
        cell(Figures.of("%.1f", r.build().gapJnd()), 1, line,
                r.build().gapJnd() >= 1 ? "gap-ink" : "ink");
        cell(r.blind().orElse("–"), 2, line, "quiet");
        cell(r.rated().orElse("–"), 3, line, "quiet");
        cell(known(r.build().check().price(), "%.0f"), 4, line, "quiet");
        cell(known(r.build().check().weightKg(), "%.1f kg"), 5, line, "quiet");
        cell(String.valueOf(r.build().cables()), 6, line);
        cell(String.valueOf(stands(r)), 7, line);
        cell(known(r.build().check().setupMinutes(), "%.0f"), 8, line, "quiet");
        ChoiceBox<String> feel = new ChoiceBox<>();
        feel.getItems().setAll(FEEL);
        feel.setId("feel-" + line);
        feel.setAccessibleText("how " + r.name() + " feels under the fingers, 1 to 5");
        feel.setValue(r.feel().isPresent() ? String.valueOf(r.feel().getAsInt()) : FEEL.getFirst());
        feel.valueProperty().subscribe((was, now) -> {
            if (now != null && !now.equals(was) && !now.equals(FEEL.getFirst())) model.feels(r, Integer.parseInt(now));
        });
        table.add(feel, 9, line);
    }

    /** One for each microphone that stands before a loudspeaker. */
    private static long stands(RigsModel.Row r) {
        return r.build().tone().blocks().stream().filter(b -> b.on() && b.model().kind() == GearKind.MICROPHONE)
                .count();
    }

    private void cell(String text, int column, int line, String... styles) {
        Label l = Nodes.label(text, styles);
        l.setMinWidth(USE_PREF_SIZE);
        table.add(l, column, line);
    }

    private static String known(double v, String form) {
        return v > 0 ? Figures.of(form, v) : "–";
    }
}
