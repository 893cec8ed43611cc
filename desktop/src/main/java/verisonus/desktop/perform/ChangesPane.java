package verisonus.desktop.perform;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ChoiceBox;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import verisonus.casebook.sheet.ToneSheet;
import verisonus.core.perform.VariantMatrix;
import verisonus.core.rig.Block;
import verisonus.core.rig.Control;
import verisonus.core.rig.ControlPlace;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Tone;
import verisonus.core.rig.Variant;
import verisonus.core.work.Figures;
import verisonus.desktop.desk.Bench;
import verisonus.desktop.theme.Hint;
import verisonus.desktop.theme.LetterMark;
import verisonus.desktop.theme.Nodes;
import verisonus.desktop.theme.Theme;

/** The settings in which the chosen sound differs from the tone, drawn as they lie on the chain, and what that costs; all of them on request. */
final class ChangesPane extends VBox {
    private static final double WIDTH = 330;
    /** From here on a change is heard even by somebody who does not listen for it. */
    private static final double CLEAR_JND = 2;
    private static final double LITTLE_HEADROOM_DB = 3;

    private final VariantsModel model;
    private final VariantMaker maker;
    private final Theme theme;
    private final VBox rows = new VBox(6);
    private boolean whole;
    private String was = "";

    ChangesPane(VariantsModel model, VariantMaker maker, Theme theme) {
        super(8);
        this.model = model;
        this.maker = maker;
        this.theme = theme;
        getStyleClass().add("ruled-left");
        setPadding(new Insets(0, 0, 0, 20));
        setPrefWidth(WIDTH);
        setMinWidth(WIDTH);
        model.changed(this::show);
        show();
    }

    private void show() {
        if (!was.equals(model.chosen().get())) whole = false;
        was = model.chosen().get();
        Optional<Ground> ground = Ground.of(model.desk());
        getChildren().clear();
        rows.getChildren().clear();
        if (ground.isEmpty()) return;
        Optional<Variant> variant = model.find(model.chosen().get());
        if (variant.isPresent()) changes(ground.get().tone(), variant.get());
        else itself();
    }

    private void itself() {
        Button derive = Nodes.plain("turn it in Derive");
        derive.setId("turn-tone");
        derive.setOnAction(_ -> model.desk().bench().set(Bench.DERIVE));
        getChildren().addAll(Nodes.label("A, the tone itself", "heading"),
                Nodes.wrapped("The others keep its settings but for the few in which they differ; what is turned in the"
                        + " tone is turned in all of them.", "small", "quiet"),
                new FlowPane(derive));
    }

    private void changes(Tone base, Variant v) {
        int place = model.variants().get().indexOf(v) + 1;
        Label title = Nodes.wrapped(LetterMark.letter(place) + ", " + v.name() + (whole
                ? ": every setting"
                : ": what changes"), "heading");
        Tone now = v.on(base);
        for (Block b : now.blocks()) block(base, b, v);
        if (rows.getChildren().isEmpty())
            rows.getChildren().add(Nodes.wrapped("Nothing yet.", "quiet"));
        for (String lost : v.lost(base))
            rows.getChildren().add(Nodes.wrapped(lost + " is no longer in the tone", "small", "gap-ink"));
        ScrollPane scroll = new ScrollPane(rows);
        scroll.setFitToWidth(true);
        scroll.setMinHeight(0);
        rows.heightProperty().subscribe(h -> scroll.setPrefHeight(h.doubleValue() + 2));
        getChildren().addAll(title, scroll);
        model.chosenRow().ifPresent(this::price);
        getChildren().add(actions(v));
    }

    private void block(Tone base, Block b, Variant v) {
        Optional<Block> in = base.find(b.id());
        if (in.isEmpty()) return;
        boolean switched = v.switches().containsKey(b.id());
        if (whole || switched) rows.getChildren().add(power(b, v, switched));
        if (whole && !b.on()) return;
        for (Control c : b.model().turnable()) {
            ControlPlace place = ControlPlace.of(b, c.name());
            boolean differs = v.settings().containsKey(place);
            if (differs || whole && !ToneSheet.isUnused(b, c)) rows.getChildren().add(setting(in.get(), b, c, v));
        }
    }

    private Node power(Block b, Variant v, boolean switched) {
        CheckBox on = new CheckBox(b.model().name() + (switched ? b.on() ? ": on here" : ": off here" : ""));
        on.setId("variant-on-" + b.id());
        on.setSelected(b.on());
        on.getStyleClass().add("strong");
        on.setOnAction(_ -> model.toggle(v.name(), b.id(), on.isSelected()));
        return on;
    }

    private Node setting(Block tone, Block now, Control c, Variant v) {
        Rig rig = model.desk().rig().get();
        ControlPlace place = ControlPlace.of(now, c.name());
        double from = tone.get(c.name());
        double to = now.get(c.name());
        Label name = Nodes.label((whole ? "" : now.id() + " ") + rig.label(now, c.name()));
        Region space = new Region();
        HBox.setHgrow(space, Priority.ALWAYS);
        HBox head = new HBox(6, name, space);
        head.setAlignment(Pos.CENTER_LEFT);
        boolean differs = Math.abs(from - to) > 1e-9;
        if (differs)
            head.getChildren().add(Nodes.label(rig.display(now.model(), c, from) + " →", "mine-ink", "small"));
        if (c.isChoice()) {
            head.getChildren().add(choice(c, to, place, v));
            return head;
        }
        TextField value = Nodes.field(rig.display(now.model(), c, to), now.id() + " " + c.name() + " in this variant");
        value.setId("variant-" + place.toString().replace('/', '-').replace(' ', '-'));
        value.setPrefColumnCount(6);
        value.setAlignment(Pos.CENTER_RIGHT);
        if (differs) value.getStyleClass().addAll("strong", "mine-ink");
        value.setOnAction(_ -> model.turn(v.name(), place, value.getText()));
        head.getChildren().add(value);
        TurnScale scale = new TurnScale(c, from, to, theme, x -> model.turn(v.name(), place, x));
        scale.setAccessibleText(now.model().name() + " " + c.name() + ", " + rig.display(now.model(), c, to));
        Hint.on(name, c.about());
        return Nodes.column(0, head, scale);
    }

    private Node choice(Control c, double to, ControlPlace place, Variant v) {
        ChoiceBox<String> box = new ChoiceBox<>();
        box.getItems().setAll(c.choices());
        box.setValue(c.choices().get((int) to));
        box.setAccessibleText(place + " in this variant");
        box.valueProperty().subscribe((before, chosen) -> {
            if (before != null && chosen != null && !chosen.equals(before)) model.turn(v.name(), place, chosen);
        });
        return box;
    }

    /** What it costs: what changes that was not meant to, and what is left before it clips. */
    private void price(VariantMatrix.Row r) {
        List<String> out = new ArrayList<>();
        double jnd = r.change().jnd();
        out.add(jnd < 0.5
                ? "but for loudness nobody would tell it from the tone"
                : Figures.of("but for loudness it lies %.1f JND from the tone: %s", jnd, jnd < CLEAR_JND
                        ? "just heard"
                        : "clearly heard"));
        double headroom = Math.rint(10 * r.reading().headroomDb()) / 10 + 0.0;
        if (headroom < 0) out.add(Figures.of("it clips by %.1f dB: turn the tone itself down first", -headroom));
        else if (headroom < LITTLE_HEADROOM_DB) out.add(Figures.of("%.1f dB are left before it clips", headroom));
        for (String s : out)
            getChildren().add(Nodes.wrapped(s, "small", headroom < 0 && s.startsWith("it clips")
                    ? "warned"
                    : "quiet"));
    }

    private Node actions(Variant v) {
        Button all = Nodes.plain(whole ? "only what changes" : "turn it yourself");
        all.setId("turn-variant");
        Hint.on(all, whole ? "folds the rest again" : "every setting of the chain, to be turned for this sound alone");
        all.setOnAction(_ -> {
            whole = !whole;
            show();
        });
        Button steps = Nodes.plain("steps to it");
        steps.setId("variant-ladder");
        Hint.on(steps, "three sounds between the tone and this one: evenly more dirt, as loud; about 8 s");
        steps.setOnAction(_ -> maker.ladder(v.name()));
        Button drop = Nodes.plain("drop");
        drop.setId("drop-" + v.name().replace(' ', '-'));
        Hint.on(drop, "takes the variant away; undo brings it back");
        drop.setOnAction(_ -> model.drop(v.name()));
        return new FlowPane(6, 0, all, steps, drop);
    }

    /** How many settings all sounds share, in words. */
    static String shared(Tone base, List<Variant> all) {
        long settings = base.blocks().stream().filter(Block::on)
                .mapToLong(b -> b.model().turnable().stream().filter(c -> !ToneSheet.isUnused(b, c)).count()).sum();
        long moved = all.stream().flatMap(v -> v.settings().keySet().stream()).distinct().count();
        long switched = all.stream().map(Variant::switches).map(Map::keySet).flatMap(s -> s.stream()).distinct()
                .count();
        return Figures.of("%d settings shared, %d turned%s", settings - moved, moved, switched == 0
                ? ""
                : ", " + switched + " switched");
    }
}
