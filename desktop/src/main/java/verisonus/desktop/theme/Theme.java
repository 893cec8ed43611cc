package verisonus.desktop.theme;

import java.io.InputStream;
import java.util.List;
import java.util.Objects;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.SimpleObjectProperty;
import javafx.scene.Scene;
import javafx.scene.text.Font;
import org.jspecify.annotations.Nullable;

/** Day or night: the inks of every screen. Fonts ship with the program and are loaded once. */
public final class Theme {
    /** Figures and controls. */
    public static final String PLAIN = "B612";
    /** Titles and findings. */
    public static final String TITLES = "Vollkorn";
    public static final double SMALL = 11.5;
    public static final double NORMAL = 13;

    static {
        // The faces of the sheet are those of the window.
        for (String file : List.of("/verisonus/casebook/sheet/fonts/B612-Regular.ttf",
                "/verisonus/casebook/sheet/fonts/B612-Bold.ttf",
                "/verisonus/casebook/sheet/fonts/Vollkorn-SemiBold.ttf",
                "/verisonus/desktop/fonts/Vollkorn-Italic.ttf")) {
            @Nullable
            InputStream in = Theme.class.getResourceAsStream(file);
            Font.loadFont(Objects.requireNonNull(in, file), NORMAL);
        }
    }

    private final ObjectProperty<Inks> inks = new SimpleObjectProperty<>(Inks.DAY);

    public ReadOnlyObjectProperty<Inks> inks() {
        return inks;
    }

    public boolean isNight() { return inks.get() == Inks.NIGHT; }

    public void turn() {
        inks.set(isNight() ? Inks.DAY : Inks.NIGHT);
    }

    /** Puts the stylesheets and the inks on a scene and keeps them up to date. */
    public void dress(Scene scene, List<String> sheets) {
        for (String sheet : sheets) {
            scene.getStylesheets().add(
                    Objects.requireNonNull(Theme.class.getResource("/verisonus/desktop/" + sheet), sheet)
                            .toExternalForm());
        }
        inks.subscribe(i -> scene.getRoot().setStyle(i.css()));
    }
}
