package verisonus.desktop.theme;

import javafx.geometry.Insets;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** Small parts that every bench is built of, so that they look alike everywhere. */
public final class Nodes {
    private Nodes() {}

    public static Label label(String text, String... styles) {
        Label out = new Label(text);
        out.getStyleClass().addAll(styles);
        return out;
    }

    /** A label that breaks its text into lines. */
    public static Label wrapped(String text, String... styles) {
        Label out = label(text, styles);
        out.setWrapText(true);
        out.setMinHeight(Region.USE_PREF_SIZE);
        return out;
    }

    /** A button that looks like text until it is pointed at. */
    public static Button plain(String text) {
        Button out = new Button(text);
        out.getStyleClass().add("plain");
        return out;
    }

    /** A short field for a figure. */
    public static TextField field(String text, String accessible) {
        TextField out = new TextField(text);
        out.setPrefColumnCount(5);
        out.setAccessibleText(accessible);
        return out;
    }

    public static VBox column(double gap, Node... parts) {
        return new VBox(gap, parts);
    }

    public static <T extends Region> T padded(T region, double top, double right, double bottom, double left) {
        region.setPadding(new Insets(top, right, bottom, left));
        return region;
    }
}
