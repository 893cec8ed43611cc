package verisonus.desktop.perform;

import java.util.Optional;
import java.util.function.DoubleConsumer;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.input.KeyEvent;
import verisonus.core.rig.Control;
import verisonus.desktop.theme.Drawing;
import verisonus.desktop.theme.Inks;
import verisonus.desktop.theme.Marks;
import verisonus.desktop.theme.Theme;

/** A control in the tone and in a variant of it on one ruled scale, the way between them hatched. Dragged, or stepped by arrow keys. */
final class TurnScale extends Drawing {
    private static final double EDGE = 8;
    private static final int TICKS = 10;
    private static final double STEP = 0.01;
    private static final double LARGE_STEP = 0.1;

    private final Control control;
    private final double tone;
    private final double variant;
    private final DoubleConsumer turned;
    private Optional<Double> held = Optional.empty();

    /** @param turned takes the new value where the hand lets go */
    TurnScale(Control control, double tone, double variant, Theme theme, DoubleConsumer turned) {
        super(theme);
        this.control = control;
        this.tone = tone;
        this.variant = variant;
        this.turned = turned;
        setFocusTraversable(true);
        setMinSize(120, 24);
        setPrefHeight(24);
        setOnMousePressed(_ -> requestFocus());
        setOnMouseDragged(e -> hold((e.getX() - EDGE) / (getWidth() - 2 * EDGE)));
        setOnMouseReleased(_ -> let());
        setOnKeyPressed(this::key);
        setOnKeyReleased(e -> {
            switch (e.getCode()) {
                case LEFT, RIGHT -> let();
                default -> {
                }
            }
        });
        focusedProperty().subscribe(this::redraw);
    }

    private void key(KeyEvent e) {
        int way = switch (e.getCode()) {
            case LEFT -> -1;
            case RIGHT -> 1;
            default -> 0;
        };
        if (way == 0) return;
        hold(held.orElse(control.position(variant)) + way * (e.isShiftDown() ? LARGE_STEP : STEP));
        e.consume();
    }

    private void hold(double position) {
        held = Optional.of(Math.clamp(position, 0, 1));
        redraw();
    }

    private void let() {
        Optional<Double> to = held;
        held = Optional.empty();
        to.ifPresent(p -> turned.accept(Math.rint(100 * control.valueAt(p)) / 100));
    }

    @Override
    protected void draw(GraphicsContext g, double w, double h, Inks inks) {
        double y = Math.floor(h / 2) + 0.5;
        double width = w - 2 * EDGE;
        g.setStroke(inks.rule());
        g.strokeLine(EDGE, y, EDGE + width, y);
        for (int i = 0; i <= TICKS; i++) {
            double x = EDGE + width * i / TICKS;
            double tall = i % 5 == 0 ? 4 : 2;
            g.strokeLine(x, y - tall, x, y + tall);
        }
        double from = EDGE + width * control.position(tone);
        double to = EDGE + width * held.orElse(control.position(variant));
        if (Math.abs(to - from) > 1) {
            Marks.hatch(g, from, to, y, inks);
            Marks.was(g, from, y, inks);
        }
        Marks.diamond(g, to, y, inks);
        if (isFocused()) {
            g.setStroke(inks.ink());
            g.strokeRect(1.5, 1.5, w - 3, h - 3);
        }
    }
}
