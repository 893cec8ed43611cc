package verisonus.desktop.perform;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.animation.PauseTransition;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ChoiceBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;
import javafx.util.Duration;
import verisonus.core.perform.time.NoteSum;
import verisonus.core.perform.time.RhythmPlan;
import verisonus.core.perform.time.TempoRange;
import verisonus.core.plan.NoteValue;
import verisonus.core.rig.ControlPlace;
import verisonus.core.work.Figures;
import verisonus.desktop.theme.Choices;
import verisonus.desktop.theme.Hint;
import verisonus.desktop.theme.Nodes;
import verisonus.desktop.theme.Theme;

/** The beat, what follows it, and the rhythm that the echo makes. */
final class TimePart extends VBox {
    private static final int CHOICES = 5;

    private final TimeModel model;
    private final PauseTransition tapped = new PauseTransition(Duration.seconds(2));
    private final TextField tempo = Nodes.field("", "tempo in quarter notes a minute");
    private final Label drift = Nodes.wrapped("");
    private final FlowPane bound = new FlowPane(10, 4);
    private final RhythmDrawing drawing;
    private final Label counted = Nodes.wrapped("", "small", "quiet");
    private final FlowPane choices = new FlowPane(6, 4);

    TimePart(TimeModel model, Theme theme) {
        super(8);
        this.model = model;
        drawing = new RhythmDrawing(theme);
        tempo.setId("perform-tempo");
        tempo.setOnAction(_ -> model.setTempo(tempo.getText()));
        Button set = new Button("Set the tempo");
        set.setId("set-tempo");
        Hint.on(set, "times that are a note value at it follow it from then on");
        set.setOnAction(_ -> model.setTempo(tempo.getText()));
        Button hear = new Button("Hear it at the tempo");
        hear.setId("hear-tempo");
        hear.setOnAction(_ -> model.hear(Optional.empty()));
        tapped.setOnFinished(_ -> model.settleTaps());
        Button tap = Nodes.plain("tap it (T)");
        tap.setId("tap-tempo");
        Hint.on(tap, "four taps or more; it stands when you stop");
        tap.setOnAction(_ -> tap());
        Button play = new Button("As my take plays");
        play.setId("played-tempo");
        Hint.on(play, "the beat of your own take; it should have one");
        play.setOnAction(_ -> model.setTempoOfTake());
        FlowPane first = new FlowPane(8, 4, tempo, Nodes.label("BPM", "quiet"), set, play, tap, hear);
        first.setAlignment(Pos.CENTER_LEFT);
        bound.setAlignment(Pos.CENTER_LEFT);
        choices.setAlignment(Pos.CENTER_LEFT);
        Label said = Nodes.wrapped("", "small");
        said.managedProperty().bind(said.textProperty().isNotEmpty());
        model.said().subscribe(said::setText);
        drift.managedProperty().bind(drift.textProperty().isNotEmpty());
        getChildren().addAll(first, drift, bound, drawing, counted, choices, said);
        model.tempo().subscribe(_ -> show());
        model.heard().subscribe(_ -> show());
        model.rhythm().subscribe(_ -> show());
    }

    /** One tap, by key or button. */
    void tap() {
        model.tap(System.nanoTime());
        tapped.playFromStart();
    }

    private void show() {
        tempo.setText(model.bpm().map(b -> Figures.of("%.1f", b)).orElse(""));
        drift.setText(model.heard().get()
                .map(h -> (model.isOfTheTake() ? "In your take " : "In the record ") + h.range().words() + "."
                        + flam(h.range()))
                .orElse(""));
        bound.getChildren().clear();
        for (ControlPlace p : model.bindable()) bound.getChildren().add(binding(p));
        Optional<TimeModel.Rhythm> r = model.rhythm().get();
        drawing.show(r);
        drawing.setVisible(r.isPresent());
        drawing.setManaged(r.isPresent());
        choices.getChildren().clear();
        if (r.isEmpty()) {
            counted.setText(model.heard().get().map(h -> h.notes().isEmpty()
                    ? "No note begins in the take that could be heard: record a phrase, then its rhythm can be drawn."
                    : "The tone has no echo, so it adds no notes.").orElse(""));
            return;
        }
        RhythmPlan p = r.get().plan();
        long played = p.notes().stream().filter(RhythmPlan.Note::isPlayed).count();
        counted.setText(
                Figures.of("%d played notes; the echo adds %d new ones within the phrase%s. Other note values:", played,
                        p.newAccents().size(),
                        p.flams().isEmpty() ? "" : ", " + p.flams().size() + " stumble over played ones"));
        for (RhythmPlan.Choice c : r.get().choices().stream().limit(CHOICES).toList()) {
            Button b = Nodes.plain(c.value().name() + ", " + c.accents() + " new");
            b.setId("rhythm-" + c.value().name().replace(' ', '-'));
            Hint.on(b, c.words() + "; pressed: heard");
            b.setOnAction(_ -> model.hear(Optional.of(c.value())));
            choices.getChildren().add(b);
        }
    }

    private String flam(TempoRange range) {
        Optional<NoteSum> first = model.bindable().stream().map(model::bound).flatMap(Optional::stream).findFirst();
        if (first.isEmpty() || model.bpm().isEmpty() || !range.isKnown()) return "";
        return Figures.of(" Its first repeat stands apart once the tempo is %.1f BPM off.",
                TempoRange.flamBpm(first.get(), model.bpm().get(), 1));
    }

    private Node binding(ControlPlace place) {
        ChoiceBox<Optional<NoteSum>> box = new ChoiceBox<>();
        List<Optional<NoteSum>> all = new ArrayList<>(List.of(Optional.empty()));
        for (NoteValue v : NoteValue.ALL)
            if (v.quarters() <= 2 && v.quarters() >= 0.125) all.add(Optional.of(new NoteSum(List.of(v))));
        Optional<NoteSum> now = model.bound(place);
        if (now.isPresent() && !all.contains(now)) all.add(now);
        box.getItems().setAll(all);
        box.setConverter(Choices.named(s -> s.map(NoteSum::words).orElse("free"), Optional.empty()));
        box.setValue(now);
        box.setId("bind-" + place.toString().replace('/', '-'));
        box.setAccessibleText("note value that " + place + " follows");
        box.valueProperty().subscribe((was, v) -> {
            if (v != null && !v.equals(was)) model.bind(place, v);
        });
        FlowPane out = new FlowPane(6, 2, Nodes.label(place.block() + " " + place.control()), box,
                Nodes.label(model.words(place), "quiet"));
        out.setAlignment(Pos.CENTER_LEFT);
        out.setPrefWrapLength(620);
        return out;
    }
}
