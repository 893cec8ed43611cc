package verisonus.desktop.shell;

import java.util.Comparator;
import java.util.List;
import java.util.function.Supplier;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import verisonus.desktop.theme.Nodes;

/** Every command by name, with its keys: typed words narrow the list, Enter does the first. */
final class CommandFinder extends StackPane {
    private static final int SHOWN = 14;

    private final Supplier<List<Command>> all;
    private List<Command> commands = List.of();
    private final TextField field = new TextField();
    private final VBox found = new VBox();

    /** @param all asked each time that it opens, as benches change what can be pressed on them */
    CommandFinder(Supplier<List<Command>> all) {
        this.all = all;
        getStyleClass().add("finder");
        setId("finder");
        field.setPromptText("find anything: type what you want to do");
        field.setAccessibleText("find a command");
        field.textProperty().subscribe(this::narrow);
        field.setOnAction(_ -> matching().stream().findFirst().ifPresent(this::perform));
        VBox box = Nodes.column(6, field, found);
        box.getStyleClass().add("finder-box");
        box.setMaxSize(460, Region.USE_PREF_SIZE);
        getChildren().add(box);
        setAlignment(box, Pos.TOP_CENTER);
        setVisible(false);
        setOnMousePressed(e -> {
            if (e.getTarget() == this) close();
        });
        setOnKeyPressed(e -> {
            if (e.getCode() == KeyCode.ESCAPE) close();
        });
    }

    private List<Command> matching() {
        return commands.stream().filter(c -> c.matches(field.getText()))
                .sorted(Comparator.comparing(c -> !c.isNamed(field.getText()))).limit(SHOWN).toList();
    }

    private void narrow() {
        List<Command> matching = matching();
        found.getChildren().setAll(matching.stream().map(this::line).toList());
        if (matching.isEmpty()) {
            found.getChildren().add(Nodes.wrapped("Nothing here is called \"" + field.getText().strip()
                    + "\". One word is enough: derive, hear, region, file, undo, gear, level …", "quiet"));
        }
    }

    private Button line(Command c) {
        Region space = new Region();
        HBox.setHgrow(space, Priority.ALWAYS);
        HBox row = new HBox(8, Nodes.label(c.name()), space, Nodes.label(c.keyWords(), "quiet", "small"));
        row.setPrefWidth(420);
        Button b = Nodes.plain("");
        b.setGraphic(row);
        b.setAccessibleText(c.name());
        b.setMaxWidth(Double.MAX_VALUE);
        b.setOnAction(_ -> perform(c));
        return b;
    }

    private void perform(Command c) {
        close();
        c.action().run();
    }

    void open() {
        commands = all.get();
        setVisible(true);
        field.clear();
        narrow();
        field.requestFocus();
    }

    void close() {
        setVisible(false);
    }
}
