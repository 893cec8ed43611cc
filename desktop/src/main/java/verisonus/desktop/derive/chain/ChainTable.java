package verisonus.desktop.derive.chain;

import java.util.List;
import java.util.Optional;
import javafx.geometry.HPos;
import javafx.geometry.Insets;
import javafx.geometry.VPos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ChoiceBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.ColumnConstraints;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import verisonus.core.rig.Block;
import verisonus.core.rig.Tone;
import verisonus.desktop.theme.Hint;
import verisonus.desktop.theme.Nodes;
import verisonus.desktop.theme.Theme;

/** The chain as a table: a line a setting with its ruled scale, its value, how far it can move, what it rests on, its lock. */
public final class ChainTable extends GridPane {
    private static final int WHY = 5;
    private static final int COLUMNS = 7;
    /** Height of a line, pixels. */
    static final double SETTING = 26;

    private final ChainModel model;
    private final Theme theme;
    private final ImpulsePicker impulses;
    private boolean tight;

    public ChainTable(ChainModel model, Theme theme) {
        this.model = model;
        this.theme = theme;
        impulses = new ImpulsePicker(model);
        columns();
        setPadding(new Insets(0, 12, 10, 22));
    }

    /** A narrow table leaves out what the settings rest on, which the tooltips say too. */
    public void fit(boolean narrow) {
        ColumnConstraints why = getColumnConstraints().get(WHY);
        why.setPrefWidth(narrow ? 0 : 84);
        if (narrow == tight) return;
        tight = narrow;
        show();
    }

    private void columns() {
        double[] widths = {106, 98, 130, 64, 96, 84, 44};
        for (int i = 0; i < widths.length; i++) {
            ColumnConstraints c = new ColumnConstraints(widths[i]);
            if (i == 2) {
                c.setHgrow(Priority.ALWAYS);
                c.setMinWidth(84);
                c.setMaxWidth(420);
                c.setFillWidth(true);
            }
            if (i == 3) c.setHalignment(HPos.RIGHT);
            getColumnConstraints().add(c);
        }
        setHgap(5);
    }

    /** Fills the table anew. */
    public void show() {
        getChildren().clear();
        List<SettingRow> rows = model.settings();
        if (rows.isEmpty()) return;
        String[] heads = {"stage", "setting", "least to most", "value", "sounds the same", "heard in", ""};
        for (int i = 0; i < heads.length; i++) {
            if (tight && i == WHY) continue;
            Label head = Nodes.label(heads[i], "quiet", "small");
            head.setPadding(new Insets(0, 0, 3, 0));
            add(head, i, 0);
        }
        int line = 1;
        Optional<ChainPart> before = Optional.empty();
        Tone tone = model.session().settings().orElseThrow();
        for (ChainStage stage : ChainStage.of(tone, rows, model)) {
            ChainPart part = ChainPart.of(tone, stage.block());
            if (!before.equals(Optional.of(part))) {
                Label title = Nodes.label(part.words(), "quiet", "small");
                title.setPadding(new Insets(line == 1 ? 2 : 10, 0, 2, 0));
                add(title, 0, line++, COLUMNS, 1);
                before = Optional.of(part);
            }
            Region rule = new Region();
            rule.getStyleClass().add("block-rule");
            rule.setMinHeight(1);
            add(rule, 0, line++, COLUMNS, 1);
            VBox head = head(stage);
            GridPane.setValignment(head, VPos.TOP);
            add(head, 0, line);
            line = addStage(stage, line);
        }
    }

    /** @return the line after it */
    private int addStage(ChainStage stage, int from) {
        int line = from;
        if (!stage.drawn().isEmpty()) {
            add(new EqualizerView(stage.block(), stage.drawn(), model, theme), 1, line, COLUMNS - 2, 1);
            Button figures = fold(stage, "figures", "draw-" + stage.id(),
                    "its filters as settings, to type and to lock");
            GridPane.setValignment(figures, VPos.TOP);
            add(figures, COLUMNS - 1, line++);
        }
        for (SettingRow r : stage.shown()) addRow(r, line++);
        if (stage.isEmpty()) add(untouched(stage), 1, line++, COLUMNS - 1, 1);
        if (!stage.folded().isEmpty() || model.isUnfolded(stage.block())) {
            Button fold = fold(stage, stage.foldWords(model.session().rig()), "rest-" + stage.id(),
                    model.isUnfolded(stage.block())
                            ? "shows only what matters"
                            : "they stand where they usually do, and could be turned far before it is heard");
            add(fold, 1, line++, COLUMNS - 1, 1);
        }
        return line;
    }

    /** The settings of a block that does nothing yet. */
    private Button untouched(ChainStage stage) {
        Button out = Nodes.plain("does nothing yet: show its settings");
        out.setId("whole-" + stage.id());
        out.getStyleClass().addAll("setting", "small");
        out.setOnAction(_ -> model.showWhole(stage.block(), true));
        return out;
    }

    private Button fold(ChainStage stage, String words, String id, String about) {
        Button out = Nodes.plain(words);
        out.setId(id);
        out.getStyleClass().addAll("setting", "small", "quiet");
        out.setWrapText(true);
        Hint.on(out, about);
        out.setOnAction(_ -> model.unfold(stage.block(), !model.isUnfolded(stage.block())));
        return out;
    }

    private void addRow(SettingRow r, int line) {
        Button name = Nodes.plain(r.label(model.session().rig()));
        name.setId("about-" + id(r));
        name.getStyleClass().add("setting");
        Hint.on(name, r.control().about() + "; press to see and hear what it does on this tone");
        name.setOnAction(_ -> model.study(r));
        boolean on = r.block().on();
        if (!on) name.getStyleClass().add("quiet");
        if (on && r.matters()) name.getStyleClass().add("strong");
        add(name, 1, line);
        if (r.control().isChoice()) {
            add(choice(r, on), 2, line, 2, 1);
        } else {
            ScaleView scale = new ScaleView(r, model, theme);
            scale.setId("scale-" + id(r));
            scale.setDisable(!on);
            add(scale, 2, line);
            add(value(r), 3, line);
        }
        add(Nodes.label(r.range(model.session().rig()), "quiet", "small"), 4, line);
        Label why = Nodes.label(r.reason(), "small", r.locked() ? "gap-ink" : "quiet");
        Hint.on(why, r.reasonInFull());
        if (!tight) add(why, WHY, line);
        ToggleButton lock = new ToggleButton(r.locked() ? "locked" : "lock");
        lock.getStyleClass().addAll("plain", "small");
        lock.setId("lock-" + id(r));
        lock.setSelected(r.locked());
        Hint.on(lock, "a locked setting keeps its value when a tone is derived again");
        lock.setOnAction(_ -> model.toggleLock(r));
        add(lock, 6, line);
    }

    private VBox head(ChainStage stage) {
        StageView box = new StageView(stage.block(), model.session().settings().orElseThrow(), model, impulses);
        // The name runs beside the next settings; where there are too few of them the first line must be taller.
        double height = SETTING + Math.max(0, box.neededHeight() - stage.lines() * SETTING);
        box.setMaxHeight(height);
        box.setMinHeight(height);
        return box;
    }

    /** Says at the field why it cannot be set so. */
    private static void refuse(TextField field, String fault) {
        field.getStyleClass().add("warned");
        field.setAccessibleHelp(fault);
        Tooltip said = new Tooltip(fault);
        field.setTooltip(said);
        javafx.geometry.Bounds at = field.localToScreen(field.getBoundsInLocal());
        said.show(field, at.getMinX(), at.getMaxY() + 2);
        field.textProperty().subscribe(_ -> said.hide());
        field.focusedProperty().subscribe(_ -> said.hide());
    }

    /** A control that takes one of a few positions. */
    private ChoiceBox<String> choice(SettingRow r, boolean on) {
        ChoiceBox<String> box = new ChoiceBox<>();
        box.getItems().setAll(r.control().choices());
        box.getSelectionModel().select((int) Math.round(r.value()));
        box.setId("choice-" + id(r));
        box.setAccessibleText(r.block().model().name() + " " + r.control().name() + ". " + r.control().about());
        box.setDisable(r.locked() || !on);
        box.setOnAction(_ -> model.turn(r, box.getSelectionModel().getSelectedIndex()));
        return box;
    }

    /** The figure; pressed, it becomes a field that understands other scales too. */
    private Node value(SettingRow r) {
        Button figure = Nodes.plain(r.display(model.session().rig()));
        figure.getStyleClass().addAll(r.matters() ? "strong" : "plain", "figure");
        figure.setDisable(r.locked() || !r.block().on());
        Hint.on(figure, "press to type a value as your device shows it, or 52 %, 13:00, half past two");
        figure.setOnAction(_ -> {
            TextField field = Nodes.field(r.display(model.session().rig()), r.control().name());
            int line = GridPane.getRowIndex(figure);
            getChildren().remove(figure);
            add(field, 3, line);
            field.requestFocus();
            field.selectAll();
            field.setOnAction(_ -> {
                ScaleEntry typed = ScaleEntry.read(field.getText(), r.block(), r.control(),
                        model.session().rig());
                typed.value().ifPresentOrElse(v -> model.turn(r, v), () -> refuse(field, typed.fault()));
            });
            field.focusedProperty().subscribe((_, now) -> {
                if (!now) {
                    getChildren().remove(field);
                    if (!getChildren().contains(figure)) add(figure, 3, line);
                }
            });
        });
        return figure;
    }

    private static String id(SettingRow r) {
        return (r.block().id() + "-" + r.control().name()).replace(' ', '-');
    }
}
