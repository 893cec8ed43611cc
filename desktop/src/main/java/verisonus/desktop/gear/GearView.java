package verisonus.desktop.gear;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ChoiceBox;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextArea;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.ColumnConstraints;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import verisonus.core.rig.Control;
import verisonus.core.rig.DeviceScale;
import verisonus.core.rig.Gear;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.MixLaw;
import verisonus.core.rig.Model;
import verisonus.core.rig.Rig;
import verisonus.core.work.Figures;
import verisonus.desktop.theme.Choices;
import verisonus.desktop.theme.Hint;
import verisonus.desktop.theme.Nodes;

/** My gear: how many of each model, the scale it shows, what it costs, weighs and takes; guitars; limits. */
public final class GearView extends BorderPane {
    private final GearModel model;
    private final GridPane table = new GridPane();
    private final Label check = Nodes.wrapped("", "small");
    private final TextArea guitars = new TextArea();
    private final FlowPane once = new FlowPane(10, 4);
    private final TextField search = Nodes.field("", "add what you own: search by name or kind");
    private final ToggleButton all = new ToggleButton("show all");
    /** The device of which more is shown. */
    private Optional<String> opened = Optional.empty();
    private final TextField most = Nodes.field("", "most blocks in a tone");

    /** @param close puts the sheet away */
    public GearView(GearModel model, Runnable close) {
        this.model = model;
        setPadding(new Insets(14, 22, 10, 22));
        Button done = Nodes.plain("done");
        done.setId("gear-done");
        done.setOnAction(_ -> close.run());
        search.setId("gear-search");
        search.setPromptText("add what I own: overdrive, echo, ribbon …");
        search.setPrefColumnCount(26);
        search.textProperty().subscribe(this::show);
        search.setOnAction(_ -> addFirst());
        all.setId("gear-all");
        all.getStyleClass().addAll("plain", "small");
        Hint.on(all, "everything that can be simulated, owned or not");
        all.selectedProperty().subscribe(this::show);
        HBox find = new HBox(10, search, all);
        find.setAlignment(Pos.CENTER_LEFT);
        Region space = new Region();
        HBox.setHgrow(space, Priority.ALWAYS);
        HBox head = new HBox(10, Nodes.column(4, Nodes.label("My gear", "heading"),
                Nodes.label("A tone is derived with what stands here. Numbers that you do not know may stay 0.",
                        "quiet",
                        "small"),
                check, find), space, done);
        setTop(head);
        int[] widths = {158, 54, 110, 48, 44, 50};
        for (int w : widths) table.getColumnConstraints().add(new ColumnConstraints(w));
        table.setHgap(6);
        table.setVgap(2);
        ScrollPane scroll = new ScrollPane(table);
        scroll.setFitToWidth(true);
        table.setPadding(new Insets(8, 8, 8, 0));
        setCenter(scroll);
        guitars.setPrefRowCount(4);
        guitars.setPrefColumnCount(22);
        guitars.setId("guitars");
        guitars.setAccessibleText("guitars, one a line");
        guitars.focusedProperty().subscribe((was, now) -> {
            if (was && !now) model.guitars(guitars.getText());
        });
        most.setId("most-blocks");
        most.setOnAction(_ -> {
            try {
                if (!model.mostBlocks(Integer.parseInt(most.getText().strip()))) show();
            } catch (NumberFormatException e) {
                show();
            }
        });
        HBox limit = new HBox(8, Nodes.label("longest chain"), most, Nodes.label("pieces", "quiet"));
        limit.setAlignment(Pos.CENTER_LEFT);
        VBox right = Nodes.column(8, Nodes.label("Guitars", "strong"),
                Nodes.label("one a line, with pickups and positions", "quiet", "small"), guitars,
                Nodes.padded(Nodes.label("Limits", "strong"), 10, 0, 0, 0), limit,
                Nodes.label("never two of these in one chain", "quiet", "small"), once,
                Nodes.padded(
                        Nodes.wrapped("Connect a loudspeaker or a rated load of the right impedance before power. Two"
                                + " earthed devices that hum together are joined through a transformer, never by cutting an earth."
                                + " Local codes and licensed practice come first.", "quiet", "small"),
                        14, 0, 0, 0),
                Nodes.padded(new CaptureView(new CaptureModel(model.desk())), 12, 0, 0, 0));
        right.setPadding(new Insets(8, 8, 8, 22));
        guitars.setMinHeight(72);
        ScrollPane aside = new ScrollPane(right);
        aside.setFitToWidth(true);
        aside.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        aside.setPrefWidth(300);
        aside.setMinWidth(270);
        setRight(aside);
        model.desk().open().subscribe(this::show);
        model.desk().rig().subscribe(this::show);
        sceneProperty().subscribe(this::show);
    }

    private void show() {
        // Away from the window it is not kept up to date.
        if (getScene() == null) return;
        Rig rig = model.rig();
        check.setText(model.check().orElse(""));
        check.setVisible(!check.getText().isEmpty());
        check.setManaged(check.isVisible());
        guitars.setText(String.join("\n", rig.guitars()));
        most.setText(String.valueOf(rig.mostBlocks()));
        once.getChildren().clear();
        for (GearKind k : GearKind.values()) {
            CheckBox box = new CheckBox(k.word());
            box.setSelected(rig.once().contains(k));
            box.setOnAction(_ -> model.once(k, box.isSelected()));
            once.getChildren().add(box);
        }
        table.getChildren().clear();
        String[] heads = {"", "count", "scale or mix", "price", "kg", "minutes"};
        for (int i = 0; i < heads.length; i++) table.add(Nodes.label(heads[i], "quiet", "small"), i, 0);
        int line = 1;
        for (GearKind k : GearKind.values()) {
            List<Model> shown = rig.all(k).filter(m -> isShown(m, rig)).toList();
            if (shown.isEmpty()) continue;
            Label kind = Nodes.label(k.word(), "strong");
            kind.setPadding(new Insets(8, 0, 0, 0));
            table.add(kind, 0, line++);
            for (Model m : shown) {
                row(m, rig, line++);
                if (opened.equals(Optional.of(m.name()))) table.addRow(line++, across(new DeviceView(model, m)));
            }
        }
        if (line == 1) {
            table.add(Nodes.label(search.getText().isBlank()
                    ? "Nothing is named yet: search for what you own."
                    : "Nothing is called that here. Gear goes by what it does: overdrive, chiming, ribbon …", "quiet"),
                    0, 1, 6, 1);
        }
    }

    /** What is owned; while something is searched for, what fits; everything where the player wants to see it. */
    private boolean isShown(Model m, Rig rig) {
        String words = search.getText().toLowerCase(Locale.ROOT).strip();
        if (!words.isEmpty())
            return (m.name() + " " + m.kind().word() + " " + m.about()).toLowerCase(Locale.ROOT).contains(words);
        return all.isSelected() || rig.has(m);
    }

    /** Enter takes the first that fits and is not owned yet. */
    private void addFirst() {
        Rig rig = model.rig();
        if (search.getText().isBlank()) return;
        Optional<Model> first = Arrays.stream(GearKind.values()).flatMap(k -> Gear.of(k).stream())
                .filter(m -> isShown(m, rig) && !rig.has(m)).findFirst();
        search.clear();
        first.ifPresent(m -> model.count(m, 1));
    }

    private void row(Model m, Rig rig, int line) {
        int count = rig.counts().getOrDefault(m.name(), 0);
        table.add(name(m, count), 0, line);
        if (count == 0) {
            Button add = Nodes.plain("add");
            add.setId("add-" + m.name().replace(' ', '-'));
            add.setAccessibleText("add " + m.name());
            add.setOnAction(_ -> model.count(m, 1));
            table.add(add, 1, line);
            return;
        }
        ChoiceBox<Integer> counts = new ChoiceBox<>();
        counts.getItems().setAll(0, 1, 2, 3, 4);
        if (count > 4) counts.getItems().add(count);
        counts.setValue(count);
        counts.setId("count-" + m.name().replace(' ', '-'));
        counts.setAccessibleText("how many of " + m.name());
        counts.setOnAction(_ -> model.count(m, counts.getValue()));
        table.add(counts, 1, line);
        HBox own = new HBox(6);
        if (m.controls().stream().anyMatch(c -> !c.rare() && c.unit().equals("0-10"))) {
            ChoiceBox<DeviceScale> scale = new ChoiceBox<>();
            scale.getItems().setAll(DeviceScale.values());
            scale.setConverter(Choices.named(DeviceScale::words, DeviceScale.TENS));
            scale.setValue(rig.scale(m));
            scale.setAccessibleText("scale that " + m.name() + " shows");
            scale.setOnAction(_ -> model.scale(m, scale.getValue()));
            own.getChildren().add(scale);
        }
        if (m.find(MixLaw.CONTROL).isPresent()) own.getChildren().add(law(m, rig));
        table.add(own, 2, line);
        Rig.Practical p = rig.practical(m);
        table.add(number(p.price(), "price of " + m.name(), v -> model.practical(m,
                new Rig.Practical(v, p.weightKg(), p.setupMinutes()))), 3, line);
        table.add(number(p.weightKg(), "weight of " + m.name() + ", kg", v -> model.practical(m,
                new Rig.Practical(p.price(), v, p.setupMinutes()))), 4, line);
        table.add(number(p.setupMinutes(), "minutes to set up " + m.name(), v -> model.practical(m,
                new Rig.Practical(p.price(), p.weightKg(), v))), 5, line);
    }

    private static Node across(Node view) {
        GridPane.setColumnSpan(view, GridPane.REMAINING);
        return view;
    }

    /** The name; of what is owned pressed, it shows what the device has and what it is called. */
    private Node name(Model m, int count) {
        if (count == 0) {
            Label name = Nodes.label(m.name(), "quiet");
            Hint.on(name, m.about());
            return name;
        }
        Button name = Nodes.plain(m.name());
        name.setId("device-" + m.name().replace(' ', '-'));
        Hint.on(name, m.about() + "; press to name it, and to say which of its controls it has");
        name.setOnAction(_ -> {
            opened = opened.equals(Optional.of(m.name())) ? Optional.empty() : Optional.of(m.name());
            show();
        });
        return name;
    }

    /** How the device's mix control divides dry and wet. */
    private ChoiceBox<MixLaw> law(Model m, Rig rig) {
        ChoiceBox<MixLaw> out = new ChoiceBox<>();
        out.getItems().setAll(MixLaw.values());
        out.setConverter(Choices.named(MixLaw::words, MixLaw.HELD));
        out.setValue(rig.mixLaw(m));
        out.setId("law-" + m.name().replace(' ', '-'));
        out.setAccessibleText("how the mix of " + m.name() + " divides dry and wet");
        Hint.on(out, "turn its mix slowly from dry to wet: the dry sound stays, fades early by half way"
                + " (equal gain), or both are a little softer there (equal power)");
        out.setOnAction(_ -> model.mixLaw(m, out.getValue()));
        return out;
    }

    private static TextField number(double value, String about, java.util.function.DoubleConsumer take) {
        TextField out = Nodes.field(value == 0
                ? ""
                : Figures.of(value == Math.rint(value) ? "%.0f" : "%.1f",
                        value),
                about);
        out.setOnAction(_ -> {
            try {
                double v = out.getText().isBlank() ? 0 : Double.parseDouble(out.getText().strip().replace(',', '.'));
                if (v < 0) throw new NumberFormatException("below 0");
                take.accept(v);
            } catch (NumberFormatException e) {
                out.getStyleClass().add("warned");
            }
        });
        return out;
    }
}
