package verisonus.desktop.shell;

import javafx.animation.PauseTransition;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ProgressBar;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.util.Duration;
import verisonus.desktop.desk.Work;
import verisonus.desktop.theme.Nodes;

/** Work under way with its progress, remaining time and Cancel; faults until they are dismissed. Quick work stays unseen. */
final class WorkStrip extends VBox {
    private static final Duration QUICK = Duration.millis(600);

    WorkStrip(Work work) {
        getStyleClass().add("work-strip");
        getChildren().addAll(progress(work), fault(work));
    }

    private static HBox progress(Work work) {
        Label doing = Nodes.label("");
        doing.textProperty().bind(work.doing());
        ProgressBar bar = new ProgressBar();
        bar.progressProperty().bind(work.done());
        bar.setPrefWidth(240);
        bar.setPrefHeight(8);
        Label left = Nodes.label("", "quiet", "small");
        left.textProperty().bind(work.remaining());
        Region space = new Region();
        HBox.setHgrow(space, Priority.ALWAYS);
        Button cancel = new Button("Cancel");
        cancel.setId("cancel");
        cancel.setOnAction(_ -> work.cancel());
        HBox row = new HBox(12, doing, space, bar, left, cancel);
        row.setAlignment(Pos.CENTER_LEFT);
        row.setPadding(new Insets(5, 22, 5, 22));
        show(row, false);
        PauseTransition wait = new PauseTransition(QUICK);
        wait.setOnFinished(_ -> show(row, work.busy().get()));
        work.busy().subscribe(busy -> {
            if (busy) {
                wait.playFromStart();
            } else {
                wait.stop();
                show(row, false);
            }
        });
        return row;
    }

    private static HBox fault(Work work) {
        Label message = Nodes.wrapped("", "warned");
        message.setId("fault");
        message.textProperty().bind(work.fault());
        HBox.setHgrow(message, Priority.ALWAYS);
        message.setMaxWidth(Double.MAX_VALUE);
        Button close = new Button("Dismiss");
        close.setOnAction(_ -> work.dismissFault());
        HBox row = new HBox(12, message, close);
        row.setAlignment(Pos.CENTER_LEFT);
        row.setPadding(new Insets(5, 22, 5, 22));
        work.fault().subscribe(f -> show(row, !f.isEmpty()));
        return row;
    }

    private static void show(Region row, boolean on) {
        row.setVisible(on);
        row.setManaged(on);
    }
}
