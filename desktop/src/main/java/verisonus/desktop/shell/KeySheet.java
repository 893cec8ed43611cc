package verisonus.desktop.shell;

import java.util.List;
import java.util.Map;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import verisonus.desktop.theme.Nodes;

/** Every key on one page: those of the whole window, then those of single parts. Any key closes it. */
final class KeySheet extends StackPane {
    /** Keys of parts that have the focus; they are no commands, as they need a place. */
    private static final List<Map.Entry<String, List<String[]>>> PARTS = List.of(
            Map.entry("On a ruled scale", List.of(new String[]{"Left, Right", "turn by a hundredth"},
                    new String[]{"with Shift", "turn by a tenth"},
                    new String[]{"Enter on the figure", "type a value"})),
            Map.entry("On a stage of the chain", List.of(new String[]{"Enter", "hear without it, put it back"},
                    new String[]{"Alt+Up, Alt+Down", "move it earlier or later"},
                    new String[]{"Delete", "take it out"})),
            Map.entry("On the recording", List.of(new String[]{"drag", "mark a region"},
                    new String[]{"Left, Right", "scroll"}, new String[]{"+, −", "zoom"})),
            Map.entry("While comparing", List.of(new String[]{"A to J", "hear by letter"},
                    new String[]{"K", "mark the moment"}, new String[]{"O", "only what differs"})),
            Map.entry("Everywhere", List.of(new String[]{"Tab", "to the next part"},
                    new String[]{"Enter", "press what has the focus"}, new String[]{"Esc", "close, dismiss"})));

    private final List<Command> commands;

    KeySheet(List<Command> commands) {
        this.commands = commands;
        getStyleClass().add("finder");
        setId("keys");
        setPadding(new Insets(40, 0, 40, 0));
        setVisible(false);
        setOnMousePressed(_ -> close());
        setOnKeyPressed(e -> {
            if (e.getCode() != KeyCode.SHIFT) close();
            e.consume();
        });
    }

    private VBox page() {
        FlowPane columns = new FlowPane(28, 14);
        columns.setPrefWrapLength(760);
        columns.getChildren().add(part("In the whole window", commands.stream().filter(c -> !c.keyWords().isEmpty())
                .map(c -> new String[]{c.keyWords(), c.name()}).toList()));
        VBox parts = Nodes.column(14);
        PARTS.forEach(p -> parts.getChildren().add(part(p.getKey(), p.getValue())));
        columns.getChildren().add(parts);
        ScrollPane scroll = new ScrollPane(columns);
        scroll.setFitToWidth(true);
        VBox box = Nodes.column(8, Nodes.label("Every key", "heading"), scroll);
        box.getStyleClass().add("finder-box");
        box.setMaxSize(860, Region.USE_PREF_SIZE);
        setAlignment(box, Pos.TOP_CENTER);
        return box;
    }

    private void close() {
        setVisible(false);
        getScene().getRoot().requestFocus();
    }

    private static VBox part(String title, List<String[]> keys) {
        GridPane grid = new GridPane();
        grid.setHgap(14);
        grid.setVgap(2);
        for (int i = 0; i < keys.size(); i++) {
            Label key = Nodes.label(keys.get(i)[0], "figure", "small");
            key.setMinWidth(Region.USE_PREF_SIZE);
            grid.add(key, 0, i);
            Label what = Nodes.wrapped(keys.get(i)[1], "small");
            what.setMaxWidth(300);
            grid.add(what, 1, i);
        }
        return Nodes.column(4, Nodes.label(title, "strong"), grid);
    }

    /** Laid out when it is first asked for: a window that has just begun has no use for it. */
    void open() {
        if (getChildren().isEmpty()) getChildren().add(page());
        setVisible(true);
        setFocusTraversable(true);
        requestFocus();
    }
}
