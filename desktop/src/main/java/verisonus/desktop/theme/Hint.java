package verisonus.desktop.theme;

import java.util.Optional;
import javafx.event.EventHandler;
import javafx.scene.Node;
import javafx.scene.control.Tooltip;
import javafx.scene.input.MouseEvent;

/**
 * A word beside what is pointed at. A tooltip is a window with a scene of its own, and a view has dozens that nobody calls for: each is made
 * when its place is first pointed at. Who cannot point is told the same word.
 */
public final class Hint {
    private Hint() {}

    /** Gives a node its word, in the place of an earlier one. */
    public static void on(Node node, String words) {
        node.setAccessibleHelp(words);
        if (node.getProperties().putIfAbsent(Hint.class, Boolean.TRUE) != null) return;
        node.addEventFilter(MouseEvent.MOUSE_ENTERED, new EventHandler<>() {
            @Override
            public void handle(MouseEvent e) {
                node.removeEventFilter(MouseEvent.MOUSE_ENTERED, this);
                Tooltip tip = new Tooltip();
                tip.textProperty().bind(node.accessibleHelpProperty());
                Tooltip.install(node, tip);
            }
        });
    }

    /** The word of a node that was given one. */
    public static Optional<String> of(Node node) {
        return node.getProperties().containsKey(Hint.class)
                ? Optional.ofNullable(node.getAccessibleHelp())
                : Optional.empty();
    }
}
