package verisonus.desktop.perform;

import java.util.List;
import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.ChoiceBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;
import verisonus.core.perform.foot.FootRide;
import verisonus.core.perform.foot.PedalRange;
import verisonus.core.perform.foot.PedalUse;
import verisonus.core.rig.ControlPlace;
import verisonus.core.work.Figures;
import verisonus.desktop.theme.Choices;
import verisonus.desktop.theme.Hint;
import verisonus.desktop.theme.Nodes;
import verisonus.desktop.theme.Theme;

/** A control under a foot: its window on a ruled scale with the reasons at both ends, then what is on the pedals. */
final class FootPart extends VBox {
    private static final String[] WAY = {"heel", "¼", "½", "¾", "toe"};

    private final FootModel model;
    private final ChoiceBox<ControlPlace> control = new ChoiceBox<>();
    private final PedalScale scale;
    private final Label why = Nodes.wrapped("");
    private final FlowPane places = new FlowPane(6, 4);
    private final FlowPane keeping = new FlowPane(6, 4);
    private final VBox kept = new VBox(2);
    private final VBox ridden = new VBox(2);

    FootPart(FootModel model, Theme theme) {
        super(8);
        this.model = model;
        scale = new PedalScale(model, theme);
        control.setId("pedal-control");
        control.setAccessibleText("control that the pedal moves");
        control.setConverter(Choices.named(p -> p.block() + " " + p.control(), new ControlPlace("", "")));
        Button find = new Button("Find heel and toe, about 8 s");
        find.setId("find-pedal");
        Hint.on(find, "plays your take with the control at seventeen places");
        find.setOnAction(_ -> Optional.ofNullable(control.getValue()).ifPresent(model::find));
        Button follow = new Button("What was ridden on the record, about 4 s");
        follow.setId("follow-ride");
        Hint.on(follow, "reads a level or repeats that a hand moved, and says when your foot must move");
        follow.setOnAction(_ -> model.follow());
        FlowPane first = new FlowPane(8, 4, control, find, follow);
        first.setAlignment(Pos.CENTER_LEFT);
        TextField name = Nodes.field("pedal 1", "name of the pedal");
        name.setId("pedal-name");
        Button keep = new Button("Put it on this pedal");
        keep.setId("keep-pedal");
        keep.setOnAction(_ -> model.keep(name.getText()));
        keeping.getChildren().addAll(name, keep);
        keeping.setAlignment(Pos.CENTER_LEFT);
        places.setAlignment(Pos.CENTER_LEFT);
        Label said = Nodes.wrapped("", "small");
        said.managedProperty().bind(said.textProperty().isNotEmpty());
        model.said().subscribe(said::setText);
        getChildren().addAll(first, scale, why, places, keeping, kept, ridden, said);
        model.sweepable().subscribe(_ -> show());
        model.found().subscribe(_ -> show());
        model.uses().subscribe(_ -> show());
        model.ridden().subscribe(this::ridden);
    }

    private void ridden(List<FootRide> rides) {
        ridden.getChildren().clear();
        for (FootRide r : rides) {
            String moves = r.place().map(p -> p.block() + " " + p.control())
                    .orElse(r.scale() == FootRide.Scale.HZ
                            ? "a movement that the tone has not got"
                            : "the level of all");
            ridden.getChildren().add(Nodes.wrapped("Ridden on the record, by a hand or by the playing: the " + r.what()
                    + ", so move " + moves + ":", "strong"));
            for (FootRide.Move m : r.moves())
                ridden.getChildren().add(Nodes.wrapped(m.words(v -> r.place().map(p -> model.display(p, v))
                        .orElse(Figures.withMinus(r.scale().words(v))))));
        }
    }

    private void show() {
        List<ControlPlace> all = model.sweepable().get();
        if (!all.equals(control.getItems())) {
            control.getItems().setAll(all);
            all.stream().filter(p -> p.control().equals("mix")).findFirst().or(() -> all.stream().findFirst())
                    .ifPresent(control::setValue);
        }
        Optional<PedalRange> r = model.found().get();
        boolean useful = r.filter(PedalRange::isUseful).isPresent();
        scale.show(r);
        for (var n : List.of(scale, why, places, keeping)) {
            n.setVisible(useful);
            n.setManaged(useful);
        }
        places.getChildren().clear();
        r.filter(PedalRange::isUseful).ifPresent(this::range);
        kept.getChildren().clear();
        for (PedalUse u : model.uses().get()) kept.getChildren().add(row(u));
        for (String fault : model.faults()) kept.getChildren().add(Nodes.wrapped(fault + ".", "gap-ink"));
    }

    private void range(PedalRange r) {
        why.setText("Heel " + model.display(r.place(), r.low()) + ": " + r.lowWhy() + ". Toe " + model.display(r
                .place(), r.high()) + ": " + r.highWhy() + ". "
                + (r.even() ? "Its own track will do." : "Let the pedal follow these places:"));
        for (PedalRange.Anchor a : r.anchors()) {
            String words = Figures.of("%s %s%s", WAY[(int) Math.round(4 * a.travel())], model.display(
                    r.place(), a.value()),
                    a.repeats() < 0
                            ? ""
                            : Figures.of(", %d repeats, %.1f s", a.repeats(), a.repeatsS()));
            Button b = Nodes.plain(words);
            b.setId("pedal-at-" + Math.round(100 * a.travel()));
            Hint.on(b, "hear it there");
            b.setOnAction(_ -> model.hear(r, a.value()));
            places.getChildren().add(b);
        }
    }

    private FlowPane row(PedalUse u) {
        Button off = Nodes.plain("take it off");
        off.setId("off-" + u.place().toString().replace('/', '-'));
        off.setOnAction(_ -> model.drop(u));
        FlowPane out = new FlowPane(8, 2, Nodes.label(u.pedal() + ": " + u.place().block() + " " + u.place().control()
                + " from " + model.display(u.place(), u.low()) + " to " + model.display(u.place(), u.high())), off);
        out.setAlignment(Pos.CENTER_LEFT);
        return out;
    }
}
