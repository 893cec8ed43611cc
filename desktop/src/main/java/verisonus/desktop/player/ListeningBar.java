package verisonus.desktop.player;

import java.util.EnumMap;
import java.util.Locale;
import java.util.Map;
import javafx.animation.AnimationTimer;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.Slider;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import javafx.scene.shape.Polygon;
import verisonus.core.work.Figures;
import verisonus.desktop.theme.AxisTicks;
import verisonus.desktop.theme.Hint;
import verisonus.desktop.theme.Nodes;
import verisonus.desktop.theme.Theme;

/** What is heard, the same on every bench: source, play, loop, place, loudness match, level with safe time. */
public final class ListeningBar extends HBox {
    private final PlayerModel model;
    private final Map<Source, ToggleButton> sources = new EnumMap<>(Source.class);
    private final Polygon symbol = new Polygon();
    private final AnimationTimer clock;

    /** @param through shows and changes which playback system everything is heard on */
    public ListeningBar(PlayerModel model, Theme theme, javafx.scene.Node through) {
        super(12);
        this.model = model;
        getStyleClass().add("listening-bar");
        setAlignment(Pos.CENTER_LEFT);
        setPadding(new Insets(8, 22, 8, 22));
        Label place = Nodes.label("0:00.0", "strong");
        place.setMinWidth(54);
        model.positionS().subscribe(p -> place.setText(AxisTicks.time(p.doubleValue(), true)));
        HBox choices = new HBox(2);
        for (Source s : Source.values()) if (s.isNamed()) choices.getChildren().add(source(s));
        choices.setAlignment(Pos.CENTER_LEFT);
        OverviewView overview = new OverviewView(model, theme);
        HBox.setHgrow(overview, Priority.ALWAYS);
        getChildren().addAll(play(), place, choices, mix(), through, overview, loop(), level());
        model.source().subscribe(this::showSource);
        model.loads().subscribe(this::showSource);
        model.blind().subscribe(this::showSource);
        showSource();
        clock = new AnimationTimer() {
            @Override
            public void handle(long now) {
                model.tick();
            }
        };
        model.playing().subscribe(on -> {
            if (on) clock.start();
            else clock.stop();
        });
    }

    private Button play() {
        Button play = Nodes.plain("");
        play.setId("play");
        symbol.getStyleClass().add("play-symbol");
        play.setGraphic(symbol);
        play.setAccessibleText("play or pause");
        Hint.on(play, "play or pause (Space); starts low and rises slowly");
        play.setOnAction(_ -> model.toggle());
        model.playing().subscribe(on -> {
            if (on)
                symbol.getPoints().setAll(0.0, 0.0, 5.0, 0.0, 5.0, 18.0, 10.0, 18.0, 10.0, 0.0, 15.0, 0.0, 15.0,
                        18.0, 0.0, 18.0);
            else
                symbol.getPoints().setAll(0.0, 0.0, 16.0, 9.0, 0.0, 18.0);
        });
        return play;
    }

    private ToggleButton source(Source s) {
        String mark = switch (s) {
            case REFERENCE -> "● ";
            case MINE -> "◇ ";
            default -> "";
        };
        ToggleButton b = new ToggleButton(mark + s.words());
        b.setId("source-" + s.name().toLowerCase(Locale.ROOT));
        b.getStyleClass().addAll("plain", "source", s.name().toLowerCase(Locale.ROOT));
        Hint.on(b, "hear " + s.words() + " (" + s.key() + "), matched in loudness, at the same place");
        b.setOnAction(_ -> {
            model.choose(s);
            showSource();
        });
        sources.put(s, b);
        return b;
    }

    private void showSource() {
        sources.forEach((s, b) -> {
            b.setSelected(model.source().get() == s);
            b.setDisable(!model.has(s) || model.blind().get());
            boolean shown = s != Source.BESIDE || model.has(s);
            b.setVisible(shown);
            b.setManaged(shown);
        });
    }

    private ToggleButton mix() {
        ToggleButton b = new ToggleButton("in the mix");
        b.getStyleClass().add("plain");
        Hint.on(b, "mine and the DI with the band around them; the reference has its own");
        b.selectedProperty().bindBidirectional(model.inTheMix());
        b.disableProperty().bind(model.hasBacking().not());
        return b;
    }

    private ToggleButton loop() {
        ToggleButton b = new ToggleButton("loop");
        b.getStyleClass().add("plain");
        Hint.on(b, "go round the region (L)");
        b.selectedProperty().bindBidirectional(model.looping());
        return b;
    }

    private VBox level() {
        Slider slider = new Slider(PlayerModel.SOFTEST_DB, PlayerModel.LOUDEST_DB, model.levelDb().get());
        slider.setId("level");
        slider.valueProperty().bindBidirectional(model.levelDb());
        slider.setBlockIncrement(1);
        slider.setAccessibleText("listening level");
        Hint.on(slider, "Loud playing harms hearing: 85 dBA is safe for 8 hours a day, half as long for every"
                + " 3 dB more. Keys: Ctrl+Up and Ctrl+Down");
        slider.setPrefWidth(150);
        Label words = Nodes.label("", "small");
        words.setId("level-words");
        Runnable say = () -> {
            double db = model.levelDb().get();
            words.setText(model.level().get().words(db, model.dose().get()));
            words.getStyleClass().removeAll("warned", "quiet");
            words.getStyleClass().add(model.level().get().warns(db, model.dose().get()) ? "warned" : "quiet");
        };
        model.levelDb().subscribe(say);
        model.level().subscribe(say);
        model.dose().subscribe(say);
        say.run();
        Label matched = Nodes.label("", "small", "quiet");
        Runnable show = () -> matched.setText(Figures.read("loudness matched, %.1f LUFS",
                model.targetLufs()));
        model.loads().subscribe(_ -> show.run());
        model.output().subscribe(o -> matched.setTooltip(o.isEmpty() ? null : new Tooltip("plays into the " + o)));
        HBox top = new HBox(10, slider, matched);
        top.setAlignment(Pos.CENTER_LEFT);
        VBox box = Nodes.column(3, top, words);
        box.setMinWidth(322);
        return box;
    }
}
