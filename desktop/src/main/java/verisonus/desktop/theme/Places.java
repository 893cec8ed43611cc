package verisonus.desktop.theme;

import java.util.List;
import java.util.Locale;
import java.util.function.Function;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.SimpleObjectProperty;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.HBox;

/** A row of places on one bench, of which one is seen at a time: each answers one question. */
public final class Places<P extends Enum<P>> extends HBox {
    private final ObjectProperty<P> at;

    /**
     * @param words as a place is called
     * @param about what is answered there
     */
    public Places(List<P> places, Function<P, String> words, Function<P, String> about) {
        super(2);
        at = new SimpleObjectProperty<>(places.getFirst());
        setTranslateX(-6);
        ToggleGroup group = new ToggleGroup();
        for (P p : places) getChildren().add(button(p, group, words.apply(p), about.apply(p)));
    }

    private ToggleButton button(P place, ToggleGroup group, String words, String about) {
        ToggleButton b = new ToggleButton(words);
        b.getStyleClass().addAll("plain", "lens");
        b.setId("place-" + place.name().toLowerCase(Locale.ROOT));
        b.setToggleGroup(group);
        b.setMinWidth(USE_PREF_SIZE);
        Hint.on(b, about);
        b.setOnAction(_ -> {
            b.setSelected(true);
            at.set(place);
        });
        at.subscribe(now -> b.setSelected(now == place));
        return b;
    }

    /** Which one is seen. */
    public ObjectProperty<P> at() {
        return at;
    }
}
