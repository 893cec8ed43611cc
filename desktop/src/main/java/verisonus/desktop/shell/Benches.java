package verisonus.desktop.shell;

import java.util.EnumMap;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.function.Supplier;
import javafx.animation.PauseTransition;
import javafx.application.Platform;
import javafx.scene.Node;
import javafx.util.Duration;
import verisonus.desktop.desk.Bench;

/**
 * The benches' views, each made when it is first looked at, so that a window comes up with one of them; the others are made one by one
 * a moment later, so that nobody waits when going to them.
 */
final class Benches {
    private static final Duration A_MOMENT = Duration.millis(900);

    private final Map<Bench, Supplier<? extends Node>> makers = new EnumMap<>(Bench.class);
    private final Map<Bench, Node> made = new EnumMap<>(Bench.class);
    private final PauseTransition moment = new PauseTransition(A_MOMENT);
    private boolean closed;

    void put(Bench bench, Supplier<? extends Node> maker) {
        makers.put(bench, maker);
    }

    Node get(Bench bench) {
        Node there = made.get(bench);
        if (there != null) return there;
        // Not computed into the map: making one may ask for another.
        Node view = Objects.requireNonNull(makers.get(bench)).get();
        made.put(bench, view);
        return view;
    }

    /** A view that somebody has looked at, or could have. */
    Optional<Node> ifMade(Bench bench) {
        return Optional.ofNullable(made.get(bench));
    }

    /** All of them, made now where they were not. */
    Map<Bench, Node> all() {
        makers.keySet().forEach(this::get);
        return made;
    }

    /** Makes what is missing, with room between for whatever else the window has to do. */
    void makeSoon() {
        moment.setOnFinished(_ -> makeNext());
        moment.play();
    }

    /** Nothing is made any more: what the views show is closed. */
    void close() {
        closed = true;
        moment.stop();
    }

    private void makeNext() {
        if (closed) return;
        Optional<Bench> missing = makers.keySet().stream().filter(b -> !made.containsKey(b)).findFirst();
        missing.ifPresent(b -> {
            get(b);
            Platform.runLater(this::makeNext);
        });
    }
}
