package verisonus.desktop.shell;

import java.util.Locale;
import java.util.function.Consumer;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import verisonus.desktop.desk.Bench;
import verisonus.desktop.desk.Desk;
import verisonus.desktop.desk.Standing;
import verisonus.desktop.theme.Hint;
import verisonus.desktop.theme.Nodes;

/** The benches as a numbered thread in working order; each shows whether it is untouched, begun or done. */
final class ThreadView extends HBox {
    private final Desk desk;
    private final Consumer<Bench> goTo;
    private boolean away;

    ThreadView(Desk desk, Consumer<Bench> goTo) {
        this.desk = desk;
        this.goTo = goTo;
        getStyleClass().add("thread-view");
        setAlignment(Pos.TOP_LEFT);
        setMinWidth(USE_PREF_SIZE);
        desk.open().subscribe(this::show);
        desk.bench().subscribe(this::show);
        show();
    }

    /** Whether something else than a bench is shown: then none is marked. */
    void setAway(boolean now) {
        away = now;
        show();
    }

    private void show() {
        getChildren().clear();
        for (Bench b : Bench.values()) {
            if (b.ordinal() > 0) {
                Region line = new Region();
                line.getStyleClass().add("thread-line");
                line.setMinSize(26, 1);
                line.setMaxSize(26, 1);
                StackPane holder = new StackPane(line);
                holder.setMinHeight(26);
                holder.setMaxHeight(26);
                getChildren().add(holder);
            }
            getChildren().add(station(b));
        }
    }

    private Button station(Bench b) {
        Standing standing = desk.open().get().map(o -> o.standing(b)).orElse(Standing.UNTOUCHED);
        boolean here = desk.bench().get() == b && !away;
        Label number = Nodes.label(String.valueOf(b.number()), "small", "strong");
        StackPane circle = new StackPane(number);
        circle.getStyleClass().addAll("station", standing.name().toLowerCase(Locale.ROOT));
        if (here) circle.getStyleClass().add("here");
        double size = here ? 22 : 17;
        circle.setMinSize(size, size);
        circle.setMaxSize(size, size);
        StackPane holder = new StackPane(circle);
        holder.setMinHeight(24);
        VBox box = new VBox(1, holder, Nodes.label(b.words(), here ? "strong" : "quiet"));
        box.setAlignment(Pos.TOP_CENTER);
        Button button = Nodes.plain("");
        button.setGraphic(box);
        button.setMinWidth(Region.USE_PREF_SIZE);
        button.setId("bench-" + b.name().toLowerCase(Locale.ROOT));
        String word = standing.name().toLowerCase(Locale.ROOT);
        button.setAccessibleText("bench " + b.words() + ", " + word);
        Hint.on(button, b.words() + " (" + b.number() + "), " + word);
        button.setOnAction(_ -> goTo.accept(b));
        return button;
    }
}
