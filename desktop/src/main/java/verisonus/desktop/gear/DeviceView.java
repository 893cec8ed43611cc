package verisonus.desktop.gear;

import java.util.List;
import java.util.Optional;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import verisonus.core.rig.Block;
import verisonus.core.rig.Control;
import verisonus.core.rig.Dial;
import verisonus.core.rig.Gear;
import verisonus.core.rig.Model;
import verisonus.core.rig.Turning;
import verisonus.core.rig.Unit;
import verisonus.core.work.Figures;
import verisonus.desktop.theme.Nodes;

/** One device more closely: a name of its own, which of its model's controls it has, what they are called and how they turn. */
final class DeviceView extends VBox {
    private static final String HOW = "A scale is its two ends, then what the control does at two or three places:"
            + " 0..10; 2 = 150; 5 = 330; 9 = 700.";

    private final GearModel model;
    private final Label fault = Nodes.label("", "small");

    DeviceView(GearModel model, Model device) {
        super(4);
        this.model = model;
        setPadding(new Insets(2, 0, 8, 14));
        setId("device");
        fault.setId("device-fault");
        Optional<Unit> own = model.rig().unit(device.name());
        if (own.isPresent()) {
            controls(own.get());
        } else {
            naming(device);
        }
    }

    private void naming(Model device) {
        TextField name = Nodes.field("", "a name of your own for " + device.name());
        name.setId("device-name");
        name.setPromptText("what you call yours");
        name.setPrefColumnCount(14);
        Label fault = Nodes.label("", "small");
        name.setOnAction(_ -> {
            if (!model.own(device, name.getText())) fault.setText("that name is taken");
        });
        HBox row = new HBox(8, Nodes.label("call it", "quiet", "small"), name, fault);
        row.setAlignment(Pos.CENTER_LEFT);
        getChildren().addAll(row,
                Nodes.label("With a name of its own you can say which controls it has and what they are called.",
                        "quiet",
                        "small"));
    }

    private void controls(Unit unit) {
        GridPane grid = new GridPane(8, 2);
        List<Control> all = unit.model().controls();
        List<Control> folded = all.stream().filter(c -> c.rare() && !isTold(unit, c)).toList();
        for (Control c : all) if (!folded.contains(c)) row(grid, unit, c);
        Button more = Nodes.plain(folded.size() + " more controls");
        more.setId("device-more");
        more.setVisible(!folded.isEmpty());
        more.setManaged(more.isVisible());
        more.setOnAction(_ -> {
            folded.forEach(c -> row(grid, unit, c));
            more.setVisible(false);
            more.setManaged(false);
        });
        Button forget = Nodes.plain("forget this device");
        forget.setId("device-forget");
        forget.setOnAction(_ -> model.forget(unit));
        boolean learnt = !Gear.model(unit.base()).voice().equals(unit.model().voice());
        getChildren().addAll(
                Nodes.label((learnt ? "learnt; sounds nearest to " : "one of ") + unit.base(), "quiet", "small"),
                grid, more, Nodes.wrapped(HOW, "quiet", "small"), fault, forget);
    }

    /** Whether the player has said something of it. */
    private static boolean isTold(Unit unit, Control c) {
        return c.isFixed() || unit.labels().containsKey(c.name()) || unit.turnings().containsKey(c.name())
                || unit.dials().containsKey(c.name());
    }

    private void row(GridPane grid, Unit unit, Control c) {
        int line = grid.getRowCount();
        CheckBox has = new CheckBox(Block.of(unit.model()).label(c.name()));
        has.setMinWidth(USE_PREF_SIZE);
        has.setId("has-" + c.name().replace(' ', '-'));
        has.setSelected(!c.isFixed());
        has.setAccessibleText(unit.name() + " has " + c.name());
        has.setOnAction(_ -> model.has(unit, c, has.isSelected()));
        grid.add(has, 0, line);
        if (c.isFixed()) {
            grid.add(whole("stands at " + c.display(c.defaultValue())), 1, line, 2, 1);
            return;
        }
        TextField label = Nodes.field(unit.labels().getOrDefault(c.name(), ""),
                "what it is called on it: " + c.name());
        label.setId("label-" + c.name().replace(' ', '-'));
        label.setPromptText("called");
        label.setPrefColumnCount(8);
        label.setMinWidth(USE_PREF_SIZE);
        label.setOnAction(_ -> model.label(unit, c, label.getText()));
        grid.add(label, 1, line);
        if (!c.isChoice()) grid.add(dial(unit, c), 2, line);
        Optional.ofNullable(unit.turnings().get(c.name())).map(DeviceView::words).or(() -> reach(unit, c))
                .ifPresent(words -> grid.add(whole(words), 3, line));
    }

    private static Label whole(String words) {
        Label out = Nodes.label(words, "quiet", "small");
        out.setMinWidth(USE_PREF_SIZE);
        return out;
    }

    /** Its own scale, where it has one; else a word that asks for it. */
    private Node dial(Unit unit, Control c) {
        Optional<Dial> known = Optional.ofNullable(unit.dials().get(c.name()));
        TextField shows = field(unit, c, known);
        if (known.isPresent()) return shows;
        Button ask = Nodes.plain("its own scale");
        ask.setId("scale-" + c.name().replace(' ', '-'));
        ask.setAccessibleText("the scale of " + c.name() + " on " + unit.name());
        StackPane place = new StackPane(ask);
        place.setAlignment(Pos.CENTER_LEFT);
        ask.setOnAction(_ -> {
            place.getChildren().setAll(shows);
            shows.requestFocus();
        });
        return place;
    }

    /** The scale and the places that are known, in one line. */
    private TextField field(Unit unit, Control c, Optional<Dial> known) {
        TextField shows = Nodes.field(known.map(Dial::words).orElse(""),
                "what stands round it and what it does there: " + c.name());
        shows.setId("dial-" + c.name().replace(' ', '-'));
        shows.setPromptText(example(c));
        shows.setPrefColumnCount(24);
        shows.setMinWidth(USE_PREF_SIZE);
        shows.setOnAction(_ -> fault.setText(model.dial(unit, c, shows.getText())));
        return shows;
    }

    /** Two places of a scale from 0 to 10, a third of the way up and two thirds. */
    private static String example(Control c) {
        String pattern = c.maximum() >= 100 ? "0..10; 3 = %.0f; 7 = %.0f" : "0..10; 3 = %.1f; 7 = %.1f";
        return Figures.of(pattern, c.valueAt(0.3), c.valueAt(0.7));
    }

    /** How far the device turns its model's control. */
    private static Optional<String> reach(Unit unit, Control c) {
        Control whole = Gear.model(unit.base()).control(c.name());
        return Optional.ofNullable(unit.dials().get(c.name())).filter(d -> !d.pairs().isEmpty())
                .map(d -> whole.display(d.reach(whole)[0]) + " to " + whole.display(d.reach(whole)[1]));
    }

    private static String words(Turning t) {
        return Figures.of("learnt from %.1f to %.1f", t.places().getFirst().device(), t.places().getLast().device());
    }
}
