package verisonus.desktop.derive.own;

import java.util.List;
import java.util.Optional;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import verisonus.core.evidence.words.Trait;
import verisonus.core.perform.wish.StartSound;
import verisonus.desktop.theme.Hint;
import verisonus.desktop.theme.Nodes;
import verisonus.desktop.theme.Theme;

/** With a take and no record: one question, from what the tone shall begin. A row is heard by pressing it. */
public final class StartsView extends BorderPane {
    private static final int WORDS = 3;
    private static final double NAME = 250;
    private static final double SCALE = 130;
    private static final double MADE = 280;
    /** What a row that can be pressed stands in by, so that its columns stand under their names. */
    private static final double BUTTON_EDGE = 8;

    private final StartsModel model;
    private final Theme theme;
    private final VBox rows = new VBox();
    private final TextField words = new TextField();
    private final Label none = Nodes.wrapped("", "quiet");

    /** @param choose lets the player choose a record after all */
    public StartsView(StartsModel model, Theme theme, Runnable choose) {
        this.model = model;
        this.theme = theme;
        words.setId("start-words");
        words.setPromptText("warm, less bright, crunch …");
        words.setAccessibleText("how it should sound");
        words.setPrefWidth(260);
        words.textProperty().subscribe(_ -> show());
        Button record = Nodes.plain("I have a record: choose it…");
        record.setId("start-record");
        record.setOnAction(_ -> choose.run());
        HBox ask = new HBox(10, Nodes.label("It should sound", "small"), words, record);
        ask.setAlignment(Pos.CENTER_LEFT);
        HBox head = new HBox(0, cell("", NAME), cell("clean · dirty", SCALE), cell("dark · bright", SCALE),
                cell("made with", MADE));
        head.setPadding(new Insets(6, 0, 2, BUTTON_EDGE));
        setTop(Nodes.padded(Nodes.column(6,
                Nodes.wrapped("Each plays your own take, all at the same loudness. Press one to hear it.",
                        "quiet", "small"),
                ask, head, none), 2, 16, 0, 22));
        ScrollPane scroll = new ScrollPane(Nodes.padded(rows, 0, 16, 12, 22));
        scroll.setFitToWidth(true);
        setCenter(scroll);
        model.played().subscribe(_ -> show());
        model.heard().subscribe(_ -> show());
        model.stopped().subscribe(_ -> show());
    }

    private static Label cell(String text, double width) {
        Label out = Nodes.label(text, "quiet", "small");
        out.setMinWidth(width);
        out.setPrefWidth(width);
        return out;
    }

    /** Shows what is there; asks for it to be played where it was not. */
    public void show() {
        if (isVisible() && !model.stopped().get()) model.play();
        List<StartSound> all = model.sorted(words.getText());
        boolean waiting = model.current().isEmpty();
        none.setText(waiting
                ? model.stopped().get()
                        ? "They were not played: Ctrl+D plays them."
                        : "They are being played on your take."
                : all.isEmpty() ? "Nothing is called that. Say how it should sound, or clear the line." : "");
        none.setManaged(!none.getText().isEmpty());
        rows.getChildren().setAll(all.stream().map(this::row).toList());
    }

    private static String words(StartSound s) {
        return String.join(", ", s.fitting(WORDS));
    }

    private HBox row(StartSound s) {
        boolean here = model.heard().get().filter(s::equals).isPresent();
        Label name = Nodes.label(s.start().words(), here ? "strong" : "figure");
        Label like = Nodes.label(words(s), "quiet", "small");
        VBox called = new VBox(0, name, like);
        called.setMinWidth(NAME);
        called.setPrefWidth(NAME);
        Button press = new Button();
        Label made = cell(s.family().isEmpty() ? "amp, cabinet and microphone as they come" : s.family(), MADE);
        HBox line = new HBox(0, called, scale(s, Trait.DIRT), scale(s, Trait.CENTRE), made);
        line.setAlignment(Pos.CENTER_LEFT);
        press.setGraphic(line);
        press.getStyleClass().addAll("plain", "start-row");
        press.setAccessibleText("hear " + s.start().words() + ", " + words(s));
        Hint.on(press, "hear it on your take");
        press.setOnAction(_ -> model.hear(s));
        HBox out = new HBox(12, press);
        out.setAlignment(Pos.CENTER_LEFT);
        out.getStyleClass().add("ruled-below");
        HBox.setHgrow(press, Priority.NEVER);
        if (here) {
            Button begin = new Button("Start from this");
            begin.setId("begin");
            begin.getStyleClass().add("first");
            begin.setMinWidth(Region.USE_PREF_SIZE);
            begin.setOnAction(_ -> model.begin(s));
            out.getChildren().add(begin);
        }
        return out;
    }

    private TraitScale scale(StartSound s, Trait trait) {
        List<Double> all = model.current().map(p -> p.sounds().stream()
                .flatMap(o -> Optional.ofNullable(o.traits().get(trait)).stream()).toList()).orElse(List.of());
        double least = all.stream().mapToDouble(v -> v).min().orElse(0);
        double most = all.stream().mapToDouble(v -> v).max().orElse(1);
        double at = s.traits().getOrDefault(trait, Double.NaN);
        return new TraitScale((at - least) / Math.max(1e-9, most - least), theme);
    }
}
