package verisonus.desktop.walk;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import javafx.animation.Animation;
import javafx.animation.KeyFrame;
import javafx.animation.Timeline;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.util.Duration;
import verisonus.casebook.exchange.UserFolder;
import verisonus.desktop.theme.Nodes;

/** The step to do next, over the listening bar; gone when the walk is over or was left. */
public final class WalkStrip extends HBox {
    private static final String SEEN = "walk-seen";

    private final Walk walk;
    private final Label number = Nodes.label("", "quiet", "small");
    private final Label words = Nodes.wrapped("");
    private final Button on = Nodes.plain("");
    private final Button leave = Nodes.plain("");
    private final Timeline watching;

    public WalkStrip(Walk walk) {
        super(14);
        this.walk = walk;
        setId("walk");
        getStyleClass().addAll("work-strip", "ruled-above");
        setAlignment(Pos.CENTER_LEFT);
        setPadding(new Insets(7, 22, 7, 22));
        words.setId("walk-words");
        on.setId("walk-on");
        leave.setId("walk-leave");
        number.setMinWidth(Region.USE_PREF_SIZE);
        on.setMinWidth(Region.USE_PREF_SIZE);
        leave.setMinWidth(Region.USE_PREF_SIZE);
        HBox.setHgrow(words, Priority.ALWAYS);
        words.setMaxWidth(Double.MAX_VALUE);
        getChildren().addAll(number, words, on, leave);
        watching = new Timeline(new KeyFrame(Duration.millis(200), _ -> walk.look()));
        watching.setCycleCount(Animation.INDEFINITE);
        walk.at().subscribe((was, now) -> {
            if (now.isPresent()) {
                show();
                watching.play();
            } else {
                watching.stop();
                over(was.isPresent());
            }
        });
        shown(false);
    }

    /** Asks once whether to walk. */
    public void offer() {
        if (Files.exists(seen())) return;
        number.setText("New here?");
        words.setText("A walk of " + Walk.length() + " steps through this casebook, done by you, left when you like.");
        on.setText("begin");
        on.setOnAction(_ -> walk.begin());
        leave.setText("not now");
        leave.setOnAction(_ -> over(true));
        shown(true);
    }

    public void begin() {
        walk.begin();
    }

    private void show() {
        number.setText((walk.at().get().orElse(0) + 1) + " of " + Walk.length());
        words.setText(walk.words().orElse(""));
        on.setText("leave this step out");
        on.setOnAction(_ -> walk.skip());
        leave.setText("end the walk");
        leave.setOnAction(_ -> walk.leave());
        shown(true);
    }

    private void over(boolean seen) {
        shown(false);
        if (seen) remember();
    }

    private void shown(boolean now) {
        setVisible(now);
        setManaged(now);
    }

    private static Path seen() {
        return UserFolder.path().resolve(SEEN);
    }

    /** Asked once is enough; where nothing can be written it is asked again. */
    private static void remember() {
        try {
            if (!Files.exists(seen())) Files.createFile(seen());
        } catch (IOException e) {
            // Only a convenience is lost.
            return;
        }
    }
}
