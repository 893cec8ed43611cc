package verisonus.desktop.derive;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import javafx.geometry.HPos;
import javafx.geometry.Insets;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ChoiceBox;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.ColumnConstraints;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import verisonus.casebook.sheet.ToneSheet;
import verisonus.casebook.store.DerivedTone;
import verisonus.core.rig.Block;
import verisonus.desktop.desk.Bench;
import verisonus.desktop.theme.Nodes;
import verisonus.desktop.theme.Theme;

/** The derive bench: the chain as a table of ruled scales, and the ledger of what still differs. */
public final class DeriveView extends BorderPane {
    private static final double NARROW = 960;
    private static final int WHY = 5;
    private static final double SETTING = 26;

    private final DeriveModel model;
    private final Theme theme;
    private boolean tight;
    private final Label verdict = Nodes.wrapped("", "heading");
    private final Label summary = Nodes.wrapped("", "quiet", "small");
    private final Button derive = new Button("Derive");
    private final Button step = new Button();
    private final GridPane table = new GridPane();
    private final LedgerView ledger;
    private final WaysView ways;
    private final ImpulsePicker impulses;
    private final ChainFoot foot;

    /** @param choose lets the player choose recordings to add */
    public DeriveView(DeriveModel model, Theme theme, Runnable choose) {
        this.model = model;
        this.theme = theme;
        getStyleClass().add("derive");
        ledger = new LedgerView(model, theme);
        impulses = new ImpulsePicker(model);
        derive.setId("derive");
        derive.getStyleClass().add("first");
        derive.setOnAction(_ -> model.derive());
        ChoicesView schools = new ChoicesView(model.choices(), derive);
        step.setId("next-step");
        step.setOnAction(_ -> {
            if (model.lacksRecording()) choose.run();
            else model.desk().bench().set(Bench.LISTEN);
        });
        VBox words = Nodes.column(2, verdict, summary, step);
        HBox.setHgrow(words, Priority.ALWAYS);
        VBox head = Nodes.column(8, words, schools);
        head.setPadding(new Insets(14, 16, 6, 22));
        columns();
        ways = new WaysView(model);
        ways.setPadding(new Insets(4, 12, 12, 22));
        ScrollPane scroll = new ScrollPane(new VBox(table, ways));
        scroll.setFitToWidth(true);
        scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        table.setPadding(new Insets(0, 12, 10, 22));
        BorderPane left = new BorderPane(scroll);
        left.setTop(head);
        foot = new ChainFoot(model);
        left.setBottom(foot);
        setCenter(left);
        setRight(ledger);
        widthProperty().subscribe(w -> fitTo(w.doubleValue()));
        model.desk().open().subscribe(this::show);
        model.desk().sounds().subscribe(this::show);
        model.shown().subscribe(this::show);
        model.weighed().subscribe(this::show);
        show();
        model.desk().work().busy().subscribe(_ -> derive.setDisable(!model.missing().isEmpty()
                || model.desk().work().busy().get()));
    }

    /** Goes on to the next gap: looks for the move, then makes it. */
    public void next() {
        ledger.ask("next");
        model.advice().next();
    }

    /** A narrow window keeps settings and locks in sight and leaves out what they rest on, which the tooltips say too. */
    private void fitTo(double width) {
        boolean narrow = width < NARROW;
        ledger.setPrefWidth(narrow ? 290 : 344);
        ColumnConstraints why = table.getColumnConstraints().get(WHY);
        why.setPrefWidth(narrow ? 0 : 84);
        if (narrow != tight) {
            tight = narrow;
            show();
        }
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
            table.getColumnConstraints().add(c);
        }
        table.setHgap(5);
    }

    private void show() {
        Optional<DerivedTone> tone = model.tone();
        String missing = model.missing();
        verdict.setText(tone.map(ToneSheet::nearness).orElse("No tone derived yet."));
        summary.setText(unheard().or(() -> tone.map(DeriveView::summary)).orElse(missing.isEmpty()
                ? "The recording and the dry take are ready: the search takes about ten seconds."
                : missing));
        derive.setText(tone.isPresent() ? "Derive again" : "Derive");
        boolean begun = model.desk().open().get().isPresent() && !missing.isEmpty();
        step.setText(model.lacksRecording() ? "Choose recordings…" : "Mark a region on Listen");
        step.setVisible(begun);
        step.setManaged(begun);
        derive.setDisable(!missing.isEmpty() || model.desk().work().busy().get());
        table.getChildren().clear();
        if (tone.isPresent()) fill(model.settings());
        ways.setVisible(tone.isPresent());
        tone.ifPresent(t -> ways.show(t.tone()));
        ledger.show();
        ledger.setVisible(tone.isPresent());
        foot.showLegend(tone.isPresent());
    }

    /** Names the blocks that could as well be left out, once they have been weighed. */
    private Optional<String> unheard() {
        return model.contributions().filter(c -> !c.unheard().isEmpty()).map(c -> {
            String names = String.join(", ", c.unheard());
            return c.unheardTogetherJnd().map(t -> t >= 1
                    ? String.format(Locale.ROOT, "Each unheard alone: %s; all out together %.1f JND.", names, t)
                    : "Could be left out, even together: " + names + ".")
                    .orElse("Could be left out: " + names + ".");
        });
    }

    private static String id(SettingRow r) {
        return (r.block().id() + "-" + r.control().name()).replace(' ', '-');
    }

    private static String summary(DerivedTone t) {
        int locked = t.locked().places().size();
        List<String> helps = t.remarks().sketch().helps();
        String help = helps.isEmpty() ? "" : " Would help most: " + String.join("; ", helps) + ".";
        return String.format(Locale.ROOT, "From a take of %s, in %.0f s%s.%s", t.search().pairing().said(),
                t.search().seconds(),
                locked == 0 ? "" : locked == 1 ? "; one setting locked" : "; " + locked + " settings locked", help);
    }

    private void fill(List<SettingRow> rows) {
        String[] heads = {"stage", "setting", "least to most", "value", "can move", "rests on", ""};
        for (int i = 0; i < heads.length; i++) {
            if (tight && i == WHY) continue;
            Label head = Nodes.label(heads[i], "quiet", "small");
            head.setPadding(new Insets(0, 0, 3, 0));
            table.add(head, i, 0);
        }
        int line = 1;
        for (SettingRow r : rows) {
            if (r.leads()) {
                Region rule = new Region();
                rule.getStyleClass().add("block-rule");
                rule.setMinHeight(1);
                table.add(rule, 0, line++, 7, 1);
            }
            addRow(r, line++);
        }
    }

    private void addRow(SettingRow r, int line) {
        if (r.leads()) table.add(stage(r.block()), 0, line);
        Label name = Nodes.label(r.label());
        name.setTooltip(new Tooltip(r.control().about()));
        boolean on = r.block().on();
        if (!on) name.getStyleClass().add("quiet");
        table.add(name, 1, line);
        if (r.control().isChoice()) {
            table.add(choice(r, on), 2, line, 2, 1);
        } else {
            ScaleView scale = new ScaleView(r, model, theme);
            scale.setId("scale-" + id(r));
            scale.setDisable(!on);
            table.add(scale, 2, line);
            table.add(value(r), 3, line);
        }
        table.add(Nodes.label(r.range(model.rig()), "quiet", "small"), 4, line);
        Label why = Nodes.label(r.reason(), "small", r.locked() ? "gap-ink" : "quiet");
        why.setTooltip(new Tooltip(r.reasonInFull()));
        if (!tight) table.add(why, WHY, line);
        ToggleButton lock = new ToggleButton(r.locked() ? "locked" : "lock");
        lock.getStyleClass().addAll("plain", "small");
        lock.setId("lock-" + id(r));
        lock.setSelected(r.locked());
        lock.setTooltip(new Tooltip("a locked setting keeps its value when a tone is derived again"));
        lock.setOnAction(_ -> model.toggleLock(r));
        table.add(lock, 6, line);
    }

    private VBox stage(Block b) {
        StageView box = new StageView(b, model.tone().orElseThrow().tone(), model, impulses);
        long lines = model.settings().stream().filter(r -> r.block().equals(b)).count();
        // The name runs beside the next settings; where there are too few of them the first line must be taller.
        double height = SETTING + Math.max(0, box.neededHeight() - lines * SETTING);
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
        Button figure = Nodes.plain(r.display(model.rig()));
        figure.getStyleClass().addAll("strong", "figure");
        figure.setDisable(r.locked() || !r.block().on());
        figure.setTooltip(new Tooltip("press to type a value as your device shows it, or 52 %, 13:00, half past two"));
        figure.setOnAction(_ -> {
            TextField field = Nodes.field(r.display(model.rig()), r.control().name());
            int line = GridPane.getRowIndex(figure);
            table.getChildren().remove(figure);
            table.add(field, 3, line);
            field.requestFocus();
            field.selectAll();
            field.setOnAction(_ -> {
                ScaleEntry typed = ScaleEntry.read(field.getText(), r.control(), model.rig().scale(r.block().model()));
                typed.value().ifPresentOrElse(v -> model.turn(r, v), () -> refuse(field, typed.fault()));
            });
            field.focusedProperty().subscribe((_, now) -> {
                if (!now) {
                    table.getChildren().remove(field);
                    if (!table.getChildren().contains(figure)) table.add(figure, 3, line);
                }
            });
        });
        return figure;
    }
}
