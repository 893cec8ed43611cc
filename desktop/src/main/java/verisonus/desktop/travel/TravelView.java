package verisonus.desktop.travel;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import javafx.geometry.HPos;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.Slider;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.ColumnConstraints;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import verisonus.core.travel.BandChange;
import verisonus.core.travel.Journey;
import verisonus.core.travel.ListeningDose;
import verisonus.core.travel.Travelled;
import verisonus.desktop.theme.AxisTicks;
import verisonus.desktop.theme.Nodes;

/** The travel bench: systems against bands as figures with signs, the worst first, and what to turn. */
public final class TravelView extends BorderPane {
    /** A change this large is set in the gap's ink. */
    private static final double MARKED_DB = 3;

    private final TravelModel model;
    private final Label heading = Nodes.wrapped("", "heading");
    private final Label level = Nodes.label("", "quiet", "small");
    private final GridPane table = new GridPane();
    private final VBox advice = new VBox(10);

    public TravelView(TravelModel model) {
        this.model = model;
        getStyleClass().add("travel");
        Slider slider = new Slider(TravelModel.SOFTEST_DB_SPL, TravelModel.LOUDEST_DB_SPL, model.levelDbSpl().get());
        slider.setId("travel-level");
        slider.setAccessibleText("listening level, dB SPL");
        slider.setPrefWidth(220);
        slider.valueProperty().subscribe(v -> {
            level.setText(words(v.doubleValue()));
            if (!slider.isValueChanging()) model.levelDbSpl().set(Math.rint(v.doubleValue()));
        });
        slider.valueChangingProperty().subscribe(changing -> {
            if (!changing) model.levelDbSpl().set(Math.rint(slider.getValue()));
        });
        HBox levels = new HBox(10, Nodes.label("heard at", "quiet"), slider, level);
        levels.setAlignment(Pos.CENTER_LEFT);
        setPadding(new Insets(14, 22, 10, 22));
        VBox explained = Nodes.column(8,
                Nodes.label(
                        "dB against a flat loudspeaker at the level the tone was made at (75 dB SPL), loudness matched",
                        "quiet", "small"),
                levels);
        setTop(Nodes.column(8, heading, explained));
        table.setPadding(new Insets(14, 0, 14, 0));
        table.setHgap(10);
        VBox body = Nodes.column(6, table, Nodes.label("What to turn", "strong"), advice);
        ScrollPane scroll = new ScrollPane(body);
        scroll.setFitToWidth(true);
        setCenter(scroll);
        model.travelled().map(t -> !t.isEmpty()).subscribe(any -> {
            explained.setVisible(any);
            scroll.setVisible(any);
        });
        columns();
        model.travelled().subscribe(this::show);
    }

    private void columns() {
        table.getColumnConstraints().add(new ColumnConstraints(170));
        for (int i = 0; i < 7; i++) {
            ColumnConstraints c = new ColumnConstraints(80);
            c.setHalignment(HPos.RIGHT);
            table.getColumnConstraints().add(c);
        }
    }

    private static String words(double dbSpl) {
        double minutes = ListeningDose.safeMinutesPerDay(dbSpl);
        String time = minutes >= 1440
                ? "safe all day"
                : minutes >= 60
                        ? String.format(Locale.ROOT, "%.0f h a day are safe", minutes / 60)
                        : String.format(Locale.ROOT, "%.0f minutes a day are safe", minutes);
        return String.format(Locale.ROOT, "%.0f dB SPL · %s", dbSpl, time);
    }

    private void show(List<Travelled> unsorted) {
        table.getChildren().clear();
        advice.getChildren().clear();
        Optional<Travelled> worst = Journey.worst(unsorted);
        heading.setText(worst.map(w -> "It changes most on: " + w.system().name() + ".")
                .orElse("Derive a tone first: then it can travel."));
        if (worst.isEmpty()) return;
        List<Travelled> sorted = unsorted.stream()
                .sorted((a, b) -> Double.compare(b.changeDb(), a.changeDb())).toList();
        int column = 1;
        for (BandChange b : sorted.get(0).bands()) {
            VBox head = Nodes.column(0, Nodes.label(b.name(), "small"),
                    Nodes.label(span(b), "small", "quiet"));
            head.setAlignment(Pos.BOTTOM_RIGHT);
            table.add(head, column++, 0);
        }
        table.add(Nodes.label("loudness", "small", "quiet"), column, 0);
        int line = 1;
        for (Travelled t : sorted) addSystem(t, line++);
    }

    private void addSystem(Travelled t, int line) {
        Label name = Nodes.label(t.system().name(), line == 1 ? "strong" : "plain-name");
        name.setPadding(new Insets(7, 0, 7, 0));
        table.add(name, 0, line);
        int column = 1;
        for (BandChange b : t.bands()) {
            table.add(Nodes.label(signed(b.changeDb()), Math.abs(b.changeDb()) >= MARKED_DB ? "gap-ink" : "ink",
                    Math.abs(b.changeDb()) >= MARKED_DB ? "strong" : "ink"), column++, line);
        }
        table.add(Nodes.label(signed(t.loudnessChangeDb()), "quiet"), column, line);
        Label system = Nodes.label(t.system().name(), "quiet");
        system.setMinWidth(170);
        String said = t.advice().isEmpty() ? "nothing" : String.join("; ", t.advice());
        String gap = String.join("; ", t.findings().stream().filter(f -> f.startsWith("against")).toList());
        VBox words = Nodes.column(1, Nodes.wrapped(said));
        if (!gap.isEmpty()) words.getChildren().add(Nodes.wrapped(gap, "small", "quiet"));
        HBox row = new HBox(10, system, words);
        HBox.setHgrow(words, Priority.ALWAYS);
        advice.getChildren().add(row);
        row.setMinHeight(Region.USE_PREF_SIZE);
    }

    private static String span(BandChange b) {
        if (b.toHz() <= 1000) return String.format(Locale.ROOT, "%.0f–%.0f Hz", b.fromHz(), b.toHz());
        return AxisTicks.number(b.fromHz() / 1000) + "–" + AxisTicks.number(b.toHz() / 1000) + " kHz";
    }

    private static String signed(double db) {
        return String.format(Locale.ROOT, "%+.1f", db).replace('-', '−');
    }
}
