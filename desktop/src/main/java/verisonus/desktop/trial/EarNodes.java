package verisonus.desktop.trial;

import java.util.List;
import javafx.beans.property.ReadOnlyStringProperty;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.FlowPane;
import verisonus.desktop.theme.Nodes;

/** Parts that the questions of this bench share. */
final class EarNodes {
    private static final double WIDTH = 110;

    private EarNodes() {}

    /** A button that makes something sound; the one that is heard stands out. */
    static Button sound(String id, String words, boolean heard, Runnable hear) {
        Button b = button(id, words, hear);
        b.setMinWidth(WIDTH);
        if (heard) b.getStyleClass().add("strong");
        return b;
    }

    static Button button(String id, String words, Runnable what) {
        Button b = new Button(words);
        b.setId(id);
        b.setOnAction(_ -> what.run());
        return b;
    }

    static Button first(String id, String words, Runnable what) {
        Button b = button(id, words, what);
        b.getStyleClass().add("first");
        return b;
    }

    static Button plain(String id, String words, Runnable what) {
        Button b = Nodes.plain(words);
        b.setId(id);
        b.setOnAction(_ -> what.run());
        return b;
    }

    /** What a model has to say, gone where it is silent. */
    static Label said(ReadOnlyStringProperty words) {
        Label out = Nodes.wrapped("", "small");
        out.managedProperty().bind(out.textProperty().isNotEmpty());
        words.subscribe(out::setText);
        return out;
    }

    /** The same for a page that is made anew with every change. */
    static Label saying(ReadOnlyStringProperty words) {
        Label out = Nodes.wrapped(words.get(), "small");
        out.setManaged(!words.get().isEmpty());
        return out;
    }

    static FlowPane row(Node... nodes) {
        return row(List.of(nodes));
    }

    static FlowPane row(List<? extends Node> nodes) {
        FlowPane out = new FlowPane(10, 6);
        out.getChildren().addAll(nodes);
        out.setAlignment(javafx.geometry.Pos.CENTER_LEFT);
        return out;
    }
}
