package verisonus.desktop.travel;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javafx.geometry.HPos;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ChoiceBox;
import javafx.scene.control.Label;
import javafx.scene.control.RadioButton;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.Slider;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.ColumnConstraints;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.stage.FileChooser;
import verisonus.casebook.words.SafeTime;
import verisonus.core.travel.BandChange;
import verisonus.core.travel.EqualLoudness;
import verisonus.core.travel.Journey;
import verisonus.core.travel.NamedBand;
import verisonus.core.travel.Travelled;
import verisonus.core.travel.system.PlaybackSystem;
import verisonus.core.travel.trim.Trim;
import verisonus.core.work.Figures;
import verisonus.desktop.theme.AxisTicks;
import verisonus.desktop.theme.Choices;
import verisonus.desktop.theme.FileDialogs;
import verisonus.desktop.theme.Hint;
import verisonus.desktop.theme.Nodes;
import verisonus.desktop.theme.Theme;

/** The travel bench: systems against bands as figures with signs, the worst first; below, one of them closely. */
public final class TravelView extends BorderPane {
    /** A change this large is set in the gap's ink. */
    private static final double MARKED_DB = 3;
    private static final FileChooser.ExtensionFilter RESPONSES = new FileChooser.ExtensionFilter("Responses", "*.csv",
            "*.txt", "*.wav", "*.CSV", "*.TXT", "*.WAV");

    private final TravelModel model;
    private final Label heading = Nodes.wrapped("", "heading");
    private final Label level = Nodes.label("", "quiet", "small");
    private final Label said = Nodes.wrapped("", "small");
    private final GridPane table = new GridPane();
    private final ToggleGroup group = new ToggleGroup();
    private final SystemDetail detail;
    private final VersionsView versions;
    private final ChoiceBox<Optional<PlaybackSystem>> listened = new ChoiceBox<>();
    private boolean filling;

    public TravelView(TravelModel model, Theme theme) {
        this.model = model;
        getStyleClass().add("travel");
        detail = new SystemDetail(model, theme);
        versions = new VersionsView(model, model.versions());
        setPadding(new Insets(14, 22, 10, 22));
        Label about = Nodes.label(
                "dB against a flat loudspeaker at the level the tone was made at (75 dB SPL), loudness matched",
                "quiet", "small");
        FlowPane listening = listening();
        HBox title = new HBox(14, heading, about);
        title.setAlignment(Pos.BASELINE_LEFT);
        setTop(Nodes.column(6, title, listening));
        table.setPadding(new Insets(8, 0, 4, 0));
        table.setHgap(8);
        FlowPane actions = actions();
        VBox body = Nodes.column(6, table, actions, said, detail, versions);
        said.managedProperty().bind(said.textProperty().isNotEmpty());
        ScrollPane scroll = new ScrollPane(body);
        scroll.setFitToWidth(true);
        setCenter(scroll);
        columns();
        model.said().subscribe(said::setText);
        model.travelled().subscribe(this::show);
        model.trims().subscribe(_ -> show(model.travelled().get()));
        model.travelled().map(t -> !t.isEmpty()).subscribe(any -> {
            versions.setVisible(any);
            about.setVisible(any);
            listening.setVisible(any);
            table.setVisible(any);
        });
        group.selectedToggleProperty().subscribe(t -> {
            if (t != null && !filling) {
                model.chosen().set(Optional.of((String) t.getUserData()));
                detail.show();
                versions.show();
            }
        });
    }

    private FlowPane listening() {
        Slider slider = new Slider(TravelModel.SOFTEST_DB_SPL, TravelModel.LOUDEST_DB_SPL, model.levelDbSpl().get());
        slider.setId("travel-level");
        slider.setAccessibleText("listening level, dB SPL");
        slider.setPrefWidth(180);
        slider.valueProperty().subscribe(v -> {
            level.setText(words(v.doubleValue()));
            if (!slider.isValueChanging()) model.levelDbSpl().set(Math.rint(v.doubleValue()));
        });
        slider.valueChangingProperty().subscribe(changing -> {
            if (!changing) model.levelDbSpl().set(Math.rint(slider.getValue()));
        });
        level.setMinWidth(170);
        listened.setId("listened-on");
        listened.setConverter(Choices.named(s -> s.map(PlaybackSystem::name).orElse("something unknown"),
                Optional.empty()));
        listened.setAccessibleText("what you listen on: taken out of what is heard, as far as is safe");
        Hint.on(listened, listened.getAccessibleText());
        listened.valueProperty().subscribe(v -> {
            if (v != null && !filling) model.listenedOn().set(v);
        });
        CheckBox matched = new CheckBox("loudness matched");
        matched.selectedProperty().bindBidirectional(model.matched());
        Hint.on(matched, "off: each system as loud as it would be");
        HBox heard = new HBox(10, Nodes.label("heard at", "quiet"), slider, level);
        HBox on = new HBox(10, Nodes.label("you listen on", "quiet"), listened, matched);
        for (HBox part : List.of(heard, on)) {
            part.setAlignment(Pos.CENTER_LEFT);
            part.getChildren().forEach(n -> ((Region) n).setMinWidth(Region.USE_PREF_SIZE));
        }
        return new FlowPane(20, 4, heard, on);
    }

    private FlowPane actions() {
        Button all = new Button("Find what to turn everywhere");
        all.setId("find-trims");
        all.setOnAction(_ -> model.findTrims());
        Button one = new Button("One setting for all");
        one.setId("one-for-all");
        Hint.on(one, "the one change that serves all systems but guitar cabinets");
        one.setOnAction(_ -> model.findOneForAll());
        Button add = new Button("Add a response");
        add.setId("add-system");
        Hint.on(add, "a measured response (CSV) or an impulse response (WAV) of a playback system");
        add.setOnAction(_ -> FileDialogs.open(getScene().getWindow(), "Add a playback system", RESPONSES)
                .ifPresent(model::importSystem));
        TextField name = new TextField("my loudspeaker");
        name.setId("measured-name");
        name.setPrefColumnCount(11);
        name.setAccessibleText("what the measured system is called");
        Button measure = new Button("Measure one here");
        measure.setId("measure-system");
        Hint.on(measure, "three sweeps out of this computer's output, heard with a microphone. A sweep is"
                + " loud and piercing: it plays at the listening level, which starts low");
        measure.setOnAction(_ -> {
            if (!name.getText().isBlank()) model.measure(name.getText().strip());
        });
        ToggleButton noise = new ToggleButton("noise for a level meter");
        noise.setId("level-noise");
        noise.getStyleClass().add("plain");
        Hint.on(noise, "a steady noise; what a meter reads at your ear makes the level known");
        noise.setOnAction(_ -> model.toggleNoise());
        TextField reading = new TextField();
        reading.setId("level-reading");
        reading.setPromptText("it reads … dBA");
        reading.setPrefColumnCount(8);
        reading.setAccessibleText("what the level meter reads, dBA");
        reading.setOnAction(_ -> model.measuredLevel(reading.getText()));
        reading.visibleProperty().bind(model.noise());
        model.noise().subscribe(noise::setSelected);
        FlowPane out = new FlowPane(8, 6, all, one, add, measure, name, noise, reading);
        out.setAlignment(Pos.CENTER_LEFT);
        return out;
    }

    private void columns() {
        table.getColumnConstraints().add(new ColumnConstraints(170));
        for (int i = 0; i < NamedBand.values().length + 2; i++) {
            ColumnConstraints c = new ColumnConstraints(58, 76, 76);
            c.setHalignment(HPos.RIGHT);
            table.getColumnConstraints().add(c);
        }
    }

    private static String words(double dbSpl) {
        String time = SafeTime.at(dbSpl);
        return Figures.of("%.0f dB SPL · safe for %s", dbSpl, time.equals("all day") ? time : time + " a day")
                + (EqualLoudness.knows(dbSpl) ? "" : " · the ear’s curves end at 20 and 90");
    }

    private void show(List<Travelled> unsorted) {
        filling = true;
        table.getChildren().clear();
        group.getToggles().clear();
        Optional<Travelled> worst = Journey.worst(unsorted);
        heading.setText(worst.map(w -> "It changes most on: " + w.system().name() + ".")
                .orElse("Derive a tone first: then it can travel."));
        if (worst.isPresent()) {
            List<Travelled> sorted = unsorted.stream()
                    .sorted((a, b) -> Double.compare(b.changeDb(), a.changeDb())).toList();
            head(sorted.get(0));
            int line = 1;
            for (Travelled t : sorted) row(t, line++);
            List<Optional<PlaybackSystem>> choices = new ArrayList<>(List.of(Optional.empty()));
            unsorted.forEach(t -> choices.add(Optional.of(t.system())));
            listened.getItems().setAll(choices);
            listened.setValue(choices.stream().filter(c -> c.equals(model.listenedOn().get())).findFirst()
                    .orElse(Optional.empty()));
        }
        filling = false;
        detail.show();
    }

    private void head(Travelled t) {
        int column = 1;
        for (BandChange b : t.bands()) {
            VBox head = Nodes.column(0, Nodes.label(b.name(), "small"), Nodes.label(span(b), "small", "quiet"));
            head.setAlignment(Pos.BOTTOM_RIGHT);
            table.add(head, column++, 0);
        }
        for (String word : List.of("loudness", "turned")) table.add(Nodes.label(word, "small", "quiet"), column++, 0);
    }

    private void row(Travelled t, int line) {
        RadioButton name = new RadioButton(t.system().name());
        name.setToggleGroup(group);
        name.setUserData(t.system().id());
        name.setId("system-" + t.system().id());
        if (line == 1) name.getStyleClass().add("strong");
        name.setPadding(new Insets(1, 0, 1, 0));
        name.setSelected(model.shown().filter(s -> s.system().id().equals(t.system().id())).isPresent());
        table.add(name, 0, line);
        int column = 1;
        for (BandChange b : t.bands()) {
            boolean marked = Math.abs(b.changeDb()) >= MARKED_DB;
            table.add(Nodes.label(signed(b.changeDb()), marked ? "gap-ink" : "ink", marked ? "strong" : "ink"),
                    column++, line);
        }
        table.add(Nodes.label(signed(t.loudnessChangeDb()), "quiet"), column++, line);
        Map<String, Trim> trims = model.trims().get();
        Trim trim = trims.get(t.system().id());
        Label turned = Nodes.label(trim == null
                ? ""
                : trim.isEmpty()
                        ? "as it is"
                        : Figures.of("%.1f → %.1f", trim.beforeDb(), trim.afterDb()),
                "quiet");
        Hint.on(turned, "colour off by how many dB, before and after what is turned");
        turned.setMinWidth(66);
        table.add(turned, column, line);
    }

    private static String span(BandChange b) {
        if (b.toHz() < 1000) return Figures.of("%.0f–%.0f Hz", b.fromHz(), b.toHz());
        return AxisTicks.number(b.fromHz() / 1000) + "–" + AxisTicks.number(b.toHz() / 1000) + " kHz";
    }

    private static String signed(double db) {
        return Figures.read("%+.1f", db);
    }
}
