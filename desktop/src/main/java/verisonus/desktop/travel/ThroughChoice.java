package verisonus.desktop.travel;

import java.util.Optional;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.SeparatorMenuItem;
import verisonus.core.travel.system.PlaybackSystem;
import verisonus.core.travel.trim.Trim;
import verisonus.desktop.desk.HeardOn;
import verisonus.desktop.theme.Hint;

/** In the listening bar: the playback system that everything is heard on, with its trim where there is one. */
public final class ThroughChoice extends MenuButton {
    private final TravelModel model;

    public ThroughChoice(TravelModel model) {
        this.model = model;
        setId("heard-through");
        getStyleClass().add("plain");
        setAccessibleText("playback system that everything is heard on");
        Hint.on(this, "hear everything as a phone, a car, a stage speaker … plays it");
        setMinWidth(118);
        setMaxWidth(150);
        setOnShowing(_ -> fill());
        fill();
        model.desk().heardOn().subscribe(this::say);
    }

    private void say(Optional<HeardOn> on) {
        setText(on.map(h -> "on: " + h.system().name() + (h.trim().isPresent() ? ", turned" : ""))
                .orElse("on: as it is"));
    }

    private void fill() {
        getItems().setAll(item("as it is", Optional.empty(), false), new SeparatorMenuItem());
        for (PlaybackSystem s : model.desk().book().travels().systems()) {
            getItems().add(item(s.name(), Optional.of(s), false));
            if (model.trim(s).filter(t -> !t.isEmpty()).map(Trim::steps).isPresent())
                getItems().add(item("    " + s.name() + ", turned for it", Optional.of(s), true));
        }
    }

    private MenuItem item(String words, Optional<PlaybackSystem> system, boolean trimmed) {
        MenuItem item = new MenuItem(words);
        item.setOnAction(_ -> model.hear(system, trimmed));
        return item;
    }
}
